package world

import (
	"errors"
	"fmt"
	"strconv"
	"strings"

	"azzel/core/limit"
	"azzel/core/pack"
	"azzel/core/tiles"
)

// A Colour is 0 for none, else 1<<24 with 8 bits each of red, green and blue.
type Colour uint32

const colourEnd = 1<<25 - 1

// RGB makes a colour.
func RGB(r, g, b uint8) Colour { return 1<<24 | Colour(r)<<16 | Colour(g)<<8 | Colour(b) }

// RGB is the colour's red, green and blue.
func (c Colour) RGB() (r, g, b uint8) { return uint8(c >> 16), uint8(c >> 8), uint8(c) }

// String is the colour as #rrggbb, empty for none.
func (c Colour) String() string {
	if c == 0 {
		return ""
	}
	return fmt.Sprintf("#%06x", uint32(c)&0xffffff)
}

// ParseColour reads what String gives, in small or capital letters.
func ParseColour(s string) (Colour, error) {
	if s == "" {
		return 0, nil
	}
	n, err := strconv.ParseUint(strings.TrimPrefix(s, "#"), 16, 32)
	if err != nil || len(s) != 7 || s[0] != '#' {
		return 0, fmt.Errorf("%.40q is no colour: write it like #d07a2c", s)
	}
	return RGB(uint8(n>>16), uint8(n>>8), uint8(n)), nil
}

func (c Colour) valid() bool { return c == 0 || c>>24 == 1 }

// An Edge is what a side of a map does in play.
type Edge uint8

// What an edge does. An open edge without a neighbour is a wall in play.
const (
	EdgeWall Edge = iota
	EdgeOpen
	EdgeDeadly
	EdgeWrap
	edgeEnd
)

// EdgeNames are what the edges are called, in their order.
var EdgeNames = [...]string{"wall", "open", "deadly", "wrap"}

// Edges are the sides of a map in the order of SideLeft and so on.
type Edges [4]Edge

// The sides of a map.
const (
	SideLeft = iota
	SideRight
	SideTop
	SideBottom
)

// SideNames are what the sides are called, in their order.
var SideNames = [...]string{"left", "right", "top", "bottom"}

// SeenAs gives a map another view. What falls out of it below comes back to where it came in,
// unless something else was chosen.
func (m *Map) SeenAs(v View) {
	switch bottom := &m.Edges[SideBottom]; {
	case v == m.View:
	case v == SideView && *bottom == EdgeWall:
		*bottom = EdgeDeadly
	case v == TopDown && *bottom == EdgeDeadly:
		*bottom = EdgeWall
	}
	m.View = v
}

// A Background is a colour, or a gradient from the map's top to its bottom. Without
// a bottom colour it is one colour; without a top one there is none.
type Background struct{ Top, Bottom Colour }

// At is the colour of row y of height rows, 0 for none.
func (b Background) At(y, height int) Colour {
	if b.Top == 0 || b.Bottom == 0 || height < 2 {
		return b.Top
	}
	mix := func(shift int) uint8 {
		from, to, last := int(b.Top>>shift)&255, int(b.Bottom>>shift)&255, height-1
		return uint8((2*from*(last-y) + 2*to*y + last) / (2 * last))
	}
	return RGB(mix(16), mix(8), mix(0))
}

// Takes says what may be laid on a layer. The zero value takes all.
type Takes struct {
	NoTiles, NoPieces bool
	// Roles has a bit for each role whose tiles it takes; 0 takes all.
	Roles uint32
}

// Role reports whether tiles of a role may be laid.
func (t Takes) Role(r tiles.Role) bool { return !t.NoTiles && (t.Roles == 0 || t.Roles>>r&1 != 0) }

// A Backdrop is a picture behind a layer's tiles; without a picture there is none.
type Backdrop struct {
	// Picture is the SHA-256 sum of the picture file, W × H its size in pixels.
	Picture string
	W, H    int
	// X and Y are where it lies, in pixels of the map.
	X, Y int
	// RepeatX and RepeatY lay it side by side; Stretch makes it as large as the map.
	RepeatX, RepeatY, Stretch bool
	// DriftX and DriftY are how fast it moves by itself, in pixels a second.
	DriftX, DriftY int
}

func (b Backdrop) encode(w *pack.Writer) {
	w.Text(b.Picture)
	for _, n := range []int{b.W, b.H, b.X, b.Y, b.DriftX, b.DriftY} {
		w.Int(n)
	}
	w.Bool(b.RepeatX)
	w.Bool(b.RepeatY)
	w.Bool(b.Stretch)
}

func decodeBackdrop(r *pack.Reader) Backdrop {
	b := Backdrop{Picture: r.Text(64)}
	for _, n := range []*int{&b.W, &b.H, &b.X, &b.Y, &b.DriftX, &b.DriftY} {
		*n = r.Int()
	}
	b.RepeatX, b.RepeatY, b.Stretch = r.Bool(), r.Bool(), r.Bool()
	return b
}

func (b Backdrop) check() error {
	if b.Picture == "" {
		return nil
	}
	if len(b.Picture) != 64 || b.W < 1 || b.H < 1 || b.W > limit.PictureSide || b.H > limit.PictureSide {
		return errors.New("the picture of the backdrop is not known")
	}
	far := limit.MaxMapSide * limit.MaxCellSide
	if b.X < -far || b.Y < -far || b.X > far || b.Y > far {
		return errors.New("the backdrop lies too far from the map")
	}
	if most := limit.Drift; b.DriftX < -most || b.DriftY < -most || b.DriftX > most || b.DriftY > most {
		return fmt.Errorf("a backdrop drifts by at most %d px a second", most)
	}
	return nil
}

func (l *Layer) check() error {
	if err := CheckName(l.Name, false); err != nil {
		return err
	}
	if err := CheckName(l.Group, true); err != nil {
		return fmt.Errorf("the group of %s: %w", l.Name, err)
	}
	if l.Fade < 0 || l.Fade > 100 {
		return fmt.Errorf("%s can be faded by 0 to 100 percent", l.Name)
	}
	if most := limit.LayerDepth; l.DepthX < -most || l.DepthY < -most || l.DepthX > most || l.DepthY > most {
		return fmt.Errorf("the depth of %s is -%d to %d percent", l.Name, most, most)
	}
	if !l.Tint.valid() {
		return fmt.Errorf("the tint of %s is no colour", l.Name)
	}
	return l.Backdrop.check()
}

func (m *Map) checkLook() error {
	for i, e := range m.Edges {
		if e >= edgeEnd {
			return fmt.Errorf("the %s edge of %s does something that is not known", SideNames[i], m.Name)
		}
	}
	if !m.Background.Top.valid() || !m.Background.Bottom.valid() {
		return fmt.Errorf("the background of %s is no colour", m.Name)
	}
	return nil
}
