package world

import (
	"bytes"
	"fmt"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/pack"
	"azzel/core/tiles"
)

// tileFields are the properties of a tile. Their numbers are below
// TileProperties, stand in stored bytes and are never used again.
var tileFields = []field[*tiles.Properties]{
	{0, func(p *tiles.Properties, w *pack.Writer) { w.Uint(uint64(p.Role)) },
		func(p *tiles.Properties, r *pack.Reader) { p.Role = tiles.Role(bounded(r, tiles.BlockoutCount)) }},
	{1, func(p *tiles.Properties, w *pack.Writer) { w.Uint(uint64(p.Solid)) },
		func(p *tiles.Properties, r *pack.Reader) { p.Solid = tiles.Mask(r.Uint()) }},
	boolField(2, func(p *tiles.Properties) *bool { return &p.OneWay }),
	boolField(3, func(p *tiles.Properties) *bool { return &p.Climbable }),
	boolField(4, func(p *tiles.Properties) *bool { return &p.Water }),
	boolField(5, func(p *tiles.Properties) *bool { return &p.Slippery }),
	boolField(6, func(p *tiles.Properties) *bool { return &p.Slow }),
	boolField(7, func(p *tiles.Properties) *bool { return &p.Above }),
	{8, func(p *tiles.Properties, w *pack.Writer) { w.Uint(uint64(p.Danger)) },
		func(p *tiles.Properties, r *pack.Reader) { p.Danger = bounded(r, tiles.MaxDanger) }},
	{9, func(p *tiles.Properties, w *pack.Writer) { w.Uint(uint64(p.Weight)) },
		func(p *tiles.Properties, r *pack.Reader) { p.Weight = bounded(r, tiles.MaxWeight) }},
	nameField(10, func(p *tiles.Properties) *string { return &p.Name }),
	nameField(11, func(p *tiles.Properties) *string { return &p.Keywords }),
	nameField(12, func(p *tiles.Properties) *string { return &p.Home }),
	{13, encodeAnimation, decodeAnimation},
	ownField(14, func(p *tiles.Properties) **tiles.Own { return &p.Own }),
}

func encodeAnimation(p *tiles.Properties, w *pack.Writer) {
	if p.Animation == nil {
		w.Uint(0)
		return
	}
	w.Uint(uint64(len(p.Animation.Frames)))
	for _, f := range p.Animation.Frames {
		w.Uint(uint64(f.Tile))
		w.Uint(uint64(f.Millis))
	}
}

func decodeAnimation(p *tiles.Properties, r *pack.Reader) {
	n := r.Count(limit.TileFrames, 2)
	p.Animation = nil
	if n == 0 {
		return
	}
	p.Animation = &tiles.Animation{Frames: make([]tiles.Frame, 0, n)}
	for range n {
		p.Animation.Frames = append(p.Animation.Frames, tiles.Frame{Tile: bounded(r, grid.MaxTile), Millis: bounded(r, tiles.MaxFrame)})
	}
}

// ownField is a thing's values of the project's own properties.
func ownField[P any](n Field, at func(P) **tiles.Own) field[P] {
	return field[P]{n, func(t P, w *pack.Writer) {
		own := *at(t)
		if own == nil {
			w.Uint(0)
			return
		}
		w.Uint(uint64(len(own.Values)))
		for _, v := range own.Values {
			w.Uint(v.Property)
			w.Text(v.Value)
		}
	}, func(t P, r *pack.Reader) {
		var own *tiles.Own
		for range r.Count(limit.Properties, 2) {
			id, value := r.Uint(), r.Text(limit.NameLetters*4)
			if err := CheckName(value, true); err != nil && r.Err() == nil {
				r.Fail(err)
			}
			own = own.With(id, value)
		}
		*at(t) = own
	}}
}

func bounded(r *pack.Reader, most int) int {
	n := r.Uint()
	if n > uint64(most) {
		r.Fail(fmt.Errorf("%w: %d is over the most of %d", pack.ErrMalformed, n, most))
		return 0
	}
	return int(n)
}

// nameField is a text that keeps the rules of a name and may be empty.
func nameField[P any](n Field, at func(P) *string) field[P] {
	f := textField(n, at)
	set := f.set
	f.set = func(t P, r *pack.Reader) {
		if set(t, r); r.Err() == nil {
			if err := CheckName(*at(t), true); err != nil {
				r.Fail(err)
			}
		}
	}
	return f
}

// tileFieldBytes is the most bytes of one property of a tile.
const tileFieldBytes = 64 << 10

var plainTile tiles.Properties

// encodeTile writes what differs from a tile that does nothing.
func encodeTile(w *pack.Writer, p *tiles.Properties) {
	if p == nil {
		w.Uint(0)
		return
	}
	present := 0
	var body pack.Writer
	for i, f := range tileFields {
		value := encodeField(p, f)
		if !bytes.Equal(value, encodeField(&plainTile, f)) {
			present |= 1 << i
			body.Blob(value)
		}
	}
	w.Uint(uint64(present))
	w.Bytes = append(w.Bytes, body.Bytes...)
}

func decodeTile(r *pack.Reader) *tiles.Properties {
	present := r.Uint()
	if present == 0 || r.Err() != nil {
		return nil
	}
	if present >= 1<<len(tileFields) {
		r.Fail(fmt.Errorf("%w: a tile has properties that are not known here; reload the page", pack.ErrMalformed))
		return nil
	}
	p := new(tiles.Properties)
	for i, f := range tileFields {
		if present&(1<<i) == 0 {
			continue
		}
		in := pack.NewReader(r.Blob(tileFieldBytes))
		f.set(p, in)
		if err := in.Done(); err != nil {
			r.Fail(err)
		}
	}
	return p
}

// tileField finds the tile and property that a field of a tileset means.
func tileField(f Field) (i int, property *field[*tiles.Properties]) {
	f -= TileField
	for k := range tileFields {
		if tileFields[k].number == f%TileProperties {
			return int(f / TileProperties), &tileFields[k]
		}
	}
	return int(f / TileProperties), nil
}

// TileValues are the values to be set for tile i of a tileset to become another:
// one for each property that differs.
func TileValues(i int, is, becomes tiles.Properties) []Value {
	var values []Value
	for _, f := range tileFields {
		if v := encodeField(&becomes, f); !bytes.Equal(v, encodeField(&is, f)) {
			values = append(values, Value{Field: TileField + Field(i)*TileProperties + f.number, Bytes: v})
		}
	}
	return values
}
