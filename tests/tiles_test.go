package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// onSheet gives the middle of a place of the sheet on the desk, on the screen.
func (w *window) onSheet(column, row int) (x, y float64) {
	w.t.Helper()
	w.until("the sheet", `() => document.querySelector('[data-sheet]') !== null`)
	sheet := w.page.MustElement("[data-sheet]")
	b, side := sheet.MustShape().Box(), sheet.MustEval(`() => Number(this.dataset.sheet)`).Num()
	return b.X + (float64(column)+0.5)*side, b.Y + (float64(row)+0.5)*side
}

// What tiles do is painted on the sheet in the hand's shapes, seen by a lens, and
// holds where one plays.
func TestWhatTilesDo(t *testing.T) {
	s := newSite(t, "-demo")
	w := s.window("/project/1")
	w.opened()
	w.press(input.KeyT)
	w.click("Lay it on the desk")
	w.click("Water")
	w.sees("[aria-label='Whether it is']", "it is")
	// A box over six tiles of gravel and paving.
	w.page.MustElement("[data-board]").MustFocus()
	w.press(input.KeyB)
	x, y := w.onSheet(3, 4)
	w.page.Mouse.MustMoveTo(x, y).MustDown(left)
	x, y = w.onSheet(5, 4)
	if err := w.page.Mouse.MoveLinear(proto.Point{X: x, Y: y}, 4); err != nil {
		t.Fatal(err)
	}
	w.page.Mouse.MustUp(left)
	w.until("three tiles of water", `() => window.azzel.scene().tilesets.find((t) => t.name === 'Glasshouse').tiles.slice(67, 70).every(t => t.water) && !window.azzel.scene().tilesets.find((t) => t.name === 'Glasshouse').tiles[66].water`)
	// A fill takes what hangs together and is alike; one step takes it all back.
	w.click("Role")
	w.page.MustEval(`() => { const s = document.querySelector('select'); s.value = '11'; s.dispatchEvent(new Event('change', { bubbles: true })); }`)
	w.page.MustElement("[data-board]").MustFocus()
	w.press(input.KeyF)
	x, y = w.onSheet(0, 5)
	w.page.Mouse.MustMoveTo(x, y).MustClick(left)
	ferns := `(free) => window.azzel.scene().tilesets.find((t) => t.name === 'Glasshouse').tiles.slice(80, 89).every(t => t.role === 11 && t.whole !== free)`
	w.until("nine tiles that nobody stumbles over", ferns, true)
	w.page.MustElement("[data-board]").MustFocus()
	w.with(input.ControlLeft, input.KeyZ)
	w.until("all nine as before", ferns, false)
	// One part of a tile is free: it is drawn on the mask, then the way is open there.
	w.click("Solid")
	x, y = w.onSheet(0, 6)
	w.page.MustElement("[data-board]").MustFocus()
	w.press(input.KeyD)
	w.page.Mouse.MustMoveTo(x, y).MustClick(left)
	w.until("the mask", `() => document.querySelector('[data-mask]') !== null`)
	b := w.page.MustElement("[data-mask]").MustShape().Box()
	w.page.Mouse.MustMoveTo(b.X+8, b.Y+8).MustDown(left)
	if err := w.page.Mouse.MoveLinear(proto.Point{X: b.X + 8, Y: b.Y + 110}, 8); err != nil {
		t.Fatal(err)
	}
	w.page.Mouse.MustUp(left)
	w.until("a free column", `() => { const t = window.azzel.scene().tilesets.find((t) => t.name === 'Glasshouse').tiles[96]; return !t.whole && t.rows.length === 8 && t.rows.every(r => r === 254); }`)
	w.shoot("marks")
	w.saved()
	hash := w.probe().Hash
	w.page.MustReload()
	w.until("the same after a reload", `(h) => window.azzel?.scene() && window.azzel.probe().hash === h`, hash)
	w.press(input.KeyS)
	w.frame()
	// A tileset that is used says where.
	w.press(input.KeyT)
	w.click("Lay it on the desk")
	w.click("Delete this tileset")
	w.sees("[data-message]", "still used on Palm house, Potting yard, Boiler room, Cold frames, Roof walk")
	w.quiet()
}

// A tile that lies above the player goes to the layer above, wherever it is
// painted.
func TestAboveThePlayer(t *testing.T) {
	_, w := trial(t)
	w.take("overhead")
	w.press(input.KeyD)
	w.over("First map", 9, 9)
	w.until("a ghost on the layer above", `() => window.azzel.probe().holding === 'tile'`)
	w.tap("First map", 9, 9)
	w.tile(9, 9, "Ground · ground")
	w.press(input.Period)
	w.tile(9, 9, "Overhead · overhead")
	w.quiet()
}

