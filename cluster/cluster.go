// Package cluster starts a PostgreSQL cluster of Azzel's own on loopback, with
// Debian's programs, and stops it again. It never touches another cluster.
package cluster

import (
	"bytes"
	"context"
	"crypto/rand"
	"encoding/hex"
	"errors"
	"fmt"
	"net"
	"net/url"
	"os"
	"os/exec"
	"os/user"
	"path/filepath"
	"sort"
	"strconv"
	"strings"
	"syscall"
	"time"

	"github.com/jackc/pgx/v5"
)

// databaseUser is whom the cluster belongs to when root starts it: PostgreSQL
// refuses to run as root.
const databaseUser = "postgres"

// A Cluster is a running PostgreSQL.
type Cluster struct {
	// URL is where its database is, password included.
	URL string
	dir string
	bin string
	// Started says that this call started it; else it ran already.
	Started bool
}

// DefaultDir is where the cluster's data lies: outside any clone, where its
// user can reach it, or where AZZEL_DATABASE_DIR says.
func DefaultDir() (string, error) {
	if dir := os.Getenv("AZZEL_DATABASE_DIR"); dir != "" {
		return filepath.Abs(dir)
	}
	if os.Geteuid() == 0 {
		return "/var/lib/azzel/cluster", nil
	}
	if base := os.Getenv("XDG_DATA_HOME"); base != "" {
		return filepath.Join(base, "azzel", "cluster"), nil
	}
	home, err := os.UserHomeDir()
	if err != nil {
		return "", fmt.Errorf("finding a place for the database: %w", err)
	}
	return filepath.Join(home, ".local", "share", "azzel", "cluster"), nil
}

// programs finds the newest PostgreSQL programs that Debian's packages put in.
func programs() (string, error) {
	found, _ := filepath.Glob("/usr/lib/postgresql/*/bin/initdb") // the pattern is well formed
	if len(found) == 0 {
		return "", errors.New("PostgreSQL is not installed; install it with: apt-get install postgresql")
	}
	version := func(p string) int { n, _ := strconv.Atoi(strings.Split(p, "/")[4]); return n }
	sort.Slice(found, func(i, j int) bool { return version(found[i]) > version(found[j]) })
	return filepath.Dir(found[0]), nil
}

// command runs one of PostgreSQL's programs as the user the data belongs to.
func command(ctx context.Context, bin, name string, args ...string) *exec.Cmd {
	program := filepath.Join(bin, name)
	var c *exec.Cmd
	if os.Geteuid() == 0 {
		c = exec.CommandContext(ctx, "runuser", append([]string{"-u", databaseUser, "--", program}, args...)...)
	} else {
		c = exec.CommandContext(ctx, program, args...)
	}
	c.Dir = "/"
	c.Env = append(os.Environ(), "LC_ALL=C.UTF-8")
	return c
}

func run(c *exec.Cmd) error {
	var out bytes.Buffer
	c.Stdout, c.Stderr = &out, &out
	if err := c.Run(); err != nil {
		return fmt.Errorf("%s: %w\n%s", filepath.Base(c.Path), err, strings.TrimSpace(out.String()))
	}
	return nil
}

// Start makes sure that the cluster in dir runs, and makes it first if there
// is none.
func Start(ctx context.Context, dir string) (*Cluster, error) {
	bin, err := programs()
	if err != nil {
		return nil, err
	}
	c := &Cluster{dir: dir, bin: bin}
	if err := c.create(ctx); err != nil {
		return nil, err
	}
	return c, c.start(ctx)
}

// Revive makes sure that the cluster in dir runs that was made before. It makes none: data that is not to be found is
// not replaced by an empty database.
func Revive(ctx context.Context, dir string) error {
	bin, err := programs()
	if err != nil {
		return err
	}
	if _, err := os.Stat(filepath.Join(dir, "PG_VERSION")); err != nil {
		return fmt.Errorf("looking for the database's data: %w", err)
	}
	return (&Cluster{dir: dir, bin: bin}).start(ctx)
}

// startTime is how long a start may take: after it was killed, a database first goes through what it wrote last.
const startTime = time.Minute

