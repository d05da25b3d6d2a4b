package main

import (
	"fmt"
	"math"
	"math/rand/v2"
	"os"
	"slices"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/launcher"
	"github.com/go-rod/rod/lib/proto"

	"azzel/core/grid"
	"azzel/core/world"
)

// helpers run in the page: a pointer made of events, and a watch for tasks.
const helpers = `() => {
	const board = document.querySelector('[data-board]');
	const fire = (type, x, y, button, buttons) => { const r = board.getBoundingClientRect();
		board.dispatchEvent(new PointerEvent(type, { clientX: x + r.x, clientY: y + r.y, button, buttons, pointerId: 1, movementX: 1, bubbles: true })); };
	board.setPointerCapture = () => undefined;
	const channel = new MessageChannel();
	let last = 0, worst = 0, on = false;
	channel.port1.onmessage = () => { const now = performance.now(); worst = Math.max(worst, now - last); last = now; if (on) channel.port2.postMessage(0); };
	window.bench = {
		fire,
		watch() { worst = 0; last = performance.now(); on = true; channel.port2.postMessage(0); },
		longest() { on = false; return worst; },
		frame: () => new Promise(r => requestAnimationFrame(r)),
		// rest waits for the frame after all work under way.
		async rest() { for (let frames = 0; frames++ < 3 || document.querySelector('[data-working]'); ) await this.frame(); },
		cell(x, y) { const s = window.azzel.scene(); const m = s.maps.at(-1); return window.azzel.screen(m.originX + (x + 0.5) * 16, m.originY + (y + 0.5) * 16); },
	};
}`

// pages runs parts in a browser.
func pages(parts ...func(*bench, *rod.Browser) error) func(*bench) error {
	return func(b *bench) error { return inBrowser(b, parts) }
}

func inBrowser(b *bench, parts []func(*bench, *rod.Browser) error) error {
	dir, err := os.MkdirTemp("", "azzel-bench-profile-")
	if err != nil {
		return err
	}
	defer os.RemoveAll(dir)
	l := launcher.New().Bin("/usr/bin/chromium").Leakless(false).NoSandbox(true).UserDataDir(dir).HeadlessNew(true).Set("disable-gpu").
		Set("disable-quic").Set("no-first-run").Set("disable-background-networking").Set("disable-component-update").Set("disable-sync").Set("window-size", "1280,800")
	url, err := l.Launch()
	if err != nil {
		return err
	}
	defer l.Kill()
	browser := rod.New().ControlURL(url)
	if err := browser.Connect(); err != nil {
		return err
	}
	for _, part := range parts {
		if err := rod.Try(func() {
			if err := part(b, browser); err != nil {
				panic(err)
			}
		}); err != nil {
			return err
		}
	}
	return nil
}

// isPainted says in a page whether its map was painted.
const isPainted = `() => performance.getEntriesByName('azzel-painted').length > 0`

// open opens a project in a new profile, near its last map's first cells.
func (b *bench) open(browser *rod.Browser, id int64) *rod.Page {
	page := browser.MustIncognito().MustPage()
	page.MustSetViewport(1280, 800, 1, false)
	page.MustNavigate(fmt.Sprintf("http://%s/project/%d", b.address, id)).MustWaitLoad()
	page.MustWait(isPainted)
	page.MustEval(helpers)
	return page
}

// blocked tells a callback of each frame for how long its longest task ran, in
// milliseconds, if that was more than 50. Long animation frames are observed, as what is
// reported as a long task leaves out those that no script began, like the start of a module.
const blocked = `const blocked = (tell) => new PerformanceObserver((list) => {
	for (const e of list.getEntries()) if (e.blockingDuration > 0) tell(50 + e.blockingDuration);
}).observe({ type: 'long-animation-frame', buffered: true });`

// longestTask is the longest task of a page so far in milliseconds; 50 if none took as
// long.
func longestTask(page *rod.Page) float64 {
	return page.MustEval(`() => new Promise((done) => {
		let worst = 50;
		` + blocked + `
		blocked((task) => { worst = Math.max(worst, task); });
		setTimeout(() => done(worst), 500);
	})`).Num()
}

// worked is the longest task by the time of processors while a project is opened in a new
// profile, in milliseconds.
func (b *bench) worked(browser *rod.Browser, id int64, wait time.Duration) (float64, error) {
	page := browser.MustIncognito().MustPage()
	defer page.MustClose()
	page.MustSetViewport(1280, 800, 1, false)
	longest, err := trace(page, func() {
		page.MustNavigate(fmt.Sprintf("http://%s/project/%d", b.address, id))
		time.Sleep(wait) // asking meanwhile would take its share of the time
		page.MustWait(isPainted)
	})
	return longest.worked, err
}

