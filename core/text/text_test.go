package text

import (
	"math/rand/v2"
	"strings"
	"testing"
)

// sayings are what random texts consist of.
var sayings = []string{"a", "Water", " ", "  ", "\n", "\n\n", "-", "–", "é", "e\u0301\u0327\u0308\u0301\u0301\u0301", "\u0301", "ύ", "й", "W", "\u00a0", "\u200d", "日", "\U0001f331\ufe0f", "שלום", "Fuchsiagewächshausschlüsselbrett", ".", "\u2009"}

func random(r *rand.Rand) (s string) {
	for range r.IntN(40) {
		s += sayings[r.IntN(len(sayings))]
	}
	return s
}

// bare is a text without what breaking leaves out.
func bare(s string) string {
	return strings.Map(func(r rune) rune {
		if r == '\n' || blank(r) || unseen(r) {
			return -1
		}
		return r
	}, s)
}

// Whatever the text, lines are no wider than they may be but for a single letter, nothing is lost, no line begins or ends with a
// space that it was broken at, and whatever is drawn of a page lies within its box.
func TestBreaking(t *testing.T) {
	for seed := range uint64(3000) {
		r := rand.New(rand.NewPCG(seed, 1))
		s := random(r)
		b := BoxFor(1+r.IntN(1200), 1+r.IntN(900))
		all := ""
		for _, p := range b.Pages(s) {
			if len(p.Lines) == 0 || len(p.Lines) > b.Lines {
				t.Fatalf("seed %d: a page has %d lines of %d", seed, len(p.Lines), b.Lines)
			}
			for _, line := range p.Lines {
				if Width(line) > b.Inner() && len(clusters(line)) > 1 {
					t.Fatalf("seed %d: %q is %d wide in a box of %d", seed, line, Width(line), b.Inner())
				}
				if line != strings.TrimRight(line, " ") {
					t.Fatalf("seed %d: %q ends with a space", seed, line)
				}
				all += line
			}
			within(t, b, p)
		}
		if bare(all) != bare(s) {
			t.Fatalf("seed %d: of %q the pages have %q", seed, s, all)
		}
	}
}

// within fails the test if a page leaves ink in the edge of its box: the pixels there are those of an empty page.
func within(t *testing.T, b Box, p Page) {
	t.Helper()
	full, empty := b.Draw(p, true), b.Draw(Page{}, true)
	for y := range b.H {
		for x := range b.W {
			if x > 1 && x < b.W-2 && y > 1 && y < b.H-2 {
				continue
			}
			i := (y*b.W + x) * 4
			if string(full.Pixels[i:i+4]) != string(empty.Pixels[i:i+4]) {
				t.Fatalf("%q is drawn over the edge at %d, %d", p.Lines, x, y)
			}
		}
	}
}

func TestPages(t *testing.T) {
	b := Box{W: 2*padding + Width("Water the ferns"), Lines: 2}
	for _, c := range []struct {
		text, pages string
		fits        bool
	}{
		{"", "", true},
		{" \n \n", "", true},
		{"Water the ferns", "Water the ferns", true},
		{"Water the ferns now", "Water the ferns/now", true},
		{"Water\nthe ferns", "Water/the ferns", true},
		{"Water\n\nthe ferns", "Water|the ferns", true},
		{"Water the ferns and then the figs tonight", "Water the ferns/and then the|+figs tonight", false},
		{"Water  the ferns", "Water  the/ferns", true},
		{"ferns-ferns-ferns-f", "ferns-ferns-/ferns-f", true},
	} {
		var pages []string
		for _, p := range b.Pages(c.text) {
			over := map[bool]string{true: "+"}[p.Over]
			pages = append(pages, over+strings.Join(p.Lines, "/"))
		}
		if got := strings.Join(pages, "|"); got != c.pages || b.Fits(c.text) != c.fits {
			t.Errorf("%q: %q, fits: %t, want %q", c.text, got, b.Fits(c.text), c.pages)
		}
	}
}

// A letter is the same whether it comes in one or with its marks apart, and what there is of the alphabets has a drawing.
func TestLetters(t *testing.T) {
	for one, parts := range map[string]string{"é": "e\u0301", "Å": "A\u030a", "ё": "е\u0308", "ΐ": "ι\u0308\u0301", "ǖ": "u\u0308\u0304", "į": "i\u0328", "ї": "і\u0308"} {
		a, b := NewBitmap(40, 20), NewBitmap(40, 20)
		Draw(a, 4, 4, one, ink)
		Draw(b, 4, 4, parts, ink)
		if string(a.Pixels) != string(b.Pixels) || string(a.Pixels) == string(NewBitmap(40, 20).Pixels) || Width(one) != Width(parts) {
			t.Errorf("%s is drawn otherwise in parts, or not at all", one)
		}
	}
	for from, to := range map[rune]rune{' ': '~', '\u00a1': 'ſ', 'Α': 'Ρ', 'Σ': 'ώ', 'Ѐ': 'џ'} {
		for r := from; r <= to; r++ {
			if list := Lacking(string(r)); len(list) > 0 {
				t.Errorf("there is no drawing of %c (%U)", r, r)
			}
		}
	}
	if got := string(Lacking("日x日\U0001f331\u200d\n")); got != "日\U0001f331" {
		t.Errorf("lacking are %q", got)
	}
	different := map[string]rune{}
	for _, r := range "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789.,:;!?'\"()[]{}<>+-=*/\\|_#%&@~^$" {
		m := NewBitmap(12, LineHeight)
		Draw(m, 1, 0, string(r), ink)
		if other, same := different[string(m.Pixels)]; same {
			t.Errorf("%c is drawn as %c", r, other)
		}
		different[string(m.Pixels)] = r
	}
}
