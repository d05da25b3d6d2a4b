package main

import (
	"fmt"
	"slices"
	"time"

	"github.com/fasthttp/websocket"
	"github.com/jackc/pgx/v5"

	"azzel/core/edit"
	"azzel/core/grid"
)

// acknowledged measures an edit from send to acknowledgement, beside the same
// log row inserted and committed one after another on one connection.
func acknowledged(b *bench) error {
	id, d, err := b.project("Acknowledged", 512, 512, true)
	if err != nil {
		return err
	}
	conn, _, err := websocket.DefaultDialer.Dial(fmt.Sprintf("ws://%s/api/projects/%d/socket?session=77&revision=0", b.address, id), nil)
	if err != nil {
		return err
	}
	defer conn.Close()
	db, err := pgx.Connect(b.ctx, b.url)
	if err != nil {
		return err
	}
	defer db.Close(b.ctx)
	m := d.Maps[1]
	const rounds = 300
	var taken, rows []time.Duration
	for i := range rounds {
		g := grid.BoxRegion(grid.Rect{X: i % 400, Y: i % 500, W: 20, H: 3})
		e := edit.Edit{Label: "a stroke", Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: grid.Runs{{N: g.Len(), Cell: grid.Cell(1 + i%5)}}}}}
		body := e.Encode()
		start := time.Now()
		if err := conn.WriteMessage(websocket.BinaryMessage, edit.Send(uint64(i+1), body)); err != nil {
			return err
		}
		if _, answer, err := conn.ReadMessage(); err != nil || answer[0] != edit.MessageTaken {
			return fmt.Errorf("edit %d was answered %q: %w", i, answer, err)
		}
		taken = append(taken, time.Since(start))
		start = time.Now()
		if _, err := db.Exec(b.ctx, "INSERT INTO log VALUES ($1, $2, $3, $4, $5, $6, $7, $8, now())", id, 1_000_000+i, 78, i+1, e.Label, 0, body, body); err != nil {
			return err
		}
		rows = append(rows, time.Since(start))
	}
	slices.Sort(taken)
	slices.Sort(rows)
	b.add("an edit from send to acknowledged, median / 95 %", "≤ the row alone + 4 ms", "%.1f / %.1f ms", ms(taken[rounds/2]), ms(taken[rounds*95/100]))
	b.add("the same log row inserted and committed alone, median / 95 %", "the floor of the line above", "%.1f / %.1f ms", ms(rows[rounds/2]), ms(rows[rounds*95/100]))
	return nil
}

func ms(d time.Duration) float64 { return float64(d) / float64(time.Millisecond) }
