package server

import (
	"bufio"
	"bytes"
	"errors"
	"fmt"
	"io"
	"net"
	"net/http"
	"strings"
	"testing"
	"time"

	"azzel/core/limit"
)

// listening serves a server on a real line, and gives its address.
func listening(t *testing.T, v *Server) string {
	t.Helper()
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	v.host = l.Addr().String()
	done := make(chan error, 1)
	go func() { done <- v.app.Server().Serve(l) }()
	v.app.Handler() // the routes are ready
	t.Cleanup(func() {
		_ = v.app.Server().Shutdown()
		<-done
	})
	return v.host
}

// A line is a connection on which requests are written by hand.
type line struct {
	t    *testing.T
	conn net.Conn
	in   *bufio.Reader
}

func dial(t *testing.T, address string) *line {
	t.Helper()
	conn, err := net.Dial("tcp", address)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { conn.Close() })
	_ = conn.SetDeadline(time.Now().Add(20 * time.Second))
	return &line{t, conn, bufio.NewReader(conn)}
}

func (l *line) write(text string) {
	l.t.Helper()
	if _, err := io.WriteString(l.conn, text); err != nil {
		l.t.Fatal(err)
	}
}

// answer reads one answer; 0 once the connection has ended.
func (l *line) answer() (int, string) {
	l.t.Helper()
	res, err := http.ReadResponse(l.in, nil)
	if err != nil {
		return 0, ""
	}
	defer res.Body.Close()
	text, err := io.ReadAll(res.Body)
	if err != nil {
		l.t.Fatal(err)
	}
	return res.StatusCode, string(text)
}

// What a request brings is taken whole and to its end, in either form, and what follows on the line is the next request;
// what nobody read is never taken for one.
func TestBodiesOnALine(t *testing.T) {
	v := newServer(t)
	address := listening(t, v)
	project := `{"name":"Mosses","cellW":16,"cellH":16,"seenW":9,"seenH":9}`
	post := func(path, header, body string) string {
		return fmt.Sprintf("POST %s HTTP/1.1\r\nHost: %s\r\nContent-Type: application/json\r\n%s\r\n\r\n%s", path, address, header, body)
	}
	whole := func(path, body string) string {
		return post(path, fmt.Sprintf("Content-Length: %d", len(body)), body)
	}
	chunked := func(path, body string) string {
		var chunks strings.Builder
		for len(body) > 0 {
			n := min(len(body), 7000)
			fmt.Fprintf(&chunks, "%x\r\n%s\r\n", n, body[:n])
			body = body[n:]
		}
		return post(path, "Transfer-Encoding: chunked", chunks.String()+"0\r\n\r\n")
	}
	l := dial(t, address)
	for i, request := range []string{whole("/api/projects", project), chunked("/api/projects", project), whole("/api/projects", project)} {
		l.write(request)
		if code, text := l.answer(); code != 201 {
			t.Errorf("request %d on a line: %d %s", i, code, text)
		}
	}
	hidden := "GET /api/projects HTTP/1.1\r\nHost: " + address + "\r\n\r\n"
	for name, c := range map[string]struct {
		request string
		code    int
	}{
		"a body that another site sends":          {strings.Replace(whole("/api/projects", hidden), "Content-Type", "Origin: https://garden.example\r\nContent-Type", 1), 403},
		"a body where nothing takes one":          {whole("/api/nothing", hidden), 404},
		"a body that is compressed":               {post("/api/projects", fmt.Sprintf("Content-Encoding: br\r\nContent-Length: %d", len(hidden)), hidden), 415},
		"a body too large":                        {whole("/api/projects", strings.Repeat("moss", 20_000)+hidden), 413},
		"a body too large that is sent in chunks": {chunked("/api/projects", strings.Repeat("moss", 20_000)+hidden), 413},
	} {
		l := dial(t, address)
		l.write(c.request)
		if code, text := l.answer(); code != c.code || !strings.Contains(text, `"error"`) {
			t.Errorf("%s: %d %s, want %d", name, code, text, c.code)
		}
		_, _ = io.WriteString(l.conn, "GET /healthz HTTP/1.1\r\nHost: "+address+"\r\n\r\n") // the line may have ended
		if code, text := l.answer(); code != 0 && text != Well {
			t.Errorf("%s: what was in it is answered %d %s", name, code, text)
		}
	}
	l = dial(t, address)
	l.write(post("/api/projects", "Content-Length: 500", project))
	_ = l.conn.(*net.TCPConn).CloseWrite()
	if code, text := l.answer(); code != 400 || !strings.Contains(text, "broke off") {
		t.Errorf("a body that breaks off: %d %s", code, text)
	}
	for _, size := range []int{inMemory - 1, inMemory, inMemory + 1, 3*inMemory + 5} {
		for _, form := range []func(path, body string) string{whole, chunked} {
			l := dial(t, address)
			l.write(form("/api/projects", project+strings.Repeat(" ", size-len(project))))
			if code, text := l.answer(); code != 201 {
				t.Errorf("a body of %d bytes: %d %s", size, code, text)
			}
		}
	}
	if v.bodies.disk.Load() != 0 || !v.bodies.memory.TryAcquire(wholeBodies) || len(v.bodies.slots) != 0 {
		t.Error("something is held for bodies that were answered")
	}
}

