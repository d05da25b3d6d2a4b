package exchange_test

import (
	"bytes"
	"errors"
	"fmt"
	"testing"

	"azzel/core/exchange"
	"azzel/core/pack/stored"
	"azzel/core/world/told"
)

const storedBundles = 14

// Bundles that were written before are read as they were then, to the byte of the document, and written again as the
// same bytes: with everything in them that a project has. What is meant to be written otherwise is stored anew (go test
// ./core/exchange -run TestStoredBundles -update) by a commit that says so; that the old ones are read must hold.
func TestStoredBundles(t *testing.T) {
	stored.Hold(t, "testdata/bundles.gz", func() (list []stored.Case) {
		for seed := range uint64(storedBundles) {
			d, lib := glasshouse(t, 400+seed, 10+int(seed)*25)
			list = append(list, stored.Case{Seed: seed, Blobs: [][]byte{written(t, d, lib)}})
		}
		return list
	}, func(c *stored.Case) (sums []uint64) {
		bundle := c.Blobs[0]
		read, err := exchange.Read(bytes.NewReader(bundle), int64(len(bundle)), nil)
		if err != nil {
			t.Fatalf("bundle %d: %v", c.Seed, err)
		}
		w := stored.NewTeller()
		told.Document(w, read.Document)
		sums = append(sums, w.Sum64())
		w = stored.NewTeller()
		for _, b := range read.Bodies() {
			w.Tell(b)
		}
		sums = append(sums, w.Sum64())
		var again bytes.Buffer
		err = exchange.Write(&again, read.Document, func(sum string) ([]byte, error) {
			if b, there := read.Blobs[sum]; there {
				return b, nil
			}
			return nil, errors.New("it is not there")
		}, never)
		if err != nil {
			t.Fatalf("bundle %d: %v", c.Seed, err)
		}
		w = stored.NewTeller()
		twice, err := exchange.Read(bytes.NewReader(again.Bytes()), int64(again.Len()), nil)
		if err != nil {
			t.Fatalf("bundle %d, written again: %v", c.Seed, err)
		}
		told.Document(w, twice.Document)
		return append(sums, w.Sum64())
	}, func(n, _ int) string {
		return fmt.Sprint([]string{"the document", "its pictures", "the bundle that is written of it"}[n])
	})
}
