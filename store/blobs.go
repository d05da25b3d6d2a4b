package store

import (
	"context"
	"crypto/sha256"
	"encoding/hex"
	"time"

	"gorm.io/gorm"
	"gorm.io/gorm/clause"
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
	if err := tx.Clauses(clause.OnConflict{DoNothing: true}).Create(&blobs).Error; err != nil {
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

// ReserveTiles gives the first of count tile numbers that nobody else has.
func (s *Store) ReserveTiles(ctx context.Context, project int64, count int) (first int, err error) {
	err = s.db.WithContext(ctx).Raw("UPDATE projects SET next_tile = next_tile + ? WHERE id = ? RETURNING next_tile - ?", count, project, count).Scan(&first).Error
	if err == nil && first == 0 {
		err = gorm.ErrRecordNotFound
	}
	return first, wrap(err, "giving out tile numbers")
}

// Sweep removes blobs that nothing refers to any more and that are older than
// age, and gives their number.
func (s *Store) Sweep(ctx context.Context, age time.Duration) (int64, error) {
	res := s.db.WithContext(ctx).Exec(`DELETE FROM blobs b WHERE created_at < ?
		AND NOT EXISTS (SELECT 1 FROM entities e WHERE e.hash = b.hash)
		AND NOT EXISTS (SELECT 1 FROM chunks c WHERE c.hash = b.hash)
		AND NOT EXISTS (SELECT 1 FROM kept_entities e WHERE e.hash = b.hash)
		AND NOT EXISTS (SELECT 1 FROM kept_chunks c WHERE c.hash = b.hash)
		AND NOT EXISTS (SELECT 1 FROM project_blobs p WHERE p.hash = b.hash)`, time.Now().Add(-age))
	return res.RowsAffected, wrap(res.Error, "sweeping")
}
