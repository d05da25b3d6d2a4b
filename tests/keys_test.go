package tests

import (
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// tabTo goes from control to control by Tab until one is called so.
func (w *window) tabTo(name string) {
	w.t.Helper()
	// What has just been opened takes the focus with the next frame.
	w.frame()
	const called = `() => { const e = document.activeElement; return (e?.getAttribute('aria-label') ?? e?.labels?.[0]?.textContent.trim() ?? e?.textContent.trim() ?? '').slice(0, 80); }`
	var passed []string
	for range 60 {
		w.press(input.Tab)
		at := w.page.MustEval(called).Str()
		if strings.HasPrefix(at, name) {
			return
		}
		passed = append(passed, at)
	}
	w.t.Fatalf("Tab never comes to %q: %q", name, passed)
}

// toBoard gives the board the keys again.
func (w *window) toBoard() {
	w.t.Helper()
	for range 5 {
		w.press(input.Escape)
	}
	w.page.MustEval(`() => document.querySelector('[data-board]').focus()`)
}

// Maps, layers, selections, undo, versions and measuring without a pointer.
func TestMapsByKeyboardAlone(t *testing.T) {
	s := newSite(t)
	w := s.window("/")
	w.newProject("Hands off")
	w.page.Mouse.MustMoveTo(2, 2)
	name := w.scene().Maps[0].Name
	cells := func(what, want string, x, y, columns, rows int) {
		t.Helper()
		w.until(what, `(name, x, y, w, h, want) => window.azzel.cells(name, x, y, w, h).join(' ') === want`, name, x, y, columns, rows, want)
	}

	// An oval, a ring two cells thick, and a fill of what is inside it.
	w.goTo(name)
	w.take("water")
	w.press(input.KeyO)
	w.steps(input.ArrowRight, 2)
	w.steps(input.ArrowDown, 2)
	w.draw(input.ArrowRight, 2)
	cells("an oval of one row", "1 5 5 5 1", 1, 2, 5, 1)
	w.press(input.Escape, input.Escape)

	// Cells are selected, copied, pasted beside, nudged, mirrored, filled and kept.
	w.goTo(name)
	w.steps(input.ArrowRight, 3)
	w.steps(input.ArrowDown, 2)
	w.press(input.KeyQ)
	w.draw(input.ArrowRight, 1)
	w.until("two cells selected", `() => window.azzel.probe().chosen?.cells === 2`)
	w.chord("c", "copy")
	w.sees("main", "Copied 2 × 1 cells")
	w.chord("v", "paste")
	w.until("a block in the hand", `() => window.azzel.probe().holding === 'patch'`)
	w.steps(input.ArrowDown, 3)
	w.press(input.Enter)
	cells("the block", "1 5 5 1", 3, 5, 4, 1)
	w.press(input.Escape)
	w.with(input.ControlLeft, input.ArrowDown)
	cells("the selection one cell lower", "5 0 0", 2, 2, 3, 1)
	cells("there it lies", "5 5", 3, 3, 2, 1)
	w.with(input.ShiftLeft, input.KeyQ)
	w.until("a patch", `() => window.azzel.probe().holding === 'patch'`)
	w.press(input.Escape)
	w.take("wall")
	w.with(input.ShiftLeft, input.KeyF)
	cells("the selection filled", "3 3", 3, 3, 2, 1)
	w.press(input.Escape)
	w.press(input.Delete)
	cells("the selection erased", "0 0", 3, 3, 2, 1)
	w.toBoard()

	// A layer is made, named, locked, shown alone and moved.
	w.goTo(name)
	w.seek("Make a layer")
	w.until("three layers", `() => window.azzel.scene().maps[0].layers.length === 3`)
	w.toBoard()
	w.with(input.ShiftLeft, input.KeyY)
	w.sees("[data-layer-settings]", "Locked")
	w.tabTo("Locked")
	w.press(input.Space)
	w.until("a locked layer", `() => window.azzel.scene().maps[0].layers.some(l => l.look.locked)`)
	w.tabTo("Move up")
	w.press(input.Enter)
	w.until("the layer on top", `() => window.azzel.scene().maps[0].layers[2].look.locked`)
	w.toBoard()
	w.with(input.ShiftLeft, input.KeyX)
	w.until("a layer alone", `() => window.azzel.scene().maps[0].layers.some(l => l.only)`)
	w.with(input.ShiftLeft, input.KeyX)
	w.press(input.Comma, input.Comma)

	// The map is made wider by its slip.
	w.goTo(name)
	w.press(input.Enter)
	w.press(input.ContextMenu)
	w.until("the slip has the focus", `() => document.activeElement?.closest('[data-slip]') !== null`)
	w.tabTo("Size and place")
	w.press(input.Enter)
	w.tabTo("Width")
	w.with(input.ControlLeft, input.KeyA)
	w.page.MustInsertText("44")
	w.tabTo("Make it 44")
	w.press(input.Enter)
	w.until("a wider map", `() => window.azzel.scene().maps[0].columns === 44`)
	w.toBoard()

	// Back by the list of steps, one of them alone.
	w.press(input.KeyU)
	w.sees("[data-history]", "History")
	w.tabTo("Undo alone: paint 3 cells")
	w.press(input.Enter)
	w.sees("[data-history]", "undo: paint")
	w.sees("main", "2 of 3 changed since and were left alone")
	cells("what is left of the oval gone", "1 1 0 0", 1, 2, 4, 1)
	w.toBoard()

	// A state is kept and looked at.
	w.saved()
	w.with(input.ShiftLeft, input.KeyU)
	w.sees("[data-versions]", "Versions")
	w.tabTo("Name of this version")
	w.page.MustInsertText("Before midnight")
	w.press(input.Enter)
	w.until("the version", `() => [...document.querySelectorAll('[data-versions] li')].some(e => e.querySelector('input')?.value === 'Before midnight')`)
	w.tabTo("Show this version")
	w.press(input.Enter)
	w.sees("main", "Before midnight")
	w.tabTo("Back to current version")
	w.press(input.Enter)
	w.toBoard()

	// Measuring, the player's frame, the minimap and the grid.
	w.goTo(name)
	w.press(input.KeyH)
	w.draw(input.ArrowRight, 4)
	w.until("how far it is", `() => window.azzel.probe().ghost.startsWith('5 × 1 cells')`)
	w.press(input.Escape, input.KeyV)
	w.with(input.ShiftLeft, input.KeyG)
	w.with(input.ShiftLeft, input.KeyN)
	w.saved()
	w.quiet()
}
