package demo_test

import (
	"slices"
	"testing"

	"azzel/cluster"
	"azzel/core/board"
	"azzel/core/body"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
	"azzel/demo"
	"azzel/store"
)

// install puts the demo into a new database, twice.
func install(t *testing.T) (*store.Store, store.Project, *world.Document) {
	t.Helper()
	c, end, err := cluster.Temporary(t.Context())
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { _ = end() }) // the test is over
	address, err := c.Database(t.Context(), "demo")
	if err != nil {
		t.Fatal(err)
	}
	s, err := store.Open(t.Context(), address, store.Options{})
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(s.Close)
	for range 2 {
		if err := demo.Install(t.Context(), s); err != nil {
			t.Fatal(err)
		}
	}
	list, err := s.Projects(t.Context())
	if err != nil || len(list) != 1 || list[0].Name != demo.Name {
		t.Fatalf("installed twice there are %+v (%v)", list, err)
	}
	d, revision, err := s.Load(t.Context(), list[0].ID)
	if err != nil || revision != uint64(list[0].Revision) {
		t.Fatalf("at revision %d: %v", revision, err)
	}
	return s, list[0], d
}

// The demo is a project as a designer would leave it: its pictures are there,
// what is used of them exists, every tile has a name and a role, every map can
// be reached, and it can be taken back step by step.
func TestDemoIsWhole(t *testing.T) {
	s, p, d := install(t)
	if d.Character(d.Project.Player) == nil {
		t.Error("nobody is played")
	}
	for _, set := range d.Tilesets {
		if set.Builtin() {
			continue
		}
		body, err := s.Blob(t.Context(), p.ID, set.Strip)
		if err != nil {
			t.Fatal(err)
		}
		strip, err := tiles.DecodeStrip(body)
		if err != nil || len(strip.Places) != set.Count || set.Count < 12 {
			t.Errorf("%s has %d tiles (%v)", set.Name, set.Count, err)
		}
		names := map[string]bool{}
		for i := range set.Count {
			is := set.Tile(i)
			if is.Name == "" || names[is.Name] || is.Role == 0 {
				t.Errorf("tile %d of %s is called %q again, or has no role", i, set.Name, is.Name)
			}
			names[is.Name] = true
		}
	}
	for _, c := range d.Crossings {
		for from := range c.Ends {
			door := c.Ends[1-from]
			if at, ok := board.LandingOf(d, c, from); !ok || !door.Cells.Inset(-1).Has(at) {
				t.Errorf("who comes to %s by the doorway at %v lands at %v", d.Map(door.Map).Name, door.Cells, at)
			}
		}
	}
	for _, m := range d.Maps {
		if len(d.CrossingsOf(m.ID)) == 0 && m.Edges == (world.Edges{}) {
			t.Errorf("nothing leads to %s", m.Name)
		}
		for _, c := range grid.BoxRegion(m.Bounds) {
			for x := c.X0; x <= c.X1; x++ {
				there := false
				for _, l := range m.Layers {
					there = there || l.Backdrop.Picture != "" || (l.Counts || m.View == world.SideView) && l.Cells.At(grid.Point{X: x, Y: c.Y}) != 0
				}
				if !there {
					t.Fatalf("%s has no ground at %d, %d", m.Name, x, c.Y)
				}
			}
		}
	}
	log, err := s.Since(t.Context(), p.ID, 0, 1000, 1<<30)
	if err != nil || len(log) == 0 {
		t.Fatal(err)
	}
	for i := len(log) - 1; i >= 0; i-- {
		_, inverse, err := s.Earlier(t.Context(), p.ID, log[i].Session, log[i].Sequence)
		if err != nil {
			t.Fatal(err)
		}
		res, err := edit.Apply(d, edit.Edit{Undoes: log[i].Sequence, Parts: inverse})
		if err != nil || res.Left != 0 {
			t.Fatalf("step %d can't be taken back: %d left (%v)", i, res.Left, err)
		}
		d = res.Document
	}
	if len(d.Maps) != 1 || len(d.Tilesets) != 1 || len(d.Medleys)+len(d.Crossings)+len(d.Characters) != 0 {
		t.Error("taking all steps back does not lead to an empty project")
	}
}

// A walker plays a game with arrow keys alone, as a person would who knows the
// way.
type walker struct {
	t    *testing.T
	doc  *world.Document
	game *play.Game
	size body.Size
}

// A spot is a cell of a map.
type spot struct {
	m world.ID
	c grid.Point
}

func (w *walker) at() spot {
	s := w.game.Status()
	return spot{s.Map, s.Place.Cell(w.doc.Project.Lattice())}
}

