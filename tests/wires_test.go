package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// A switch on one map is wired to a door on another in one drag, with nothing to choose. In play the door opens by it; gone
// back to, it is shut. The wire's slip says what it does and changes that; it is undone and comes back; it is opened into a
// rule and folded back; whoever opens the project has it too; with the switch it goes, and comes back with it.
func TestWireOverTwoMaps(t *testing.T) {
	s := newSite(t)
	w := s.window("/")
	w.newProject("Night round")
	first := w.scene().Maps[0]
	second := w.secondMap()
	w.press(input.Escape)
	for n, of := range []struct {
		name, at string
		x, y     int
	}{{"Switch", first.Name, 6, 6}, {"Door", second, 5, 5}, {"Mark", first.Name, 9, 9}} {
		w.seek(of.name)
		w.tap(of.at, of.x, of.y)
		w.until("the "+of.name, `(n) => window.azzel.scene().pieces.length === n`, n+2)
		w.press(input.Escape, input.Escape)
	}
	w.click("wire")
	pull := func(a string, ax, ay int, b string, bx, by int) {
		x, y := w.cell(b, bx, by)
		w.over(a, ax, ay)
		w.page.Mouse.MustDown(left)
		if err := w.page.Mouse.MoveLinear(proto.Point{X: x, Y: y}, 5); err != nil {
			t.Fatal(err)
		}
	}
	// What can't be is said, with nothing made.
	pull(first.Name, 6, 6, first.Name, 9, 9)
	w.page.Mouse.MustUp(left)
	w.sees("[data-log]", "No wire can work Mark at 9, 9")
	pull(first.Name, 2, 2, second, 5, 5)
	w.page.Mouse.MustUp(left)
	w.sees("[data-log]", "A wire begins at a piece")
	pull(first.Name, 6, 6, second, 5, 5)
	w.shoot("wire-pulled")
	w.page.Mouse.MustUp(left)
	w.until("a wire", `() => window.azzel.scene().wires.length === 1`)
	w.sees("[data-log]", "Door at 5, 5 opens only when it is worked now")
	w.press(input.Escape, input.Escape)

	w.over(first.Name, 3, 6)
	w.press(input.KeyP)
	open := `(open) => { const live = window.azzel.play().live.length === 1; return live === open; }`
	w.until("the wire to be off", open, false)
	w.hold(input.ArrowRight, "the wire to be on", open, true)
	w.shoot("wire-on")
	w.until("the door to be open", `() => window.azzel.play().onIds.length === 2`)
	w.hold(input.ArrowRight, "the wire to be off again", open, false)
	w.press(input.KeyP)

	w.tap(first.Name, 6, 6)
	w.sees("[data-slip]", "works Door at 5, 5")
	w.shoot("wired-switch")
	w.page.MustElementR("[data-slip] button", "works Door").MustClick()
	w.sees("[data-slip]", "Door at 5, 5 is open while Switch at 6, 6 is pressed.")
	w.shoot("wire-slip")
	w.accessible("the slip of a wire")
	w.click("changes it over")
	w.sees("[data-slip]", "Door at 5, 5 changes over each time Switch at 6, 6 is pressed.")
	w.fill("After", "1.5")
	w.press(input.Enter)
	w.sees("[data-slip]", "is pressed, after 1.5 s.")
	// Opened into a rule it is a sentence, and folded back the wire that it was.
	w.click("Open into a rule")
	w.sees("[data-sheet]", "1.5 s")
	w.until("a rule in the place of the wire", `() => window.azzel.scene().wires.length === 0`)
	w.shoot("wire-opened")
	w.click("Fold into a wire")
	w.until("the wire in the place of the rule", `() => window.azzel.scene().wires.length === 1`)
	w.sees("[data-slip]", "Door at 5, 5 changes over each time Switch at 6, 6 is pressed, after 1.5 s.")
	w.press(input.Escape)
	w.saved()
	other := s.window("/project/1")
	other.opened()
	other.until("the wire in another window", `() => window.azzel.scene().wires.length === 1`)
	for range 5 {
		w.with(input.ControlLeft, input.KeyZ)
	}
	w.until("no wire after it is undone", `() => window.azzel.scene().wires.length === 0`)
	other.until("none in the other window", `() => window.azzel.scene().wires.length === 0`)
	w.with(input.ControlLeft, input.KeyY)
	w.until("the wire again", `() => window.azzel.scene().wires.length === 1`)
	w.tap(first.Name, 6, 6)
	w.press(input.Delete)
	w.until("neither switch nor wire", `() => window.azzel.scene().pieces.length === 3 && window.azzel.scene().wires.length === 0`)
	w.with(input.ControlLeft, input.KeyZ)
	w.until("both again", `() => window.azzel.scene().pieces.length === 4 && window.azzel.scene().wires.length === 1`)
	w.saved()
	other.quiet()
	w.quiet()
}

// A wire is drawn by keyboard alone, from the cell cursor to where it goes while Enter is held; what it would do is said on the way.
func TestWireByKeyboard(t *testing.T) {
	s := newSite(t)
	w := s.window("/")
	w.newProject("Night round")
	w.goTo("First map")
	for n, of := range []struct {
		name    string
		key     input.Key
		x, down int
	}{{"Switch", input.ArrowRight, 6, 4}, {"Door", input.ArrowRight, 3, 0}} {
		w.seek(of.name)
		w.steps(of.key, of.x)
		w.steps(input.ArrowDown, of.down)
		w.press(input.Enter)
		w.until("the "+of.name, `(n) => window.azzel.scene().pieces.length === n`, n+2)
	}
	w.seek("Wire")
	w.steps(input.ArrowLeft, 3)
	w.draw(input.ArrowRight, 3)
	w.until("a wire", `() => window.azzel.scene().wires.length === 1`)
	w.saved()
	w.quiet()
}
