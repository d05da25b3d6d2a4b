package sheets

import (
	"fmt"
	"image"
	"sort"
	"testing"

	"azzel/core/tiles"
	"azzel/demo/art"
)

// A tally counts guesses of one class.
type tally struct{ all, right, sure, sureRight int }

func (t *tally) add(right, sure bool) {
	t.all++
	if right {
		t.right++
	}
	if sure {
		t.sure++
		if right {
			t.sureRight++
		}
	}
}

func share(n, of int) float64 { return 100 * float64(n) / float64(max(1, of)) }

// The guess is right, to the last pixel, on as many sheets as it should be, and
// hardly ever wrong where it says it is sure.
func TestGuess(t *testing.T) {
	for _, set := range []struct {
		name string
		draw func(seed uint64) Sheet
		// The seeds were chosen after the method was fixed.
		first, count uint64
	}{
		{"plain", Make, 50_001, 800},
		{"of parts", Hard, 80_001, 400},
	} {
		t.Run(set.name, func(t *testing.T) {
			t.Parallel()
			tallies := map[string]*tally{}
			for seed := set.first; seed < set.first+set.count; seed++ {
				s := set.draw(seed)
				g := tiles.GuessCut(s.Picture, s.CellW, s.CellH)
				right := g.Cut == s.Cut
				class := "without gaps"
				if s.Gaps {
					class = "with gaps"
				}
				for _, name := range []string{class, "all", class + ", " + s.Art} {
					if tallies[name] == nil {
						tallies[name] = &tally{}
					}
					tallies[name].add(right, g.Sure)
				}
				if !right && testing.Verbose() {
					fmt.Printf("%4d %-9s %v cell %d×%d: is %s, guessed %s (odds %.3f, sure %t)\n", seed, s.Art, s.Picture.Rect.Max, s.CellW, s.CellH, say(s.Cut), say(g.Cut), g.Odds, g.Sure)
				}
			}
			for _, want := range []struct {
				name  string
				share float64
				got   float64
			}{
				{"right with gaps", 95, share(tallies["with gaps"].right, tallies["with gaps"].all)},
				{"right without gaps", 75, share(tallies["without gaps"].right, tallies["without gaps"].all)},
				{"right where it is sure", 98, share(tallies["all"].sureRight, tallies["all"].sure)},
				{"sure with gaps", 50, share(tallies["with gaps"].sure, tallies["with gaps"].all)},
			} {
				if want.got < want.share {
					t.Errorf("%s: %.1f %%, wanted %.0f %%", want.name, want.got, want.share)
				}
			}
			var names []string
			for name := range tallies {
				names = append(names, name)
			}
			sort.Strings(names)
			for _, name := range names {
				c := tallies[name]
				t.Logf("%-26s %3d sheets: %5.1f %% right, sure of %5.1f %%, and then right in %5.1f %%", name, c.all, share(c.right, c.all), share(c.sure, c.all), share(c.sureRight, c.sure))
			}
		})
	}
}

func say(c tiles.Cut) string {
	return fmt.Sprintf("%d×%d m%d s%d o%d,%d", c.W, c.H, c.Margin, c.Spacing, c.OffsetX, c.OffsetY)
}

// Of the demo's own sheets, on which tiles stand in rows of four that belong together, the cut is found.
func TestGuessOfTheDemo(t *testing.T) {
	for name, picture := range map[string]*image.NRGBA{"glasshouse": art.Sheet(), "winter": art.Winter()} {
		for _, cell := range []int{12, 16, 32} {
			if g := tiles.GuessCut(picture, cell, cell); g.Cut != (tiles.Cut{W: 16, H: 16}) {
				t.Errorf("%s, for cells of %d: guessed %s", name, cell, say(g.Cut))
			}
		}
	}
}
