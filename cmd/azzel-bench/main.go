// Command azzel-bench measures what docs/BENCH.md lists: in a real browser, on
// a server with a database of its own on which fsync is on. With -write it
// brings docs/BENCH.md up to date. No figure is a test's verdict.
package main

import (
	"context"
	"flag"
	"fmt"
	"io/fs"
	"net"
	"os"
	"os/exec"
	"os/signal"
	"path/filepath"
	"regexp"
	"strconv"
	"strings"
	"syscall"
	"time"

	"azzel/cluster"
	"azzel/demo"
	"azzel/server"
	"azzel/store"
	"azzel/web"
)

// A figure is one line of the table.
type figure struct{ what, aim, got string }

type bench struct {
	ctx     context.Context
	store   *store.Store
	url     string
	address string
	figures []figure
}

func (b *bench) add(what, aim, format string, values ...any) {
	f := figure{what, aim, fmt.Sprintf(format, values...)}
	fmt.Printf("%-70s aim %-28s %s\n", f.what, f.aim, f.got)
	b.figures = append(b.figures, f)
}

func main() {
	write := flag.Bool("write", false, "bring docs/BENCH.md up to date")
	only := flag.String("only", "", "measure nothing but what a function of this name does: first, filling, holding, large, pieces, rules, together, playing, ticks, weight")
	flag.Parse()
	// Who stops reading what is measured does not leave a browser behind.
	signal.Ignore(syscall.SIGPIPE)
	if err := measure(*write, *only); err != nil {
		fmt.Fprintln(os.Stderr, "azzel-bench:", err)
		os.Exit(1)
	}
}

func measure(write bool, only string) error {
	ctx := context.Background()
	c, end, err := cluster.Temporary(ctx)
	if err != nil {
		return err
	}
	defer end() //nolint:errcheck // all is measured
	url, err := c.Database(ctx, "bench")
	if err != nil {
		return err
	}
	s, err := store.Open(ctx, url, store.Options{})
	if err != nil {
		return err
	}
	defer s.Close()
	if err := demo.Install(ctx, s); err != nil {
		return err
	}
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		return err
	}
	files, err := fs.Sub(web.Files, "dist")
	if err != nil {
		return err
	}
	v, err := server.New(s, files, l.Addr().String(), nil)
	if err != nil {
		return err
	}
	serving, stop := context.WithCancel(ctx)
	done := make(chan error, 1)
	go func() { done <- v.Serve(serving, l) }()
	defer func() { stop(); <-done }()
	b := &bench{ctx: ctx, store: s, url: url, address: l.Addr().String()}
	load, _ := os.ReadFile("/proc/loadavg") // only said beside the figures
	parts := []func(*bench) error{pages(first, empty, filling, boxes, strokes, panning, desk, twoSheets, large, together, playing), ticks, pieces, ruled, replays, acknowledged, pictures, holding, weight}
	switch only {
	case "large":
		parts = []func(*bench) error{pages(large)}
	case "first":
		parts = []func(*bench) error{pages(first, empty)}
	case "filling":
		parts = []func(*bench) error{pages(filling)}
	case "holding":
		parts = []func(*bench) error{holding}
	case "rules":
		return ruled(b)
	case "pieces":
		parts = []func(*bench) error{pieces}
	case "weight":
		parts = []func(*bench) error{weight}
	case "ticks":
		parts = []func(*bench) error{ticks}
	case "playing":
		parts = []func(*bench) error{pages(playing), replays}
	case "together":
		parts = []func(*bench) error{pages(together)}
	}
	for _, part := range parts {
		if err := part(b); err != nil {
			return err
		}
	}
	if !write {
		return nil
	}
	return b.write(strings.TrimSpace(string(load)))
}

