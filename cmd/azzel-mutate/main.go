// Command azzel-mutate shows what the tests do not see: it changes the code in small ways, one at a time and
// drawn by chance from the hash of the commit, and runs the tests of the package and of those that import it. What
// no test fails for lives, and stands at the end, to be looked at. The files themselves stay as they are.
//
//	go run ./cmd/azzel-mutate [-n 60] [-seed TEXT] [-only N] [PACKAGE...]
package main

import (
	"bufio"
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"flag"
	"fmt"
	"hash/fnv"
	"math/rand/v2"
	"os"
	"os/exec"
	"os/signal"
	"path/filepath"
	"slices"
	"strings"
	"time"
)

// patience is how long the tests of one package may take; those that take longer have seen the change.
const patience = 3 * time.Minute

func main() {
	count := flag.Int("n", 60, "how many changes are drawn")
	seed := flag.String("seed", "", "what they are drawn from, instead of the hash of the commit")
	only := flag.Int("only", 0, "try the change of this number alone")
	flag.Parse()
	packages := flag.Args()
	if len(packages) == 0 {
		packages = []string{"core/edit", "core/play", "core/hand", "core/world"}
	}
	ctx, stop := signal.NotifyContext(context.Background(), os.Interrupt)
	defer stop()
	if err := run(ctx, packages, *seed, *count, *only); err != nil {
		fmt.Fprintln(os.Stderr, "azzel-mutate:", err)
		os.Exit(1)
	}
}

func run(ctx context.Context, packages []string, seed string, count, only int) error {
	if seed == "" {
		out, err := exec.CommandContext(ctx, "git", "rev-parse", "HEAD").Output()
		if err != nil {
			return fmt.Errorf("asking for the commit: %w", err)
		}
		seed = strings.TrimSpace(string(out))
	}
	all, err := sites(packages)
	if err != nil {
		return err
	}
	importers, err := importing(ctx)
	if err != nil {
		return err
	}
	h := fnv.New64a()
	fmt.Fprint(h, seed)
	r := rand.New(rand.NewPCG(h.Sum64(), 1))
	fmt.Printf("%d changes of %d that could be made in %s, drawn from %s\n", count, len(all), strings.Join(packages, ", "), seed)
	var alive []string
	tried := 0
	for drawn := 0; tried < count && drawn < 20*count; drawn++ {
		s := all[r.IntN(len(all))]
		if only != 0 && tried+1 != only {
			// Which of them can be compiled must be known all the same, so that numbers stay.
			if ok, err := compiles(ctx, s); err != nil {
				return err
			} else if ok {
				tried++
			}
			continue
		}
		seen, ok, err := try(ctx, s, importers)
		if err != nil {
			return err
		}
		if !ok {
			continue
		}
		tried++
		line := fmt.Sprintf("%2d %s:%d, %s", tried, s.file, s.line, s.what)
		if seen == "" {
			alive = append(alive, line)
			seen = "nobody: IT LIVES"
		}
		fmt.Printf("%s; seen by %s\n", line, seen)
		if only != 0 {
			return nil
		}
	}
	fmt.Printf("\n%d of %d live:\n%s\n", len(alive), tried, strings.Join(alive, "\n"))
	return nil
}

// A place is a site by its number in its file, which is read anew for each change.
type place struct {
	site
	number int
}

// sites are all changes that could be made in some packages.
func sites(packages []string) ([]place, error) {
	var all []place
	for _, folder := range packages {
		names, err := files(folder)
		if err != nil {
			return nil, err
		}
		for _, name := range names {
			s, err := read(name)
			if err != nil {
				return nil, err
			}
			for i, is := range s.sites {
				all = append(all, place{is, i})
			}
		}
	}
	if len(all) == 0 {
		return nil, errors.New("there is nothing to change in these packages: name folders with Go files")
	}
	return all, nil
}

// importing lists for each package itself and those of core, store and server that import it, also by way of others, by the folder.
func importing(ctx context.Context) (map[string][]string, error) {
	out, err := exec.CommandContext(ctx, "go", "list", "-f", `{{.ImportPath}} {{join .Deps " "}} {{join .TestImports " "}} {{join .XTestImports " "}}`, "./core/...", "./store/...", "./server/...").Output()
	if err != nil {
		return nil, fmt.Errorf("listing packages: %w", err)
	}
	list := map[string][]string{}
	for lines := bufio.NewScanner(bytes.NewReader(out)); lines.Scan(); {
		words := strings.Fields(lines.Text())
		for _, of := range slices.Compact(slices.Sorted(slices.Values(words))) {
			if _, folder, mine := strings.Cut(of, "azzel/"); mine {
				list[folder] = append(list[folder], strings.TrimPrefix(words[0], "azzel/"))
			}
		}
	}
	return list, nil
}

// try makes a change and runs the tests. Seen is the package whose tests fail, empty for none; ok is false if what
// came of it can't be compiled.
func try(ctx context.Context, p place, importers map[string][]string) (seen string, ok bool, err error) {
	overlay, done, err := changed(p)
	if err != nil {
		return "", false, err
	}
	defer done()
	home := filepath.ToSlash(filepath.Dir(p.file))
	fails, err := goes(ctx, "build", "-overlay", overlay, "./"+home)
	if err != nil || fails {
		return "", false, err
	}
	test := []string{"test", "-short", "-failfast", "-vet=off", "-timeout", patience.String(), "-overlay", overlay}
	if fails, err = goes(ctx, append(test, "./"+home)...); err != nil || fails {
		return home, true, err
	}
	others := 0
	for _, of := range importers[home] {
		if of != home {
			test, others = append(test, "./"+of), others+1
		}
	}
	if others == 0 {
		return "", true, nil
	}
	if fails, err = goes(ctx, test...); err != nil || fails {
		return "those that import it", true, err
	}
	return "", true, nil
}

func compiles(ctx context.Context, p place) (bool, error) {
	overlay, done, err := changed(p)
	if err != nil {
		return false, err
	}
	defer done()
	fails, err := goes(ctx, "build", "-overlay", overlay, "./"+filepath.ToSlash(filepath.Dir(p.file)))
	return !fails, err
}

// changed makes the file with the change, beside the real one, and says so to the compiler.
func changed(p place) (overlay string, done func(), err error) {
	s, err := read(p.file)
	if err != nil {
		return "", nil, err
	}
	s.sites[p.number].change()
	dir, err := os.MkdirTemp("", "azzel-mutate-")
	if err != nil {
		return "", nil, err
	}
	done = func() { _ = os.RemoveAll(dir) }
	real, err := filepath.Abs(p.file)
	if err == nil {
		err = s.write(filepath.Join(dir, "changed.go"))
	}
	var text []byte
	if err == nil {
		text, err = json.Marshal(map[string]map[string]string{"Replace": {real: filepath.Join(dir, "changed.go")}})
	}
	overlay = filepath.Join(dir, "overlay.json")
	if err == nil {
		err = os.WriteFile(overlay, text, 0o600)
	}
	if err != nil {
		done()
		return "", nil, fmt.Errorf("changing %s: %w", p.file, err)
	}
	return overlay, done, nil
}

// goes runs the go command and reports whether it fails.
func goes(ctx context.Context, args ...string) (fails bool, err error) {
	err = exec.CommandContext(ctx, "go", args...).Run()
	if ctx.Err() != nil {
		return false, ctx.Err()
	}
	var exit *exec.ExitError
	if errors.As(err, &exit) {
		return true, nil
	}
	return false, err
}
