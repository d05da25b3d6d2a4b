package main

import (
	"archive/zip"
	"bytes"
	"encoding/json"
	"os"
	"strings"
	"testing"

	"azzel/core/exchange"
	"azzel/core/play/generate"
	"azzel/core/world"

	"github.com/santhosh-tekuri/jsonschema/v6"
)

// The golden bundle keeps to the schemas that are written of it, and what is wrong
// does not.
func TestSchemas(t *testing.T) {
	compiler := jsonschema.NewCompiler()
	schemas := map[string]*jsonschema.Schema{}
	for name, part := range parts {
		text, err := schema("../..", name, part)
		if err != nil {
			t.Fatal(err)
		}
		doc, err := jsonschema.UnmarshalJSON(strings.NewReader(string(text)))
		if err != nil {
			t.Fatal(err)
		}
		if err := compiler.AddResource(name+".json", doc); err != nil {
			t.Fatal(err)
		}
		if schemas[name], err = compiler.Compile(name + ".json"); err != nil {
			t.Fatal(err)
		}
	}
	golden, err := os.ReadFile("../../core/exchange/testdata/version1.zip")
	if err != nil {
		t.Fatal(err)
	}
	checked := map[string]int{}
	for _, f := range append(parted(t, golden), parted(t, moving(t))...) {
		if !strings.HasSuffix(f.Name, ".json") {
			continue
		}
		folder, _, within := strings.Cut(f.Name, "/")
		kind := map[string]string{"maps": "map", "tilesets": "tileset", "patches": "patch"}[folder]
		if !within {
			kind = "bundle"
		}
		r, err := f.Open()
		if err != nil {
			t.Fatal(err)
		}
		var body map[string]any
		if err := json.NewDecoder(r).Decode(&body); err != nil {
			t.Fatal(err)
		}
		checked[kind]++
		if err := schemas[kind].Validate(body); err != nil {
			t.Errorf("%s: %v", f.Name, err)
		}
		body["moons"] = 3
		if schemas[kind].Validate(body) == nil {
			t.Errorf("%s may hold what is not known", f.Name)
		}
	}
	if checked["bundle"] != 2 || checked["map"] < 2 || checked["tileset"] != 3 || checked["patch"] < 1 {
		t.Errorf("checked %v", checked)
	}
}

// moving is a bundle with what the golden one is too old for: maps seen from the side, somebody
// who moves in a way of their own, and pieces that act.
func moving(t *testing.T) []byte {
	t.Helper()
	for seed := range uint64(100) {
		d, err := generate.World(seed)
		if err != nil {
			t.Fatal(err)
		}
		if d.Project.Player == 0 || d.Maps[0].View != world.SideView {
			continue
		}
		var b bytes.Buffer
		if err := exchange.Write(&b, d, func(string) ([]byte, error) { return nil, os.ErrNotExist }, func() error { return nil }); err != nil {
			t.Fatal(err)
		}
		return b.Bytes()
	}
	t.Fatal("no world has somebody who moves in a way of their own")
	return nil
}

// parted are the parts of a bundle.
func parted(t *testing.T, bundle []byte) []*zip.File {
	t.Helper()
	z, err := zip.NewReader(bytes.NewReader(bundle), int64(len(bundle)))
	if err != nil {
		t.Fatal(err)
	}
	return z.File
}
