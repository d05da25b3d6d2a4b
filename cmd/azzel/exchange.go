package main

import (
	"bytes"
	"context"
	"errors"
	"flag"
	"fmt"
	"io"
	"os"
	"path/filepath"
	"strconv"
	"strings"

	"azzel/cluster"
	"azzel/core/edit"
	"azzel/core/exchange"
	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/picture"
	"azzel/core/rows"
	"azzel/core/world"
	"azzel/store"
)

// withStore runs a command on the database that serve uses, which is started if it
// does not run.
func withStore(ctx context.Context, do func(*store.Store) error) error {
	url, err := databaseURL(ctx)
	if err != nil {
		return err
	}
	s, err := store.Open(ctx, url, store.Options{})
	if err != nil {
		return err
	}
	defer s.Close()
	return do(s)
}

// databaseURL is where the database is that serve uses, which is started if it does not run.
func databaseURL(ctx context.Context) (string, error) {
	if url := os.Getenv("AZZEL_DATABASE_URL"); url != "" {
		return url, nil
	}
	dir, err := cluster.DefaultDir()
	if err != nil {
		return "", err
	}
	return ownDatabase(ctx, dir)
}

// findProject finds a project by its number or its name.
func findProject(ctx context.Context, s *store.Store, what string) (store.Project, error) {
	list, err := s.Projects(ctx)
	if err != nil {
		return store.Project{}, err
	}
	var found []store.Project
	var names []string
	for _, p := range list {
		if strconv.FormatInt(p.ID, 10) == what {
			return p, nil
		}
		if strings.EqualFold(p.Name, what) {
			found = append(found, p)
		}
		names = append(names, fmt.Sprintf("%d (%s)", p.ID, p.Name))
	}
	switch len(found) {
	case 1:
		return found[0], nil
	case 0:
		return store.Project{}, fmt.Errorf("there is no project %q; there are %s", what, strings.Join(names[:min(len(names), 20)], ", "))
	}
	return store.Project{}, fmt.Errorf("%d projects are called %q: name one by its number", len(found), what)
}

// load finds a project by its number or its name, and reads it.
func load(ctx context.Context, s *store.Store, what string) (store.Project, *world.Document, error) {
	p, err := findProject(ctx, s, what)
	if err != nil {
		return p, nil, err
	}
	d, _, err := s.Load(ctx, p.ID)
	return p, d, err
}

// findMap finds a map, and a layer of it unless no layer is named.
func findMap(d *world.Document, name, layer string) (*world.Map, *world.Layer, error) {
	var names []string
	for _, m := range d.Maps {
		if !strings.EqualFold(m.Name, name) {
			names = append(names, m.Name)
			continue
		}
		if layer == "" {
			return m, nil, nil
		}
		names = nil
		for _, l := range m.Layers {
			if strings.EqualFold(l.Name, layer) {
				return m, l, nil
			}
			names = append(names, l.Name)
		}
		return nil, nil, fmt.Errorf("%s has no layer %q; it has %s", m.Name, layer, strings.Join(names, ", "))
	}
	return nil, nil, fmt.Errorf("there is no map %q; there are %s", name, strings.Join(names[:min(len(names), 20)], ", "))
}

// A place says what of a project goes out or comes in.
type place struct {
	flags      *flag.FlagSet
	file       string
	mapName    string
	layer      string
	scale      int
	positional []string
}

func parsePlace(command string, args []string) (*place, error) {
	p := &place{flags: flag.NewFlagSet(command, flag.ContinueOnError)}
	p.flags.SetOutput(io.Discard)
	p.flags.StringVar(&p.file, "o", "", "the file to write")
	p.flags.StringVar(&p.mapName, "map", "", "one map, by name")
	p.flags.StringVar(&p.layer, "layer", "", "one layer of it, by name")
	p.flags.IntVar(&p.scale, "scale", 1, "1, 2, 4 or 8 for 1 : n; -2 to -8 to enlarge")
	if err := p.flags.Parse(args); err != nil {
		return nil, fmt.Errorf("%w\n%s", err, usage)
	}
	p.positional = p.flags.Args()
	return p, nil
}

// export writes a project as a bundle, a map as PNG, or a layer as CSV.
func export(ctx context.Context, s *store.Store, args []string, out io.Writer) error {
	p, err := parsePlace("export", args)
	if err != nil {
		return err
	}
	if len(p.positional) != 1 || p.layer != "" && p.mapName == "" {
		return errors.New(usage)
	}
	project, d, err := load(ctx, s, p.positional[0])
	if err != nil {
		return err
	}
	library := func(sum string) ([]byte, error) { return s.Blob(ctx, project.ID, sum) }
	if p.mapName == "" {
		return p.write(out, exchange.FileName(project.Name, ".zip"), func(w io.Writer) error { return exchange.Write(w, d, library, ctx.Err) })
	}
	m, l, err := findMap(d, p.mapName, p.layer)
	if err != nil {
		return err
	}
	if l != nil {
		return p.write(out, exchange.FileName(m.Name+" - "+l.Name, ".csv"), func(w io.Writer) error { return rows.WriteCSV(w, l.Cells, m.Bounds, d.ShortName) })
	}
	if _, _, err := picture.ScaledSize(d, m, p.scale); err != nil {
		return err
	}
	return p.write(out, exchange.FileName(m.Name, ".png"), func(w io.Writer) error { return exchange.WritePNG(w, d, m, p.scale, library) })
}

