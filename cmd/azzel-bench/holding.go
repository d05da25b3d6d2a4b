package main

import (
	"context"
	"fmt"
	"io"
	"math/rand/v2"
	"net/http"
	"runtime"
	"slices"
	"sync"
	"time"

	"github.com/fasthttp/websocket"
	"github.com/jackc/pgx/v5"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/world"
)

// holding measures what a server with much behind it does: openings after many and after large steps, painting beside
// the shortening of a log, and what is stored.
func holding(b *bench) error {
	db, err := pgx.Connect(b.ctx, b.url)
	if err != nil {
		return err
	}
	defer db.Close(b.ctx)
	for _, part := range []func(*bench, *pgx.Conn) error{manySteps, largeSteps, besideShortening, storedBytes} {
		if err := part(b, db); err != nil {
			return err
		}
	}
	return nil
}

// fillLog puts steps that were made before into the log of a project: of so many sessions, over so many days.
func fillLog(b *bench, db *pgx.Conn, project int64, steps, sessions, days int, body, inverse []byte) error {
	_, err := db.Exec(b.ctx, `INSERT INTO log SELECT $1, n, 100 + (n - 1) % $3, 1 + (n - 1) / $3, 'a stroke', 0, $5, $6, now() - make_interval(secs => $4 * 86400.0 * ($2 - n) / $2)
		FROM generate_series(1, $2::integer) AS n`, project, steps, sessions, days, body, inverse)
	if err == nil {
		_, err = db.Exec(b.ctx, "UPDATE projects SET revision = $2 WHERE id = $1", project, steps)
	}
	if err == nil {
		_, err = db.Exec(b.ctx, "ANALYZE log")
	}
	if err != nil {
		return fmt.Errorf("filling the log: %w", err)
	}
	return nil
}

// opened opens a project so many times at once for the session 100, and says how long each took, in milliseconds, how
// large the answer is, and how much more was in use in memory, the server's part and this one's together.
func (b *bench) opened(project int64, atOnce int) (took []float64, bytes, more int64, err error) {
	runtime.GC()
	var was, is runtime.MemStats
	runtime.ReadMemStats(&was)
	done := make(chan struct{})
	var sampling sync.WaitGroup
	sampling.Go(func() {
		for {
			select {
			case <-done:
				return
			case <-time.After(2 * time.Millisecond):
			}
			runtime.ReadMemStats(&is)
			more = max(more, int64(is.HeapInuse)-int64(was.HeapInuse))
		}
	})
	var mu sync.Mutex
	var all sync.WaitGroup
	for range atOnce {
		all.Go(func() {
			start := time.Now()
			res, failed := http.Get(fmt.Sprintf("http://%s/api/projects/%d/opening?session=100", b.address, project))
			if failed == nil {
				defer res.Body.Close()
				var n int64
				n, failed = io.Copy(io.Discard, res.Body)
				if failed == nil && res.StatusCode != http.StatusOK {
					failed = fmt.Errorf("opening project %d: %s", project, res.Status)
				}
				mu.Lock()
				bytes = n
				mu.Unlock()
			}
			mu.Lock()
			defer mu.Unlock()
			if took = append(took, ms(time.Since(start))); failed != nil {
				err = failed
			}
		})
	}
	all.Wait()
	close(done)
	sampling.Wait()
	return took, bytes, more, err
}

func (b *bench) openings(what string, project int64) error {
	var all []float64
	var bytes, most int64
	for range 7 {
		took, n, more, err := b.opened(project, 1)
		if err != nil {
			return err
		}
		all, bytes, most = append(all, took...), n, max(most, more)
	}
	slices.Sort(all)
	four, _, more, err := b.opened(project, 4)
	if err != nil {
		return err
	}
	b.add("opening "+what+", best / median / worst of 7; four at once, the slowest; bytes sent; memory more in use with one / with four", "28 ms for 200,000 steps", "%.0f / %.0f / %.0f ms; %.0f ms; %.1f MB; %d / %d MB",
		all[0], all[3], all[6], slices.Max(four), float64(bytes)/(1<<20), most>>20, more>>20)
	return nil
}