// way finds the shortest way over cells in which one can stand to a spot of the
// same map.
func (w *walker) way(to spot) []grid.Point {
	from := w.at()
	ground := body.NewGround(w.doc, w.doc.Map(from.m))
	before := map[grid.Point]grid.Point{from.c: from.c}
	// No way leads through what must be worked first.
	shut := map[grid.Point]bool{}
	for _, p := range w.doc.Map(from.m).Pieces {
		is, _ := w.game.Asked(0).State(p.ID)
		s := kind.StateOf(is)
		shut[ground.Lattice.CellAt(p.Foot)] = shut[ground.Lattice.CellAt(p.Foot)] || p.Kind().Solid && p.Kind().Worked && !(s != nil && s.Passable)
	}
	w.game.Things(func(is play.Thing, _ int, _ body.Size) {
		if is.Type == world.Pushable {
			shut[is.Place.Cell(ground.Lattice)] = true
		}
	})
	for queue := []grid.Point{from.c}; len(queue) > 0; queue = queue[1:] {
		if queue[0] == to.c {
			var path []grid.Point
			for c := to.c; c != from.c; c = before[c] {
				path = append(path, c)
			}
			return path // backwards
		}
		for _, step := range [4]grid.Point{{X: 1}, {Y: 1}, {X: -1}, {Y: -1}} {
			next := queue[0].Add(step)
			if _, seen := before[next]; seen || !ground.Fits(w.size, body.At(ground.Lattice, next)) || ground.Doorway(next) && next != to.c || shut[next] {
				continue
			}
			before[next] = queue[0]
			queue = append(queue, next)
		}
	}
	return nil
}

// walk goes to a spot of the same map and reports whether there is a way.
func (w *walker) walk(to spot) bool {
	path := w.way(to)
	if path == nil && w.at() != to {
		return false
	}
	l := w.doc.Project.Lattice()
	for i := len(path) - 1; i >= 0; i-- {
		goal := body.At(l, path[i])
		for ticks := 0; w.at().m == to.m; ticks++ {
			if w.game.Reads() {
				w.game.Tick(play.Use)
				w.game.Tick(0)
				continue
			}
			// In a scene the player may not move for a while.
			if ticks == 400 {
				w.t.Fatalf("stuck at %v on the way to %v", w.at().c, path[i])
			}
			var in play.Input
			place := w.game.Status().Place
			near := 2 * body.Unit
			switch {
			case place.X < goal.X-near:
				in = play.Right
			case place.X > goal.X+near:
				in = play.Left
			}
			switch {
			case place.Y < goal.Y-near:
				in |= play.Down
			case place.Y > goal.Y+near:
				in |= play.Up
			}
			if in == 0 {
				break
			}
			w.game.Tick(in)
		}
	}
	return true
}

// seam finds two cells side by side on two maps, where both edges are open, and the
// same the other way.
func (w *walker) seam(a, b *world.Map) (there, back []spot) {
	if a.Edges == (world.Edges{}) || b.Edges == (world.Edges{}) {
		return nil, nil
	}
	ground, beyond := body.NewGround(w.doc, a), body.NewGround(w.doc, b)
	on := a.OnBoard()
	for x := on.X; x < on.X+on.W; x++ {
		for _, y := range []int{on.Y, on.Y + on.H - 1} {
			for _, step := range []int{-1, 1} {
				p, q := grid.Point{X: x, Y: y}.Sub(a.Origin), grid.Point{X: x, Y: y + step}.Sub(b.Origin)
				if b.Bounds.Has(q) && ground.Fits(w.size, body.At(ground.Lattice, p)) && beyond.Fits(w.size, body.At(beyond.Lattice, q)) {
					return []spot{{a.ID, p}, {b.ID, q}}, []spot{{b.ID, q}, {a.ID, p}}
				}
			}
		}
	}
	return nil, nil
}

// over walks from a cell across the edge of its map to one on another.
func (w *walker) over(from, to spot) bool {
	in := play.Up
	if w.doc.Map(from.m).Origin.Add(from.c).Y < w.doc.Map(to.m).Origin.Add(to.c).Y {
		in = play.Down
	}
	for range 60 {
		if w.at().m == to.m {
			return true
		}
		w.game.Tick(in)
	}
	return false
}

// level reports whether a map is a level of its own: seen from the side, or with moving platforms.
func level(m *world.Map) bool {
	return m.View == world.SideView || slices.ContainsFunc(m.Pieces, func(p *world.Piece) bool { return p.Type == world.MovingPlatform })
}

