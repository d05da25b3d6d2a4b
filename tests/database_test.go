package tests

import (
	"context"
	"encoding/json"
	"io"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"syscall"
	"testing"
	"time"

	"github.com/go-rod/rod/lib/input"

	"azzel/cluster"
)

// newOwnSite starts a server that keeps its own database, in a folder of its own.
func newOwnSite(t *testing.T) (s *site, dir string) {
	t.Helper()
	base, err := os.MkdirTemp("", "azzel-own-")
	if err != nil {
		t.Fatal(err)
	}
	// Whom the database belongs to must be able to reach its folder.
	if err := os.Chmod(base, 0o755); err != nil {
		t.Fatal(err)
	}
	dir = filepath.Join(base, "database", "cluster")
	s = &site{t: t, directory: dir, address: "127.0.0.1:0", args: []string{"serve"}}
	t.Cleanup(func() {
		s.kill()
		_, _ = cluster.Stop(context.Background(), dir, "")
		_ = os.RemoveAll(base)
	})
	s.start()
	return s, dir
}

// postmaster is the first process of the database in a folder.
func postmaster(t *testing.T, dir string) int {
	t.Helper()
	text, err := os.ReadFile(filepath.Join(dir, "postmaster.pid"))
	if err != nil {
		t.Fatal(err)
	}
	pid, err := strconv.Atoi(strings.Fields(string(text))[0])
	if err != nil {
		t.Fatal(err)
	}
	return pid
}

// run runs the command on the database of a site.
func (s *site) run(args ...string) (string, error) {
	c := exec.Command(command, args...)
	c.Env = s.environment()
	out, err := c.CombinedOutput()
	return string(out), err
}

// get asks for an address and gives status and answer.
func (s *site) get(path string) (int, string) {
	s.t.Helper()
	client := http.Client{Timeout: patience}
	res, err := client.Get(s.url(path))
	if err != nil {
		s.t.Fatal(err)
	}
	defer res.Body.Close()
	text, err := io.ReadAll(res.Body)
	if err != nil {
		s.t.Fatal(err)
	}
	return res.StatusCode, string(text)
}

// until waits for something to become so.
func (s *site) until(what string, is func() bool) {
	s.t.Helper()
	for deadline := time.Now().Add(patience); !is(); time.Sleep(20 * time.Millisecond) {
		if time.Now().After(deadline) {
			s.t.Fatalf("%s never was", what)
		}
	}
}

// The server's own database is killed under two open windows: each says what it waits for, the server starts it again,
// and what was painted meanwhile is saved and heard by the other. That it was started elsewhere by a command does no harm.
func TestDatabaseComesBack(t *testing.T) {
	s, dir := newOwnSite(t)
	one := s.drawing()
	two := s.window("/project/1")
	two.opened()
	for round := range 2 {
		pid := postmaster(t, dir)
		// So that there is time to look, it is kept from being started again.
		blocked := dir + ".away"
		if err := syscall.Kill(pid, syscall.SIGKILL); err != nil {
			t.Fatal(err)
		}
		if err := os.Rename(dir, blocked); err != nil {
			t.Fatal(err)
		}
		one.page.MustActivate()
		one.tap("First map", 6+round, 4)
		one.sees("[role=status]", "Waiting for the database (1 change)")
		one.sees("[data-message]", "database")
		if code, text := s.get("/readyz"); code != 503 || !strings.Contains(text, "database") {
			t.Errorf("it is ready: %d %s", code, text)
		}
		if code, text := s.get("/api/projects"); code != 503 || strings.Contains(text, "connect") {
			t.Errorf("projects are listed: %d %s", code, text)
		}
		if _, err := os.Stat(dir); err == nil {
			t.Fatal("an empty database was made in the place of one that is not to be found")
		}
		if err := os.Rename(blocked, dir); err != nil {
			t.Fatal(err)
		}
		if round == 1 {
			if out, err := s.run("export", "-o", filepath.Join(t.TempDir(), "b.zip"), "1"); err != nil {
				t.Fatalf("%v %s", err, out)
			}
		}
		one.saved()
		two.page.MustActivate()
		two.tile(6+round, 4, "wall")
		two.take("water")
		two.press(input.KeyD)
		two.tap("First map", 6+round, 6)
		same(one, two)
		if code, _ := s.get("/readyz"); code != 200 {
			t.Errorf("it is not ready again: %d", code)
		}
	}
}

