package server

import (
	"bytes"
	"encoding/json"
	"math/rand/v2"
	"strconv"
	"strings"
	"testing"
	"time"

	"azzel/core/edit"
	"azzel/core/edit/generate"
	"azzel/core/tiles"
	"azzel/core/world"
)

// do takes a step in the room of project 1.
func (v *Server) do(t *testing.T, rep *edit.Replica, session int64, e edit.Edit) bool {
	t.Helper()
	_, message, err := rep.Do(e)
	if err != nil {
		return false
	}
	if err := v.rooms.one(t).submit(t.Context(), session, message); err != nil {
		t.Fatal(err)
	}
	return true
}

// A project goes out as a bundle, comes in as another project, and goes out as the
// same bytes; its maps and layers go out alone. Painting goes on with what came in.
func TestBundleOverTheServer(t *testing.T) {
	v := newServer(t)
	rep := begin(t, v.rooms.one(t), 5)
	a := generate.Author{Rand: rand.New(rand.NewPCG(3, 9)), IDs: &world.Counter{Prefix: 900}}
	for range 120 {
		v.do(t, rep, 5, a.Edit(rep.Document()))
	}
	res, first := v.ask(t, "GET", "/api/projects/1/bundle", nil)
	if res.StatusCode != 200 || !strings.Contains(res.Header.Get("Content-Disposition"), ".zip") {
		t.Fatalf("%d %v %.80q", res.StatusCode, res.Header, first)
	}
	res, answer := v.ask(t, "POST", "/api/bundles", []byte(first))
	if res.StatusCode != 201 {
		t.Fatalf("%d %s", res.StatusCode, answer)
	}
	var made ProjectCard
	if err := json.Unmarshal([]byte(answer), &made); err != nil {
		t.Fatal(err)
	}
	if _, second := v.ask(t, "GET", "/api/projects/"+made.ID+"/bundle", nil); second != first {
		t.Error("out, in and out again gave other bytes")
	}
	// New ids of a page never meet those that came in.
	res, answer = v.ask(t, "GET", "/api/projects/"+made.ID+"/opening", nil)
	opening, err := edit.DecodeOpening([]byte(answer), nil)
	if err != nil || opening.Document.UsesPrefix(opening.Prefix) {
		t.Errorf("%d: a page was given ids that are taken: %v", res.StatusCode, err)
	}
	m := rep.Document().Maps[0]
	at := "/api/projects/1/maps/" + idText(m.ID)
	res, body := v.ask(t, "GET", at+"/picture?scale=2", nil)
	if res.StatusCode != 200 || !strings.HasPrefix(body, "\x89PNG") {
		t.Errorf("the map's picture: %d %.80q", res.StatusCode, body)
	}
	res, body = v.ask(t, "GET", at+"/layers/"+idText(m.Layers[0].ID)+"/cells", nil)
	if lines := strings.Count(body, "\r\n"); res.StatusCode != 200 || lines != m.Bounds.H || !strings.Contains(body, "a") {
		t.Errorf("the layer's cells: %d, %d rows %.80q", res.StatusCode, lines, body)
	}
	for path, says := range map[string]string{
		at + "/picture?scale=3":                     "1 : 1, 2, 4 or 8",
		at + "/picture?scale=moss":                  "is no number",
		at + "/layers/77/cells":                     "layer is not there",
		"/api/projects/1/maps/77/picture":           "map is not there",
		"/api/projects/1/maps/../../../etc/picture": "nothing at this address",
	} {
		if res, body := v.ask(t, "GET", path, nil); res.StatusCode < 400 || res.StatusCode >= 500 || !strings.Contains(body, says) {
			t.Errorf("%s: %d %s; want %q", path, res.StatusCode, body, says)
		}
	}
	for _, bad := range []string{"", "leaf", first[:len(first)/2], strings.Replace(first, "bundle.json", "bungle.json", -1)} {
		res, body := v.ask(t, "POST", "/api/bundles", []byte(bad))
		if res.StatusCode != 422 || !strings.Contains(body, "bundle") {
			t.Errorf("a bad bundle: %d %s", res.StatusCode, body)
		}
	}
	if _, list := v.ask(t, "GET", "/api/projects", nil); strings.Count(list, `"id"`) != 2 {
		t.Errorf("bad bundles left projects behind: %s", list)
	}
}

