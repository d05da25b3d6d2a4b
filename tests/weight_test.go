package tests

import (
	"testing"

	"azzel/web"
)

// What is sent before a board is seen grows only on purpose.
func TestWeight(t *testing.T) {
	w, err := web.Weigh(web.Files)
	if err != nil {
		t.Fatal(err)
	}
	if w.Scripts > web.MostScripts {
		t.Errorf("the first scripts have %d bytes, of %d at most", w.Scripts, web.MostScripts)
	}
	if w.Core > web.MostCore {
		t.Errorf("the core has %d bytes, of %d at most", w.Core, web.MostCore)
	}
}
