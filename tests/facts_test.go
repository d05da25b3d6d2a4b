package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// A collectible sets a fact that is made at it, a pane is there only while it does not hold: in play the
// list says what is and why, before and after it is taken; set by hand the pane is there again, and not
// after going back in time.
func TestFacts(t *testing.T) {
	w := fromTheSide(t)
	x, y := w.spawnCell()
	for n, of := range []struct {
		name string
		at   int
	}{{"Collectible", x + 3}, {"Breakable", x + 6}} {
		w.seek(of.name)
		w.tap("First map", of.at, y)
		w.until("the "+of.name, `(n) => window.azzel.scene().pieces.length === n`, n+2)
		w.press(input.Escape, input.Escape)
	}
	w.tap("First map", x+3, y)
	w.unfold()
	w.choose("Once taken, sets", "a new fact")
	w.until("the fact", `() => window.azzel.scene().facts.length === 1`)
	w.press(input.Escape)
	w.tap("First map", x+6, y)
	w.unfold()
	w.choose("Add a condition", "a fact, an item or a number")
	w.choose("It is", "is no")
	w.until("one term", `() => document.querySelectorAll('[data-slip] [data-term]').length === 1`)
	w.choose("Add a condition", "what became of a piece")
	w.choose("Of what", "any: Foe")
	w.choose("How many of them must hold", "any of these")
	w.until("two terms, of which one is about foes", `() => document.querySelector('[data-condition]')?.dataset.says === 'Fact 1 is no or any of the type Foe is defeated'`)
	w.choose("Add a condition", "several, all, any or none of them")
	w.until("three terms", `() => document.querySelectorAll('[data-slip] [data-term]').length === 4`)
	w.choose("At first it is", "hidden")
	w.choose("Starts as", "broken")
	w.until("how it starts to be seen on the board", `() => window.azzel.scene().pieces.some((p) => p.starts === 'broken')`)
	w.accessible("conditions")
	w.shoot("conditions")
	w.choose("At first it is", "there")
	w.choose("Starts as", "whole")
	for range 2 {
		w.page.MustEval(`() => [...document.querySelectorAll('[data-slip] [data-term] > button')].at(-1).click()`)
		w.frame()
	}
	w.until("the fact alone", `() => { document.querySelectorAll('[data-slip] [data-term] > button')[1]?.click(); return document.querySelector('[data-condition]')?.dataset.says === 'Fact 1 is no'; }`)
	w.until("the condition", `() => window.azzel.scene().facts[0].asks === 1`)
	w.with(input.ShiftLeft, input.KeyS)
	w.sees("[data-facts]", "1 sets it, 1 asks for it")
	w.sees("[data-facts]", "there while no")
	w.fill("Name of the fact", "Lamps lit")
	w.press(input.Enter)
	w.sees("[data-fact='Lamps lit']", "sets it to yes")
	w.fill("Name of a new fact", "Moths seen")
	w.choose("It is", "a number")
	w.click("Make")
	w.sees("[data-fact='Moths seen']", "Nothing asks for it")
	w.accessible("facts")

	w.with(input.ShiftLeft, input.KeyP)
	w.sees("[data-fact='Lamps lit'] [data-now]", "as play began")
	w.sees("[data-reasons]", "Not taken yet; then it sets Lamps lit to yes.")
	w.sees("[data-reasons]", "There: Lamps lit is no.")
	w.page.MustEval(`() => document.querySelector('[data-board]').focus()`)
	w.hold(input.ArrowRight, "the pane to be gone before the player", `(x) => { const p = window.azzel.play(), m = window.azzel.scene().maps[0]; return (p.x - m.originX) / 16 > x; }`, x+7)
	w.sees("[data-reasons]", "Not there: Lamps lit is yes, not no.")
	w.sees("[data-fact='Lamps lit'] [data-now]", "since 0:0")
	w.until("what the player sees to lie beside the list", `() => {
		const { frame } = window.azzel.play();
		return window.azzel.screen(frame.x + frame.w, frame.y).x < document.querySelector('[data-facts]').getBoundingClientRect().left + 16;
	}`)
	w.accessible("facts in play")
	w.shoot("facts")
	w.choose("Lamps lit is now", "no")
	w.sees("[data-reasons]", "There: Lamps lit is no.")
	w.until("the pane to be there", `() => window.azzel.play().goneIds.length === 1`)
	w.page.MustEval(`() => document.querySelector('[data-board]').focus()`)
	w.press(input.KeyJ, input.BracketLeft, input.BracketLeft)
	w.sees("[data-reasons]", "Not taken yet; then it sets Lamps lit to yes.")
	w.quiet()
}

