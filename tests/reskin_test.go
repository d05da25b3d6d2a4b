package tests

import (
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// A map is re-skinned by place, name or role, seen before it is done; a tile that
// matches nothing is listed and gets a replacement; one step takes all back.
func TestReskin(t *testing.T) {
	s := newSite(t, "-demo")
	w := s.window("/project/1")
	w.opened()
	// The drawer says what lies on no map, and is arranged as one likes.
	w.press(input.KeyT)
	w.until("the tileset below", `() => { const list = document.querySelector('[aria-label=Drawer] > div:nth-child(2)'); if (list?.textContent.includes('169 tiles, 142 solid, 169 on no map')) return true; list?.scrollBy(0, 60); return false; }`)
	w.sees("[aria-label='Drawer'] li", "Water in winter on no map")
	w.click("Move Water up")
	w.until("water first", `() => { const s = window.azzel.scene(); const at = (n) => s.drawer.indexOf(s.bonds.find(b => b.name === n).id); return at('Water') < at('Bed'); }`)
	w.page.MustEval(`() => document.querySelector("[aria-label='Take water lily, solid, water']").scrollIntoView({ block: 'center' })`)
	// It begins with the next frame.
	w.frame()
	w.frame()
	w.until("the scrolling to end", `() => getComputedStyle(document.querySelector("[aria-label='Take water lily, solid, water']")).pointerEvents !== 'none'`)
	w.page.MustElement("[aria-label='Take water lily, solid, water']").MustHover()
	w.sees("[data-tile-says]", "water lily: solid, water")
	w.press(input.KeyT)
	w.saved()
	before := w.probe()
	w.over("Palm house", 12, 8)
	w.tilesOf("Palm house", 12, 8, "paving, Glasshouse")
	w.seek("Re-skin")
	w.sees("section", "Palm house, after")
	w.until("two pictures of the map", `() => document.querySelectorAll('[data-reskin] canvas').length === 2`)
	w.choose("found by", "their roles")
	w.until("nothing unmatched", `() => !document.body.textContent.includes('unmatched')`)
	w.choose("found by", "their names")
	w.choose("give way to", "Blockout")
	w.sees("section", "tiles unmatched")
	w.until("the first is unmatched", `() => document.querySelector('[aria-label="Tiles that are used"] li').textContent.includes('unmatched')`)
	w.page.MustElement(`[aria-label="Tiles that are used"] li button`).MustClick()
	w.click("Replace it with water")
	w.sees("section", "chosen, ")
	w.choose("give way to", "Glasshouse in winter")
	if p := w.probe(); p.Revision != before.Revision {
		t.Fatal("looking at a re-skin changed the project")
	}
	w.click("Re-skin 726 cells")
	w.tilesOf("Palm house", 12, 8, "paving, Glasshouse in winter")
	w.tilesOf("Cold frames", 14, 11, "Glasshouse")
	w.saved()
	after := w.probe()
	if after.Revision != before.Revision+1 {
		t.Errorf("a re-skin is %d steps", after.Revision-before.Revision)
	}
	w.page.MustElement("[data-board]").MustFocus()
	w.with(input.ControlLeft, input.KeyZ)
	w.until("all as before", `(h) => window.azzel.probe().hash === h`, before.Hash)
	w.choose("On", "all maps")
	w.click("Re-skin ")
	w.tilesOf("Palm house", 12, 8, "paving, Glasshouse in winter")
	w.saved()
	w.page.MustElement("[data-board]").MustFocus()
	w.with(input.ControlLeft, input.KeyZ)
	w.until("all as before once more", `(h) => window.azzel.probe().hash === h`, before.Hash)
	// Of selected cells alone.
	w.click("Close the desk")
	w.drag(left, "Palm house", [2]int{11, 7}, [2]int{13, 8})
	w.seek("Re-skin")
	w.choose("give way to", "Glasshouse in winter")
	w.click("Re-skin 6 cells")
	w.tilesOf("Palm house", 12, 8, "paving, Glasshouse in winter")
	if cells := w.rows("Palm house", 10, 8, 1, 1) + w.rows("Palm house", 14, 8, 1, 1); strings.Contains(cells, w.rows("Palm house", 12, 8, 1, 1)) {
		t.Errorf("cells beside those selected were re-skinned: %s", cells)
	}
	w.quiet()
}

// tilesOf waits until the status line says what lies in a cell of a map.
func (w *window) tilesOf(name string, x, y int, want string) {
	w.t.Helper()
	w.over(name, x, y)
	w.sees("[data-status]", want)
}
