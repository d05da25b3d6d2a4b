package server

import (
	"bytes"
	"encoding/hex"
	"errors"
	"io"
	"math/rand/v2"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/store"
)

// What a session can take back is sent in portions: whatever its steps have in bytes, the page has all of them as they
// are in the log, and holds up nobody while it does not read; nothing larger than a portion is in memory at once, but
// for one step alone. A page that was promised a step which is gone meanwhile is told that its opening broke off.
func TestStepsBackInPortions(t *testing.T) {
	all := testRooms(t)
	rm := all.one(t)
	const many = 60
	for i := range many {
		if err := rm.submit(t.Context(), 1, paint(rm.doc, uint64(i+1), i%8, grid.Cell(1+i%5))); err != nil {
			t.Fatal(err)
		}
	}
	db := connect(t)
	r := rand.New(rand.NewPCG(8, 15))
	want := map[uint64][]byte{}
	for i := range many {
		b := make([]byte, []int{0, 1, 127, 128, 40_000, 300_000, recordPortion, recordPortion + recordPortion/2}[r.IntN(8)])
		for j := range b {
			b[j] = byte(r.Uint32())
		}
		want[uint64(i+1)] = b
		if _, err := db.Exec(t.Context(), "UPDATE log SET inverse = decode($2, 'hex') WHERE project_id = 1 AND session = 1 AND sequence = $1", i+1, hex.EncodeToString(b)); err != nil {
			t.Fatal(err)
		}
	}
	begun := make([]opening, 12) // more than there are connections
	for i := range begun {
		var err error
		if begun[i], err = rm.opening(t.Context(), 1); err != nil {
			t.Fatal(err)
		}
		// Part of it is taken, then the page does not read.
		if _, err := io.CopyN(io.Discard, begun[i].steps, int64(begun[i].steps.size()/2)); err != nil {
			t.Fatal(err)
		}
	}
	if err := rm.submit(t.Context(), 2, paint(rm.doc, 1, 3, 3)); err != nil {
		t.Fatal(err)
	}
	o, err := rm.opening(t.Context(), 1)
	if err != nil {
		t.Fatal(err)
	}
	size := o.steps.size()
	var got bytes.Buffer
	for {
		_, err := io.CopyN(&got, o.steps, 1+r.Int64N(90_000))
		if errors.Is(err, io.EOF) {
			break
		} else if err != nil {
			t.Fatal(err)
		}
		in, largest := 0, recordPortion
		for _, b := range o.steps.ready {
			in += len(b)
			largest = max(largest, len(b))
		}
		if in > largest+many*64 {
			t.Fatalf("%d bytes wait in memory", in)
		}
	}
	back, err := edit.DecodeOpening(got.Bytes(), nil)
	if err != nil || got.Len() != size || len(back.Records) == 0 || back.Records[len(back.Records)-1].Sequence != many || back.Revision != many+1 {
		t.Fatalf("%d of %d bytes hold %d steps of revision %d (%v)", got.Len(), size, len(back.Records), back.Revision, err)
	}
	sum := 0
	for i, record := range back.Records {
		if record.Sequence != uint64(many-len(back.Records)+1+i) || record.Label != "paint" || !bytes.Equal(record.Inverse, want[record.Sequence]) {
			t.Fatalf("step %d came as %d with %d bytes, %q", i, record.Sequence, len(record.Inverse), record.Label)
		}
		sum += len(record.Inverse)
	}
	if sum > recordBytes {
		t.Errorf("%d bytes of steps are sent", sum)
	}
	if _, err := db.Exec(t.Context(), "DELETE FROM log WHERE project_id = 1 AND sequence = $1 AND session = 1", many); err != nil {
		t.Fatal(err)
	}
	if n, err := io.Copy(io.Discard, begun[0].steps); !errors.Is(err, store.ErrNotFound) {
		t.Errorf("an opening of which a step is gone ends after %d bytes with %v", n, err)
	}
}
