package tests

import (
	"os"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// steps moves the cell cursor.
func (w *window) steps(key input.Key, n int) {
	w.t.Helper()
	for range n {
		w.page.Keyboard.MustType(key)
	}
}

// draw holds Enter while the cursor moves.
func (w *window) draw(key input.Key, n int) {
	w.t.Helper()
	if err := w.page.Keyboard.Press(input.Enter); err != nil {
		w.t.Fatal(err)
	}
	w.steps(key, n)
	if err := w.page.Keyboard.Release(input.Enter); err != nil {
		w.t.Fatal(err)
	}
}

// goTo puts the cell cursor on the first cell of a map.
func (w *window) goTo(name string) {
	w.t.Helper()
	w.seek(name)
	w.frame()
}

// The whole main job without a pointer: a project, painting, pieces, a second
// map, a crossing, play to the exit.
func TestByKeyboardAlone(t *testing.T) {
	s := newSite(t)
	w := s.window("/")
	w.until("home", `() => document.querySelectorAll('form input').length === 5`)
	for range 12 {
		w.press(input.Tab)
		if w.page.MustEval(`() => document.activeElement?.labels?.[0]?.textContent.trim() === 'Name'`).Bool() {
			break
		}
	}
	w.page.MustInsertText("Hands off")
	w.press(input.Enter)
	w.opened()
	// Paint a wall of six cells, then undo and redo it.
	w.goTo("First map")
	w.take("wall")
	w.press(input.KeyD)
	w.steps(input.ArrowRight, 6)
	w.steps(input.ArrowDown, 4)
	w.draw(input.ArrowDown, 5)
	w.sees("[data-status]", "wall")
	w.with(input.ControlLeft, input.KeyZ)
	w.sees("[data-status]", "ground")
	w.with(input.ControlLeft, input.KeyY)
	w.sees("[data-status]", "wall")
	// A collectible and an exit.
	w.seek("Collectible")
	w.goTo("First map")
	w.seek("Collectible")
	w.steps(input.ArrowRight, 3)
	w.steps(input.ArrowDown, 3)
	w.press(input.Enter)
	w.until("a collectible", `() => window.azzel.scene().pieces.some(p => p.type === '3')`)
	// A second map on the empty board below the first.
	w.press(input.Escape, input.Escape)
	w.goTo("First map")
	w.press(input.PageDown, input.PageDown)
	w.steps(input.ArrowDown, 26)
	if err := w.page.Keyboard.Press(input.Enter); err != nil {
		t.Fatal(err)
	}
	w.steps(input.ArrowDown, 7)
	w.steps(input.ArrowRight, 9)
	if err := w.page.Keyboard.Release(input.Enter); err != nil {
		t.Fatal(err)
	}
	w.until("a second map", `() => window.azzel.scene().maps.length === 2`)
	second := w.scene().Maps[1].Name
	if second != "South of First map" {
		t.Errorf("the second map is called %q", second)
	}
	// A crossing from the first map to the second.
	w.goTo("First map")
	w.seek("Crossing")
	w.steps(input.ArrowRight, 4)
	w.steps(input.ArrowDown, 10)
	w.draw(input.ArrowDown, 19)
	w.until("a crossing", `() => window.azzel.scene().crossings.length === 1`)
	// An exit on the second map.
	w.goTo(second)
	w.seek("Exit")
	w.steps(input.ArrowRight, 8)
	w.steps(input.ArrowDown, 3)
	w.press(input.Enter)
	w.until("an exit", `() => window.azzel.scene().pieces.some(p => p.type === '2')`)
	w.press(input.Escape, input.Escape)
	// The slip of the exit opens with the menu key, and gives it a name.
	w.press(input.ContextMenu)
	w.until("the slip has the focus", `() => document.activeElement?.closest('[data-slip]') !== null`)
	w.page.MustInsertText("Way out")
	w.press(input.Enter)
	w.until("the name", `() => window.azzel.scene().pieces.some(p => p.name === 'Way out')`)
	w.page.MustEval(`() => document.querySelector('[data-board]').focus()`)
	// Play: take the collectible, the crossing, the exit.
	w.goTo("First map")
	w.steps(input.ArrowRight, 4)
	w.steps(input.ArrowDown, 2)
	w.press(input.KeyP)
	w.until("play", `() => window.azzel.play() !== null`)
	w.hold(input.ArrowDown, "the second map", `(n) => window.azzel.scene().maps.find(m => m.id === window.azzel.play().map).name === n`, second)
	w.press(input.KeyP)
	w.until("play over", `() => window.azzel.play() === null`)
	w.goTo(second)
	w.steps(input.ArrowRight, 6)
	w.steps(input.ArrowDown, 3)
	w.press(input.KeyP)
	w.hold(input.ArrowRight, "the finish", `() => window.azzel.play()?.finished`)
	w.press(input.KeyP)
	w.saved()
	w.quiet()
}

// accessible runs axe-core over what is shown.
func (w *window) accessible(what string) {
	w.t.Helper()
	source, err := os.ReadFile("../web/node_modules/axe-core/axe.min.js")
	if err != nil {
		w.t.Fatal(err)
	}
	w.page.MustEval(`(source) => { if (!window.axe) (0, eval)(source); }`, string(source))
	res := w.page.MustEval(`async () => {
		// A colour that is on its way to another is none of the theme's; what goes round for ever is not waited for.
		const moving = document.getAnimations().filter((a) => a.effect?.getComputedTiming().iterations !== Infinity);
		await Promise.all(moving.map((a) => a.finished.catch(() => undefined)));
		const r = await window.axe.run(document, { rules: { 'target-size': { enabled: true } } });
		if (r.passes.length < 5) return ['axe-core looked at next to nothing'];
		return r.violations.filter(v => v.impact !== 'minor').map(v => v.id + ': ' + v.nodes.map(n => n.html.slice(0, 160)).join(' | '));
	}`)
	for _, v := range res.Arr() {
		w.t.Errorf("%s: %s", what, v.Str())
	}
}

// Every view, in both themes: nothing serious by axe-core, nothing on the
// console.
func TestEveryViewIsAccessible(t *testing.T) {
	s := newSite(t, "-demo")
	w := s.window("/")
	for _, theme := range []string{"light", "dark"} {
		w.page.MustNavigate(s.url("/")).MustWaitLoad()
		w.sees("main", "Night shift")
		if dark := w.page.MustEval(`() => document.documentElement.dataset.theme`).Str(); dark != theme {
			w.click("Switch to " + theme)
		}
		w.page.MustElement("[data-tip]").MustHover()
		w.until("a tip", `() => document.querySelector('[data-tip-shown]') !== null`)
		w.accessible(theme + ", home with a tip")
		w.click("Night shift")
		w.opened()
		w.accessible(theme + ", board")
		w.press(input.KeyT)
		w.sees("section", "Pieces")
		w.accessible(theme + ", drawer")
		w.click("Lay it on the desk")
		w.until("the desk", `() => document.querySelector('[aria-label^="Tiles of"]') !== null`)
		w.accessible(theme + ", desk")
		w.until("the first tile", `() => document.querySelector('[data-sheet]') !== null`)
		x, y := w.onSheet(0, 6)
		w.page.Mouse.MustMoveTo(x, y).MustClick(left)
		w.until("the mask", `() => document.querySelector('[data-mask]') !== null`)
		w.accessible(theme + ", tile")
		w.click("Frames")
		x, y = w.onSheet(4, 0)
		w.page.Mouse.MustMoveTo(x, y).MustClick(left)
		w.sees("section", "No animation")
		w.accessible(theme + ", frames")
		w.click("What they do")
		w.click("A property of your own")
		w.accessible(theme + ", a property of one's own")
		w.click("A newer picture")
		w.page.MustElement("input[type=file]").MustSetFiles(newerSheet(t))
		w.sees("[data-newer]", "167 moved")
		w.accessible(theme + ", newer picture")
		w.click("Another picture")
		w.click("Close the desk")
		w.press(input.KeyT)
		w.click("Lay it on the desk")
		w.click("Bond")
		w.dragOnSheet(4, 0, 7, 3)
		w.until("the proposal", `() => document.querySelectorAll('[data-bonded]').length === 16`)
		w.page.MustElement("[data-bonded]").MustFocus()
		w.press(input.Enter)
		w.accessible(theme + ", bond proposed")
		w.click("Cancel")
		w.page.MustElement("input[type=file]").MustSetFiles(picture(t, "sheet.png", 0, 0))
		w.sees("button", "Take 7 tiles")
		w.accessible(theme + ", cutting")
		w.click("Close the desk")
		w.press(input.KeyT)
		w.click("Change")
		w.until("the bond", `() => document.querySelectorAll('[data-bonded]').length === 16`)
		w.accessible(theme + ", bond")
		w.click("Close the desk")
		w.press(input.KeyT)
		w.press(input.KeyT)
		w.take("Gravel walk")
		w.seek("Change what is held")
		w.sees("[data-share]", "%")
		w.accessible(theme + ", medley")
		w.click("Close the desk")
		w.press(input.Escape)
		w.seek("Re-skin")
		w.until("two pictures of the map", `() => document.querySelectorAll('[data-reskin] canvas').length === 2`)
		w.page.MustElement(`[aria-label="Tiles that are used"] li button`).MustClick()
		w.accessible(theme + ", re-skin")
		w.click("Close the desk")
		w.tap("Palm house", 8, 5)
		w.sees("[data-slip]", "Label of the lady palm")
		w.accessible(theme + ", slip")
		w.press(input.Escape)
		w.seek("Palm house")
		for _, view := range w.views() {
			if view.Opens == "" || view.Opens == "[data-play]" || view.Opens == "[data-pad]" {
				continue // a page, or a part of play, which follows
			}
			w.page.MustEval(`() => document.querySelector('[data-board]').focus()`)
			w.seek(view.Command)
			w.until(view.ID, `(opens) => document.querySelector(opens)?.children.length > 0`, view.Opens)
			w.accessible(theme + ", " + view.ID)
			for range 4 {
				w.press(input.Escape)
			}
			if w.page.MustEval(`() => document.querySelector('[aria-label="Close the desk"]') !== null`).Bool() {
				w.click("Close the desk")
			}
		}
		w.press(input.KeyP)
		w.until("play", `() => window.azzel.play() !== null`)
		w.accessible(theme + ", play")
		w.press(input.KeyP)
	}
	var errors []string
	for _, e := range w.errors {
		if !strings.Contains(e, "Content Security Policy") { // axe-core itself is evaluated
			errors = append(errors, e)
		}
	}
	w.errors = errors
	w.quiet()
}
