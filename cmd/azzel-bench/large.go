package main

import (
	"bytes"
	"fmt"
	"io"
	"math/rand/v2"
	"net/http"
	"os"
	"slices"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/world"
)

const largeSide = 2048

// largeProject stores a map of 2,048 × 2,048 cells with 8 layers, one of which has
// depth, so that they are drawn in three groups.
func (b *bench) largeProject() (id int64, d *world.Document, err error) {
	prefix, err := b.store.Prefix(b.ctx)
	if err != nil {
		return 0, nil, err
	}
	ids := &world.Counter{Prefix: prefix}
	if d, err = world.Start(world.Project{Name: "Large", CellW: 16, CellH: 16, SeenW: 20, SeenH: 12}, ids); err != nil {
		return 0, nil, err
	}
	draft := d.Draft()
	bounds := grid.Rect{W: largeSide, H: largeSide}
	m, layers := world.NewMap("Large field", grid.Point{X: 100}, bounds, ids)
	for i := range 6 {
		layers = append(layers, &world.Layer{ID: ids.NewID(), Name: fmt.Sprintf("Vines %d", i+1), Order: 3 + i})
	}
	layers[3].DepthX, layers[3].DepthY = 20, 20
	if err := world.PutMap(draft, m, layers); err != nil {
		return 0, nil, err
	}
	r := rand.New(rand.NewPCG(8, 2048))
	for i, l := range layers {
		runs := make(grid.Runs, 0, largeSide*largeSide)
		for range largeSide * largeSide {
			c := grid.Cell(1 + r.IntN(6))
			if i > 0 && r.IntN(6) > 0 {
				c = 0
			}
			runs = append(runs, grid.Run{N: 1, Cell: c})
		}
		if _, err := draft.Paint(m.ID, l.ID, world.Stroke{Region: grid.BoxRegion(bounds), Cells: runs}); err != nil {
			return 0, nil, err
		}
	}
	if d, err = draft.Done(); err != nil {
		return 0, nil, err
	}
	p, err := b.store.Create(b.ctx, d)
	return p.ID, d, err
}

// large measures what a map of 2,048 × 2,048 cells with 8 layers takes.
func large(b *bench, browser *rod.Browser) error {
	id, d, err := b.largeProject()
	if err != nil {
		return err
	}
	resident, err := ownMemory()
	if err != nil {
		return err
	}
	page, err := b.openLarge(browser, id)
	if err != nil {
		return err
	}
	defer page.MustClose()
	after, err := ownMemory()
	if err != nil {
		return err
	}
	b.add("memory of the server before and after it was opened (with the bench in it, which keeps the document too)", "–", "%d / %d MB", resident>>20, after>>20)
	copied(b)
	module := func(when string) {
		bytes := page.MustEval(`() => window.azzel.memory()`).Int()
		b.add("memory of the core's module in that page "+when, "–", "%d MB", bytes>>20)
	}
	module("once it is open")
	if err := (proto.PerformanceEnable{}).Call(page); err != nil {
		return err
	}
	for _, zoom := range []float64{0.125, 0.25, 0.5, 1, 2, 4} {
		near(page, zoom)
		idle := pan(page, 120, false)
		moved := pan(page, 120, true)
		b.add(fmt.Sprintf("the same map panned at zoom %g: page CPU a frame / longest task (empty loop %.1f ms)", zoom, idle.cpu), "at most 14 ms, 50 ms", "%.1f / %.0f ms", moved.cpu, moved.longest)
	}
	if err := drawnOnce(b, browser); err != nil {
		return err
	}
	module("after panning at every zoom")
	if err := largeHands(b, page); err != nil {
		return err
	}
	module("after painting and moving")
	near(page, 0.5)
	end := time.Now().Add(60 * time.Second)
	for time.Now().Before(end) {
		panOnce(page, 120, true, false)
	}
	for range 20 {
		page.MustEval(`() => window.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', code: 'KeyZ', ctrlKey: true }))`)
		time.Sleep(100 * time.Millisecond)
	}
	memory, err := rendererMemory()
	if err != nil {
		return err
	}
	b.add("memory of that page after 60 s of panning and 20 undos, what it shares with others divided by their number", "under 400 MB", "%d MB", memory>>20)
	return bundles(b, id, d)
}

