package store

import (
	"context"
	"errors"
	"fmt"
	"sync"
	"time"

	"github.com/jackc/pgx/v5"
)

// identity asks which database this is: a mark of its own, the cluster it is in, and the table of the log, which is
// another one after a backup was restored, by whatever program.
const identity = `SELECT md5(mark || ' ' || (SELECT system_identifier FROM pg_control_system()) || ' ' || 'log'::regclass::oid) FROM installation`

// A Position is where a project is: in which database, and after how many steps.
type Position struct {
	Identity string
	Revision uint64
}

// Position finds where a project is that is not deleted.
func (s *Store) Position(ctx context.Context, project int64) (Position, error) {
	var at Position
	res := s.db.WithContext(ctx).Raw("SELECT revision, ("+identity+") AS identity FROM projects WHERE id = ? AND deleted_at IS NULL", project).Scan(&at)
	return at, wrap(missed(res), "finding the project")
}

// Identity says which database this is.
func (s *Store) Identity(ctx context.Context) (is string, err error) {
	err = s.db.WithContext(ctx).Raw(identity).Scan(&is).Error
	return is, wrap(err, "finding out which database this is")
}

func locate(c *pgx.ConnConfig, options Options) error {
	if options.Locate == nil {
		return nil
	}
	port, err := options.Locate()
	if err != nil {
		return err
	}
	c.Port = port
	return nil
}

// A watch is one connection beside the others: it tells whether the database answers when all others are at work, and
// holds the leases of projects, which end with it.
type watch struct {
	config  *pgx.ConnConfig
	options Options
	mu      sync.Mutex
	conn    *pgx.Conn
	held    map[int64]bool
	closed  bool
}

// connect gives the connection, which is made if there is none. The lock is held.
func (w *watch) connect(ctx context.Context) (*pgx.Conn, error) {
	if w.closed {
		return nil, errors.New("the store is closed")
	}
	if w.conn != nil && !w.conn.IsClosed() {
		return w.conn, nil
	}
	clear(w.held)
	c := w.config.Copy()
	if err := locate(c, w.options); err != nil {
		return nil, err
	}
	conn, err := pgx.ConnectConfig(ctx, c)
	if err != nil {
		return nil, fmt.Errorf("connecting to the database: %w", err)
	}
	w.conn = conn
	return conn, nil
}

func (w *watch) close() {
	w.mu.Lock()
	defer w.mu.Unlock()
	w.closed = true
	if w.conn != nil {
		ctx, cancel := context.WithTimeout(context.Background(), time.Second)
		defer cancel()
		_ = w.conn.Close(ctx)
	}
}

// Ready reports whether the database answers.
func (s *Store) Ready(ctx context.Context) error {
	w := &s.watch
	w.mu.Lock()
	defer w.mu.Unlock()
	conn, err := w.connect(ctx)
	if err == nil {
		_, err = conn.Exec(ctx, "SELECT 1")
	}
	if err != nil {
		return fmt.Errorf("asking the database: %w", err)
	}
	return nil
}

// leases is the class of advisory locks of which each stands for a project, by its number.
const leases = 7_201_418

// ErrElsewhere is reported when another program writes a project.
var ErrElsewhere = errors.New("another Azzel server has this project open")

// Hold takes the lease of a project, which one program has at a time, or makes sure that it still has it. It ends with
// Release, with the program, or with the connection to the database.
func (s *Store) Hold(ctx context.Context, project int64) error {
	w := &s.watch
	w.mu.Lock()
	defer w.mu.Unlock()
	conn, err := w.connect(ctx)
	if err != nil {
		return err
	}
	if w.held[project] {
		return nil
	}
	var got bool
	if err := conn.QueryRow(ctx, "SELECT pg_try_advisory_lock($1, $2)", leases, int32(project)).Scan(&got); err != nil {
		return fmt.Errorf("asking for the project: %w", err)
	}
	if !got {
		return ErrElsewhere
	}
	w.held[project] = true
	return nil
}

// Release gives the lease of a project back.
func (s *Store) Release(ctx context.Context, project int64) error {
	w := &s.watch
	w.mu.Lock()
	defer w.mu.Unlock()
	if !w.held[project] || w.conn == nil || w.conn.IsClosed() {
		return nil
	}
	delete(w.held, project)
	if _, err := w.conn.Exec(ctx, "SELECT pg_advisory_unlock($1, $2)", leases, int32(project)); err != nil {
		return fmt.Errorf("giving the project back: %w", err)
	}
	return nil
}

// MarkAnew makes the database another one for the pages that know it, since what it holds is not what they saw last.
func (s *Store) MarkAnew(ctx context.Context) error {
	return wrap(s.db.WithContext(ctx).Exec("UPDATE installation SET mark = gen_random_uuid()::text").Error, "marking the database")
}
