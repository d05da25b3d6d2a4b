// Package sheets makes pictures of tilesets whose cut is known, to hold the
// guess of the cut against: from the demo's art and from art made by rule, with
// gaps and without, cropped, ragged, with tiles that are flat, see-through,
// joined or larger than one cell.
package sheets

import (
	"image"
	"image/color"
	"image/draw"
	"math"
	"math/rand/v2"

	"azzel/core/tiles"
	"azzel/demo/art"
)

// A Sheet is a picture and the cut it was made with, in its normal form.
type Sheet struct {
	Picture *image.NRGBA
	Cut     tiles.Cut
	// Gaps says that there is space between the tiles.
	Gaps bool
	// Art names what was drawn.
	Art string
	// CellW and CellH are the cell of the project it is brought into.
	CellW, CellH int
}

var usual = []int{8, 12, 16, 16, 16, 20, 24, 24, 32, 32, 32, 40, 48, 48, 64, 64}

// side draws a cell's side: mostly a usual one, sometimes any.
func side(r *rand.Rand) int {
	switch n := r.IntN(20); {
	case n < 13:
		return usual[r.IntN(len(usual))]
	case n < 18:
		return 8 + 2*r.IntN(29)
	}
	return 8 + r.IntN(57)
}

// Make draws the sheet of a seed. Every second one has gaps.
func Make(seed uint64) Sheet { return draws(seed, 0x5eed, painters) }

// Hard draws the sheet of a seed whose tiles are made of parts that look like tiles: of halves and thirds, with a seam or
// nothing in their middle, of bricks half a cell wide. Every second one has gaps.
func Hard(seed uint64) Sheet { return draws(seed, 0xa1d, hard) }

func draws(seed, of uint64, painters []painter) Sheet {
	r := rand.New(rand.NewPCG(seed, of))
	w := side(r)
	h := w
	if r.IntN(4) == 0 {
		h = side(r)
	}
	s := Sheet{Gaps: seed%2 == 0}
	painter := painters[r.IntN(len(painters))]
	if painter.name == "demo" {
		w = []int{16, 16, 32, 48}[r.IntN(4)]
		h = w
	}
	s.Art = painter.name
	margin, spacing := 0, 0
	if s.Gaps {
		spacing = 1 + r.IntN(4)
	}
	if r.IntN(3) == 0 {
		margin = 1 + r.IntN(4)
	} else if s.Gaps && r.IntN(3) == 0 {
		margin = spacing
	}
	columns := min(3+r.IntN(14), max(3, 1000/(w+spacing)))
	rows := min(2+r.IntN(11), max(2, 1000/(h+spacing)))
	img := image.NewNRGBA(image.Rect(0, 0, 2*margin+columns*(w+spacing)-spacing, 2*margin+rows*(h+spacing)-spacing))
	ground := color.NRGBA{}
	if r.IntN(5) < 2 {
		ground = []color.NRGBA{{0, 0, 0, 255}, {255, 255, 255, 255}, {255, 0, 255, 255}, {40, 44, 52, 255}, {128, 128, 128, 255}}[r.IntN(5)]
	}
	draw.Draw(img, img.Rect, image.NewUniform(ground), image.Point{}, draw.Src)
	area := image.NewNRGBA(image.Rect(0, 0, columns*w, rows*h))
	painter.paint(r, area, w, h)
	last := columns
	if r.IntN(3) == 0 {
		last = 1 + r.IntN(columns)
	}
	for row := range rows {
		for column := range columns {
			if row == rows-1 && column >= last {
				continue
			}
			x, y := margin+column*(w+spacing), margin+row*(h+spacing)
			to := image.Rect(x, y, x+w, y+h)
			draw.Draw(img, to, area, image.Pt(column*w, row*h), draw.Over)
		}
	}
	left, top := 0, 0
	if r.IntN(5) == 0 {
		// An odd crop: it begins within the first tile, or within the margin.
		if r.IntN(3) > 0 {
			left = 1 + r.IntN(margin+w-1)
		}
		if left == 0 || r.IntN(2) == 0 {
			top = 1 + r.IntN(margin+h-1)
		}
		cropped := image.NewNRGBA(image.Rect(0, 0, img.Rect.Dx()-left, img.Rect.Dy()-top))
		draw.Draw(cropped, cropped.Rect, img, image.Pt(left, top), draw.Src)
		img = cropped
	}
	first := func(cut, pitch int) int { return ((margin-cut)%pitch + pitch) % pitch }
	s.Picture = img
	s.Cut = tiles.Cut{W: w, H: h, Spacing: spacing, OffsetX: first(left, w+spacing), OffsetY: first(top, h+spacing)}.Normal(img.Rect.Dx(), img.Rect.Dy())
	s.CellW, s.CellH = w, h
	if seed%3 != 0 {
		for s.CellW == w && s.CellH == h {
			s.CellW = usual[r.IntN(len(usual))]
			s.CellH = s.CellW
		}
	}
	return s
}

