package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// A collectible gives an item that is made at it, an exit needs two of it; who begins at a mark is told
// what they lack there, is given all there is to have by a help, is brought back to the mark, and what
// was played from it is kept and played again. On a map where nobody jumps, nobody does.
func TestItemsAndMarks(t *testing.T) {
	w := fromTheSide(t)
	x, y := w.spawnCell()
	for n, of := range []struct {
		name string
		at   int
	}{{"Collectible", x + 3}, {"Exit", x + 6}, {"Mark", x + 1}} {
		w.seek(of.name)
		w.tap("First map", of.at, y)
		w.until("the "+of.name, `(n) => window.azzel.scene().pieces.length === n`, n+2)
		w.press(input.Escape, input.Escape)
	}
	w.tap("First map", x+3, y)
	w.choose("Gives", "a new item")
	w.until("the item", `() => window.azzel.scene().items.length === 1`)
	w.press(input.Escape)
	w.tap("First map", x+6, y)
	w.choose("Add a condition", "a fact, an item or a number")
	w.until("what is asked", `() => document.querySelector('[data-term] select')?.selectedOptions[0].text === 'number of Item 1'`)
	w.fill("Compared with: number", "2")
	w.page.MustEval(`() => document.querySelector('[data-board]').focus()`)
	w.with(input.ShiftLeft, input.KeyI)
	w.sees("[data-items]", "needs at least 2")
	w.fill("Name of the item", "Brass label")
	w.press(input.Enter)
	w.sees("[data-item='Brass label']", "gives 1")
	w.fill("Name of a new item", "Lamp oil")
	w.click("Make")
	w.sees("[data-items]", "Nothing gives it")
	w.accessible("items")
	w.click("Close: Items")

	w.tap("First map", x+1, y)
	w.click("Play from this mark")
	w.until("play at the mark", `(x) => { const p = window.azzel.play(), m = window.azzel.scene().maps[0]; return p && Math.floor((p.x - m.originX) / 16) === x; }`, x+1)
	w.hold(input.ArrowRight, "what is lacking to be said", `() => document.querySelector('[data-event]')?.textContent.includes('You need 2 × Brass label here, and have 1.')`)
	w.sees("[data-had]", "has Brass label")
	w.with(input.ShiftLeft, input.KeyH)
	w.sees("[data-memory]", "Brass label")
	w.accessible("helps, items and marks")
	w.shoot("memory")
	w.choose("Go to a mark", w.page.MustEval(`() => window.azzel.scene().pieces.find((p) => p.type === window.azzel.scene().mark).name`).Str())
	w.until("the mark again", `(x) => { const p = window.azzel.play(), m = window.azzel.scene().maps[0]; return Math.floor((p.x - m.originX) / 16) === x && p.ticks > 20; }`, x+1)
	w.until("some time to pass", `() => { const p = window.azzel.play(); window.__from ??= p.ticks; return p.ticks > window.__from + 30; }`)
	w.with(input.ShiftLeft, input.KeyR)
	w.click("Keep")
	w.until("it to be played again", `() => document.querySelector('[data-replay=same]') !== null`)
	w.with(input.ShiftLeft, input.KeyR)
	// With Shift, a key of the game is another command's.
	w.page.MustEval(`() => document.querySelector('[data-board]').focus()`)
	w.with(input.ShiftLeft, input.KeyC)
	w.sees("[data-characters]", "Import a sheet")
	w.with(input.ShiftLeft, input.KeyH)
	w.click("laden with all items")
	w.page.MustEval(`() => document.querySelector('[data-board]').focus()`)
	w.hold(input.ArrowRight, "the exit to let one out", `() => window.azzel.play().finished`)
	w.sees("[data-finished]", "Finished")
	w.press(input.KeyP)

	w.seek("First map")
	w.until("the slip", `() => document.querySelector('[data-slip]')?.textContent.includes('cells')`)
	w.page.MustEval(`() => { [...document.querySelectorAll('summary')].find((s) => s.textContent.includes('moves here')).click(); }`)
	w.click("jump")
	w.until("it to be barred", `() => window.azzel.scene().maps[0].look.barred === 1`)
	w.press(input.Escape, input.Escape)
	w.with(input.ShiftLeft, input.KeyP)
	if high := w.highest(); high > 1 {
		t.Errorf("where nobody jumps one comes %.1f px high", high)
	}
	w.quiet()
}

// What using an item does is said from the list of items; in play what the player has is opened by a key or in the bar, chosen by keys or a click, and
// read to a screen reader.
func TestUsingItems(t *testing.T) {
	w, first := withPiece(t, "Collectible")
	w.choose("Gives", "a new item")
	w.until("the item", `() => window.azzel.scene().items.length === 1`)
	w.press(input.Escape, input.Escape)
	w.with(input.ShiftLeft, input.KeyI)
	w.fill("Name of the item", "Lamp oil")
	w.press(input.Enter)
	w.shoot("items-uses")
	w.click("Say what using Lamp oil does")
	w.line("the player uses Lamp oil")
	w.types("Add an action", "The lamp burns.", "the game says “The lamp burns.”")
	w.click("Close the desk")
	w.sees("[data-item='Lamp oil']", "goes as it is used")
	w.click("Close: Items")
	w.over(first, 6, 6)
	w.press(input.KeyP)
	w.until("play", `() => window.azzel.play() !== null`)
	w.until("some ticks", `() => window.azzel.play().ticks > 3`)
	w.hold(input.KeyI, "it to be said that there is nothing", `() => document.querySelector('[data-event]')?.textContent === 'You have nothing yet.'`)
	w.hold(input.ArrowRight, "the oil", `() => document.querySelector('[data-had]')?.textContent === 'has Lamp oil'`)
	w.hold(input.KeyI, "the box", `() => window.azzel.play().reading?.choices[0] === 'Lamp oil'`)
	w.until("it to be said", `() => document.querySelector('[data-reading]').textContent === 'Lamp oil, 1 of 1'`)
	w.shoot("items-open")
	w.accessible("what the player has")
	w.hold(input.Space, "what using it does", `() => window.azzel.play().reading?.text === 'The lamp burns.'`)
	w.hold(input.KeyX, "the end of that", `() => window.azzel.play().reading === null`)
	w.click("What the player has")
	w.until("the box", `() => window.azzel.play().reading?.choices.length === 1`)
	w.quiet()
}
