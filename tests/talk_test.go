package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// A person has several things to say, each with what must hold for it; they are put into order and taken away. Spoken to, the
// person looks at the player and says the first that holds, which changes with a fact.
func TestPerson(t *testing.T) {
	w, first := withPiece(t, "Person")
	say := func(n int, text string) {
		t.Helper()
		w.click("Add something to say")
		w.until("one more thing to say", `(n) => document.querySelectorAll('[data-saying]').length === n`, n)
		w.page.MustElement(sayingText(n)).MustInput(text).MustBlur()
		w.until("what is said to be kept", `(n, text) => document.querySelectorAll('[data-saying]')[n - 1].querySelector('textarea').value === text`, n, text)
	}
	say(1, "You again! The lamps are fine.")
	say(2, "Good evening. Mind the wet floor.")
	w.page.MustElement("[data-saying='2'] [aria-label='Say 2 earlier']").MustClick()
	w.until("the other order", `() => document.querySelector('[data-saying="1"] textarea').value.startsWith('Good evening')`)
	w.page.MustElement("[data-saying='1'] [aria-label='Say 1 later']").MustClick()
	w.until("the first order", `() => document.querySelector('[data-saying="1"] textarea').value.startsWith('You again')`)
	w.unfold()
	w.choose("Once spoken to, sets", "a new fact")
	w.until("the fact", `() => window.azzel.scene().facts.length === 1`)
	w.choose("Add a condition", "a fact, an item or a number")
	w.until("a condition of the first thing that is said", `() => document.querySelector('[data-saying="1"] [data-condition]').dataset.says === 'Fact 1 is yes'`)
	w.shoot("person-slip")
	w.accessible("the slip of a person")
	w.press(input.Escape)

	w.over(first, 5, 6)
	w.press(input.KeyP)
	w.until("play", `() => window.azzel.play() !== null`)
	w.hold(input.ArrowRight, "the player to stand at the person", `() => { const { x } = window.azzel.play(); const stays = x > 119 && window.lately === x; window.lately = x; return stays; }`)
	for _, text := range []string{"Good evening. Mind the wet floor.", "", "You again! The lamps are fine.", ""} {
		ticks := w.page.MustEval(`() => window.azzel.play().ticks`).Int()
		w.until("some ticks", `(from) => window.azzel.play().ticks > from + 3`, ticks)
		w.hold(input.KeyX, "the person to say "+text, `(text) => (window.azzel.play().reading?.text ?? '') === text`, text)
		if text != "" {
			w.shoot("person-says")
		}
	}
	w.press(input.KeyP)
	w.saved()
	w.quiet()
}

// sayingText is the field of a thing that is said.
func sayingText(n int) string { return "[data-saying='" + string(rune('0'+n)) + "'] textarea" }
