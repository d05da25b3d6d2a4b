package appearance

import (
	"fmt"
	"slices"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/rows"
)

// A Form is a picture as files and clipboards have it.
type Form struct {
	// Size is how many cells a frame is wide and high, Frames are the rows of each, Ticks for how long each is shown.
	Size   *[2]int    `json:"size,omitempty"`
	Frames [][]string `json:"frames,omitempty"`
	Ticks  int        `json:"ticks,omitempty"`
	// Who is the id of the character as which it is seen, Act what that is seen doing.
	Who string `json:"who,omitempty"`
	Act string `json:"act,omitempty"`
	// Foot is where in the picture the foot is, in pixels to the right of the middle of its lower edge and up from it.
	Foot *[2]int `json:"foot,omitempty"`
}

// A Names says what tiles, characters and acts are called in files.
type Names struct {
	Tile  rows.Namer
	Find  rows.Finder
	Who   func(kind.ID) string
	Parse func(string) (kind.ID, error)
	Acts  []string
	// Left reports whether a tile is gone, and so left out; nil for none.
	Left func(tile int) bool
}

// Write gives a picture in the form of files.
func (n Names) Write(p Picture) (f Form) {
	if p.Foot != (grid.Point{}) {
		f.Foot = &[2]int{p.Foot.X, p.Foot.Y}
	}
	if len(p.Frames) == 0 {
		f.Who, f.Act = n.Who(p.Who), n.Acts[p.Act]
		return f
	}
	f.Size = &[2]int{p.W, p.H}
	if len(p.Frames) > 1 || p.Ticks != UsualTicks {
		f.Ticks = p.Ticks
	}
	for _, frame := range p.Frames {
		e := grid.Plane{}.Edit()
		for i, c := range frame {
			if n.Left != nil && n.Left(c.Tile()) {
				c = 0
			}
			e.Set(grid.Point{X: i % p.W, Y: i / p.W}, c)
		}
		f.Frames = append(f.Frames, rows.Write(e.Done(), grid.Rect{W: p.W, H: p.H}, nil, n.Tile))
	}
	return f
}

// Read reads what Write gives, and checks it.
func (n Names) Read(f Form) (p Picture, err error) {
	if f.Foot != nil {
		p.Foot = grid.Point{X: f.Foot[0], Y: f.Foot[1]}
	}
	if len(f.Frames) > limit.PictureFrames {
		return p, fmt.Errorf("a picture of a piece has at most %d frames", limit.PictureFrames)
	}
	if len(f.Frames) == 0 {
		p.Act = slices.Index(n.Acts, f.Act)
		if p.Act < 0 {
			return p, fmt.Errorf("a picture shows no frames, and somebody doing %.40q, which nobody can do", f.Act)
		}
		if p.Who, err = n.Parse(f.Who); err != nil {
			return p, err
		}
		return p, p.Check()
	}
	if f.Size == nil {
		return p, fmt.Errorf("a picture with frames says its size in cells")
	}
	p.W, p.H = f.Size[0], f.Size[1]
	if p.Ticks = f.Ticks; p.Ticks == 0 {
		p.Ticks = UsualTicks
	}
	if err := p.checkSize(); err != nil {
		return p, err
	}
	for _, lines := range f.Frames {
		plane, _, err := rows.Read(lines, grid.Rect{W: p.W, H: p.H}, n.Find)
		if err != nil {
			return p, err
		}
		frame := make([]grid.Cell, p.W*p.H)
		for i := range frame {
			frame[i] = plane.At(grid.Point{X: i % p.W, Y: i / p.W})
		}
		p.Frames = append(p.Frames, frame)
	}
	return p, p.Check()
}
