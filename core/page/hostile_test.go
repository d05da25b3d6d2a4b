package page_test

import (
	"encoding/json"
	"fmt"
	"math"
	"math/rand/v2"
	"reflect"
	"slices"
	"strings"
	"sync"
	"testing"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/page"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/maps"
	"azzel/core/page/memory"
	"azzel/core/page/pagetest"
	"azzel/core/page/places"
	"azzel/core/page/playing"
	"azzel/core/page/replays"
	"azzel/core/page/supplies"
	"azzel/core/page/tilework"
	"azzel/core/page/view"
	"azzel/core/play"
	"azzel/core/world"
)

// hostile makes values of any type that nobody in their right mind would send, and some that fit.
type hostile struct {
	*rand.Rand
	doc *world.Document
}

var hostileInts = []int64{0, 1, 2, 3, 5, 8, 40, 300, -1, -2, -7, 255, 256, 1 << 16, 1 << 24, math.MaxInt32, math.MinInt32, 1 << 40, math.MaxInt64, math.MinInt64}

// texts are words that mean something somewhere, and others. They are made once, since one of them is long.
var texts = sync.OnceValue(func() []string {
	list := []string{"", " ", "new", "a new fact", "-", "\x00", "😀", strings.Repeat("moss ", 40_000), "9", "18446744073709551616", "#12345", "#102030", "own", "block", "frames", "position", "name", "role",
		"tile", "piece", "medley", "bond", "patch", "choose", "eraser", "measure", "crossing", "nothing", "free", "line", "box", "ring", "room", "oval", "fill", "everywhere", "anew", "add", "take away",
		"project", "tileset", "map", "layer", "character", "property", "replay", "track", "area", "item", "fact", "speed", "jump width", "camera shake", "turns", "steering", "sets", "sets-how", "sets-by", "while", "needs", "presence", "state", "power", "to-x", "solid", "water",
		"compares", "all", "any", "none", "this", "number", "at-least", "piece 1 2 speed", "safe from harm"}
	for _, k := range kind.All() {
		list = append(list, k.Word)
	}
	return list
})

func pick[T any](r *rand.Rand, list []T) T { return list[r.IntN(len(list))] }

// things are all of the project that orders can mean, by what their fields are called.
func (h hostile) things() map[string][]page.Thing {
	d := h.doc
	list := map[string][]page.Thing{"project": {pagetest.Thing("project", 0, 0)}}
	add := func(kind string, m, id world.ID) { list[kind] = append(list[kind], pagetest.Thing(kind, m, id)) }
	for _, m := range d.Maps {
		add("map", 0, m.ID)
		for _, l := range m.Layers {
			add("layer", m.ID, l.ID)
		}
		for _, p := range m.Pieces {
			add("piece", m.ID, p.ID)
		}
		for _, r := range d.OfMap(m.ID) {
			add(map[world.Sort]string{world.SortArea: "area", world.SortTrack: "track"}[r.Sort], 0, r.ID)
		}
	}
	for kind, ids := range map[string][]world.ID{"fact": ids(d.Facts, func(f *world.Fact) world.ID { return f.ID }), "item": ids(d.Items, func(i *world.Item) world.ID { return i.ID }), "replay": ids(d.Replays, func(r *world.Replay) world.ID { return r.ID }),
		"medley": ids(d.Medleys, func(m *world.Medley) world.ID { return m.ID }), "bond": ids(d.Bonds, func(b *world.Bond) world.ID { return b.ID }), "character": ids(d.Characters, func(c *world.Character) world.ID { return c.ID }),
		"patch": ids(d.Patches, func(p *world.Patch) world.ID { return p.ID }), "crossing": ids(d.Crossings, func(c *world.Crossing) world.ID { return c.ID }), "property": ids(d.Properties, func(p *world.Property) world.ID { return p.ID }),
		"tileset": ids(d.Tilesets, func(t *world.Tileset) world.ID { return t.ID })} {
		for _, id := range ids {
			add(kind, 0, id)
		}
	}
	return list
}

