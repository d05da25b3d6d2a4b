package cluster_test

import (
	"context"
	"net"
	"net/url"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"testing"
	"time"

	"github.com/jackc/pgx/v5"

	"azzel/cluster"
)

// ask runs one statement that gives a text.
func ask(t *testing.T, address, statement string) string {
	t.Helper()
	ctx := context.Background()
	conn, err := pgx.Connect(ctx, address)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close(ctx)
	var answer string
	if err := conn.QueryRow(ctx, statement).Scan(&answer); err != nil {
		t.Fatalf("%s: %v", statement, err)
	}
	return answer
}

// The cluster is started once however often it is asked for, keeps what it was
// given over a stop and over a crash, and answers on loopback alone, to its own
// password alone, with every write on the disk.
func TestLife(t *testing.T) {
	ctx := context.Background()
	first, end, err := cluster.Temporary(ctx)
	if err != nil {
		t.Fatal(err)
	}
	defer end() //nolint:errcheck // the test is over
	dir := ask(t, first.URL, "SHOW data_directory")
	if !first.Started {
		t.Error("a new cluster was not started")
	}
	for i := range 2 {
		again, err := cluster.Start(ctx, dir)
		if err != nil || again.Started || again.URL != first.URL {
			t.Fatalf("start %d: started again: %v %v", i, again.Started, err)
		}
		address, err := again.Database(ctx, "fern house")
		if err != nil {
			t.Fatal(err)
		}
		if i == 0 {
			if _, err := exec(address, "CREATE TABLE moss (n int); INSERT INTO moss VALUES (7)"); err != nil {
				t.Fatal(err)
			}
		} else if got := ask(t, address, "SELECT n::text FROM moss"); got != "7" {
			t.Fatalf("what was stored is %s", got)
		}
	}
	for setting, want := range map[string]string{"listen_addresses": "127.0.0.1", "fsync": "on", "full_page_writes": "on", "synchronous_commit": "on", "unix_socket_directories": ""} {
		if got := ask(t, first.URL, "SHOW "+setting); got != want {
			t.Errorf("%s is %q, want %q", setting, got, want)
		}
	}
	stranger, err := url.Parse(first.URL)
	if err != nil {
		t.Fatal(err)
	}
	stranger.User = url.UserPassword("azzel", "guessed")
	if conn, err := pgx.Connect(ctx, stranger.String()); err == nil {
		conn.Close(ctx) //nolint:errcheck // it should not be there
		t.Error("a guessed password opens the database")
	}
	if info, err := os.Stat(dir + ".secret"); err != nil || info.Mode().Perm() != 0o600 {
		t.Errorf("the password lies open: %v %v", info, err)
	}

	// A crash of the whole database, and a start that finds its remains.
	kill(t, dir)
	after, err := cluster.Start(ctx, dir)
	if err != nil || !after.Started {
		t.Fatalf("no start after a crash: %v", err)
	}
	address, err := after.Database(ctx, "fern house")
	if err != nil || ask(t, address, "SELECT n::text FROM moss") != "7" {
		t.Errorf("what was stored is lost after a crash: %v", err)
	}

	if stopped, err := cluster.Stop(ctx, dir, ""); err != nil || !stopped {
		t.Fatalf("it was not stopped: %v", err)
	}
	if stopped, err := cluster.Stop(ctx, dir, ""); err != nil || stopped {
		t.Errorf("it was stopped twice: %v", err)
	}
}

func exec(address, statements string) (string, error) {
	ctx := context.Background()
	conn, err := pgx.Connect(ctx, address)
	if err != nil {
		return "", err
	}
	defer conn.Close(ctx)
	tag, err := conn.Exec(ctx, statements)
	return tag.String(), err
}

// kill ends every process of the cluster as a failing machine would.
func kill(t *testing.T, dir string) {
	t.Helper()
	lines, err := os.ReadFile(filepath.Join(dir, "postmaster.pid"))
	if err != nil {
		t.Fatal(err)
	}
	pid, err := strconv.Atoi(strings.Split(string(lines), "\n")[0])
	if err != nil {
		t.Fatal(err)
	}
	if err := syscall.Kill(pid, syscall.SIGKILL); err != nil {
		t.Fatal(err)
	}
	for i := 0; cluster.Alive(pid); i++ {
		if i == 500 {
			t.Fatal("the database outlives its end")
		}
		time.Sleep(10 * time.Millisecond)
	}
}

// Several starts at once end with one cluster, and all of them know it.
func TestStartsAtOnce(t *testing.T) {
	ctx := context.Background()
	c, end, err := cluster.Temporary(ctx)
	if err != nil {
		t.Fatal(err)
	}
	defer end() //nolint:errcheck // the test is over
	dir := ask(t, c.URL, "SHOW data_directory")
	if _, err := cluster.Stop(ctx, dir, ""); err != nil {
		t.Fatal(err)
	}
	found := make([]*cluster.Cluster, 4)
	var all sync.WaitGroup
	for i := range found {
		all.Go(func() {
			var err error
			if found[i], err = cluster.Start(ctx, dir); err != nil {
				t.Errorf("start %d: %v", i, err)
			}
		})
	}
	all.Wait()
	for _, f := range found {
		if f == nil || f.URL != found[0].URL {
			t.Fatalf("two starts found two databases: %+v and %+v", f, found[0])
		}
	}
}

// A number left behind by another process is not taken for the cluster, which
// starts on a port of its own; what else listens is not touched.
func TestRemainsOfAnother(t *testing.T) {
	ctx := context.Background()
	c, end, err := cluster.Temporary(ctx)
	if err != nil {
		t.Fatal(err)
	}
	defer end() //nolint:errcheck // the test is over
	dir := ask(t, c.URL, "SHOW data_directory")
	if _, err := cluster.Stop(ctx, dir, ""); err != nil {
		t.Fatal(err)
	}
	other, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	defer other.Close()
	go func() {
		for {
			conn, err := other.Accept()
			if err != nil {
				return
			}
			conn.Close()
		}
	}()
	// A process that has ended, and a port at which something else answers.
	remains := "4194304\n" + dir + "\n0\n" + strconv.Itoa(other.Addr().(*net.TCPAddr).Port) + "\n\n127.0.0.1\n"
	if err := os.WriteFile(filepath.Join(dir, "postmaster.pid"), []byte(remains), 0o644); err != nil {
		t.Fatal(err)
	}
	if stopped, err := cluster.Stop(ctx, dir, ""); err != nil || stopped {
		t.Errorf("something else was stopped: %v", err)
	}
	again, err := cluster.Start(ctx, dir)
	if err != nil || !again.Started {
		t.Fatalf("no start beside the remains of another: %v", err)
	}
}
