package tests

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"io"
	"math/rand/v2"
	"net/http"
	"net/url"
	"os"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/fasthttp/websocket"

	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/world"
	"azzel/store"
)

// post sends a body and gives status and answer.
func (s *site) post(path, contentType string, body []byte) (int, string) {
	s.t.Helper()
	res, err := http.Post(s.url(path), contentType, bytes.NewReader(body))
	if err != nil {
		s.t.Fatal(err)
	}
	defer res.Body.Close()
	text, err := io.ReadAll(res.Body)
	if err != nil {
		s.t.Fatal(err)
	}
	return res.StatusCode, string(text)
}

func (s *site) create(name string) {
	s.t.Helper()
	if code, text := s.post("/api/projects", "application/json", fmt.Appendf(nil, `{"name":%q,"cellW":16,"cellH":16,"seenW":10,"seenH":8}`, name)); code != http.StatusCreated {
		s.t.Fatalf("%d: %s", code, text)
	}
}

// A client is a replica on a real socket.
type client struct {
	*edit.Replica
	generate.Author
	site    *site
	session string
	conn    *websocket.Conn
}

func (s *site) client(seed uint64) *client {
	s.t.Helper()
	res, err := http.Get(s.url("/api/projects/1/opening"))
	if err != nil {
		s.t.Fatal(err)
	}
	defer res.Body.Close()
	body, err := io.ReadAll(res.Body)
	if err != nil {
		s.t.Fatal(err)
	}
	o, err := edit.DecodeOpening(body, nil)
	if err != nil {
		s.t.Fatal(err)
	}
	r := rand.New(rand.NewPCG(seed, 5))
	return &client{Replica: edit.NewReplica(o), Author: generate.Author{Rand: r, IDs: &world.Counter{Prefix: o.Prefix}, Later: true}, site: s, session: res.Header.Get("Azzel-Session")}
}

func (c *client) connect() error {
	conn, _, err := websocket.DefaultDialer.Dial(fmt.Sprintf("ws://%s/api/projects/1/socket?session=%s&revision=%d", c.site.address, c.session, c.Revision()), nil)
	if err != nil {
		return err
	}
	c.conn = conn
	for _, m := range c.Outgoing() {
		for range 1 + c.Rand.IntN(2) { // now and then twice
			if err := conn.WriteMessage(websocket.BinaryMessage, m); err != nil {
				return err
			}
		}
	}
	return nil
}

// hear takes what has come, and waits for the next message at most so long.
func (c *client) hear(wait time.Duration) error {
	if err := c.conn.SetReadDeadline(time.Now().Add(wait)); err != nil {
		return err
	}
	_, m, err := c.conn.ReadMessage()
	if err != nil {
		return err
	}
	_, err = c.Receive(m)
	return err
}

// work makes random steps and undos until goal, over a line that is cut.
func (c *client) work(goal int) error {
	if err := c.connect(); err != nil {
		return err
	}
	for made := 0; made < goal || c.Pending() > 0; {
		var message []byte
		var err error
		switch n := c.Rand.IntN(100); {
		case made >= goal || c.Pending() > 20 || n < 40:
			if err := c.hear(2 * time.Second); errors.Is(err, edit.ErrGap) {
				return err
			} else if err == nil {
				continue
			}
			fallthrough
		case n < 41:
			// Cut, or the deadline passed, which ends a connection too.
			c.conn.Close()
			time.Sleep(time.Duration(c.Rand.IntN(20)) * time.Millisecond)
			if err := c.connect(); err != nil {
				return err
			}
			continue
		case n < 55:
			_, message, _, _, err = c.Undo()
		case n < 58:
			_, message, _, _, err = c.Redo()
		default:
			_, message, err = c.Do(c.Edit(c.Document()))
		}
		if err != nil {
			continue
		}
		made++
		_ = c.conn.WriteMessage(websocket.BinaryMessage, message) // if the line is cut, it is sent again
	}
	return nil
}