func sortedKeys[V any](of map[string]V) (keys []string) {
	for key := range of {
		keys = append(keys, key)
	}
	slices.Sort(keys)
	return keys
}

func ids[T any](list []*T, id func(*T) world.ID) []world.ID {
	all := make([]world.ID, len(list))
	for i, t := range list {
		all[i] = id(t)
	}
	return all
}

// any is a thing of the project.
func (h hostile) any() page.Thing {
	all := h.things()
	kinds := sortedKeys(all)
	return pick(h.Rand, all[pick(h.Rand, kinds)])
}

// id is that of a thing, of a thing of another project, or of nothing.
func (h hostile) id() page.ID {
	if h.IntN(4) > 0 {
		return h.any().ID
	}
	return pick(h.Rand, []page.ID{0, 1, 9<<32 | 7, page.ID(world.Foe), math.MaxUint64, page.ID(h.Uint64())})
}

// fitting is what a field of an order may be, by its name; nil if nothing is known of that.
func (h hostile) fitting(name string, o page.Thing) any {
	switch list := h.things()[name]; {
	case name == "map" && o.Map != 0:
		return o.Map
	case name == o.Kind:
		return o.ID
	case len(list) > 0:
		return pick(h.Rand, list).ID
	}
	var fields []string
	switch name {
	case "thing":
		return h.any()
	case "field", "property", "term":
		for _, k := range kind.All() {
			for _, prop := range k.Props {
				fields = append(fields, prop.Word)
			}
		}
		return pick(h.Rand, append(fields, "speed", "jump", "sets", "while"))
	case "choice":
		return pick(h.Rand, []string{"", "new", "stands", "wanders", "there", "on", "off"})
	case "holding":
		return pick(h.Rand, hand.Holdings)
	case "shape":
		return pick(h.Rand, hand.Shapes)
	case "adding":
		return pick(h.Rand, hand.Addings)
	case "name":
		return pick(h.Rand, []string{"Moss", "Fern, by night"})
	case "mark":
		return map[string]any{"property": pick(h.Rand, []string{"solid", "water", "role"}), "on": h.IntN(2) == 0}
	case "frames":
		return []any{map[string]any{"tile": 1, "millis": 100}, map[string]any{"tile": 2, "millis": 100}}
	}
	return nil
}

// value is JSON of a type: its fields hostile, some left out.
func (h hostile) value(t reflect.Type, depth int) any {
	if depth == 0 && h.IntN(2) == 0 {
		// As the front end would say it, but for what it does not know.
		about, fields := h.any(), map[string]any{}
		if layers := h.things()["layer"]; len(layers) > 0 && h.IntN(2) == 0 {
			about = pick(h.Rand, layers)
		} else if pieces := h.things()["piece"]; len(pieces) > 0 && h.IntN(2) == 0 {
			about = pick(h.Rand, pieces)
		}
		for i := range t.NumField() {
			f := t.Field(i)
			name, _, _ := strings.Cut(f.Tag.Get("json"), ",")
			switch v := h.fitting(name, about); {
			case name == "-":
			case v != nil:
				fields[name] = v
			case f.Type.Kind() == reflect.Int:
				fields[name] = h.IntN(12)
			case name == "change":
				whole, _ := h.value(f.Type, 1).(map[string]any)
				for _, key := range sortedKeys(whole) {
					if h.IntN(3) == 0 {
						fields[name] = map[string]any{key: whole[key]}
					}
				}
			default:
				fields[name] = h.value(f.Type, 1)
			}
		}
		return fields
	}
	if t == reflect.TypeFor[page.ID]() {
		if h.IntN(40) == 0 {
			return pick(h.Rand, texts())
		}
		return h.id()
	}
	if over, is := t.MethodByName("Over"); is { // a Part
		if h.IntN(10) == 0 {
			return json.RawMessage(pick(h.Rand, []string{"null", "7", `"moss"`, "[]", `{"edges":[1]}`}))
		}
		return h.value(over.Type.In(1), depth)
	}
	switch t.Kind() {
	case reflect.Pointer:
		if h.IntN(3) == 0 || depth > 4 {
			return nil
		}
		return h.value(t.Elem(), depth+1)
	case reflect.Struct:
		fields := map[string]any{}
		for i := range t.NumField() {
			f := t.Field(i)
			if f.Anonymous {
				for k, v := range h.value(f.Type, depth).(map[string]any) {
					fields[k] = v
				}
				continue
			}
			name, _, _ := strings.Cut(f.Tag.Get("json"), ",")
			if name != "" && name != "-" && h.IntN(8) > 0 {
				fields[name] = h.value(f.Type, depth+1)
			}
		}
		return fields
	case reflect.Slice:
		n := pick(h.Rand, []int{0, 1, 2, 3, 4, 12})
		if depth > 4 {
			n = 0
		}
		if depth < 3 && h.IntN(40) == 0 {
			n = 3000
		}
		list := make([]any, n)
		for i := range list {
			list[i] = h.value(t.Elem(), depth+1)
		}
		return list
	case reflect.String:
		if h.IntN(3) == 0 {
			return fmt.Sprint(uint64(h.id()))
		}
		return pick(h.Rand, texts())
	case reflect.Bool:
		return h.IntN(2) == 0
	case reflect.Int, reflect.Int64:
		if h.IntN(30) == 0 {
			return pick(h.Rand, []float64{20.5, -0.5, 1e30}) // as somebody types it
		}
		if h.IntN(2) == 0 {
			return h.IntN(40)
		}
		return pick(h.Rand, hostileInts)
	}
	if h.IntN(2) == 0 {
		return h.IntN(40)
	}
	return pick(h.Rand, hostileInts[:8])
}

