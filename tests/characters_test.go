package tests

import (
	"os"
	"path/filepath"
	"testing"

	"github.com/go-rod/rod/lib/input"

	"azzel/demo/art"
)

// A sheet is brought in, cut into frames by itself, and becomes who is played, with rows that say what
// they show; its body is proposed from its pixels and dragged. A sheet that is none is refused in
// words.
func TestCharacters(t *testing.T) {
	sheet, err := art.GardenerPNG()
	if err != nil {
		t.Fatal(err)
	}
	folder := t.TempDir()
	good, bad := filepath.Join(folder, "night-gardener.png"), filepath.Join(folder, "bad.png")
	for file, body := range map[string][]byte{good: sheet, bad: []byte("moss")} {
		if err := os.WriteFile(file, body, 0o600); err != nil {
			t.Fatal(err)
		}
	}
	body := func(which string) string {
		return `() => [...document.querySelectorAll('[aria-label="Body and foot"] label')].find(l => l.textContent.includes('Body ` + which + `'))?.querySelector('input').valueAsNumber`
	}
	w := fromTheSide(t)
	w.with(input.ShiftLeft, input.KeyC)
	w.sees("[data-characters]", "Import a sheet")
	w.page.MustElement("[data-characters] input[type=file]").MustSetFiles(bad)
	w.sees("[data-characters] [role=alert]", "picture")
	w.page.MustElement("[data-characters] input[type=file]").MustSetFiles(good)
	w.until("a character with eight rows of 16 × 24 px", `() => { const [c] = window.azzel.scene().characters; return c?.played && c.w === 16 && c.h === 24 && c.poses.length === 8; }`)
	w.until("its frames", `() => document.querySelector('[data-body-editor] canvas')?.width === 16`)
	row := w.page.MustElement(`select[aria-label="Row 3 shows that one"]`)
	row.MustSelect("walks")
	w.until("the third row to show walking", `() => window.azzel.scene().characters[0].poses[2].act === 1`)
	w.click("Propose both from its pixels")
	w.until("a body of its pixels", body("height")+` > 18`)
	box := w.page.MustElement(`button[aria-label="Drag the body’s corner"]`).MustShape().Box()
	w.page.Mouse.MustMoveTo(box.X+6, box.Y+6).MustDown(left).MustMoveTo(box.X+6, box.Y+46).MustUp(left)
	w.until("a lower body", body("height")+` < 18`)
	// Given its sheet anew, the rows are proposed again.
	w.page.MustElements("[data-characters] input[type=file]")[1].MustSetFiles(good)
	w.until("the third row to show running", `() => window.azzel.scene().characters[0].poses[2].act === 2`)
	w.saved()
	if w.page.MustEval(`() => document.body.textContent.includes('refused')`).Bool() {
		t.Error("the server refused a change")
	}
	w.accessible("the characters")
	w.shoot("characters")
	w.with(input.ShiftLeft, input.KeyC)
	w.page.MustEval(`() => document.querySelector('[data-board]').focus()`)
	w.with(input.ShiftLeft, input.KeyP)
	w.until("play with its frames and body", `() => window.azzel.play()?.sprite >= 0 && window.azzel.play().body.h < 18`)
	w.press(input.KeyP)
	w.saved()
	w.page.MustReload()
	w.opened()
	w.with(input.ShiftLeft, input.KeyC)
	w.until("all of it after a reload", body("height")+` < 18`)
	w.quiet()
}
