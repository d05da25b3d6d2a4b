package tests

import (
	"fmt"
	"net"
	"net/http"
	"net/http/httputil"
	"net/url"
	"strings"
	"sync"
	"testing"

	"github.com/go-rod/rod/lib/input"

	"azzel/core/edit"
)

// breakable lets a test break the core of a page from outside: window.__break is a function that a call into it goes
// through, with its name, what does it, and the glue of Go.
const breakable = `
	const instantiate = WebAssembly.instantiate;
	WebAssembly.instantiate = async (module, imports) => {
		const instance = await instantiate(module, imports);
		const exports = {};
		for (const [name, value] of Object.entries(instance.exports)) {
			exports[name] = typeof value !== 'function' ? value : (...values) => (window.__break ?? ((_, call) => call()))(name, () => value(...values), imports);
		}
		return new Proxy(instance, { get: (of, what) => (what === 'exports' ? exports : Reflect.get(of, what, of)) });
	};`

// However the core fails, the page says so once, begins again from what is saved and goes on; if it fails again and
// again it says that, with a way on.
func TestCoreThatFails(t *testing.T) {
	s := newSite(t)
	s.create("Night shift")
	ways := map[string]string{
		"an order that panics":       `(name, call) => { if (name !== 'order' || once()) return call(); return -1; }`,
		"a question that panics":     `(name, call) => { if (name !== 'ask' || once()) return call(); return -1; }`,
		"a picture that panics":      `(name, call) => { if (name !== 'bitmap' || once()) return call(); return -1; }`,
		"too little stack":           `(name, call) => { if (name !== 'pointer' || once()) return call(); throw new RangeError('Maximum call stack size exceeded'); }`,
		"too little stack in a view": `(name, call) => { if (name !== 'ask' || once()) return call(); throw new RangeError('Maximum call stack size exceeded'); }`,
		"an exit":                    `(name, call, imports) => { if (name !== 'order' || once()) return call(); imports.gojs['runtime.wasmExit'](0); return 7; }`,
		"a void export that traps":   `(name, call) => { if (name !== 'answered' && name !== 'outgoing' || once()) return call(); throw new WebAssembly.RuntimeError('unreachable'); }`,
		"messages that can't be had": `(name, call) => { if (name !== 'buffer' || once()) return call(); return -1; }`,
	}
	for name, way := range ways {
		w := s.window("")
		w.page.MustEvalOnNewDocument(breakable)
		w.page.MustNavigate(s.url("/project/1")).MustWaitLoad()
		w.opened()
		w.take("wall")
		w.press(input.KeyD)
		w.tap("First map", 4, 4)
		w.saved()
		w.page.MustEval(fmt.Sprintf(`() => { let done = false; const once = () => { const was = done; done = true; return was; }; window.__break = %s; }`, way))
		for x := range 3 {
			w.tap("First map", 6+x, 4)
		}
		w.press(input.KeyB)
		w.sees("[data-message]", "Something went wrong inside this page")
		if n := w.page.MustEval(`() => [...document.querySelectorAll('[data-message]')].filter(e => e.textContent.includes('Something went wrong')).length`).Int(); n != 1 {
			t.Errorf("%s: it is said %d times", name, n)
		}
		w.opened()
		w.tile(4, 4, "wall")
		w.take("water")
		w.press(input.KeyD)
		w.tap("First map", 9, 9)
		w.tile(9, 9, "water")
		w.saved()
		w.tap("First map", 9, 9)
		w.with(input.ControlLeft, input.KeyZ)
		w.with(input.ControlLeft, input.KeyZ)
		w.tile(9, 9, "ground")
		for x := range 3 {
			w.over("First map", 6+x, 4)
			w.press(input.Escape)
		}
		w.saved()
		w.page.MustClose()
	}
	// Again and again.
	w := s.window("")
	w.page.MustEvalOnNewDocument(breakable)
	w.page.MustNavigate(s.url("/project/1")).MustWaitLoad()
	w.opened()
	w.page.MustEval(`() => { window.__break = (name, call) => (name === 'pointer' || name === 'prepared' ? -1 : call()); }`)
	w.over("First map", 5, 5)
	w.sees("main", "can’t be opened")
	w.until("a way on", `() => { window.__break = undefined; return [...document.querySelectorAll('button')].some(b => b.textContent.includes('Try again')); }`)
	w.click("Try again")
	w.opened()
	w.tile(3, 3, "ground")
	w.take("path")
	w.press(input.KeyD)
	w.tap("First map", 3, 3)
	w.tile(3, 3, "path")
	w.saved()
}

