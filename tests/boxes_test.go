package tests

import (
	"fmt"
	"strings"
	"testing"
)

// problems lists what of strip and tray is off the screen, or lies over something else of them.
const problems = `() => {
	const list = [];
	const name = (e) => e.getAttribute('aria-label') || e.textContent.trim().slice(0, 30) || e.className;
	const inside = (e) => {
		const r = e.getBoundingClientRect();
		if (r.width === 0) return;
		if (r.left < -0.5 || r.top < -0.5 || r.right > innerWidth + 0.5 || r.bottom > innerHeight + 0.5) list.push(name(e) + ' is off the screen');
	};
	const apart = (elements) => elements.forEach((a, i) => elements.slice(i + 1).forEach((b) => {
		const [r, s] = [a.getBoundingClientRect(), b.getBoundingClientRect()];
		if (r.width > 0 && s.width > 0 && r.left < s.right - 0.5 && s.left < r.right - 0.5 && r.top < s.bottom - 0.5 && s.top < r.bottom - 0.5) list.push(name(a) + ' lies over ' + name(b));
	}));
	const strip = document.querySelector('header');
	const tray = document.querySelector('[role=toolbar][aria-label=Tray]');
	for (const bar of [strip, tray]) {
		[...bar.children].forEach(inside);
		apart([...bar.children]);
	}
	[...strip.querySelectorAll('button, input')].forEach(inside);
	[...tray.lastElementChild.querySelectorAll('button')].forEach(inside);
	return list.join('; ');
}`

// Whatever the window and the size of letters, strip and tray are all on the screen and nothing of them lies over the rest.
func TestStripAndTrayFit(t *testing.T) {
	s := newSite(t)
	s.create("Night shift in the old botanical glasshouse, with a very long name")
	w := s.window("/project/1")
	w.opened()
	for _, size := range []struct {
		w, h int
		text string
	}{{1280, 800, ""}, {1024, 640, ""}, {820, 1180, ""}, {1280, 800, "200%"}} {
		w.page.MustSetViewport(size.w, size.h, 1, false)
		w.page.MustEval(`(text) => { document.documentElement.style.fontSize = text; }`, size.text)
		w.frame()
		w.shoot(fmt.Sprintf("fit-%d%s", size.w, strings.TrimSuffix(size.text, "%")))
		if found := w.page.MustEval(problems).Str(); found != "" {
			t.Errorf("at %d × %d, letters of %q: %s", size.w, size.h, size.text, found)
		}
	}
}