func manySteps(b *bench, db *pgx.Conn) error {
	id, d, err := b.project("Many steps", 512, 512, true)
	if err != nil {
		return err
	}
	body, inverse, err := stored(d, strokeOf(d.Maps[1], 0, 1))
	if err != nil {
		return err
	}
	if err := fillLog(b, db, id, 200_000, 100, 20, body, inverse); err != nil {
		return err
	}
	return b.openings("a project with 200,000 steps", id)
}

// stored is what the log has of a step: the step, and what takes it back.
func stored(d *world.Document, e edit.Edit) (body, inverse []byte, err error) {
	res, err := edit.Apply(d, e)
	if err != nil {
		return nil, nil, err
	}
	e.Parts = res.Parts
	return e.Encode(), edit.EncodeParts(res.Inverse), nil
}

func largeSteps(b *bench, db *pgx.Conn) error {
	id, d, err := b.project("Large steps", 1000, 1000, true)
	if err != nil {
		return err
	}
	r := rand.New(rand.NewPCG(1, 2))
	g := grid.BoxRegion(grid.Rect{W: 1000, H: 1000})
	noise := func() edit.Edit {
		m := d.Maps[1]
		return edit.Edit{Label: "noise", Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.RunsOf(g, func(grid.Point) grid.Cell { return grid.Cell(1 + r.IntN(5)) })}}}
	}
	res, err := edit.Apply(d, noise())
	if err != nil {
		return err
	}
	body, inverse, err := stored(res.Document, noise())
	if err != nil {
		return err
	}
	if err := fillLog(b, db, id, 160, 1, 1, body, inverse); err != nil {
		return err
	}
	return b.openings(fmt.Sprintf("a project after 160 steps of a million cells (%.1f MB each, with what takes it back)", float64(len(body)+len(inverse))/(1<<20)), id)
}

// paintSteadily paints a stroke every 20 ms for a while, and gives how long each took until it was acknowledged.
func (b *bench) paintSteadily(ctx context.Context, project int64, m *world.Map, client int) (took []float64, err error) {
	conn, _, err := websocket.DefaultDialer.Dial(fmt.Sprintf("ws://%s/api/projects/%d/socket?session=%d&revision=0", b.address, project, client), nil)
	if err != nil {
		return nil, err
	}
	defer conn.Close()
	for sequence := uint64(1); ctx.Err() == nil; sequence++ {
		start := time.Now()
		if err := conn.WriteMessage(websocket.BinaryMessage, edit.Send(sequence, strokeOf(m, client%10, int(sequence)).Encode())); err != nil {
			return nil, err
		}
		for taken := false; !taken; {
			_, answer, err := conn.ReadMessage()
			if err != nil {
				return nil, err
			}
			single, err := edit.Single(answer)
			if err != nil {
				return nil, err
			}
			taken = slices.ContainsFunc(single, func(m []byte) bool { return m[0] == edit.MessageTaken })
		}
		took = append(took, ms(time.Since(start)))
		time.Sleep(time.Until(start.Add(20 * time.Millisecond)))
	}
	return took, nil
}

// ten lets ten clients paint steadily until the context ends.
func (b *bench) ten(ctx context.Context, project int64, m *world.Map, from int) ([]float64, error) {
	var mu sync.Mutex
	var all []float64
	var failed error
	var wait sync.WaitGroup
	for client := range 10 {
		wait.Go(func() {
			took, err := b.paintSteadily(ctx, project, m, from+client)
			mu.Lock()
			defer mu.Unlock()
			if all = append(all, took...); err != nil {
				failed = err
			}
		})
	}
	wait.Wait()
	slices.Sort(all)
	return all, failed
}

