package switches_test

import (
	"testing"

	"azzel/core/edit"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/door"
	"azzel/core/kinds/props"
	"azzel/core/kinds/switches"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/world"
)

const theSwitch = world.ID(700)

// begin begins a game in a corridor with a switch in its sixth column and what else is told.
func begin(t *testing.T, view world.View, set kind.Values, more ...corridor.Piece) corridor.Walk {
	t.Helper()
	d := corridor.New(t, view, append([]corridor.Piece{{ID: theSwitch, Column: 6, Type: switches.Kind.ID, Set: set}}, more...))
	return corridor.Begin(t, d, 2, theSwitch)
}

// Who steps on a switch presses it; what comes of that when they leave is as it says.
func TestStepping(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		for _, c := range []struct {
			name         string
			set          kind.Values
			left, again  string
			after, later string
		}{
			{"springs back", "", "released", "pressed", "released", "released"},
			{"springs back after a second", kind.Set(switches.For.Is(60)), "pressed", "pressed", "released", "released"},
			{"stays", kind.Set(switches.Then.Is(switches.Stays)), "pressed", "pressed", "pressed", "pressed"},
			{"stays for a second", kind.Set(switches.Then.Is(switches.Stays), switches.For.Is(60)), "pressed", "pressed", "released", "released"},
			{"changes over", kind.Set(switches.Then.Is(switches.Toggles)), "pressed", "released", "pressed", "released"},
		} {
			w := begin(t, view, c.set)
			if w.To(t, 5); w.State() != "released" {
				t.Errorf("%s: beside it, it is %s", c.name, w.State())
			}
			w.To(t, 6)
			if w.Wait(3); w.State() != "pressed" {
				t.Errorf("%s: stepped on, it is %s", c.name, w.State())
			}
			w.To(t, 8)
			if w.State() != c.left {
				t.Errorf("%s: left, it is %s, not %s", c.name, w.State(), c.left)
			}
			if w.Wait(90); w.State() != c.after {
				t.Errorf("%s: a while later it is %s, not %s", c.name, w.State(), c.after)
			}
			w.To(t, 6)
			if w.Wait(3); w.State() != c.again {
				t.Errorf("%s: stepped on again, it is %s, not %s", c.name, w.State(), c.again)
			}
			w.To(t, 3)
			if w.Wait(90); w.State() != c.later {
				t.Errorf("%s: left again, it is %s, not %s", c.name, w.State(), c.later)
			}
		}
	})
}

// A switch for things is pressed by a crate and not by the player, one that is to be used by using it alone, one that is off by
// nothing.
func TestPressedBy(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		w := begin(t, view, kind.Set(switches.By.Is(switches.ByThing)), corridor.Piece{ID: theSwitch + 1, Column: 4, Type: world.Pushable})
		if n := w.Hold(play.Right, 200, props.Pressed); n != 1 {
			t.Errorf("a crate that was pushed over it pressed it %d times", n)
		}
		bare := begin(t, view, kind.Set(switches.By.Is(switches.ByThing)))
		if n := bare.Hold(play.Right, 200, props.Pressed); n != 0 {
			t.Errorf("the player pressed one for things %d times", n)
		}
		used := begin(t, view, kind.Set(switches.By.Is(switches.ByUse), switches.Then.Is(switches.Toggles)))
		used.To(t, 6)
		if used.State() != "released" {
			t.Error("one that is to be used was pressed by stepping on it")
		}
		for i, want := range []string{"pressed", "released", "pressed"} {
			used.Hold(play.Use, 1, nil)
			if used.Wait(5); used.State() != want {
				t.Errorf("used %d times it is %s", i+1, used.State())
			}
		}
		off := begin(t, view, kind.Set(props.Power.Is(kind.Off)))
		if n := off.Hold(play.Right, 200, props.Pressed); n != 0 {
			t.Errorf("switched off, it was pressed %d times", n)
		}
	})
}

