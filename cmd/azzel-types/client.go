package main

import (
	"bytes"
	"encoding/json"
	"fmt"
	"reflect"

	"azzel/core/page"
)

// client is the TypeScript through which the page gives orders and asks questions: a method for each.
func client() []byte {
	var out bytes.Buffer
	out.WriteString(`// Written by cmd/azzel-types. Do not change it by hand.
import type * as T from './types.gen';

/** Where orders go: what comes of each is heard once it was done. */
export type Give = (name: string, order: object, attached: Uint8Array[]) => Promise<T.Reply>;

/** Where questions go; otherwise is the answer while there is no core. */
export interface Ask {
  value<A>(name: string, question: object, otherwise: A): A;
  bytes(name: string, question: object): Uint8Array;
  picture(name: string, question: object): ImageData | null;
}

/** All that the core can be asked to do. */
export class Orders {
  constructor(private readonly give: Give) {}
`)
	for _, o := range page.Orders() {
		t := reflect.TypeOf(o)
		said, attached := fields(t)
		var parameters, values string
		switch {
		case said && attached:
			parameters, values = "o: T."+t.Name()+", ...attached: Uint8Array[]", "o, attached"
		case said:
			parameters, values = "o: T."+t.Name(), "o, []"
		case attached:
			parameters, values = "...attached: Uint8Array[]", "{}, attached"
		default:
			values = "{}, []"
		}
		fmt.Fprintf(&out, "\n  %s(%s): Promise<T.Reply> {\n    return this.give('%s', %s);\n  }\n", page.NameOf(o), parameters, page.NameOf(o), values)
	}
	out.WriteString("}\n\n/** All that the core can be asked. */\nexport class Questions {\n  constructor(private readonly ask: Ask) {}\n")
	for _, q := range page.Questions() {
		t := reflect.TypeOf(q.Question)
		said, _ := fields(t)
		parameters, value := "", "{}"
		if said {
			parameters, value = "q: T."+t.Name(), "q"
		}
		name := page.NameOf(q.Question)
		switch q.Otherwise.(type) {
		case page.Picture:
			fmt.Fprintf(&out, "\n  %s(%s): ImageData | null {\n    return this.ask.picture('%s', %s);\n  }\n", name, parameters, name, value)
		case []byte:
			fmt.Fprintf(&out, "\n  %s(%s): Uint8Array {\n    return this.ask.bytes('%s', %s);\n  }\n", name, parameters, name, value)
		default:
			otherwise, err := json.Marshal(q.Otherwise)
			if err != nil {
				panic(err)
			}
			fmt.Fprintf(&out, "\n  %s(%s): %s {\n    return this.ask.value('%s', %s, %s);\n  }\n", name, parameters, inClient(reflect.TypeOf(q.Otherwise)), name, value, otherwise)
		}
	}
	out.WriteString("}\n")
	return out.Bytes()
}

// fields reports whether an order or a question says anything, and whether bytes come with it.
func fields(t reflect.Type) (said, attached bool) {
	for i := range t.NumField() {
		if t.Field(i).Tag.Get("json") == "-" {
			attached = true
		} else {
			said = true
		}
	}
	return said, attached
}

// answer writes the type of the answer to a question.
func answer(out *bytes.Buffer, q page.Asking, done map[reflect.Type]bool) {
	switch q.Otherwise.(type) {
	case page.Picture, []byte:
	default:
		typeName(out, reflect.TypeOf(q.Otherwise), done)
	}
}

// inClient is the name of a type as the client sees it.
func inClient(t reflect.Type) string {
	switch t.Kind() {
	case reflect.Pointer:
		return inClient(t.Elem()) + " | null"
	case reflect.Slice:
		return inClient(t.Elem()) + "[]"
	case reflect.Struct:
		return "T." + t.Name()
	}
	return typeName(nil, t, nil)
}
