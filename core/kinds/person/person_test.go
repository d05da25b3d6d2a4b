package person_test

import (
	"math/rand/v2"
	"strings"
	"testing"

	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/kind"
	"azzel/core/kinds/corridor"
	"azzel/core/kinds/person"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/play"
	"azzel/core/talk"
	"azzel/core/words"
	"azzel/core/world"
)

const keeper, met = world.ID(700), world.ID(801)

// says is what the keeper says: the first only while the fact holds.
var says = talk.List{
	{ID: 11, While: logic.Needs(logic.FactValue, met, logic.AtLeast, 1), Text: words.Plain("You again.")},
	{ID: 12, Text: words.Plain("Good evening.")},
	{ID: 13, While: logic.Needs(logic.FactValue, met, logic.AtLeast, 3), Text: words.Plain("Never said.")},
	{ID: 14, Text: words.Plain("The ferns are dry.")},
}

// house is a corridor with a keeper in a column, who sets a fact when spoken to.
func house(t *testing.T, view world.View, column int, set ...kind.Value) *world.Document {
	t.Helper()
	has := kind.Set(says.Set(props.Sayings)).With(world.Change{Fact: met, By: 1}.Props()...).With(set...)
	return corridor.New(t, view, []corridor.Piece{{ID: keeper, Column: column, Type: person.Kind.ID, Set: has}},
		edit.Put{Ref: world.Ref{Sort: world.SortFact, ID: met}, Values: (&world.Fact{Name: "Met", Counts: true}).Values()})
}

// speak speaks to who is at hand to the end, and gives what was said.
func speak(w corridor.Walk) string {
	w.Wait(2)
	w.Hold(play.Use, 1, nil)
	p, _, _ := w.Page()
	for w.Reads() {
		w.Wait(1)
		w.Hold(play.Use, 1, nil)
	}
	w.Wait(1)
	return strings.Join(p.Lines, " ")
}

// What somebody says is the first that holds, each that holds in turn, or one by chance that is the same each time that it is played.
func TestWhatIsSaid(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		at := func(set ...kind.Value) corridor.Walk {
			d := house(t, view, 6, set...)
			w := corridor.Begin(t, d, 2, keeper)
			w.To(t, 5)
			w.Hold(play.Right, 8, nil)
			return w
		}
		said := func(w corridor.Walk, times int) string {
			var list []string
			for range times {
				list = append(list, speak(w))
			}
			return strings.Join(list, " ")
		}
		w := at()
		if got := said(w, 3); got != "Good evening. You again. You again." || w.State() != "met" {
			t.Errorf("the first that holds: %s, and the keeper is %s", got, w.State())
		}
		if got := said(at(props.SaysWhich.Is(props.SaysInTurn)), 5); got != "Good evening. Good evening. The ferns are dry. You again. Good evening." {
			t.Errorf("in turn: %s", got)
		}
		chance := said(at(props.SaysWhich.Is(props.SaysByChance)), 30)
		for _, some := range []string{"You again.", "Good evening.", "The ferns are dry."} {
			if n := strings.Count(chance, some); n < 3 {
				t.Errorf("by chance %q is said %d times of 30", some, n)
			}
		}
		if again := said(at(props.SaysWhich.Is(props.SaysByChance)), 30); again != chance || strings.Contains(chance, "Never") {
			t.Errorf("by chance: %s, and then %s", chance, again)
		}
		if w := at(props.Sayings.Unset()); speak(w) != "" || w.State() != "met" {
			t.Errorf("who has nothing to say is %s", w.State())
		}
	})
}