// previewed is when the picture that the server has of the board was painted.
const previewed = `() => new Promise((done) => new PerformanceObserver((list) => done(list.getEntries()[0].renderTime)).observe({ type: 'element', buffered: true }))`

// first measures from navigation to the first painted cells of the demo.
func first(b *bench, browser *rod.Browser) error {
	var seen, shown, ready, fetched, longest, worked, again []float64
	for range 7 {
		n, err := b.worked(browser, 1, 6*time.Second)
		if err != nil {
			return err
		}
		worked = append(worked, n)

		page := browser.MustIncognito().MustPage()
		page.MustSetViewport(1280, 800, 1, false)
		page.MustNavigate(fmt.Sprintf("http://%s/project/1", b.address))
		time.Sleep(3 * time.Second) // asking meanwhile would take its share of the time
		page.MustWait(isPainted)
		at := func(script string) float64 { return page.MustEval(script).Num() }
		shown = append(shown, at(`() => performance.getEntriesByName('azzel-painted')[0].startTime`))
		seen = append(seen, at(previewed))
		ready = append(ready, at(`() => performance.getEntriesByName('azzel-core')[0].startTime`))
		fetched = append(fetched, at(`() => performance.getEntriesByType('resource').find(e => e.name.endsWith('.wasm')).responseEnd`))
		longest = append(longest, longestTask(page))
		// The next project in the same tab: the core that the first one had is given to it.
		again = append(again, page.MustEval(`async () => {
			const wait = (found) => new Promise((done) => { const look = () => found() ? done(found()) : setTimeout(look, 20); look(); });
			document.querySelector('button[aria-label="All projects"]').click();
			const link = await wait(() => document.querySelector('main a[href="/project/1"]'));
			const from = performance.now();
			link.click();
			await new Promise((done) => setTimeout(done, 1500));
			return (await wait(() => performance.getEntriesByName('azzel-painted')[1])).startTime - from;
		}`).Num())
		page.MustClose()
	}
	for _, list := range [][]float64{seen, shown, ready, fetched, longest, worked, again} {
		slices.Sort(list)
	}
	b.add("the demo from navigation to painted: the picture that the server has of the board, faint, new profile, warm server, best / median / worst of 7", "under 1 s", "%.0f / %.0f / %.0f ms", seen[0], seen[3], seen[6])
	b.add("the same to painted by the core, ready to be worked on", "under 1 s", "%.0f / %.0f / %.0f ms", shown[0], shown[3], shown[6])
	b.add("the next project opened in the same tab, from the click to painted, best / median / worst", "under 300 ms", "%.0f / %.0f / %.0f ms", again[0], again[3], again[6])
	b.add("the longest task of it, best / median / worst", "50 ms a task", "%.0f / %.0f / %.0f ms", longest[0], longest[3], longest[6])
	b.add("the same by the time of processors, as the page's thread waits for one meanwhile, best / median / worst", "50 ms a task", "%.0f / %.0f / %.0f ms", worked[0], worked[3], worked[6])
	floor, err := b.besideOften(browser, 1, worked[3], 7)
	if err != nil {
		return err
	}
	b.add(fmt.Sprintf("its floor: a page that computes for %.0f ms of a processor at a time while the core is fetched, compiled and run beside it, best / median / worst", worked[3]),
		"–", "%.0f / %.0f / %.0f ms", floor[0], floor[3], floor[6])
	b.add("the floor of it: the core fetched / compiled and running, beside scripts and styles, best / median", "–", "%.0f / %.0f, %.0f / %.0f ms", fetched[0], fetched[3], ready[0], ready[3])
	return nil
}

