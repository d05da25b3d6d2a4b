package tests

import (
	"encoding/json"
	"testing"
	"time"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// home leaves the project and waits for the list of projects.
func (w *window) home() {
	w.t.Helper()
	w.click("All projects")
	w.until("the list of projects", `() => !window.azzel && document.querySelector('a[href^="/project/"]') !== null`)
}

// back comes into the first project from the list.
func (w *window) back() {
	w.t.Helper()
	w.until("the project in the list", `() => { const a = document.querySelector('a[href^="/project/"]'); a?.click(); return !!a; }`)
	w.opened()
}

// drawing is a new project in a window with a wall in the hand, of which one cell was painted.
func (s *site) drawing() *window {
	s.t.Helper()
	w := s.window("/")
	w.newProject("Night shift")
	w.take("wall")
	w.press(input.KeyD)
	w.tap("First map", 4, 4)
	w.saved()
	return w
}

// Who leaves a project for the list and comes in again in the same tab has their session: undo goes on where it was,
// and what was painted while the server was away is sent.
func TestLeftAndBack(t *testing.T) {
	s := newSite(t)
	w := s.drawing()
	w.tap("First map", 5, 4)
	w.saved()
	for range 3 {
		w.home()
		w.back()
		w.tile(5, 4, "wall")
	}
	w.with(input.ControlLeft, input.KeyZ)
	w.tile(5, 4, "ground")
	w.tile(4, 4, "wall")
	w.saved()
	// At once after a stroke, and while the server is away.
	w.take("water")
	w.press(input.KeyD)
	w.tap("First map", 7, 4)
	w.home()
	w.back()
	w.tile(7, 4, "water")
	s.kill()
	w.take("path")
	w.press(input.KeyD)
	w.tap("First map", 8, 4)
	w.sees("[role=status]", "Waiting for the server (1 change)")
	w.click("All projects")
	w.sees("[role=alert]", "The server does not answer")
	s.start()
	w.click("Try again")
	w.back()
	w.saved()
	w.tile(8, 4, "path")
	w.with(input.ControlLeft, input.KeyZ)
	w.tile(8, 4, "ground")
	w.with(input.ControlLeft, input.KeyZ)
	w.tile(7, 4, "ground")
	w.saved()
}

// A held is what a page holds that has to be given back.
type held struct {
	Locks, Workers, Listeners, Nodes int
	// Module is what the core has taken, Heap what scripts have, in bytes.
	Heap int
}

func (w *window) holds() held {
	w.t.Helper()
	// Where an event is being handled is a property of the event, and the browser may keep what the last event of a
	// kind had there, with all that it hangs in. The next one takes its place.
	w.page.Mouse.MustMoveTo(640, 780).MustClick(left)
	w.press(input.Escape)
	_ = proto.HeapProfilerCollectGarbage{}.Call(w.page)
	counters, err := proto.MemoryGetDOMCounters{}.Call(w.page)
	if err != nil {
		w.t.Fatal(err)
	}
	h := held{Listeners: counters.JsEventListeners, Nodes: counters.Nodes}
	heap, err := proto.RuntimeGetHeapUsage{}.Call(w.page)
	if err != nil {
		w.t.Fatal(err)
	}
	h.Heap = int(heap.UsedSize)
	h.Locks = w.page.MustEval(`async () => (await navigator.locks.query()).held.length`).Int()
	h.Workers = w.page.MustEval(`() => window.__workers.filter(w => !w.ended).length`).Int()
	return h
}

// counting notes the workers of a page and the instances of modules, from before its first script on.
const counting = `
	window.__workers = [];
	const Real = Worker;
	window.Worker = class extends Real {
		constructor(...args) { super(...args); window.__workers.push(this); }
		terminate() { this.ended = true; super.terminate(); }
	};
	window.__instances = [];
	const instantiate = WebAssembly.instantiate;
	WebAssembly.instantiate = async (...args) => {
		const instance = await instantiate(...args);
		window.__instances.push(new WeakRef(instance));
		return instance;
	};`

// Leaving a project gives back what it held: after twenty times there are no more locks, workers, listeners, nodes and
// cores than after the second.
func TestLeftWithNothingBehind(t *testing.T) {
	s := newSite(t)
	w := s.window("")
	w.page.MustEvalOnNewDocument(counting)
	w.page.MustNavigate(s.url("/")).MustWaitLoad()
	w.newProject("Night shift")
	visit := func() {
		w.take("wall")
		w.press(input.KeyD)
		w.tap("First map", 4, 4)
		w.press(input.KeyP)
		w.until("play", `() => window.azzel.play() !== null`)
		w.press(input.KeyP)
		w.with(input.ControlLeft, input.KeyZ)
		w.saved()
		w.home()
	}
	var first held
	for n := range 20 {
		visit()
		if n == 2 {
			first = w.holds()
		}
		w.back()
	}
	visit()
	var last held
	// The lock is let go of, and what is garbage is collected, in their time.
	for deadline := time.Now().Add(patience); ; time.Sleep(100 * time.Millisecond) {
		if last = w.holds(); last.Locks == 0 && last.Workers <= first.Workers && last.Listeners <= first.Listeners+6 && last.Nodes <= first.Nodes+200 || time.Now().After(deadline) {
			break
		}
	}
	if last.Locks != 0 || last.Workers > first.Workers || last.Listeners > first.Listeners+6 || last.Nodes > first.Nodes+200 || last.Heap > first.Heap+4<<20 {
		t.Errorf("after three visits the page holds %+v, after twenty-one %+v", first, last)
	}
	cores := w.page.MustEval(`() => window.__instances.filter(i => i.deref()).length`).Int()
	if begun := w.page.MustEval(`() => window.__instances.length`).Int(); cores > 1 || begun > 2 {
		t.Errorf("%d cores are there of %d that were begun", cores, begun)
	}
	w.quiet()
}

// A queued step that can't be read is set aside and offered as a file; the rest is sent, and the project opens.
func TestUnreadableStepIsSetAside(t *testing.T) {
	s := newSite(t)
	w := s.drawing()
	s.kill()
	for x := range 3 {
		w.tap("First map", 6+x, 4)
	}
	w.sees("[role=status]", "Waiting for the server (3 changes)")
	spoilt := w.page.MustEval(`async () => {
		const db = await new Promise((done, fail) => { const r = indexedDB.open('azzel'); r.onsuccess = () => done(r.result); r.onerror = fail; });
		const queue = () => db.transaction('queue', 'readwrite').objectStore('queue');
		const ask = (r) => new Promise((done, fail) => { r.onsuccess = () => done(r.result); r.onerror = fail; });
		let keys = [];
		// In a transaction of its own each time: what the page has yet to write waits for one that stands.
		while (keys.length < 3) keys = await ask(queue().getAllKeys());
		const was = await ask(queue().get(keys[1]));
		const bad = was.slice();
		bad.fill(0xff, 3);
		await ask(queue().put(bad, keys[1]));
		db.close();
		return btoa(String.fromCharCode(...bad));
	}`).Str()
	// The page must be gone before the server is back, or it sends what it has.
	w.page.MustNavigate("about:blank")
	s.start()
	w.page.MustNavigate(s.url("/project/1")).MustWaitLoad()
	w.opened()
	w.saved()
	w.sees("[data-asides]", "A step of an earlier page could not be read")
	w.shoot("aside")
	w.tile(6, 4, "wall")
	w.tile(7, 4, "ground")
	w.tile(8, 4, "wall")
	w.with(input.ControlLeft, input.KeyZ)
	w.tile(8, 4, "ground")
	w.saved()
	// It is offered until it is forgotten.
	w.page.MustReload()
	w.opened()
	w.sees("[data-asides]", "A step of an earlier page")
	w.page.MustEval(`() => { const make = URL.createObjectURL; URL.createObjectURL = (blob) => { window.__file = blob.text(); return make.call(URL, blob); }; }`)
	w.click("Save it as a file")
	text := []byte(w.page.MustEval(`() => window.__file`).Str())
	var saved struct{ Steps []string }
	if err := json.Unmarshal(text, &saved); err != nil || len(saved.Steps) != 1 || saved.Steps[0] != spoilt {
		t.Errorf("the file holds %s (%v), want the step %s", text, err, spoilt)
	}
	w.click("Delete it")
	w.until("it to be forgotten", `() => document.querySelector('[data-asides]') === null`)
	w.page.MustReload()
	w.opened()
	if w.page.MustHas("[data-asides]") {
		t.Error("what was forgotten is offered again")
	}
}

// Where the browser keeps nothing, it is said, and all else goes on.
func TestStorageThatFails(t *testing.T) {
	s := newSite(t)
	s.create("Night shift")
	for name, c := range map[string]struct{ script, says string }{
		"closed": {`indexedDB.open = () => { throw new DOMException('no', 'SecurityError'); };`, "its storage is closed"},
		"full":   {`IDBObjectStore.prototype.put = function () { throw new DOMException('no room', 'QuotaExceededError'); };`, "its storage is full"},
		"words":  {`Storage.prototype.setItem = () => { throw new DOMException('no', 'SecurityError'); };`, "its storage is closed"},
	} {
		w := s.window("")
		w.page.MustEvalOnNewDocument(c.script)
		w.page.MustNavigate(s.url("/project/1")).MustWaitLoad()
		w.opened()
		w.sees("[data-message]", c.says)
		w.take("wall")
		w.press(input.KeyD)
		w.tap("First map", 4, 4)
		w.tap("First map", 5, 5)
		w.saved()
		if n := w.page.MustEval(`() => document.querySelectorAll('[data-message]').length`).Int(); n != 1 {
			t.Errorf("%s: it is said %d times", name, n)
		}
		w.with(input.ControlLeft, input.KeyZ)
		w.tile(5, 5, "ground")
		w.saved()
		w.quiet()
	}
}
