package tests

import (
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// chord taps a key with Ctrl as the browser hears it from a keyboard: with the editing
// command that goes with it, so that it tells the page of copying and pasting.
func (w *window) chord(key, command string) {
	w.t.Helper()
	for _, kind := range []proto.InputDispatchKeyEventType{proto.InputDispatchKeyEventTypeRawKeyDown, proto.InputDispatchKeyEventTypeKeyUp} {
		e := proto.InputDispatchKeyEvent{Type: kind, Modifiers: 2, Key: key, Code: "Key" + strings.ToUpper(key), WindowsVirtualKeyCode: int(strings.ToUpper(key)[0])}
		if kind == proto.InputDispatchKeyEventTypeRawKeyDown {
			e.Commands = []string{command}
		}
		if err := e.Call(w.page); err != nil {
			w.t.Fatal(err)
		}
	}
}

// rows reads the numbers of the tiles of a box of cells from the saved project.
func (w *window) rows(name string, x, y, columns, rows int) string {
	w.t.Helper()
	return w.page.MustEval(`(name, x, y, w, h) => window.azzel.cells(name, x, y, w, h).join(' ')`, name, x, y, columns, rows).Str()
}

// dragLayer drags a layer over another one of the depth stack with the pointer.
func (w *window) dragLayer(name, over string) {
	w.t.Helper()
	at := func(layer string) (x, y float64) {
		w.until("the layer "+layer, `(n) => document.querySelector('[role=group][aria-label="' + n + '"]') !== null`, layer)
		box := w.page.MustElement(`[role=group][aria-label="` + layer + `"]`).MustShape().Box()
		return box.X + 20, box.Y + box.Height/2
	}
	if err := (proto.InputSetInterceptDrags{Enabled: true}).Call(w.page); err != nil {
		w.t.Fatal(err)
	}
	var taken proto.InputDragIntercepted
	wait := w.page.WaitEvent(&taken)
	x, y := at(name)
	w.page.Mouse.MustMoveTo(x, y)
	w.page.Mouse.MustDown(left)
	w.page.Mouse.MustMoveTo(x+4, y+4)
	w.page.Mouse.MustMoveTo(x+8, y+12)
	wait()
	x, y = at(over)
	for _, kind := range []proto.InputDispatchDragEventType{proto.InputDispatchDragEventTypeDragEnter, proto.InputDispatchDragEventTypeDragOver, proto.InputDispatchDragEventTypeDrop} {
		if err := (proto.InputDispatchDragEvent{Type: kind, X: x, Y: y, Data: taken.Data}).Call(w.page); err != nil {
			w.t.Fatal(err)
		}
	}
	w.page.Mouse.MustUp(left)
	if err := (proto.InputSetInterceptDrags{}).Call(w.page); err != nil {
		w.t.Fatal(err)
	}
}

// Strokes are mirrored; cells are selected by likeness and by lasso; on a locked layer
// nothing is laid, and that is said; layers change places.
func TestStrokesAndLayers(t *testing.T) {
	_, w := trial(t)
	name := w.scene().Maps[0].Name
	w.press('t')
	w.click("Take water")
	w.press('t', 'k')
	w.tap(name, 3, 4)
	w.until("the stroke and its mirror image", `(name) => window.azzel.cells(name, 3, 4, 34, 1).join(' ').match(/^5( 1)+ 16777221$/) !== null`, name)
	w.press('k')
	w.tap(name, 20, 10)
	w.press('q', 'f')
	w.tap(name, 3, 4)
	w.until("what hangs together", `() => window.azzel.probe().chosen?.cells === 1`)
	w.press('f')
	w.tap(name, 3, 4)
	w.until("all that lie alike", `() => window.azzel.probe().chosen?.cells === 2`)
	w.press('d')
	w.drag(left, name, [2]int{5, 5}, [2]int{9, 5}, [2]int{9, 9}, [2]int{5, 9}, [2]int{5, 5})
	w.until("all within the lasso", `() => window.azzel.probe().chosen?.cells === 25`)
	w.press(input.Escape, input.Escape)
	w.over(name, 12, 6)
	w.with(input.ShiftLeft, 'y')
	w.click("Move up")
	w.until("the ground over the overhead", `() => window.azzel.scene().maps[0].layers.map(l => l.name).join() === 'Overhead,Ground'`)
	w.press(input.Escape)
	w.dragLayer("Overhead", "Ground")
	w.until("the overhead over the ground", `() => window.azzel.scene().maps[0].layers.map(l => l.name).join() === 'Ground,Overhead'`)
	w.dragLayer("Ground", "Overhead")
	w.until("the ground on top again", `() => window.azzel.scene().maps[0].layers.map(l => l.name).join() === 'Overhead,Ground'`)
	w.over(name, 12, 6)
	w.with(input.ShiftLeft, 'y')
	w.click("Locked")
	w.saved()
	w.press(input.Escape, input.Escape)
	w.press('t')
	w.click("Take wall")
	w.press('t')
	before := w.probe().Hash
	w.tap(name, 20, 8)
	w.sees("main", "Ground is locked. Unlock it before you paint on it.")
	if w.probe().Hash != before {
		t.Error("a locked layer was painted on")
	}
	w.quiet()
}

// Cells are selected in one window, copied, and pasted through the system's clipboard
// in another window on another project; moved, mirrored and undone by the list of steps.
func TestSelectAndPaste(t *testing.T) {
	s := newSite(t)
	a := s.window("/")
	a.newProject("Night shift")
	name := a.scene().Maps[0].Name
	// A corner of three tiles to be recognised.
	for i, tile := range []string{"wall", "water", "path"} {
		a.press('t')
		a.click("Take " + tile)
		a.press('t')
		a.tap(name, 3+i%2, 3+i/2)
	}
	a.saved()
	a.press(input.Escape)
	a.drag(left, name, [2]int{3, 3}, [2]int{4, 4})
	a.sees("[data-slip]", "2 × 2 cells")
	was := a.rows(name, 3, 3, 2, 2)
	if was != "3 5 2 1" {
		t.Fatalf("the cells are %s", was)
	}
	a.chord("c", "copy")
	a.sees("main", "Copied 2 × 2 cells")

	b := s.window("/")
	b.newProject("Day shift")
	other := b.scene().Maps[0].Name
	b.page.MustActivate()
	b.chord("v", "paste")
	b.until("a block in the hand", `() => window.azzel.probe().holding === 'patch'`)
	b.tap(other, 8, 8)
	b.saved()
	if got := b.rows(other, 8, 8, 2, 2); got != was {
		t.Errorf("pasted are %s, copied were %s", got, was)
	}
	// What is no copy of cells says so and changes nothing.
	before := b.probe().Hash
	b.page.MustEval(`() => {
		const data = new DataTransfer();
		data.setData('text/plain', 'a shopping list');
		document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
	}`)
	b.sees("main", "The clipboard holds no cells or pieces")
	if b.probe().Hash != before {
		t.Error("pasting nonsense changed the project")
	}

	a.page.MustActivate()
	// Dragged elsewhere, mirrored where it lies, and walked back to the start.
	a.press(input.Escape)
	a.drag(left, name, [2]int{3, 3}, [2]int{4, 4})
	a.drag(left, name, [2]int{3, 3}, [2]int{9, 6})
	a.saved()
	if got := a.rows(name, 9, 6, 2, 2); got != was {
		t.Errorf("moved are %s", got)
	}
	a.press('m')
	a.saved()
	if got := a.rows(name, 9, 6, 2, 2); got != "16777221 16777219 16777217 16777218" {
		t.Errorf("mirrored are %s", got)
	}
	a.press('u')
	a.sees("[data-history]", "mirror 4 cells")
	a.click("move 4 cells")
	a.saved()
	if got := a.rows(name, 9, 6, 2, 2); got != was {
		t.Errorf("after walking one step back they are %s", got)
	}
	a.click("Before your first step")
	a.saved()
	a.until("all to be undone", `(n) => window.azzel.cells(n, 3, 3, 2, 2).every((c) => c === 1)`, name)
	a.quiet()
	b.quiet()
}

// From an empty project: a patch of two cells of the wall, an area, and a switch whose rule lets the cells of the area become that patch. In play they are
// seen so once it is pressed, stop the player, and are as painted once play has ended.
func TestCellsBecomeInPlay(t *testing.T) {
	w, first := withPiece(t, "Switch")
	w.press(input.Escape)
	w.goTo(first)
	w.press(input.KeyQ)
	w.draw(input.ArrowRight, 1)
	w.until("two cells selected", `() => window.azzel.probe().chosen?.cells === 2`)
	w.with(input.ShiftLeft, input.KeyQ)
	w.until("a patch", `() => window.azzel.probe().holding === 'patch'`)
	w.press(input.Escape, input.Escape)
	w.press(input.KeyQ, input.KeyB)
	w.drag(left, first, [2]int{11, 5}, [2]int{13, 7})
	w.sees("[data-slip]", "3 × 3 cells")
	w.with(input.ShiftLeft, input.KeyA)
	w.until("an area", `() => window.azzel.scene().areas.length === 1`)
	w.press(input.Escape, input.Escape, input.Escape)
	w.tap(first, 8, 6)
	w.click("Add a rule")
	w.sees("[data-sheet]", "Switch")
	w.types("Add an action", "cells become", "the cells of Area 1 become Patch of First map, 2 × 1")
	w.accessible("cells that become a patch")
	w.click("Close the desk")
	w.press(input.Escape)
	// alike says whether two cells are drawn alike.
	alike := `(a, b, want) => {
		const map = window.azzel.scene().maps[0], canvas = document.querySelector('[data-board] canvas'), context = canvas.getContext('2d');
		const of = (x, y) => {
			const p = window.azzel.screen(map.originX + 16 * x + 2, map.originY + 16 * y + 2), r = devicePixelRatio;
			return [...context.getImageData(Math.round(p.x * r), Math.round(p.y * r), 4, 4).data].join();
		};
		return (of(...a) === of(...b)) === want;
	}`
	w.over(first, 6, 6)
	w.press(input.KeyP)
	w.until("play", `() => window.azzel.play()?.ticks > 3`)
	w.until("the area to look like the ground round it", alike, []int{12, 6}, []int{9, 3}, true)
	w.hold(input.ArrowRight, "the switch to be pressed", `() => window.azzel.play().onIds.length > 0`)
	w.until("the area to look otherwise", alike, []int{12, 6}, []int{9, 3}, false)
	w.shoot("cells-become")
	w.hold(input.ArrowRight, "some time", `() => { window.azzel.from ??= window.azzel.play().ticks; return window.azzel.play().ticks > window.azzel.from + 90; }`)
	w.until("the player before it", `() => { const p = window.azzel.play(), m = window.azzel.scene().maps[0]; return (p.x - m.originX) / 16 < 11; }`)
	w.click("End play")
	w.until("no play", `() => window.azzel.play() === null`)
	w.until("the area to be as painted", alike, []int{12, 6}, []int{9, 3}, true)
	w.quiet()
}