// unfold opens what the slip says of facts.
func (w *window) unfold() {
	w.t.Helper()
	w.until("the facts of the slip", `() => { const d = document.querySelector('[data-asking]'); if (d && !d.open) d.querySelector('summary').click(); return d?.open; }`)
}

// A fact is one of some words, which are what is chosen wherever it is set, asked for, or becomes something; a number with a range, or
// an objective, which the player is shown while it is open.
func TestFactSorts(t *testing.T) {
	w, first := withPiece(t, "Switch")
	w.press(input.Escape, input.Escape)
	w.with(input.ShiftLeft, input.KeyS)
	w.choose("It is", "one of some words")
	w.fill("Name of a new fact", "Pipe")
	w.press(input.Enter)
	w.fill("Words of Pipe", "cold, warm, hot")
	w.press(input.Enter)
	w.choose("Pipe starts with", "warm")
	w.until("it to start so", `() => window.azzel.scene().facts[0].start === 1 && window.azzel.scene().facts[0].words.length === 3`)
	w.choose("It is", "a number")
	w.fill("Name of a new fact", "Warmth")
	w.press(input.Enter)
	w.fill("Warmth is at least", "-5")
	w.press(input.Tab)
	w.until("its range", `() => window.azzel.scene().facts[1].least === -5 && window.azzel.scene().facts[1].most === 999999`)
	w.choose("It is", "an objective")
	w.fill("Name of a new fact", "Find the fuse")
	w.press(input.Enter)
	w.until("three facts", `() => window.azzel.scene().facts.length === 3`)
	w.choose("It is", "a short text")
	w.fill("Name of a new fact", "Last entry")
	w.press(input.Enter)
	w.fill("Last entry starts with", "Fog until two")
	w.press(input.Enter)
	w.until("its text", `() => window.azzel.scene().facts[3].texts.some((t) => t.text === 'Fog until two' && t.number === window.azzel.scene().facts[3].start)`)
	w.choose("To what Last entry belongs", first)
	w.until("it to stand under its map", `(name) => document.querySelector('[aria-label="Facts of ' + name + '"] [data-fact="Last entry"]') !== null`, first)
	w.until("the objective", `() => window.azzel.scene().facts.length === 4 && document.querySelector('[aria-label="Objectives"] [data-fact="Find the fuse"]') !== null`)
	w.accessible("facts of all sorts")
	w.shoot("fact-sorts")
	w.press(input.Escape, input.Escape)
	w.with(input.ShiftLeft, input.KeyE)
	w.click("Add a rule for the whole game")
	w.types("Add an action", "pipe hot", "Pipe becomes hot")
	w.slot("hot")
	w.choose("What it becomes", "cold")
	w.press(input.Escape)
	w.line("Pipe becomes cold")
	w.slot("and if …")
	w.choose("Add a condition", "a fact, an item or a number")
	w.choose("How it compares", "exactly")
	w.choose("Compared with", "warm")
	w.until("the condition", `() => document.querySelector('[data-condition]')?.dataset.says === 'Pipe is warm'`)
	w.shoot("fact-words")
	w.press(input.Escape)
	w.types("Add an action", "find open", "the objective Find the fuse becomes open")
	w.types("Add an action", "last entry becomes", "Last entry becomes empty")
	w.slot("empty")
	w.fill("What it becomes", "Dew at dawn")
	w.press(input.Enter)
	w.shoot("fact-text")
	w.press(input.Escape)
	w.line("Last entry becomes “Dew at dawn”")
	w.types("Add an action", "last entry becomes Mist, again", "Last entry becomes “Mist, again”")
	w.until("its texts", `() => window.azzel.scene().facts[3].texts.length === 3`)
	w.types("Add an action", "Noted: {Last entry}", "the game says “Noted: {Last entry}”")
	w.click("Close the desk")
	w.press(input.Escape)
	w.over(first, 6, 6)
	w.press(input.KeyP)
	w.until("the text of the fact to be read", `() => window.azzel.play()?.reading?.text === 'Noted: Mist, again'`)
	w.sees("[data-to-do]", "to do: Find the fuse")
	w.shoot("objective-open")
	w.quiet()
}