// A painter fills an area of tiles without gaps.
type painter struct {
	name  string
	paint func(r *rand.Rand, area *image.NRGBA, w, h int)
}

var painters = []painter{
	{"demo", demo}, {"demo", demo},
	{"terrain", terrain}, {"flat", flat}, {"outlined", outlined}, {"sprites", sprites}, {"joined", joined}, {"objects", objects}, {"mixed", mixed},
}

func each(area *image.NRGBA, w, h int, f func(x, y int)) {
	for y := 0; y < area.Rect.Dy(); y += h {
		for x := 0; x < area.Rect.Dx(); x += w {
			f(x, y)
		}
	}
}

// demo lays tiles of the demo's sheet, enlarged by a whole number.
func demo(r *rand.Rand, area *image.NRGBA, w, h int) {
	sheet := art.Sheet()
	columns, rows := sheet.Rect.Dx()/art.Side, sheet.Rect.Dy()/art.Side
	n := 0
	shuffled := r.IntN(2) == 0
	each(area, w, h, func(x0, y0 int) {
		place := (x0/w)%columns + (y0/h)%rows*columns
		if shuffled {
			place = r.IntN(columns * rows)
		}
		n++
		for y := range h {
			for x := range w {
				area.SetNRGBA(x0+x, y0+y, sheet.NRGBAAt(place%columns*art.Side+x*art.Side/w, place/columns*art.Side+y*art.Side/h))
			}
		}
	})
}

func any(r *rand.Rand) color.NRGBA {
	return color.NRGBA{uint8(r.IntN(256)), uint8(r.IntN(256)), uint8(r.IntN(256)), 255}
}

func shade(c color.NRGBA, by int) color.NRGBA {
	move := func(v uint8) uint8 { return uint8(min(255, max(0, int(v)+by))) }
	return color.NRGBA{move(c.R), move(c.G), move(c.B), c.A}
}

// texture fills a tile with grain around a colour, and a few strokes.
func texture(r *rand.Rand, area *image.NRGBA, x0, y0, w, h int, base color.NRGBA, grain int) {
	for y := range h {
		for x := range w {
			by := 0
			if grain > 0 && r.IntN(3) == 0 {
				by = r.IntN(2*grain+1) - grain
			}
			area.SetNRGBA(x0+x, y0+y, shade(base, by))
		}
	}
	for range r.IntN(5) {
		x, y, n := r.IntN(w), r.IntN(h), 1+r.IntN(w/2)
		for i := range n {
			if x+i < w {
				area.SetNRGBA(x0+x+i, y0+y, shade(base, -2*grain-12))
			}
		}
	}
}

// terrain is ground of a few colours, several tiles of each beside each other.
func terrain(r *rand.Rand, area *image.NRGBA, w, h int) {
	base := any(r)
	each(area, w, h, func(x, y int) {
		if r.IntN(3) == 0 {
			base = any(r)
		}
		texture(r, area, x, y, w, h, base, 8)
	})
}

// flat is tiles of one colour each, some alike.
func flat(r *rand.Rand, area *image.NRGBA, w, h int) {
	palette := make([]color.NRGBA, 3+r.IntN(12))
	for i := range palette {
		palette[i] = any(r)
	}
	each(area, w, h, func(x, y int) { texture(r, area, x, y, w, h, palette[r.IntN(len(palette))], 0) })
}

