// Command azzel-types writes the TypeScript of what core and server tell the browser, so that no such type is written twice,
// and the client that gives orders to the core and asks it. With -check it only reports whether the files are current.
package main

import (
	"bytes"
	"encoding/json"
	"flag"
	"fmt"
	"maps"
	"os"
	"path/filepath"
	"reflect"
	"slices"
	"strings"

	"azzel/core/desk"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/characters"
	roommaps "azzel/core/page/maps"
	"azzel/core/page/measure"
	"azzel/core/page/memory"
	"azzel/core/page/pieces"
	"azzel/core/page/replays"
	"azzel/core/page/supplies"
	"azzel/core/page/tilework"
	_ "azzel/core/page/view" // registers all orders and questions
	"azzel/core/page/wording"
	"azzel/core/play"
	"azzel/core/tiles"
	"azzel/core/world"
	"azzel/server"
)

var roots = []any{replays.ReplaysView{}, page.Reply{}, desk.Sheet{}, desk.Comparison{}, desk.Parts{}, desk.Colours{}, tilework.Legend{}, tiles.Apart{}, tiles.Markable{}, server.ProjectCard{},
	server.NewProject{}, server.TakenPicture{}, server.TakenSheet{}, server.KeptPicture{}, server.Version{}, server.DeletedProject{}, server.Bringing{}, server.Problem{}}

func main() {
	check := flag.Bool("check", false, "report whether the files are current")
	folder := flag.String("o", "web/src/core", "the folder to write into")
	flag.Parse()
	for name, text := range map[string][]byte{"types.gen.ts": generate(), "client.gen.ts": client()} {
		file := filepath.Join(*folder, name)
		if *check {
			have, err := os.ReadFile(file)
			if err != nil || !bytes.Equal(have, text) {
				fmt.Fprintf(os.Stderr, "%s is not current: run ./run generate\n", file)
				os.Exit(1)
			}
			continue
		}
		if err := os.WriteFile(file, text, 0o644); err != nil {
			fmt.Fprintln(os.Stderr, err)
			os.Exit(1)
		}
	}
}

func generate() []byte {
	var out bytes.Buffer
	out.WriteString("// Written by cmd/azzel-types. Do not change it by hand.\n")
	out.WriteString("\n/** Some of what can be set of something; what is left out stays as it is. */\n")
	out.WriteString("export type Part<T> = { [K in keyof T]?: T[K] extends unknown[] ? T[K] : T[K] extends object ? Part<T[K]> : T[K] };\n")
	done := map[reflect.Type]bool{}
	for _, r := range roots {
		write(&out, reflect.TypeOf(r), done)
	}
	for _, o := range page.Orders() {
		write(&out, reflect.TypeOf(o), done)
	}
	for _, q := range page.Questions() {
		write(&out, reflect.TypeOf(q.Question), done)
		answer(&out, q, done)
	}
	constants(&out)
	return out.Bytes()
}

func write(out *bytes.Buffer, t reflect.Type, done map[reflect.Type]bool) {
	if done[t] {
		return
	}
	done[t] = true
	var body bytes.Buffer
	var bases []string
	for i := range t.NumField() {
		f := t.Field(i)
		if f.Anonymous {
			bases = append(bases, typeName(out, f.Type, done))
			continue
		}
		name, option, _ := strings.Cut(f.Tag.Get("json"), ",")
		if name == "-" {
			continue
		}
		if option == "omitempty" {
			name += "?"
		}
		fmt.Fprintf(&body, "  %s: %s;\n", name, strings.TrimSuffix(typeName(out, f.Type, done), map[bool]string{true: " | null"}[option == "omitempty"]))
	}
	extends := ""
	if len(bases) > 0 {
		extends = " extends " + strings.Join(bases, ", ")
	}
	fmt.Fprintf(out, "\nexport interface %s%s {\n%s}\n", t.Name(), extends, body.String())
}

func typeName(out *bytes.Buffer, t reflect.Type, done map[reflect.Type]bool) string {
	if t == reflect.TypeFor[page.ID]() {
		return "string"
	}
	switch t.Kind() {
	case reflect.Struct:
		if over, is := t.MethodByName("Over"); is && strings.HasPrefix(t.Name(), "Part[") {
			return "Part<" + typeName(out, over.Type.In(1), done) + ">"
		}
		write(out, t, done)
		return t.Name()
	case reflect.Pointer:
		return typeName(out, t.Elem(), done) + " | null"
	case reflect.Slice:
		if name := typeName(out, t.Elem(), done); strings.Contains(name, " ") {
			return "(" + name + ")[]"
		} else {
			return name + "[]"
		}
	case reflect.String:
		return "string"
	case reflect.Bool:
		return "boolean"
	}
	return "number"
}