// Three clients work on one project on a real server, 5,000 steps and undos
// over lines that are cut: equal bytes on all of them and in the database.
func TestThreeClientsOnAServer(t *testing.T) {
	s := newSite(t)
	s.create("Three")
	clients := []*client{s.client(1), s.client(2), s.client(3)}
	var all sync.WaitGroup
	for i, c := range clients {
		all.Go(func() {
			if err := c.work(1667); err != nil {
				t.Errorf("client %d: %v", i, err)
			}
		})
	}
	all.Wait()
	db, err := store.Open(context.Background(), s.database, store.Options{})
	if err != nil {
		t.Fatal(err)
	}
	defer db.Close()
	d, revision, err := db.Load(context.Background(), 1)
	if err != nil {
		t.Fatal(err)
	}
	for i, c := range clients {
		for cuts := 0; c.Revision() < revision; {
			err := c.hear(patience)
			if err == nil {
				continue
			}
			// Who was silent for long while the others worked is cut off, and comes back.
			if cuts++; errors.Is(err, edit.ErrGap) || cuts > 5 || c.connect() != nil {
				t.Fatalf("client %d at revision %d of %d: %v", i, c.Revision(), revision, err)
			}
		}
		if !bytes.Equal(c.Document().Encode(), d.Encode()) {
			t.Errorf("client %d differs from the database", i)
		}
	}
	if revision < 4000 {
		t.Errorf("only %d steps were taken", revision)
	}
}

// The server refuses every picture that the page refuses, whatever comes.
func TestServerRefusesPictures(t *testing.T) {
	s := newSite(t)
	s.create("Pictures")
	good, err := os.ReadFile(picture(t, "sheet.png", 0, 0))
	if err != nil {
		t.Fatal(err)
	}
	for _, c := range []struct {
		name, cut, says string
		body            []byte
	}{
		{"text", `{"w":16,"h":16}`, "not a picture", []byte("ferns")},
		{"nothing", `{"w":16,"h":16}`, "not a picture", nil},
		{"cut short", `{"w":16,"h":16}`, "cut short", good[:len(good)-30]},
		{"too wide", `{"w":16,"h":16}`, "8192 px", widePNG(20_000, 4)},
		{"no cut", ``, "could not be read", good},
		{"no size", `{}`, "can't be cut", good},
		{"too large a tile", `{"w":100,"h":16}`, "does not fit", good},
		{"negative", `{"w":16,"h":16,"margin":-3}`, "Margin", good},
		{"an offset beyond it", `{"w":16,"h":16,"offsetX":8000}`, "does not fit", good},
		{"too large a scale", `{"w":16,"h":16,"scale":2}`, "32 × 32 px", good},
		{"over the limit", `{"w":16,"h":16}`, "16 MB", make([]byte, 18<<20)},
	} {
		code, text := s.post("/api/projects/1/tilesets?cut="+url.QueryEscape(c.cut), "application/octet-stream", c.body)
		if code < 400 || code >= 500 || !strings.Contains(text, c.says) {
			t.Errorf("%s: %d %s", c.name, code, text)
		}
	}
	if code, text := s.post("/api/projects/1/tilesets?cut="+url.QueryEscape(`{"w":16,"h":16}`), "application/octet-stream", good); code != 200 {
		t.Errorf("a good picture: %d %s", code, text)
	}
	if code, _ := s.post("/api/projects/99/tilesets?cut="+url.QueryEscape(`{"w":16,"h":16}`), "application/octet-stream", good); code != 404 {
		t.Errorf("a project that is not there: %d", code)
	}
}

// newMap is a map beside all others, and what puts it there.
func (c *client) newMap(name string, bounds grid.Rect) (*world.Map, []edit.Part) {
	m, layers := world.NewMap(name, grid.Point{X: 200}, bounds, c.IDs)
	parts := []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Values: m.Values()}}
	for _, l := range layers {
		parts = append(parts, edit.Put{Ref: world.Ref{Sort: world.SortLayer, Map: m.ID, ID: l.ID}, Values: l.Values()})
	}
	return m, parts
}

