package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// What stays and what begins anew is said in one table, for a map, a type and a piece, and holds in play: of two collectibles that
// were taken, the one is there again when the player returns, and the other is not. The table says how things are in the game; what
// is said there is undone like anything else.
func TestMemoryTable(t *testing.T) {
	s := newSite(t)
	w := s.window("/")
	w.newProject("Night round")
	first := w.scene().Maps[0]
	second := w.secondMap()
	w.press(input.Escape)
	w.join(first.Name, 9, 6, second, 3, 5)
	w.press(input.Escape, input.Escape)
	for n, x := range []int{5, 6} {
		w.seek("Collectible")
		w.tap(first.Name, x, 6)
		w.until("a collectible", `(n) => window.azzel.scene().pieces.length === n`, n+2)
		w.press(input.Escape, input.Escape)
	}
	w.over(first.Name, 3, 6)
	w.with(input.ShiftLeft, input.KeyB)
	w.sees("[data-memory]", "The whole map")
	w.choose(first.Name+", when the player returns", "begins anew")
	w.click("Collectible2")
	w.choose("Collectible at 6, 6, when the player returns", "stays as left")
	w.sees("[data-memory] option", "differs")
	w.shoot("memory")
	w.accessible("the table of what stays")
	taken := `(n) => window.azzel.play()?.taken === n`
	w.over(first.Name, 3, 6)
	w.press(input.KeyP)
	w.hold(input.ArrowRight, "the other map", `(n) => window.azzel.scene().maps.find(m => m.id === window.azzel.play().map).name === n`, second)
	w.until("both taken", taken, 2)
	w.sees("[data-stays='Collectible at 5, 6']", "taken")
	w.shoot("memory-playing")
	w.hold(input.ArrowDown, "the first map again", `(n) => window.azzel.scene().maps.find(m => m.id === window.azzel.play().map).name === n`, first.Name)
	w.until("one there again", taken, 1)
	w.sees("[data-stays='Collectible at 5, 6']", "not taken")
	w.press(input.KeyP)
	w.with(input.ControlLeft, input.KeyZ)
	w.with(input.ControlLeft, input.KeyZ)
	w.until("all as the map, which stays", `() => [...document.querySelectorAll('[data-stays] select')].every((e) => e.value === '0')`)
	w.quiet()
}
