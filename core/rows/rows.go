package rows

import (
	"fmt"
	"strconv"
	"strings"

	"azzel/core/grid"
)

// A row is its cells from left to right with a space between them, and without the
// empty ones at its end. A cell is
//
//	.          empty
//	a12        tile 12 of tileset a, counted from 1
//	a12:tx     the same with columns and rows exchanged (t), then mirrored left to
//	           right (x), then top to bottom (y)
//	a12~       the same, where a bond says which of its tiles is laid
//	a12*5      five of them
//
// in this order: tile, how it lies, ~, how many.

// A Namer gives the short name of a tile's tileset and the tile's place in it, from
// 0 on.
type Namer func(tile int) (set string, index int)

// A Finder gives the number of a tile by its tileset's short name and its place; 0
// leaves the cell empty. An error ends the reading.
type Finder func(set string, index int) (tile int, err error)

// Write gives the rows of a box of cells. Loose cells are marked as following their
// bond. The cost grows with the box, except for its empty ends.
func Write(p grid.Plane, box grid.Rect, loose grid.Region, name Namer) []string {
	lines := make([]string, box.H)
	r := grid.Reader{Plane: p}
	var b strings.Builder
	for y := range box.H {
		b.Reset()
		end := box.W
		for end > 0 && r.At(box.X+end-1, box.Y+y) == 0 {
			end--
		}
		row := loose.Row(box.Y + y)
		for x := 0; x < end; {
			at := grid.Point{X: box.X + x, Y: box.Y + y}
			cell, follows := r.At(at.X, at.Y), len(row) > 0 && row.Has(at)
			n := 1
			for x+n < end && r.At(at.X+n, at.Y) == cell && (len(row) > 0 && row.Has(grid.Point{X: at.X + n, Y: at.Y})) == follows {
				n++
			}
			if x > 0 {
				b.WriteByte(' ')
			}
			writeCell(&b, cell, follows, n, name)
			x += n
		}
		lines[y] = b.String()
	}
	return lines
}

func writeCell(b *strings.Builder, c grid.Cell, follows bool, n int, name Namer) {
	if c == 0 {
		b.WriteByte('.')
	} else {
		set, index := name(c.Tile())
		b.WriteString(set)
		b.WriteString(strconv.Itoa(index + 1))
		if o := c.Orientation(); o != 0 {
			b.WriteByte(':')
			b.WriteString(Lying(o))
		}
		if follows {
			b.WriteByte('~')
		}
	}
	if n > 1 {
		b.WriteByte('*')
		b.WriteString(strconv.Itoa(n))
	}
}

// Lying writes how a tile lies: any of t, x and y in this order.
func Lying(orientation int) string {
	s := ""
	if orientation&grid.Transposed != 0 {
		s += "t"
	}
	if orientation&grid.MirroredX != 0 {
		s += "x"
	}
	if orientation&grid.MirroredY != 0 {
		s += "y"
	}
	return s
}

// ParseLying reads what Lying wrote.
func ParseLying(s string) (orientation int, err error) {
	for i, c := range s {
		bit := map[rune]int{'t': grid.Transposed, 'x': grid.MirroredX, 'y': grid.MirroredY}[c]
		if bit == 0 || orientation&bit != 0 || i > 2 {
			return 0, fmt.Errorf("how a tile lies is any of t, x and y, each once; this says %.20q", s)
		}
		orientation |= bit
	}
	return orientation, nil
}

// Read lays rows over a box, which may have fewer of them and shorter ones. An error
// says which row and cell, from 1 on, can't be read.
func Read(lines []string, box grid.Rect, find Finder) (p grid.Plane, loose grid.Region, err error) {
	if len(lines) > box.H {
		return p, nil, fmt.Errorf("there are %d rows, but it is %d high", len(lines), box.H)
	}
	return ReadFrom(0, lines, box, find)
}

// ReadFrom is Read of some of the rows: those from row first on, counted from 0,
// lie in the box.
func ReadFrom(first int, lines []string, box grid.Rect, find Finder) (p grid.Plane, loose grid.Region, err error) {
	var g grid.Region
	var runs grid.Runs
	for y, line := range lines {
		x, cells := 0, 0
		for line != "" {
			var token string
			if line[0] == ' ' {
				line = strings.TrimLeft(line, " ")
				continue
			}
			token, line, _ = strings.Cut(line, " ")
			cells++
			cell, follows, n, err := readCell(token, find)
			if err != nil {
				return p, nil, fmt.Errorf("row %d, entry %d: %w", first+y+1, cells, err)
			}
			if n > box.W-x {
				return p, nil, fmt.Errorf("row %d has more than %d cells", first+y+1, box.W)
			}
			if cell != 0 {
				span := grid.Span{Y: box.Y + y, X0: box.X + x, X1: box.X + x + n - 1}
				g = append(g, span)
				runs = append(runs, grid.Run{N: n, Cell: cell})
				if follows {
					loose = append(loose, span)
				}
			}
			x += n
		}
	}
	e := p.Edit()
	e.Write(g, runs)
	return e.Done(), grid.RegionOf(loose), nil
}

func readCell(token string, find Finder) (c grid.Cell, follows bool, n int, err error) {
	n = 1
	text, many, times := strings.Cut(token, "*")
	if times {
		if n, err = strconv.Atoi(many); err != nil || n < 1 {
			return 0, false, 0, fmt.Errorf("%.40q does not say how many", token)
		}
	}
	if text == "." {
		return 0, false, n, nil
	}
	text, follows = strings.CutSuffix(text, "~")
	text, lying, turned := strings.Cut(text, ":")
	orientation := 0
	if turned {
		if orientation, err = ParseLying(lying); err != nil {
			return 0, false, 0, err
		}
	}
	digits := strings.IndexFunc(text, func(r rune) bool { return r >= '0' && r <= '9' })
	if digits < 1 {
		return 0, false, 0, fmt.Errorf("%.40q is no cell: a tileset's short name and a number are needed", token)
	}
	index, err := strconv.Atoi(text[digits:])
	if err != nil || index < 1 || index > grid.MaxTile {
		return 0, false, 0, fmt.Errorf("%.40q is no cell: its number is not one of a tile", token)
	}
	tile, err := find(text[:digits], index-1)
	if err != nil {
		return 0, false, 0, err
	}
	return grid.Cell(tile).Turned(orientation), follows && tile != 0, n, nil
}

// Short gives the short names of tilesets in their order: a to z, then aa and so on.
func Short(i int) string {
	name := ""
	for i++; i > 0; i = (i - 1) / 26 {
		name = string(rune('a'+(i-1)%26)) + name
	}
	return name
}
