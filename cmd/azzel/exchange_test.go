package main

import (
	"bytes"
	"context"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"azzel/cluster"
	"azzel/core/grid"
	"azzel/core/world"
	"azzel/demo"
	"azzel/store"
)

var shared *cluster.Cluster

func TestMain(m *testing.M) { os.Exit(cluster.RunTests(m, &shared)) }

// withDemo is a store of its own with the demo in it.
func withDemo(t *testing.T) *store.Store {
	t.Helper()
	address, err := shared.Database(t.Context(), t.Name())
	if err != nil {
		t.Fatal(err)
	}
	s, err := store.Open(t.Context(), address, store.Options{})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	if err := demo.Install(t.Context(), s); err != nil {
		t.Fatal(err)
	}
	return s
}

// The demo goes out and in by the command line, whole, and so do a map and a layer;
// out, in and out again gives the same bytes.
func TestExportAndImport(t *testing.T) {
	s := withDemo(t)
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

// The demo's night round is played by the command line and ends as it did when it was kept, from
// the project and from a file of its own; altered, or on another project, it is refused in words.
func TestReplayCommand(t *testing.T) {
	s := withDemo(t)
	d, _, err := s.Load(t.Context(), 1)
	if err != nil {
		t.Fatal(err)
	}
	round := d.Replays[0]
	if seconds := round.Ticks() / 60; seconds < 60 || seconds > 180 || !round.Samples[len(round.Samples)-1].Finished {
		t.Errorf("the night round takes %d s, or comes to no end", seconds)
	}
	state := fmt.Sprintf("state %016x at the end", round.End)
	file := t.TempDir() + "/round.json"
	other, err := world.Start(world.Project{Name: "Other", CellW: 16, CellH: 16, SeenW: 20, SeenH: 12}, &world.Counter{Prefix: 9000})
	if err != nil {
		t.Fatal(err)
	}
	if _, err := s.Create(t.Context(), other); err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct {
		args []string
		says string
	}{
		{[]string{"night shift"}, "as it was kept\n  " + state},
		{[]string{"-o", file, "1", "night round"}, "Wrote "},
		{[]string{"1", file}, "as it was kept\n  " + state},
		{[]string{"-o", file + "2", "1", "through the fern grotto"}, "Wrote "},
		{[]string{"1", file + "2"}, "as it was kept"},
		{[]string{"other"}, "no kept replays"},
		{[]string{"-o", file, "1", "morning round"}, "Night round"},
		{[]string{"other", file}, "of another project"},
		{[]string{"1", file + "x"}, "no such file"},
	} {
		var out bytes.Buffer
		err := replays(t.Context(), s, c.args, &out)
		if text := fmt.Sprint(out.String(), err); !strings.Contains(text, c.says) {
			t.Errorf("replay %v: %s, want %q", c.args, text, c.says)
		}
	}
	text, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	if err := os.WriteFile(file, text[:len(text)-100], 0o600); err != nil {
		t.Fatal(err)
	}
	if err := replays(t.Context(), s, []string{"1", file}, io.Discard); err == nil || !strings.Contains(err.Error(), "cut short") {
		t.Errorf("cut short: %v", err)
	}
}
