package store

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"errors"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"

	"azzel/core/grid"
)

type projectBlob struct {
	ProjectID int64
	Hash      []byte
}

func (projectBlob) TableName() string { return "project_blobs" }

// AddBlobs stores bytes that belong to a project and gives their sums.
func (s *Store) AddBlobs(ctx context.Context, project int64, bodies ...[]byte) (sums []string, err error) {
	err = s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		sums, err = addBlobs(tx, project, bodies)
		return err
	})
	return sums, wrap(err, "storing a picture")
}

func addBlobs(tx *gorm.DB, project int64, bodies [][]byte) (sums []string, err error) {
	now := time.Now()
	var blobs []blobRow
	var owned []projectBlob
	for _, b := range bodies {
		sum := sha256.Sum256(b)
		sums = append(sums, hex.EncodeToString(sum[:]))
		blobs = append(blobs, blobRow{sum[:], b, now})
		owned = append(owned, projectBlob{project, sum[:]})
	}
	// One that is there already must not be swept before it is referred to.
	again := clause.OnConflict{Columns: []clause.Column{{Name: "hash"}}, DoUpdates: clause.AssignmentColumns([]string{"created_at"})}
	if err := tx.Clauses(again).Create(&blobs).Error; err != nil {
		return nil, err
	}
	return sums, tx.Clauses(clause.OnConflict{DoNothing: true}).Create(&owned).Error
}

// Blob reads bytes that belong to a project, by their sum.
func (s *Store) Blob(ctx context.Context, project int64, sum string) ([]byte, error) {
	raw, err := hex.DecodeString(sum)
	if err != nil || len(raw) != sha256.Size {
		return nil, ErrNotFound
	}
	var row blobRow
	err = s.db.WithContext(ctx).Joins("JOIN project_blobs ON project_blobs.hash = blobs.hash AND project_blobs.project_id = ?", project).
		Take(&row, "blobs.hash = ?", raw).Error
	return row.Body, wrap(err, "reading a picture")
}

// reserved is how long tile numbers stay given out for a picture of which no tileset was made.
const reserved = 24 * time.Hour

// ErrNoTiles is reported when there are not so many tile numbers left.
var ErrNoTiles = errors.New("pictures that were imported lately and not kept hold the last tile numbers of this project: try again tomorrow")

// ReserveTiles stores what a picture is cut into, and gives the first of count tile numbers that nobody else has and
// the sums of the bodies: all of it or nothing. Numbers of which no tileset was made within a day are given out again.
func (s *Store) ReserveTiles(ctx context.Context, project int64, count int, bodies ...[]byte) (first int, sums []string, err error) {
	err = s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		var p Project
		if err := tx.Raw("SELECT * FROM projects WHERE id = ? AND deleted_at IS NULL FOR UPDATE", project).Scan(&p).Error; err != nil {
			return err
		}
		if p.ID == 0 {
			return gorm.ErrRecordNotFound
		}
		now := time.Now()
		if err := tx.Exec("DELETE FROM tile_ranges WHERE project_id = ? AND (at < ? OR first + count <= ?)", project, now.Add(-reserved), p.NextTile).Error; err != nil {
			return err
		}
		if err := tx.Raw("SELECT GREATEST(?::integer, (SELECT max(first + count) FROM tile_ranges WHERE project_id = ?))", p.NextTile, project).Scan(&first).Error; err != nil {
			return err
		}
		if first+count > grid.MaxTile+1 {
			return ErrNoTiles
		}
		if err := tx.Exec("INSERT INTO tile_ranges (project_id, first, count, at) VALUES (?, ?, ?, ?)", project, first, count, now).Error; err != nil {
			return err
		}
		if len(bodies) > 0 {
			sums, err = addBlobs(tx, project, bodies)
		}
		return err
	})
	if errors.Is(err, ErrNoTiles) {
		return 0, nil, err
	}
	return first, sums, wrap(err, "giving out tile numbers")
}

// sweep removes blobs that nothing refers to any more and that are older than a moment, and gives their number.
func (s *Store) sweep(ctx context.Context, before time.Time) (int64, error) {
	res := s.db.WithContext(ctx).Exec(`DELETE FROM blobs b WHERE created_at < ?
		AND NOT EXISTS (SELECT 1 FROM entities e WHERE e.hash = b.hash)
		AND NOT EXISTS (SELECT 1 FROM chunks c WHERE c.hash = b.hash)
		AND NOT EXISTS (SELECT 1 FROM kept_entities e WHERE e.hash = b.hash)
		AND NOT EXISTS (SELECT 1 FROM kept_chunks c WHERE c.hash = b.hash)
		AND NOT EXISTS (SELECT 1 FROM project_blobs p WHERE p.hash = b.hash)`, before)
	return res.RowsAffected, wrap(res.Error, "sweeping")
}