// A gate stands between browser and server, and lets through what it is told to.
type gate struct {
	mu    sync.Mutex
	stops string
	how   string
}

func (g *gate) set(stops, how string) {
	g.mu.Lock()
	g.stops, g.how = stops, how
	g.mu.Unlock()
}

// open starts a gate before a site and gives its address.
func (g *gate) open(t *testing.T, s *site) string {
	t.Helper()
	to, err := url.Parse(s.url(""))
	if err != nil {
		t.Fatal(err)
	}
	through := httputil.NewSingleHostReverseProxy(to)
	server := &http.Server{Handler: http.HandlerFunc(func(out http.ResponseWriter, in *http.Request) {
		g.mu.Lock()
		stops, how := g.stops != "" && strings.Contains(in.URL.Path, g.stops), g.how
		g.mu.Unlock()
		if !stops {
			in.Host = s.address
			if in.Header.Get("Origin") != "" {
				in.Header.Set("Origin", "http://"+s.address)
			}
			through.ServeHTTP(out, in)
			return
		}
		switch how {
		case "nothing":
			panic(http.ErrAbortHandler)
		case "rubbish":
			out.WriteHeader(http.StatusBadGateway)
			fmt.Fprint(out, "<html>no</html>")
		case "half":
			out.Header().Set("Content-Length", "100000")
			fmt.Fprint(out, "half")
		}
	})}
	listener, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	go server.Serve(listener) //nolint:errcheck // it ends with the test
	t.Cleanup(func() { _ = server.Close() })
	return "http://" + listener.Addr().String()
}

// Whatever of the page does not come, comes only in part or as rubbish: it is said in words what to do, and doing so
// helps. No text of the browser's own is shown.
func TestPartsThatDoNotCome(t *testing.T) {
	s := newSite(t)
	s.create("Night shift")
	var g gate
	address := g.open(t, s)
	for _, c := range []struct{ stops, how, says string }{
		{"azzel", "nothing", "could not be fetched"}, {"azzel", "rubbish", "could not be fetched"}, {"azzel", "half", "could not be fetched"},
		{"/opening", "nothing", "does not answer"}, {"/opening", "rubbish", "answered with an error (502)"}, {"/opening", "half", "cut off"},
	} {
		stops := c.stops
		if stops == "azzel" {
			stops = "/azzel-"
		}
		g.set(stops, c.how)
		w := s.window("")
		w.page.MustNavigate(address + "/project/1").MustWaitLoad()
		w.sees("main", "can’t be opened")
		w.sees("main", c.says)
		if text := w.page.MustElement("main").MustText(); strings.Contains(text, "Failed to fetch") || strings.Contains(text, "TypeError") || strings.Contains(text, "JSON") {
			t.Errorf("%s, %s: it says %q", c.stops, c.how, text)
		}
		w.shoot("missing")
		g.set("", "")
		w.click("Try again")
		w.opened()
		w.page.MustClose()
	}
}

// What a worker does not answer to keeps nobody waiting: the page opens without the one that warms up, and a picture
// whose worker can't be had, or never answers, is said to be unread.
func TestWorkersThatDoNotAnswer(t *testing.T) {
	s := newSite(t)
	s.create("Night shift")
	var g gate
	address := g.open(t, s)
	w := s.window("")
	w.page.MustEvalOnNewDocument(`
		const Real = Worker;
		window.Worker = class extends Real { postMessage(...args) { if (!window.__deaf) super.postMessage(...args); } };
		window.__deaf = true;`)
	w.page.MustNavigate(address + "/project/1").MustWaitLoad()
	w.opened()
	w.take("wall")
	w.press(input.KeyD)
	w.tap("First map", 4, 4)
	w.tile(4, 4, "wall")
	w.saved()
	// The module of the desk does not come, and comes then.
	w.page.MustEval(`() => { window.__deaf = false; }`)
	g.set("/desk-", "nothing")
	drop := func() {
		w.page.MustEval(`async () => {
			const canvas = new OffscreenCanvas(64, 64);
			const c = canvas.getContext('2d');
			for (let i = 0; i < 16; i++) { c.fillStyle = 'hsl(' + i * 22 + ' 60% 50%)'; c.fillRect(i % 4 * 16, (i >> 2) * 16, 16, 16); }
			const data = new DataTransfer();
			data.items.add(new File([await canvas.convertToBlob()], 'moss.png', { type: 'image/png' }));
			window.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }));
		}`)
	}
	drop()
	w.sees("main", "could not be fetched")
	g.set("", "")
	drop()
	w.until("the picture", `() => [...document.querySelectorAll('button')].some(b => /^Take \d+ tiles/.test(b.textContent.trim()))`)
	w.press(input.Escape)
	w.saved()
}

