package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// What is wrong is counted in the strip a moment after it is so, listed with its place, said at its line, and mended at a click, which undo takes back.
func TestFindings(t *testing.T) {
	w, first := withPiece(t, "Switch")
	w.sees("[data-findings='0']", "No findings")
	w.press(input.Escape, input.Escape)
	w.tap(first, 8, 6)
	w.fill("Name of this piece", "Valve wheel")
	w.press(input.Enter)
	w.click("Add a rule")
	w.sees("[data-sheet]", "Valve wheel")
	w.sees("[data-findings='1']", "1 finding")
	w.sees("[data-wrong]", "Nothing is done in it.")
	w.types("Add an action", "player may not", "the player may not move")
	w.sees("[data-wrong]", "The player may not move any more, and nothing lets them.")
	w.types("Add an action", "stop", "stop here")
	w.types("Add an action", "Mist.", "the game says “Mist.”")
	w.sees("[data-findings='2']", "2 findings")
	w.shoot("findings-rule")
	w.click("Close the desk")
	w.with(input.ShiftLeft, input.KeyW)
	w.sees("[data-finding='When Valve wheel is pressed']", "It is never done, since the rule ends before it: “the game says “Mist.””.")
	w.accessible("the findings")
	w.shoot("findings")
	w.click("It is never done")
	w.line("the game says “Mist.”")
	w.click("Take out what is never done")
	w.sees("[data-findings='1']", "1 finding")
	w.click("Let the player move at the end")
	w.line("the player may move again")
	w.sees("[data-findings]", "finding")
	w.with(input.ControlLeft, input.KeyZ)
	w.with(input.ControlLeft, input.KeyZ)
	w.sees("[data-findings='2']", "2 findings")
	w.line("the game says “Mist.”")
	w.quiet()
}
