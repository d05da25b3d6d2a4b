package exchange_test

import (
	"bytes"
	"fmt"
	"regexp"
	"strings"
	"testing"

	"azzel/core/edit"
	"azzel/core/exchange"
	"azzel/core/grid"
	"azzel/core/play/generate"
	"azzel/core/world"
)

// draughty is a generated project with an area whose cells lie beside its map, as they do once the
// map was made smaller, and a track that leads there.
func draughty(t *testing.T) *world.Document {
	d, err := generate.World(5)
	if err != nil {
		t.Fatal(err)
	}
	m := d.Maps[0]
	right, down := m.Bounds.X+m.Bounds.W, m.Bounds.Y+m.Bounds.H
	area := &world.Area{Name: "Draught", Map: m.ID, Cells: grid.BoxRegion(grid.Rect{X: right - 2, Y: down + 1, W: 5, H: 2}), Forces: world.Forces{WindX: 7, WindY: -3}}
	track := &world.Track{Name: "Night round", Map: m.ID, Points: []grid.Point{{X: right * 16, Y: down * 16}, {X: -8, Y: 8}}}
	res, err := edit.Apply(d, edit.Edit{Parts: []edit.Part{
		edit.Put{Ref: world.Ref{Sort: world.SortArea, ID: 43 << 32}, Values: area.Values()},
		edit.Put{Ref: world.Ref{Sort: world.SortTrack, ID: 44 << 32}, Values: track.Values()}}})
	if err != nil {
		t.Fatal(err)
	}
	return res.Document
}

// What lies beside its map comes back. Cells in no order, without end or out of reach are refused, and
// it is said where.
func TestAreasBesideTheMap(t *testing.T) {
	d := draughty(t)
	whole := written(t, d, library{})
	c, err := exchange.Read(bytes.NewReader(whole), int64(len(whole)), nil)
	if err != nil {
		t.Fatal(err)
	}
	same(t, d, c.Document)
	cells := regexp.MustCompile(`(?s)"cells": \[\s*\[.*?\]\s*\]`)
	wide := make([]string, 40)
	for i := range wide {
		wide[i] = fmt.Sprintf("[%d, -500000, 500000]", i)
	}
	for _, bad := range []struct{ cells, says string }{
		{"[3, 5, 4]", "run 1"},
		{"[3, 1, 4], [3, 4, 6]", "run 2"},
		{"[3, 1, 4], [2, 1, 4]", "run 2"},
		{"[3, 1, 2000000]", "too far away"},
		{"[-9223372036854775808, 0, 1]", "too far away"},
		{"[3, -9223372036854775808, 9223372036854775807]", "too far away"},
		{strings.Join(wide, ", "), "more than"},
	} {
		parts := unpacked(t, whole)
		before := parts["maps/1.json"]
		parts["maps/1.json"] = cells.ReplaceAllString(before, `"cells": [`+bad.cells+`]`)
		if parts["maps/1.json"] == before {
			t.Fatalf("the map holds no area: %s", before)
		}
		bundle := packed(parts)
		_, err := exchange.Read(bytes.NewReader(bundle), int64(len(bundle)), nil)
		if err == nil || !strings.Contains(err.Error(), "area 1") || !strings.Contains(err.Error(), bad.says) {
			t.Errorf("cells of %.60s: %v", bad.cells, err)
		}
	}
}
