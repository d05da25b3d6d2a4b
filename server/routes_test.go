package server

import (
	"bytes"
	"encoding/json"
	"fmt"
	"image"
	"image/png"
	"io"
	"mime/multipart"
	"net/http"
	"net/http/httptest"
	"net/url"
	"strconv"
	"strings"
	"testing"
	"testing/fstest"
	"time"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/tiles"
	"azzel/core/world"
)

// newServer is a server over a new database with one project and a front end of
// three files.
func newServer(t *testing.T) *Server {
	t.Helper()
	all := testRooms(t)
	v, err := New(all.store, fstest.MapFS{
		"index.html":        {Data: []byte("<p>the page")},
		"assets/app.js":     {Data: []byte("let moss")},
		"assets/app.js.br":  {Data: []byte("compressed")},
		"assets/core.wasm":  {Data: []byte("\x00asm")},
		"secrets/passwords": {Data: []byte("no")},
	}, "127.0.0.1:8417", nil)
	if err != nil {
		t.Fatal(err)
	}
	return v
}

// ask sends a request as a page of this server does.
func (v *Server) ask(t *testing.T, method, path string, body []byte, headers ...string) (*http.Response, string) {
	t.Helper()
	req := httptest.NewRequest(method, "http://127.0.0.1:8417"+path, bytes.NewReader(body))
	for i := 0; i+1 < len(headers); i += 2 {
		req.Header.Set(headers[i], headers[i+1])
	}
	res, err := v.app.Test(req)
	if err != nil {
		t.Fatalf("%s %s: %v", method, path, err)
	}
	defer res.Body.Close()
	text, err := io.ReadAll(res.Body)
	if err != nil {
		t.Fatal(err)
	}
	return res, string(text)
}

// Every route answers what is asked wrongly with a status that says whose
// fault it is and a sentence for people, and never with what went wrong inside.
func TestWrongRequests(t *testing.T) {
	v := newServer(t)
	huge := strings.Repeat("moss", 200)
	for _, c := range []struct {
		method, path, body string
		code               int
		says               string
	}{
		{"GET", "/api/projects/2", "", 404, "project is not there"},
		{"GET", "/api/projects/moss", "", 404, "project is not there"},
		{"GET", "/api/projects/99999999999999999999", "", 404, "project is not there"},
		{"GET", "/api/projects/2/opening", "", 404, "project is not there"},
		{"GET", "/api/projects/2/picture", "", 404, "project is not there"},
		{"GET", "/api/projects/1/blobs/abc", "", 404, ""},
		{"GET", "/api/projects/1/blobs/" + strings.Repeat("0", 64), "", 404, ""},
		{"GET", "/api/projects/1/socket", "", 400, "session is missing"},
		{"GET", "/api/projects/1/socket?session=-4&revision=0", "", 400, "session is missing"},
		{"GET", "/api/projects/1/socket?session=4", "", 400, "revision is missing"},
		{"GET", "/api/projects/2/socket?session=4&revision=0", "", 404, "project is not there"},
		{"GET", "/api/projects/1/steps?before=3", "", 400, "names no session"},
		{"GET", "/api/projects/1/steps?session=4", "", 400, "names no step"},
		{"GET", "/api/projects/1/steps?session=4&before=-1", "", 400, "names no step"},
		{"GET", "/api/projects/2/steps?session=4&before=3", "", 404, "project is not there"},
		{"POST", "/api/projects/1/edits", "moss", 400, "session is missing"},
		{"POST", "/api/projects/2/edits?session=4", "moss", 404, "project is not there"},
		{"POST", "/api/projects/1/edits?session=4", "moss", 422, "reload the page"},
		{"GET", "/api/nothing", "", 404, "nothing at this address"},
		{"DELETE", "/api/projects/2", "", 404, "project is not there"},
		{"POST", "/api/deleted/1/back", "", 404, "project is not there"},
		{"GET", "/api/bundles/none", "", 404, "not being imported"},
		{"DELETE", "/api/bundles/none", "", 404, "not being imported"},
		{"POST", "/api/projects", "", 422, "could not be read"},
		{"POST", "/api/projects", `{"name":"","cellW":16,"cellH":16,"seenW":9,"seenH":9}`, 422, "name is needed"},
		{"POST", "/api/projects", `{"name":"` + huge + `","cellW":16,"cellH":16,"seenW":9,"seenH":9}`, 422, "120 letters"},
		{"POST", "/api/projects", `{"name":"Ferns","cellW":1,"cellH":16,"seenW":9,"seenH":9}`, 422, "4 to 128 px"},
		{"POST", "/api/projects", `{"name":"Ferns","cellW":16,"cellH":16,"seenW":0,"seenH":9}`, 422, "1 to 256 cells"},
		{"POST", "/api/projects/1/tilesets?cut=moss", "moss", 422, "reload the page"},
		{"POST", "/api/projects/2/tilesets?cut=%7B%7D", "moss", 404, "project is not there"},
		{"POST", "/api/projects/2/characters", "moss", 404, "project is not there"},
		{"POST", "/api/projects/1/characters", "moss", 422, "picture"},
		{"GET", "/assets/none.js", "", 404, "nothing at this address"},
		{"GET", "/assets/../../etc/passwd.txt", "", 404, "nothing at this address"},
	} {
		res, text := v.ask(t, c.method, c.path, []byte(c.body), "Content-Type", "application/json")
		var problem Problem
		if err := json.Unmarshal([]byte(text), &problem); err != nil || res.StatusCode != c.code || !strings.Contains(problem.Error, c.says) {
			t.Errorf("%s %.60s: %d %.200s, want %d and something about %q", c.method, c.path, res.StatusCode, text, c.code, c.says)
		}
		if strings.Contains(text, "SQL") || strings.Contains(text, "sum") {
			t.Errorf("%s %s tells of the inside: %s", c.method, c.path, text)
		}
	}
	if _, text := v.ask(t, "GET", "/api/projects", nil); strings.Count(text, `"id"`) != 1 {
		t.Errorf("wrong requests left behind: %s", text)
	}
}

