package tests

import (
	"archive/zip"
	"bytes"
	"compress/gzip"
	"fmt"
	"io"
	"math/rand/v2"
	"net"
	"net/http"
	"os"
	"strconv"
	"strings"
	"sync"
	"testing"
	"time"

	"github.com/fasthttp/websocket"

	"azzel/core/edit"
	"azzel/core/grid"
)

// memory is what the server's process has in memory, and the most that it ever had since it was told to forget, in bytes.
func (s *site) memory() (now, most int64) {
	s.t.Helper()
	text, err := os.ReadFile(fmt.Sprintf("/proc/%d/status", s.process.Process.Pid))
	if err != nil {
		s.t.Fatal(err)
	}
	of := func(name string) int64 {
		_, rest, _ := strings.Cut(string(text), name+":")
		kb, err := strconv.ParseInt(strings.Fields(rest)[0], 10, 64)
		if err != nil {
			s.t.Fatal(err)
		}
		return kb << 10
	}
	return of("VmRSS"), of("VmHWM")
}

// takes is how much more memory than before the server has at most while something is done.
func (s *site) takes(what string, most int64, do func()) {
	s.t.Helper()
	if err := os.WriteFile(fmt.Sprintf("/proc/%d/clear_refs", s.process.Process.Pid), []byte("5"), 0o200); err != nil {
		s.t.Fatal(err)
	}
	before, _ := s.memory()
	do()
	_, high := s.memory()
	s.t.Logf("%s: %d MB more than %d", what, (high-before)>>20, before>>20)
	if high-before > most {
		s.t.Errorf("%s takes %d MB more, want at most %d", what, (high-before)>>20, most>>20)
	}
}

// raw begins a request by hand and leaves it open.
func (s *site) raw(head string, body []byte) net.Conn {
	s.t.Helper()
	conn, err := net.Dial("tcp", s.address)
	if err != nil {
		s.t.Fatal(err)
	}
	s.t.Cleanup(func() { conn.Close() })
	if _, err := fmt.Fprintf(conn, "%s\r\nHost: %s\r\n\r\n", head, s.address); err != nil {
		s.t.Fatal(err)
	}
	_, _ = conn.Write(body) // it may have been refused already
	return conn
}

// zipped is a bundle of which one part is replaced.
func zipped(t *testing.T, whole []byte, part string, with func(old []byte, w io.Writer)) []byte {
	t.Helper()
	z, err := zip.NewReader(bytes.NewReader(whole), int64(len(whole)))
	if err != nil {
		t.Fatal(err)
	}
	var out bytes.Buffer
	w := zip.NewWriter(&out)
	for _, f := range z.File {
		r, err := f.Open()
		if err != nil {
			t.Fatal(err)
		}
		old, err := io.ReadAll(r)
		if err != nil {
			t.Fatal(err)
		}
		p, err := w.Create(f.Name)
		if err != nil {
			t.Fatal(err)
		}
		if f.Name == part {
			with(old, p)
		} else if _, err := p.Write(old); err != nil {
			t.Fatal(err)
		}
	}
	if err := w.Close(); err != nil {
		t.Fatal(err)
	}
	return out.Bytes()
}

// repeat writes a text so many times.
func repeat(w io.Writer, text string, times int) {
	many := strings.Repeat(text, 1000)
	for n := times / 1000; n > 0; n-- {
		_, _ = io.WriteString(w, many) // a zip in memory takes all
	}
}