// says is an order or a question with hostile values, as text.
func (h hostile) says(v any) []byte {
	with, err := json.Marshal(h.value(reflect.TypeOf(v), 0))
	if err != nil {
		panic(err)
	}
	return []byte(`{"do":"` + page.NameOf(v) + `","with":` + string(with) + `}`)
}

// attached are bytes that come with an order: some of another kind, some damaged.
func (h hostile) attached() (list [][]byte) {
	good := [][]byte{h.doc.Encode(), []byte("a1,a2\na3"), {1, 2, 0, 1}, make([]byte, 64), edit.Send(1, edit.Edit{Label: "moss"}.Encode()), nil}
	for range h.IntN(3) {
		b := append([]byte{}, pick(h.Rand, good)...)
		if len(b) > 0 && h.IntN(2) == 0 {
			b[h.IntN(len(b))] ^= byte(1 + h.IntN(255))
		}
		list = append(list, b)
	}
	return list
}

// Each order and each question, with whatever values, at whatever moment: while nothing happens, while something is under way,
// while it plays, while a version is looked at. An order is done or refused with words, once; the page stays whole and goes on.
func TestHostileOrdersAndQuestions(t *testing.T) {
	rounds := 200
	if testing.Short() {
		rounds = 8
	}
	done, refused := map[string]int{}, map[string]int{}
	for seed := range uint64(rounds) {
		r := rand.New(rand.NewPCG(seed, 20))
		p := hostilePage(t)
		ticket := 0
		p.Replies()
		give := func(text []byte, attached [][]byte) {
			ticket++
			p.Order(ticket, text, attached)
		}
		for _, i := range r.Perm(len(page.Orders())) {
			o := page.Orders()[i]
			h := hostile{r, p.Document()}
			switch r.IntN(7) {
			case 0:
				give(page.OrderText(playing.StartPlay{}), nil)
				playing.Tick(p, play.Input(r.IntN(64)))
			case 1:
				give(page.OrderText(playing.StopPlay{}), nil)
			case 2:
				give(page.OrderText(history.ShowVersion{Name: "Evening"}), [][]byte{p.Document().Encode()})
			case 3:
				give(page.OrderText(history.ShowCurrentVersion{}), nil)
			case 4:
				at := grid.Point{X: r.IntN(300), Y: r.IntN(300)}
				p.Pointer(pick(r, []int{page.Hover, page.Press, page.Drag, page.Release, page.Leave}), at, r.IntN(3) == 0, false, 4)
			case 5:
				give(page.OrderText(history.ShowCurrentVersion{}), nil)
				give(page.OrderText(holding.SelectAllCells{Map: h.any().Map}), nil)
				give(page.OrderText(holding.Select{Thing: h.any()}), nil)
			}
			p.Slice = pick(r, []int{1, 300, 15_000})
			first := ticket + 1
			for range 1 + r.IntN(2) {
				give(h.says(o), h.attached())
			}
			for p.Working() {
				if _, err := p.Work(20_000); err != nil {
					t.Fatal(err)
				}
			}
			answered := map[int]int{}
			for _, reply := range p.Replies() {
				answered[reply.Ticket]++
				if reply.Ticket >= first && reply.Refused == "" {
					done[page.NameOf(o)]++
				} else if reply.Ticket >= first {
					refused[page.NameOf(o)]++
				}
			}
			for n := first; n <= ticket; n++ {
				if answered[n] != 1 {
					t.Fatalf("seed %d: %s is answered %d times", seed, page.NameOf(o), answered[n])
				}
			}
			view.SceneOf(p)
			view.StateOf(p)
			view.PointerView(p)
			playing.PlayView(p)
			if _, err := world.Decode(p.Document().Encode()); err != nil {
				t.Fatalf("seed %d: after %s: %v", seed, page.NameOf(o), err)
			}
		}
		for _, q := range page.Questions() {
			h := hostile{r, p.Document()}
			for range 3 {
				before := p.Document()
				answer, err := p.Ask(h.says(q.Question))
				if p.Document() != before {
					t.Fatalf("seed %d: asking %s changes the document", seed, page.NameOf(q.Question))
				}
				if err != nil {
					t.Fatalf("seed %d: %s is not answered: %v", seed, page.NameOf(q.Question), err)
				}
				if _, picture := answer.(page.Picture); !picture {
					if _, err := json.Marshal(answer); err != nil {
						t.Fatalf("seed %d: the answer to %s: %v", seed, page.NameOf(q.Question), err)
					}
				}
			}
		}
	}
	if most := len(page.Orders()); len(done) < most/2 || len(refused) < most/2 {
		t.Errorf("of %d orders only %d were ever done and %d refused, which shows too little", most, len(done), len(refused))
	}
}