// ticks measures a tick of play natively and in WebAssembly, with nothing that moves and with
// foes on a map of 32 rows.
func ticks(b *bench) error {
	root, err := exec.Command("go", "env", "GOROOT").Output()
	if err != nil {
		return err
	}
	run := func(env []string, args ...string) ([][][]byte, error) {
		c := exec.Command("go", append([]string{"test", "-run", "^$", "-bench", "Tick", "-benchtime", "1s"}, append(args, "./core/play")...)...)
		c.Env = append(os.Environ(), env...)
		out, err := c.CombinedOutput()
		if err != nil {
			return nil, fmt.Errorf("%w\n%s", err, out)
		}
		found := regexp.MustCompile(`Tick(?:Mixed/view|/things)=(\d+)(?:/spread=(\w+)/wide=(\d+))?\S*\s+\d+\s+([\d.]+) ns/op`).FindAllSubmatch(out, -1)
		if found == nil {
			return nil, fmt.Errorf("no figure in %s", out)
		}
		return found, nil
	}
	native, err := run(nil)
	if err != nil {
		return err
	}
	wasm, err := run([]string{"GOOS=js", "GOARCH=wasm"}, "-exec", filepath.Join(strings.TrimSpace(string(root)), "lib/wasm/go_js_wasm_exec"))
	if err != nil {
		return err
	}
	micros := func(of [][]byte) float64 {
		f, _ := strconv.ParseFloat(string(of[len(of)-1]), 64) // it is a number, or it was not found
		return f / 1000
	}
	for i, n := range native {
		if i == len(wasm) {
			return fmt.Errorf("only %d figures in WebAssembly", i)
		}
		if view, mixed := map[string]string{"0": "above", "1": "the side"}[string(n[1])]; mixed && len(n[2]) == 0 {
			b.add("a tick of play with 2,000 things over a map of 512 columns, a third of them platforms and pushables, seen from "+view+", natively / in WebAssembly", "under 4 ms in the browser", "%.1f / %.1f µs", micros(n), micros(wasm[i]))
			continue
		}
		where, aim := "spread over a map of "+string(n[3])+" columns", "–"
		if string(n[2]) == "false" {
			where, aim = "in one cell", "under 16 ms in the browser"
		} else if string(n[1]) == "2000" {
			aim = "under 4 ms in the browser"
		}
		b.add("a tick of play with "+string(n[1])+" foes "+where+", natively / in WebAssembly", aim, "%.1f / %.1f µs", micros(n), micros(wasm[i]))
	}
	return nil
}

// ruled measures what rules cost, natively and in WebAssembly.
func ruled(b *bench) error {
	root, err := exec.Command("go", "env", "GOROOT").Output()
	if err != nil {
		return err
	}
	for _, where := range []struct {
		name string
		env  []string
		args []string
	}{
		{"natively", nil, nil},
		{"in WebAssembly", []string{"GOOS=js", "GOARCH=wasm"}, []string{"-exec", filepath.Join(strings.TrimSpace(string(root)), "lib/wasm/go_js_wasm_exec")}},
	} {
		c := exec.Command("go", append(append([]string{"run"}, where.args...), "./cmd/azzel-rule-bench")...)
		c.Env = append(os.Environ(), where.env...)
		out, err := c.Output()
		if err != nil {
			return fmt.Errorf("measuring rules %s: %w", where.name, err)
		}
		for line := range strings.Lines(string(out)) {
			if f := strings.Split(strings.TrimSpace(line), "\t"); len(f) == 3 {
				b.add(where.name+": "+f[0], f[1], "%s", f[2])
			}
		}
	}
	return nil
}

func (b *bench) write(load string) error {
	commit, err := exec.Command("git", "rev-parse", "--short", "HEAD").Output()
	if err != nil {
		return err
	}
	var out strings.Builder
	fmt.Fprintf(&out, "# What was measured\n\n`./run bench` measures all of this on the machine it runs on, `./run bench -write` brings this page up to date.\nNo test judges by time; an aim that is missed is named below the table.\n\n")
	fmt.Fprintf(&out, "Commit %s, %s, load before the run %s, two cores, no GPU.\n\n", strings.TrimSpace(string(commit)), time.Now().Format("2006-01-02"), load)
	out.WriteString("| what | aim | measured |\n|---|---|---|\n")
	for _, f := range b.figures {
		fmt.Fprintf(&out, "| %s | %s | %s |\n", f.what, f.aim, f.got)
	}
	have, _ := os.ReadFile("docs/BENCH.md") // what was written by hand stays
	if _, notes, found := strings.Cut(string(have), "\n## Notes\n"); found {
		out.WriteString("\n## Notes\n" + notes)
	}
	return os.WriteFile("docs/BENCH.md", []byte(out.String()), 0o644)
}