// A database that hangs is not waited for: whatever is asked is answered, and goes on once it answers.
func TestDatabaseHangs(t *testing.T) {
	s, dir := newOwnSite(t)
	s.create("Ferns")
	pid := postmaster(t, dir)
	stop := func(signal syscall.Signal) {
		t.Helper()
		list, err := exec.Command("pgrep", "-P", strconv.Itoa(pid)).Output()
		if err != nil {
			t.Fatal(err)
		}
		for _, child := range append(strings.Fields(string(list)), strconv.Itoa(pid)) {
			n, _ := strconv.Atoi(child)
			_ = syscall.Kill(n, signal) // it may have ended
		}
	}
	stop(syscall.SIGSTOP)
	defer stop(syscall.SIGCONT)
	for range 3 {
		for _, path := range []string{"/api/projects", "/api/projects/1/opening", "/api/projects/1/bundle", "/api/deleted", "/readyz"} {
			if code, text := s.get(path); code != 503 || !strings.Contains(text, "database") {
				t.Errorf("%s: %d %s", path, code, text)
			}
		}
	}
	stop(syscall.SIGCONT)
	s.until("ready again", func() bool { code, _ := s.get("/readyz"); return code == 200 })
	if code, _ := s.get("/api/projects/1/opening"); code != 200 {
		t.Errorf("a project is opened with %d", code)
	}
	if code, text := s.get("/api/projects/1/blobs/" + strings.Repeat("0", 64)); code != 404 {
		t.Errorf("a picture that is not there: %d %s", code, text)
	}
	// Each error is one line of JSON, with the request if there was one; what was answered in words is none.
	s.kill()
	away := 0
	for line := range strings.Lines(s.log.String()) {
		var entry struct{ Level, Msg, Path, Error string }
		if err := json.Unmarshal([]byte(line), &entry); err != nil {
			t.Errorf("a line of the log is no JSON: %s", line)
		}
		if entry.Msg == "a request failed" && entry.Path == "" {
			t.Errorf("an error does not name its request: %s", line)
		}
		if entry.Msg == "the database does not answer" {
			away++
		}
	}
	if away != 1 {
		t.Errorf("that the database does not answer is said %d times:\n%s", away, s.log)
	}
}

