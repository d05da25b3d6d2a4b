package tests

import (
	"net/http"
	"strings"
	"testing"
	"time"

	"github.com/fasthttp/websocket"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/world"
)

// Another site learns nothing of what is here, whatever it asks for, and can't open anything.
func TestOtherSitesLearnNothing(t *testing.T) {
	s := newSite(t)
	s.create("Ferns")
	ask := func(path, site, mode, dest string) (int, http.Header) {
		t.Helper()
		req, err := http.NewRequest(http.MethodGet, s.url(path), nil)
		if err != nil {
			t.Fatal(err)
		}
		for name, value := range map[string]string{"Sec-Fetch-Site": site, "Sec-Fetch-Mode": mode, "Sec-Fetch-Dest": dest} {
			if value != "" {
				req.Header.Set(name, value)
			}
		}
		res, err := http.DefaultClient.Do(req)
		if err != nil {
			t.Fatal(err)
		}
		res.Body.Close()
		return res.StatusCode, res.Header
	}
	paths := []string{"/api/projects", "/api/projects/1", "/api/projects/1/picture", "/api/projects/1/opening", "/api/projects/2/opening", "/api/deleted", "/readyz", "/assets/none.js"}
	for _, path := range paths {
		for _, c := range [][3]string{{"cross-site", "no-cors", "image"}, {"same-site", "cors", "empty"}, {"cross-site", "navigate", "iframe"}, {"same-site", "no-cors", "script"}} {
			if code, h := ask(path, c[0], c[1], c[2]); code != 403 || h.Get("Azzel-Session") != "" {
				t.Errorf("%s for %v: %d", path, c, code)
			}
		}
	}
	if code, _ := ask("/api/projects/1", "cross-site", "navigate", "document"); code != 403 {
		t.Errorf("a link from another site to data: %d", code)
	}
	code, h := ask("/project/1", "cross-site", "navigate", "document")
	if code != 200 || h.Get("Cross-Origin-Resource-Policy") != "same-origin" || !strings.Contains(h.Get("Content-Security-Policy"), "form-action 'self'") {
		t.Errorf("a link from another site to the page: %d %v", code, h)
	}
	for _, site := range []string{"", "same-origin", "none"} {
		if code, _ := ask("/api/projects", site, "cors", "empty"); code != 200 {
			t.Errorf("the page itself, as %q: %d", site, code)
		}
	}
}

// Names of 120 letters of four bytes each can be given, changed and deleted; labels that are no text are refused, and the
// steps beside them are taken.
func TestNamesAndLabels(t *testing.T) {
	s := newSite(t)
	s.create("Ferns")
	c := s.client(4)
	if err := c.connect(); err != nil {
		t.Fatal(err)
	}
	heard := func(steps int) {
		t.Helper()
		for c.Pending() > 0 {
			if err := c.hear(patience); err != nil {
				t.Fatal(err)
			}
		}
		if c.Revision() != uint64(steps) {
			t.Fatalf("%d steps were taken, want %d", c.Revision(), steps)
		}
	}
	do := func(e *edit.Edit) {
		t.Helper()
		_, message, err := c.Do(*e)
		if err == nil {
			err = c.conn.WriteMessage(websocket.BinaryMessage, message)
		}
		if err != nil {
			t.Fatal(err)
		}
	}
	m := world.Ref{Sort: world.SortMap, ID: c.Document().Maps[0].ID}
	do(hand.Rename(c.Document(), m, strings.Repeat("🌿", 120)))
	do(hand.Rename(c.Document(), m, strings.Repeat("🪴", 120)))
	_, parts := c.newMap("Moss house", grid.Rect{W: 8, H: 6})
	do(&edit.Edit{Label: "make a map", Parts: parts})
	e, says := hand.Remove(c.Document(), hand.Selection{Ref: m, Map: m.ID})
	if e == nil {
		t.Fatal(says)
	}
	do(e)
	heard(4)
	if len(c.Document().Maps) != 1 {
		t.Error("the map is there still")
	}
	last := uint64(4)
	for i, label := range []string{"a\x00b", "\xff", strings.Repeat("m", 2000), "moss"} {
		e := edit.Edit{Label: label, Parts: []edit.Part{edit.Change{Ref: world.Ref{Sort: world.SortProject}, Value: world.TextValue(world.FieldName, "Mosses")}}}
		if err := c.conn.WriteMessage(websocket.BinaryMessage, edit.Send(last+uint64(i)+1, e.Encode())); err != nil {
			t.Fatal(err)
		}
	}
	var sorts []byte
	for len(sorts) < 4 {
		_ = c.conn.SetReadDeadline(time.Now().Add(patience))
		_, message, err := c.conn.ReadMessage()
		if err != nil {
			t.Fatalf("after %q: %v", sorts, err)
		}
		list, err := edit.Single(message)
		if err != nil {
			t.Fatal(err)
		}
		for _, one := range list {
			sorts = append(sorts, one[0])
		}
	}
	if string(sorts) != "rrrt" {
		t.Errorf("labels that are no text are answered %q, want rrrt", sorts)
	}
}