// Who stands is solid from above, if not told otherwise, and in nobody's way from the side; spoken to, they look at the player.
func TestStanding(t *testing.T) {
	heading := func(w corridor.Walk) (is int) {
		w.Things(func(t play.Thing, _ int, _ body.Size) {
			if t.ID == keeper {
				is = t.Heading
			}
		})
		return is
	}
	for _, c := range []struct {
		view  world.View
		solid int
		stops bool
	}{{world.TopDown, 1, true}, {world.TopDown, 0, false}, {world.SideView, 1, false}} {
		w := corridor.Begin(t, house(t, c.view, 6, props.Stops.Is(c.solid)), 2, keeper)
		w.Hold(play.Right, 200, nil)
		if got := w.Column() == 5; got != c.stops {
			t.Errorf("seen as %d, solid %d: the player comes to column %d", c.view, c.solid, w.Column())
		}
	}
	above := corridor.Begin(t, house(t, world.TopDown, 6, props.Looks.Is(int(world.North)+1)), 2, keeper)
	above.Hold(play.Right, 200, nil)
	if before := heading(above); speak(above) == "" || heading(above) != int(world.West) || before != int(world.North) {
		t.Errorf("from above the keeper looks to %d, before to %d", heading(above), before)
	}
	side := corridor.Begin(t, house(t, world.SideView, 6), 2, keeper)
	side.To(t, 5)
	side.Hold(play.Right, 8, nil)
	if before := heading(side); speak(side) == "" || heading(side) != -1 || before != 1 {
		t.Errorf("from the side the keeper looks to %d, before to %d", heading(side), before)
	}
}

// Who comes up to the player stays beside them; who wanders stays within their area, and hurts nobody.
func TestGoing(t *testing.T) {
	corridor.EitherWay(t, func(t *testing.T, view world.View) {
		d := house(t, view, 12, props.Manner.Is(3), props.Sight.Is(20), props.Looks.Is(int(world.West)+1))
		w := corridor.Begin(t, d, 4, keeper)
		w.Wait(400)
		far := w.Status().Place.X
		w.Things(func(is play.Thing, _ int, _ body.Size) {
			if is.ID == keeper {
				far = is.Place.X - far
			}
		})
		if cells := far / (16 * body.Unit); far < 12*body.Unit || cells > 2 || w.Status().Health != w.Status().Most {
			t.Errorf("who comes up is %d positions away, and the player has %d of %d health", far, w.Status().Health, w.Status().Most)
		}
		if got := speak(w); got != "Good evening." {
			w.Hold(play.Right, 4, nil)
			if got = speak(w); got != "Good evening." {
				t.Errorf("spoken to, they say %q", got)
			}
		}
	})
}

// Who goes about and is solid is never where the player or anybody else solid is, however all of them go; who is not is walked through.
func TestSolidGoing(t *testing.T) {
	met := map[int]int{}
	for seed := range uint64(60) {
		r := rand.New(rand.NewPCG(seed, 7))
		solid := r.IntN(2)
		var all []corridor.Piece
		for i := range 3 {
			all = append(all, corridor.Piece{ID: keeper + world.ID(i), Column: 7 + 3*i, Type: person.Kind.ID,
				Set: kind.Set(props.StopsGoing.Is(solid), props.Manner.Is(1+r.IntN(3)), props.Speed.Is(10+r.IntN(90)), props.Sight.Is(9), props.Looks.Is(1+r.IntN(4)))})
		}
		w := corridor.Begin(t, corridor.New(t, world.TopDown, all), 3, keeper)
		for tick := range 400 {
			w.Tick([]play.Input{play.Right, play.Left, play.Up, play.Down, play.Right, 0}[r.IntN(60*6)/60])
			if tick%25 == 0 {
				w.Hold([]play.Input{play.Right, play.Left}[r.IntN(2)], 12, nil)
			}
			boxes := []body.Box{body.PlayerSize(w.Document().Project.Lattice()).Box(w.Status().Place)}
			w.Things(func(is play.Thing, _ int, s body.Size) { boxes = append(boxes, s.Box(is.Place)) })
			for i, b := range boxes {
				for _, o := range boxes[:i] {
					if b.Meets(o) {
						met[solid]++
					}
				}
			}
		}
	}
	if met[1] > 0 || met[0] == 0 {
		t.Errorf("those who are solid met %d times, the others %d times", met[1], met[0])
	}
}
