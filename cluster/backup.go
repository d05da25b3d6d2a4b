package cluster

import (
	"bytes"
	"context"
	"fmt"
	"io"
	"net/url"
	"os/exec"
	"strings"
	"time"

	"github.com/jackc/pgx/v5"
)

// Backup writes all that the database at an address holds, as PostgreSQL's own archive. It is of one moment, whatever
// is written meanwhile.
func Backup(ctx context.Context, address string, w io.Writer) error {
	bin, err := programs()
	if err != nil {
		return err
	}
	c, err := client(ctx, bin, "pg_dump", address, "", "--format=custom", "--no-owner", "--no-privileges")
	if err != nil {
		return err
	}
	var problem bytes.Buffer
	c.Stdout, c.Stderr = w, &problem
	if err := c.Run(); err != nil {
		return fmt.Errorf("writing the backup: %w\n%s", err, strings.TrimSpace(problem.String()))
	}
	return nil
}

// client is one of PostgreSQL's programs that connects to an address, to another database there if one is named. The
// password is not among its arguments, which others can see.
func client(ctx context.Context, bin, name, address, database string, args ...string) (*exec.Cmd, error) {
	u, err := url.Parse(address)
	if err != nil {
		return nil, fmt.Errorf("reading the database's address: %w", err)
	}
	secret, _ := u.User.Password()
	u.User = url.User(u.User.Username())
	if database != "" {
		u.Path = "/" + database
	}
	c := command(ctx, bin, name, append(args, "--dbname="+u.String())...)
	c.Env = append(c.Env, "PGPASSWORD="+secret)
	return c, nil
}

// Restore puts what a backup holds in the place of the database at an address, which no program of the name may use.
// What was there stays beside it, under the name that is given back, until the next time. If anything fails all is as
// before. Check is asked with the address of what was read before it takes its place.
func Restore(ctx context.Context, address, name string, backup io.Reader, check func(address string) error) (before string, err error) {
	bin, err := programs()
	if err != nil {
		return "", err
	}
	u, err := url.Parse(address)
	if err != nil {
		return "", fmt.Errorf("reading the database's address: %w", err)
	}
	own := strings.TrimPrefix(u.Path, "/")
	if n, err := users(ctx, address, name, own); err != nil {
		return "", err
	} else if n > 0 {
		return "", ErrUsed
	}
	u.Path = "/postgres"
	conn, err := pgx.Connect(ctx, u.String())
	if err != nil {
		return "", fmt.Errorf("connecting to the database: %w", err)
	}
	defer conn.Close(ctx)
	stamp := time.Now().UTC().Format("20060102_150405")
	making, before := own+"_restoring_"+stamp, own+"_before_"+stamp
	quoted := func(name string) string { return pgx.Identifier{name}.Sanitize() }
	if _, err := conn.Exec(ctx, "CREATE DATABASE "+quoted(making)); err != nil {
		return "", fmt.Errorf("making room for the backup: %w", err)
	}
	drop := func() {
		_, _ = conn.Exec(context.WithoutCancel(ctx), "DROP DATABASE IF EXISTS "+quoted(making)+" WITH (FORCE)")
	}
	c, err := client(ctx, bin, "pg_restore", address, making, "--exit-on-error", "--no-owner", "--no-privileges")
	if err != nil {
		drop()
		return "", err
	}
	var problem bytes.Buffer
	c.Stdin, c.Stderr = backup, &problem
	if err := c.Run(); err != nil {
		drop()
		return "", fmt.Errorf("this is no backup that can be read whole, and nothing was changed: %w\n%s", err, strings.TrimSpace(problem.String()))
	}
	there := *u
	there.Path = "/" + making
	if err := check(there.String()); err != nil {
		drop()
		return "", fmt.Errorf("the backup was not taken, and nothing was changed: %w", err)
	}
	if err := exchange(ctx, conn, own, making, before); err != nil {
		drop()
		return "", err
	}
	return before, nil
}

// exchange gives a database the name of another, which is called otherwise from then on; those that were called so
// earlier go.
func exchange(ctx context.Context, conn *pgx.Conn, own, making, before string) error {
	quoted := func(name string) string { return pgx.Identifier{name}.Sanitize() }
	rows, err := conn.Query(ctx, "SELECT datname FROM pg_database WHERE datname LIKE $1", strings.NewReplacer(`\`, `\\`, "_", `\_`, "%", `\%`).Replace(own)+`\_before\_%`)
	if err != nil {
		return fmt.Errorf("looking for earlier databases: %w", err)
	}
	earlier, err := pgx.CollectRows(rows, pgx.RowTo[string])
	if err != nil {
		return fmt.Errorf("looking for earlier databases: %w", err)
	}
	// Both names change, or neither.
	tx, err := conn.Begin(ctx)
	if err != nil {
		return fmt.Errorf("exchanging the databases: %w", err)
	}
	defer tx.Rollback(context.WithoutCancel(ctx)) //nolint:errcheck // does nothing after the commit
	for _, names := range [][2]string{{own, before}, {making, own}} {
		if _, err := tx.Exec(ctx, "ALTER DATABASE "+quoted(names[0])+" RENAME TO "+quoted(names[1])); err != nil {
			return fmt.Errorf("exchanging the databases: %w", err)
		}
	}
	if err := tx.Commit(ctx); err != nil {
		return fmt.Errorf("exchanging the databases: %w", err)
	}
	for _, name := range earlier {
		if _, err := conn.Exec(ctx, "DROP DATABASE IF EXISTS "+quoted(name)); err != nil {
			return fmt.Errorf("removing %s: %w", name, err)
		}
	}
	return nil
}