// A bundle that is being read says how far it is, and is stopped by who sent it; nothing is made of it then.
func TestBringingIsStopped(t *testing.T) {
	v := newServer(t)
	_, bundle := v.ask(t, "GET", "/api/projects/1/bundle", nil)
	v.decoding <- struct{}{} // another one is being read
	answered := make(chan string)
	go func() {
		res, text := v.ask(t, "POST", "/api/bundles?as=moss", []byte(bundle))
		answered <- fmt.Sprint(res.StatusCode, text)
	}()
	code, text := 404, ""
	for deadline := time.Now().Add(10 * time.Second); code == 404 && time.Now().Before(deadline); time.Sleep(5 * time.Millisecond) {
		var res *http.Response
		res, text = v.ask(t, "GET", "/api/bundles/moss", nil)
		code = res.StatusCode
	}
	if code != 200 || text != `{"read":0,"of":0}` {
		t.Errorf("how far it is: %d %s", code, text)
	}
	if res, _ := v.ask(t, "DELETE", "/api/bundles/moss", nil); res.StatusCode != 204 {
		t.Errorf("stopping it: %d", res.StatusCode)
	}
	if got := <-answered; !strings.HasPrefix(got, "409") || !strings.Contains(got, "was stopped") {
		t.Errorf("once it was stopped it is answered %s", got)
	}
	<-v.decoding
	if res, text := v.ask(t, "POST", "/api/bundles?as=moss", []byte(bundle)); res.StatusCode != 201 {
		t.Errorf("sent again: %d %s", res.StatusCode, text)
	}
	if _, text := v.ask(t, "GET", "/api/projects", nil); strings.Count(text, `"id"`) != 2 {
		t.Errorf("projects then: %s", text)
	}
}

