package store

import (
	"context"
	"database/sql"
	"fmt"

	"gorm.io/gorm"

	"azzel/core/grid"
	"azzel/core/pack"
	"azzel/core/world"
)

type loadedEntity struct {
	Kind  int
	ID    int64
	MapID int64
	Body  []byte
}

type loadedChunk struct {
	LayerID int64
	MapID   int64
	X       int
	Y       int
	Body    []byte
}

// Load reads a project as it is now, with its revision.
func (s *Store) Load(ctx context.Context, project int64) (d *world.Document, revision uint64, err error) {
	d, at, err := s.LoadAt(ctx, project)
	return d, at.Revision, err
}

// LoadAt is Load that also tells which database it was read from.
func (s *Store) LoadAt(ctx context.Context, project int64) (d *world.Document, at Position, err error) {
	err = s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		var p Project
		if err := tx.Take(&p, "id = ? AND deleted_at IS NULL", project).Error; err != nil {
			return err
		}
		at.Revision = uint64(p.Revision)
		if err := tx.Raw(identity).Scan(&at.Identity).Error; err != nil {
			return err
		}
		d, err = load(tx, "entities", "chunks", "project_id", project, p.Next)
		return err
	}, &sql.TxOptions{Isolation: sql.LevelRepeatableRead, ReadOnly: true})
	return d, at, wrap(err, "reading the project")
}

// load reads a document from two tables: the rows whose column by is id.
func load(tx *gorm.DB, entityTable, chunkTable, by string, id int64, next int) (*world.Document, error) {
	var entities []loadedEntity
	err := tx.Table(entityTable+" e").Select("e.kind, e.id, e.map_id, blobs.body").
		Joins("JOIN blobs ON blobs.hash = e.hash").Where("e."+by+" = ?", id).Order("e.kind, e.id").Scan(&entities).Error
	if err != nil {
		return nil, err
	}
	var chunks []loadedChunk
	err = tx.Table(chunkTable+" c").Select("c.layer_id, c.map_id, c.x, c.y, blobs.body").
		Joins("JOIN blobs ON blobs.hash = c.hash").Where("c."+by+" = ?", id).Order("c.layer_id, c.y, c.x").Scan(&chunks).Error
	if err != nil {
		return nil, err
	}
	return world.Assemble(next, func(draft *world.Draft) error { return assemble(draft, entities, chunks) })
}

func assemble(draft *world.Draft, entities []loadedEntity, chunks []loadedChunk) error {
	for _, e := range entities {
		ref := world.Ref{Sort: world.Sort(e.Kind), Map: world.ID(e.MapID), ID: world.ID(e.ID)}
		r := pack.NewReader(e.Body)
		values := world.DecodeValues(r)
		if err := r.Done(); err != nil {
			return fmt.Errorf("thing %d of kind %d: %w", e.ID, e.Kind, err)
		}
		if ref.Sort == world.SortProject {
			for _, v := range values {
				if err := draft.Change(ref, v); err != nil {
					return err
				}
			}
			continue
		}
		if err := draft.Put(ref, values); err != nil {
			return fmt.Errorf("thing %d of kind %d: %w", e.ID, e.Kind, err)
		}
	}
	for _, c := range chunks {
		r := pack.NewReader(c.Body)
		chunk := grid.DecodeChunk(r)
		if err := r.Done(); err != nil {
			return fmt.Errorf("chunk %d, %d of layer %d: %w", c.X, c.Y, c.LayerID, err)
		}
		if err := draft.SetChunk(world.ID(c.MapID), world.ID(c.LayerID), c.X, c.Y, chunk); err != nil {
			return err
		}
	}
	return nil
}
