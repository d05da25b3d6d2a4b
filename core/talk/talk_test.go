package talk

import (
	"bytes"
	"reflect"
	"strings"
	"testing"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/words"
)

var ids = logic.IDs{Format: func(id kind.ID) string { return string(rune('a' + id%26)) }, Parse: func(s string) (kind.ID, error) { return kind.ID(s[0] - 'a'), nil }}

var evening = List{
	{ID: 3, While: logic.Needs(logic.ItemCount, 7, logic.AtLeast, 2), Text: words.Text{{Letters: "Two of "}, {Item: 7}}},
	{ID: 2},
	{ID: 5, Text: words.Plain("Good evening.")},
}

// What is said comes back from its bytes and from files, and refers to other things where it is copied.
func TestTalkComesBack(t *testing.T) {
	back, err := Decode(evening.Encode())
	if err != nil || !reflect.DeepEqual(back, evening) {
		t.Fatalf("%+v comes back as %+v, %v", evening, back, err)
	}
	read, err := Read(evening.Write(ids), ids)
	if err != nil || !bytes.Equal(read.Encode(), evening.Encode()) {
		t.Fatalf("%+v is read as %+v, %v", evening, read, err)
	}
	var named []kind.ID
	evening.Refers(func(_ kind.Thing, id kind.ID) { named = append(named, id) })
	other := evening.Refer(func(_ kind.Thing, id kind.ID) kind.ID { return id + 1 })
	if len(named) != 2 || other[0].Text[1].Item != 8 || evening[0].Text[1].Item != 7 {
		t.Errorf("it names %v, and refers to others as %+v", named, other)
	}
	if without := evening.Refer(func(kind.Thing, kind.ID) kind.ID { return 0 }); !without[0].While.Empty() || len(without[0].Text) != 1 || len(without) != 3 {
		t.Errorf("without what it names it is %+v", without)
	}
}

// What no list can be is refused in words.
func TestWrongTalk(t *testing.T) {
	many := List{}
	for i := range limit.Sayings + 1 {
		many = append(many, Saying{ID: kind.ID(i + 1)})
	}
	for _, c := range []struct {
		is   List
		want string
	}{{many, "may be 64"}, {List{{ID: 1}, {ID: 1}}, "told apart"}, {List{{}}, "told apart"}, {List{{ID: 1, Text: words.Plain("\a")}}, "no sign"},
		{List{{ID: 1, While: logic.Condition{Ask: logic.OneIn, Number: 2}}}, "happens"}} {
		if err := c.is.Check(); err == nil || !strings.Contains(err.Error(), c.want) {
			t.Errorf("want %q, got %v", c.want, err)
		}
	}
	if err := many[:limit.Sayings].Check(); err != nil {
		t.Error(err)
	}
}

// Whatever bytes come, they are refused or are a list that comes back.
func FuzzTalk(f *testing.F) {
	f.Add(evening.Encode())
	f.Fuzz(func(t *testing.T, b []byte) {
		is, err := Decode(b)
		if err != nil || len(is) == 0 {
			return
		}
		once := is.Encode()
		back, err := Decode(once)
		if err != nil || !bytes.Equal(back.Encode(), once) {
			t.Fatalf("%+v comes back as %+v, %v", is, back, err)
		}
	})
}