// What is clicked and pressed while something long is under way comes after it, each on top of the one before: nothing
// that was asked for is undone by what was asked for next, and nothing is called saved that is not.
func TestAskedWhileWorking(t *testing.T) {
	s := newSite(t)
	s.create("Night shift")
	c := s.client(3)
	m := c.Document().Maps[0]
	to := m.Bounds
	to.W, to.H = 300, 300
	grow, err := edit.Resize{Map: m.ID, Bounds: to}.Edit(c.Document())
	if err != nil {
		t.Fatal(err)
	}
	_, message, err := c.Do(grow)
	if err != nil {
		t.Fatal(err)
	}
	if code, text := s.post("/api/projects/1/edits?session="+c.session, "application/octet-stream", message); code >= 300 {
		t.Fatalf("%d: %s", code, text)
	}
	w := s.window("")
	w.page.MustEvalOnNewDocument(breakable)
	w.page.MustNavigate(s.url("/project/1")).MustWaitLoad()
	w.opened()
	w.take("wall")
	w.over("First map", 150, 150)
	w.with(input.ShiftLeft, input.KeyY)
	w.sees("[data-layer-settings]", "layer of First map")
	// What was opened takes the focus with one of the next frames, and would take it from the board.
	w.until("the focus in the settings", `() => document.activeElement?.closest('[data-layer-settings]') !== null`)
	w.page.MustEval(`() => document.querySelector('[data-board]').focus()`)
	w.page.MustEval(`() => { window.__held = true; window.__break = (name, call) => (name === 'work' && window.__held ? 128 : call()); }`)
	w.press(input.KeyF)
	w.tap("First map", 200, 200)
	w.sees("[data-working]", "Working")
	if now := w.page.MustElement("[data-saved]").MustAttribute("data-saved"); *now != "saving" {
		t.Errorf("while something is under way it says %s", *now)
	}
	for _, name := range []string{"Affects movement", "Locked", "No tiles"} {
		w.until(name, `(name) => { const b = [...document.querySelectorAll('[data-layer-settings] button')].find(b => b.textContent.trim() === name); b?.click(); return !!b; }`, name)
		w.until(name+" pressed at once", `(name) => ['true', 'false'][name === 'Affects movement' ? 1 : 0] === [...document.querySelectorAll('[data-layer-settings] button')].find(b => b.textContent.trim() === name).getAttribute('aria-pressed')`, name)
	}
	w.press(input.Equal)
	w.press(input.Equal)
	w.press(input.KeyP)
	w.page.MustEval(`() => { window.__held = false; }`)
	w.until("play, with the keys", `() => window.azzel.play() !== null && document.querySelector('[data-play]')?.textContent.includes('game') !== false`)
	w.press(input.KeyP)
	w.until("play to end", `() => window.azzel.play() === null`)
	w.saved()
	var is struct {
		Maps []struct {
			Layers []struct {
				Name string
				Look struct{ Counts, Locked, NoTiles bool }
			}
		}
	}
	w.read(`() => window.azzel.scene()`, &is)
	if l := is.Maps[0].Layers[0]; l.Look.Counts || !l.Look.Locked || !l.Look.NoTiles {
		t.Errorf("three clicks while something was under way made %+v", l)
	}
	if size := w.page.MustEval(`() => window.azzel.probe().size`).Int(); size != 3 {
		t.Errorf("two presses of = made a brush of %d", size)
	}
}
