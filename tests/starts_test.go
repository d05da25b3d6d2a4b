package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// A start is made while one plays, as the game stands; from then on one key plays from there, with what the player had. What it says is
// changed in its row. What an edit breaks in it is a finding, mended at a click, and comes back when the edit is undone.
func TestNamedStarts(t *testing.T) {
	s := newSite(t)
	w := s.window("/")
	w.newProject("Night round")
	first := w.scene().Maps[0].Name
	for n, of := range []struct {
		name string
		x    int
	}{{"Collectible", 5}, {"Door", 12}} {
		w.seek(of.name)
		w.tap(first, of.x, 6)
		w.until("the "+of.name, `(n) => window.azzel.scene().pieces.length === n`, n+2)
		w.press(input.Escape, input.Escape)
	}
	w.with(input.ShiftLeft, input.KeyS)
	w.fill("Name of a new fact", "Lamps lit")
	w.press(input.Enter)
	w.until("a fact", `() => document.querySelector("[data-facts]").textContent.includes("Nothing sets it") || document.querySelectorAll("[data-facts] li").length > 0`)
	w.press(input.Escape, input.Escape)

	w.with(input.ControlLeft, input.KeyP)
	w.sees("[data-log]", "There is no named start yet")
	w.over(first, 3, 6)
	w.press(input.KeyP)
	w.hold(input.ArrowRight, "it taken and left behind", `() => window.azzel.play().taken === 1 && window.azzel.play().x > 8 * 16`)
	w.with(input.ShiftLeft, input.KeyD)
	w.fill("Name of a new start", "Past the fern")
	w.press(input.Enter)
	w.sees("[data-start='Past the fern']", "Collectible at 5, 6")
	w.press(input.Escape, input.Escape)
	w.press(input.KeyP)
	w.until("play over", `() => window.azzel.play() === null`)

	w.with(input.ControlLeft, input.KeyP)
	w.until("play as if it was taken", `() => { const p = window.azzel.play(); return p?.taken === 1 && p.x > 8 * 16 && p.x < 11 * 16; }`)
	w.press(input.KeyP)
	w.until("play over", `() => window.azzel.play() === null`)
	w.tap(first, 12, 6)
	w.sees("[data-slip]", "Door")
	w.with(input.ShiftLeft, input.KeyD)
	w.click("With another state of Door")
	w.choose("Fact that is otherwise", "Lamps lit")
	w.sees("[data-start='Past the fern'] [data-knows]", "Lamps lit")
	w.choose("What Door at 12, 6 is", "open")
	w.shoot("starts")
	w.accessible("the named starts")
	w.page.MustElementR("[data-start] button", "^Play$").MustClick()
	w.until("the door open", `() => window.azzel.play()?.onIds.length === 2`)
	w.shoot("starts-playing")
	w.press(input.KeyP)
	w.press(input.Escape, input.Escape)
	w.tap(first, 5, 6)
	w.press(input.Delete)
	w.with(input.ShiftLeft, input.KeyW)
	w.sees("[data-finding='Past the fern']", "It names a piece that is gone.")
	w.click("Take out what is gone")
	w.until("no finding of it", `() => document.querySelector("[data-finding='Past the fern']") === null`)
	w.with(input.ControlLeft, input.KeyZ)
	w.sees("[data-finding='Past the fern']", "It names a piece that is gone.")
	w.with(input.ControlLeft, input.KeyZ)
	w.until("no finding of it again", `() => document.querySelector("[data-finding='Past the fern']") === null`)
	w.saved()
	w.quiet()
}