// A medley is made from tiles, weighed by bars, dealt again, laid and taken back.
func TestMedley(t *testing.T) {
	_, w := trial(t)
	w.take("wall")
	w.take("ground")
	w.press(input.KeyT)
	w.click("Make a medley")
	w.sees("[data-share]", "50.0 %")
	w.fill("Weight of wall, Blockout as a number", "3")
	w.press(input.Tab)
	w.sees("[data-share]", "75.0 %")
	w.click("Add water")
	w.sees("[data-share]", "20.0 %")
	w.fill("Weight of wall, Blockout as a number", "0")
	w.press(input.Tab)
	w.fill("Weight of water, Blockout as a number", "0")
	w.press(input.Tab)
	w.fill("Weight of ground, Blockout as a number", "0")
	w.press(input.Tab)
	w.sees("[data-message]", "No tile of the medley has a weight")
	w.fill("Weight of water, Blockout as a number", "1")
	w.press(input.Tab)
	w.sees("[data-share]", "50.0 %")
	w.fill("Name of this medley", "Wet ground")
	w.press(input.Enter)
	w.click("Shuffle again")
	w.shoot("medley")
	w.click("Take into the hand")
	w.sees("[data-held]", "Wet ground")
	w.click("Close the desk")
	w.press(input.KeyB)
	before := w.probe().Hash
	w.drag(left, "First map", [2]int{4, 4}, [2]int{13, 13})
	w.saved()
	after := w.probe().Hash
	if after == before {
		t.Fatal("nothing was laid")
	}
	w.with(input.ControlLeft, input.KeyZ)
	w.until("as before", `(h) => window.azzel.probe().hash === h`, before)
	w.page.KeyActions().Press(input.ControlLeft, input.ShiftLeft).Type(input.KeyZ).MustDo()
	w.until("the same tiles again", `(h) => window.azzel.probe().hash === h`, after)
	w.saved()
	w.page.MustReload()
	w.until("the same after a reload", `(h) => window.azzel?.scene() && window.azzel.probe().hash === h`, after)
	w.quiet()
}

// Frames are drawn on the sheet in their order; then the tile moves on the board
// and in play, and stands still for who wants less motion.
func TestAnimatedTile(t *testing.T) {
	_, w := trial(t)
	w.bringIn()
	w.click("Frames")
	w.dragOnSheet(0, 4, 2, 4)
	w.until("three frames", `() => window.azzel.scene().tilesets[1].tiles[64].frames.length === 3`)
	w.fill("Milliseconds of frame 2", "90")
	w.press(input.Tab)
	w.until("another time", `() => window.azzel.scene().tilesets[1].tiles[64].frames[1].millis === 90`)
	w.click("Close the desk")
	w.take("tile 65")
	w.press(input.KeyB)
	w.drag(left, "First map", [2]int{3, 3}, [2]int{12, 9})
	w.press(input.Escape)
	w.saved()
	w.page.Mouse.MustMoveTo(640, 20)
	// How many pictures of the board differ within two seconds.
	pictures := `() => new Promise((done) => {
		const seen = new Set();
		const until = performance.now() + 2000;
		const look = () => {
			seen.add(document.querySelector('[data-board] canvas').toDataURL());
			if (performance.now() < until) setTimeout(look, 45);
			else done(seen.size);
		};
		look();
	})`
	if n := w.page.MustEval(pictures).Int(); n != 3 {
		t.Errorf("the board shows %d pictures, want 3", n)
	}
	reduce := func(to string) {
		if err := (proto.EmulationSetEmulatedMedia{Features: []*proto.EmulationMediaFeature{{Name: "prefers-reduced-motion", Value: to}}}).Call(w.page); err != nil {
			t.Fatal(err)
		}
		w.frame()
	}
	reduce("reduce")
	w.page.MustEval(`() => new Promise((done) => setTimeout(done, 400))`)
	if n := w.page.MustEval(pictures).Int(); n != 1 {
		t.Errorf("with reduced motion the board shows %d pictures, want 1", n)
	}
	reduce("no-preference")
	w.press(input.KeyP)
	w.until("play", `() => window.azzel.play() !== null`)
	if n := w.page.MustEval(pictures).Int(); n < 3 {
		t.Errorf("in play the board shows %d pictures, want 3 or more", n)
	}
	w.press(input.KeyP)
	w.press(input.KeyT)
	w.click("Lay it on the desk")
	w.click("Frames")
	x, y := w.onSheet(0, 4)
	w.page.Mouse.MustMoveTo(x, y).MustClick(left)
	w.click("No animation")
	w.until("no frames", `() => window.azzel.scene().tilesets[1].tiles[64].frames.length === 0`)
	w.quiet()
}