// States are kept by name, and by themselves when the last one is an hour old; each is
// the document that was, whatever happens later, and sweeping leaves it whole.
func TestVersions(t *testing.T) {
	v := newServer(t)
	room := v.rooms.one(t)
	rep := begin(t, room, 5)
	a := generate.Author{Rand: rand.New(rand.NewPCG(8, 9)), IDs: &world.Counter{Prefix: 900}}
	was := map[string][]byte{}
	for i := range 90 {
		v.do(t, rep, 5, a.Edit(rep.Document()))
		if i%30 == 0 {
			before := rep.Document().Encode()
			res, answer := v.ask(t, "POST", "/api/projects/1/states", []byte(`{"name":" Before the storm "}`), "Content-Type", "application/json")
			var k Version
			if err := json.Unmarshal([]byte(answer), &k); err != nil || res.StatusCode != 201 || k.Name != "Before the storm" || !k.Now {
				t.Fatalf("%d %s", res.StatusCode, answer)
			}
			was[k.ID] = before
		}
	}
	if is, err := v.store.Tidy(t.Context(), time.Now().Add(25*time.Hour)); err != nil || is.Blobs == 0 {
		t.Errorf("swept %+v: %v", is, err)
	}
	for id, want := range was {
		res, body := v.ask(t, "GET", "/api/projects/1/states/"+id, nil)
		if res.StatusCode != 200 || !bytes.Equal([]byte(body), want) {
			t.Errorf("the version %s is not what was kept (%d)", id, res.StatusCode)
		}
	}
	count := func(want int, why string) []Version {
		t.Helper()
		_, answer := v.ask(t, "GET", "/api/projects/1/states", nil)
		var list []Version
		if err := json.Unmarshal([]byte(answer), &list); err != nil || len(list) != want {
			t.Fatalf("%s: %d versions, want %d: %s", why, len(list), want, answer)
		}
		return list
	}
	count(4, "three by name and the one before the first step")
	room.kept = time.Now().Add(-2 * keepEvery)
	for !v.do(t, rep, 5, a.Edit(rep.Document())) {
	}
	list := count(4, "the new one of this hour took the place of the old")
	if list[0].Name != "" || list[0].Now {
		t.Errorf("the newest is %+v", list[0])
	}
	path := "/api/projects/1/states/" + list[0].ID
	if res, _ := v.ask(t, "PUT", path, []byte(`{"name":"Dry again"}`), "Content-Type", "application/json"); res.StatusCode != 204 {
		t.Errorf("naming: %d", res.StatusCode)
	}
	if list := count(4, "named"); list[0].Name != "Dry again" {
		t.Errorf("the name is %q", list[0].Name)
	}
	if res, _ := v.ask(t, "DELETE", path, nil); res.StatusCode != 204 {
		t.Errorf("removing: %d", res.StatusCode)
	}
	count(3, "removed")
	for _, c := range []struct{ method, path, body string }{
		{"GET", path, ""}, {"DELETE", path, ""}, {"PUT", path, `{"name":"Gone"}`}, {"GET", "/api/projects/1/states/moss", ""},
		{"GET", "/api/projects/2/states", ""}, {"POST", "/api/projects/1/states", `{"name":" "}`}, {"POST", "/api/projects/2/states", `{"name":"Fern"}`},
	} {
		if res, body := v.ask(t, c.method, c.path, []byte(c.body), "Content-Type", "application/json"); res.StatusCode != 404 && res.StatusCode != 422 {
			t.Errorf("%s %s: %d %s", c.method, c.path, res.StatusCode, body)
		}
	}
}

func idText(id world.ID) string { return strconv.FormatUint(uint64(id), 10) }

