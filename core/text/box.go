package text

// A Box is what words stand in, for a view of the player's of a size: as wide as that leaves room, and as high as its lines.
type Box struct {
	// W and H are how large it is, in pixels of the box; Scale is how many pixels of the game one of those is wide and high.
	W, H, Scale int
	// Lines is how many lines it holds, Edge how far it is from the edge of the view.
	Lines, Edge int
}

// How a box is laid out, in its own pixels.
const (
	// usualView is how high a view is of which a pixel is one of the box.
	usualView = 150
	// edge is how far it is from the edge of the view, padding how far words are from its own.
	edge, padding = 4, 6
	mostLines     = 3
	// widest is how wide a box is at most, so that lines can be read.
	widest = 256
	// narrowest is how wide it is at least, however small the view is.
	narrowest = 2*padding + 12
)

// BoxFor is the box for a view of so many pixels.
func BoxFor(w, h int) Box {
	b := Box{Scale: max(1, h/usualView), Edge: edge}
	w, h = w/b.Scale, h/b.Scale
	b.W = max(narrowest, min(widest, w-2*edge))
	b.Lines = max(1, min(mostLines, (h/2-edge-2*padding)/LineHeight))
	b.H = b.Lines*LineHeight + 2*padding
	return b
}

// Inner is how many pixels of the box a line may be wide. The last pixels of its lowest line are left for the sign that it waits.
func (b Box) Inner() int { return b.W - 2*padding }

// A Page is what stands in a box at once.
type Page struct {
	Lines []string
	// Over says that it goes on with a paragraph that did not fit.
	Over bool
	// Choices are what the player can choose, a line each, Chosen which one they are at.
	Choices []string
	Chosen  int
}

// Choice is how many pixels of the box a choice may be wide.
func (b Box) Choice() int { return b.Inner() - choiceIndent }

// High is how high the box is with a page, in its own pixels: choices may need more lines than it has.
func (b Box) High(p Page) int {
	return b.H + max(0, len(p.Lines)+len(p.Choices)-b.Lines)*LineHeight
}

// ChoiceAt is which of the choices of a page is so many pixels below the upper edge of the box; -1 for none.
func (b Box) ChoiceAt(p Page, y int) int {
	n := (y-padding)/LineHeight - len(p.Lines)
	if y < padding || n < 0 || n >= len(p.Choices) {
		return -1
	}
	return n
}

// choiceIndent is how far a choice stands from where lines begin.
const choiceIndent = 8

// Pages are what a text is shown as, one after the other: each paragraph begins a page of its own, and goes on with another one
// where it does not fit. A text without a letter has none.
func (b Box) Pages(text string) (pages []Page) {
	for _, paragraph := range Paragraphs(text) {
		lines := Break(paragraph, b.Inner())
		for over := false; len(lines) > 0; over = true {
			n := min(len(lines), b.Lines)
			pages = append(pages, Page{Lines: lines[:n], Over: over})
			lines = lines[n:]
		}
	}
	return pages
}

// Fits reports whether each paragraph of a text is a page.
func (b Box) Fits(text string) bool {
	for _, p := range b.Pages(text) {
		if p.Over {
			return false
		}
	}
	return true
}

// The colours of a box: its paper, its ink, and its edge.
var (
	paper = [4]byte{0xf4, 0xee, 0xdf, 0xff}
	shade = [4]byte{0xd9, 0xcf, 0xb8, 0xff}
	ink   = [4]byte{0x2a, 0x28, 0x30, 0xff}
)

// drop is the sign that a box waits for the player.
var drop = glyph{width: 5, rows: []uint16{4, 4, 14, 14, 31, 31, 14}}

// leaf is the sign before the choice at which the player is.
var leaf = glyph{width: 5, rows: []uint16{1, 3, 7, 15, 7, 3, 1}}

// A Bitmap is pixels with red, green, blue and opacity, row by row.
type Bitmap struct {
	W, H   int
	Pixels []byte
}

// NewBitmap is a bitmap that shows nothing.
func NewBitmap(w, h int) *Bitmap { return &Bitmap{w, h, make([]byte, w*h*4)} }

func (b *Bitmap) set(x, y int, colour [4]byte) {
	if x >= 0 && y >= 0 && x < b.W && y < b.H {
		copy(b.Pixels[(y*b.W+x)*4:], colour[:])
	}
}

// Draw draws the box with a page, and the sign that it waits if it does.
func (b Box) Draw(p Page, waits bool) *Bitmap {
	b.H = b.High(p)
	m := NewBitmap(b.W, b.H)
	for y := range b.H {
		for x := range b.W {
			// The corners are cut off, as those of a label are.
			corner := min(x, b.W-1-x) + min(y, b.H-1-y)
			switch rim := min(x, y, b.W-1-x, b.H-1-y); {
			case corner < 2:
			case rim == 0 || corner == 2:
				m.set(x, y, ink)
			case y == b.H-2:
				m.set(x, y, shade)
			default:
				m.set(x, y, paper)
			}
		}
	}
	for i, line := range p.Lines {
		Draw(m, padding, padding+i*LineHeight, line, ink)
	}
	for i, line := range p.Choices {
		y := padding + (len(p.Lines)+i)*LineHeight
		Draw(m, padding+choiceIndent, y, line, ink)
		if i == p.Chosen {
			m.glyph(&leaf, padding, y+Ascent-capital, ink)
		}
	}
	if waits {
		m.glyph(&drop, b.W-padding-1, b.H-padding-2-capital, ink)
	}
	return m
}

// Draw draws a line of text, with its upper left corner at a pixel.
func Draw(m *Bitmap, x, y int, line string, colour [4]byte) {
	y += Ascent - capital
	for _, c := range clusters(line) {
		if c.base != nil {
			m.glyph(c.base, x+(c.width-c.base.width)/2, y, colour)
		}
		for _, mark := range c.marks {
			m.glyph(mark, x+(c.width-mark.width)/2, y+mark.rise(c.base), colour)
		}
		x += c.width + between
	}
}

// rise is where a mark on a letter begins, from the row in which capitals begin.
func (g *glyph) rise(base *glyph) int {
	switch {
	case g.below:
		return capital
	case base.top >= capital-small:
		return capital - small - 3
	}
	return -3
}

func (b *Bitmap) glyph(g *glyph, x, y int, colour [4]byte) {
	for i, row := range g.rows {
		for dx := range g.width {
			if row>>dx&1 != 0 {
				b.set(x+dx, y+g.top+i, colour)
			}
		}
	}
}
