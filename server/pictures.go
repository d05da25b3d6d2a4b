package server

import (
	"context"
	"errors"
	"fmt"

	"azzel/core/edit"
	"azzel/core/tiles"
	"azzel/core/world"
	"azzel/store"
)

// blobsThere checks that the pictures a step speaks of belong to the project,
// and hold as many tiles as it says.
func (r *room) blobsThere(ctx context.Context, e edit.Edit) error {
	if e.Undoes == 0 {
		characters, err := resheeted(r.doc, e)
		if err != nil {
			return err
		}
		for _, c := range characters {
			if err := r.pictureThere(ctx, c.Name, c.Picture, c.Strip, c.Frames()); err != nil {
				return err
			}
		}
	}
	for _, p := range e.Parts {
		if change, ok := p.(edit.Change); ok && e.Undoes == 0 && !mayChange(change) {
			return errors.New("a picture can't be changed in place: import it again")
		}
		if err := r.backdropThere(ctx, p); err != nil {
			return err
		}
		put, ok := p.(edit.Put)
		if !ok {
			continue
		}
		var err error
		switch put.Ref.Sort {
		case world.SortTileset:
			var set *world.Tileset
			if set, err = world.ReadTileset(put.Values); err == nil {
				err = r.pictureThere(ctx, set.Name, set.Picture, set.Strip, set.Count)
			}
		case world.SortCharacter:
			var c *world.Character
			if c, err = world.ReadCharacter(put.Values); err == nil && c.Strip != "" {
				err = r.pictureThere(ctx, c.Name, c.Picture, c.Strip, c.Frames())
			}
		}
		if err != nil {
			return err
		}
	}
	return nil
}

// backdropThere checks that the backdrop that a part gives to a layer belongs to the
// project.
func (r *room) backdropThere(ctx context.Context, p edit.Part) error {
	var values []world.Value
	switch p := p.(type) {
	case edit.Put:
		if p.Ref.Sort == world.SortLayer {
			values = p.Values
		}
	case edit.Change:
		if p.Ref.Sort == world.SortLayer && p.Value.Field == world.FieldBackdrop {
			values = []world.Value{p.Value}
		}
	}
	if values == nil {
		return nil
	}
	l, err := world.ReadLayer(values)
	if err != nil || l.Backdrop.Picture == "" {
		return err
	}
	_, err = r.store.Blob(ctx, r.project, l.Backdrop.Picture)
	if errors.Is(err, store.ErrNotFound) {
		return errors.New("the picture of the backdrop is not here: import it again")
	}
	if err != nil {
		return &storeError{err}
	}
	return nil
}

// mayChange reports whether a property may be set by itself: of what was made of
// a picture only its name, and what its tiles do.
func mayChange(c edit.Change) bool {
	switch c.Ref.Sort {
	case world.SortTileset:
		return c.Value.Field == world.FieldName || c.Value.Field >= world.TileField
	}
	return true
}

// resheeted lists the characters whose pictures a step changes, as they become.
func resheeted(d *world.Document, e edit.Edit) (list []*world.Character, err error) {
	values := map[world.ID][]world.Value{}
	var ids []world.ID
	for _, p := range e.Parts {
		c, ok := p.(edit.Change)
		if !ok || c.Ref.Sort != world.SortCharacter || c.Value.Field < world.FieldSheet || c.Value.Field > world.FieldFrames {
			continue
		}
		if values[c.Ref.ID] == nil {
			ids = append(ids, c.Ref.ID)
		}
		values[c.Ref.ID] = append(values[c.Ref.ID], c.Value)
	}
	for _, id := range ids {
		if was := d.Character(id); was != nil {
			is, err := was.With(values[id])
			if err != nil {
				return nil, err
			}
			list = append(list, is)
		}
	}
	return list, nil
}

// pictureThere checks that a picture belongs to the project, and that it was
// cut into so many tiles.
func (r *room) pictureThere(ctx context.Context, name, picture, strip string, count int) error {
	var body []byte
	var err error
	for _, sum := range []string{picture, strip} {
		body, err = r.store.Blob(ctx, r.project, sum)
		if errors.Is(err, store.ErrNotFound) {
			return fmt.Errorf("the picture of %s is not here: import it again", name)
		} else if err != nil {
			return &storeError{err}
		}
	}
	if s, err := tiles.DecodeStrip(body); err != nil || len(s.Places) != count {
		return fmt.Errorf("the tiles of %s are not those of its picture: import it again", name)
	}
	return nil
}
