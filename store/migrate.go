package store

import (
	"context"
	"embed"
	"fmt"
	"sort"
)

//go:embed migrations/*.sql
var migrations embed.FS

// migrationLock is the advisory lock under which one server at a time migrates.
const migrationLock = 7_201_417

// migrate runs the numbered migrations that have not run yet, each in a
// transaction. They only go forward, and never touch bodies.
func (s *Store) migrate(ctx context.Context) error {
	conn, err := s.pool.Acquire(ctx)
	if err != nil {
		return fmt.Errorf("connecting to the database: %w", err)
	}
	defer conn.Release()
	if _, err := conn.Exec(ctx, "SELECT pg_advisory_lock($1)", migrationLock); err != nil {
		return fmt.Errorf("locking for migration: %w", err)
	}
	defer conn.Exec(context.WithoutCancel(ctx), "SELECT pg_advisory_unlock($1)", migrationLock) //nolint:errcheck // the lock ends with the connection too
	if _, err := conn.Exec(ctx, "CREATE TABLE IF NOT EXISTS migrations (name text PRIMARY KEY, at timestamptz NOT NULL DEFAULT now())"); err != nil {
		return fmt.Errorf("looking up migrations: %w", err)
	}
	files, err := migrations.ReadDir("migrations")
	if err != nil {
		return err
	}
	sort.Slice(files, func(i, j int) bool { return files[i].Name() < files[j].Name() })
	var newest *string
	if err := conn.QueryRow(ctx, "SELECT max(name) FROM migrations").Scan(&newest); err != nil {
		return fmt.Errorf("looking up migrations: %w", err)
	}
	if last := files[len(files)-1].Name(); newest != nil && *newest > last {
		return fmt.Errorf("this database was brought up to date by a newer Azzel (it has %s, this program knows up to %s): start that one; nothing was changed", *newest, last)
	}
	for _, f := range files {
		var done bool
		if err := conn.QueryRow(ctx, "SELECT EXISTS (SELECT 1 FROM migrations WHERE name = $1)", f.Name()).Scan(&done); err != nil {
			return fmt.Errorf("looking up migrations: %w", err)
		}
		if done {
			continue
		}
		body, err := migrations.ReadFile("migrations/" + f.Name())
		if err != nil {
			return err
		}
		tx, err := conn.Begin(ctx)
		if err != nil {
			return fmt.Errorf("migration %s: %w", f.Name(), err)
		}
		defer tx.Rollback(context.WithoutCancel(ctx)) //nolint:errcheck // does nothing after the commit
		if _, err := tx.Exec(ctx, string(body)); err != nil {
			return fmt.Errorf("migration %s: %w", f.Name(), err)
		}
		if _, err := tx.Exec(ctx, "INSERT INTO migrations (name) VALUES ($1)", f.Name()); err != nil {
			return fmt.Errorf("migration %s: %w", f.Name(), err)
		}
		if err := tx.Commit(ctx); err != nil {
			return fmt.Errorf("migration %s: %w", f.Name(), err)
		}
	}
	return nil
}