// A backup is written while the server runs, and restored while it does not. A window that was open all the while says
// what happened, keeps what it showed as a file that can be brought in, and opens anew; a queue of a window that was
// closed is not stored in what is another project now.
func TestRestoredUnderAWindow(t *testing.T) {
	s, _ := newOwnSite(t)
	w := s.drawing()
	profile, err := browser.Incognito()
	if err != nil {
		t.Fatal(err)
	}
	closed := s.windowIn(profile, "/project/1")
	closed.opened()
	backup := filepath.Join(t.TempDir(), "azzel.backup")
	if out, err := s.run("backup", backup); err != nil {
		t.Fatalf("%v %s", err, out)
	}
	if out, err := s.run("restore", backup); err == nil || !strings.Contains(out, "stop it") {
		t.Errorf("restored under a running server: %v %s", err, out)
	}
	w.page.MustActivate()
	for x := range 3 {
		w.tap("First map", 6+x, 4)
	}
	// A picture that the backup does not know either.
	w.drop(picture(t, "potting-bench.png", 2, 1))
	w.click("Take 7 tiles")
	w.until("the tileset", `() => window.azzel.scene().tilesets.length === 2`)
	w.take("tile 2")
	w.press(input.KeyD)
	w.tap("First map", 14, 4)
	w.tile(14, 4, "tile 2, potting bench")
	w.take("wall")
	w.press(input.KeyD)
	w.saved()
	s.kill()
	w.tap("First map", 10, 4)
	closed.page.MustActivate()
	closed.take("water")
	closed.press(input.KeyD)
	closed.tap("First map", 12, 9)
	closed.sees("[role=status]", "Waiting for the server (1 change)")
	time.Sleep(300 * time.Millisecond) // the queue is written
	closed.page.MustClose()
	if out, err := s.run("restore", filepath.Join(filepath.Dir(backup), "none")); err == nil {
		t.Errorf("no backup was restored: %s", out)
	}
	broken := filepath.Join(t.TempDir(), "broken.backup")
	whole, err := os.ReadFile(backup)
	if err != nil {
		t.Fatal(err)
	}
	for _, bad := range [][]byte{nil, []byte("moss"), whole[:len(whole)/2]} {
		if err := os.WriteFile(broken, bad, 0o600); err != nil {
			t.Fatal(err)
		}
		if out, err := s.run("restore", broken); err == nil || !strings.Contains(out, "nothing was changed") {
			t.Errorf("%d bytes of a backup: %v %s", len(bad), err, out)
		}
	}
	out, err := s.run("restore", backup)
	if err != nil || !strings.Contains(out, "Restored 1 project ") {
		t.Fatalf("%v %s", err, out)
	}
	s.start()
	w.page.MustActivate()
	w.sees("[data-message]", "another database now")
	w.tile(4, 4, "wall")
	w.tile(6, 4, "ground")
	w.take("path")
	w.press(input.KeyD)
	w.tap("First map", 8, 8)
	w.saved()
	w.page.MustReload()
	w.opened()
	w.tile(8, 8, "path")
	// What it showed is offered still, and has the steps that are not in the backup, the unsent one too.
	wait := w.page.MustWaitRequestIdle()
	w.sees("[data-copies]", "Save it as a file")
	wait()
	file := w.page.Browser().MustWaitDownload()
	w.page.MustElement("[data-copies] button").MustClick()
	code, text := s.post("/api/bundles", "application/zip", file())
	var made struct{ ID string }
	if err := json.Unmarshal([]byte(text), &made); err != nil || code != 201 {
		t.Fatalf("what it showed can't be brought in: %d %s", code, text)
	}
	back := s.window("/project/" + made.ID)
	back.opened()
	for _, x := range []int{4, 6, 7, 8, 10} {
		back.tile(x, 4, "wall")
	}
	back.tile(14, 4, "tile 2, potting bench")
	if text := w.page.MustElement("[data-copies]").MustText(); strings.Contains(text, "nowhere to be had") {
		t.Errorf("its pictures were lost: %s", text)
	}
	// The other window comes back with what it had not sent.
	again := s.windowIn(profile, "/project/1")
	again.opened()
	again.sees("[data-others]", "A step that was not sent is kept")
	again.tile(12, 9, "ground")
	again.saved()
	before := again.probe().Revision
	if n := w.probe().Revision; n != before {
		t.Errorf("it is at revision %d, and the other window at %d", before, n)
	}
	again.click("Do it here")
	again.tile(12, 9, "water")
	again.saved()
	again.click("Delete it")
	again.page.MustReload()
	again.opened()
	again.tile(12, 9, "water")
	if got := again.probe().Revision; got != before+1 {
		t.Errorf("done here once it is at revision %d, want %d", got, before+1)
	}
}

// A second server on the same database does not write what the first has open, and says so; once the first let go of
// it the second goes on from there. A command does the same.
func TestSecondServer(t *testing.T) {
	s := newSite(t)
	w := s.drawing()
	other := &site{t: t, database: s.database, address: "127.0.0.1:0", args: []string{"serve"}}
	other.start()
	t.Cleanup(other.kill)
	if code, text := other.get("/api/projects/1/opening"); code != 409 || !strings.Contains(text, "Another Azzel server") {
		t.Errorf("the second opens it: %d %s", code, text)
	}
	if code, text := other.get("/api/projects"); code != 200 || !strings.Contains(text, "Night shift") {
		t.Errorf("the second lists no projects: %d %s", code, text)
	}
	cells := filepath.Join(t.TempDir(), "cells.csv")
	if err := os.WriteFile(cells, []byte("b1,b1\nb1,b1\n"), 0o600); err != nil {
		t.Fatal(err)
	}
	if out, err := s.run("import", "-map", "First map", "-layer", "Ground", cells, "1"); err == nil || !strings.Contains(out, "running Azzel server") {
		t.Errorf("a command wrote beside the server: %v %s", err, out)
	}
	s.kill()
	second := other.window("/project/1")
	second.opened()
	second.tile(4, 4, "wall")
	second.take("water")
	second.press(input.KeyD)
	second.tap("First map", 5, 4)
	second.saved()
	s.start()
	w.page.MustActivate()
	w.tap("First map", 7, 4)
	w.sees("[role=status]", "Waiting for another server (1 change)")
	other.kill()
	w.saved()
	w.tile(5, 4, "water")
	if got := w.probe().Revision; got != 3 {
		t.Errorf("%d steps are stored, want 3", got)
	}
}
