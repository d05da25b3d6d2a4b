package page_test

import (
	"strings"
	"testing"

	"azzel/core/page"
	"azzel/core/page/pagetest"
)

// A number that is not whole is answered in words, not with a page that is to be reloaded; a question with one has the answer
// that stands for none.
func TestNumbersThatAreNotWhole(t *testing.T) {
	p := pagetest.Open(t, 5)
	before := p.Document()
	m := page.FormatID(before.Maps[0].ID)
	for _, bad := range []string{
		`{"do":"resizeMap","with":{"map":"` + m + `","columns":20.5,"rows":9,"anchor":4}}`,
		`{"do":"setMap","with":{"map":"` + m + `","change":{"edges":[0.5]}}}`,
	} {
		p.Order(1, []byte(bad), nil)
		replies := p.Replies()
		if len(replies) != 1 || !strings.Contains(replies[0].Refused, "whole") || p.Document() != before {
			t.Errorf("%s: %+v", bad, replies)
		}
	}
	if answer, err := p.Ask([]byte(`{"do":"lossOf","with":{"map":"` + m + `","columns":20.5}}`)); err != nil || answer != "" {
		t.Errorf("asked with half a cell: %v, %v", answer, err)
	}
	if _, err := p.Ask([]byte(`{"do":"prune"}`)); err == nil {
		t.Error("what is no question is answered")
	}
}
