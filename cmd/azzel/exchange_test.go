package main

import (
	"bytes"
	"context"
	"io"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"azzel/cluster"
	"azzel/core/grid"
	"azzel/demo"
	"azzel/store"
)

var shared *cluster.Cluster

func TestMain(m *testing.M) { os.Exit(cluster.RunTests(m, &shared)) }

// The demo goes out and in by the command line, whole, and so do a map and a layer;
// out, in and out again gives the same bytes.
func TestExportAndImport(t *testing.T) {
	address, err := shared.Database(t.Context(), t.Name())
	if err != nil {
		t.Fatal(err)
	}
	s, err := store.Open(t.Context(), address)
	if err != nil {
		t.Fatal(err)
	}
	defer s.Close()
	if err := demo.Install(t.Context(), s); err != nil {
		t.Fatal(err)
	}
	dir := t.TempDir()
	type command func(context.Context, *store.Store, []string, io.Writer) error
	run := func(c command, args ...string) {
		t.Helper()
		if err := c(t.Context(), s, args, io.Discard); err != nil {
			t.Fatalf("%v: %v", args, err)
		}
	}
	read := func(name string) []byte {
		t.Helper()
		b, err := os.ReadFile(filepath.Join(dir, name))
		if err != nil {
			t.Fatal(err)
		}
		return b
	}
	run(export, "-o", dir+"/a.zip", "night shift")
	run(bring, dir+"/a.zip")
	run(export, "-o", dir+"/b.zip", "2")
	if !bytes.Equal(read("a.zip"), read("b.zip")) {
		t.Error("out, in and out again gave other bytes")
	}
	run(export, "-o", dir+"/yard.png", "-map", "potting yard", "-scale", "2", "1")
	if !bytes.HasPrefix(read("yard.png"), []byte("\x89PNG")) {
		t.Error("no PNG was written")
	}
	before, _, err := s.Load(t.Context(), 2)
	if err != nil {
		t.Fatal(err)
	}
	m := before.Maps[0]
	name, layer := m.Name, m.Layers[0].Name
	run(export, "-o", dir+"/ground.csv", "-map", name, "-layer", layer, "2")
	lines := strings.Split(string(read("ground.csv")), "\r\n")
	first := strings.Split(lines[0], ",")
	first[0] = "a3"
	lines[0] = strings.Join(first, ",")
	if err := os.WriteFile(dir+"/changed.csv", []byte("\ufeff"+strings.Join(lines, "\n")), 0o600); err != nil {
		t.Fatal(err)
	}
	run(bring, "-map", name, "-layer", layer, dir+"/changed.csv", "2")
	after, _, err := s.Load(t.Context(), 2)
	if err != nil {
		t.Fatal(err)
	}
	differ := 0
	for y := range m.Bounds.H {
		for x := range m.Bounds.W {
			at := grid.Point{X: m.Bounds.X + x, Y: m.Bounds.Y + y}
			if m.Layers[0].Cells.At(at) != after.Maps[0].Layers[0].Cells.At(at) {
				differ++
			}
		}
	}
	if set, i := after.TilesetOf(after.Maps[0].Layers[0].Cells.At(grid.Point{X: m.Bounds.X, Y: m.Bounds.Y}).Tile()); i != 2 || set != after.Tilesets[0] {
		t.Error("the cell that was changed in the file is not what it says")
	}
	if differ == 0 || differ > 9 { // the cell, and bonds that it was among
		t.Errorf("%d cells are not as they were", differ)
	}
	if err := os.WriteFile(dir+"/ragged.csv", []byte("a1,a2\na1\n"), 0o600); err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct {
		do   command
		args []string
		says string
	}{
		{export, []string{"Orchids"}, `no project "Orchids"; there are`},
		{export, []string{"night shift"}, "2 projects are called"},
		{export, []string{"-map", "Orchids", "1"}, "no map"},
		{export, []string{"-map", name, "-layer", "Sky", "1"}, "has no layer"},
		{export, []string{"-layer", "Ground", "1"}, "usage"},
		{export, []string{"-map", name, "-scale", "3", "1"}, "1 : 1, 2, 4 or 8"},
		{bring, []string{dir + "/yard.png"}, "no bundle"},
		{bring, []string{dir + "/none.zip"}, "none.zip"},
		{bring, []string{"-map", name, "-layer", layer, dir + "/ragged.csv", "2"}, "row 2 has 1 columns"},
	} {
		if err := c.do(t.Context(), s, c.args, io.Discard); err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%v: %v; want %q", c.args, err, c.says)
		}
	}
}
