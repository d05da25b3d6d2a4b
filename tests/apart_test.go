package tests

import (
	"bytes"
	"fmt"
	"image"
	"image/draw"
	"image/png"
	"math/rand/v2"
	"testing"

	"github.com/go-rod/rod/lib/input"

	"azzel/demo/art"
)

// A picture of a finished map is taken apart and rebuilt as map and tileset in one
// step, cell by cell; one undo takes both back.
func TestFinishedMap(t *testing.T) {
	const columns, rows = 30, 20
	r := rand.New(rand.NewPCG(99, 1))
	sheet := art.Sheet()
	places := []int{art.Gravel, art.GravelFine, art.Paving, art.Boards, art.Joined(art.Bed, 15), art.Rug}
	img := image.NewNRGBA(image.Rect(0, 0, columns*art.Side, rows*art.Side))
	var order []int
	want := [columns * rows]int{}
	for cell := range want {
		place := places[r.IntN(len(places))]
		at := image.Pt(cell%columns*art.Side, cell/columns*art.Side)
		draw.Draw(img, image.Rect(0, 0, art.Side, art.Side).Add(at), sheet, image.Pt(place%art.Columns*art.Side, place/art.Columns*art.Side), draw.Src)
		for i, known := range order {
			if known == place {
				want[cell] = i + 1
			}
		}
		if want[cell] == 0 {
			order = append(order, place)
			want[cell] = len(order)
		}
	}
	var b bytes.Buffer
	if err := png.Encode(&b, img); err != nil {
		t.Fatal(err)
	}
	_, w := trial(t)
	hash := w.probe().Hash
	w.press(input.KeyT)
	w.click("Import a picture")
	w.until("the desk", `() => document.querySelector('input[type=file]') !== null`)
	w.page.MustElement("input[type=file]").MustSetFiles(write(t, "old garden.png", b.Bytes()))
	w.until("the cut", `() => document.querySelector('[data-guess]') !== null`)
	for label, value := range map[string]string{"Tile width": "16", "Tile height": "16", "Margin": "0", "Spacing": "0", "Offset across": "0", "Offset down": "0"} {
		w.fill(label, value)
	}
	w.click("a finished map")
	w.sees("[data-parts]", "A map of 30 × 20 cells, from 6 different tiles")
	w.click("turned and mirrored")
	w.sees("[data-parts]", "different tiles")
	w.click("turned and mirrored")
	w.sees("[data-parts]", "6 different tiles")
	w.shoot("apart")
	w.click("Make map and tileset")
	w.until("the map", `() => window.azzel.scene().maps.some(m => m.name === 'old garden' && m.columns === 30 && m.rows === 20)`)
	w.click("Close the desk")
	w.seek("old garden")
	for range 12 {
		cell := r.IntN(columns * rows)
		w.tilesOf("old garden", cell%columns, cell/columns, fmt.Sprintf("tile %d, old garden", want[cell]))
	}
	w.page.MustElement("[data-board]").MustFocus()
	w.with(input.ControlLeft, input.KeyZ)
	w.until("all taken back", `(h) => window.azzel.probe().hash === h || window.azzel.scene().maps.length === 1 && window.azzel.scene().tilesets.length === 1`, hash)
	w.quiet()
}
