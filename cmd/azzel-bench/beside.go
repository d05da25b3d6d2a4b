package main

import (
	"fmt"
	"io/fs"
	"slices"
	"time"

	"github.com/go-rod/rod"

	"azzel/web"
)

// working computes for so many milliseconds of a processor at a time, with pauses, while the
// browser fetches and compiles the core, has it run in its worker and takes a project in, and
// gives the longest task of it.
const working = `async (module, worker, opening, slice) => {
	let sum = 1;
	const compute = (rounds) => { for (let i = 0; i < rounds; i++) sum = (Math.imul(sum, 1664525) + 1013904223) | 0; };
	let best = Infinity;
	for (let i = 0; i < 30; i++) {
		const start = performance.now();
		compute(2e6);
		best = Math.min(best, performance.now() - start);
	}
	let worst = 50, left = 2;
	` + blocked + `
	blocked((task) => { worst = Math.max(worst, task); });
	const done = () => { left--; };
	const runs = new Worker(worker, { type: 'module' });
	runs.onmessage = done;
	WebAssembly.compileStreaming(fetch(module)).then((compiled) => runs.postMessage(compiled));
	fetch(opening).then((answer) => answer.arrayBuffer()).then(done);
	const { port1, port2 } = new MessageChannel();
	for (const end = performance.now() + 20000; left > 0 && performance.now() < end; ) {
		compute((2e6 * slice) / best);
		await new Promise((go) => { port1.onmessage = go; port2.postMessage(0); });
	}
	runs.terminate();
	await new Promise((go) => setTimeout(go, 300));
	return left > 0 ? -1 : worst;
}`

// beside is the floor of opening a project: the longest task of a page of which no task needs
// more than so many milliseconds of a processor, while the browser does beside it what it
// does for a page that is opened. 50 if none took as long.
func (b *bench) beside(browser *rod.Browser, id int64, slice float64) (float64, error) {
	var assets [2]string
	for i, pattern := range []string{"dist/assets/azzel-*.wasm", "dist/assets/warm.worker-*.js"} {
		found, err := fs.Glob(web.Files, pattern)
		if err != nil || len(found) != 1 {
			return 0, fmt.Errorf("looking for %s: %d found, %w", pattern, len(found), err)
		}
		assets[i] = found[0][len("dist"):]
	}
	page := browser.MustIncognito().MustPage()
	defer page.MustClose()
	page.MustSetViewport(1280, 800, 1, false)
	page.MustNavigate("http://" + b.address + "/healthz").MustWaitLoad()
	worst := page.Timeout(time.Minute).MustEval(working, assets[0], assets[1], fmt.Sprintf("/api/projects/%d/opening", id), slice).Num()
	if worst < 0 {
		return 0, fmt.Errorf("the core was not running after 20 s beside a page that computes")
	}
	return worst, nil
}

// besideOften is beside in so many profiles, the best first.
func (b *bench) besideOften(browser *rod.Browser, id int64, slice float64, times int) ([]float64, error) {
	var list []float64
	for range times {
		worst, err := b.beside(browser, id, slice)
		if err != nil {
			return nil, err
		}
		list = append(list, worst)
	}
	slices.Sort(list)
	return list, nil
}