// What a page showed becomes a bundle whatever of its pictures is lost, and what is no such thing is refused.
func TestCopies(t *testing.T) {
	v := newServer(t)
	room := v.rooms.one(t)
	d := room.doc
	rep := begin(t, room, 5)
	var sheet bytes.Buffer
	img := image.NewNRGBA(image.Rect(0, 0, 64, 32))
	for i := range img.Pix {
		img.Pix[i] = byte(i*7 | 128)
	}
	if err := png.Encode(&sheet, img); err != nil {
		t.Fatal(err)
	}
	_, text := v.ask(t, "POST", "/api/projects/1/tilesets?cut="+url.QueryEscape(`{"w":16,"h":16}`), sheet.Bytes())
	var taken TakenPicture
	if err := json.Unmarshal([]byte(text), &taken); err != nil {
		t.Fatal(text)
	}
	set := &world.Tileset{Name: "Moss tiles", Picture: taken.Picture, Strip: taken.Strip, First: taken.First, Count: len(taken.Places), Columns: taken.Columns, Rows: taken.Rows,
		Places: taken.Places, Cut: tiles.Cut{W: 16, H: 16}, Tiles: make([]*tiles.Properties, len(taken.Places))}
	v.do(t, rep, 5, edit.Edit{Label: "bring in", Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortTileset, ID: 77<<32 | 900}, Values: set.Values()}}})
	m := d.Maps[0]
	v.do(t, rep, 5, edit.Edit{Label: "paint", Parts: []edit.Part{edit.Paint{Map: m.ID, Layer: m.PlayerLayer, Region: grid.Region{{Y: 1, X0: 1, X1: 1}}, Cells: grid.Runs{{N: 1, Cell: grid.Cell(taken.First + 2)}}}}})
	_, strip := v.ask(t, "GET", "/api/projects/1/blobs/"+taken.Strip, nil)
	form := func(document []byte, pictures ...[]byte) (b []byte, contentType string) {
		var out bytes.Buffer
		w := multipart.NewWriter(&out)
		for i, p := range append([][]byte{document}, pictures...) {
			part, err := w.CreateFormFile([]string{"document", "picture"}[min(i, 1)], "part")
			if err == nil {
				_, err = part.Write(p)
			}
			if err != nil {
				t.Fatal(err)
			}
		}
		if err := w.Close(); err != nil {
			t.Fatal(err)
		}
		return out.Bytes(), w.FormDataContentType()
	}
	document := rep.Document().Encode()
	for name, c := range map[string]struct {
		path, lost string
		pictures   [][]byte
	}{
		"all that is needed is in the project": {"/api/copies?project=1", "", nil},
		"the page has the tiles":               {"/api/copies?project=99", "", [][]byte{[]byte("moss"), []byte(strip)}},
		"the tiles are lost":                   {"/api/copies", "Moss+tiles", nil},
	} {
		body, contentType := form(document, c.pictures...)
		res, bundle := v.ask(t, "POST", c.path, body, "Content-Type", contentType)
		if res.StatusCode != 200 || res.Header.Get("Azzel-Lost") != c.lost {
			t.Errorf("%s: %d, lost is %q", name, res.StatusCode, res.Header.Get("Azzel-Lost"))
			continue
		}
		res, text := v.ask(t, "POST", "/api/bundles", []byte(bundle))
		var made ProjectCard
		if err := json.Unmarshal([]byte(text), &made); err != nil || res.StatusCode != 201 {
			t.Errorf("%s: %d %s", name, res.StatusCode, text)
			continue
		}
		id, _ := strconv.ParseInt(made.ID, 10, 64)
		back, _, err := v.store.Load(t.Context(), id)
		if err != nil {
			t.Fatal(err)
		}
		if got := back.Maps[0].Layer(m.PlayerLayer).Cells.At(grid.Point{X: 1, Y: 1}); hand.TileName(back, got) != hand.TileName(rep.Document(), grid.Cell(taken.First+2)) {
			t.Errorf("%s: painted is %v", name, hand.TileName(back, got))
		}
		if c.lost == "" {
			if body, err := v.store.Blob(t.Context(), id, taken.Strip); err != nil || string(body) != strip {
				t.Errorf("%s: its tiles are others (%v)", name, err)
			}
		}
	}
	good, contentType := form(document)
	bad, other := form([]byte("moss"))
	for name, c := range map[string]struct {
		body        []byte
		contentType string
	}{"nothing": {nil, contentType}, "no form": {document, "application/octet-stream"}, "no sort": {good, ""}, "cut short": {good[:len(good)-60], contentType}, "no document": {bad, other},
		"another boundary": {good, other}} {
		if res, text := v.ask(t, "POST", "/api/copies?project=1", c.body, "Content-Type", c.contentType); res.StatusCode != 422 || !strings.Contains(text, "could not be read") {
			t.Errorf("%s: %d %s", name, res.StatusCode, text)
		}
	}
}

