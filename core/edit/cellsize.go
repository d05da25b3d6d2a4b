package edit

import (
	"fmt"

	"azzel/core/grid"
	"azzel/core/world"
)

// A CellSize is another size of the project's cells, in pixels. All maps keep their cells; what is measured in pixels goes
// along: where pieces stand and go to, the points of tracks, backdrops, and the bodies of characters without a picture.
type CellSize struct{ W, H int }

// Check reports, in words for the designer, what keeps the cells of a project from having this size.
func (s CellSize) Check(d *world.Document) error {
	next := d.Project
	next.CellW, next.CellH = s.W, s.H
	if err := next.Check(); err != nil {
		return err
	}
	for _, t := range d.Tilesets {
		if err := t.Cut.CheckCell(s.W, s.H); err != nil {
			return fmt.Errorf("%s: %w", t.Name, err)
		}
	}
	return nil
}

// Edit is the step that gives the cells this size.
func (s CellSize) Edit(d *world.Document) (Edit, error) {
	if err := s.Check(d); err != nil {
		return Edit{}, err
	}
	e := Edit{Label: fmt.Sprintf("make cells %d × %d px", s.W, s.H)}
	change := func(ref world.Ref, was, is []world.Value) { e.Parts = append(e.Parts, Changes(ref, was, is)...) }
	across := func(n int) int { return n * s.W / d.Project.CellW }
	down := func(n int) int { return n * s.H / d.Project.CellH }
	project := d.Project
	project.CellW, project.CellH = s.W, s.H
	project.Camera.Shake = across(project.Camera.Shake)
	change(world.Ref{Sort: world.SortProject}, d.Project.Values(), project.Values())
	was, is := d.Project.Lattice(), project.Lattice()
	for _, m := range d.Maps {
		for _, l := range m.Layers {
			next := *l
			next.Backdrop.X, next.Backdrop.Y = across(l.Backdrop.X), down(l.Backdrop.Y)
			change(world.Ref{Sort: world.SortLayer, Map: m.ID, ID: l.ID}, l.Values(), next.Values())
		}
		for _, p := range m.Pieces {
			next := *p
			next.Foot = rescaled(p.Foot, was, is)
			next.Props = p.Props.Rescaled(across, down)
			change(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, p.Values(), next.Values())
		}
	}
	for _, t := range d.Tracks {
		next := *t
		next.Points = make([]grid.Point, len(t.Points))
		for i, at := range t.Points {
			next.Points[i] = rescaled(at, was, is)
		}
		change(world.Ref{Sort: world.SortTrack, ID: t.ID}, t.Values(), next.Values())
	}
	for _, p := range d.Patches {
		next := *p
		next.Pieces = make([]world.BlockPiece, len(p.Pieces))
		for i, piece := range p.Pieces {
			next.Pieces[i] = piece
			next.Pieces[i].Foot = rescaled(piece.Foot, was, is)
			next.Pieces[i].Props = piece.Props.Rescaled(across, down)
		}
		change(world.Ref{Sort: world.SortPatch, ID: p.ID}, p.Values(), next.Values())
	}
	for _, c := range d.Characters {
		if c.Picture != "" {
			continue
		}
		next := *c
		next.BodyW, next.BodyH = side(across, c.BodyW), side(down, c.BodyH)
		next.AboveW, next.AboveH = side(across, c.AboveW), side(down, c.AboveH)
		change(world.Ref{Sort: world.SortCharacter, ID: c.ID}, c.Values(), next.Values())
	}
	return e, nil
}

// side is the side of a body after scaling; 0 stays what is usual.
func side(scaled func(int) int, n int) int {
	if n == 0 {
		return 0
	}
	return max(1, scaled(n))
}

// rescaled is a pixel of a map as it lies in the same cell of another size: as far from its left, and from its lower edge.
func rescaled(at grid.Point, was, is grid.Lattice) grid.Point {
	c := was.CellAt(at)
	within := at.Sub(was.Pixel(c))
	return is.Pixel(c).Add(grid.Point{X: within.X * is.W / was.W, Y: is.H - (was.H-within.Y)*is.H/was.H})
}