// openLarge opens the largest map several times, each in a new profile, and leaves the
// last page open. Its floor is a page that only counts while a client without a page takes
// in what a page takes in.
func (b *bench) openLarge(browser *rod.Browser, id int64) (*rod.Page, error) {
	const times = 5
	var page *rod.Page
	var first time.Duration
	var longest, worked, floor []float64
	for i := range times {
		if page != nil {
			page.MustClose()
		}
		start := time.Now()
		page = b.open(browser, id)
		if i == 0 {
			first = time.Since(start)
		}
		longest = append(longest, longestTask(page))
	}
	for range times {
		n, err := b.worked(browser, id, 20*time.Second)
		if err != nil {
			return nil, err
		}
		worked = append(worked, n)
	}
	for range times {
		worst, err := counting(browser, func() error {
			res, err := http.Get(fmt.Sprintf("http://%s/api/projects/%d/opening", b.address, id))
			if err != nil {
				return err
			}
			defer res.Body.Close()
			if res.StatusCode != http.StatusOK {
				return fmt.Errorf("the opening was answered %d", res.StatusCode)
			}
			body, err := io.ReadAll(res.Body)
			if err != nil {
				return err
			}
			_, err = edit.DecodeOpening(body, nil)
			return err
		})
		if err != nil {
			return nil, err
		}
		floor = append(floor, worst)
	}
	for _, list := range [][]float64{longest, worked, floor} {
		slices.Sort(list)
	}
	b.add("2,048 × 2,048 map, 8 layers in three groups: from navigation to painted, first time this server reads it", "–", "%.1f s", first.Seconds())
	b.add(
		fmt.Sprintf("the longest task of it, new profile, best / median / worst of %d (of a page that only counts 10 ms a frame while a client without a page takes it in: %.0f / %.0f / %.0f)", times, floor[0], floor[times/2], floor[times-1]),
		"50 ms a task",
		"%.0f / %.0f / %.0f ms",
		longest[0],
		longest[times/2],
		longest[times-1],
	)
	b.add(fmt.Sprintf("the same by the time of processors, as the page's thread waits for one meanwhile, best / median / worst of %d", times), "50 ms a task", "%.0f / %.0f / %.0f ms", worked[0], worked[times/2], worked[times-1])
	beside, err := b.besideOften(browser, id, worked[times/2], times)
	if err != nil {
		return nil, err
	}
	b.add(
		fmt.Sprintf("its floor: a page that computes for %.0f ms of a processor at a time while the core is fetched, compiled and run, and the map fetched, best / median / worst of %d", worked[times/2], times),
		"–",
		"%.0f / %.0f / %.0f ms",
		beside[0],
		beside[times/2],
		beside[times-1],
	)
	return page, nil
}

// drawnOnce measures the floor of panning: as many pixels drawn with one call a frame.
func drawnOnce(b *bench, browser *rod.Browser) error {
	page := browser.MustIncognito().MustPage()
	defer page.MustClose()
	page.MustSetViewport(1280, 800, 1, false)
	page.MustEval(`() => {
		document.body.style.margin = 0;
		const [source, shown] = [0, 1].map(() => Object.assign(document.createElement('canvas'), { width: 1280, height: 674 }));
		document.body.append(shown);
		const from = source.getContext('2d');
		const noise = from.createImageData(1280, 674);
		for (let i = 0; i < noise.data.length; i++) noise.data[i] = i % 4 === 3 ? 255 : (i * 2654435761) >>> 24;
		from.putImageData(noise, 0, 0);
		const to = shown.getContext('2d');
		window.run = async (frames) => {
			for (let i = 0; i < frames; i++) {
				await new Promise((r) => requestAnimationFrame(r));
				to.drawImage(source, i % 2, 0);
			}
		};
	}`)
	if err := (proto.PerformanceEnable{}).Call(page); err != nil {
		return err
	}
	const frames = 120
	before := taskTime(page)
	page.MustEval(`(frames) => window.run(frames)`, frames)
	b.add("the floor of panning: 1,280 × 674 px drawn with one call, page CPU a frame", "–", "%.1f ms", (taskTime(page)-before)*1000/frames)
	return nil
}

// copied measures the floor of painting: copying the same memory.
func copied(b *bench) {
	from, to := make([]uint32, 1_000_000), make([]uint32, 1_000_000)
	best := time.Hour
	for range 20 {
		start := time.Now()
		copy(to, from)
		best = min(best, time.Since(start))
	}
	b.add("the floor: a million cells copied once in memory, natively", "–", "%.2f ms", ms(best))
}

type panned struct{ cpu, longest float64 }

// pan moves the board for some frames, or lets as many pass, twice: the watch for long
// tasks is work itself.
func pan(page *rod.Page, frames int, move bool) panned {
	longest := panOnce(page, frames, move, true)
	before := taskTime(page)
	panOnce(page, frames, move, false)
	return panned{(taskTime(page) - before) * 1000 / float64(frames), longest}
}

func panOnce(page *rod.Page, frames int, move, watch bool) float64 {
	return page.MustEval(`async (frames, move, watch) => {
		let x = 600, y = 300;
		if (watch) bench.watch();
		if (move) bench.fire('pointerdown', x, y, 1, 4);
		for (let i = 0; i < frames; i++) {
			await bench.frame();
			if (!move) continue;
			x += i < frames / 2 ? -9 : 9;
			y += i < frames / 2 ? -5 : 5;
			bench.fire('pointermove', x, y, 1, 4);
		}
		if (move) bench.fire('pointerup', x, y, 1, 0);
		return watch ? bench.longest() : 0;
	}`, frames, move, watch).Num()
}