// A project that is deleted can't be opened, lets go of its pages, and stands in the list of those that can be brought
// back, from where it comes back as it was.
func TestDeleteRoutes(t *testing.T) {
	v := newServer(t)
	m := newMember(4)
	room := v.rooms.one(t)
	if err := room.join(t.Context(), m, 0); err != nil {
		t.Fatal(err)
	}
	d := room.doc
	says := func(method, path string, code int, text string) {
		t.Helper()
		if res, got := v.ask(t, method, path, nil); res.StatusCode != code || !strings.Contains(got, text) {
			t.Errorf("%s %s: %d %s, want %d and %q", method, path, res.StatusCode, got, code, text)
		}
	}
	says("GET", "/api/deleted", 200, "[]")
	says("DELETE", "/api/projects/1", 204, "")
	select {
	case <-m.gone:
	default:
		t.Error("a page is kept in a project that was deleted")
	}
	if err := room.submit(t.Context(), 4, paint(d, 1, 3, 4)); err == nil {
		t.Error("a step is taken in a project that was deleted")
	}
	says("GET", "/api/projects", 200, "[]")
	says("GET", "/api/projects/1/opening", 404, "may have been deleted")
	says("GET", "/api/projects/1/ready", 404, "may have been deleted")
	says("DELETE", "/api/projects/1", 404, "may have been deleted")
	says("GET", "/api/deleted", 200, `"name":"Ferns","days":7`)
	says("POST", "/api/deleted/1/back", 200, `"name":"Ferns"`)
	says("POST", "/api/deleted/1/back", 404, "not there")
	says("GET", "/api/projects/1/ready", 204, "")
	if err := v.rooms.one(t).submit(t.Context(), 4, paint(d, 1, 3, 4)); err != nil {
		t.Errorf("brought back it takes no step: %v", err)
	}
}

// A project is made, listed, opened and drawn; its picture is drawn anew only
// when it has changed.
func TestProjectRoutes(t *testing.T) {
	v := newServer(t)
	res, text := v.ask(t, "POST", "/api/projects", []byte(`{"name":"Mosses","cellW":8,"cellH":12,"seenW":9,"seenH":9}`), "Content-Type", "application/json")
	var made ProjectCard
	if err := json.Unmarshal([]byte(text), &made); err != nil || res.StatusCode != 201 || made.Name != "Mosses" {
		t.Fatalf("%d %s", res.StatusCode, text)
	}
	path := "/api/projects/" + made.ID
	var list []ProjectCard
	if _, text := v.ask(t, "GET", "/api/projects", nil); json.Unmarshal([]byte(text), &list) != nil || len(list) != 2 || list[0] != made {
		t.Errorf("listed are %s", text)
	}
	res, text = v.ask(t, "GET", path+"/opening", nil)
	o, err := edit.DecodeOpening([]byte(text), nil)
	session := res.Header.Get("Azzel-Session")
	if err != nil || o.Document.Project.CellH != 12 || session == "" || res.Header.Get("Azzel-Pictures") != "" {
		t.Fatalf("opened is %+v for session %q (%v)", o, session, err)
	}
	if res, _ := v.ask(t, "GET", path+"/opening?session="+session, nil); res.Header.Get("Azzel-Session") != session {
		t.Error("a page that comes back is another session")
	}
	if res, _ := v.ask(t, "GET", path+"/opening", nil); res.Header.Get("Azzel-Session") == session {
		t.Error("two pages are one session")
	}
	res, text = v.ask(t, "GET", path+"/picture", nil)
	img, err := png.Decode(strings.NewReader(text))
	if err != nil || img.Bounds().Dx() > pictureSide || img.Bounds().Dy() > pictureSide {
		t.Fatalf("the picture: %v", err)
	}
	tag := res.Header.Get("ETag")
	if res, _ := v.ask(t, "GET", path+"/picture", nil, "If-None-Match", tag); res.StatusCode != 304 {
		t.Errorf("an unchanged picture is drawn again: %d", res.StatusCode)
	}
	res, text = v.ask(t, "GET", path+"/board", nil)
	img, err = png.Decode(strings.NewReader(text))
	bounds := o.Document.Maps[0].OnBoard()
	box := fmt.Sprintf("%d %d %d %d 8", bounds.X*8, bounds.Y*12, bounds.W*8, bounds.H*12)
	if err != nil || res.Header.Get("Azzel-Box") != box || img.Bounds().Dx()*bounds.H*12 != img.Bounds().Dy()*bounds.W*8 {
		t.Fatalf("the board: %q, want %q (%v)", res.Header.Get("Azzel-Box"), box, err)
	}
	boardTag := res.Header.Get("ETag")
	if res, _ := v.ask(t, "GET", path+"/board", nil, "If-None-Match", boardTag); res.StatusCode != 304 {
		t.Errorf("an unchanged board is sent again: %d", res.StatusCode)
	}
	step := paint(o.Document, 1, 2, 3)
	if res, text := v.ask(t, "POST", path+"/edits?session="+session, step); res.StatusCode != 204 {
		t.Fatalf("a step: %d %s", res.StatusCode, text)
	}
	if res, _ := v.ask(t, "GET", path+"/picture", nil, "If-None-Match", tag); res.StatusCode != 200 || res.Header.Get("ETag") == tag {
		t.Errorf("a changed picture is not drawn again: %d", res.StatusCode)
	}
	if res, now := v.ask(t, "GET", path+"/board", nil, "If-None-Match", boardTag); res.StatusCode != 200 || now == text {
		t.Errorf("a changed board is not drawn again: %d", res.StatusCode)
	}
	_, text = v.ask(t, "GET", path+"/opening?session="+session, nil)
	if o, err := edit.DecodeOpening([]byte(text), nil); err != nil || o.Revision != 1 || o.Sequence != 1 || len(o.Records) != 1 || o.Records[0].Label != "paint" {
		t.Errorf("opened again it is at %d with %+v (%v)", o.Revision, o.Records, err)
	}
	_, text = v.ask(t, "GET", path+"/steps?before=2&session="+session, nil)
	if earlier, err := edit.DecodeRecords([]byte(text)); err != nil || len(earlier) != 1 || earlier[0].Sequence != 1 {
		t.Errorf("before its second step a session did %+v (%v)", earlier, err)
	}
	_, text = v.ask(t, "GET", path+"/steps?before=2&session=77", nil)
	if earlier, err := edit.DecodeRecords([]byte(text)); err != nil || len(earlier) != 0 {
		t.Errorf("another session did %+v (%v)", earlier, err)
	}
}