// start runs the cluster unless it runs.
func (c *Cluster) start(ctx context.Context) error {
	if c.find(ctx) {
		return nil
	}
	dir, bin := c.dir, c.bin
	deadline := time.Now().Add(startTime)
	for attempt := 0; ; attempt++ {
		port, err := choosePort(dir, attempt)
		if err != nil {
			return err
		}
		options := fmt.Sprintf("-c listen_addresses=127.0.0.1 -p %d -c unix_socket_directories='' -c max_connections=60", port)
		err = run(command(ctx, bin, "pg_ctl", "-w", "-t", "60", "-D", dir, "-l", filepath.Join(dir, "server.log"), "-o", options, "start"))
		if err == nil && c.find(ctx) {
			c.Started = true
			// Where it is not remembered, it is looked up.
			_ = os.WriteFile(portFile(dir), []byte(strconv.Itoa(port)), 0o644)
			return nil
		}
		// It may be another start that is under way, or a port just taken.
		select {
		case <-ctx.Done():
			return fmt.Errorf("starting the database: %w", ctx.Err())
		case <-time.After(200 * time.Millisecond):
		}
		if c.find(ctx) {
			return nil
		}
		if time.Now().After(deadline) {
			return fmt.Errorf("starting the database: %w", err)
		}
	}
}

func portFile(dir string) string { return dir + ".port" }

// choosePort is where the cluster was the last time, so that whoever knows it finds it again, or a free port.
func choosePort(dir string, attempt int) (int, error) {
	if last, err := os.ReadFile(portFile(dir)); err == nil && attempt == 0 {
		if port, err := strconv.Atoi(string(last)); err == nil && port > 0 && port < 1<<16 {
			if l, err := net.Listen("tcp", fmt.Sprintf("127.0.0.1:%d", port)); err == nil {
				return port, l.Close()
			}
		}
	}
	return freePort()
}

// Port is where the cluster in dir is, or was when it ran last.
func Port(dir string) (uint16, error) {
	lines, err := os.ReadFile(filepath.Join(dir, "postmaster.pid"))
	parts := strings.Split(string(lines), "\n")
	if err != nil || len(parts) < 4 {
		return 0, errors.New("the database does not run")
	}
	port, err := strconv.ParseUint(strings.TrimSpace(parts[3]), 10, 16)
	if err != nil {
		return 0, fmt.Errorf("finding the database: %w", err)
	}
	return uint16(port), nil
}

func freePort() (int, error) {
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return 0, fmt.Errorf("looking for a free port: %w", err)
	}
	defer l.Close()
	return l.Addr().(*net.TCPAddr).Port, nil
}

// create makes the cluster's data unless it is there.
func (c *Cluster) create(ctx context.Context) error {
	if _, err := os.Stat(filepath.Join(c.dir, "PG_VERSION")); err == nil {
		return nil
	} else if !errors.Is(err, os.ErrNotExist) {
		return fmt.Errorf("looking for the database's data: %w", err)
	}
	parent := filepath.Dir(c.dir)
	if err := os.MkdirAll(parent, 0o755); err != nil {
		return fmt.Errorf("making a place for the database: %w", err)
	}
	if err := own(parent); err != nil {
		return err
	}
	var raw [24]byte
	_, _ = rand.Read(raw[:]) // never fails
	secret := c.dir + ".secret"
	if err := os.WriteFile(secret, []byte(hex.EncodeToString(raw[:])), 0o600); err != nil {
		return fmt.Errorf("making the database's password: %w", err)
	}
	if err := own(secret); err != nil {
		return err
	}
	making := c.dir + ".making"
	if err := os.RemoveAll(making); err != nil {
		return fmt.Errorf("clearing an unfinished database: %w", err)
	}
	err := run(command(ctx, c.bin, "initdb", "-D", making, "-U", "azzel", "--auth-local=scram-sha-256", "--auth-host=scram-sha-256",
		"--pwfile="+secret, "-E", "UTF8", "--locale=C.UTF-8", "--no-sync"))
	if err != nil {
		return fmt.Errorf("making the database in %s: %w", parent, err)
	}
	if err := os.Rename(making, c.dir); err != nil {
		return fmt.Errorf("making the database: %w", err)
	}
	return nil
}