// largeHands measures a box of 1,000 × 1,000, a paste of 500 × 500 and a moved
// selection, each with its undo.
func largeHands(b *bench, page *rod.Page) error {
	near(page, 0.125)
	drag := func(x0, y0, x1, y1 int) (shown, longest float64) {
		raw := page.MustEval(`async (x0, y0, x1, y1) => {
			const a = bench.cell(x0, y0), z = bench.cell(x1, y1);
			bench.watch();
			bench.fire('pointermove', a.x, a.y, 0, 0);
			bench.fire('pointerdown', a.x, a.y, 0, 1);
			bench.fire('pointermove', (a.x + z.x) / 2, (a.y + z.y) / 2, 0, 1);
			await bench.frame();
			bench.fire('pointermove', z.x, z.y, 0, 1);
			await bench.frame();
			const start = performance.now();
			bench.fire('pointerup', z.x, z.y, 0, 0);
			await bench.rest();
			return [performance.now() - start, bench.longest()];
		}`, x0, y0, x1, y1).Arr()
		return raw[0].Num(), raw[1].Num()
	}
	undo := func() (shown, longest float64) {
		page.MustWait(`() => document.querySelector('[data-saved=saved]') !== null`)
		raw := page.MustEval(`async () => {
			bench.watch();
			const start = performance.now();
			window.dispatchEvent(new KeyboardEvent('keydown', { key: 'z', code: 'KeyZ', ctrlKey: true }));
			await bench.rest();
			return [performance.now() - start, bench.longest()];
		}`).Arr()
		page.MustWait(`() => document.querySelector('[data-saved=saved]') !== null`)
		return raw[0].Num(), raw[1].Num()
	}
	const times = 5
	often := func(what string, do func() (shown, longest float64)) {
		var lists [4][]float64
		for range times {
			shown, longest := do()
			back, task := undo()
			for i, v := range []float64{shown, longest, back, task} {
				lists[i] = append(lists[i], v)
			}
		}
		for _, list := range lists {
			slices.Sort(list)
		}
		span := func(i int) string { return fmt.Sprintf("%.0f–%.0f", lists[i][0], lists[i][times-1]) }
		b.add(fmt.Sprintf("%s, to the frame that shows it / longest task, best and worst of %d; undone", what, times), "50 ms a task", "%s / %s ms; %s / %s ms", span(0), span(1), span(2), span(3))
	}
	// chosen selects cells with an empty hand.
	chosen := func() {
		page.Keyboard.MustType(input.Escape, input.Escape)
		drag(2, 2, 501, 501)
	}
	seek(page, "wall")
	page.Keyboard.MustType(input.KeyB)
	often("a box of 1,000 × 1,000 on that map", func() (shown, longest float64) { return drag(2, 2, 1001, 1001) })
	often("a box of 500 × 500 on that map", func() (shown, longest float64) { return drag(2, 2, 501, 501) })
	often("a selection of 500 × 500 moved, one layer", func() (shown, longest float64) {
		chosen()
		return drag(100, 100, 400, 200)
	})
	often("a paste of 500 × 500, one layer", func() (shown, longest float64) {
		chosen()
		page.KeyActions().Press(input.ControlLeft).Type(input.KeyD).Release(input.ControlLeft).MustDo()
		time.Sleep(300 * time.Millisecond)
		return drag(800, 300, 800, 300)
	})
	return nil
}

// bundles measures the large project as a bundle, out and in.
func bundles(b *bench, id int64, d *world.Document) error {
	start := time.Now()
	res, err := http.Get(fmt.Sprintf("http://%s/api/projects/%d/bundle", b.address, id))
	if err != nil {
		return err
	}
	defer res.Body.Close()
	body, err := io.ReadAll(res.Body)
	if err != nil {
		return err
	}
	out := time.Since(start)
	start = time.Now()
	answer, err := http.Post(fmt.Sprintf("http://%s/api/bundles", b.address), "application/zip", bytes.NewReader(body))
	if err != nil {
		return err
	}
	answer.Body.Close()
	if answer.StatusCode != http.StatusCreated {
		return fmt.Errorf("the bundle was answered %d", answer.StatusCode)
	}
	b.add("that project as a bundle: out / in, over the server", "–", "%.1f s / %.1f s, %.1f MB", out.Seconds(), time.Since(start).Seconds(), float64(len(body))/(1<<20))
	start = time.Now()
	n := len(d.Encode())
	b.add("the floor: the same document in the core's own encoding, in memory", "–", "%.1f s, %.1f MB", time.Since(start).Seconds(), float64(n)/(1<<20))
	return nil
}

// ownMemory is the resident memory of this process in bytes.
func ownMemory() (int, error) {
	text, err := os.ReadFile("/proc/self/statm")
	if err != nil {
		return 0, err
	}
	var size, resident int
	if _, err := fmt.Sscan(string(text), &size, &resident); err != nil {
		return 0, err
	}
	return resident * os.Getpagesize(), nil
}
