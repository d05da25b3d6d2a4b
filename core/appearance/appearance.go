// Package appearance is how pieces are seen: pictures that a designer chooses for their states and the sides to which they look, instead of those with
// which kinds come.
package appearance

import (
	"errors"
	"fmt"
	"slices"

	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/pack"
)

// A Picture is how a piece is seen: blocks of tiles that are shown one after the other, or somebody's pose. The zero value is none.
type Picture struct {
	// W and H are how many cells a frame is wide and high. Frames are the cells of each, row by row; Ticks is for how long each is shown if there
	// are several.
	W, H   int
	Frames [][]grid.Cell
	Ticks  int
	// Who is the character as which it is seen, if there are no frames, Act what that is seen doing, by its number.
	Who kind.ID
	Act int
	// Foot is where in the picture the foot is, in pixels to the right of the middle of its lower edge and up from it.
	Foot grid.Point
}

// UsualTicks is for how long a frame is shown that says nothing else.
const UsualTicks = 8

// Empty reports whether there is no picture.
func (p Picture) Empty() bool { return len(p.Frames) == 0 && p.Who == 0 }

// Encode writes a picture in the one way in which it is stored; nothing for none.
func (p Picture) Encode() []byte {
	if p.Empty() {
		return nil
	}
	var w pack.Writer
	w.Int(p.Foot.X)
	w.Int(p.Foot.Y)
	w.Uint(uint64(len(p.Frames)))
	if len(p.Frames) == 0 {
		w.Uint(uint64(p.Who))
		w.Int(p.Act)
		return w.Bytes
	}
	for _, n := range []int{p.W, p.H, p.Ticks} {
		w.Int(n)
	}
	for _, frame := range p.Frames {
		for _, c := range frame {
			w.Uint(uint64(c))
		}
	}
	return w.Bytes
}

// Decode reads what Encode writes, and checks it.
func Decode(b []byte) (p Picture, err error) {
	if len(b) == 0 {
		return p, nil
	}
	r := pack.NewReader(b)
	p.Foot = grid.Point{X: r.Int(), Y: r.Int()}
	n := r.Count(limit.PictureFrames, 1)
	if n == 0 {
		p.Who, p.Act = kind.ID(r.Uint()), r.Int()
	} else {
		p.W, p.H, p.Ticks = r.Int(), r.Int(), r.Int()
		if err := p.checkSize(); err != nil {
			r.Fail(err)
			n = 0
		}
	}
	for range n {
		frame := make([]grid.Cell, 0, min(p.W*p.H, r.Len()))
		for range p.W * p.H {
			c := r.Uint()
			if r.Err() != nil {
				break
			}
			if c > uint64(^grid.Cell(0)) || !grid.Cell(c).Valid() {
				r.Fail(fmt.Errorf("%w: a picture with a cell that can't be", pack.ErrMalformed))
				break
			}
			frame = append(frame, grid.Cell(c))
		}
		p.Frames = append(p.Frames, frame)
	}
	if err := r.Done(); err != nil {
		return Picture{}, err
	}
	return p, p.Check()
}

func (p Picture) checkSize() error {
	if side := limit.PictureCells; p.W < 1 || p.H < 1 || p.W > side || p.H > side {
		return fmt.Errorf("a picture of a piece is 1 to %d cells wide and high, not %d × %d", side, p.W, p.H)
	}
	return nil
}

// Check reports in words why a picture can't be one.
func (p Picture) Check() error {
	if far := limit.PictureFoot; max(p.Foot.X, -p.Foot.X, p.Foot.Y, -p.Foot.Y) > far {
		return fmt.Errorf("the foot of a picture lies within %d pixels of the middle of its lower edge", far)
	}
	if len(p.Frames) == 0 {
		if p.Who != 0 && (p.Act < 0 || p.Act >= limit.Acts) {
			return errors.New("a picture shows somebody doing something that nobody can do")
		}
		return nil
	}
	if err := p.checkSize(); err != nil {
		return err
	}
	if p.Ticks < 1 || p.Ticks > limit.Interval {
		return fmt.Errorf("a frame of a picture is shown for 1 to %d ticks, not %d", limit.Interval, p.Ticks)
	}
	if len(p.Frames) > limit.PictureFrames {
		return fmt.Errorf("a picture of a piece has at most %d frames", limit.PictureFrames)
	}
	for _, frame := range p.Frames {
		if len(frame) != p.W*p.H {
			return errors.New("the frames of a picture are of one size")
		}
	}
	return nil
}

// Refer is a picture of other tiles and another character, those that to gives for them, in the order in which they stand; where to gives 0 the cell is empty.
func (p Picture) Refer(to func(kind.Thing, kind.ID) kind.ID) Picture {
	if p.Who != 0 {
		p.Who = to(kind.Character, p.Who)
	}
	frames := make([][]grid.Cell, len(p.Frames))
	for i, frame := range p.Frames {
		frames[i] = slices.Clone(frame)
		for j, c := range frame {
			if c.Tile() != 0 {
				frames[i][j] = grid.Cell(to(kind.Tile, kind.ID(c.Tile()))).Turned(c.Orientation())
			}
		}
	}
	p.Frames = frames
	return p
}

// Refers calls for each tile, or the character, that a picture shows, in the order in which they stand.
func (p Picture) Refers(each func(kind.Thing, kind.ID)) {
	p.Refer(func(sort kind.Thing, id kind.ID) kind.ID {
		each(sort, id)
		return id
	})
}

// Of is the picture that something sets as a property; an empty one if it sets none.
func Of(v kind.Values, p *kind.Prop) Picture {
	is, err := Decode(v.Get(p.Field))
	if err != nil {
		return Picture{} // what is stored was checked
	}
	return is
}

// Set is the value of a property: none for no picture.
func (p Picture) Set(prop *kind.Prop) kind.Value {
	return kind.Value{Field: prop.Field, Bytes: p.Encode()}
}

// Pictures are stored as properties of pieces.
func init() {
	kind.RegisterForm(kind.Picture, kind.FormOf(Decode))
}
