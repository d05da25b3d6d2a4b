package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// What helps to find one's way: measuring round what is solid, the minimap, the frame of
// what the player sees, the grid by other steps, the pixel in the status line. All by keys.
func TestFindingOnesWay(t *testing.T) {
	_, w := trial(t)
	name := w.scene().Maps[0].Name
	// A wall with one gap stands between here and there.
	w.press('t')
	w.click("Take wall")
	w.press('t')
	w.press('l')
	w.drag(left, name, [2]int{10, 2}, [2]int{10, 9})
	w.press('h')
	w.drag(left, name, [2]int{8, 5}, [2]int{12, 5})
	w.until("how far it is", `() => window.azzel.probe().ghost.startsWith('5 × 1 cells · 80 × 16 px · ')`)
	// Down to row 10 and up again, aslant where that is shorter.
	w.until("steps round the wall", `() => / · 1[0-3] steps · [12]\.\d s$/.test(window.azzel.probe().ghost)`)
	w.drag(left, name, [2]int{8, 5}, [2]int{10, 5})
	w.until("no way into the wall", `() => window.azzel.probe().ghost.endsWith('no way for the player')`)
	w.press(input.Escape)
	w.over(name, 7, 4)
	w.sees("[data-status]", "cell 7, 4 · pixel 1")
	w.press('v')
	w.with(input.ShiftLeft, 'g')
	w.until("frame and grid", `() => { const p = window.azzel.probe(); return p.frameShown && p.gridStep === 2; }`)
	// The minimap is there as soon as not all is in view, and leads elsewhere.
	w.until("no minimap while all is in view", `() => !document.querySelector('[data-minimap]')`)
	w.press(input.PageUp, input.PageUp, input.PageUp, input.PageUp)
	w.until("the minimap", `() => document.querySelector('[data-minimap] canvas') !== null`)
	before := w.page.MustEval(`() => window.azzel.screen(0, 0).x`).Num()
	box := w.page.MustElement("[data-minimap] canvas").MustShape().Box()
	w.page.Mouse.MustMoveTo(box.X+box.Width*0.8, box.Y+box.Height*0.8)
	w.page.Mouse.MustDown(left)
	w.page.Mouse.MustUp(left)
	w.until("another part in view", `(was) => Math.abs(window.azzel.screen(0, 0).x - was) > 50`, before)
	w.with(input.ShiftLeft, 'n')
	w.until("no minimap", `() => !document.querySelector('[data-minimap]')`)
	w.quiet()
}

// A map is dragged by its name on the board, nudged by keys, and a crossing drawn to the
// empty board makes the map it leads to.
func TestMapsOnTheBoard(t *testing.T) {
	_, w := trial(t)
	w.far()
	first := w.scene().Maps[0]
	x, y := w.cell(farName, 0, 0)
	w.page.Mouse.MustMoveTo(x, y-18)
	w.page.Mouse.MustDown(left)
	w.page.Mouse.MustMoveTo(x+30, y-18+70)
	w.page.Mouse.MustMoveTo(x+40, y-18+90)
	w.page.Mouse.MustUp(left)
	w.until("the map elsewhere", `(x) => window.azzel.scene().maps[1].x > x`, first.X+first.W)
	at := w.scene().Maps[1]
	w.with(input.ControlLeft, input.ArrowDown)
	w.until("nudged by a cell", `(y) => window.azzel.scene().maps[1].y === y`, at.Y+16)
	w.click("crossing")
	w.over(first.Name, 5, 5)
	w.page.Mouse.MustDown(left)
	w.page.Mouse.MustMoveTo(200, 600)
	w.page.Mouse.MustMoveTo(180, 640)
	w.page.Mouse.MustUp(left)
	w.until("a third map with a crossing", `() => window.azzel.scene().maps.length === 3 && window.azzel.scene().crossings.length === 1`)
	w.with(input.ControlLeft, 'z')
	w.until("both gone", `() => window.azzel.scene().maps.length === 2 && window.azzel.scene().crossings.length === 0`)
	w.saved()
	w.quiet()
}
