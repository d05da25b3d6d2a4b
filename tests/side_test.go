package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// fromTheSide is a window with a new project that is seen from the side.
func fromTheSide(t *testing.T) *window {
	t.Helper()
	w := newSite(t).window("/")
	w.fill("Name", "Pipe shaft")
	w.page.MustElement("form select").MustSelect("from the side (side-view)")
	w.click("Make the project")
	w.until("the board", `() => window.azzel?.scene()?.maps.length > 0`)
	w.frame()
	return w
}

// highest jumps a few times and gives how high the foot came, in pixels: a page that draws seldom does not see the top of
// each jump.
func (w *window) highest() (pixels float64) {
	w.t.Helper()
	for range 3 {
		w.until("the ground", `() => window.azzel.play().doing === 'stands'`)
		pixels = max(pixels, w.page.MustEval(`async () => {
			const key = (type) => window.dispatchEvent(new KeyboardEvent(type, { key: ' ', code: 'Space' }));
			const ground = window.azzel.play().y;
			let top = ground;
			key('keydown');
			for (let ticks = window.azzel.play().ticks; window.azzel.play().ticks < ticks + 20 || window.azzel.play().doing === 'is in the air'; ) {
				await new Promise((r) => requestAnimationFrame(r));
				top = Math.min(top, window.azzel.play().y);
			}
			key('keyup');
			return ground - top;
		}`).Num())
	}
	return pixels
}

// From the side: a new project seen so has ground under the spawn; one jumps as high as is
// said, and dragged higher while it plays, higher at once; what it was is one click away. What
// is dangerous hurts, and a checkpoint is where one comes back to. A map can be seen otherwise.
func TestFromTheSide(t *testing.T) {
	w := fromTheSide(t)
	w.page.KeyActions().Press(input.ShiftLeft).Type(input.KeyP).Release(input.ShiftLeft).MustDo()
	w.until("play", `() => window.azzel.play()?.fromSide`)
	if got := w.highest(); got < 33 || got > 36 {
		t.Errorf("a jump of 2.2 cells is %.1f px high", got)
	}
	w.page.KeyActions().Press(input.ShiftLeft).Type(input.KeyJ).Release(input.ShiftLeft).MustDo()
	w.sees("[data-movement]", "The built-in figure")
	// Dragged, it counts at once; the document is as it was until it is let go.
	drag := func(event string, value int) {
		w.page.MustEval(`(event, value) => {
			const slider = document.querySelector('[data-movement] input[aria-label="Jump height"]');
			slider.value = value;
			slider.dispatchEvent(new Event(event, { bubbles: true }));
		}`, event, value)
	}
	drag("input", 4)
	if got := w.highest(); got < 62 || got > 65 {
		t.Errorf("while it is dragged to 4 cells a jump is %.1f px high", got)
	}
	w.until("the old value in the document", `() => window.azzel.scene().movement.terms.find((t) => t.name === 'jump').value === 2.2`)
	drag("change", 5)
	w.until("the new value in the document", `() => window.azzel.scene().movement.terms.find((t) => t.name === 'jump').value === 5`)
	if got := w.highest(); got < 78 || got > 81 {
		t.Errorf("a jump of 5 cells is %.1f px high", got)
	}
	w.accessible("how the player moves")
	w.click("Jump height: back to 2.2")
	w.until("the value before", `() => window.azzel.scene().movement.terms.find((t) => t.name === 'jump').value === 2.2`)
	w.press(input.Escape)
	w.press(input.KeyP)
	// A checkpoint, and beyond it what is dangerous.
	at := w.page.MustEval(`() => { const s = window.azzel.scene(); const m = s.maps[0]; const p = s.pieces[0]; return [Math.floor((p.x - m.originX) / 16), Math.floor((p.y - m.originY) / 16)]; }`).Arr()
	x, y := at[0].Int(), at[1].Int()
	w.seek("Checkpoint")
	w.tap("First map", x+2, y)
	w.until("the checkpoint", `() => window.azzel.scene().pieces.length === 2`)
	w.take("danger")
	w.press(input.KeyD)
	w.tap("First map", x+5, y)
	w.press(input.Escape, input.Escape)
	w.over("First map", x, y)
	w.with(input.ShiftLeft, input.KeyV)
	w.until("where one can jump to", `() => window.azzel.probe().reachShown`)
	w.over("First map", x+1, y)
	w.shoot("reach")
	w.with(input.ShiftLeft, input.KeyV)
	w.page.KeyActions().Press(input.ShiftLeft).Type(input.KeyP).Release(input.ShiftLeft).MustDo()
	w.until("play", `() => window.azzel.play()?.doing === 'stands'`)
	if err := w.page.Keyboard.Press(input.ArrowRight); err != nil {
		t.Fatal(err)
	}
	w.until("the checkpoint to be lit", `() => window.azzel.play().onIds.length === 1`)
	w.until("something that hurts", `() => window.azzel.play().health === 2 && window.azzel.play().safe`)
	if err := w.page.Keyboard.Release(input.ArrowRight); err != nil {
		t.Fatal(err)
	}
	w.until("to stand still in the danger or beyond", `() => window.azzel.play().doing === 'stands'`)
	w.press(input.KeyP)
	w.quiet()
}
