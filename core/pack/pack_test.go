package pack

import (
	"bytes"
	"errors"
	"math"
	"math/rand/v2"
	"testing"
)

// A value is one thing that was written, with the way to write it and the way
// to read it back.
type value struct {
	write func(*Writer)
	same  func(*Reader) bool
}

func random(r *rand.Rand) value {
	switch r.IntN(5) {
	case 0:
		v := r.Uint64() >> r.IntN(64)
		return value{func(w *Writer) { w.Uint(v) }, func(in *Reader) bool { return in.Uint() == v }}
	case 1:
		v := int(int32(r.Uint32())) >> r.IntN(32)
		return value{func(w *Writer) { w.Int(v) }, func(in *Reader) bool { return in.Int() == v }}
	case 2:
		v := r.IntN(2) == 0
		return value{func(w *Writer) { w.Bool(v) }, func(in *Reader) bool { return in.Bool() == v }}
	case 3:
		v := make([]byte, r.IntN(200))
		for i := range v {
			v[i] = byte(r.Uint32())
		}
		return value{func(w *Writer) { w.Blob(v) }, func(in *Reader) bool { return bytes.Equal(in.Blob(200), v) }}
	}
	v := string([]rune{rune(r.IntN(0x3000)), 'm', rune(0x1f300 + r.IntN(200))})
	return value{func(w *Writer) { w.Text(v) }, func(in *Reader) bool { return in.Text(40) == v }}
}

// Whatever is written comes back in the same order and leaves nothing over;
// cut short anywhere, it ends in an error, and every value read before the cut
// is right.
func TestComesBack(t *testing.T) {
	for seed := range uint64(80) {
		r := rand.New(rand.NewPCG(seed, 21))
		values := make([]value, 1+r.IntN(30))
		var w Writer
		ends := make([]int, len(values))
		for i := range values {
			values[i] = random(r)
			values[i].write(&w)
			ends[i] = len(w.Bytes)
		}
		in := NewReader(w.Bytes)
		for i, v := range values {
			if !v.same(in) {
				t.Fatalf("seed %d: value %d came back changed", seed, i)
			}
			if in.Len() != len(w.Bytes)-ends[i] {
				t.Fatalf("seed %d: %d bytes left after value %d, want %d", seed, in.Len(), i, len(w.Bytes)-ends[i])
			}
		}
		if err := in.Done(); err != nil {
			t.Fatalf("seed %d: %v", seed, err)
		}
		for cut := range w.Bytes {
			in := NewReader(w.Bytes[:cut:cut])
			for i, v := range values {
				if same := v.same(in); !same && ends[i] <= cut {
					t.Fatalf("seed %d, cut at %d: value %d ends at %d and was not read", seed, cut, i, ends[i])
				}
			}
			if in.Done() == nil {
				t.Fatalf("seed %d: cut at %d of %d, and no error", seed, cut, len(w.Bytes))
			}
		}
		if err := NewReader(append(bytes.Clone(w.Bytes), 0)).Done(); !errors.Is(err, ErrMalformed) {
			t.Errorf("seed %d: what is left over gives %v", seed, err)
		}
	}
}

// The first failure sticks, and nothing is read after it.
func TestFirstFailureSticks(t *testing.T) {
	var w Writer
	w.Int(math.MaxInt32 + 1)
	w.Uint(7)
	in := NewReader(w.Bytes)
	in.Int()
	first := in.Err()
	if !errors.Is(first, ErrMalformed) {
		t.Fatalf("a number beyond 31 bits gives %v", first)
	}
	if in.Uint() != 0 || in.Int() != 0 || in.Bool() || in.Blob(9) != nil || in.Text(9) != "" || in.Count(9, 1) != 0 || in.Len() != 0 {
		t.Error("something was read after a failure")
	}
	in.Fail(errors.New("another"))
	if in.Err() != first || in.Done() != first {
		t.Errorf("the failure became %v", in.Err())
	}
}

// What claims to be more than it can be is refused before anything is made of
// it.
func TestClaims(t *testing.T) {
	number := func(n uint64, more int) []byte {
		var w Writer
		w.Uint(n)
		return append(w.Bytes, make([]byte, more)...)
	}
	for name, c := range map[string]struct {
		bytes []byte
		read  func(*Reader)
		want  error
	}{
		"over the limit":       {number(6, 100), func(r *Reader) { r.Count(5, 1) }, ErrMalformed},
		"at the limit":         {number(5, 5), func(r *Reader) { r.Count(5, 1) }, nil},
		"more than follows":    {number(5, 9), func(r *Reader) { r.Count(5, 2) }, ErrShort},
		"as many as follow":    {number(5, 10), func(r *Reader) { r.Count(5, 2) }, nil},
		"a count without end":  {number(math.MaxUint64, 9), func(r *Reader) { r.Count(math.MaxInt, 1) }, ErrMalformed},
		"bytes over the limit": {number(6, 6), func(r *Reader) { r.Blob(5) }, ErrMalformed},
		"bytes that end early": {number(5, 4), func(r *Reader) { r.Text(5) }, ErrShort},
		"neither yes nor no":   {[]byte{2}, func(r *Reader) { r.Bool() }, ErrMalformed},
		"a number of 11 bytes": {bytes.Repeat([]byte{0xff}, 11), func(r *Reader) { r.Uint() }, ErrShort},
		"nothing at all":       {nil, func(r *Reader) { r.Int() }, ErrShort},
		"the least number":     {(func() []byte { var w Writer; w.Int(math.MinInt32); return w.Bytes })(), func(r *Reader) { r.Int() }, nil},
	} {
		in := NewReader(c.bytes)
		if c.read(in); !errors.Is(in.Err(), c.want) {
			t.Errorf("%s: %v, want %v", name, in.Err(), c.want)
		}
	}
}

// A byte string shares its input, and appending to it can't write over what
// follows.
func TestBlobIsBounded(t *testing.T) {
	var w Writer
	w.Blob([]byte("moss"))
	w.Text("fern")
	in := NewReader(w.Bytes)
	b := in.Blob(4)
	_ = append(b, "roots"...)
	if got := in.Text(4); got != "fern" {
		t.Errorf("appending to a byte string changed what follows to %q", got)
	}
}
