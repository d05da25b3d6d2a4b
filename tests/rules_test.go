package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// types lets something be typed where a rule is added to, at the end of the rule, and takes the first thing that is offered.
func (w *window) types(field, text, says string) {
	w.t.Helper()
	all := w.page.MustElements("[data-sheet] input[aria-label='" + field + "']")
	in := all[len(all)-1]
	in.MustFocus()
	in.MustInput(text)
	w.until("the offer "+says, `(says) => document.querySelector('[role=option]')?.textContent.trim() === says`, says)
	w.press(input.Enter)
	w.line(says)
}

// line waits for a line of the rule on the desk.
func (w *window) line(says string) {
	w.t.Helper()
	w.until("the line "+says, `(says) => [...document.querySelectorAll('[data-line]')].some((l) => l.dataset.says === says)`, says)
}

// slot opens a part of a sentence, by what it says.
func (w *window) slot(text string) {
	w.t.Helper()
	w.until("the words "+text, `(text) => { const b = [...document.querySelectorAll('[data-sheet] [data-popover-trigger]')].find((b) => b.textContent === text); b?.click(); return b !== undefined; }`, text)
	w.until("what opens there", `() => document.querySelector('[data-popover-content]') !== null`)
}

// A rule is made in the slip of a piece, by typing what is done, and read as sentences; it is played, taken back and brought back.
func TestRule(t *testing.T) {
	w, first := withPiece(t, "Switch")
	w.press(input.Escape)
	w.seek("Door")
	w.tap(first, 11, 6)
	w.press(input.Escape, input.Escape)
	w.tap(first, 8, 6)
	w.fill("Name of this piece", "Valve wheel")
	w.press(input.Enter)
	w.click("Add a rule")
	w.sees("[data-sheet]", "Valve wheel")
	w.types("Add an action", "door open", "Door at 11, 6 opens")
	w.types("Add an action", "wait", "wait 1 s")
	w.types("Add an action", "The channel is filling.", "the game says “The channel is filling.”")
	w.types("Add an action", "asks", "the game asks “…”")
	w.slot("“…”")
	w.page.MustElement("[data-words] textarea").MustInput("Shut it again?")
	w.shoot("rule-words")
	w.press(input.Escape)
	w.line("the game asks “Shut it again?”")
	answer := func(text, says string) {
		in := w.page.MustElement("[data-sheet] input[aria-label='Add an answer']")
		in.MustFocus()
		in.MustInput(text)
		w.until("the answer", `(says) => document.querySelector('[role=option]')?.textContent.trim() === says`, says)
		w.press(input.Enter)
		w.line(says)
	}
	answer("Yes", "“Yes”:")
	answer("No", "“No”:")
	in := w.page.MustElements("[data-sheet] input[aria-label='Add an action']")[0]
	in.MustFocus()
	in.MustInput("door shut")
	w.until("the offer", `() => document.querySelector('[role=option]')?.textContent.trim() === 'Door at 11, 6 shuts'`)
	w.shoot("rule-offers")
	w.press(input.Enter)
	w.line("Door at 11, 6 shuts")
	w.slot("1 s")
	w.fill("Wait", "0.5")
	w.press(input.Enter, input.Escape)
	w.line("wait 0.5 s")
	w.accessible("a rule on the desk")
	w.shoot("rule-whole")

	w.click("Close the desk")
	w.press(input.Escape)
	w.over(first, 5, 6)
	w.press(input.KeyP)
	w.until("play", `() => window.azzel.play() !== null`)
	w.hold(input.ArrowRight, "what is said", `() => window.azzel.play().reading?.text === 'The channel is filling.'`)
	w.shoot("rule-says")
	w.hold(input.KeyX, "what is asked", `() => window.azzel.play().reading?.text === 'Shut it again?'`)
	w.until("a few ticks", `() => { window.ticks ??= window.azzel.play().ticks; return window.azzel.play().ticks > window.ticks + 5; }`)
	w.shoot("rule-asks")
	w.until("the choices to be said", `() => document.querySelector('[data-reading]').textContent === 'Shut it again? Yes, 1 of 2'`)
	w.hold(input.ArrowDown, "the second choice", `() => window.azzel.play().reading?.chosen === 1`)
	w.until("some ticks", `() => { window.since ??= window.azzel.play().ticks; return window.azzel.play().ticks > window.since + 3; }`)
	w.hold(input.ArrowUp, "the first choice", `() => window.azzel.play().reading?.chosen === 0`)
	// A click on a choice takes it.
	var at []float64
	w.read(`() => {
		const { box } = window.azzel.play().reading;
		const p = window.azzel.screen(box.x + 20, box.y + box.h - 10), r = document.querySelector('[data-board]').getBoundingClientRect();
		return [p.x + r.x, p.y + r.y];
	}`, &at)
	w.page.Mouse.MustMoveTo(at[0], at[1]).MustClick(left)
	w.until("the box to be shut", `() => window.azzel.play().reading === null`)
	w.until("the door still to be open", `() => window.azzel.play().things.some((thing) => thing.picture > 0)`)
	// On the desk one sees that it went, while it is played.
	w.press(input.Escape)
	w.with(input.ShiftLeft, input.KeyE)
	w.sees("[data-went]", "it went once, last at 0:0")
	// Why, and what it did, each a click back in time; held there again once it goes anew.
	w.click("Look why")
	w.sees("[data-why]", "it went.")
	w.sees("[data-why]", "Door at 11, 6 opens")
	w.shoot("rule-why")
	w.accessible("why a rule went")
	w.page.MustElement("[data-why] ol[aria-label='When it was to go'] button").MustClick()
	w.until("the game of then", `() => window.azzel.play().ticks < window.since`)
	w.click("Hold when it goes")
	w.click("Close the desk")
	w.click("End play")

	// Each action is taken back by itself, and what is deleted with its piece comes back with it.
	w.tap(first, 8, 6)
	w.click("When Valve wheel is pressed")
	w.line("wait 0.5 s")
	w.with(input.ControlLeft, input.KeyZ)
	w.line("wait 1 s")
	w.with(input.ControlLeft, input.KeyZ)
	w.until("one action less", `() => ![...document.querySelectorAll('[data-line]')].some((l) => l.dataset.says === 'Door at 11, 6 shuts')`)
	w.with(input.ControlLeft, input.KeyY)
	w.line("Door at 11, 6 shuts")
}