// The front end's files are given as they are kept, compressed where the
// browser takes it; every other address is the one page; all carry the rules of
// what a page may do.
func TestFiles(t *testing.T) {
	v := newServer(t)
	for _, c := range []struct{ path, accept, body, kind, cache string }{
		{"/", "", "<p>the page", "text/html", "no-cache"},
		{"/project/1", "br", "<p>the page", "text/html", "no-cache"},
		{"/secrets/passwords", "", "<p>the page", "text/html", "no-cache"},
		{"/assets/app.js", "", "let moss", "javascript", "immutable"},
		{"/assets/app.js", "gzip, br", "compressed", "javascript", "immutable"},
		{"/assets/core.wasm", "br", "\x00asm", "application/wasm", "immutable"},
	} {
		res, text := v.ask(t, "GET", c.path, nil, "Accept-Encoding", c.accept)
		if res.StatusCode != 200 || text != c.body || !strings.Contains(res.Header.Get("Content-Type"), c.kind) || !strings.Contains(res.Header.Get("Cache-Control"), c.cache) {
			t.Errorf("%s (%s): %d %q as %s, kept %s", c.path, c.accept, res.StatusCode, text, res.Header.Get("Content-Type"), res.Header.Get("Cache-Control"))
		}
		if !strings.Contains(res.Header.Get("Content-Security-Policy"), "default-src 'self'") || res.Header.Get("X-Content-Type-Options") != "nosniff" || res.Header.Get("Referrer-Policy") != "no-referrer" {
			t.Errorf("%s lacks the rules of what a page may do", c.path)
		}
	}
	if res, text := v.ask(t, "GET", "/healthz", nil); res.StatusCode != 200 || text != Well {
		t.Errorf("its health is %q", text)
	}
	if res, _ := v.ask(t, "GET", "/readyz", nil); res.StatusCode != 200 {
		t.Error("it is not ready")
	}
	v.store.Close()
	res, text := v.ask(t, "GET", "/readyz", nil)
	if res.StatusCode != 503 || !strings.Contains(text, "database does not answer") {
		t.Errorf("without a database it is %d %q", res.StatusCode, text)
	}
}
