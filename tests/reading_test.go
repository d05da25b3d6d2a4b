package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// withPiece is a window with a new project in which a piece of a kind stands in cell 8, 6 of the only map, and is selected.
func withPiece(t *testing.T, kind string) (w *window, first string) {
	t.Helper()
	w = newSite(t).window("/")
	w.newProject("Night round")
	first = w.scene().Maps[0].Name
	w.press(input.Escape)
	w.seek(kind)
	w.tap(first, 8, 6)
	w.until("the piece", `() => window.azzel.scene().pieces.length === 2`)
	w.press(input.Escape, input.Escape)
	w.tap(first, 8, 6)
	return w, first
}

// A sign says what is typed on its slip, shown there in the box of the game while it is typed, with what does not fit and what
// the game has no letter for. In play it is read by a key, page by page, while all else waits, and said to a screen reader.
// What it fills in follows what that is called.
func TestSign(t *testing.T) {
	w, first := withPiece(t, "Sign")
	typed := w.page.MustElement("[data-words] textarea")
	typed.MustInput("Mind the step, and 日本. ")
	w.sees("[data-words]", "The game has no letter for 日 本")
	typed.MustSelectAllText().MustInput("Ventilation key: behind the ferns, on the third hook from the left, where it has always been. Whoever takes it says so in the book, and hangs it back before the bell at five, as the rules of this house say.")
	w.sees("[data-words]", "does not fit its box, which holds 3 lines")
	w.shoot("sign-too-long")
	typed.MustSelectAllText().MustInput("Ventilation key behind the ferns.\n\nHang it back: it has been taken ")
	w.page.MustElement("[data-words] textarea").MustBlur()
	w.sees("[data-words]", "page 2 of 2")
	w.shoot("sign-slip")
	w.accessible("the slip of a sign")
	w.unfold()
	w.choose("Once read, sets", "a new fact")
	w.until("the fact", `() => window.azzel.scene().facts.length === 1`)
	w.page.MustElement("[data-words] select").MustFocus()
	w.page.MustEval(`() => { const t = document.querySelector('[data-words] textarea'); t.setSelectionRange(t.value.length, t.value.length); }`)
	w.choose("Says: fill in a fact or an item", "Fact 1")
	w.until("the fact among the words", `() => document.querySelector('[data-words] textarea').value.endsWith('taken {Fact 1}')`)
	w.press(input.Escape)
	w.with(input.ShiftLeft, input.KeyS)
	w.fill("Name of the fact", "Key taken")
	w.press(input.Enter)
	w.press(input.Escape, input.Escape)
	w.tap(first, 8, 6)
	w.until("what the fact is called now", `() => document.querySelector('[data-words] textarea').value.endsWith('taken {Key taken}')`)
	w.press(input.Escape)

	w.over(first, 5, 6)
	w.press(input.KeyP)
	w.until("play", `() => window.azzel.play() !== null`)
	w.hold(input.ArrowRight, "the player to stand at the sign", `() => { const { x } = window.azzel.play(); const stays = x > 119 && window.lately === x; window.lately = x; return stays; }`)
	reads := `(text) => (window.azzel.play().reading?.text ?? '') === text`
	use := func(what, text string) {
		t.Helper()
		ticks := w.page.MustEval(`() => window.azzel.play().ticks`).Int()
		// The key is up for some ticks before it is pressed again.
		w.until("some ticks", `(from) => window.azzel.play().ticks > from + 3`, ticks)
		w.hold(input.KeyX, what, reads, text)
	}
	use("the first page", "Ventilation key behind the ferns.")
	w.sees("[data-reading]", "Ventilation key behind the ferns.")
	w.shoot("sign-read")
	use("the second page", "Hang it back: it has been taken no")
	at := w.page.MustEval(`() => window.azzel.play().x`).Num()
	w.hold(input.ArrowLeft, "time to pass", `(from) => window.azzel.play().ticks > from + 30`, w.page.MustEval(`() => window.azzel.play().ticks`).Int())
	if x := w.page.MustEval(`() => window.azzel.play().x`).Num(); x != at {
		t.Errorf("while they read, the player goes from %v to %v", at, x)
	}
	w.tap(first, 7, 9)
	w.until("no page after the last was turned by a click", reads, "")
	w.until("the sign to be read", `() => window.azzel.play().onIds.length === 1`)
	use("the first page again", "Ventilation key behind the ferns.")
	use("the fact as it is now", "Hang it back: it has been taken yes")
	w.press(input.KeyP)
	w.saved()
	w.quiet()
}