// What is ready-made is chosen by name, made of a thing that is pointed at and one that is chosen, and lies on the desk as a rule then.
func TestReadyMade(t *testing.T) {
	w, first := withPiece(t, "Switch")
	w.press(input.Escape)
	w.seek("Door")
	w.tap(first, 11, 6)
	w.press(input.Escape, input.Escape)
	w.with(input.ShiftLeft, input.KeyE)
	w.click("Ready-made")
	w.click("Timed gate")
	w.sees("[data-ready=timed-gate]", "When one thing is worked another opens, and shuts again after some seconds.")
	w.accessible("what is ready-made")
	w.click("Point at it on the board")
	w.tap(first, 8, 6)
	w.sees("[data-ready=timed-gate]", "Switch at 8, 6")
	w.page.MustElement("[data-ready] select[aria-label='What opens']").MustSelect("Door at 11, 6, First map")
	w.fill("Open for", "1.5")
	w.shoot("ready-made")
	w.click("Make it")
	w.line("Door at 11, 6 opens")
	w.line("wait 1.5 s")
	w.line("Door at 11, 6 shuts")
	w.with(input.ControlLeft, input.KeyZ)
	w.until("nothing to be left of it", `() => document.querySelector('[data-line]') === null`)
	w.quiet()
}

// Somebody is sent to a mark that is pointed at, and the camera goes along; in play they walk there, and the rule goes on once they are there.
func TestSceneOnTheDesk(t *testing.T) {
	w, first := withPiece(t, "Person")
	w.press(input.Escape)
	w.seek("Mark")
	w.tap(first, 12, 6)
	w.press(input.Escape, input.Escape)
	w.tap(first, 8, 6)
	w.fill("Name of this piece", "Emil")
	w.press(input.Enter)
	w.click("Add a rule")
	w.sees("[data-sheet]", "Emil")
	w.types("Add an action", "this looks", "Emil looks at the player")
	w.types("Add an action", "this walks", "Emil walks to the player")
	w.types("Add an action", "camera mark", "the camera goes to Mark at 12, 6 in 1 s")
	w.slot("1 s")
	w.fill("For how long", "0.5")
	w.press(input.Enter, input.Escape)
	w.line("the camera goes to Mark at 12, 6 in 0.5 s")
	w.types("Add an action", "camera back", "the camera comes back in 1 s")
	w.types("Add an action", "longer push", "the player can no longer push")
	w.slot("push")
	w.choose("What becomes of it", "carry")
	w.press(input.Escape)
	w.line("the player can carry")
	w.until("to whom Emil walks", `() => { const b = [...document.querySelectorAll('[data-says="Emil walks to the player"] [data-popover-trigger]')].at(-1); b?.click(); return b !== undefined; }`)
	w.click("Point at it on the board")
	w.tap(first, 12, 6)
	w.line("Emil walks to Mark at 12, 6")
	w.types("Add an action", "until emil spoken", "wait until Emil is spoken to")
	w.types("Add an action", "layer overhead appears", "the layer Overhead, First map appears")
	w.slot("appears")
	w.choose("What becomes of it", "vanishes")
	w.press(input.Escape)
	w.line("the layer Overhead, First map vanishes")
	w.types("Add an action", "dark", "the screen goes dark in 1 s")
	w.types("Add an action", "together", "together:")
	within := w.page.MustElements("[data-sheet] input[aria-label='Add an action']")[0]
	within.MustFocus()
	within.MustInput("seen again")
	w.until("the offer", `() => document.querySelector('[role=option]')?.textContent.trim() === 'the screen is seen again in 1 s'`)
	w.press(input.Enter)
	w.line("the screen is seen again in 1 s")
	w.accessible("a scene on the desk")
	w.shoot("rule-scene")
	w.click("Close the desk")
	w.press(input.Escape)
	w.over(first, 6, 6)
	w.press(input.KeyP)
	w.until("play", `() => window.azzel.play() !== null`)
	x := `(there) => window.azzel.play().things.some((thing) => thing.x > 12 * 16 && thing.x < 13 * 16) === there`
	w.until("Emil to stand", x, false)
	w.hold(input.ArrowRight, "to come up to Emil", `() => window.azzel.play().x > 7.4 * 16`)
	w.hold(input.Space, "Emil to set out", `() => window.azzel.play().things.some((thing) => thing.x > 9.5 * 16)`)
	w.until("Emil at the mark", x, true)
	w.shoot("scene-played")
	w.hold(input.ArrowRight, "to come up to Emil", `() => window.azzel.play().x > 11.4 * 16`)
	w.until("the camera to be back", `() => { window.came ??= window.azzel.play().ticks; return window.azzel.play().ticks > window.came + 120; }`)
	w.hold(input.Space, "the dark", `() => window.azzel.play().dark > 60`)
	w.shoot("scene-dark")
	w.until("what is done together", `() => window.azzel.play().dark === 0`)
	w.until("the layer to be gone", `() => window.azzel.play().above.length === 0`)
	w.quiet()
}

