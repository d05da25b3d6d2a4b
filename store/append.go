package store

import (
	"context"
	"crypto/sha256"
	"errors"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"

	"azzel/core/pack"
	"azzel/core/world"
)

// A Step is one edit as it goes into the log.
type Step struct {
	Project  int64
	Session  int64
	Sequence uint64
	Revision uint64
	Label    string
	Undoes   uint64
	// Body is the edit with its parts, Inverse the parts that take it back.
	Body, Inverse []byte
}

// ErrBehind is reported when the database has moved on from the revision that
// a step was computed from.
var ErrBehind = errors.New("the project has changed meanwhile")

// Append writes a step and what it changed, in one transaction. Old is the
// document at the revision before, now the one after.
func (s *Store) Append(ctx context.Context, step Step, old, now *world.Document) error {
	return s.AppendAll(ctx, step.Project, Batch{Steps: []Step{step}}, old, now)
}

// A Refusal is a step of a session that was dropped.
type Refusal struct {
	Session  int64
	Sequence uint64
}

// A Batch is what came of several steps of a project: those that were taken follow each other.
type Batch struct {
	// Identity, unless empty, is the database that they are meant for.
	Identity string
	Steps    []Step
	Refused  []Refusal
}

// AppendAll stores what came of steps, all of it or nothing: those that were taken with what they changed, and that
// others were refused. A repeat of either is known from then on, and of none before.
func (s *Store) AppendAll(ctx context.Context, project int64, b Batch, old, now *world.Document) error {
	steps := b.Steps
	var diff world.Difference
	if len(steps) > 0 {
		diff = world.Diff(old, now)
	}
	err := s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		for _, r := range b.Refused {
			if err := refuse(tx, project, r); err != nil {
				return err
			}
		}
		if len(steps) == 0 {
			return nil
		}
		first, last := steps[0], steps[len(steps)-1]
		at := time.Now()
		// The row of the project is locked from here to the end.
		moved := tx.Model(&Project{}).Where("id = ? AND revision = ? AND deleted_at IS NULL AND (? = '' OR ? = ("+identity+"))", project, first.Revision-1, b.Identity, b.Identity).
			Updates(map[string]any{"revision": last.Revision, "next": now.Next(), "name": now.Project.Name, "changed_at": at,
				"next_tile": gorm.Expr("GREATEST(next_tile, ?)", now.TilesEnd())})
		if moved.Error != nil {
			return moved.Error
		}
		if moved.RowsAffected != 1 {
			return ErrBehind
		}
		rows := make([]logRow, 0, len(steps))
		for _, step := range steps {
			rows = append(rows, logRow{step.Project, int64(step.Revision), step.Session, int64(step.Sequence), step.Label, int64(step.Undoes), step.Body, step.Inverse, at})
		}
		if err := tx.CreateInBatches(rows, batch).Error; err != nil {
			return err
		}
		return write(tx, project, int64(last.Revision), diff)
	})
	if errors.Is(err, ErrBehind) {
		return err
	}
	return wrap(err, "storing a change")
}

// refuse notes that a step of a session was dropped, so that its repeat is known. A step that was taken is known from
// the log.
func refuse(tx *gorm.DB, project int64, r Refusal) error {
	return tx.Exec(`INSERT INTO sessions (project_id, id, sequence) VALUES (?, ?, ?)
		ON CONFLICT (project_id, id) DO UPDATE SET sequence = GREATEST(sessions.sequence, excluded.sequence)`, project, r.Session, int64(r.Sequence)).Error
}

// batch is how many rows go in one statement.
const batch = 500

// write stores what differs.
func write(tx *gorm.DB, project, revision int64, d world.Difference) error {
	blobs := map[[32]byte][]byte{}
	keep := func(body []byte) []byte {
		sum := sha256.Sum256(body)
		blobs[sum] = body
		return sum[:]
	}
	var entities []entityRow
	for _, e := range d.Put {
		entities = append(entities, entityRow{project, int(e.Ref.Sort), int64(e.Ref.ID), int64(e.Ref.Map), e.Name, 1, revision, keep(world.Body(e.Values))})
	}
	var chunks []chunkRow
	for _, c := range d.Chunks {
		if c.Chunk == nil {
			if err := tx.Where("project_id = ? AND layer_id = ? AND x = ? AND y = ?", project, int64(c.Layer), c.CX, c.CY).Delete(&chunkRow{}).Error; err != nil {
				return err
			}
			continue
		}
		var w pack.Writer
		c.Chunk.Encode(&w)
		chunks = append(chunks, chunkRow{project, int64(c.Layer), int64(c.Map), c.CX, c.CY, keep(w.Bytes)})
	}
	for _, r := range d.Removed {
		err := tx.Where("project_id = ? AND kind = ? AND id = ? AND map_id = ?", project, int(r.Sort), int64(r.ID), int64(r.Map)).Delete(&entityRow{}).Error
		if err != nil {
			return err
		}
	}
	var rows []blobRow
	now := time.Now()
	for sum, body := range blobs {
		rows = append(rows, blobRow{sum[:], body, now})
	}
	if len(rows) > 0 {
		if err := tx.Clauses(clause.OnConflict{Columns: []clause.Column{{Name: "hash"}}, DoUpdates: clause.AssignmentColumns([]string{"created_at"})}).CreateInBatches(rows, batch).Error; err != nil {
			return err
		}
	}
	if len(entities) > 0 {
		err := tx.Clauses(clause.OnConflict{Columns: []clause.Column{{Name: "project_id"}, {Name: "kind"}, {Name: "id"}}, UpdateAll: true}).CreateInBatches(entities, batch).Error
		if err != nil {
			return err
		}
	}
	if len(chunks) > 0 {
		err := tx.Clauses(clause.OnConflict{Columns: []clause.Column{{Name: "project_id"}, {Name: "layer_id"}, {Name: "x"}, {Name: "y"}}, UpdateAll: true}).CreateInBatches(chunks, batch).Error
		if err != nil {
			return err
		}
	}
	return nil
}