// A layer can't be given a backdrop that is not there, or belongs to another project.
func TestBackdropMustBeThere(t *testing.T) {
	v := newServer(t)
	rm := v.rooms.one(t)
	rep := begin(t, rm, 5)
	m := rep.Document().Maps[0]
	l := *m.Layers[0]
	l.Backdrop = world.Backdrop{Picture: strings.Repeat("ab", 32), W: 8, H: 8}
	e := edit.Edit{Label: "a backdrop", Parts: edit.Changes(world.Ref{Sort: world.SortLayer, Map: m.ID, ID: l.ID}, m.Layers[0].Values(), l.Values())}
	before := rm.revision
	if !v.do(t, rep, 5, e) || rm.revision != before {
		t.Errorf("a backdrop that is nowhere was taken: revision %d", rm.revision)
	}
	sums, err := v.store.AddBlobs(t.Context(), rm.project, []byte("a picture"))
	if err != nil {
		t.Fatal(err)
	}
	next := begin(t, rm, 6)
	l.Backdrop.Picture = sums[0]
	e.Parts = edit.Changes(world.Ref{Sort: world.SortLayer, Map: m.ID, ID: l.ID}, m.Layers[0].Values(), l.Values())
	if !v.do(t, next, 6, e) || rm.revision != before+1 {
		t.Errorf("a backdrop that is there was not taken: revision %d", rm.revision)
	}
}

// A character can't be given a sheet that is not there, or has other frames than it says; either way
// nothing of the step is kept.
func TestSheetMustBeThere(t *testing.T) {
	v := newServer(t)
	rm := v.rooms.one(t)
	porter := world.Character{ID: 1 << 40, Name: "Night porter"}
	ref := world.Ref{Sort: world.SortCharacter, ID: porter.ID}
	rep := begin(t, rm, 7)
	revision := rm.revision
	if !v.do(t, rep, 7, edit.Edit{Label: "a character", Parts: []edit.Part{edit.Put{Ref: ref, Values: porter.Values()}}}) || rm.revision != revision+1 {
		t.Fatalf("a character without a sheet was not taken: revision %d", rm.revision)
	}
	strip := &tiles.Strip{W: 8, H: 16, Columns: 2, Rows: 1, Places: []int{0, 1}, Pixels: make([]byte, 2*8*16*4)}
	strip.Pixels[3], strip.Pixels[8*16*4] = 255, 9
	sums, err := v.store.AddBlobs(t.Context(), rm.project, []byte("a sheet"), strip.Encode())
	if err != nil {
		t.Fatal(err)
	}
	nowhere := strings.Repeat("cd", 32)
	for i, c := range []struct {
		what, picture, strip string
		frames               int
		taken                bool
	}{
		{"a picture that is nowhere", nowhere, sums[1], 2, false},
		{"frames that are nowhere", sums[0], nowhere, 2, false},
		{"a picture for its frames", sums[0], sums[0], 2, false},
		{"more frames than there are", sums[0], sums[1], 3, false},
		{"the sheet that is there", sums[0], sums[1], 2, true},
	} {
		session := int64(8 + i)
		rep := begin(t, rm, session)
		is := porter
		is.Picture, is.Strip, is.W, is.H, is.Count = c.picture, c.strip, 8, 16, c.frames
		revision := rm.revision
		if !v.do(t, rep, session, edit.Edit{Label: "a sheet", Parts: edit.Changes(ref, porter.Values(), is.Values())}) {
			t.Fatalf("%s got no answer", c.what)
		}
		if (rm.revision != revision) != c.taken {
			t.Errorf("%s: taken is %t, not %t", c.what, rm.revision != revision, c.taken)
		}
		if got := rm.doc.Character(porter.ID).Picture != ""; got != c.taken {
			t.Errorf("%s: the character has a sheet is %t, not %t", c.what, got, c.taken)
		}
	}
	// The same counts for one of its properties alone; what says nothing of a sheet needs none.
	other := world.Character{ID: 1<<40 + 1, Name: "Stoker"}
	ref = world.Ref{Sort: world.SortCharacter, ID: other.ID}
	strayed := world.Character{Picture: sums[0], Strip: nowhere, W: 8, H: 16, Count: 2}
	for i, c := range []struct {
		what  string
		e     edit.Part
		taken bool
	}{
		{"another character", edit.Put{Ref: ref, Values: other.Values()}, true},
		{"its name", edit.Change{Ref: ref, Value: world.TextValue(world.FieldName, "Night stoker")}, true},
		{"a strip alone that is nowhere", valueOf(world.Ref{Sort: world.SortCharacter, ID: porter.ID}, strayed, world.FieldSheet+1), false},
		{"a character whose sheet is nowhere", edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: 1<<40 + 2}, Values: (&world.Character{Name: "Third", Picture: nowhere, Strip: nowhere, W: 8, H: 16, Count: 2}).Values()}, false},
		{"a character whose sheet is there", edit.Put{Ref: world.Ref{Sort: world.SortCharacter, ID: 1<<40 + 3}, Values: (&world.Character{Name: "Fourth", Picture: sums[0], Strip: sums[1], W: 8, H: 16, Count: 2}).Values()}, true},
		{"a tileset whose picture is nowhere", edit.Put{Ref: world.Ref{Sort: world.SortTileset, ID: 1<<40 + 4}, Values: twoTiles(nowhere, sums[1])}, false},
		{"a tileset whose tiles are nowhere", edit.Put{Ref: world.Ref{Sort: world.SortTileset, ID: 1<<40 + 5}, Values: twoTiles(sums[0], nowhere)}, false},
		{"a tileset that is there", edit.Put{Ref: world.Ref{Sort: world.SortTileset, ID: 1<<40 + 6}, Values: twoTiles(sums[0], sums[1])}, true},
	} {
		revision, session := rm.revision, int64(20+i)
		if !v.do(t, begin(t, rm, session), session, edit.Edit{Label: c.what, Parts: []edit.Part{c.e}}) {
			t.Fatalf("%s got no answer", c.what)
		}
		if (rm.revision != revision) != c.taken {
			t.Errorf("%s: taken is %t, not %t", c.what, rm.revision != revision, c.taken)
		}
	}
}