// hostilePage is a page with a thing of each sort.
func hostilePage(t *testing.T) *page.Page {
	t.Helper()
	p := pagetest.FromTheSide(t)
	pagetest.Place(p, world.Foe, 5, 9)
	pagetest.Place(p, world.Collectible, 7, 9)
	lift := pagetest.Place(p, world.MovingPlatform, 6, 5)
	m := p.Document().Maps[0]
	pagetest.Order(p, holding.Select{Thing: pagetest.Thing("piece", m.ID, lift.ID)})
	pagetest.Order(p, places.AddTrackPoint{X: 10*16 + 8, Y: 5*16 + 8})
	pagetest.Order(p, supplies.MakeMedley{Tiles: []int{1, 2}})
	pagetest.Order(p, memory.MakeFact{Name: "Lit", Sort: world.ANumber})
	pagetest.Order(p, memory.MakeItem{Name: "Lamp oil"})
	pagetest.Order(p, tilework.MakeProperty{Name: "Damp", Type: 1})
	pagetest.Order(p, playing.SetMovement{Term: "speed", Value: 6})
	pagetest.Order(p, holding.SelectAllCells{Map: page.ID(m.ID)})
	pagetest.Order(p, holding.KeepPatch{})
	pagetest.Order(p, places.MakeArea{})
	pagetest.Order(p, maps.CopyMap{Map: page.ID(m.ID)})
	pagetest.Order(p, playing.StartPlay{})
	for range 20 {
		playing.Tick(p, play.Right)
	}
	pagetest.Order(p, replays.KeepReplay{})
	pagetest.Order(p, playing.StopPlay{})
	if says := pagetest.Said(p); len(p.Document().Replays) != 1 || len(p.Document().Areas) != 2 || len(p.Document().Patches) != 1 {
		t.Fatalf("the page is not set up: %s", says)
	}
	return p
}
