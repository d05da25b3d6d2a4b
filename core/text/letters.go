// Package text is the words that the player reads: the letters in which they are drawn, how long they are, how they are broken
// into lines, and the box in which they stand. Everything is in pixels of the game and the same wherever it is shown.
//
// The letters are of our own, drawn by demo/letters into letters.bin: Latin, Greek and Cyrillic, with marks that are set onto
// them.
package text

import (
	_ "embed"
	"sync"
	"unicode"

	"azzel/core/pack"
)

// The measures of a line, in pixels: from its top to the line on which letters stand, and from there to its bottom. Marks over
// capitals and what hangs below the line are within.
const (
	Ascent  = 10
	Descent = 2
	// LineHeight is from one line to the next.
	LineHeight = Ascent + Descent
	// capital is how high capitals are, small how high small letters are.
	capital = 7
	small   = 5
	// spaceWidth is how wide a space is, between how far letters are apart.
	spaceWidth, between = 3, 1
)

// A glyph is the drawing of a letter: rows of which the lowest bit is the leftmost pixel.
type glyph struct {
	width int
	// top is the row of the first of rows, counted from that in which capitals begin.
	top  int
	rows []uint16
	// mark says that it is set onto the letter before it: above, or below if that.
	mark, below bool
}

//go:embed letters.bin
var drawn []byte

// letters are the glyphs by letter, and of what letters are composed that have none of their own.
type letters struct {
	glyphs   map[rune]*glyph
	composed map[rune][]rune
}

// The largest that letters.bin can say.
const (
	mostGlyphs, mostComposed = 2000, 4000
	mostRows, mostMarks      = 16, 3
)

var font = sync.OnceValue(func() letters {
	f := letters{map[rune]*glyph{}, map[rune][]rune{}}
	r := pack.NewReader(drawn)
	last := rune(0)
	for range r.Count(mostGlyphs, 4) {
		last += rune(r.Uint())
		g := &glyph{width: int(r.Uint()), top: r.Int(), mark: r.Bool(), below: r.Bool()}
		for range r.Count(mostRows, 1) {
			g.rows = append(g.rows, uint16(r.Uint()))
		}
		f.glyphs[last] = g
	}
	last = 0
	for range r.Count(mostComposed, 3) {
		last += rune(r.Uint())
		for range r.Count(mostMarks, 1) {
			f.composed[last] = append(f.composed[last], rune(r.Uint()))
		}
	}
	if r.Done() != nil {
		panic("text: letters.bin is damaged")
	}
	return f
})

// dotless are the letters that stand for those with a dot where a mark is set onto them.
var dotless = map[rune]rune{'i': 'ı', 'j': 'ȷ', 'і': 'ı', 'ј': 'ȷ'}

// blank are the letters that are as wide as a space and show nothing.
func blank(r rune) bool { return r == ' ' || r == '\u00a0' || r == '\u202f' || r == '\u2009' }

// unseen are letters that take no room: they join others, or say which way those are written.
func unseen(r rune) bool {
	return unicode.Is(unicode.Cf, r) || unicode.Is(unicode.Variation_Selector, r)
}

// parts are the letters of which one is drawn: itself, or the one and the marks of which it is composed.
func (f letters) parts(r rune) []rune {
	if c := f.composed[r]; c != nil && f.glyphs[r] == nil {
		return c
	}
	return []rune{r}
}

// A cluster is a letter with the marks on it.
type cluster struct {
	// text is what it stands for.
	text string
	// blank says that it is a space.
	blank bool
	base  *glyph
	marks []*glyph
	width int
}

// lacking is drawn for a letter of which there is no drawing.
var lacking = &glyph{width: 4, rows: []uint16{15, 9, 9, 9, 9, 9, 15}}

// clusters takes a line of text apart. Letters without a drawing are a box, marks without a letter stand on one.
func clusters(line string) (list []cluster) {
	f := font()
	start := 0
	var parts []rune
	end := func(at int) {
		if len(parts) > 0 {
			list = append(list, f.cluster(line[start:at], parts))
		}
		start, parts = at, nil
	}
	for at, r := range line {
		if unseen(r) {
			continue
		}
		next := f.parts(r)
		if g := f.glyphs[next[0]]; (g == nil || !g.mark) && !unicode.Is(unicode.Mn, r) || len(parts) == 0 || parts[0] == ' ' {
			end(at)
		}
		if blank(r) {
			next = []rune{' '}
		}
		parts = append(parts, next...)
	}
	end(len(line))
	return list
}

// mostStacked is how many marks are set onto a letter at most; those after them are left out.
const mostStacked = 4

func (f letters) cluster(text string, parts []rune) cluster {
	c := cluster{text: text}
	if parts[0] == ' ' {
		c.blank, c.width = true, spaceWidth
		return c
	}
	base := parts[0]
	rest := parts[1:]
	if len(rest) > mostStacked {
		rest = rest[:mostStacked]
	}
	for _, r := range rest {
		g := f.glyphs[r]
		if g == nil {
			continue
		}
		if to, dotted := dotless[base]; dotted && !g.below {
			base = to
		}
		c.marks = append(c.marks, g)
	}
	if c.base = f.glyphs[base]; c.base == nil || c.base.mark {
		c.base = lacking
	}
	c.width = c.base.width
	for _, m := range c.marks {
		c.width = max(c.width, m.width)
	}
	return c
}

// Lacking are the letters of a text of which there is no drawing, each once, in their order.
func Lacking(text string) (list []rune) {
	f := font()
	seen := map[rune]bool{}
	for _, r := range text {
		if r == '\n' || blank(r) || unseen(r) || seen[r] {
			continue
		}
		for _, p := range f.parts(r) {
			if f.glyphs[p] == nil && !seen[r] {
				seen[r] = true
				list = append(list, r)
			}
		}
	}
	return list
}

// Width is how wide a line of text is, in pixels.
func Width(line string) int { return widthOf(clusters(line)) }

func widthOf(list []cluster) (w int) {
	for i := range list {
		if i > 0 {
			w += between
		}
		w += list[i].width
	}
	return w
}
