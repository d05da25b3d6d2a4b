package server

import (
	"bytes"
	"encoding/json"
	"image"
	"image/png"
	"net/url"
	"strings"
	"testing"

	"azzel/core/tiles"
)

// A picture is taken in with tile numbers of its own each time, its bytes once;
// both can be fetched from its project and no other.
func TestTakingPictures(t *testing.T) {
	v := newServer(t)
	img := image.NewNRGBA(image.Rect(0, 0, 64, 32))
	for i := range img.Pix {
		img.Pix[i] = byte(i * 7)
		if i%4 == 3 {
			img.Pix[i] = 255
		}
	}
	var file bytes.Buffer
	if err := png.Encode(&file, img); err != nil {
		t.Fatal(err)
	}
	take := func(cut string) (TakenPicture, int) {
		res, text := v.ask(t, "POST", "/api/projects/1/tilesets?cut="+url.QueryEscape(cut), file.Bytes())
		var p TakenPicture
		if err := json.Unmarshal([]byte(text), &p); err != nil {
			t.Fatalf("%s: %s", cut, text)
		}
		return p, res.StatusCode
	}
	first, code := take(`{"w":16,"h":16}`)
	if code != 200 || first.Columns != 4 || first.Rows != 2 || len(first.Places) != 8 {
		t.Fatalf("%d: %+v", code, first)
	}
	again, _ := take(`{"w":16,"h":16}`)
	sheet := func(query string) (s TakenSheet, code int, text string) {
		res, text := v.ask(t, "POST", "/api/projects/1/characters"+query, file.Bytes())
		_ = json.Unmarshal([]byte(text), &s) // an answer that is none says nothing
		return s, res.StatusCode, text
	}
	if s, code, text := sheet("?w=8&h=16"); code != 200 || s.Columns != 8 || s.Rows != 2 || s.W != 8 || len(s.Places) != 16 || s.Picture != first.Picture {
		t.Errorf("as a sheet of frames of 8 × 16 px it is %d: %s", code, text)
	}
	var kept KeptPicture
	res, text := v.ask(t, "POST", "/api/projects/1/pictures", file.Bytes())
	if err := json.Unmarshal([]byte(text), &kept); err != nil || res.StatusCode != 200 || kept != (KeptPicture{first.Picture, 64, 32}) {
		t.Errorf("kept as it came it is %d: %s", res.StatusCode, text)
	}
	for _, bad := range [][]byte{nil, []byte("moss"), file.Bytes()[:file.Len()-20]} {
		if res, text := v.ask(t, "POST", "/api/projects/1/pictures", bad); res.StatusCode != 422 || !strings.Contains(text, "picture") {
			t.Errorf("%d bytes of a picture are kept: %d %s", len(bad), res.StatusCode, text)
		}
	}
	guessed := tiles.GuessFrames(img, 16, 16)
	if s, code, text := sheet(""); code != 200 || s.W != guessed.W || s.H != guessed.H {
		t.Errorf("as it is guessed, by %+v, it is %d: %.200s", guessed, code, text)
	}
	for _, bad := range []string{"?w=1&h=1", "?w=500&h=500", "?w=-4&h=9", "?w=8", "?h=16"} {
		if _, code, text := sheet(bad); code != 422 {
			t.Errorf("cut by %s it is %d: %.200s", bad, code, text)
		}
	}
	other, _ := take(`{"w":16,"h":8,"crop":{"x":16,"y":0,"w":32,"h":32}}`)
	if again.Picture != first.Picture || again.Strip != first.Strip || again.First != first.First+8 {
		t.Errorf("taken again it is %+v after %+v", again, first)
	}
	if other.Picture != first.Picture || other.Strip == first.Strip || other.First != again.First+8 || len(other.Places) != 8 {
		t.Errorf("cut another way it is %+v", other)
	}
	for apart, c := range map[string]struct{ code, cells int }{`{}`: {200, 8}, `{"w"`: {422, 0}, ``: {200, 0}} {
		res, text := v.ask(t, "POST", "/api/projects/1/tilesets?cut="+url.QueryEscape(`{"w":16,"h":16}`)+"&apart="+url.QueryEscape(apart), file.Bytes())
		var p TakenPicture
		if err := json.Unmarshal([]byte(text), &p); err != nil || res.StatusCode != c.code || len(p.Cells) != c.cells {
			t.Errorf("taken apart by %q it is %d: %.200s", apart, res.StatusCode, text)
		}
	}
	for sum, check := range map[string]func(string) bool{
		first.Picture: func(s string) bool { return s == file.String() },
		first.Strip: func(s string) bool {
			strip, err := tiles.DecodeStrip([]byte(s))
			return err == nil && len(strip.Places) == 8
		},
		other.Strip: func(s string) bool { strip, err := tiles.DecodeStrip([]byte(s)); return err == nil && strip.H == 8 },
	} {
		if res, text := v.ask(t, "GET", "/api/projects/1/blobs/"+sum, nil); res.StatusCode != 200 || !check(text) {
			t.Errorf("%s: %d with %d bytes", sum, res.StatusCode, len(text))
		}
	}
	if res, _ := v.ask(t, "POST", "/api/projects", []byte(`{"name":"Mosses","cellW":8,"cellH":12,"seenW":9,"seenH":9}`), "Content-Type", "application/json"); res.StatusCode != 201 {
		t.Fatal(res.StatusCode)
	}
	if res, _ := v.ask(t, "GET", "/api/projects/2/blobs/"+first.Picture, nil); res.StatusCode != 404 {
		t.Errorf("another project's picture is given: %d", res.StatusCode)
	}
}
