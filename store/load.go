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
	err = s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		var p Project
		if err := tx.Take(&p, "id = ?", project).Error; err != nil {
			return err
		}
		revision = uint64(p.Revision)
		var entities []loadedEntity
		err := tx.Table("entities").Select("entities.kind, entities.id, entities.map_id, blobs.body").
			Joins("JOIN blobs ON blobs.hash = entities.hash").Where("entities.project_id = ?", project).
			Order("entities.kind, entities.id").Scan(&entities).Error
		if err != nil {
			return err
		}
		var chunks []loadedChunk
		err = tx.Table("chunks").Select("chunks.layer_id, chunks.map_id, chunks.x, chunks.y, blobs.body").
			Joins("JOIN blobs ON blobs.hash = chunks.hash").Where("chunks.project_id = ?", project).
			Order("chunks.layer_id, chunks.y, chunks.x").Scan(&chunks).Error
		if err != nil {
			return err
		}
		d, err = world.Assemble(p.Next, func(draft *world.Draft) error { return assemble(draft, entities, chunks) })
		return err
	}, &sql.TxOptions{Isolation: sql.LevelRepeatableRead, ReadOnly: true})
	return d, revision, wrap(err, "reading the project")
}

func assemble(draft *world.Draft, entities []loadedEntity, chunks []loadedChunk) error {
	for _, e := range entities {
		ref := world.Ref{Kind: world.Kind(e.Kind), Map: world.ID(e.MapID), ID: world.ID(e.ID)}
		r := pack.NewReader(e.Body)
		values := world.DecodeValues(r)
		if err := r.Done(); err != nil {
			return fmt.Errorf("thing %d of kind %d: %w", e.ID, e.Kind, err)
		}
		if ref.Kind == world.KindProject {
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
