package cluster

import (
	"context"
	"errors"
	"fmt"
	"os"
	"path/filepath"
)

// Temporary starts a cluster in a new folder, for tests and measurements. End
// stops it and removes the folder.
func Temporary(ctx context.Context) (c *Cluster, end func() error, err error) {
	dir, err := os.MkdirTemp("", "azzel-")
	if err != nil {
		return nil, nil, fmt.Errorf("making a place for the database: %w", err)
	}
	// Whom the database belongs to must be able to reach its folder.
	if err := os.Chmod(dir, 0o755); err != nil {
		return nil, nil, errors.Join(err, os.RemoveAll(dir))
	}
	data := filepath.Join(dir, "database", "cluster")
	end = func() error {
		_, err := Stop(context.WithoutCancel(ctx), data, "")
		return errors.Join(err, os.RemoveAll(dir))
	}
	if c, err = Start(ctx, data); err != nil {
		return nil, nil, errors.Join(err, end())
	}
	return c, end, nil
}

// RunTests runs the tests of a package with a temporary cluster, which it puts into
// c, and gives the exit code for TestMain.
func RunTests(m interface{ Run() int }, c **Cluster) int {
	shared, end, err := Temporary(context.Background())
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer end() //nolint:errcheck // the tests are over
	*c = shared
	return m.Run()
}
