package tests

import (
	"bytes"
	"image"
	"image/draw"
	"image/png"
	"testing"

	"github.com/go-rod/rod/lib/input"

	"azzel/demo/art"
)

// newerSheet is the demo's sheet with a row put in above, the first tile of gravel
// drawn anew and the third left out.
func newerSheet(t *testing.T) string {
	t.Helper()
	old := art.Sheet()
	img := image.NewNRGBA(image.Rect(0, 0, old.Rect.Dx(), old.Rect.Dy()+art.Side))
	draw.Draw(img, old.Rect.Add(image.Pt(0, art.Side)), old, image.Point{}, draw.Src)
	draw.Draw(img, image.Rect(0, 0, 3*art.Side, art.Side), old, image.Pt(5*art.Side+3, 2*art.Side+5), draw.Src)
	tile := func(column int) image.Rectangle {
		return image.Rect(column*art.Side, 5*art.Side, (column+1)*art.Side, 6*art.Side)
	}
	draw.Draw(img, tile(0), old, image.Pt(art.Side+7, 6*art.Side+9), draw.Src)
	draw.Draw(img, tile(2), image.Transparent, image.Point{}, draw.Src)
	var b bytes.Buffer
	if err := png.Encode(&b, img); err != nil {
		t.Fatal(err)
	}
	return write(t, "newer.png", b.Bytes())
}

// A newer picture takes the place of a tileset: what moved, changed and went is
// listed before, maps keep their look, what went stays usable, and one step takes
// it back; then the same picture is cut again.
func TestNewerPicture(t *testing.T) {
	_, w := trial(t)
	w.bringIn()
	w.click("Close the desk")
	w.press(input.KeyB)
	for i, name := range []string{"tile 65", "tile 66", "tile 67", "tile 30"} {
		w.take(name)
		w.drag(left, "First map", [2]int{2 + 4*i, 2}, [2]int{5 + 4*i, 6})
	}
	w.press(input.Escape)
	w.page.Mouse.MustMoveTo(640, 20)
	w.saved()
	// Only what is drawn of the map, cell by cell.
	picture := `(x, y) => {
		const c = document.querySelector('[data-board] canvas');
		const s = window.azzel.scene();
		const m = s.maps[0];
		const p = window.azzel.screen(m.originX + x * s.project.cellW, m.originY + y * s.project.cellH);
		const q = window.azzel.screen(m.originX + (x + 1) * s.project.cellW, m.originY + (y + 1) * s.project.cellH);
		return [...c.getContext('2d').getImageData(p.x, p.y, q.x - p.x, q.y - p.y).data].join();
	}`
	w.frame()
	var before [4]string
	for i := range before {
		before[i] = w.page.MustEval(picture, 3+4*i, 4).Str()
	}
	hash := w.probe().Hash
	w.press(input.KeyT)
	w.click("Lay it on the desk")
	w.click("A newer picture")
	w.sees("section", "a newer picture in the place of glasshouse")
	w.page.MustElement("input[type=file]").MustSetFiles(newerSheet(t))
	w.sees("[data-newer]", "0 tiles stay as they are, 3 are new")
	w.sees("[data-newer]", "1 gone, in 20 cells")
	w.sees("[data-newer]", "1 changed, in 20 cells")
	w.sees("[data-newer]", "167 moved, in 40 cells")
	if got := w.probe().Hash; got != hash {
		t.Fatal("looking at a newer picture changed the project")
	}
	w.shoot("newer")
	w.click("Put it in the place of glasshouse")
	w.until("both tilesets", `() => window.azzel.scene().tilesets.length === 3 && window.azzel.scene().tilesets[1].name === 'glasshouse, older'`)
	w.click("Close the desk")
	w.page.Mouse.MustMoveTo(640, 20)
	w.until("the changed tile drawn anew", "(x, y, was) => { const now = ("+picture+")(x, y); return now !== was; }", 3, 4, before[0])
	for i := 1; i < 4; i++ {
		w.until("the look that was", "(x, y, was) => ("+picture+")(x, y) === was", 3+4*i, 4, before[i])
	}
	w.saved()
	w.page.MustElement("[data-board]").MustFocus()
	w.with(input.ControlLeft, input.KeyZ)
	w.until("all taken back", `(h) => window.azzel.probe().hash === h`, hash)
	// The same picture, scaled another way: every tile is kept.
	w.press(input.KeyT)
	w.click("Lay it on the desk")
	w.click("A newer picture")
	w.click("Cut the same picture again")
	w.sees("[data-newer]", "169 tiles stay as they are, 0 are new")
	w.choose("Tiles are scaled", "2 times smaller")
	w.click("Put it in the place of glasshouse")
	w.until("one tileset", `() => { const s = window.azzel.scene().tilesets; return s.length === 2 && s[1].cut.scale === -2; }`)
	w.quiet()
}
