package tiles

import (
	"bytes"
	"math/rand/v2"
	"testing"

	"azzel/core/pack"
)

// version1 writes a strip as it was written before tiles that look the same were
// kept once.
func version1(s *Strip) []byte {
	w := pack.Writer{Bytes: []byte{stripTag, 1}}
	for _, n := range []int{s.W, s.H, s.Columns, s.Rows, len(s.Places)} {
		w.Uint(uint64(n))
	}
	last := 0
	for _, p := range s.Places {
		w.Uint(uint64(p - last))
		last = p
	}
	w.Blob(s.Pixels)
	return w.Bytes
}

// Strips come back tile by tile, in the form of today and in the first one, and
// written again they are the same bytes; damaged ones are errors.
func TestStripVersions(t *testing.T) {
	for seed := range uint64(20) {
		r := rand.New(rand.NewPCG(seed, 81))
		s := anySheet(r, 1+r.IntN(9), 1+r.IntN(9), 4+r.IntN(9), 4+r.IntN(9), func(int) bool { return r.IntN(5) > 0 })
		if len(s.Places) == 0 {
			continue
		}
		for range len(s.Places) / 2 {
			copy(s.Tile(r.IntN(len(s.Places))), s.Tile(r.IntN(len(s.Places))))
		}
		now := s.Encode()
		for name, b := range map[string][]byte{"today's": now, "the first": version1(s)} {
			back, err := DecodeStrip(b)
			if err != nil {
				t.Fatalf("seed %d, %s form: %v", seed, name, err)
			}
			for i := range s.Places {
				if back.Places[i] != s.Places[i] || !bytes.Equal(back.Tile(i), s.Tile(i)) {
					t.Fatalf("seed %d, %s form: tile %d came back changed", seed, name, i)
				}
			}
			if !bytes.Equal(back.Encode(), now) {
				t.Fatalf("seed %d, %s form: written again it differs", seed, name)
			}
			for range 40 {
				cut := r.IntN(len(b))
				if _, err := DecodeStrip(b[:cut:cut]); err == nil {
					t.Fatalf("seed %d, %s form: cut at %d of %d, and no error", seed, name, cut, len(b))
				}
			}
			// A changed byte is an error or other tiles, never a panic.
			for range 200 {
				bad := bytes.Clone(b)
				bad[r.IntN(min(len(bad), 60))] = byte(r.Uint32())
				if s, err := DecodeStrip(bad); err == nil {
					for i := range s.Places {
						s.Tile(i)
					}
				}
			}
		}
	}
}
