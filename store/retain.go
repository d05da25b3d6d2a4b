package store

import (
	"context"
	"fmt"
	"time"

	"gorm.io/gorm"
)

// What stays of the log, so that it does not grow for ever: of each session the last steps, as many and as many bytes
// of them as are promised to be taken back, for a month; and whatever was done within the last day, for pages that
// were away. States of the project that were kept do not depend on the log.
const (
	UndoSteps = 2000
	UndoBytes = 64 << 20
	UndoTime  = 30 * 24 * time.Hour
	AwayTime  = 24 * time.Hour
)

// DeletedTime is for how long a project that was deleted can be brought back.
const DeletedTime = 7 * 24 * time.Hour

// shortenBy is how many steps are taken out of the log in one transaction.
const shortenBy = 500

// Shorten takes out of a project's log what need not stay at a moment, in small transactions between which others have
// their turn, and gives the number of steps.
func (s *Store) Shorten(ctx context.Context, project int64, now time.Time) (int64, error) {
	var revisions []int64
	err := s.db.WithContext(ctx).Raw(`SELECT revision FROM (
			SELECT revision, at, row_number() OVER newest AS n, sum(octet_length(body) + octet_length(inverse)) OVER newest AS bytes
			FROM log WHERE project_id = ? WINDOW newest AS (PARTITION BY session ORDER BY sequence DESC)) AS ranked
		WHERE at < ? AND (at < ? OR n > ? OR bytes > ?) ORDER BY revision`,
		project, now.Add(-AwayTime), now.Add(-UndoTime), UndoSteps, UndoBytes).Scan(&revisions).Error
	if err != nil {
		return 0, wrap(err, "looking for steps that need not stay")
	}
	var removed int64
	for len(revisions) > 0 {
		n := min(len(revisions), shortenBy)
		if err := s.takeOut(ctx, project, revisions[:n]); err != nil {
			return removed, wrap(err, "shortening the log")
		}
		removed, revisions = removed+int64(n), revisions[n:]
		select {
		case <-ctx.Done():
			return removed, fmt.Errorf("shortening the log: %w", ctx.Err())
		case <-time.After(20 * time.Millisecond):
		}
	}
	return removed, nil
}

// takeOut takes steps out of the log. That they were taken once stays known of their sessions.
func (s *Store) takeOut(ctx context.Context, project int64, revisions []int64) error {
	return s.db.WithContext(ctx).Transaction(func(tx *gorm.DB) error {
		for _, statement := range []string{
			`UPDATE sessions SET sequence = GREATEST(sessions.sequence, gone.sequence) FROM (
				SELECT session, max(sequence) AS sequence FROM log WHERE project_id = @project AND revision IN @revisions GROUP BY session) AS gone
				WHERE sessions.project_id = @project AND sessions.id = gone.session`,
			"UPDATE projects SET shortened = GREATEST(shortened, @last) WHERE id = @project",
			"DELETE FROM log WHERE project_id = @project AND revision IN @revisions",
		} {
			err := tx.Exec(statement, map[string]any{"project": project, "revisions": revisions, "last": revisions[len(revisions)-1]}).Error
			if err != nil {
				return err
			}
		}
		return nil
	})
}

// Delete deletes a project. It can be brought back for a week.
func (s *Store) Delete(ctx context.Context, project int64) error {
	res := s.db.WithContext(ctx).Exec("UPDATE projects SET deleted_at = ? WHERE id = ? AND deleted_at IS NULL", time.Now(), project)
	return wrap(missed(res), "deleting the project")
}

// BringBack brings back a project that was deleted.
func (s *Store) BringBack(ctx context.Context, project int64) (Project, error) {
	var p Project
	res := s.db.WithContext(ctx).Raw("UPDATE projects SET deleted_at = NULL WHERE id = ? AND deleted_at IS NOT NULL RETURNING *", project).Scan(&p)
	return p, wrap(missed(res), "bringing the project back")
}

// Deleted lists the projects that were deleted and can be brought back, the last first.
func (s *Store) Deleted(ctx context.Context) ([]Project, error) {
	var list []Project
	err := s.db.WithContext(ctx).Order("deleted_at DESC, id DESC").Limit(1000).Find(&list, "deleted_at IS NOT NULL").Error
	return list, wrap(err, "listing deleted projects")
}

// Tidied is what Tidy has removed.
type Tidied struct {
	Projects, Steps, Blobs int64
}

// Tidy removes what need not stay at a moment: projects deleted over a week ago, steps of long ago, and blobs older
// than a day that nothing refers to.
func (s *Store) Tidy(ctx context.Context, now time.Time) (t Tidied, err error) {
	res := s.db.WithContext(ctx).Exec("DELETE FROM projects WHERE deleted_at < ?", now.Add(-DeletedTime))
	if t.Projects = res.RowsAffected; res.Error != nil {
		return t, wrap(res.Error, "removing deleted projects")
	}
	var projects []int64
	if err := s.db.WithContext(ctx).Model(&Project{}).Order("id").Pluck("id", &projects).Error; err != nil {
		return t, wrap(err, "listing projects")
	}
	for _, id := range projects {
		n, err := s.Shorten(ctx, id, now)
		if t.Steps += n; err != nil {
			return t, err
		}
	}
	t.Blobs, err = s.sweep(ctx, now.Add(-24*time.Hour))
	return t, err
}