// own hands a file to the user the database runs as, if root made it.
func own(path string) error {
	if os.Geteuid() != 0 {
		return nil
	}
	u, err := user.Lookup(databaseUser)
	if err != nil {
		return fmt.Errorf("finding the database's user: %w", err)
	}
	uid, _ := strconv.Atoi(u.Uid) // numeric on this system
	gid, _ := strconv.Atoi(u.Gid)
	return os.Chown(path, uid, gid)
}

// find reports whether the cluster runs, by asking it with its own password
// for the folder of its data; pg_ctl's word is not enough after a crash.
func (c *Cluster) find(ctx context.Context) bool {
	lines, err := os.ReadFile(filepath.Join(c.dir, "postmaster.pid"))
	if err != nil {
		return false
	}
	secret, err := os.ReadFile(c.dir + ".secret")
	if err != nil {
		return false
	}
	parts := strings.Split(string(lines), "\n")
	if len(parts) < 4 {
		return false
	}
	address := url.URL{Scheme: "postgres", User: url.UserPassword("azzel", string(secret)),
		Host: "127.0.0.1:" + strings.TrimSpace(parts[3]), Path: "/postgres", RawQuery: "sslmode=disable&connect_timeout=3"}
	conn, err := pgx.Connect(ctx, address.String())
	if err != nil {
		return false
	}
	defer conn.Close(ctx)
	var dir string
	if err := conn.QueryRow(ctx, "SHOW data_directory").Scan(&dir); err != nil {
		return false
	}
	mine, err := os.Stat(c.dir)
	if err != nil {
		return false
	}
	theirs, err := os.Stat(dir)
	if err != nil || !os.SameFile(mine, theirs) {
		return false
	}
	c.URL = address.String()
	return true
}

// Database gives the address of a database of the cluster, which is made if it
// is not there.
func (c *Cluster) Database(ctx context.Context, name string) (string, error) {
	conn, err := pgx.Connect(ctx, c.URL)
	if err != nil {
		return "", fmt.Errorf("connecting to the database: %w", err)
	}
	defer conn.Close(ctx)
	var there bool
	if err := conn.QueryRow(ctx, "SELECT EXISTS (SELECT 1 FROM pg_database WHERE datname = $1)", name).Scan(&there); err != nil {
		return "", fmt.Errorf("looking for the database: %w", err)
	}
	if !there {
		if _, err := conn.Exec(ctx, "CREATE DATABASE "+pgx.Identifier{name}.Sanitize()); err != nil {
			return "", fmt.Errorf("making the database: %w", err)
		}
	}
	u, err := url.Parse(c.URL)
	if err != nil {
		return "", err
	}
	u.Path = "/" + name
	return u.String(), nil
}

// ErrUsed is reported when a server still uses the cluster that is to be stopped.
var ErrUsed = errors.New("an Azzel server still uses the database, so it goes on: stop that server first")

// Stop ends the cluster in dir, if it runs and no program of the name uses it.
func Stop(ctx context.Context, dir, name string) (stopped bool, err error) {
	bin, err := programs()
	if err != nil {
		return false, err
	}
	c := &Cluster{dir: dir, bin: bin}
	if !c.find(ctx) {
		return false, nil
	}
	if n, err := users(ctx, c.URL, name, ""); err != nil {
		return false, err
	} else if n > 0 {
		return false, ErrUsed
	}
	if err := run(command(ctx, bin, "pg_ctl", "-w", "-m", "fast", "-D", dir, "stop")); err != nil {
		return false, fmt.Errorf("stopping the database: %w", err)
	}
	return true, nil
}

// users is how many connections programs of a name have to a database of the cluster at the address, or to any of them
// without one.
func users(ctx context.Context, address, name, database string) (n int, err error) {
	if name == "" {
		return 0, nil
	}
	conn, err := pgx.Connect(ctx, address)
	if err != nil {
		return 0, fmt.Errorf("connecting to the database: %w", err)
	}
	defer conn.Close(ctx)
	err = conn.QueryRow(ctx, "SELECT count(*) FROM pg_stat_activity WHERE application_name = $1 AND ($2 = '' OR datname = $2)", name, database).Scan(&n)
	if err != nil {
		return 0, fmt.Errorf("looking for servers: %w", err)
	}
	return n, nil
}

// Alive reports whether a process with this number runs.
func Alive(pid int) bool { return pid > 0 && syscall.Kill(pid, 0) == nil }