// The demo can be played to its end from its spawn: over all its crossings to
// each thing to collect, and to the exit, through both directions of each way.
func TestDemoCanBePlayed(t *testing.T) {
	_, _, d := install(t)
	game, err := play.New(d, play.Start{})
	if err != nil {
		t.Fatal(err)
	}
	if err := demo.PushCrates(play.Record(game), d); err != nil {
		t.Fatal(err)
	}
	w := &walker{t, d, game, body.PlayerSize(d.Project.Lattice())}
	l := d.Project.Lattice()
	// Depth first through the maps, back over the crossing one came by.
	visited := map[world.ID]bool{}
	var exit spot
	var visit func()
	visit = func() {
		here := w.at().m
		visited[here] = true
		for _, p := range d.Map(here).Pieces {
			to := spot{here, l.CellAt(p.Foot)}
			switch p.Type {
			case world.Collectible:
				if !w.walk(to) {
					t.Errorf("there is no way to %s on %s", p.Name, d.Map(here).Name)
				}
				if !game.Taken(p.ID) {
					t.Errorf("%s was reached and not taken", p.Name)
				}
			case world.Exit:
				exit = to
			}
		}
		for _, o := range d.Maps {
			if visited[o.ID] {
				continue
			}
			if there, back := w.seam(d.Map(here), o); there != nil {
				if !w.walk(there[0]) || !w.over(there[0], there[1]) {
					t.Fatalf("the open edge from %s to %s can't be walked over", d.Map(here).Name, o.Name)
				}
				visit()
				if !w.walk(back[0]) || !w.over(back[0], back[1]) {
					t.Fatalf("the open edge from %s to %s can't be walked over", o.Name, d.Map(here).Name)
				}
			}
		}
		for _, c := range d.CrossingsOf(here) {
			for i, end := range c.Ends {
				other := c.Ends[1-i]
				if end.Map != here || visited[other.Map] || level(d.Map(other.Map)) {
					continue
				}
				door := func(e world.End) spot { return spot{e.Map, grid.Point{X: e.Cells.X, Y: e.Cells.Y}} }
				if !w.walk(door(end)) || w.at().m != other.Map {
					t.Fatalf("the way from %s to %s can't be taken", d.Map(here).Name, d.Map(other.Map).Name)
				}
				visit()
				if !w.walk(door(other)) || w.at().m != here {
					t.Fatalf("there is no way back from %s to %s", d.Map(other.Map).Name, d.Map(here).Name)
				}
			}
		}
	}
	if w.game.Tick(0); len(game.Objectives()) != 1 {
		t.Errorf("as the night begins there are %d objectives", len(game.Objectives()))
	}
	visit()
	if len(game.Objectives()) != 0 {
		t.Errorf("with all labels there are %d objectives left", len(game.Objectives()))
	}
	status := game.Status()
	// The levels are played by TestLevelsCanBePlayed.
	total := 0
	for _, m := range d.Maps {
		if level(m) {
			visited[m.ID] = true
			continue
		}
		for _, p := range m.Pieces {
			if p.Type == world.Collectible {
				total++
			}
		}
	}
	if len(visited) != len(d.Maps) || status.Taken != total || total < 5 {
		t.Fatalf("%d of %d maps visited, %d of %d things collected", len(visited), len(d.Maps), status.Taken, total)
	}
	for _, c := range d.CrossingsOf(exit.m) {
		for i, end := range c.Ends {
			if end.Map == w.at().m && c.Ends[1-i].Map == exit.m && w.at().m != exit.m {
				w.walk(spot{end.Map, grid.Point{X: end.Cells.X, Y: end.Cells.Y}})
			}
		}
	}
	if !w.walk(exit) || !game.Status().Finished {
		t.Errorf("the exit can't be reached: one ends at %v", w.at())
	}
}

// The kept replays end as they did, at an exit or by the boilers, and the levels take one to three minutes with all of
// their ideas: with the lift and by the draught, behind a crate on the raft, with every label.
func TestLevelsCanBePlayed(t *testing.T) {
	_, _, d := install(t)
	want := map[string]int{"Through the pipe shaft": 3, "Through the fern grotto": 2, "Night round": 8, "By the boilers": 0}
	endings := map[string]bool{}
	for _, kept := range d.Replays {
		labels, known := want[kept.Name]
		if delete(want, kept.Name); !known || labels > 0 && kept.Ticks() < 60*play.TicksPerSecond || kept.Ticks() > 180*play.TicksPerSecond {
			t.Errorf("%s takes %s", kept.Name, play.Clock(kept.Ticks()))
		}
		again, err := play.NewRerun(d, kept)
		if err != nil {
			t.Fatal(err)
		}
		for !again.Step(play.TicksPerSecond) {
		}
		if o := again.Outcome(); !o.Finished || !o.Same || again.Game().Status().Taken < labels {
			t.Errorf("%s %v, with %d taken", kept.Name, o, again.Game().Status().Taken)
		}
		name, _ := again.Game().Ending()
		endings[name] = true
	}
	if len(want) > 0 || len(endings) != 2 || !endings["By the warm boilers"] {
		t.Errorf("not kept: %v; the endings are %v", want, endings)
	}
}