func besideShortening(b *bench, db *pgx.Conn) error {
	id, d, err := b.project("Shortened", 512, 512, true)
	if err != nil {
		return err
	}
	paint := func(ctx context.Context, from int) (string, error) {
		p, fresh, err := b.project("Painted", 512, 512, true)
		if err != nil {
			return "", err
		}
		all, err := b.ten(ctx, p, fresh.Maps[1], from)
		if err != nil {
			return "", err
		}
		return fmt.Sprintf("%.1f / %.1f / %.0f ms (%d)", all[len(all)/2], all[len(all)*99/100], all[len(all)-1], len(all)), nil
	}
	quiet, cancel := context.WithTimeout(b.ctx, 5*time.Second)
	defer cancel()
	alone, err := paint(quiet, 2000)
	if err != nil {
		return err
	}
	body, inverse, err := stored(d, strokeOf(d.Maps[1], 0, 1))
	if err != nil {
		return err
	}
	if err := fillLog(b, db, id, 100_000, 10, 60, body, inverse); err != nil {
		return err
	}
	shortening, end := context.WithCancel(b.ctx)
	var removed int64
	var failed error
	start := time.Now()
	var took time.Duration
	go func() {
		defer end()
		removed, failed = b.store.Shorten(b.ctx, id, time.Now())
		took = time.Since(start)
	}()
	beside, err := paint(shortening, 3000)
	<-shortening.Done()
	if err == nil {
		err = failed
	}
	if err != nil {
		return err
	}
	b.add("ten clients painting a stroke every 20 ms each, until it is acknowledged, median / p99 / worst (strokes): alone", "–", "%s", alone)
	b.add(fmt.Sprintf("the same beside the shortening of a log of 100,000 steps by %d, which takes %.1f s", removed, took.Seconds()), "p99 under 50 ms", "%s", beside)
	return nil
}

// storedBytes measures what a stroke of twelve cells takes in the database, and a month of work before and after its
// log was shortened.
func storedBytes(b *bench, db *pgx.Conn) error {
	id, d, err := b.project("A month", 512, 512, true)
	if err != nil {
		return err
	}
	m := d.Maps[1]
	size := func() (n int64, err error) {
		err = db.QueryRow(b.ctx, "SELECT pg_total_relation_size('log') + pg_total_relation_size('chunks') + pg_total_relation_size('entities') + pg_total_relation_size('blobs')").Scan(&n)
		return n, err
	}
	before, err := size()
	if err != nil {
		return err
	}
	const strokes = 3000
	stroke := func(i int) edit.Edit {
		g := grid.Region{{Y: i % 500, X0: i * 13 % 480, X1: i*13%480 + 11}}
		return edit.Edit{Label: "lay 12 cells on Ground", Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: 12, Cell: grid.Cell(1 + i%5)}}}}}
	}
	if err := b.paintAway(id, 8, strokes, stroke); err != nil {
		return err
	}
	after, err := size()
	if err != nil {
		return err
	}
	month, d, err := b.project("A whole month", 512, 512, true)
	if err != nil {
		return err
	}
	m = d.Maps[1]
	body, inverse, err := stored(d, stroke(7))
	if err != nil {
		return err
	}
	logSize := func() (n int64, err error) {
		err = db.QueryRow(b.ctx, "SELECT COALESCE(sum(pg_column_size(log.*)), 0) FROM log WHERE project_id = $1", month).Scan(&n)
		return n, err
	}
	// Twenty days of work of 15,000 strokes each, each in a session of its own.
	if err := fillLog(b, db, month, 300_000, 20, 30, body, inverse); err != nil {
		return err
	}
	full, err := logSize()
	if err != nil {
		return err
	}
	if _, err := b.store.Shorten(b.ctx, month, time.Now()); err != nil {
		return err
	}
	short, err := logSize()
	if err != nil {
		return err
	}
	b.add("bytes in the database a stroke of 12 cells, with indexes, tables and all that is swept within a day", "–", "%d (its step and what takes it back: %d)", (after-before)/strokes, len(body)+len(inverse))
	b.add("the log of a month, 300,000 strokes in 20 sessions: as written / once it was shortened", "–", "%.1f / %.1f MB", float64(full)/(1<<20), float64(short)/(1<<20))
	return nil
}
