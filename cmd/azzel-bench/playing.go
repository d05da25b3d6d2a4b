package main

import (
	"fmt"
	"math"
	"runtime"
	"slices"
	"syscall"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/proto"

	"azzel/core/play"
	"azzel/core/play/generate"
)

// threadOnly asks for what one thread has used; see getrusage(2).
const threadOnly = 1

// threadTime is the time of processors that this thread has used.
func threadTime() time.Duration {
	var u syscall.Rusage
	if err := syscall.Getrusage(threadOnly, &u); err != nil {
		return 0 // never for this thread, says the manual
	}
	return time.Duration(u.Utime.Nano() + u.Stime.Nano())
}

// replays measures natively how fast ten minutes are played again, and how fast any moment of
// them is shown.
func replays(b *bench) error {
	runtime.LockOSThread()
	defer runtime.UnlockOSThread()
	inputs := generate.Inputs(3, play.RecordedTicks)
	for _, c := range []struct {
		things int
		aim    string
	}{{20, "over 1,000 times"}, {200, "over 150 times"}} {
		d, err := generate.Crowd(c.things, true, 512)
		if err != nil {
			return err
		}
		best := math.Inf(1)
		for range 3 {
			g, err := play.New(d, play.Start{})
			if err != nil {
				return err
			}
			before := threadTime()
			for _, in := range inputs {
				g.Tick(in)
			}
			best = min(best, (threadTime() - before).Seconds())
		}
		b.add(fmt.Sprintf("ten minutes with %d foes played again natively, by the time of processors, best of 3: times real time", c.things), c.aim, "%.0f", 600/best)
	}
	d, err := generate.Crowd(200, true, 512)
	if err != nil {
		return err
	}
	g, err := play.New(d, play.Start{})
	if err != nil {
		return err
	}
	heap := func() uint64 {
		runtime.GC()
		var m runtime.MemStats
		runtime.ReadMemStats(&m)
		return m.HeapAlloc
	}
	before := heap()
	r := play.Record(g)
	for _, in := range inputs {
		r.Tick(in)
	}
	took := heap() - before
	worst := 0.0
	for i := range 200 {
		start := time.Now()
		if err := r.Go(r.First() + i*7919%(r.Last()-r.First())); err != nil {
			return err
		}
		worst = max(worst, time.Since(start).Seconds()*1000)
	}
	b.add("any moment of ten minutes with 200 foes shown again, natively, worst of 200 / what all of it takes", "under 100 ms, 64 MB", "%.1f ms / %.1f MB", worst, float64(took)/(1<<20))
	return nil
}

// startOfPlay is how many milliseconds lie between the key and the first frame of play.
func startOfPlay(page *rod.Page) float64 {
	return page.MustEval(`async () => {
		const start = performance.now();
		window.dispatchEvent(new KeyboardEvent('keydown', { key: 'P', code: 'KeyP', shiftKey: true }));
		while (!window.azzel.play()) await bench.frame();
		// The frame that is told of first is painted when the next one is.
		await bench.frame();
		await bench.frame();
		return performance.now() - start;
	}`).Num()
}

// playing measures the start of play and what a frame of it takes, with 200 foes.
func playing(b *bench, browser *rod.Browser) error {
	d, err := generate.Crowd(200, true, 512)
	if err != nil {
		return err
	}
	p, err := b.store.Create(b.ctx, d)
	if err != nil {
		return err
	}
	page := b.open(browser, p.ID)
	defer page.MustClose()
	if err := (proto.PerformanceEnable{}).Call(page); err != nil {
		return err
	}
	time.Sleep(5 * time.Second)
	var started []float64
	for range 5 {
		started = append(started, startOfPlay(page))
		page.MustEval(`() => window.dispatchEvent(new KeyboardEvent('keydown', { key: 'p', code: 'KeyP' }))`)
		time.Sleep(300 * time.Millisecond)
	}
	slices.Sort(started)
	b.add("from the key to the first frame of play, 200 foes, median / worst of 5", "under 100 ms", "%.0f / %.0f ms", started[2], started[4])
	// What is played first is compiled first.
	for _, after := range []time.Duration{time.Second, 5 * time.Second} {
		var first []float64
		for range 5 {
			fresh := b.open(browser, p.ID)
			time.Sleep(after)
			first = append(first, startOfPlay(fresh))
			fresh.MustClose()
		}
		slices.Sort(first)
		b.add(fmt.Sprintf("the same, the first start in a page that was opened %.0f s before, in a new profile, median / worst of 5 pages", after.Seconds()), "under 100 ms", "%.0f / %.0f ms", first[2], first[4])
	}
	page.MustEval(`() => window.dispatchEvent(new KeyboardEvent('keydown', { key: 'P', code: 'KeyP', shiftKey: true }))`)
	cpu := math.Inf(1)
	for range 3 {
		before := taskTime(page)
		frames := page.MustEval(`async () => {
			window.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', code: 'ArrowRight' }));
			for (let i = 0; i < 180; i++) await bench.frame();
			window.dispatchEvent(new KeyboardEvent('keyup', { key: 'ArrowRight', code: 'ArrowRight' }));
			return 180;
		}`).Num()
		cpu = min(cpu, (taskTime(page)-before)*1000/frames)
	}
	b.add("page CPU a frame of play with 200 foes at 1,280 × 800, best of 3", "at most 14 ms", "%.1f ms", cpu)
	return nil
}
