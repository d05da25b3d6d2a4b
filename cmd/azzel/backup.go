package main

import (
	"context"
	"errors"
	"fmt"
	"io"
	"os"

	"azzel/cluster"
	"azzel/store"
)

// backup writes all that the database holds into a file. A server may run meanwhile.
func backup(ctx context.Context, file string, out io.Writer) error {
	url, err := databaseURL(ctx)
	if err != nil {
		return err
	}
	return writeFile(out, file, func(w io.Writer) error { return cluster.Backup(ctx, url, w) })
}

// restore puts what a backup holds in the place of the database.
func restore(ctx context.Context, file string, out io.Writer) error {
	f, err := os.Open(file)
	if err != nil {
		return err
	}
	defer f.Close()
	url, err := databaseURL(ctx)
	if err != nil {
		return err
	}
	projects := 0
	before, err := cluster.Restore(ctx, url, serverName, f, func(address string) error {
		s, err := store.Open(ctx, address, store.Options{})
		if err != nil {
			return err
		}
		defer s.Close()
		if err := s.MarkAnew(ctx); err != nil {
			return err
		}
		list, err := s.Projects(ctx)
		projects = len(list)
		return err
	})
	if errors.Is(err, cluster.ErrUsed) {
		return errors.New("an Azzel server uses the database: stop it with ./run stop, then restore the backup")
	}
	if err != nil {
		return err
	}
	noun := "projects"
	if projects == 1 {
		noun = "project"
	}
	fmt.Fprintf(out, "Restored %d %s from %s. What was there before stays in the database %s until the next time.\n", projects, noun, file, before)
	return nil
}