// filling measures fills: of cells that are all the same, of random ones of which most hang together, and of a large map
// that is empty, with a box of the same size beside the first.
func filling(b *bench, browser *rod.Browser) error {
	r := rand.New(rand.NewPCG(3, 4))
	noise := grid.Runs{}
	for range 1000 * 1000 {
		noise = noise.Append(1, grid.Cell(1+r.IntN(100)/65))
	}
	same := grid.Runs{{N: 1000 * 1000, Cell: 1}}
	for _, c := range []struct {
		what, aim string
		side      int
		ground    grid.Runs
		shape     input.Key
		at        [4]int
	}{
		{"box of 1,000 × 1,000", "–", 1000, same, input.KeyB, [4]int{0, 0, 999, 999}},
		{"fill of 1,000 × 1,000", "at most 100 ms", 1000, same, input.KeyF, [4]int{500, 500, 500, 500}},
		{"fill of 1,000 × 1,000 of random noise, of which two in three hang together", "at most 400 ms", 1000, noise, input.KeyF, [4]int{500, 500, 500, 500}},
		{"fill of 4,096 × 4,096, empty before", "at most 400 ms", 4096, grid.Runs{{N: 4096 * 4096}}, input.KeyF, [4]int{2000, 2000, 2000, 2000}},
	} {
		id, d, err := b.field("Filling", c.side, c.side, c.ground, false)
		if err != nil {
			return err
		}
		var times, longest, undone []float64
		for range 5 {
			page := b.open(browser, id)
			seek(page, "wall")
			page.Keyboard.MustType(c.shape)
			raw := page.MustEval(`async (x0, y0, x1, y1) => {
				const [from, to] = [bench.cell(x0, y0), bench.cell(x1, y1)];
				bench.watch();
				const start = performance.now();
				bench.fire('pointerdown', from.x, from.y, 0, 1);
				if (x0 !== x1) bench.fire('pointermove', to.x, to.y, 0, 1);
				bench.fire('pointerup', to.x, to.y, 0, 0);
				await bench.rest();
				return [performance.now() - start, bench.longest()];
			}`, c.at[0], c.at[1], c.at[2], c.at[3]).Arr()
			times, longest = append(times, raw[0].Num()), append(longest, raw[1].Num())
			page.MustWait(`() => document.querySelector('[data-saved=saved]') !== null`)
			raw = page.MustEval(`async () => {
				bench.watch();
				const start = performance.now();
				window.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', code: 'KeyZ', ctrlKey: true }));
				await bench.rest();
				return [performance.now() - start, bench.longest()];
			}`).Arr()
			undone = append(undone, raw[0].Num())
			page.MustWait(`() => document.querySelector('[data-saved=saved]') !== null`)
			page.MustClose()
		}
		for _, list := range [][]float64{times, longest, undone} {
			slices.Sort(list)
		}
		b.add(c.what+" in the page, to the frame that shows it, best / median / worst of 5; longest task; undo of it, median", c.aim, "%.0f / %.0f / %.0f ms; %.0f ms; %.0f ms", times[0], times[2], times[4], longest[2], undone[2])
		if c.shape == input.KeyF {
			b.add("the floor of it: the cells found, natively / laid in one draft", "–", "%.1f / %.1f ms", found(d, c.at), painted(d, c.at))
		}
	}
	return nil
}

// filled is the layer on which the bench paints, and a fill of it from a cell.
func filled(d *world.Document, at [4]int) (*world.Map, *world.Layer, *grid.Fill) {
	m := d.Maps[len(d.Maps)-1]
	l := m.Layer(m.PlayerLayer)
	return m, l, grid.NewFill(l.Cells, m.Bounds, grid.Point{X: at[0], Y: at[1]}, nil)
}

// found is how many milliseconds finding the cells of a fill takes.
func found(d *world.Document, at [4]int) float64 {
	begun := time.Now()
	_, _, f := filled(d, at)
	f.Step(1 << 40)
	f.Region()
	return float64(time.Since(begun).Microseconds()) / 1000
}

// painted is how many milliseconds laying a tile over them takes.
func painted(d *world.Document, at [4]int) float64 {
	m, l, f := filled(d, at)
	f.Step(1 << 40)
	g := f.Region()
	begun := time.Now()
	draft := d.Draft()
	if _, err := draft.Paint(m.ID, l.ID, world.Stroke{Region: g, Cells: grid.Runs{{N: g.Len(), Cell: 3}}}); err != nil {
		return -1
	}
	if _, err := draft.Done(); err != nil {
		return -1
	}
	return float64(time.Since(begun).Microseconds()) / 1000
}

// seek takes a tile into the hand by its name.
func seek(page *rod.Page, name string) {
	page.MustEval(`() => document.querySelector('[data-board]').focus()`)
	page.Keyboard.MustType(input.Slash)
	page.MustWait(`() => document.activeElement?.getAttribute('role') === 'combobox'`)
	page.MustInsertText(name)
	time.Sleep(200 * time.Millisecond)
	page.Keyboard.MustType(input.Enter)
	time.Sleep(100 * time.Millisecond)
}