// twoTiles are the values of a tileset of two tiles.
func twoTiles(picture, strip string) []world.Value {
	set := world.Tileset{Name: "Moss", Picture: picture, Strip: strip, First: 5000, Count: 2, Columns: 2, Rows: 1, Places: []int{0, 1}, Cut: tiles.Cut{W: 16, H: 16}, Tiles: make([]*tiles.Properties, 2)}
	return set.Values()
}

// valueOf changes one property of a character to what another has.
func valueOf(ref world.Ref, c world.Character, field world.Field) edit.Change {
	for _, v := range c.Values() {
		if v.Field == field {
			return edit.Change{Ref: ref, Value: v}
		}
	}
	return edit.Change{Ref: ref}
}

// A state that was kept within the hour is the last one for a room that was read anew, and a page is told ahead of the
// pictures that it will ask for.
func TestReadAnew(t *testing.T) {
	v := newServer(t)
	room := v.rooms.one(t)
	d := room.doc
	count := func(want int) {
		t.Helper()
		if list, err := v.store.Versions(t.Context(), 1); err != nil || len(list) != want {
			t.Errorf("%d states are kept (%v), want %d", len(list), err, want)
		}
	}
	count(0)
	if err := room.submit(t.Context(), 1, paint(d, 1, 3, 4)); err != nil {
		t.Fatal(err)
	}
	count(1)
	v.rooms.giveUpBefore(time.Now().Add(time.Hour))
	if err := v.rooms.one(t).submit(t.Context(), 1, paint(d, 2, 4, 4)); err != nil {
		t.Fatal(err)
	}
	count(1)
	first, second := strings.Repeat("a1", 32), strings.Repeat("b2", 32)
	room = v.rooms.one(t)
	for i, strip := range []string{first, second} {
		set := &world.Tileset{ID: world.ID(900 + i), Name: "Moss", Picture: strip, Strip: strip, First: 1000 + i, Count: 1, Columns: 1, Rows: 1, Places: []int{0}, Cut: tiles.Cut{W: 16, H: 16}, Tiles: make([]*tiles.Properties, 1)}
		res, err := edit.Apply(room.doc, edit.Edit{Parts: []edit.Part{edit.Put{Ref: world.Ref{Sort: world.SortTileset, ID: set.ID}, Values: set.Values()}}})
		if err != nil {
			t.Fatal(err)
		}
		room.doc = res.Document
	}
	if got := strings.Join(firstPictures(room.doc), ","); got != first+","+second {
		t.Errorf("told ahead is %s", got)
	}
}
