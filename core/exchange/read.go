package exchange

import (
	"errors"
	"fmt"
	"io"
	"maps"
	"slices"

	_ "azzel/core/kinds" // so that there are kinds wherever projects are read
	"azzel/core/limit"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Contents is what was read from a bundle: a document, with the bytes that it names
// by their sums.
type Contents struct {
	Document *world.Document
	Blobs    map[string][]byte
}

// Bodies are the blobs in the order of their sums.
func (c *Contents) Bodies() [][]byte {
	var list [][]byte
	for _, sum := range slices.Sorted(maps.Keys(c.Blobs)) {
		list = append(list, c.Blobs[sum])
	}
	return list
}

// Read reads a bundle and checks it whole: what it gives is a document within all
// limits. An error says which part is wrong and how, in words for people. Pictures
// are measured before they are decoded, entries of lists are counted before anything is made of them, and
// watch is asked now and then.
func Read(r io.ReaderAt, size int64, watch Watch) (*Contents, error) {
	p, err := openParts(r, size, watch)
	if err != nil {
		return nil, err
	}
	var head struct{ Format, Version any }
	if err := p.decode("bundle.json", &head, false); err == nil {
		if head.Format != Format {
			return nil, errors.New("bundle.json does not say that this is a bundle of Azzel's")
		}
		if v, ok := head.Version.(float64); ok && v > Version {
			return nil, fmt.Errorf("this bundle is of version %v, and this Azzel reads up to version %d: it was written by a newer one", v, Version)
		}
	}
	b := &reader{parts: p, out: &Contents{Blobs: map[string][]byte{}}, first: map[string]int{}, count: map[string]int{}, ids: map[world.ID]string{}}
	if err := p.json("bundle.json", &b.bundle); err != nil {
		return nil, err
	}
	if v := b.bundle.Version; v < 1 || v > Version {
		return nil, fmt.Errorf("bundle.json: version is %d, and there are 1 to %d", v, Version)
	}
	b.out.Document, err = world.Assemble(1, b.all)
	if err != nil {
		return nil, err
	}
	return b.out, nil
}

type reader struct {
	parts  *parts
	bundle Bundle
	out    *Contents
	draft  *world.Draft
	// first and count are the numbers of the tiles of a tileset, by its short name.
	first, count map[string]int
	// ids are those that were given, with what has them.
	ids map[world.ID]string
	// next is the number of the next tile.
	next int
}

// newID reads the id of a thing, which nothing else may have.
func (b *reader) newID(s, what string) (world.ID, error) {
	id, err := parseID(s)
	if err != nil {
		return 0, fmt.Errorf("%s: %w", what, err)
	}
	if other := b.ids[id]; other != "" {
		return 0, fmt.Errorf("%s and %s have the same id %s", other, what, s)
	}
	b.ids[id] = what
	return id, nil
}

// put makes a thing of a draft.
func (b *reader) put(sort world.Sort, mapID, id world.ID, values []world.Value, what string) error {
	if err := b.draft.Put(world.Ref{Sort: sort, Map: mapID, ID: id}, values); err != nil {
		return fmt.Errorf("%s: %w", what, err)
	}
	return nil
}

func (b *reader) all(d *world.Draft) error {
	b.draft, b.next = d, 1
	in := b.bundle
	project := world.Project{Name: in.Project.Name, CellW: in.Project.Cell.W, CellH: in.Project.Cell.H, SeenW: in.Project.Seen.W, SeenH: in.Project.Seen.H}
	// The sizes are needed before anything else is read.
	if err := project.Check(); err != nil {
		return fmt.Errorf("bundle.json: project: %w", err)
	}
	var err error
	if in.Project.View != "" {
		view, err := wordNumber(viewWords, in.Project.View)
		if err != nil {
			return fmt.Errorf("bundle.json: project, view: %w", err)
		}
		project.View = world.View(view)
	}
	if in.Project.Player != "" {
		if project.Player, err = parseID(in.Project.Player); err != nil {
			return fmt.Errorf("bundle.json: project, player: %w", err)
		}
	}
	project.Camera, project.Turns = in.Project.Camera.read(), in.Project.Turns
	if err := project.Check(); err != nil {
		return fmt.Errorf("bundle.json: project: %w", err)
	}
	var drawer []world.ID
	for _, s := range in.Project.Drawer {
		id, err := parseID(s)
		if err != nil {
			return fmt.Errorf("bundle.json: project, drawer: %w", err)
		}
		drawer = append(drawer, id)
	}
	project.Drawer = world.Arranged(drawer)
	for _, v := range project.Values() {
		if err := d.Change(world.Ref{Sort: world.SortProject}, v); err != nil {
			return fmt.Errorf("bundle.json: project: %w", err)
		}
	}
	for i, short := range in.Tilesets {
		if err := b.tileset(i, short); err != nil {
			return err
		}
	}
	for i, name := range in.Maps {
		if err := b.oneMap(i, name); err != nil {
			return err
		}
	}
	for _, read := range []func() error{b.legend, b.properties, b.items, b.facts, b.types, b.characters, b.medleys, b.bonds, b.crossings, b.wires, b.rules, b.starts, b.patches, b.replays} {
		if err := read(); err != nil {
			return err
		}
	}
	return nil
}

// legend is read after the tilesets.
func (b *reader) legend() error {
	var meant []world.Meaning
	for i, in := range b.bundle.Project.Legend {
		var m world.Meaning
		var err error
		if m.Colour, err = world.ParseColour(in.Colour); err == nil && in.Tile != "" {
			m.Tile, err = b.tile(in.Tile)
		}
		if err != nil {
			return fmt.Errorf("bundle.json: legend, colour %d: %w", i+1, err)
		}
		if m.Colour == 0 {
			return fmt.Errorf("bundle.json: legend, colour %d: a colour such as #3a6f9f is missing", i+1)
		}
		meant = append(meant, m)
	}
	project := b.draft.Document().Project
	project.Legend = project.Legend.With(meant)
	for _, v := range project.Values() {
		if err := b.draft.Change(world.Ref{Sort: world.SortProject}, v); err != nil {
			return fmt.Errorf("bundle.json: legend: %w", err)
		}
	}
	return nil
}

func (b *reader) properties() error {
	for i, in := range b.bundle.Properties {
		what := fmt.Sprintf("bundle.json: property %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		kind, err := wordNumber(typeWords, in.Type)
		if err != nil {
			return fmt.Errorf("%s: %w", what, err)
		}
		p := world.Property{Name: in.Name, Type: tiles.ValueType(kind)}
		if err := b.put(world.SortProperty, 0, id, p.Values(), what); err != nil {
			return err
		}
	}
	return nil
}

func (b *reader) characters() error {
	for i, in := range b.bundle.Characters {
		what := fmt.Sprintf("bundle.json: character %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		c := world.Character{Name: in.Name, W: in.Frame.W, H: in.Frame.H}
		if in.Sheet != nil {
			frames := 4 * world.CharacterFrames
			if in.Frames != 0 {
				if in.Frames < 1 || in.Frames > limit.CharacterFrames {
					return fmt.Errorf("%s: a character has 1 to %d frames, not %d", what, limit.CharacterFrames, in.Frames)
				}
				frames, c.Count = in.Frames, in.Frames
			}
			if c.Picture, c.Strip, _, err = b.sheet(*in.Sheet, frames); err != nil {
				return fmt.Errorf("%s: %w", what, err)
			}
		}
		if err := in.readPoses(&c); err != nil {
			return fmt.Errorf("%s: %w", what, err)
		}
		if c.Movement, err = in.Movement.movement(); err != nil {
			return fmt.Errorf("%s: movement, %w", what, err)
		}
		for k, s := range in.Begins {
			item, err := parseID(s.Item)
			if err != nil {
				return fmt.Errorf("%s: begins, item %d: %w", what, k+1, err)
			}
			c.Begins = append(c.Begins, world.Stock{Item: item, Count: s.Count})
		}
		if err := b.put(world.SortCharacter, 0, id, c.Values(), what); err != nil {
			return err
		}
	}
	return nil
}

func (b *reader) items() error {
	for i, in := range b.bundle.Items {
		what := fmt.Sprintf("bundle.json: item %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		item := world.Item{Name: in.Name, Most: in.Most}
		if err := b.put(world.SortItem, 0, id, item.Values(), what); err != nil {
			return err
		}
	}
	return nil
}

func (b *reader) medleys() error {
	for i, in := range b.bundle.Medleys {
		what := fmt.Sprintf("bundle.json: medley %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		m := world.Medley{Name: in.Name, Medley: tiles.Medley{Seed: in.Seed, Turned: in.Turned, Mirrored: in.Mirrored}}
		for _, t := range in.Tiles {
			n, err := b.tile(t.Tile)
			if err != nil {
				return fmt.Errorf("%s: %w", what, err)
			}
			m.Tiles = append(m.Tiles, tiles.Weighted{Tile: n, Weight: t.Weight})
		}
		if err := b.put(world.SortMedley, 0, id, m.Values(), what); err != nil {
			return err
		}
	}
	return nil
}

func (b *reader) bonds() error {
	for i, in := range b.bundle.Bonds {
		what := fmt.Sprintf("bundle.json: bond %d", i+1)
		id, err := b.newID(in.ID, what)
		if err != nil {
			return err
		}
		bond, err := b.bond(in)
		if err != nil {
			return fmt.Errorf("%s: %w", what, err)
		}
		if err := b.put(world.SortBond, 0, id, bond.Values(), what); err != nil {
			return err
		}
	}
	return nil
}

func (b *reader) bond(in Bond) (*world.Bond, error) {
	join, err := wordNumber(joinWords, in.Join)
	if err != nil {
		return nil, err
	}
	bond := &world.Bond{Name: in.Name, Bond: tiles.Bond{Join: tiles.Join(join), Border: in.Border, Seed: in.Seed}}
	for _, t := range in.Tiles {
		n, err := b.tile(t.Tile)
		if err != nil {
			return nil, err
		}
		joined, err := parseJoined(t.Joined)
		if err != nil {
			return nil, err
		}
		bond.Tiles = append(bond.Tiles, tiles.Bonded{Tile: n, Joined: joined, Weight: t.Weight})
	}
	for _, s := range in.Also {
		n, err := b.tile(s)
		if err != nil {
			return nil, err
		}
		bond.Also = append(bond.Also, n)
	}
	for _, s := range in.JoinsTo {
		id, err := parseID(s)
		if err != nil {
			return nil, err
		}
		bond.JoinsTo = append(bond.JoinsTo, id)
	}
	return bond, nil
}
