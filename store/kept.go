package store

import (
	"context"
	"database/sql"
	"fmt"
	"time"

	"gorm.io/gorm"

	"azzel/core/limit"
	"azzel/core/world"
)

// A Version is a state of a project that was kept. One without a name was kept by
// itself.
type Version struct {
	ID        int64 `gorm:"primaryKey"`
	ProjectID int64
	Revision  int64
	Name      string
	Next      int
	At        time.Time
}

// TableName keeps the name that the table has had from the first day.
func (Version) TableName() string { return "kept_states" }

// Keep keeps the state that a project is in. What it is made of is shared with the
// project and with other versions. Of the states kept by themselves the newest of
// each hour of the last day stay, and the newest of each day before.
func (s *Store) Keep(ctx context.Context, project int64, name string) (Version, error) {
	var k Version
	err := s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		var p Project
		// Nobody changes the project while its rows are copied.
		if err := tx.Raw("SELECT * FROM projects WHERE id = ? AND deleted_at IS NULL FOR UPDATE", project).Scan(&p).Error; err != nil {
			return err
		}
		if p.ID == 0 {
			return gorm.ErrRecordNotFound
		}
		var n int64
		if err := tx.Model(&Version{}).Where("project_id = ?", project).Count(&n).Error; err != nil {
			return err
		}
		if name != "" && n >= limit.Versions {
			return ErrManyVersions
		}
		k = Version{ProjectID: project, Revision: p.Revision, Name: name, Next: p.Next, At: time.Now()}
		if err := tx.Create(&k).Error; err != nil {
			return err
		}
		for _, statement := range []string{
			"INSERT INTO kept_entities SELECT ?, kind, id, map_id, hash FROM entities WHERE project_id = ?",
			"INSERT INTO kept_chunks SELECT ?, layer_id, map_id, x, y, hash FROM chunks WHERE project_id = ?",
		} {
			if err := tx.Exec(statement, k.ID, project).Error; err != nil {
				return err
			}
		}
		return tx.Exec(`DELETE FROM kept_states k WHERE project_id = ? AND name = '' AND EXISTS (
			SELECT 1 FROM kept_states n WHERE n.project_id = k.project_id AND n.name = '' AND n.id > k.id
			AND date_trunc(CASE WHEN k.at > now() - interval '1 day' THEN 'hour' ELSE 'day' END, n.at)
			  = date_trunc(CASE WHEN k.at > now() - interval '1 day' THEN 'hour' ELSE 'day' END, k.at))`, project).Error
	})
	return k, wrap(err, "keeping the version")
}

// ErrManyVersions is reported when no more states can be kept by name.
var ErrManyVersions = fmt.Errorf("a project has at most %d versions: delete one first", limit.Versions)

// Versions lists the versions of a project, the newest first.
func (s *Store) Versions(ctx context.Context, project int64) ([]Version, error) {
	var list []Version
	err := s.db.WithContext(ctx).Order("id DESC").Limit(2*limit.Versions).Find(&list, "project_id = ?", project).Error
	return list, wrap(err, "listing versions")
}

// Version reads a version.
func (s *Store) Version(ctx context.Context, project, state int64) (k Version, d *world.Document, err error) {
	err = s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		if err := tx.Take(&k, "project_id = ? AND id = ?", project, state).Error; err != nil {
			return err
		}
		d, err = load(tx, "kept_entities", "kept_chunks", "state_id", state, k.Next)
		return err
	}, &sql.TxOptions{Isolation: sql.LevelRepeatableRead, ReadOnly: true})
	return k, d, wrap(err, "reading the version")
}

// NameVersion gives a version a name. One that was kept by itself stays for good
// then.
func (s *Store) NameVersion(ctx context.Context, project, state int64, name string) error {
	res := s.db.WithContext(ctx).Model(&Version{}).Where("project_id = ? AND id = ?", project, state).Update("name", name)
	return wrap(missed(res), "naming the version")
}

// RemoveVersion removes a version. What it alone was made of is swept later.
func (s *Store) RemoveVersion(ctx context.Context, project, state int64) error {
	res := s.db.WithContext(ctx).Delete(&Version{}, "project_id = ? AND id = ?", project, state)
	return wrap(missed(res), "removing the version")
}

// missed is the error of a statement that should have met a row.
func missed(res *gorm.DB) error {
	if res.Error == nil && res.RowsAffected == 0 {
		return gorm.ErrRecordNotFound
	}
	return res.Error
}