// One that is to be struck takes as many strikes and shots as it says, changes over or springs back, and lets nothing through; others
// are flown through. One that takes several things is pressed by no fewer.
func TestTakes(t *testing.T) {
	const hero = world.ID(900)
	armed := &world.Character{Name: "Gardener", Movement: world.Movement{Arms: world.Striking | world.Shooting, Pause: 10}}
	arms := []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: hero}, Values: armed.Values()},
		edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, hero)}}
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		for _, arm := range []play.Input{play.Strike, play.Shoot} {
			for takes := 1; takes <= 3; takes++ {
				set := kind.Set(switches.By.Is(switches.ByStrike), switches.Then.Is(switches.Toggles), switches.Takes.Is(takes))
				d := corridor.New(t, view, []corridor.Piece{{ID: theSwitch, Column: 6, Type: switches.Kind.ID, Set: set}}, arms...)
				w := corridor.Begin(t, d, 5, theSwitch)
				w.Hold(play.Right, 2, nil)
				for n := 1; n <= 2*takes; n++ {
					w.Hold(arm, 1, nil)
					w.Wait(30)
					if want := map[bool]string{true: "pressed", false: "released"}[n >= takes && n < 2*takes]; w.State() != want {
						t.Errorf("one that takes %d, hit %d times by %d, is %s", takes, n, arm, w.State())
					}
				}
			}
		}
		back := corridor.Begin(t, corridor.New(t, view, []corridor.Piece{{ID: theSwitch, Column: 6, Type: switches.Kind.ID, Set: kind.Set(switches.By.Is(switches.ByStrike), switches.For.Is(40))}}, arms...), 5, theSwitch)
		back.Hold(play.Right, 2, nil)
		back.Hold(play.Strike, 1, nil)
		if back.Wait(20); back.State() != "pressed" {
			t.Errorf("20 ticks after it was struck it is %s", back.State())
		}
		if back.Wait(30); back.State() != "released" {
			t.Errorf("50 ticks after it was struck it is %s", back.State())
		}
		// A foe is hit through one that is not struck, and not through one that is.
		for by, want := range map[int]int{switches.ByUse: 1, switches.ByStrike: 0} {
			d := corridor.New(t, view, []corridor.Piece{{ID: theSwitch, Column: 6, Type: switches.Kind.ID, Set: kind.Set(switches.By.Is(by))},
				{ID: theSwitch + 1, Column: 8, Type: world.Foe, Set: kind.Set(props.Does.Is(props.Stands))}}, arms...)
			w := corridor.Begin(t, d, 4, theSwitch+1)
			w.Hold(play.Right, 2, nil)
			n := w.Hold(play.Shoot, 1, props.Defeated) + w.Hold(0, 60, props.Defeated)
			if n != want {
				t.Errorf("through one that is pressed by %d a foe is hit %d times", by, n)
			}
		}
		crates := []corridor.Piece{{ID: theSwitch + 1, Column: 4, Type: world.Pushable}}
		two := begin(t, view, kind.Set(switches.By.Is(switches.ByThing), switches.Takes.Is(2)), crates...)
		if n := two.Hold(play.Right, 200, props.Pressed); n != 0 {
			t.Errorf("one crate pressed one that takes two %d times", n)
		}
	})
}

// A door that needs a switch to be pressed opens once it is, wherever that lies.
func TestDoorOfASwitch(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		isPressed := logic.Condition{Ask: logic.InState, Subject: logic.Noun{Is: logic.Piece, Thing: theSwitch}, Is: switches.Kind.States[1].Number}
		shut := corridor.Piece{ID: theSwitch + 1, Column: 10, Type: door.Kind.ID, Set: kind.Set(isPressed.Set(props.Needs))}
		for _, c := range []struct {
			set  kind.Values
			want int
		}{{kind.Set(switches.Then.Is(switches.Stays)), 12}, {"", 9}} {
			w := begin(t, view, c.set, shut)
			if w.Hold(play.Right, 240, nil); w.Column() < c.want || c.want < 10 && w.Column() > 9 {
				t.Errorf("past the switch, the player comes to column %d, want %d", w.Column(), c.want)
			}
		}
	})
}

// A switch that one character alone works is pressed by the player who is that one and by a piece that is, and by nobody and nothing else, however it is
// pressed.
func TestOnly(t *testing.T) {
	const porter, gardener = world.ID(720), world.ID(721)
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		for _, by := range []int{switches.ByPlayer, switches.ByUse, switches.ByStrike, switches.ByThing} {
			for _, played := range []world.ID{porter, gardener} {
				thing := corridor.Piece{ID: theSwitch + 1, Column: 6, Type: kind.Named("person").ID, Set: kind.Set(props.Who.Refer(played))}
				pieces := []corridor.Piece{{ID: theSwitch, Column: 6, Type: switches.Kind.ID, Set: kind.Set(switches.By.Is(by), props.Only.Refer(porter))}}
				if by == switches.ByThing {
					pieces = append(pieces, thing)
				}
				d := corridor.New(t, view, pieces,
					edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: porter}, Values: (&world.Character{Name: "Night porter", Movement: world.Movement{Arms: world.Striking}}).Values()},
					edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: gardener}, Values: (&world.Character{Name: "Gardener", Movement: world.Movement{Arms: world.Striking}}).Values()},
					edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.IDValue(world.FieldPlayer, played)})
				w := corridor.Begin(t, d, 3, theSwitch)
				n := 0
				for range 40 {
					n += w.Hold(play.Right, 1, props.Pressed) + w.Hold(play.Right|play.Use|play.Strike, 2, props.Pressed)
				}
				if (n > 0) != (played == porter) {
					t.Errorf("pressed by way %d, by %d: %d times", by, played, n)
				}
			}
		}
	})
}