// A rule of every piece of a type, and one of a character, are made in the slip of a piece; they begin as something comes into an area, and send
// along a track. A condition asks for a layer and for forces. A wire is drawn to an area.
func TestRulesOfSeveral(t *testing.T) {
	s := newSite(t, "-demo")
	w := s.window("/")
	w.click("Night shift")
	w.opened()
	w.tap("Fern grotto", 11, 9)
	w.sees("[data-slip]", "Pushable")
	w.unfold()
	w.choose("Add a condition", "what became of a piece")
	w.choose("Of what", "Water, Fern grotto")
	w.until("to be asked of a layer", `() => document.querySelector('[data-condition]')?.dataset.says === 'the layer Water is there'`)
	w.choose("It is", "hidden")
	w.until("the layer to be asked for", `() => document.querySelector('[data-condition]')?.dataset.says === 'the layer Water is hidden'`)
	w.choose("Of what", "Cold draught")
	w.choose("It is", "off")
	w.until("the forces to be asked for", `() => document.querySelector('[data-condition]')?.dataset.says === 'the forces of Cold draught are off'`)
	w.click("Add one for every Pushable")
	w.sees("[data-sheet]", "this Pushable")
	w.types("Add a moment", "comes into damp", "this Pushable comes into Damp room")
	w.types("Add an action", "drain let", "Drain lets one out")
	w.accessible("a rule of a type")
	w.shoot("rule-of-a-type")
	w.click("Close the desk")
	w.press(input.Escape)
	w.tap("Potting yard", 17, 2)
	w.sees("[data-slip]", "Foe")
	w.click("Add one for whoever is Rose beetle")
	w.sees("[data-sheet]", "Rose beetle")
	w.types("Add an action", "rose beetle follows", "Rose beetle follows Round of the beetle")
	w.shoot("rule-of-a-character")
	w.click("Close the desk")
	w.press(input.Escape)
	wires := w.page.MustEval(`() => window.azzel.scene().wires.length`).Int()
	w.seek("Fern grotto")
	w.seek("Wire")
	w.drag(left, "Fern grotto", [2]int{32, 15}, [2]int{22, 3})
	w.until("a wire to an area", `(n) => window.azzel.scene().wires.length === n + 1`, wires)
	w.shoot("wire-to-an-area")
	w.quiet()
}
