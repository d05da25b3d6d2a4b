package words

import (
	"bytes"
	"strings"
	"testing"

	"azzel/core/kind"
	"azzel/core/limit"
)

type gauges map[kind.ID]string

func (g gauges) FactWords(id kind.ID) string { return g[id] }
func (g gauges) ItemWords(id kind.ID) string { return g[id] }

// A text says what it fills in as it is, keeps that through changes of what it refers to, and drops what is left out.
func TestSaying(t *testing.T) {
	is := Text{{Letters: "Lamps lit: "}, {Letters: "about "}, {Fact: 7}, {}, {Letters: ", fuses: "}, {Item: 9}, {Letters: "."}}
	for _, c := range []struct {
		from gauges
		want string
	}{{gauges{7: "3", 9: "1"}, "Lamps lit: about 3, fuses: 1."}, {gauges{7: "3"}, "Lamps lit: about 3, fuses: …."}} {
		if got := is.Say(c.from); got != c.want {
			t.Errorf("%q, want %q", got, c.want)
		}
	}
	b := is.Encode()
	back, err := Decode(b)
	if err != nil || !bytes.Equal(back.Encode(), b) || len(back) != 5 {
		t.Fatalf("%+v comes back as %+v, %v", is, back, err)
	}
	other := back.Refer(func(sort kind.Thing, id kind.ID) kind.ID {
		if sort == kind.Item {
			return 0
		}
		return id + 10
	})
	if got := other.Say(gauges{17: "4"}); got != "Lamps lit: about 4, fuses: ." || len(other) != 3 {
		t.Errorf("referring to others it says %q in %d parts", got, len(other))
	}
	if Plain(" \n ").Encode() != nil || Text(nil).Encode() != nil {
		t.Error("words without a letter are stored")
	}
}

// What no words can be is refused in words.
func TestWrongWords(t *testing.T) {
	many := Text{}
	for range limit.WordsParts + 1 {
		many = append(many, Part{Fact: 1})
	}
	for _, c := range []struct {
		is   Text
		want string
	}{{Plain(strings.Repeat("ü", limit.Words+1)), "may have 4000"}, {Plain("bell\a"), "no sign such as"}, {Plain("\xff"), "UTF-8"}, {many, "there may be 200"}} {
		if err := c.is.Check(); err == nil || !strings.Contains(err.Error(), c.want) {
			t.Errorf("want %q, got %v", c.want, err)
		}
	}
	if err := Plain(strings.Repeat("ü\n", limit.Words/2)).Check(); err != nil {
		t.Error(err)
	}
	for _, list := range [][]PartForm{{{}}, {{Letters: "a", Fact: "1"}}, {{Fact: "1", Item: "2"}}, {{Fact: "0"}}} {
		if _, err := Read(list, func(s string) (kind.ID, error) { return kind.ID(s[0] - '0'), nil }); err == nil {
			t.Errorf("%+v is read", list)
		}
	}
}

// Whatever bytes come, they are refused or are words that come back.
func FuzzWords(f *testing.F) {
	f.Add(Text{{Letters: "Ferns "}, {Fact: 1 << 63}, {Item: 5}}.Encode())
	f.Add([]byte{1, 0, 0})
	f.Fuzz(func(t *testing.T, b []byte) {
		is, err := Decode(b)
		if err != nil {
			return
		}
		form := is.Write(func(id kind.ID) string { return string(rune('a' + id%26)) })
		if len(form) != len(is) {
			t.Fatalf("%+v is written as %+v", is, form)
		}
		back, err := Decode(is.Encode())
		if len(is.Clean()) > 0 && (err != nil || !bytes.Equal(back.Encode(), is.Encode())) {
			t.Fatalf("%+v comes back as %+v, %v", is, back, err)
		}
	})
}
