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
	"reflect"

	"github.com/invopop/jsonschema"

	"azzel/core/appearance"
	"azzel/core/exchange"
	"azzel/core/kind"
	"azzel/core/logic"
)

// idPattern is how ids are written.
const idPattern = `^[0-9]+\.[0-9]+$`

// wordsPart is a part of words.
func wordsPart() *jsonschema.Schema {
	part := &jsonschema.Schema{Type: "object", Properties: jsonschema.NewProperties(), AdditionalProperties: jsonschema.FalseSchema, MinProperties: one(), MaxProperties: one()}
	part.Properties.Set("letters", &jsonschema.Schema{Type: "string", MinLength: one()})
	part.Properties.Set("fact", &jsonschema.Schema{Type: "string", Pattern: idPattern})
	part.Properties.Set("item", &jsonschema.Schema{Type: "string", Pattern: idPattern})
	return part
}

// one is the number of which a schema wants the address.
func one() *uint64 { return new(uint64(1)) }

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
	if err := r.AddGoComments("azzel", filepath.Join(root, "core/logic")); err != nil {
		return nil, fmt.Errorf("reading the comments: %w", err)
	}
	conditions := r.Reflect(logic.ConditionForm{})
	r.Mapper = func(t reflect.Type) *jsonschema.Schema {
		if t == reflect.TypeFor[exchange.Acting]() {
			return acting(r)
		}
		return nil
	}
	s := r.Reflect(part)
	// Conditions lie in one another, so that they are described once.
	for name, is := range conditions.Definitions {
		if s.Definitions["Piece"] != nil {
			s.Definitions[name] = is
		}
	}
	s.Title = "A " + name + " of an Azzel bundle"
	text, err := json.MarshalIndent(s, "", "  ")
	return append(text, '\n'), err
}

// acting describes what a piece sets, as kinds declare it.
func acting(r jsonschema.Reflector) *jsonschema.Schema {
	r.Mapper, r.DoNotReference = nil, true
	inline := func(part any) *jsonschema.Schema {
		s := r.Reflect(part)
		s.Version = ""
		return s
	}
	s := &jsonschema.Schema{Type: "object", Properties: jsonschema.NewProperties(), AdditionalProperties: jsonschema.FalseSchema,
		Description: "What a piece sets of the properties that its type has (docs/KINDS.md). What is not there is as usual."}
	for _, p := range kind.Props() {
		if exchange.InParts(p) || p.Sort == kind.Picture {
			continue
		}
		is := &jsonschema.Schema{Description: p.Help}
		whole := func(i int) *jsonschema.Schema {
			least, most := p.Ranges(i)
			return &jsonschema.Schema{Type: "integer", Minimum: json.Number(fmt.Sprint(least)), Maximum: json.Number(fmt.Sprint(most))}
		}
		switch p.Sort {
		case kind.YesNo:
			is.Type = "boolean"
		case kind.OwnState:
			is.Type = "string"
			for _, k := range kind.All() {
				for _, s := range k.States {
					is.Enum = append(is.Enum, s.Word)
				}
			}
		case kind.Choice, kind.Direction:
			is.Type = "string"
			for _, option := range p.Options {
				is.Enum = append(is.Enum, option)
			}
		case kind.Colour:
			is.Type, is.Pattern = "string", "^(#[0-9a-f]{6})?$"
		case kind.Reference:
			is.Type, is.Pattern = "string", idPattern
		case kind.Condition:
			is.Ref = "#/$defs/ConditionForm"
		case kind.Words:
			is.Type, is.Items = "array", wordsPart()
		case kind.Sayings:
			saying := &jsonschema.Schema{Type: "object", Properties: jsonschema.NewProperties(), AdditionalProperties: jsonschema.FalseSchema, Required: []string{"id", "text"}}
			saying.Properties.Set("id", &jsonschema.Schema{Type: "string", Pattern: idPattern})
			saying.Properties.Set("while", &jsonschema.Schema{Ref: "#/$defs/ConditionForm"})
			saying.Properties.Set("text", &jsonschema.Schema{Type: "array", Items: wordsPart()})
			is.Type, is.Items = "array", saying
		case kind.Offset:
			is.Type, is.Properties, is.Required = "object", jsonschema.NewProperties(), []string{"x", "y"}
			is.Properties.Set("x", whole(0))
			is.Properties.Set("y", whole(1))
			is.AdditionalProperties = jsonschema.FalseSchema
		case kind.Weights:
			is.Type, is.Properties, is.AdditionalProperties = "object", jsonschema.NewProperties(), jsonschema.FalseSchema
			for i, option := range p.Options {
				is.Properties.Set(option, whole(i))
			}
		default:
			number := whole(0)
			is.Type, is.Minimum, is.Maximum = number.Type, number.Minimum, number.Maximum
		}
		s.Properties.Set(p.Word, is)
	}
	s.PatternProperties = map[string]*jsonschema.Schema{"^picture(-[a-z-]+)?$": inline(appearance.Form{})}
	s.Properties.Set("sets", inline(exchange.Setting{}))
	// As it is, or as it was before there were conditions of several terms.
	while, _ := s.Properties.Get("while")
	s.Properties.Set("while", &jsonschema.Schema{Description: while.Description, OneOf: []*jsonschema.Schema{{Ref: while.Ref}, inline(exchange.Condition{})}})
	for _, old := range []string{"range", "strength"} {
		s.Properties.Set(old, &jsonschema.Schema{Type: "integer", Description: "Until version 1: had a meaning of its own for each type."})
	}
	return s
}
