package tests

import (
	"context"
	"fmt"
	"math/rand/v2"
	"sync"
	"sync/atomic"
	"syscall"
	"testing"
	"time"

	"github.com/jackc/pgx/v5"

	"azzel/cluster"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/store"
)

// A painter paints its own row of the map, cell after cell, whatever becomes of the server: none of its steps can be
// refused for a good reason.
type painter struct {
	*client
	row, made, refused int
}

// again connects until that succeeds, or the storm is over for good.
func (p *painter) again(ctx context.Context) error {
	for ctx.Err() == nil {
		if p.conn != nil {
			p.conn.Close()
		}
		if p.connect() == nil {
			return nil
		}
		time.Sleep(20 * time.Millisecond)
	}
	return ctx.Err()
}

// work paints until the storm is over and all is answered.
func (p *painter) work(ctx context.Context, over *atomic.Bool) error {
	if err := p.again(ctx); err != nil {
		return err
	}
	m := p.Document().Maps[0]
	for !over.Load() || p.Pending() > 0 {
		if !over.Load() && p.Pending() < 12 {
			g := grid.Region{{Y: p.row, X0: p.made % m.Bounds.W, X1: p.made % m.Bounds.W}}
			_, message, err := p.Do(edit.Edit{Label: "paint", Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: 1, Cell: grid.Cell(1 + p.made/m.Bounds.W%9)}}}}})
			if err != nil {
				return err
			}
			p.made++
			_ = p.conn.WriteMessage(2, message) // if the line is cut, it is sent again
		}
		_ = p.conn.SetReadDeadline(time.Now().Add(time.Second))
		_, message, err := p.conn.ReadMessage()
		if err == nil {
			var notices []edit.Notice
			if notices, err = p.Receive(message); err != nil {
				return fmt.Errorf("row %d: %w", p.row, err)
			}
			for _, n := range notices {
				if n.Refused != "" {
					p.refused++
				}
			}
			continue
		}
		if err := p.again(ctx); err != nil {
			return err
		}
	}
	return nil
}

// Server and database are killed and connections to it are ended one by one while several paint: no step that was
// acknowledged is lost, none is there twice, and no good one is refused.
func TestStorm(t *testing.T) {
	rounds := 5
	if !testing.Short() {
		rounds = 100
	}
	s, dir := newOwnSite(t)
	s.create("Storm")
	ctx, cancel := context.WithTimeout(t.Context(), 25*time.Minute)
	defer cancel()
	var over atomic.Bool
	var painters []*painter
	var all sync.WaitGroup
	for i := range 4 {
		p := &painter{client: s.client(uint64(i)), row: 2 + i}
		painters = append(painters, p)
		all.Go(func() {
			if err := p.work(ctx, &over); err != nil {
				t.Errorf("painter %d: %v", i, err)
			}
		})
	}
	r := rand.New(rand.NewPCG(12, 3))
	rest := func(most int) { time.Sleep(time.Duration(r.IntN(most)) * time.Millisecond) }
	ended := 0
	for range rounds {
		rest(400)
		s.kill()
		s.start()
		for range 3 {
			rest(200)
			ended += endOne(ctx, t, dir)
		}
		rest(300)
		if err := syscall.Kill(postmaster(t, dir), syscall.SIGKILL); err != nil {
			t.Fatal(err)
		}
		s.until("the database there again", func() bool { code, _ := s.get("/readyz"); return code == 200 })
	}
	rest(500)
	over.Store(true)
	all.Wait()
	c, err := cluster.Start(ctx, dir)
	if err != nil {
		t.Fatal(err)
	}
	address, err := c.Database(ctx, "azzel")
	if err != nil {
		t.Fatal(err)
	}
	db, err := store.Open(ctx, address, store.Options{})
	if err != nil {
		t.Fatal(err)
	}
	defer db.Close()
	d, revision, err := db.Load(ctx, 1)
	if err != nil {
		t.Fatal(err)
	}
	made := 0
	for i, p := range painters {
		made += p.made
		if p.refused > 0 {
			t.Errorf("%d good steps of painter %d were refused", p.refused, i)
		}
		m := d.Maps[0]
		for k := max(0, p.made-m.Bounds.W); k < p.made; k++ {
			want := grid.Cell(1 + k/m.Bounds.W%9)
			if got := m.Layer(m.PlayerLayer).Cells.At(grid.Point{X: k % m.Bounds.W, Y: p.row}); got != want {
				t.Errorf("step %d of painter %d is not there", k, i)
			}
		}
	}
	t.Logf("%d kills of each, %d connections ended, %d steps", rounds, ended, made)
	if revision != uint64(made) {
		t.Errorf("%d steps are stored, %d were made", revision, made)
	}
	if made < 40*rounds || ended == 0 {
		t.Errorf("only %d steps were made, %d connections ended", made, ended)
	}
}

// endOne ends one connection of the server to its database, if it has any.
func endOne(ctx context.Context, t *testing.T, dir string) int {
	t.Helper()
	c, err := cluster.Start(ctx, dir)
	if err != nil {
		t.Fatal(err)
	}
	conn, err := pgx.Connect(ctx, c.URL)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close(ctx)
	var n int
	err = conn.QueryRow(ctx, `SELECT count(pg_terminate_backend(pid)) FROM (SELECT pid FROM pg_stat_activity
		WHERE application_name = 'azzel server' ORDER BY state = 'idle', random() LIMIT 1) AS one`).Scan(&n)
	if err != nil {
		t.Fatal(err)
	}
	return n
}
