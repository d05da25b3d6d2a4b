package tests

import (
	"strconv"
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// spawnCell is the cell of the first map in which its spawn stands.
func (w *window) spawnCell() (x, y int) {
	w.t.Helper()
	at := w.page.MustEval(`() => { const s = window.azzel.scene(); const m = s.maps[0]; const p = s.pieces[0]; return [Math.floor((p.x - m.originX) / 16), Math.floor((p.y - m.originY) / 16)]; }`).Arr()
	return at[0].Int(), at[1].Int()
}

// written is a number as a script has it.
func written(n float64) string { return strconv.FormatFloat(n, 'f', -1, 64) }

// holdOnPad presses the button called so on the pad until something is so.
func (w *window) holdOnPad(name, what, script string) {
	w.t.Helper()
	box := w.page.MustElement(`button[aria-label="Hold ` + name + `"]`).MustShape().Box()
	w.page.Mouse.MustMoveTo(box.X+box.Width/2, box.Y+box.Height/2).MustDown(left)
	w.until(what, script)
	w.page.Mouse.MustUp(left)
}

// Played with the pad on the screen: what can be pushed is pushed, picked up with a key that was
// changed, and thrown; a key that something else has is refused in words, and all come back. The
// bodies are shown meanwhile.
func TestPlayedWithThePad(t *testing.T) {
	w := fromTheSide(t)
	x, y := w.spawnCell()
	w.seek("Pushable")
	w.tap("First map", x+2, y)
	w.until("what can be pushed", `() => window.azzel.scene().pieces.length === 2`)
	w.press(input.Escape, input.Escape)

	w.page.KeyActions().Press(input.ShiftLeft).Type(input.Slash).Release(input.ShiftLeft).MustDo()
	w.sees("[role=dialog]", "All keys")
	w.click("Use, carry and throw")
	w.press(input.KeyJ)
	w.sees("[role=alert]", "J is the key of “Pause” already")
	w.press(input.KeyK)
	w.sees("[role=dialog] button", "K")
	w.accessible("the sheet of keys")
	w.press(input.Escape)
	w.until("the sheet gone", `() => !document.querySelector('[role=dialog]')`)

	w.with(input.ShiftLeft, input.KeyP)
	w.until("play", `() => window.azzel.play()?.doing === 'stands'`)
	w.with(input.ShiftLeft, input.KeyO)
	w.sees("[data-pad]", "Jump")
	w.accessible("the pad on the screen")
	was := w.page.MustEval(`() => window.azzel.play().things[0].x`).Num()
	w.holdOnPad("right", "it to be pushed by more than a cell", `() => window.azzel.play().things[0].x > `+written(was+20))
	w.holdOnPad("jump", "a jump", `() => window.azzel.play().doing === 'is in the air'`)
	w.until("the ground", `() => window.azzel.play().doing === 'stands'`)
	w.holdOnPad("right", "it to be reached", `() => window.azzel.play().things[0].x - window.azzel.play().x < 16`)

	w.with(input.ShiftLeft, input.KeyH)
	w.click("bodies")
	w.until("the lens", `() => window.azzel.probe().lens === 'bodies'`)
	w.shoot("bodies")
	w.page.MustEval(`() => document.querySelector('[data-board]').focus()`)
	w.press(input.KeyX)
	w.hold(input.KeyK, "it to be carried", `() => window.azzel.play().things[0].carried`)
	w.frame()
	w.frame()
	far := w.page.MustEval(`() => window.azzel.play().x`).Num()
	w.hold(input.KeyK, "it to be thrown", `() => !window.azzel.play().things[0].carried`)
	w.until("it to come down", `() => window.azzel.play().things[0].x > `+written(far+40))
	w.press(input.KeyP)

	w.page.KeyActions().Press(input.ShiftLeft).Type(input.Slash).Release(input.ShiftLeft).MustDo()
	w.click("All keys as they were")
	w.until("X again", `() => [...document.querySelectorAll('[role=dialog] button')].some((b) => b.getAttribute('aria-label')?.startsWith('Use, carry and throw: X'))`)
	w.press(input.Escape)
	w.quiet()
}

// A platform gets a track by leading it on to where the pointer is; its ghost is looked at in some
// seconds while its speed is dragged. Selected cells become an area with a wind of its own.
func TestTracksAndAreas(t *testing.T) {
	w := fromTheSide(t)
	x, y := w.spawnCell()
	w.seek("Moving platform")
	w.tap("First map", x+3, y-3)
	w.until("the platform", `() => window.azzel.scene().pieces.length === 2`)
	w.press(input.Escape, input.Escape)
	w.tap("First map", x+3, y-3)
	w.sees("[data-slip]", "Make a track")
	for _, at := range [][2]int{{x - 2, y - 3}, {x - 2, y - 6}} {
		w.over("First map", at[0], at[1])
		w.with(input.ShiftLeft, input.KeyT)
	}
	w.until("a track of two points", `() => window.azzel.scene().paths[0]?.points.length === 6`)
	w.sees("[data-slip]", "Add track point")
	slide := func(label, event string, value int) {
		w.page.MustEval(`(label, event, value) => {
			const slider = document.querySelector('[data-slip] input[aria-label="' + label + '"]');
			slider.value = value;
			slider.dispatchEvent(new Event(event, { bubbles: true }));
		}`, label, event, value)
	}
	slide("Ghost after so many seconds", "input", 120)
	w.sees("[data-slip]", "2.0 s")
	slide("Speed, dragged", "input", 1)
	w.shoot("trail")
	w.until("the speed as it was while it is dragged", `() => window.azzel.scene().paths[0].second === 48`)
	slide("Speed, dragged", "change", 1)
	w.until("the speed once it is let go", `() => window.azzel.scene().paths[0].second === 16`)
	w.accessible("the slip of a platform")
	w.press(input.Escape)

	w.press(input.KeyQ, input.KeyB)
	w.drag(left, "First map", [2]int{x, y - 2}, [2]int{x + 4, y})
	w.sees("[data-slip]", "5 × 3 cells")
	w.with(input.ShiftLeft, input.KeyA)
	w.until("an area", `() => window.azzel.scene().areas.length === 1`)
	w.sees("[data-slip]", "Holds the camera")
	w.fill("Wind to the right", "3")
	w.press(input.Enter)
	w.shoot("area")
	w.accessible("the slip of an area")
	w.saved()
	w.press(input.Escape, input.Escape, input.Escape)
	w.with(input.ShiftLeft, input.KeyP)
	w.until("the wind to carry along", `() => window.azzel.play()?.x > window.azzel.scene().pieces[0].x + 30`)
	w.press(input.KeyP)
	w.page.MustReload()
	w.until("all of it after a reload", `() => window.azzel?.scene()?.areas.length === 1 && window.azzel.scene().paths.length === 1`)
	w.quiet()
}
