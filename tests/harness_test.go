package tests

import (
	"bufio"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"os"
	"os/exec"
	"strings"
	"sync"
	"syscall"
	"testing"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// patience is how long something may take before a test gives up on it.
const patience = 20 * time.Second

// A site is a server under test, with a database of its own.
type site struct {
	t *testing.T
	// database is where its database is, directory where it keeps one of its own.
	database, directory string
	address             string
	// log is what the process wrote on its standard error; it is read once the process has ended.
	log     *strings.Builder
	process *exec.Cmd
	args    []string
}

var (
	countMu sync.Mutex
	counted int
)

// newSite starts a server on an empty database.
func newSite(t *testing.T, args ...string) *site {
	t.Helper()
	countMu.Lock()
	counted++
	name := fmt.Sprintf("test_%d_%d", os.Getpid(), counted)
	countMu.Unlock()
	url, err := shared.Database(context.Background(), name)
	if err != nil {
		t.Fatal(err)
	}
	s := &site{t: t, database: url, address: "127.0.0.1:0", args: append([]string{"serve"}, args...)}
	s.start()
	t.Cleanup(s.kill)
	return s
}

// start runs the command until it says that it is ready.
func (s *site) start() {
	s.t.Helper()
	s.process = exec.Command(command, s.args...)
	s.process.Env = s.environment()
	out, err := s.process.StdoutPipe()
	if err != nil {
		s.t.Fatal(err)
	}
	s.log = &strings.Builder{}
	s.process.Stderr = s.log
	if err := s.process.Start(); err != nil {
		s.t.Fatal(err)
	}
	lines := bufio.NewScanner(out)
	for lines.Scan() {
		if _, address, ready := strings.Cut(lines.Text(), "ready at http://"); ready {
			s.address = address
			go io.Copy(io.Discard, out) //nolint:errcheck // only keeps the pipe open
			return
		}
	}
	_ = s.process.Wait()
	s.t.Fatalf("the server did not start: %s", s.log)
}

// environment is what a command is told of the site.
func (s *site) environment() []string {
	return append(os.Environ(), "AZZEL_DATABASE_URL="+s.database, "AZZEL_DATABASE_DIR="+s.directory, "AZZEL_ADDR="+s.address)
}

// kill ends the server as a failing machine would.
func (s *site) kill() {
	if s.process != nil && s.process.Process != nil {
		_ = s.process.Process.Signal(syscall.SIGKILL)
		_ = s.process.Wait()
	}
}

func (s *site) url(path string) string { return "http://" + s.address + path }

// A window is a page of a browser profile of its own, unless it shares one.
type window struct {
	t    *testing.T
	site *site
	page *rod.Page
	mu   sync.Mutex
	// errors are what the console reported.
	errors []string
}

// window opens a page in a new, empty profile.
func (s *site) window(path string) *window {
	s.t.Helper()
	profile, err := browser.Incognito()
	if err != nil {
		s.t.Fatal(err)
	}
	s.t.Cleanup(func() {
		_ = proto.TargetDisposeBrowserContext{BrowserContextID: profile.BrowserContextID}.Call(browser)
	})
	return s.windowIn(profile, path)
}

func (s *site) windowIn(profile *rod.Browser, path string) *window {
	s.t.Helper()
	page, err := profile.Page(proto.TargetCreateTarget{})
	if err != nil {
		s.t.Fatal(err)
	}
	w := &window{t: s.t, site: s, page: page.Timeout(4 * time.Minute)}
	w.page.MustSetViewport(1280, 800, 1, false)
	go w.page.EachEvent(func(e *proto.RuntimeExceptionThrown) {
		w.note(e.ExceptionDetails.Text + " " + describe(e.ExceptionDetails.Exception))
	},
		func(e *proto.LogEntryAdded) {
			// A refusal is shown on the page; that the browser notes it too is its way.
			if e.Entry.Level == proto.LogLogEntryLevelError && !strings.Contains(e.Entry.Text, "status of 422") {
				w.note(e.Entry.Text + " " + e.Entry.URL)
			}
		},
		func(e *proto.RuntimeConsoleAPICalled) {
			if e.Type == proto.RuntimeConsoleAPICalledTypeError {
				for _, a := range e.Args {
					w.note(a.Value.String() + a.Description)
				}
			}
		})()
	_ = proto.RuntimeEnable{}.Call(page)
	_ = proto.LogEnable{}.Call(page)
	if path != "" {
		w.page.MustNavigate(s.url(path)).MustWaitLoad()
	}
	return w
}

func describe(o *proto.RuntimeRemoteObject) string {
	if o == nil {
		return ""
	}
	return o.Description
}

func (w *window) note(text string) {
	w.mu.Lock()
	w.errors = append(w.errors, text)
	w.mu.Unlock()
}

// quiet fails the test if the console reported anything.
func (w *window) quiet() {
	w.t.Helper()
	w.mu.Lock()
	defer w.mu.Unlock()
	for _, e := range w.errors {
		w.t.Errorf("the console says: %s", e)
	}
}

// until waits until a script gives true.
func (w *window) until(what, script string, args ...any) {
	w.t.Helper()
	deadline := time.Now().Add(patience)
	for {
		res, err := w.page.Eval(script, args...)
		if err == nil && res.Value.Bool() {
			return
		}
		if time.Now().After(deadline) {
			w.shoot("failed-" + w.t.Name())
			w.mu.Lock()
			defer w.mu.Unlock()
			w.t.Fatalf("waited in vain for: %s (%v) console: %v", what, err, w.errors)
		}
		time.Sleep(15 * time.Millisecond)
	}
}

// sees waits until an element holds a text.
func (w *window) sees(selector, text string) {
	w.t.Helper()
	w.until(fmt.Sprintf("%q in %s", text, selector), `(s, t) => [...document.querySelectorAll(s)].some(e => e.textContent.includes(t))`, selector, text)
}

// click clicks the button or link that is called so, once it stands still: a slip moves
// when what it says grows. On a busy machine it may move all the same between the look and
// the click: a click that would fall on anything else is kept from the page and made again.
func (w *window) click(name string) {
	w.t.Helper()
	for deadline := time.Now().Add(patience); ; {
		w.until("a control called "+name, `(n) => {
			const named = [...document.querySelectorAll('button, a, [role=option], label')].map(e => [e, e.getAttribute('aria-label') ?? e.textContent.trim()])
				.filter(([e, name]) => name.startsWith(n) && e.offsetParent !== null).sort(([, a], [, b]) => (b === n) - (a === n))[0]?.[0];
			if (!named) return false;
			named.scrollIntoView({ block: 'nearest' });
			const r = named.getBoundingClientRect();
			const [x, y, now] = [r.x + r.width / 2, r.y + r.height / 2, performance.now()];
			const was = window.__at;
			if (!was || was[0] !== x || was[1] !== y) window.__at = [x, y, now];
			if (now - window.__at[2] < 50) return false;
			window.__met = '';
			window.__guard = (e) => {
				if (e.type === 'pointerdown') window.__met = named.contains(e.target) ? 'it' : (e.target.getAttribute('aria-label') ?? e.target.tagName);
				if (window.__met === 'it') return;
				e.preventDefault();
				e.stopImmediatePropagation();
			};
			for (const type of ['pointerdown', 'mousedown', 'pointerup', 'mouseup', 'click']) window.addEventListener(type, window.__guard, true);
			return true;
		}`, name)
		at := w.page.MustEval(`() => { const at = window.__at; delete window.__at; return at; }`).Arr()
		w.page.Mouse.MustMoveTo(at[0].Num(), at[1].Num()).MustClick(left)
		// A click may lead to another page, which knows of no guard.
		met := w.page.MustEval(`() => {
			for (const type of ['pointerdown', 'mousedown', 'pointerup', 'mouseup', 'click']) window.removeEventListener(type, window.__guard, true);
			return window.__met ?? 'it';
		}`).Str()
		if met == "it" {
			return
		}
		if time.Now().After(deadline) {
			w.t.Fatalf("%s can't be clicked: %s lies over it", name, met)
		}
	}
}

// fill types into the field that is labelled so.
func (w *window) fill(label, text string) {
	w.t.Helper()
	// It may move while fonts arrive: the click is made again until the field has it.
	for range 20 {
		w.until("a field labelled "+label, `(n) => {
			const f = [...document.querySelectorAll('input')].find(e => (e.getAttribute('aria-label') ?? e.labels?.[0]?.textContent.trim() ?? '').startsWith(n) && e.offsetParent !== null);
			if (!f) return false;
			f.scrollIntoView({ block: 'nearest' });
			const r = f.getBoundingClientRect();
			window.__at = [r.x + r.width / 3, r.y + r.height / 2];
			window.__field = f;
			return true;
		}`, label)
		at := w.page.MustEval(`() => window.__at`).Arr()
		w.page.Mouse.MustMoveTo(at[0].Num(), at[1].Num()).MustClick(left)
		if w.page.MustEval(`() => document.activeElement === window.__field`).Bool() {
			w.page.KeyActions().Press(input.ControlLeft).Type(input.KeyA).MustDo()
			w.page.MustInsertText(text)
			return
		}
	}
	w.t.Fatalf("the field %s can't be clicked", label)
}

// press taps keys one after the other. Each tap says when it was made: a busy machine
// does not turn it into a key that is held.
func (w *window) press(keys ...input.Key) {
	w.t.Helper()
	for _, k := range keys {
		at := proto.TimeSinceEpoch(float64(time.Now().UnixMilli()) / 1000)
		for _, kind := range []proto.InputDispatchKeyEventType{proto.InputDispatchKeyEventTypeKeyDown, proto.InputDispatchKeyEventTypeKeyUp} {
			event := k.Encode(kind, 0)
			event.Timestamp = at
			if err := event.Call(w.page); err != nil {
				w.t.Fatal(err)
			}
			at += 0.01
		}
	}
}

// with taps a key while others are held.
func (w *window) with(held input.Key, key input.Key) {
	w.t.Helper()
	w.page.KeyActions().Press(held).Type(key).Release(held).MustDo()
}

// A scene is what the page says lies on the board.
type scene struct {
	Project struct {
		Name         string
		CellW, CellH int
	}
	Maps []struct {
		ID, Name                                    string
		X, Y, W, H, OriginX, OriginY, Columns, Rows int
	}
	Pieces []struct {
		ID, Map, Name, Type string
		X, Y                int
	}
	Crossings []struct{ ID, Name string }
	Tilesets  []struct {
		ID, Name     string
		First, Count int
	}
}

func (w *window) scene() scene {
	w.t.Helper()
	var s scene
	w.read(`() => window.azzel.scene()`, &s)
	return s
}

func (w *window) read(script string, into any) {
	w.t.Helper()
	raw, err := w.page.MustEval(script).MarshalJSON()
	if err == nil {
		err = json.Unmarshal(raw, into)
	}
	if err != nil {
		w.t.Fatalf("reading the page: %v", err)
	}
}

// A view is a page of the application, or what a command opens in one.
type view struct{ ID, Command, Opens, Address string }

// views lists all views, as the page has them in its tables.
func (w *window) views() (list []view) {
	w.t.Helper()
	w.read(`() => window.azzel.views()`, &list)
	return list
}

type probe struct {
	Revision int
	Hash     string
	Pending  int
	Holding  string
	Shape    string
	Tile     int
}

func (w *window) probe() probe {
	w.t.Helper()
	var p probe
	w.read(`() => window.azzel.probe()`, &p)
	return p
}

// saved waits until the server has taken everything.
func (w *window) saved() {
	w.t.Helper()
	w.until("all to be saved", `() => window.azzel?.probe().pending === 0`)
}

// cell gives the middle of a map's cell on the screen.
func (w *window) cell(name string, x, y int) (float64, float64) {
	w.t.Helper()
	at := w.page.MustEval(`(name, x, y) => {
		const s = window.azzel.scene();
		const m = s.maps.find(m => m.name === name);
		const p = window.azzel.screen(m.originX + (x + 0.5) * s.project.cellW, m.originY + (y + 0.5) * s.project.cellH);
		const r = document.querySelector('[data-board]').getBoundingClientRect();
		return [p.x + r.x, p.y + r.y];
	}`, name, x, y).Arr()
	return at[0].Num(), at[1].Num()
}

// over moves the pointer over a cell.
func (w *window) over(name string, x, y int) {
	w.t.Helper()
	px, py := w.cell(name, x, y)
	w.page.Mouse.MustMoveTo(px, py)
}

// drag draws with a button from one cell over others to the last.
func (w *window) drag(button proto.InputMouseButton, name string, cells ...[2]int) {
	w.t.Helper()
	w.over(name, cells[0][0], cells[0][1])
	w.page.Mouse.MustDown(button)
	for _, c := range cells[1:] {
		px, py := w.cell(name, c[0], c[1])
		if err := w.page.Mouse.MoveLinear(proto.Point{X: px, Y: py}, 4); err != nil {
			w.t.Fatal(err)
		}
	}
	w.page.Mouse.MustUp(button)
}

// tap clicks a cell.
func (w *window) tap(name string, x, y int) {
	w.t.Helper()
	w.drag(proto.InputMouseButtonLeft, name, [2]int{x, y})
}

// newProject makes a project by hand from home and waits for its board.
func (w *window) newProject(name string) {
	w.t.Helper()
	w.fill("Name", name)
	w.click("Make the project")
	w.until("the board", `() => window.azzel?.scene()?.maps.length > 0`)
	w.frame()
}

// frame lets two frames pass.
func (w *window) frame() {
	w.page.MustEval(`() => new Promise(r => requestAnimationFrame(() => requestAnimationFrame(r)))`)
}

// shoot writes a picture of the window, for looking at.
func (w *window) shoot(name string) {
	dir := os.Getenv("AZZEL_LOOK")
	if dir == "" {
		return
	}
	if b, err := w.page.Screenshot(false, nil); err == nil {
		_ = os.WriteFile(fmt.Sprintf("%s/%s.png", dir, name), b, 0o644)
	}
}

// choose takes an option of the list that is labelled so.
func (w *window) choose(label, option string) {
	w.t.Helper()
	w.until(option+" in "+label, `(label, option) => {
		// What has opened over the page is meant before what lies beneath it.
		const lists = [...document.querySelectorAll('[data-popover-content] select'), ...document.querySelectorAll('select')].filter((e) => (e.labels?.[0]?.textContent.trim() ?? e.ariaLabel ?? '').startsWith(label));
		const chosen = lists.flatMap((e) => [...e.options]).find((o) => o.textContent.trim() === option);
		if (!chosen) return false;
		const list = chosen.closest('select');
		list.value = chosen.value;
		list.dispatchEvent(new Event('change', { bubbles: true }));
		return true;
	}`, label, option)
	w.frame()
}
