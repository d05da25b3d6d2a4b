package switches_test

import (
	"testing"

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