// A body has its bytes wherever it lies, and what is over what may be held is told to come again, and leaves nothing.
func TestBodiesAreBounded(t *testing.T) {
	b := newBodies()
	fill := func(size int) (*spooled, error) {
		s := &spooled{of: b}
		body := make([]byte, size)
		for i := range body {
			body[i] = byte(i * 7 >> 3)
		}
		if err := s.fill(bytes.NewReader(body)); err != nil {
			s.close()
			return nil, err
		}
		got, err := s.bytes(t.Context())
		if err != nil {
			s.close()
			return nil, err
		}
		at := make([]byte, size)
		if _, err := s.reader().ReadAt(at, 0); err != nil && size > 0 {
			t.Errorf("reading %d bytes: %v", size, err)
		}
		if s.size != int64(size) || !bytes.Equal(got, body) || !bytes.Equal(at, body) {
			t.Errorf("of %d bytes %d came back, or others", size, len(got))
		}
		return s, nil
	}
	held := func(what string, disk, memory int64) {
		t.Helper()
		if got := b.disk.Load(); got != disk {
			t.Errorf("%s: %d bytes on disk, want %d", what, got, disk)
		}
		free := wholeBodies - memory
		if !b.memory.TryAcquire(free) || b.memory.TryAcquire(1) {
			t.Errorf("%s: other than %d bytes are in memory", what, memory)
		}
		b.memory.Release(free)
	}
	for _, size := range []int{0, 1, inMemory, inMemory + 1, 5 * inMemory} {
		s, err := fill(size)
		if err != nil {
			t.Fatal(err)
		}
		if size >= inMemory {
			held("a large body", int64(size), int64(size))
		} else {
			held("a small body", 0, 0)
		}
		s.close()
		held("after a body", 0, 0)
	}
	b.disk.Store(onDisk - 2*inMemory)
	if _, err := fill(4 * inMemory); !errors.Is(err, errBusy) {
		t.Errorf("more than lies on disk: %v", err)
	}
	held("after one that was too much", onDisk-2*inMemory, 0)
	s, err := fill(2 * inMemory)
	if err != nil {
		t.Fatalf("as much as lies on disk: %v", err)
	}
	s.close()
	b.disk.Store(0)
	first := errors.New("the line broke")
	broken := &spooled{of: b}
	if err := broken.fill(io.MultiReader(bytes.NewReader(make([]byte, 3*inMemory)), failing{first})); !errors.Is(err, first) {
		t.Errorf("a line that broke: %v", err)
	}
	broken.close()
	held("after a line that broke", 0, 0)
}

type failing struct{ error }

func (f failing) Read([]byte) (int, error) { return 0, f.error }

// As many bodies as may be are read at a time, and one more is told to come again.
func TestBusy(t *testing.T) {
	v := newServer(t)
	for range reading {
		v.bodies.slots <- struct{}{}
	}
	if res, text := v.ask(t, "POST", "/api/projects", []byte(`{}`)); res.StatusCode != 503 || res.Header.Get("Retry-After") != "1" || !strings.Contains(text, "few seconds") {
		t.Errorf("one more: %d %s", res.StatusCode, text)
	}
	<-v.bodies.slots
	if res, text := v.ask(t, "POST", "/api/projects", []byte(`{}`)); res.StatusCode != 422 {
		t.Errorf("once there is room: %d %s", res.StatusCode, text)
	}
	// Pictures and steps up to their limits are taken as such, and no larger ones.
	for path, most := range map[string]int{"/api/projects/1/pictures": limit.PictureBytes, "/api/projects/1/edits?session=4": limit.EditBytes + 1024} {
		if res, text := v.ask(t, "POST", path, make([]byte, most)); res.StatusCode != 422 {
			t.Errorf("%s with %d bytes: %d %s", path, most, res.StatusCode, text)
		}
		if res, text := v.ask(t, "POST", path, make([]byte, most+1)); res.StatusCode != 413 || !strings.Contains(text, "16 MB") {
			t.Errorf("%s with one more: %d %s", path, res.StatusCode, text)
		}
	}
}
