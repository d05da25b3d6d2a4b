package world

import (
	"bytes"
	"testing"

	"azzel/core/grid"
)

// A document of an older version is read as one without what that version did not have; written anew it
// is the same one of today. One of a version that is not known yet, or not any more, is refused, and so
// is one that was cut off anywhere.
func TestOldDocuments(t *testing.T) {
	d, err := Start(Project{Name: "Ferns", CellW: 16, CellH: 16, SeenW: 9, SeenH: 9}, &Counter{Prefix: 3})
	if err != nil {
		t.Fatal(err)
	}
	now := d.Encode()
	// Replays, tracks, areas, items and facts stand last, each list with a length of one byte, here 0.
	for version, lists := range map[byte]int{7: 0, 6: 1, 5: 2, 4: 4, 3: 5} {
		old := bytes.Clone(now[:len(now)-lists])
		old[1] = version
		back, err := Decode(old)
		if err != nil {
			t.Fatalf("version %d: %v", version, err)
		}
		if !bytes.Equal(back.Encode(), now) {
			t.Errorf("version %d, read and written anew, is another document", version)
		}
		if _, err := Decode(old[:len(old)-1]); err == nil {
			t.Errorf("version %d, cut off, is read", version)
		}
	}
	for _, version := range []byte{0, 2, 8, 255} {
		other := bytes.Clone(now)
		other[1] = version
		if _, err := Decode(other); err == nil {
			t.Errorf("version %d is read", version)
		}
	}
}

// Tracks and areas come back as they were, go with nothing but their map, and are refused where they
// are more or further off than there may be.
func TestTracksAndAreasStored(t *testing.T) {
	d, err := Start(Project{Name: "Ferns", CellW: 16, CellH: 16, SeenW: 9, SeenH: 9}, &Counter{Prefix: 3})
	if err != nil {
		t.Fatal(err)
	}
	m := d.Maps[0]
	track := func(points ...grid.Point) *Track { return &Track{Name: "Round", Map: m.ID, Points: points} }
	area := func(set func(*Area)) *Area {
		a := &Area{Name: "Draught", Map: m.ID, Cells: grid.BoxRegion(grid.Rect{X: 1, Y: 1, W: 3, H: 2})}
		set(a)
		return a
	}
	put := func(d *Document, r Ref, values []Value) (*Document, error) {
		draft := d.Draft()
		if err := draft.Put(r, values); err != nil {
			return nil, err
		}
		return draft.Done()
	}
	good := track(grid.Point{X: 5, Y: 7}, grid.Point{X: -40, Y: 900})
	good.Round = true
	if d, err = put(d, Ref{Sort: SortTrack, ID: 70}, good.Values()); err != nil {
		t.Fatal(err)
	}
	windy := area(func(a *Area) { a.Forces, a.Zoom, a.Holds = Forces{30, -640, 640}, 400, true })
	if d, err = put(d, Ref{Sort: SortArea, ID: 71}, windy.Values()); err != nil {
		t.Fatal(err)
	}
	back, err := Decode(d.Encode())
	if err != nil || !bytes.Equal(back.Encode(), d.Encode()) {
		t.Fatalf("stored, it is another document: %v", err)
	}
	if got := back.Track(70); !got.Round || len(got.Points) != 2 || got.Points[1] != good.Points[1] {
		t.Errorf("the track came back as %+v", got)
	}
	if got := back.Area(71); got.Forces != windy.Forces || got.Zoom != 400 || !got.Holds || got.Cells.Len() != 6 {
		t.Errorf("the area came back as %+v", got)
	}
	draft := d.Draft()
	if err := draft.Remove(Ref{Sort: SortMap, ID: m.ID}); err == nil {
		if _, err := draft.Done(); err == nil {
			t.Error("a map was taken away from under its track and area")
		}
	}
	far := 1 << 30
	elsewhere := track(grid.Point{})
	elsewhere.Map = 99
	for name, values := range map[string][]Value{
		"a track without points": track().Values(), "a track too far off": track(grid.Point{X: far}).Values(), "a track on no map": elsewhere.Values(),
	} {
		if _, err := put(d, Ref{Sort: SortTrack, ID: 80}, values); err == nil {
			t.Errorf("%s is taken", name)
		}
	}
	for name, set := range map[string]func(*Area){
		"without cells": func(a *Area) { a.Cells = nil }, "on no map": func(a *Area) { a.Map = 99 }, "with less than no gravity": func(a *Area) { a.Gravity = -1 },
		"with too much wind": func(a *Area) { a.WindY = 641 }, "seen too small": func(a *Area) { a.Zoom = 24 }, "seen too large": func(a *Area) { a.Zoom = 401 },
	} {
		if _, err := put(d, Ref{Sort: SortArea, ID: 80}, area(set).Values()); err == nil {
			t.Errorf("an area %s is taken", name)
		}
	}
}

// What comes of odds comes in their proportions over all numbers, and never what has no weight.
func TestOdds(t *testing.T) {
	for _, o := range []Odds{{1, 2, 3, 4, 5}, {0, 0, 7}, {0, 1000, 0, 0, 1}} {
		came := map[ID]int{}
		for n := range o.Sum() {
			came[o.Draw(n)]++
		}
		for i, of := range []ID{0, Collectible, Foe, Hazard, Pushable} {
			if came[of] != o[i] {
				t.Errorf("of %v type %d comes %d times of %d, want %d", o, of, came[of], o.Sum(), o[i])
			}
		}
	}
}