// constants are the numbers that the browser needs before it asks the core.
func constants(out *bytes.Buffer) {
	for _, c := range []struct {
		name  string
		value int
	}{
		{"MIN_CELL_SIDE", limit.MinCellSide}, {"MAX_CELL_SIDE", limit.MaxCellSide}, {"MAX_SEEN", limit.MaxSeen}, {"MOST_TIMES", logic.MostTimes},
		{"NAME_LETTERS", limit.NameLetters}, {"FACT_LETTERS", limit.FactLetters}, {"PICTURE_BYTES", limit.PictureBytes}, {"CSV_BYTES", limit.CSVBytes},
		{"BUNDLE_BYTES", limit.BundleBytes}, {"PICTURE_SIDE", limit.PictureSide}, {"MAX_WEIGHT", tiles.MaxWeight},
		{"MAX_DIFFER", tiles.MaxDiffer}, {"MIN_FRAME", tiles.MinFrame}, {"MAX_FRAME", tiles.MaxFrame}, {"SOCKET_BYTES", limit.SocketBytes},
		{"SCENE_CHANGED", int(page.SceneChanged)}, {"STATE_CHANGED", int(page.StateChanged)}, {"CELLS_CHANGED", int(page.CellsChanged)},
		{"POINTER_CHANGED", int(page.PointerChanged)}, {"OUTGOING_CHANGED", int(page.OutgoingChanged)}, {"PLAY_CHANGED", int(page.PlayChanged)}, {"PLAY_HELD", int(page.PlayHeld)},
		{"TAKEN_CHANGED", int(page.TakenChanged)}, {"WORK_LEFT", int(page.WorkLeft)}, {"REPLAYS_CHANGED", int(page.ReplaysChanged)},
		{"RERUN_LEFT", int(page.RerunLeft)}, {"REPLIES_CHANGED", int(page.RepliesChanged)}, {"STACK", limit.Stack},
		{"FACT_VALUE", limit.FactValue}, {"MOST_VALUE", logic.MostValue}, {"TICKS_PER_SECOND", play.TicksPerSecond},
		{"LEFT", int(play.Left)}, {"RIGHT", int(play.Right)}, {"UP", int(play.Up)}, {"DOWN", int(play.Down)}, {"USE", int(play.Use)},
		{"JUMP", int(play.Jump)}, {"STRIKE", int(play.Strike)}, {"SHOOT", int(play.Shoot)}, {"ITEMS", int(play.Items)},
		{"SAMPLE_COLUMNS", supplies.SampleColumns}, {"SAMPLE_ROWS", supplies.SampleRows},
		{"CUT_CROP", int(tiles.CutLeft)}, {"NO_PART", int(characters.NoPart)}, {"CORNER", int(characters.Corner)}, {"FOOT", int(characters.Foot)}, {"SIXTEENTH", roommaps.Sixteenth}, {"HOVER", page.Hover}, {"PRESS", page.Press}, {"DRAG", page.Drag}, {"RELEASE", page.Release}, {"LEAVE", page.Leave},
	} {
		fmt.Fprintf(out, "\nexport const %s = %d;", c.name, c.value)
	}
	out.WriteString("\n")
	measures(out)
	vocabulary(out)
}

// measures are how numbers are shown that are the same wherever they are set.
func measures(out *bytes.Buffer) {
	out.WriteString("\n/** A number that people set: what it is called, its unit, what it may be and usually is. */\nexport interface Measure extends Range {\n  label: string;\n  unit: string;\n  usual: number;\n}\n")
	out.WriteString("\nexport const MEASURES = {\n")
	for _, name := range slices.Sorted(maps.Keys(measure.Named)) {
		m := measure.Named[name]
		r := m.Range()
		fmt.Fprintf(out, "  %s: { label: '%s', unit: '%s', usual: %v, least: %v, most: %v, from: %v, to: %v, step: %v, fine: %v },\n", name, m.Label, m.Unit, m.Usual, r.Least, r.Most, r.From, r.To, r.Step, r.Fine)
	}
	out.WriteString("} satisfies Record<string, Measure>;\n")
}

// vocabulary is the words that are the same in every project.
func vocabulary(out *bytes.Buffer) {
	for _, v := range []struct {
		name string
		is   any
	}{
		{"OWN_TYPES", tiles.ValueTypeNames}, {"FACT_SORTS", world.FactSorts}, {"STAYS_WHEN", memory.When}, {"STAYS_SAYS", props.OnReturn.Options}, {"WIRE_DOES", world.WireDoes}, {"SET_BY", wording.SetByNames}, {"SET_BY_WORDS", logic.SetByWords()}, {"RULE_REPEATS", wording.RepeatNames}, {"RULE_BUSY", wording.BusyNames}, {"MAP_VIEWS", world.ViewNames}, {"NEIGHBOURS", tiles.NeighbourNames}, {"ROUND", tiles.Round}, {"JOINS", tiles.JoinNames}, {"JOINS_COUNT", []tiles.Neighbours{tiles.Sides.Counts(), tiles.Corners.Counts(), tiles.Both.Counts()}},
	} {
		list := reflect.ValueOf(v.is)
		fmt.Fprintf(out, "\nexport const %s = [", v.name)
		for i := range list.Len() {
			if i > 0 {
				out.WriteString(", ")
			}
			if one := list.Index(i); one.Kind() == reflect.String {
				fmt.Fprintf(out, "%q", one.String())
			} else {
				fmt.Fprintf(out, "%d", one.Interface())
			}
		}
		out.WriteString("];")
	}
	for _, word := range [][2]string{{"NEW_FACT", pieces.NewFact}, {"NEW_ITEM", pieces.NewItem}, {"THIS_PIECE", wording.ThisPiece}, {"ONLY_IN_A_MOMENT", wording.OnlyInAMoment}} {
		fmt.Fprintf(out, "\nexport const %s = %q;", word[0], word[1])
	}
	out.WriteString("\n\nexport const TILE_PROPERTIES: Markable[] = [\n")
	for _, m := range tiles.Markables {
		body, err := json.Marshal(m)
		if err != nil {
			panic(err)
		}
		fmt.Fprintf(out, "  %s,\n", body)
	}
	out.WriteString("];\n")
}
