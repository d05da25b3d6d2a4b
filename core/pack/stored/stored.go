// Package stored holds tests to what was stored before: cases with what they begin with, and sums of what came of
// each, so that a change which was not meant to change what people see or keep is seen.
package stored

import (
	"bytes"
	"compress/gzip"
	"errors"
	"flag"
	"fmt"
	"hash"
	"hash/fnv"
	"io"
	"os"
	"path/filepath"
	"strings"
	"testing"

	"azzel/core/grid"
	"azzel/core/pack"
)

var update = flag.Bool("update", false, "write anew what stored cases come to, and make those that are not there")

// Updating reports whether what is stored is to be written anew.
func Updating() bool { return *update }

// A Case is what a test begins with, and sums of what came of that.
type Case struct {
	Seed  uint64
	Blobs [][]byte
	Sums  []uint64
}

// limits of a file of cases, far above what any test has.
const (
	most  = 1 << 20
	large = 1 << 26
)

// Hold runs each case of a file, and fails at the first sum that is not the stored one: says tells in words where
// sum n of so many is. With -update what they come to is stored anew; the cases themselves stay as they are, and
// are made by build only if there is no file.
func Hold(t *testing.T, file string, build func() []Case, run func(c *Case) []uint64, says func(n, of int) string) {
	t.Helper()
	cases, err := read(file)
	if errors.Is(err, os.ErrNotExist) && *update {
		cases, err = build(), nil
	}
	if err != nil {
		t.Fatal(err)
	}
	for i := range cases {
		c := &cases[i]
		sums := run(c)
		if *update {
			c.Sums = sums
			continue
		}
		for n, sum := range sums {
			if len(sums) != len(c.Sums) || sum != c.Sums[n] {
				t.Errorf("case %d of %s comes to something else: %s", i, file, says(n, len(sums)))
				break
			}
		}
	}
	if *update {
		if err := write(file, cases); err != nil {
			t.Fatal(err)
		}
	}
}

// A Teller sums up what it is told.
type Teller struct{ hash.Hash64 }

// NewTeller has been told nothing.
func NewTeller() Teller { return Teller{fnv.New64a()} }

// Tell tells values that print alike only if they are alike: numbers, texts, slices of these. Bytes are told as they are.
func (w Teller) Tell(values ...any) {
	for _, v := range values {
		if b, is := v.([]byte); is {
			w.Write(b)
			v = len(b)
		}
		fmt.Fprintln(w, v)
	}
}

// Rect tells the values of rectangles.
func (w Teller) Rect(list ...grid.Rect) {
	for _, r := range list {
		w.Tell(r.X, r.Y, r.W, r.H)
	}
}

func read(file string) (cases []Case, err error) {
	b, err := os.ReadFile(file)
	if err != nil {
		return nil, err
	}
	z, err := gzip.NewReader(bytes.NewReader(b))
	if err == nil {
		b, err = io.ReadAll(z)
	}
	if err != nil {
		return nil, fmt.Errorf("reading %s: %w", file, err)
	}
	r := pack.NewReader(b)
	for range r.Count(most, 3) {
		c := Case{Seed: r.Uint()}
		for range r.Count(most, 1) {
			c.Blobs = append(c.Blobs, bytes.Clone(r.Blob(large)))
		}
		for range r.Count(most, 1) {
			c.Sums = append(c.Sums, r.Uint())
		}
		cases = append(cases, c)
	}
	if err := r.Done(); err != nil {
		return nil, fmt.Errorf("reading %s: %w", file, err)
	}
	return cases, nil
}

func write(file string, cases []Case) error {
	var w pack.Writer
	w.Uint(uint64(len(cases)))
	for _, c := range cases {
		w.Uint(c.Seed)
		w.Uint(uint64(len(c.Blobs)))
		for _, b := range c.Blobs {
			w.Blob(b)
		}
		w.Uint(uint64(len(c.Sums)))
		for _, s := range c.Sums {
			w.Uint(s)
		}
	}
	var b bytes.Buffer
	z, err := gzip.NewWriterLevel(&b, gzip.BestCompression)
	if err == nil {
		_, err = z.Write(w.Bytes)
	}
	if err == nil {
		err = z.Close()
	}
	if err == nil {
		err = os.MkdirAll(filepath.Dir(file), 0o755)
	}
	if err == nil {
		err = os.WriteFile(file, b.Bytes(), 0o644)
	}
	if err != nil {
		return fmt.Errorf("writing %s: %w", file, err)
	}
	return nil
}

// HoldText fails at the first line in which a text is not that of a file. With -update it is stored anew.
func HoldText(t *testing.T, file, is string) {
	t.Helper()
	if *update {
		if err := os.WriteFile(file, []byte(is), 0o644); err != nil {
			t.Fatal(err)
		}
		return
	}
	b, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	was, now := strings.Split(string(b), "\n"), strings.Split(is, "\n")
	for i := range max(len(was), len(now)) {
		if i >= len(was) || i >= len(now) || was[i] != now[i] {
			t.Fatalf("%s, line %d:\nis  %s\nwas %s", file, i+1, strings.Join(now[min(i, len(now)):min(i+1, len(now))], ""), strings.Join(was[min(i, len(was)):min(i+1, len(was))], ""))
		}
	}
}
