package main

import (
	"errors"
	"fmt"
	"sync"
	"time"

	"github.com/fasthttp/websocket"
	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"
	"github.com/jackc/pgx/v5"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/world"
)

// strokeOf is the i-th stroke of one of the clients that paint together.
func strokeOf(m *world.Map, client, i int) edit.Edit {
	g := grid.BoxRegion(grid.Rect{X: (i*7 + client*50) % 480, Y: i % 500, W: 20, H: 3})
	return edit.Edit{Label: "a stroke", Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: g.Len(), Cell: grid.Cell(1 + i%5)}}}}}
}

// paintAway sends strokes of one session, of which up to eight are on their way at a time,
// and waits until all are taken.
func (b *bench) paintAway(project int64, session, strokes int, stroke func(i int) edit.Edit) error {
	conn, _, err := websocket.DefaultDialer.Dial(fmt.Sprintf("ws://%s/api/projects/%d/socket?session=%d&revision=0", b.address, project, session), nil)
	if err != nil {
		return err
	}
	defer conn.Close()
	sent, taken := 0, 0
	for taken < strokes {
		for sent < strokes && sent-taken < 8 {
			sent++
			if err := conn.WriteMessage(websocket.BinaryMessage, edit.Send(uint64(sent), stroke(sent).Encode())); err != nil {
				return err
			}
		}
		_, answer, err := conn.ReadMessage()
		if err != nil {
			return err
		}
		single, err := edit.Single(answer)
		if err != nil {
			return err
		}
		for _, m := range single {
			if m[0] == edit.MessageTaken {
				taken++
			}
		}
	}
	return nil
}

const clients, each = 9, 4000

// nine lets nine clients paint at once, and says how long it took.
func (b *bench) nine(project int64, m *world.Map, from int) (time.Duration, error) {
	failed := make([]error, clients)
	var wait sync.WaitGroup
	start := time.Now()
	for client := range clients {
		wait.Go(func() {
			failed[client] = b.paintAway(project, 900+from+client, each, func(i int) edit.Edit { return strokeOf(m, from+client, i) })
		})
	}
	wait.Wait()
	return time.Since(start), errors.Join(failed...)
}

// counting is the longest task of a page that does nothing but count for 10 ms a frame,
// while something else goes on: what the machine leaves to any page. 50 if none took as
// long.
func counting(browser *rod.Browser, meanwhile func() error) (float64, error) {
	page := browser.MustIncognito().MustPage()
	defer page.MustClose()
	page.MustEval(`() => {
		window.worst = 0;
		const count = () => {
			const start = performance.now();
			while (performance.now() - start < 10);
			requestAnimationFrame(count);
		};
		` + blocked + `
		blocked((task) => { window.worst = Math.max(window.worst, task); });
		count();
	}`)
	if err := meanwhile(); err != nil {
		return 0, err
	}
	return max(50, page.MustEval(`() => window.worst`).Num()), nil
}

// together measures how many edits a page and nine clients, painting at once, have
// acknowledged, beside the same log row inserted and committed one after another on one
// connection.
func together(b *bench, browser *rod.Browser) error {
	id, d, err := b.project("Together", 512, 512, true)
	if err != nil {
		return err
	}
	db, err := pgx.Connect(b.ctx, b.url)
	if err != nil {
		return err
	}
	defer db.Close(b.ctx)
	page := b.open(browser, id)
	near(page, 1)
	seek(page, "wall")
	page.Keyboard.MustType(input.KeyD)
	// A stroke with each frame, until told to stop.
	page.MustEval(`() => {
		bench.painting = true;
		bench.worst = 50;
		` + blocked + `
		blocked((task) => { bench.worst = Math.max(bench.worst, task); });
		(async () => {
			for (let i = 0; bench.painting; i++) {
				const a = bench.cell(2 + i % 60, 2 + i % 40), z = bench.cell(6 + i % 60, 2 + i % 40);
				bench.fire('pointerdown', a.x, a.y, 0, 1);
				bench.fire('pointermove', z.x, z.y, 0, 1);
				bench.fire('pointerup', z.x, z.y, 0, 0);
				await bench.frame();
			}
		})();
	}`)
	// What the first strokes have the browser compile is in the rows of opening and strokes.
	time.Sleep(time.Second)
	page.MustEval(`() => { bench.worst = 50; }`)
	m := d.Maps[1]
	rows := func() (n int, err error) {
		err = db.QueryRow(b.ctx, "SELECT count(*) FROM log WHERE project_id = $1", id).Scan(&n)
		return n, err
	}
	before, err := rows()
	if err != nil {
		return err
	}
	took, err := b.nine(id, m, 0)
	if err != nil {
		return err
	}
	after, err := rows()
	if err != nil {
		return err
	}
	worst := page.MustEval(`() => { bench.painting = false; return bench.worst; }`).Num()
	start := time.Now()
	page.Timeout(30 * time.Second).MustWait(`() => document.querySelector('[data-saved=saved]') !== null`)
	behind := time.Since(start)
	rate := float64(after-before) / took.Seconds()
	body := strokeOf(m, 0, 0).Encode()
	start = time.Now()
	const alone = 1000
	for i := range alone {
		if _, err := db.Exec(b.ctx, "INSERT INTO log VALUES ($1, $2, $3, $4, $5, $6, $7, $8, now())", id, 1_000_000+i, 78, i+1, "a stroke", 0, body, body); err != nil {
			return err
		}
	}
	bare := alone / time.Since(start).Seconds()
	b.add("a page and nine clients painting at once: edits acknowledged a second / the log row alone, one after another / the share", "70 %", "%.0f / %.0f / %.0f %%", rate, bare, 100*rate/bare)
	page.MustClose()
	floor, err := counting(browser, func() error {
		_, err := b.nine(id, m, clients)
		return err
	})
	if err != nil {
		return err
	}
	b.add(
		fmt.Sprintf("that page meanwhile: its own strokes acknowledged a second / longest task / until all of it was saved afterwards (longest task of a page that only counts 10 ms a frame, beside nine clients: %.0f ms)", floor),
		"50 ms a task",
		"%.0f / %.0f ms / %.0f ms",
		float64(after-before-clients*each)/took.Seconds(),
		worst,
		ms(behind),
	)
	return nil
}