func strokes(b *bench, browser *rod.Browser) error {
	id, _, err := b.project("Strokes", 512, 512, true)
	if err != nil {
		return err
	}
	page := b.open(browser, id)
	defer page.MustClose()
	near(page, 1)
	seek(page, "wall")
	page.Keyboard.MustType(input.KeyD)
	raw := page.MustEval(`async () => {
		const times = [];
		bench.watch();
		for (let i = 0; i < 60; i++) {
			const a = bench.cell(5, 3 + i % 30), z = bench.cell(54, 3 + i % 30);
			bench.fire('pointerdown', a.x, a.y, 0, 1);
			await bench.frame();
			let begun = 0;
			requestAnimationFrame(() => (begun = performance.now()));
			const start = performance.now();
			bench.fire('pointermove', z.x, z.y, 0, 1);
			bench.fire('pointerup', z.x, z.y, 0, 0);
			const handler = performance.now() - start;
			await bench.frame();
			if (i >= 10) times.push(handler + performance.now() - begun);
			await new Promise(r => setTimeout(r, 30));
		}
		times.sort((a, b) => a - b);
		return [times[Math.floor(times.length / 2)], times[Math.floor(times.length * 0.95)], bench.longest()];
	}`).Arr()
	b.add("50-cell stroke, handler to the end of that frame's drawing, median / 95 % / longest task", "95 % within 8 ms", "%.1f / %.1f / %.1f ms", raw[0].Num(), raw[1].Num(), raw[2].Num())
	return nil
}

// near shows the last map's upper left cells at a zoom.
func near(page *rod.Page, zoom float64) {
	page.MustEval(`async (zoom) => {
		const board = document.querySelector('[data-board]');
		for (let i = 0; i < 30; i++) {
			const now = parseInt(document.querySelector('footer span:last-child span:last-child').textContent) / 100;
			if (Math.abs(now - zoom) < 0.02) break;
			const at = bench.cell(0, 0);
			const r = board.getBoundingClientRect();
			board.dispatchEvent(new WheelEvent('wheel', { deltaY: now < zoom ? -120 : 120, ctrlKey: true, clientX: at.x + r.x, clientY: at.y + r.y, cancelable: true, bubbles: true }));
			await bench.frame(); await bench.frame();
		}
		const at = bench.cell(0, 0);
		bench.fire('pointerdown', at.x, at.y, 1, 4);
		bench.fire('pointermove', 60, 60, 1, 4);
		bench.fire('pointerup', 60, 60, 1, 0);
		await bench.frame();
	}`, zoom)
}

// taskTime is how long the page's thread has worked, in seconds.
func taskTime(page *rod.Page) float64 {
	res, err := proto.PerformanceGetMetrics{}.Call(page)
	if err != nil {
		panic(err)
	}
	for _, m := range res.Metrics {
		if m.Name == "TaskDuration" {
			return m.Value
		}
	}
	return 0
}

func panning(b *bench, browser *rod.Browser) error {
	id, _, err := b.project("Panning", 512, 512, true)
	if err != nil {
		return err
	}
	page := b.open(browser, id)
	defer page.MustClose()
	if err := (proto.PerformanceEnable{}).Call(page); err != nil {
		return err
	}
	longest := func() float64 {
		return page.MustEval(`async () => {
			let x = 600, y = 400;
			bench.watch();
			bench.fire('pointerdown', x, y, 1, 4);
			for (let i = 0; i < 180; i++) {
				await bench.frame();
				x += i < 90 ? -9 : 9;
				y += i < 90 ? -5 : 5;
				bench.fire('pointermove', x, y, 1, 4);
			}
			bench.fire('pointerup', x, y, 1, 0);
			return bench.longest();
		}`).Num()
	}
	run := func(move bool) (cpu float64, dropped int) {
		before := taskTime(page)
		raw := page.MustEval(`async (move) => {
			let dropped = 0, last = performance.now(), x = 600, y = 400;
			if (move) bench.fire('pointerdown', x, y, 1, 4);
			for (let i = 0; i < 180; i++) {
				await bench.frame();
				const now = performance.now();
				if (now - last > 25) dropped++;
				last = now;
				if (!move) continue;
				x += i < 90 ? -9 : 9;
				y += i < 90 ? -5 : 5;
				bench.fire('pointermove', x, y, 1, 4);
			}
			if (move) bench.fire('pointerup', x, y, 1, 0);
			return dropped;
		}`, move).Int()
		return (taskTime(page) - before) * 1000 / 180, raw
	}
	idle, _ := run(false)
	for _, zoom := range []float64{0.25, 1, 4} {
		near(page, zoom)
		best, drops := math.Inf(1), 0
		for range 3 {
			if cpu, dropped := run(true); cpu < best {
				best, drops = cpu, dropped
			}
		}
		b.add(fmt.Sprintf("512 × 512 map, 2 layers, panned at zoom %g: page CPU a frame / frames dropped of 180 / longest task (empty loop %.1f ms)", zoom, idle), "at most 14 ms", "%.1f ms / %d / %.0f ms", best, drops, longest())
	}
	return nil
}