// A few bytes take little memory, whatever they say of themselves: the server's process is looked at from outside.
func TestFewBytesTakeLittle(t *testing.T) {
	s := newSite(t)
	s.create("Doors")
	res, err := http.Get(s.url("/api/projects/1/bundle"))
	if err != nil {
		t.Fatal(err)
	}
	whole, err := io.ReadAll(res.Body)
	res.Body.Close()
	if err != nil {
		t.Fatal(err)
	}
	const little = 64 << 20
	s.takes("bodies that do not come", little, func() {
		for i := range 30 {
			s.raw(fmt.Sprintf("POST %s HTTP/1.1\r\nContent-Length: 268000000", []string{"/api/bundles", "/api/projects/1/edits?session=4", "/api/projects/1/pictures"}[i%3]), nil)
		}
		time.Sleep(300 * time.Millisecond)
	})
	s.takes("slow bodies", little, func() {
		piece := bytes.Repeat([]byte("moss"), 25_000)
		for range 300 {
			s.raw("POST /api/projects/1/pictures HTTP/1.1\r\nContent-Length: 9000000", piece)
		}
		time.Sleep(500 * time.Millisecond)
		if code, text := s.post("/api/projects", "application/json", []byte(`{"name":"Mosses","cellW":16,"cellH":16,"seenW":9,"seenH":9}`)); code != 201 {
			t.Errorf("meanwhile a project is not made: %d %s", code, text)
		}
	})
	s.takes("a body that unpacks to gigabytes", little, func() {
		var once, twice bytes.Buffer
		inner, outer := gzip.NewWriter(&once), gzip.NewWriter(&twice)
		repeat(inner, strings.Repeat("\x00", 1000), 1_000_000)
		inner.Close()
		_, _ = outer.Write(once.Bytes()) // memory takes all
		outer.Close()
		req, err := http.NewRequest("POST", s.url("/api/projects"), &twice)
		if err != nil {
			t.Fatal(err)
		}
		req.Header.Set("Content-Encoding", "gzip, gzip")
		res, err := http.DefaultClient.Do(req)
		if err != nil {
			t.Fatal(err)
		}
		res.Body.Close()
		if res.StatusCode != 415 {
			t.Errorf("it is answered %d", res.StatusCode)
		}
	})
	s.takes("bodies from other sites", little, func() {
		for _, header := range []string{"Origin: https://garden.example", "Sec-Fetch-Site: cross-site", "Sec-Fetch-Site: same-site"} {
			conn := s.raw("POST /api/bundles HTTP/1.1\r\n"+header+"\r\nContent-Length: 200000000", []byte("x"))
			_ = conn.SetReadDeadline(time.Now().Add(patience))
			answer := make([]byte, 12)
			if _, err := io.ReadFull(conn, answer); err != nil || string(answer) != "HTTP/1.1 403" {
				t.Errorf("%s: %q %v before anything of the body came", header, answer, err)
			}
		}
	})
	s.takes("bodies over the limit", little, func() {
		for path, size := range map[string]int{"/api/projects": 1 << 20, "/api/projects/1/pictures": 20 << 20, "/api/bundles": 300 << 20} {
			for _, chunked := range []bool{false, true} {
				var body io.Reader = io.LimitReader(zeros{}, int64(size))
				req, err := http.NewRequest("POST", s.url(path), body)
				if err != nil {
					t.Fatal(err)
				}
				if !chunked {
					req.ContentLength = int64(size)
				}
				res, err := http.DefaultClient.Do(req)
				if err != nil {
					t.Errorf("%s, %d MB: %v", path, size>>20, err)
					continue
				}
				text, _ := io.ReadAll(res.Body)
				res.Body.Close()
				if res.StatusCode != 413 || !strings.Contains(string(text), "larger than") {
					t.Errorf("%s, %d MB: %d %s", path, size>>20, res.StatusCode, text)
				}
			}
		}
	})
	const bundles = 200 << 20
	bring := func(what, part, says string, with func(old []byte, w io.Writer)) {
		t.Helper()
		bundle := zipped(t, whole, part, with)
		s.takes(fmt.Sprintf("a bundle of %d KB with %s", len(bundle)>>10, what), bundles, func() {
			if code, text := s.post("/api/bundles", "application/zip", bundle); code != 422 || !strings.Contains(text, says) {
				t.Errorf("%s: %d %.200s", what, code, text)
			}
		})
	}
	for _, list := range []string{"medleys", "items", "characters", "format", "moss"} {
		bring("many "+list, "bundle.json", list+" has over", func(old []byte, w io.Writer) {
			fmt.Fprintf(w, `{%q:[{}`, list)
			repeat(w, ",{}", 20_000_000)
			_, _ = io.WriteString(w, "],"+string(old[1:])) // a zip in memory takes all
		})
	}
	bring("many pieces", "maps/1.json", "pieces has over", func(old []byte, w io.Writer) {
		_, _ = io.WriteString(w, `{"pieces":[{}`)
		repeat(w, ",{}", 20_000_000)
		_, _ = io.WriteString(w, "],"+string(old[1:])) // a zip in memory takes all
	})
	// A piece may set as much as there is to set, and no more.
	for _, words := range []string{`"odds":{"foe":1`, `"does":"stands"`} {
		bring("many words of a piece", "maps/1.json", "", func(old []byte, w io.Writer) {
			_, _ = io.WriteString(w, `{"pieces":[{"type":"emitter","acting":{`+words)
			for i := range 3_000_000 {
				fmt.Fprintf(w, `,"w%d":1`, i)
			}
			_, _ = io.WriteString(w, strings.Repeat("}", strings.Count(words, "{"))+"}}],"+string(old[1:])) // a zip in memory takes all
		})
	}
	bring("lists in each other", "bundle.json", "in each other", func(old []byte, w io.Writer) { repeat(w, "[", 20_000_000) })
	layer := ""
	z, err := zip.NewReader(bytes.NewReader(whole), int64(len(whole)))
	if err != nil {
		t.Fatal(err)
	}
	for _, f := range z.File {
		if strings.HasSuffix(f.Name, ".rows") || strings.HasSuffix(f.Name, ".txt") {
			layer = f.Name
		}
	}
	bring("rows of nothing", layer, "more rows than", func(old []byte, w io.Writer) { repeat(w, "\n", 400_000_000) })
	if code, text := s.post("/api/bundles", "application/zip", whole); code != 201 {
		t.Errorf("the bundle itself: %d %s", code, text)
	}
}

