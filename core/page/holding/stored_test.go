package holding_test

import (
	"fmt"
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	author "azzel/core/edit/generate"
	"azzel/core/grid"
	"azzel/core/pack/stored"
	"azzel/core/page"
	"azzel/core/page/holding"
	"azzel/core/page/pagetest"
	"azzel/core/play/generate"
	"azzel/core/world"
	"azzel/core/world/told"
)

const storedClips = 24

// What was copied once is pasted as then, into the project that it is from and into another one, and what is copied and
// kept as a patch of the same cells has the same text: cells of all layers with all that stands on them. What is meant to
// go otherwise is stored anew (go test ./core/page -run TestStoredClips -update) by a commit that says so; that what was
// copied before is pasted must hold.
func TestStoredClips(t *testing.T) {
	stored.Hold(t, "testdata/clips.gz", func() (list []stored.Case) {
		for seed := range uint64(storedClips) {
			d, err := generate.World(seed + 4000)
			if err != nil {
				t.Fatal(err)
			}
			by := author.Author{Rand: rand.New(rand.NewPCG(seed, 31)), IDs: &world.Counter{Prefix: 40}}
			d = by.Changed(d, 120)
			list = append(list, stored.Case{Seed: seed, Blobs: [][]byte{d.Encode(), []byte(copiedFrom(t, d, seed))}})
		}
		return list
	}, func(c *stored.Case) (sums []uint64) {
		d, err := world.Decode(c.Blobs[0])
		if err != nil {
			t.Fatal(err)
		}
		again := copiedFrom(t, d, c.Seed)
		for i, p := range []*page.Page{openOn(t, d), openOn(t, d), pagetest.Open(t, 9)} {
			w := stored.NewTeller()
			pagetest.Order(p, holding.Paste{Text: []string{again, string(c.Blobs[1]), string(c.Blobs[1])}[i]})
			at := grid.Point{X: 70, Y: 50}
			p.Pointer(page.Press, at, false, false, 0)
			p.Pointer(page.Release, at, false, false, 0)
			pagetest.Order(p, holding.KeepPatch{})
			w.Tell(pagetest.Said(p))
			told.Document(w, p.Document())
			sums = append(sums, w.Sum64())
		}
		return sums
	}, func(n, _ int) string {
		return fmt.Sprint([]string{"what is copied, pasted", "pasted where it is from", "pasted into another project"}[n])
	})
}

// openOn opens a page on a document.
func openOn(t *testing.T, d *world.Document) *page.Page {
	t.Helper()
	p, err := page.Open(edit.Opening{Prefix: 70, Document: d}.Encode(), nil)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

// copiedFrom is the text of all cells of a map in all its layers, with what stands on them: of the first map, from the
// one of the seed on, that has any.
func copiedFrom(t *testing.T, d *world.Document, seed uint64) string {
	t.Helper()
	for i := range d.Maps {
		p := openOn(t, d)
		m := d.Maps[(int(seed)+i)%len(d.Maps)]
		pagetest.Order(p, holding.ReachThrough{On: true})
		pagetest.Order(p, holding.SelectAllCells{Map: page.ID(m.ID)})
		if text := pagetest.Copied(p); text != "" {
			return text
		}
	}
	t.Fatal("there is nothing to copy")
	return ""
}
