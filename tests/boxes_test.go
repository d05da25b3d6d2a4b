package tests

import (
	"fmt"
	"strings"
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// sizes are the windows in which everything has to have its place: two of a desk, a tablet held upright, and letters that are
// twice as large.
var sizes = []struct {
	w, h int
	text string
}{{1280, 800, ""}, {1024, 640, ""}, {820, 1180, ""}, {1280, 800, "200%"}}

// problems lists which parts of the page are off the screen, lie over others, or are wider than their place, and what of strip
// and tray is.
const problems = `() => {
	const list = [];
	const name = (e) => e.getAttribute('aria-label') || e.getAttribute('data-part') || e.textContent.trim().slice(0, 30) || e.className;
	const seen = (e) => e.getBoundingClientRect().width > 0 && e.getBoundingClientRect().height > 0 && getComputedStyle(e).visibility !== 'hidden';
	const inside = (e) => {
		if (!seen(e)) return;
		const r = e.getBoundingClientRect();
		if (r.left < -0.5 || r.top < -0.5 || r.right > innerWidth + 0.5 || r.bottom > innerHeight + 0.5) list.push(name(e) + ' is off the screen');
	};
	const apart = (elements) => elements.forEach((a, i) => elements.slice(i + 1).forEach((b) => {
		if (!seen(a) || !seen(b)) return;
		const [r, s] = [a.getBoundingClientRect(), b.getBoundingClientRect()];
		if (r.left < s.right - 0.5 && s.left < r.right - 0.5 && r.top < s.bottom - 0.5 && s.top < r.bottom - 0.5) list.push(name(a) + ' lies over ' + name(b));
	}));
	const strip = document.querySelector('header');
	const tray = document.querySelector('[role=toolbar][aria-label=Tray]');
	for (const bar of [strip, tray]) {
		[...bar.children].forEach(inside);
		apart([...bar.children]);
	}
	[...strip.querySelectorAll('button, input')].forEach(inside);
	[...tray.lastElementChild.querySelectorAll('button')].forEach(inside);
	const parts = [strip, tray, ...document.querySelectorAll('footer, [data-part] > :not(.flex:empty), section[aria-label=Drawer], section[aria-label=Desk]')];
	parts.forEach(inside);
	apart([...new Set(parts.filter((e) => !e.querySelector('[data-pad]')).concat([...document.querySelectorAll('[data-pad]')]))]);
	for (const e of parts) if (seen(e) && e !== tray && e !== strip && e.tagName !== 'FOOTER' && e.scrollWidth > e.clientWidth + 1) list.push(name(e) + ' is wider than its place');
	// What is seen of the board takes the pointer.
	const stage = document.querySelector('[data-board]').getBoundingClientRect();
	for (let i = 1; i < 20; i++) for (let j = 1; j < 20; j++) {
		const met = document.elementFromPoint(stage.x + stage.width * i / 20, stage.y + stage.height * j / 20);
		if (met?.matches('[data-part]')) list.push('an empty place of ' + met.dataset.part + ' keeps the pointer from the board');
	}
	return [...new Set(list)].join('; ');
}`

// covered says what lies over a box of the board; nothing if all of what the stage leaves of it is board.
const covered = `(box, whole) => {
	const board = document.querySelector('[data-board]');
	const r = board.getBoundingClientRect();
	const a = window.azzel.screen(box.x, box.y), b = window.azzel.screen(box.x + box.w, box.y + box.h);
	for (let i = 1; i < 16; i++) for (let j = 1; j < 16; j++) {
		const x = r.x + a.x + (b.x - a.x) * i / 16, y = r.y + a.y + (b.y - a.y) * j / 16;
		const met = document.elementFromPoint(x, y);
		if (!board.contains(met) && met !== board) return (met?.closest('[aria-label]')?.getAttribute('aria-label') ?? 'what is no board') + ' at ' + x + ', ' + y;
	}
	return '';
}`

// Whatever is open, and whatever the window and the size of letters, no part of the page is off the screen, lies over another
// or over what it is about.
func TestNothingCoversAnything(t *testing.T) {
	s := newSite(t, "-demo")
	w := s.window("/")
	w.click("Night shift")
	w.opened()
	views := w.views()
	for _, size := range sizes {
		w.page.MustSetViewport(size.w, size.h, 1, false)
		w.page.MustEval(`(text) => { document.documentElement.style.fontSize = text; }`, size.text)
		where := fmt.Sprintf("%d%s", size.w, strings.TrimSuffix(size.text, "%"))
		fits := func(view string) {
			t.Helper()
			// Parts find their places one after the other, within some frames.
			found := ""
			for range 30 {
				w.frame()
				if found = w.page.MustEval(problems).Str(); found == "" {
					break
				}
			}
			w.shoot("fit-" + where + "-" + view)
			if found != "" {
				t.Errorf("at %s, %s: %s", where, view, found)
			}
		}
		free := func(view, box string) {
			t.Helper()
			if found := w.page.MustEval(covered, w.page.MustEval(box)).Str(); found != "" {
				t.Errorf("at %s, %s: what it is about is covered by %s", where, view, found)
			}
		}
		fits("all maps")
		open := func(command string) {
			t.Helper()
			w.page.MustEval(`() => document.querySelector('[data-board]').focus()`)
			w.seek(command)
		}
		open("Palm house")
		w.press(input.Escape)
		// A message stands beside whatever else is open.
		w.with(input.ShiftLeft, 'g')
		w.until("a message", `() => document.querySelector('[data-message]') !== null`)
		for _, view := range views {
			// Pages are seen anyhow; what lies over everything, seek and the sheet of keys, is gone after a word; play follows.
			switch view.Opens {
			case "", "#seek-results", "[role=dialog]", "[data-play]", "[data-pad]":
				continue
			}
			open(view.Command)
			w.until(view.ID, `(opens) => document.querySelector(opens) !== null`, view.Opens)
			fits(view.ID)
		}
		for _, desk := range []struct{ held, shows string }{{"Bed", "[data-bond-tiles]"}, {"Gravel walk", "[data-share]"}, {"worn paving", "[data-sheet]"}} {
			w.page.MustEval(`() => document.querySelector('[data-board]').focus()`)
			w.take(desk.held)
			open("Change what is held")
			w.until("the desk of "+desk.held, `(shows) => document.querySelector('section[aria-label=Desk] ' + shows) !== null`, desk.shows)
			fits("desk of " + desk.held)
		}
		w.click("Close the desk")
		w.page.MustEval(`() => document.querySelector('[data-board]').focus()`)
		w.press(input.Escape)
		const house = `() => window.azzel.scene().maps.find((m) => m.name === 'Palm house')`
		open("Palm house")
		w.sees("[data-slip]", "36 × 18 cells")
		fits("slip of a map")
		free("slip of a map", house)
		w.with(input.ShiftLeft, 'y')
		w.sees("[data-layer-settings]", "Depth across")
		fits("settings of a layer")
		w.tap("Palm house", 12, 9)
		w.drag(left, "Palm house", [2]int{1, 1}, [2]int{30, 16})
		w.sees("[data-slip]", "30 × 16 cells")
		fits("slip of cells over the settings of a layer")
		w.click("Close the settings")
		w.press(input.Escape)
		w.tap("Palm house", 17, 17)
		w.sees("[data-slip]", "Leads to")
		fits("slip of a crossing")
		w.press(input.Escape)
		w.seek("Plate in the tool shed")
		w.sees("[data-slip]", "works Door of the tool shed")
		w.page.MustElementR("[data-slip] button", "works Door").MustClick()
		w.sees("[data-slip]", "Of the 2 wires that end here must be on")
		fits("slip of a wire")
		w.press(input.Escape)
		w.seek("Palm house")
		w.drag(left, "Palm house", [2]int{4, 3}, [2]int{9, 8})
		w.sees("[data-slip]", "6 × 6 cells")
		fits("slip of cells")
		free("slip of cells", `() => {
			const { cellW, cellH } = window.azzel.scene().project;
			const m = window.azzel.scene().maps.find((m) => m.name === 'Palm house');
			return { x: m.originX + 4 * cellW, y: m.originY + 3 * cellH, w: 6 * cellW, h: 6 * cellH };
		}`)
		w.press(input.Escape)
		w.press(input.KeyT)
		w.until("the drawer", `() => document.querySelector('section[aria-label=Drawer]') !== null`)
		fits("drawer")
		w.press(input.KeyT)
		const frame = `() => window.azzel.play().frame`
		w.over("Palm house", 12, 9)
		w.press(input.KeyP)
		w.until("play", `() => window.azzel.play() !== null && document.querySelector('[data-play]') !== null`)
		fits("play")
		free("play", frame)
		w.click("Pad")
		w.until("the pad", `() => document.querySelectorAll('[data-pad]').length === 2`)
		fits("play with pad")
		free("play with pad", frame)
		for _, panel := range []string{"Movement", "Facts", "Replays", "Test aids"} {
			w.click(panel)
			w.until("the panel "+panel, `(title) => document.querySelector('[data-play] button[aria-pressed=true][aria-label^="' + title + '"], aside') !== null`, panel)
			fits("play with " + panel)
			free("play with "+panel, frame)
		}
		w.click("Test aids")
		w.click("Pad")
		w.press(input.KeyP)
		w.until("no play", `() => window.azzel.play() === null`)
		w.press(input.Escape, input.Escape)
	}
	w.quiet()
}
