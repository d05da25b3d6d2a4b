package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// A door is seen as the tiles that were in the hand, another for each of its states, on the board and in play; a state without one is a finding.
func TestPictures(t *testing.T) {
	w, first := withPiece(t, "Door")
	opened := func() {
		t.Helper()
		w.until("its pictures", `() => { const d = [...document.querySelectorAll('details')].find((e) => e.querySelector('summary').textContent === 'Pictures'); if (d && !d.open) d.querySelector('summary').click(); return d?.open; }`)
	}
	opened()
	w.sees("[aria-label='Pictures']", "take one or a block of them into the hand first")
	w.shoot("picture-none")
	w.press(input.Escape)
	w.seek("wall")
	w.press(input.Escape)
	w.tap(first, 8, 6)
	opened()
	w.choose("closed", "from the hand: wall, Blockout")
	w.until("it on the board", `() => window.azzel.scene().pieces.some((p) => p.seen?.picture === 0)`)
	w.sees("[aria-label^='Findings'], button", "1 finding")
	w.shoot("picture-closed")
	w.press(input.Escape)
	w.seek("water")
	w.press(input.Escape)
	w.tap(first, 8, 6)
	w.choose("open", "from the hand: water, Blockout")
	w.page.MustEval(`() => { [...document.querySelectorAll('summary')].find((s) => s.textContent.includes('of “open”')).click(); }`)
	w.click("Add to “open”: water, Blockout")
	w.fill("Each frame", "0.5")
	w.press(input.Enter)
	w.until("what it shows, chosen", `() => [...document.querySelectorAll("[aria-label='Pictures'] select")].some((e) => e.selectedOptions[0].textContent === 'water, Blockout, 2 frames')`)
	w.accessible("the pictures of a piece")
	w.shoot("picture-open")
	w.sees("[aria-label^='Findings'], button", "No findings")
	w.click("Close the slip")
	w.over(first, 6, 6)
	w.press(input.KeyP)
	w.until("it in play", `() => window.azzel.play()?.things[0]?.seen?.picture === window.azzel.scene().pieces.find((p) => p.seen).seen.picture`)
	w.shoot("picture-played")
	w.hold(input.ArrowRight, "it to be seen open", `() => window.azzel.play().things[0].seen.picture !== window.azzel.scene().pieces.find((p) => p.seen).seen.picture`)
	w.until("its second frame", `() => window.azzel.play().things[0].seen.frame === 1`)
	w.shoot("picture-played-open")
}

// A decoration is seen on the layer on which it was placed, as large, turned, faded and tinted as it says, and stirs in play.
func TestDecoration(t *testing.T) {
	w, first := withPiece(t, "Decoration")
	w.choose("Stirs", "sways")
	number := func(label, to string) {
		t.Helper()
		w.until(label, `(label, to) => {
			const field = [...document.querySelectorAll('input[type=number]')].find((e) => e.labels?.[0]?.textContent.trim().startsWith(label));
			if (!field) return false;
			field.value = to;
			field.dispatchEvent(new Event('change', { bubbles: true }));
			return true;
		}`, label, to)
	}
	number("Size", "250")
	number("Turned", "30")
	w.page.MustEval(`() => { const e = document.querySelector("input[aria-label='Tinted']"); e.value = '#d07a2c'; e.dispatchEvent(new Event('change', { bubbles: true })); }`)
	w.until("how it is seen", `() => { const d = window.azzel.scene().pieces.find((p) => p.dress)?.dress; return d && d.size === 250 && d.turned === 30 && d.tint === '#d07a2c'; }`)
	w.accessible("the slip of a decoration")
	w.shoot("decoration-slip")
	w.click("Tinted: none")
	w.until("no tint", `() => window.azzel.scene().pieces.find((p) => p.dress).dress.tint === ''`)
	w.click("Close the slip")
	w.over(first, 6, 6)
	w.press(input.KeyP)
	w.until("it swaying", `() => { const turned = window.azzel.play()?.still[0]?.dress.turned; window.azzel.turned ??= turned; return turned !== undefined && turned !== window.azzel.turned && Math.abs(turned - 30) <= 9.001; }`)
	w.shoot("decoration-played")
}
