package tests

import (
	"os"
	"path/filepath"
	"testing"

	"github.com/go-rod/rod/lib/input"

	"azzel/demo/art"
)

// demoSheet writes the demo's tiles as a picture.
func demoSheet(t *testing.T) string {
	t.Helper()
	b, err := art.PNG()
	if err != nil {
		t.Fatal(err)
	}
	return write(t, "glasshouse.png", b)
}

// TestShots makes the pictures in docs/screenshots from the demo, when
// ./run shots asks for them. What it walks through holds at any time.
func TestShots(t *testing.T) {
	s := newSite(t, "-demo")
	w := s.window("/")
	shot := func(name string) {
		t.Helper()
		w.frame()
		w.page.MustWaitIdle()
		b, err := w.page.Screenshot(false, nil)
		if err != nil || len(b) < 5000 {
			t.Fatalf("%s: no picture (%d bytes): %v", name, len(b), err)
		}
		if os.Getenv("AZZEL_SHOTS") == "" {
			return
		}
		if err := os.WriteFile(filepath.Join("..", "docs", "screenshots", name+".png"), b, 0o644); err != nil {
			t.Fatal(err)
		}
	}
	theme := func(to string) {
		if w.page.MustEval(`() => document.documentElement.dataset.theme`).Str() != to {
			w.click("Switch to " + to)
		}
	}
	theme("light")
	w.until("the demo's picture", `() => document.querySelector('main img')?.naturalWidth > 0`)
	shot("home")
	w.click("Night shift")
	w.opened()
	w.page.Mouse.MustMoveTo(640, 660)
	w.until("all bitmaps", `() => performance.getEntriesByName('azzel-painted').length > 0`)
	shot("board")
	w.over("Palm house", 12, 9)
	for range 3 {
		w.page.Mouse.MustScroll(0, -120)
	}
	w.take("worn paving")
	w.press(input.KeyB)
	w.over("Palm house", 9, 10)
	w.page.Mouse.MustDown(left)
	w.over("Palm house", 14, 11)
	w.until("a ghost", `() => window.azzel.probe().holding === 'tile'`)
	w.until("the pictures of layers", `() => document.querySelectorAll('[aria-label^="Depth stack"] canvas').length === 3`)
	shot("painting")
	w.page.Mouse.MustUp(left)
	w.saved()
	w.press(input.Escape)
	w.drag(left, "Palm house", [2]int{10, 2}, [2]int{15, 6})
	w.sees("[data-slip]", "6 × 5 cells")
	w.over("Palm house", 12, 4)
	w.page.Mouse.MustDown(left)
	w.over("Palm house", 14, 8)
	w.over("Palm house", 15, 10)
	shot("selection")
	w.press(input.Escape)
	w.page.Mouse.MustUp(left)
	w.press(input.Escape)
	w.page.Keyboard.MustType(input.KeyU)
	w.sees("[data-steps]", "What was done")
	shot("steps")
	w.press(input.Escape)
	w.seek("Boiler room")
	x, y := w.cell("Boiler room", 23, 6)
	w.page.Mouse.MustMoveTo(x+16, y)
	w.page.Mouse.MustDown(left)
	w.over("Boiler room", 18, 6)
	w.over("Boiler room", 15, 6)
	shot("resizing")
	w.press(input.Escape)
	w.page.Mouse.MustUp(left)
	w.press(input.Escape, input.Escape)
	w.seek("Roof walk")
	w.over("Roof walk", 12, 7)
	w.press('y')
	w.with(input.ShiftLeft, 'y')
	w.sees("[data-layer-settings]", "Depth across")
	w.until("backdrops", `() => document.querySelectorAll('[aria-label^="Depth stack"]').length === 1`)
	shot("layers")
	w.press(input.Escape, input.Escape, input.Escape)
	w.press('y')
	theme("dark")
	w.with(input.ShiftLeft, 'u')
	w.until("the field for a name", `() => document.activeElement?.closest('[data-kept]') !== null`)
	w.page.MustInsertText("Before the storm")
	w.press(input.Enter)
	w.sees("[data-kept]", "nothing changed since")
	shot("kept-dark")
	w.press(input.Escape, input.Escape)
	w.seek("Palm house")
	w.tap("Palm house", 17, 17)
	w.sees("[data-slip]", "Leads to")
	shot("crossing-dark")
	theme("light")
	w.press(input.KeyT)
	shot("drawer")
	w.page.MustElementX("//li[.//button[@aria-label='Take Gravel walk']]//button[normalize-space()='Change']").MustClick()
	w.sees("[data-share]", "50.0 %")
	shot("medley")
	w.click("Close the desk")
	w.press(input.KeyT)
	w.click("Lay it on the desk")
	x, y = w.onSheet(8, 6)
	w.page.Mouse.MustMoveTo(x, y).MustClick(left)
	w.until("the mask", `() => document.querySelector('[data-mask]') !== null`)
	w.page.MustElement("[data-board]").MustFocus()
	w.press(input.KeyS)
	shot("tiles")
	w.press(input.KeyS)
	w.click("Bond")
	w.dragOnSheet(4, 0, 7, 3)
	w.until("the proposal", `() => document.querySelectorAll('[data-bonded]').length === 16`)
	shot("bond")
	w.seek("Re-skin")
	w.until("two pictures of the map", `() => document.querySelectorAll('[data-reskin] canvas').length === 2`)
	shot("reskin")
	w.press(input.KeyT)
	w.click("Lay it on the desk")
	w.click("A newer picture")
	w.page.MustElement("input[type=file]").MustSetFiles(newerSheet(t))
	w.sees("[data-newer]", "167 moved")
	shot("newer")
	w.click("Another picture")
	w.click("Close the desk")
	w.press(input.KeyT)
	w.click("Bring in a picture")
	w.page.MustElement("input[type=file]").MustSetFiles(demoSheet(t))
	w.sees("button", "Take 169 tiles")
	shot("cutting")
	w.click("Close the desk")
	w.press(input.Escape)
	w.over("Palm house", 5, 9)
	w.press(input.KeyP)
	w.hold(input.ArrowRight, "a few steps", `() => window.azzel.play()?.steps > 4`)
	shot("play")
	w.press(input.KeyP)
	w.seek("Pipe shaft")
	w.over("Pipe shaft", 19, 12)
	w.press(input.KeyP)
	w.until("the lamp", `() => window.azzel.play()?.doing === 'stands' && window.azzel.play().things.length > 1`)
	w.press(input.KeyJ)
	w.with(input.ShiftLeft, 'j')
	w.sees("[data-movement]", "Gardener")
	shot("shaft")
	w.press(input.Escape)
	w.press(input.KeyP)
	w.with(input.ShiftLeft, input.KeyR)
	w.click("Other values")
	w.click("Try")
	w.until("what comes of them", `() => document.querySelectorAll('[data-tried]:not([data-tried=waiting])').length === 5`)
	w.click("Watch")
	w.until("the replay to be watched", `() => window.azzel.play()?.steps > 20`)
	w.press(input.KeyJ)
	shot("replays")
	w.press(input.Escape)
	w.press(input.KeyP)
	w.quiet()
}
