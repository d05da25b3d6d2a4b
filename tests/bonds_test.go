package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// dragOnSheet draws a box from one place of the sheet on the desk to another.
func (w *window) dragOnSheet(x0, y0, x1, y1 int) {
	w.t.Helper()
	x, y := w.onSheet(x0, y0)
	w.page.Mouse.MustMoveTo(x, y).MustDown(left)
	x, y = w.onSheet(x1, y1)
	if err := w.page.Mouse.MoveLinear(proto.Point{X: x, Y: y}, 6); err != nil {
		w.t.Fatal(err)
	}
	w.page.Mouse.MustUp(left)
}

// bringIn takes the demo's sheet in as it is guessed.
func (w *window) bringIn() {
	w.t.Helper()
	w.press(input.KeyT)
	w.click("Import a picture")
	w.until("the desk", `() => document.querySelector('input[type=file]') !== null`)
	w.page.MustElement("input[type=file]").MustSetFiles(demoSheet(w.t))
	w.click("Take 169 tiles")
	w.until("the sheet", `() => document.querySelector('[data-sheet]') !== null`)
}

// A block of tiles is marked, proposed as a bond, made one, laid, erased, taken
// back and corrected by painting; every neighbour follows, here and in another
// window.
func TestBond(t *testing.T) {
	s, w := trial(t)
	w.bringIn()
	w.click("Bond")
	w.dragOnSheet(0, 0, 3, 3)
	w.until("16 tiles, all sure", `() => document.querySelectorAll('[data-bonded]').length === 16 && !document.body.textContent.includes('are not sure')`)
	w.until("the centre", `() => document.querySelectorAll('[data-bonded]')[5].getAttribute('aria-label').endsWith('joins north, east, south, west')`)
	w.fill("Name of the bond", "Seed bed")
	w.click("Make the bond")
	w.sees("[data-held]", "Seed bed")
	w.click("Close the desk")
	w.press(input.KeyB)
	before := w.probe().Hash
	w.drag(left, "First map", [2]int{4, 4}, [2]int{9, 8})
	w.tile(4, 4, "tile 1,")
	w.tile(9, 8, "tile 35,")
	w.tile(6, 6, "tile 18,")
	w.saved()
	laid := w.probe().Hash
	second := s.window("/project/1")
	second.opened()
	second.until("the same in a second window", `(h) => window.azzel.probe().hash === h`, laid)
	// What is erased beside it is mended, with the right button and with the eraser.
	w.drag(right, "First map", [2]int{7, 6})
	w.tile(6, 6, "tile 19,")
	w.tile(7, 5, "tile 34,")
	w.with(input.ControlLeft, input.KeyZ)
	w.tile(6, 6, "tile 18,")
	if got := w.probe().Hash; got != laid {
		t.Error("undo does not lead back to what was laid")
	}
	// The second window lays on beside it.
	second.seek("Seed bed")
	second.press(input.KeyD)
	second.tap("First map", 10, 6)
	w.tile(9, 6, "tile 18,")
	w.with(input.ControlLeft, input.KeyZ)
	second.saved()
	second.tile(10, 6, "tile 52,")
	second.with(input.ControlLeft, input.KeyZ)
	second.saved()
	w.until("all taken back by both", `(h) => window.azzel.probe().hash === h`, before)
	w.with(input.ControlLeft, input.KeyY)
	// The middle is said to join nothing below: all that follows the bond is laid anew.
	w.press(input.KeyT)
	w.click("Change")
	b := w.page.MustElement("[data-bonded]:nth-of-type(6)").MustShape().Box()
	w.page.Mouse.MustMoveTo(b.X+b.Width/2, b.Y+b.Height-4).MustClick(left)
	w.sees("[data-message]", "has no centre")
	b = w.page.MustElement("[data-bonded]:nth-of-type(1)").MustShape().Box()
	w.page.Mouse.MustMoveTo(b.X+b.Width/2, b.Y+4).MustClick(left)
	w.click("Close the desk")
	w.press(input.Escape)
	w.saved()
	w.quiet()
}

// A tile is in one bond at most, and a bond that can't be says why.
func TestBondOfTakenTiles(t *testing.T) {
	s := newSite(t, "-demo")
	w := s.window("/project/1")
	w.opened()
	w.press(input.KeyT)
	w.click("Lay it on the desk")
	w.click("Bond")
	w.dragOnSheet(4, 0, 7, 3)
	w.click("Make the bond")
	w.sees("[data-message]", "is in the bond Water already")
	w.quiet()
}
