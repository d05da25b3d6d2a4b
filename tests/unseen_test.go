package tests

import (
	"testing"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// What a checker of pages does not see: the cell cursor is announced, arrows go along toolbars and radio groups, the focus
// comes back, messages can be read again, shown keys are those that hold, and chosen things are told apart where the system
// gives the colours.
func TestWhatNoCheckerSees(t *testing.T) {
	_, w := trial(t)
	active := func(what, script string) {
		t.Helper()
		w.until(what, `() => { const e = document.activeElement; return `+script+`; }`)
	}
	board := func() { w.page.MustElement("[data-board]").MustFocus() }

	// The cell under the cursor, and what the hand would do there.
	board()
	w.take("wall")
	w.press(input.ArrowRight, input.ArrowRight)
	w.sees("[data-announced]", "First map, cell ")
	w.sees("[data-announced]", "Ground: ")
	w.press(input.Period)
	w.click("Hide Overhead")
	board()
	w.press(input.ArrowRight)
	w.sees("[data-announced]", "hidden")
	w.press(input.Escape, input.Escape)

	// One stop in the tray, and arrows go along it, also once a button came or went.
	w.page.MustEval(`() => document.querySelector('[aria-label=Tray] button[tabindex="0"]').focus()`)
	w.press(input.ArrowRight)
	active("the second button of the tray", `e.closest('[aria-label=Tray]') && e.tabIndex === 0 && [...document.querySelectorAll('[aria-label=Tray] button')].indexOf(e) === 1`)
	w.press(input.End)
	active("its last button", `e.textContent.includes('Play from here')`)
	w.press(input.ArrowRight)
	active("its first button", `[...document.querySelectorAll('[aria-label=Tray] button')].indexOf(e) === 0`)
	w.take("water")
	w.until("one stop", `() => document.querySelectorAll('[aria-label=Tray] button[tabindex="0"]').length === 1`)

	// The same in the depth stack, and in the play bar, of which the slider keeps its own arrows.
	w.page.MustEval(`() => document.querySelector('[aria-label=Layers] button[tabindex="0"]').focus()`)
	w.press(input.Home, input.ArrowDown)
	active("the second button of the layers", `[...document.querySelectorAll('[aria-label=Layers] button')].indexOf(e) === 1`)
	w.with(input.ShiftLeft, input.KeyP)
	w.until("the play bar", `() => document.querySelector('[data-play]') !== null`)
	w.press(input.Escape)
	w.page.MustEval(`() => document.querySelector('[data-play] button[tabindex="0"]').focus()`)
	w.press(input.ArrowRight)
	active("the second button of the play bar", `[...document.querySelectorAll('[data-play] button:not(:disabled)')].indexOf(e) === 1`)
	w.page.MustEval(`() => document.querySelector('[data-play] input[type=range]').focus()`)
	w.press(input.ArrowLeft)
	active("the slider", `e.type === 'range'`)
	w.press(input.KeyP)
	w.until("no play", `() => window.azzel.play() === null`)

	// Tab goes past the seek box, and the focus is not taken back afterwards.
	w.page.MustEval(`() => document.querySelector('[role=combobox]').focus()`)
	w.press(input.Tab)
	active("what comes after the seek box", `e !== document.body && !e.closest('[data-board]') && e.getAttribute('role') !== 'combobox'`)
	w.page.MustEval(`() => { window.__past = document.activeElement; }`)
	w.until("a while to pass", `() => { window.__since ??= performance.now(); return performance.now() - window.__since > 300; }`)
	active("what had it", `e === window.__past`)
	w.press(input.Slash)
	w.until("the seek box", `() => document.activeElement?.getAttribute('role') === 'combobox'`)
	w.press(input.Escape)

	// What was opened by keyboard gives the focus back.
	w.page.MustEval(`() => [...document.querySelectorAll('[aria-label=Tray] button')].find((b) => b.textContent.includes('Drawer')).focus()`)
	w.press(input.Enter)
	w.until("the drawer", `() => document.querySelector('section[aria-label=Drawer]')?.textContent.includes('Lay it on the desk')`)
	w.page.MustEval(`() => [...document.querySelectorAll('section[aria-label=Drawer] button')].find((b) => b.textContent.includes('Lay it on the desk')).focus()`)
	w.press(input.Enter)
	w.until("the radio group", `() => document.querySelector('[role=radiogroup][aria-label="What strokes are for"]') !== null`)
	w.page.MustEval(`() => document.querySelector('[role=radiogroup][aria-label="What strokes are for"] [aria-checked=true]').focus()`)
	w.press(input.ArrowRight)
	active("the next one to be chosen", `e.textContent === 'Bond' && e.ariaChecked === 'true'`)
	w.page.MustEval(`() => document.querySelector('[aria-label="Close the desk"]').focus()`)
	w.press(input.Enter)
	active("what opened the drawer, in whose place the desk came", `e.textContent.includes('Drawer')`)
	board()
	w.with(input.ShiftLeft, input.KeyI)
	active("the field of the panel", `e.closest('[data-items]') !== null`)
	w.page.MustEval(`() => document.querySelector('[aria-label="Close: Items"]').focus()`)
	w.press(input.Enter)
	active("the board again", `e.dataset.board !== undefined`)

	// A message that has gone can be read again.
	w.with(input.ShiftLeft, input.KeyG)
	w.sees("[data-message]", "stronger line")
	w.until("the message to go", `() => document.querySelector('[data-message]') === null`)
	w.with(input.ShiftLeft, input.KeyL)
	w.sees("[data-messages] li", "stronger line")
	w.click("Close: Messages")

	// A name is found though letters have changed places.
	board()
	w.press(input.Slash)
	w.page.MustInsertText("frist mpa")
	w.sees("[role=option]", "First map")
	w.press(input.Escape)

	// Where the system gives the colours, what is pressed has an outline.
	w.take("wall")
	emulate := proto.EmulationSetEmulatedMedia{Features: []*proto.EmulationMediaFeature{{Name: "forced-colors", Value: "active"}}}
	if err := emulate.Call(w.page); err != nil {
		t.Fatal(err)
	}
	w.until("an outline", `() => getComputedStyle(document.querySelector('[aria-label=Tray] [aria-pressed=true]')).outlineStyle === 'solid'`)
	w.shoot("forced")
	if err := (proto.EmulationSetEmulatedMedia{}).Call(w.page); err != nil {
		t.Fatal(err)
	}

	// Every key that is shown is the one that holds.
	w.page.MustEval(`() => localStorage.setItem('azzel-keys', JSON.stringify({ drawer: 'Shift+7', pick: 'Shift+8', seek: 'Shift+9', empty: 'Shift+1' }))`)
	w.page.MustReload()
	w.opened()
	w.sees("header kbd", "Shift+9")
	w.until("the key of the drawer", `() => [...document.querySelectorAll('[aria-label=Tray] button')].some((b) => b.textContent.includes('Drawer') && b.ariaKeyShortcuts === 'Shift+7')`)
	w.page.MustEval(`() => [...document.querySelectorAll('[aria-label=Tray] button')].find((b) => b.ariaLabel?.startsWith('Take wall')).click()`)
	w.sees("footer kbd", "Shift+8")
	w.quiet()
}

// What has to be fetched before it is there does not take the focus from a designer who has gone on meanwhile.
func TestWhatComesLateTakesNoFocus(t *testing.T) {
	s := newSite(t)
	s.create("Trial beds")
	w := s.window("")
	router := w.page.HijackRequests()
	for _, part := range []string{"*LayerSettings*", "*Items*"} {
		router.MustAdd(part, func(h *rod.Hijack) {
			time.Sleep(time.Second)
			h.ContinueRequest(&proto.FetchContinueRequest{})
		})
	}
	go router.Run()
	defer router.MustStop()
	w.page.MustNavigate(s.url("/project/1")).MustWaitLoad()
	w.opened()
	w.over("First map", 5, 5)
	w.page.MustElement("[data-board]").MustFocus()
	for _, part := range []struct {
		key  input.Key
		name string
	}{{input.KeyY, "layer-settings"}, {input.KeyI, "items"}} {
		w.with(input.ShiftLeft, part.key)
		w.press(input.KeyD)
		w.until(part.name, `(name) => document.querySelector('[data-' + name + '] input') !== null`, part.name)
		w.frame()
		w.frame()
		if !w.page.MustEval(`() => document.activeElement.dataset.board !== undefined`).Bool() {
			t.Errorf("%s has taken the focus from the board", part.name)
		}
	}
	w.quiet()
}