// write writes the file that was named, or as proposed.
func (p *place) write(out io.Writer, proposed string, fill func(io.Writer) error) error {
	if p.file != "" {
		proposed = p.file
	}
	return writeFile(out, proposed, fill)
}

// writeFile writes a file whole or not at all.
func writeFile(out io.Writer, name string, fill func(io.Writer) error) error {
	f, err := os.CreateTemp(filepath.Dir(name), ".azzel-*")
	if err != nil {
		return fmt.Errorf("writing %s: %w", name, err)
	}
	defer os.Remove(f.Name())
	err = fill(f)
	if closing := f.Close(); err == nil {
		err = closing
	}
	if err == nil {
		err = os.Chmod(f.Name(), 0o644)
	}
	if err == nil {
		err = os.Rename(f.Name(), name)
	}
	if err != nil {
		return fmt.Errorf("writing %s: %w", name, err)
	}
	fmt.Fprintf(out, "Wrote %s\n", name)
	return nil
}

// bring makes a new project of a bundle, or lays a CSV file on a layer.
func bring(ctx context.Context, s *store.Store, args []string, out io.Writer) error {
	p, err := parsePlace("import", args)
	if err != nil {
		return err
	}
	cells := p.mapName != "" && p.layer != ""
	if cells && len(p.positional) != 2 || !cells && (len(p.positional) != 1 || p.mapName+p.layer != "") {
		return errors.New(usage)
	}
	f, err := os.Open(p.positional[0])
	if err != nil {
		return err
	}
	defer f.Close()
	info, err := f.Stat()
	if err != nil {
		return err
	}
	if cells {
		if info.Size() > limit.CSVBytes {
			return fmt.Errorf("%s has %d MB; the most is %d MB", p.positional[0], info.Size()>>20, limit.CSVBytes>>20)
		}
		text, err := io.ReadAll(f)
		if err != nil {
			return err
		}
		return p.lay(ctx, s, text, out)
	}
	c, err := exchange.Read(f, info.Size(), func(int64, int64) error { return ctx.Err() })
	if err != nil {
		return err
	}
	made, err := s.Create(ctx, c.Document, c.Bodies()...)
	if err != nil {
		return err
	}
	fmt.Fprintf(out, "Made the project %d (%s)\n", made.ID, made.Name)
	return nil
}

// lay lays the cells of a CSV file on a layer, as a step like any other.
func (p *place) lay(ctx context.Context, s *store.Store, text []byte, out io.Writer) error {
	project, err := findProject(ctx, s, p.positional[1])
	if err != nil {
		return err
	}
	// Nobody else may have it in memory while it is changed here.
	if err := s.Hold(ctx, project.ID); errors.Is(err, store.ErrElsewhere) {
		return fmt.Errorf("a running Azzel server has %s open: close its pages and wait ten minutes, or stop the server with ./run stop, then lay the cells", project.Name)
	} else if err != nil {
		return err
	}
	const tries = 5
	for try := 0; ; try++ {
		d, revision, err := s.Load(ctx, project.ID)
		if err != nil {
			return err
		}
		m, l, err := findMap(d, p.mapName, p.layer)
		if err != nil {
			return err
		}
		plane, columns, lines, err := rows.ReadCSV(text, d.ShortTile)
		if err != nil {
			return err
		}
		e, err := edit.LayCells(d, m.ID, l.ID, plane, grid.Rect{W: columns, H: lines})
		if err != nil {
			return err
		}
		res, err := edit.Apply(d, e)
		if err != nil {
			return err
		}
		session, err := s.Prefix(ctx)
		if err != nil {
			return err
		}
		err = s.Append(ctx, store.Step{Project: project.ID, Session: int64(session), Sequence: 1, Revision: revision + 1, Label: e.Label,
			Body: bytes.Clone(e.Encode()), Inverse: edit.EncodeParts(res.Inverse)}, d, res.Document)
		if errors.Is(err, store.ErrBehind) && try < tries {
			continue // somebody painted meanwhile
		}
		if err == nil {
			fmt.Fprintf(out, "Laid %d × %d cells on %s of %s\n", columns, lines, l.Name, m.Name)
		}
		return err
	}
}