type zeros struct{}

func (zeros) Read(b []byte) (int, error) {
	clear(b)
	return len(b), nil
}

// Opening a project after large steps takes little memory, as what can be taken back is read while it is sent, and pages that never read what they are
// sent take little and are let go.
func TestLargeStepsTakeLittle(t *testing.T) {
	rounds := 40
	if !testing.Short() {
		rounds = 160
	}
	s := newSite(t)
	s.create("Noise")
	c := s.client(3)
	m := c.Document().Maps[0]
	send := func(e edit.Edit) {
		t.Helper()
		_, message, err := c.Do(e)
		if err != nil {
			t.Fatal(err)
		}
		if code, text := s.post("/api/projects/1/edits?session="+c.session, "application/octet-stream", message); code != 204 {
			t.Fatalf("%d %s", code, text)
		}
	}
	grow, err := edit.Resize{Map: m.ID, Bounds: grid.Rect{W: 1000, H: 1000}}.Edit(c.Document())
	if err != nil {
		t.Fatal(err)
	}
	send(grow)
	if err := c.connect(); err != nil {
		t.Fatal(err)
	}
	r := rand.New(rand.NewPCG(9, 9))
	g := grid.BoxRegion(grid.Rect{W: 1000, H: 1000})
	for range rounds {
		cells := make(grid.Runs, 0, g.Len())
		for range g.Len() {
			cells = append(cells, grid.Run{N: 1, Cell: grid.Cell(1 + r.IntN(9))})
		}
		send(edit.Edit{Label: "noise", Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: g, Cells: cells}}})
		for c.Pending() > 0 {
			if err := c.hear(patience); err != nil {
				t.Fatal(err)
			}
		}
	}
	c.conn.Close()
	s.kill()
	s.start()
	opens := func() {
		res, err := http.Get(s.url("/api/projects/1/opening?session=" + c.session))
		if err != nil {
			t.Error(err)
			return
		}
		defer res.Body.Close()
		if n, err := io.Copy(io.Discard, res.Body); err != nil || n > 40<<20 {
			t.Errorf("the opening has %d MB (%v)", n>>20, err)
		}
	}
	s.takes("the first opening", 80<<20, opens)
	s.takes("four openings at once", 140<<20, func() {
		var all sync.WaitGroup
		for range 4 {
			all.Go(opens)
		}
		all.Wait()
	})
	s.takes("pages that are far behind", 64<<20, func() {
		for range 100 {
			conn, _, err := websocket.DefaultDialer.Dial(fmt.Sprintf("ws://%s/api/projects/1/socket?session=5&revision=0", s.address), nil)
			if err != nil {
				t.Fatal(err)
			}
			defer conn.Close()
			_ = conn.SetReadDeadline(time.Now().Add(patience))
			if _, _, err := conn.ReadMessage(); !websocket.IsCloseError(err, 4001) {
				t.Fatalf("a page that is far behind is told %v", err)
			}
		}
	})
	revision := c.Revision()
	s.takes("pages that never read", 200<<20, func() {
		for range 100 {
			conn, _, err := websocket.DefaultDialer.Dial(fmt.Sprintf("ws://%s/api/projects/1/socket?session=5&revision=%d", s.address, revision-1), nil)
			if err != nil {
				t.Fatal(err)
			}
			defer conn.Close()
		}
		time.Sleep(time.Second)
	})
}
