package main

import (
	"archive/zip"
	"encoding/json"
	"strings"
	"testing"

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
	z, err := zip.OpenReader("../../core/exchange/testdata/version1.zip")
	if err != nil {
		t.Fatal(err)
	}
	defer z.Close()
	checked := map[string]int{}
	for _, f := range z.File {
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
	if checked["bundle"] != 1 || checked["map"] < 1 || checked["tileset"] != 2 || checked["patch"] < 1 {
		t.Errorf("checked %v", checked)
	}
}
