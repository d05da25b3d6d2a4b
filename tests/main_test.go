// Package tests tests what crosses parts: the command itself with a real
// database and a real browser.
package tests

import (
	"context"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"testing"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/launcher"

	"azzel/cluster"
)

// What all tests share: a cluster of their own, the built command, a browser.
var (
	shared  *cluster.Cluster
	command string
	browser *rod.Browser
)

func TestMain(m *testing.M) { os.Exit(run(m)) }

func run(m *testing.M) int {
	ctx := context.Background()
	dir, err := os.MkdirTemp("", "azzel-tests-")
	if err != nil {
		return failed(err)
	}
	defer os.RemoveAll(dir)
	var end func() error
	if shared, end, err = cluster.Temporary(ctx); err != nil {
		return failed(err)
	}
	defer end() //nolint:errcheck // the tests are over
	command = filepath.Join(dir, "azzel")
	if out, err := exec.Command("go", "build", "-o", command, "../cmd/azzel").CombinedOutput(); err != nil {
		return failed(fmt.Errorf("building the command: %w\n%s", err, out))
	}
	l := newLauncher(filepath.Join(dir, "profile"))
	url, err := l.Launch()
	if err != nil {
		return failed(fmt.Errorf("starting the browser: %w", err))
	}
	defer l.Kill()
	browser = rod.New().ControlURL(url)
	if err := browser.Connect(); err != nil {
		return failed(err)
	}
	return m.Run()
}

func failed(err error) int {
	fmt.Fprintln(os.Stderr, err)
	return 1
}

// newLauncher starts Debian's Chromium without anything that asks the network.
func newLauncher(profile string) *launcher.Launcher {
	return launcher.New().Bin("/usr/bin/chromium").Leakless(false).NoSandbox(true).UserDataDir(profile).
		HeadlessNew(true).Set("disable-gpu").Set("disable-quic").Set("no-first-run").
		Set("disable-background-networking").Set("disable-component-update").Set("disable-sync").Set("window-size", "1280,800")
}
