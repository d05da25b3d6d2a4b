package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// What was played is kept, is played again after a change, and it is said where it parts;
// watched, it does the same again.
func TestReplays(t *testing.T) {
	w := fromTheSide(t)
	w.with(input.ShiftLeft, input.KeyR)
	w.sees("[data-replays]", "None yet")
	w.with(input.ShiftLeft, input.KeyP)
	w.until("play", `() => window.azzel.play()?.fromSide`)
	end := w.page.MustEval(`async () => {
		const key = (type) => window.dispatchEvent(new KeyboardEvent(type, { key: 'ArrowRight', code: 'ArrowRight' }));
		key('keydown');
		while (window.azzel.play().ticks < 80) await new Promise((r) => requestAnimationFrame(r));
		key('keyup');
		while (window.azzel.play().ticks < 120) await new Promise((r) => requestAnimationFrame(r));
		return window.azzel.play().x;
	}`).Num()
	w.fill("Name of what was played so far", "Along the pipe")
	w.click("Keep")
	w.until("it to be played again", `() => document.querySelector('[data-replay=same]') !== null`)
	w.sees("[data-replays]", "as it was kept")
	w.accessible("replays")
	w.press(input.Escape)
	w.with(input.ShiftLeft, input.KeyJ)
	w.until("the movement", `() => document.querySelector('[data-movement] input[aria-label="Speed"]') !== null`)
	w.page.MustEval(`() => {
		const slider = document.querySelector('[data-movement] input[aria-label="Speed"]');
		slider.value = 3;
		slider.dispatchEvent(new Event('change', { bubbles: true }));
	}`)
	w.with(input.ShiftLeft, input.KeyR)
	w.until("it to part", `() => document.querySelector('[data-replay=parts]') !== null`)
	// How far the player is by then depends on the tick on which the key was pressed.
	w.sees("[data-replays]", "where they")
	w.click("Show where it differs")
	w.page.MustEval(`() => window.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', code: 'KeyZ', ctrlKey: true }))`)
	w.until("it to be as it was", `() => document.querySelector('[data-replay=same]') !== null`)
	w.click("Other values")
	w.click("Try")
	w.until("what comes of other values", `() => document.querySelectorAll('[data-tried=same]').length === 1 && document.querySelectorAll('[data-tried=parts]').length === 4`)
	w.accessible("other values")
	w.click("Watch")
	w.until("the replay to be played", `() => { const play = window.azzel.play(); return play && play.ticks > 130; }`)
	if got := w.page.MustEval(`() => window.azzel.play().x`).Num(); got != end {
		t.Errorf("watched, it ends at %.1f px, and ended at %.1f", got, end)
	}
	w.with(input.ShiftLeft, input.KeyH)
	w.sees("[data-helps]", "safe from harm")
	w.accessible("helps")
	w.click("able to go through walls")
	w.until("the help to be on", `() => window.azzel.play().helpsOn[2]`)
	w.page.MustEval(`() => window.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowDown', code: 'ArrowDown' }))`)
	w.until("the player in the ground", `() => window.azzel.play().y > window.azzel.scene().pieces[0].y + 12`)
	w.page.MustEval(`() => window.dispatchEvent(new KeyboardEvent('keyup', { key: 'ArrowDown', code: 'ArrowDown' }))`)
	w.with(input.ShiftLeft, input.KeyR)
	w.click("Delete")
	w.sees("[data-replays]", "None yet")
	w.quiet()
}
