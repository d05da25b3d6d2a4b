package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// secondMap draws a map beside the first, by dragging a box on the empty board, and gives its name.
func (w *window) secondMap() string {
	w.t.Helper()
	first := w.scene().Maps[0]
	// There is room for it once the first is seen from further off.
	for range 2 {
		w.press(input.PageDown)
	}
	x, y := w.cell(first.Name, first.Columns+2, 0)
	toX, toY := w.cell(first.Name, first.Columns+13, 9)
	w.page.Mouse.MustMoveTo(x, y).MustDown(left)
	if err := w.page.Mouse.MoveLinear(proto.Point{X: toX, Y: toY}, 8); err != nil {
		w.t.Fatal(err)
	}
	w.page.Mouse.MustUp(left)
	w.until("a second map", `() => window.azzel.scene().maps.length === 2`)
	return w.scene().Maps[1].Name
}

// From an empty home to two connected maps, played: a project, a second map drawn beside the first, its ground and walls as the
// first has them, a crossing between them, and a walk through it. The starter tiles stay in the tray meanwhile.
func TestFirstSteps(t *testing.T) {
	s := newSite(t)
	w := s.window("/")
	w.newProject("Night round")
	first := w.scene().Maps[0]
	w.secondMap()
	second := w.scene().Maps[1]
	w.shoot("second-map")
	w.click("Lay ground and walls as in " + first.Name)
	w.until("walls round the second map", `(m) => { const [a, b, , c, d] = window.azzel.cells(m, 0, 0, 3, 2); return a > 0 && a === b && a === c && d > 0 && d !== a; }`, second.Name)
	w.until("no offer any more", `() => ![...document.querySelectorAll('[data-slip] button')].some((b) => b.textContent.includes('Lay ground and walls'))`)
	w.press(input.Escape)
	w.until("the starter tiles in the tray", `() => document.querySelectorAll('[aria-label="Tiles lately"] button').length >= 4`)
	w.click("crossing")
	fromX, fromY := w.cell(first.Name, first.Columns-1, 4)
	endX, endY := w.cell(second.Name, 0, 4)
	w.page.Mouse.MustMoveTo(fromX, fromY).MustDown(left)
	if err := w.page.Mouse.MoveLinear(proto.Point{X: endX, Y: endY}, 6); err != nil {
		t.Fatal(err)
	}
	w.page.Mouse.MustUp(left)
	w.until("a crossing", `() => window.azzel.scene().crossings.length === 1`)
	w.press(input.Escape, input.Escape)
	w.over(first.Name, first.Columns-3, 4)
	w.press(input.KeyP)
	w.hold(input.ArrowRight, "the second map", `(n) => window.azzel.scene().maps.find((m) => m.id === window.azzel.play().map)?.name === n`, second.Name)
	w.press(input.KeyP)
	w.saved()
	w.quiet()
}