// A step too large for the socket goes by POST; its answer comes by the socket.
func TestLargeStep(t *testing.T) {
	s := newSite(t)
	s.create("Large")
	c := s.client(9)
	if err := c.connect(); err != nil {
		t.Fatal(err)
	}
	m, parts := c.newMap("Field", grid.Rect{W: 800, H: 800})
	region := grid.BoxRegion(m.Bounds)
	var runs grid.Runs
	for i := range region.Len() {
		runs = append(runs, grid.Run{N: 1, Cell: grid.Cell(1 + i*i%7)})
	}
	parts = append(parts, edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: region, Cells: runs})
	_, message, err := c.Do(edit.Edit{Label: "lay a field", Parts: parts})
	if err != nil {
		t.Fatal(err)
	}
	if len(message) <= limit.SocketBytes {
		t.Fatalf("the step has only %d bytes", len(message))
	}
	if code, text := s.post("/api/projects/1/edits?session="+c.session, "application/octet-stream", message); code != http.StatusNoContent {
		t.Fatalf("%d: %s", code, text)
	}
	if err := c.hear(patience); err != nil || c.Pending() != 0 {
		t.Fatalf("no answer by the socket: %v", err)
	}
	other := s.client(10)
	if !bytes.Equal(other.Document().Encode(), c.Document().Encode()) {
		t.Error("another page opens something else")
	}
	_, message, _, _, err = c.Undo()
	if err != nil || len(message) > 1000 {
		t.Fatalf("an undo has %d bytes: %v", len(message), err)
	}
	if err := c.conn.WriteMessage(websocket.BinaryMessage, message); err != nil {
		t.Fatal(err)
	}
	if err := c.hear(patience); err != nil || len(c.Confirmed().Maps) != 1 {
		t.Errorf("the undo did not take the field away: %v", err)
	}
}

// Of what was made of a picture only the name and what tiles do can be changed by
// a step, whatever a page sends.
func TestServerGuardsPictures(t *testing.T) {
	s := newSite(t)
	s.create("Pictures")
	conn, _, err := websocket.DefaultDialer.Dial("ws://"+s.address+"/api/projects/1/socket?session=5&revision=0", nil)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close()
	res, err := http.Get(s.url("/api/projects/1/opening?session=5"))
	if err != nil {
		t.Fatal(err)
	}
	defer res.Body.Close()
	body, err := io.ReadAll(res.Body)
	if err != nil {
		t.Fatal(err)
	}
	o, err := edit.DecodeOpening(body, nil)
	if err != nil {
		t.Fatal(err)
	}
	set := world.Ref{Sort: world.SortTileset, ID: o.Document.Tilesets[0].ID}
	for i, c := range []struct {
		part edit.Part
		want byte
	}{
		{edit.Change{Ref: set, Value: world.TextValue(world.FieldName, "Grey tiles")}, edit.MessageTaken},
		{edit.Change{Ref: set, Value: world.Value{Field: 3, Bytes: append([]byte{32}, make([]byte, 32)...)}}, edit.MessageRefused},
		{edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: 77 << 32}, Values: (&world.Character{Name: "Nobody", Picture: strings.Repeat("ab", 32), Strip: strings.Repeat("ab", 32), W: 16, H: 24}).Values()}, edit.MessageRefused},
		{edit.Deal{Map: o.Document.Maps[0].ID, Layer: o.Document.Maps[0].PlayerLayer, Medley: 5, Region: grid.BoxRegion(grid.Rect{W: 2, H: 2})}, edit.MessageRefused},
	} {
		e := edit.Edit{Label: "a step", Parts: []edit.Part{c.part}}
		if err := conn.WriteMessage(websocket.BinaryMessage, edit.Send(uint64(i+1), e.Encode())); err != nil {
			t.Fatal(err)
		}
		if _, answer, err := conn.ReadMessage(); err != nil || answer[0] != c.want {
			t.Errorf("step %d was answered %q, want %c (%v)", i+1, answer, c.want, err)
		}
	}
}