// outlined is tiles with an edge of their own.
func outlined(r *rand.Rand, area *image.NRGBA, w, h int) {
	thick := 1 + r.IntN(2)
	light := r.IntN(2) == 0
	each(area, w, h, func(x0, y0 int) {
		base := any(r)
		texture(r, area, x0, y0, w, h, base, 6)
		for y := range h {
			for x := range w {
				switch {
				case x < thick || y < thick:
					by := -50
					if light {
						by = 50
					}
					area.SetNRGBA(x0+x, y0+y, shade(base, by))
				case x >= w-thick || y >= h-thick:
					area.SetNRGBA(x0+x, y0+y, shade(base, -50))
				}
			}
		}
	})
}

// blob draws a thing on nothing, with see-through columns at its sides and
// sometimes within.
func blob(r *rand.Rand, area *image.NRGBA, x0, y0, w, h int) {
	base := any(r)
	sort := r.IntN(4)
	rx, ry := float64(w)*(0.2+0.28*r.Float64()), float64(h)*(0.25+0.24*r.Float64())
	for y := range h {
		for x := range w {
			u, v := (float64(x)+0.5-float64(w)/2)/rx, (float64(y)+0.5-float64(h)*0.52)/ry
			in := false
			switch sort {
			case 0:
				in = u*u+v*v < 1
			case 1:
				in = math.Abs(u) < 1 && math.Abs(v) < 1
			case 2: // two posts
				in = math.Abs(v) < 1 && (x < w/3 && x >= 1 || x >= w-w/3 && x < w-1)
			case 3:
				in = math.Abs(u)+math.Abs(v) < 1
			}
			if in {
				by := 0
				if r.IntN(4) == 0 {
					by = r.IntN(30) - 15
				}
				area.SetNRGBA(x0+x, y0+y, shade(base, by-int(20*v)))
			}
		}
	}
}

// sprites is things on nothing.
func sprites(r *rand.Rand, area *image.NRGBA, w, h int) {
	each(area, w, h, func(x, y int) {
		if r.IntN(8) > 0 {
			blob(r, area, x, y, w, h)
		}
	})
}

// joined is blocks of 3 × 3 tiles that continue each other, with an edge round
// the block alone.
func joined(r *rand.Rand, area *image.NRGBA, w, h int) {
	for y0 := 0; y0 < area.Rect.Dy(); y0 += 3 * h {
		for x0 := 0; x0 < area.Rect.Dx(); x0 += 3 * w {
			base, edge := any(r), any(r)
			thick := 1 + r.IntN(max(1, w/6))
			texture(r, area, x0, y0, 3*w, 3*h, base, 8)
			for y := range 3 * h {
				for x := range 3 * w {
					if x < thick || y < thick || x >= 3*w-thick || y >= 3*h-thick {
						area.SetNRGBA(x0+x, y0+y, edge)
					}
				}
			}
		}
	}
}

// objects is things of 1 to 3 tiles each way, on ground or on nothing.
func objects(r *rand.Rand, area *image.NRGBA, w, h int) {
	ground := r.IntN(2) == 0
	base := any(r)
	each(area, w, h, func(x, y int) {
		if ground {
			texture(r, area, x, y, w, h, base, 6)
		}
	})
	each(area, w, h, func(x, y int) {
		if r.IntN(3) == 0 {
			n, m := 1+r.IntN(3), 1+r.IntN(3)
			blob(r, area, x, y, min(n*w, area.Rect.Dx()-x), min(m*h, area.Rect.Dy()-y))
		}
	})
}

// mixed has rows of each sort.
func mixed(r *rand.Rand, area *image.NRGBA, w, h int) {
	for y := 0; y < area.Rect.Dy(); y += h {
		strip := area.SubImage(image.Rect(0, y, area.Rect.Dx(), y+h)).(*image.NRGBA)
		moved := &image.NRGBA{Pix: strip.Pix, Stride: strip.Stride, Rect: image.Rect(0, 0, area.Rect.Dx(), h)}
		[]func(*rand.Rand, *image.NRGBA, int, int){terrain, flat, outlined, sprites}[r.IntN(4)](r, moved, w, h)
	}
}
