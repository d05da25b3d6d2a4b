// Command azzel-schema writes the JSON Schemas of a bundle's parts to docs/schema, from
// the types that read them. With -check it only reports whether they are current.
package main

import (
	"bytes"
	"encoding/json"
	"flag"
	"fmt"
	"os"
	"path/filepath"

	"github.com/invopop/jsonschema"

	"azzel/core/exchange"
)

// parts are what is described, by the name of its schema.
var parts = map[string]any{"bundle": exchange.Bundle{}, "tileset": exchange.Tileset{}, "map": exchange.Map{}, "patch": exchange.Patch{}, "replay": exchange.Replay{}}

func main() {
	check := flag.Bool("check", false, "report whether the files are current")
	folder := flag.String("o", "docs/schema", "the folder to write")
	flag.Parse()
	if err := run(*check, *folder); err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
}

func run(check bool, folder string) error {
	for name, part := range parts {
		text, err := schema(".", name, part)
		if err != nil {
			return err
		}
		file := filepath.Join(folder, name+".json")
		if !check {
			if err := os.WriteFile(file, text, 0o644); err != nil {
				return err
			}
			continue
		}
		if have, err := os.ReadFile(file); err != nil || !bytes.Equal(have, text) {
			return fmt.Errorf("%s is not current: run ./run generate", file)
		}
	}
	return nil
}

// schema describes one part, with what the comments of its type say in the source
// below root.
func schema(root, name string, part any) ([]byte, error) {
	r := jsonschema.Reflector{Anonymous: true}
	if err := r.AddGoComments("azzel", filepath.Join(root, "core/exchange")); err != nil {
		return nil, fmt.Errorf("reading the comments: %w", err)
	}
	s := r.Reflect(part)
	s.Title = "A " + name + " of an Azzel bundle"
	text, err := json.MarshalIndent(s, "", "  ")
	return append(text, '\n'), err
}
