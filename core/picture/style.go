package picture

import (
	"slices"

	"azzel/core/grid"
	"azzel/core/world"
)

// A style is how a layer's tiles are seen. The zero value is as they are.
type style struct {
	fade int
	tint world.Colour
}

func styleOf(l *world.Layer) style { return style{l.Fade, l.Tint} }

// stylesOf are the styles of layers; nil if all are as they are.
func stylesOf(layers []*world.Layer) []style {
	if !slices.ContainsFunc(layers, func(l *world.Layer) bool { return styleOf(l) != style{} }) {
		return nil
	}
	list := make([]style, len(layers))
	for i, l := range layers {
		list[i] = styleOf(l)
	}
	return list
}

// A styledCell is a cell seen in a style.
type styledCell struct {
	cell grid.Cell
	style
}

// pixel sets out to a pixel as it is seen: its colours are multiplied by the tint.
func (s style) pixel(out, p []byte) {
	r, g, b := s.tint.RGB()
	if s.tint == 0 {
		r, g, b = 255, 255, 255
	}
	out[0], out[1], out[2] = times(p[0], r), times(p[1], g), times(p[2], b)
	out[3] = byte((int(p[3])*(100-s.fade) + 50) / 100)
}

// maxStyled is how many styled cells are kept.
const maxStyled = 20_000

// styled is a tile faded and tinted: colours are multiplied by the tint.
func (a *Atlas) styled(c grid.Cell, t *levels, s style) *levels {
	key := styledCell{c, s}
	if have := a.faded[key]; have != nil {
		return have
	}
	if len(a.faded) >= maxStyled {
		clear(a.faded)
	}
	next := &levels{opaque: t.opaque && s.fade == 0}
	for i, pix := range t.pix {
		out := make([]byte, len(pix))
		for p := 0; p+3 < len(pix); p += 4 {
			s.pixel(out[p:], pix[p:])
		}
		next.pix[i] = out
	}
	a.faded[key] = next
	return next
}

func times(a, b byte) byte { return byte((int(a)*int(b) + 127) / 255) }

// behind lays a background under pixels.
func behind(b world.Background, pixels []byte, w, h int) {
	if b.Top == 0 {
		return
	}
	for y := range h {
		red, green, blue := b.At(y, h).RGB()
		for x := range w {
			q := pixels[(y*w+x)*4:][:4]
			if q[3] == 255 {
				continue
			}
			top := [4]byte(q)
			q[0], q[1], q[2], q[3] = red, green, blue, 255
			if top[3] > 0 {
				over(q, top[:])
			}
		}
	}
}
