package page

import (
	"encoding/json"
	"errors"
	"fmt"
	"reflect"
	"strconv"
	"strings"
	"unicode"
	"unicode/utf8"

	"azzel/core/grid"
	"azzel/core/world"
)

// An Order is one thing that the page can be asked to do. It is a struct whose exported fields, written as JSON, say what is
// meant: things by their ids, never by their place in a list.
type Order interface {
	// Do does it and gives what has changed. What was made and why it was refused is noted by the page.
	Do(p *Page) Changed
}

// A Stopper is an order that stops what is under way, if anything is; else it is done.
type Stopper interface {
	Order
	Stops()
}

// A Reply is what came of an order.
type Reply struct {
	// Ticket is the number that came with the order.
	Ticket  int     `json:"ticket"`
	Changed Changed `json:"changed"`
	// Made are the ids of the things of the project that the order made.
	Made []string `json:"made"`
	// Refused says why it was not done; empty if it was.
	Refused string `json:"refused"`
}

// Attached are bytes that come with an order beside its JSON.
type Attached [][]byte

// First are the first of the bytes; none if nothing came.
func (a Attached) First() []byte {
	if len(a) == 0 {
		return nil
	}
	return a[0]
}

// An ID is the id of a thing in orders, questions and their answers: a decimal number as text, since the numbers of a browser
// are too small. The zero value stands for none and is written as the empty text.
type ID world.ID

// MarshalText never fails.
func (i ID) MarshalText() ([]byte, error) {
	if i == 0 {
		return nil, nil
	}
	return strconv.AppendUint(nil, uint64(i), 10), nil
}

// UnmarshalText fails for what is no decimal number of 64 bits.
func (i *ID) UnmarshalText(text []byte) error {
	*i = 0
	if len(text) == 0 {
		return nil
	}
	n, err := strconv.ParseUint(string(text), 10, 64)
	if err != nil {
		return fmt.Errorf("reading the id %q: %w", text, err)
	}
	*i = ID(n)
	return nil
}

// A Thing names something of the project by its sort, the map on which it lies, if it lies on one, and its id.
type Thing struct {
	Kind string `json:"kind"`
	Map  ID     `json:"map,omitempty"`
	ID   ID     `json:"id,omitempty"`
}

// Ref is the thing as a reference; its sort is 0 if there is no such kind.
func (t Thing) Ref() world.Ref {
	return world.Ref{Sort: kindOf(t.Kind), Map: world.ID(t.Map), ID: world.ID(t.ID)}
}

// far is farther than anything on the board can be, in pixels or cells.
const far = 1 << 28

// At is a place of the board, in pixels or cells, at most so far away that sums of places are right.
func At(x, y int) grid.Point {
	return grid.Point{X: min(max(x, -far), far), Y: min(max(y, -far), far)}
}

// ErrUnknown answers what no page of this version says.
var ErrUnknown = errors.New("this page is older than it should be: reload it")

var orders []Order

// Orders are one of each order, in the order in which they were registered.
func Orders() []Order { return orders }

// Register lets orders be given. It is called when the program begins.
func Register(list ...Order) {
	orders = append(orders, list...)
	for _, o := range list {
		ordersByName[NameOf(o)] = reflect.TypeOf(o)
	}
}

// NameOf is the name of an order or a question: that of its type without Ask, with a small letter first.
func NameOf(v any) string {
	name := strings.TrimPrefix(reflect.TypeOf(v).Name(), "Ask")
	first, size := utf8.DecodeRuneInString(name)
	return string(unicode.ToLower(first)) + name[size:]
}

// ordersByName are the types of orders.
var ordersByName = map[string]reflect.Type{}

// A said is an order or a question as it comes from the browser: its name, and its fields.
type said struct {
	Do   string          `json:"do"`
	With json.RawMessage `json:"with"`
}

// fill reads the fields into the order or question that v points to. The error is a text for people.
func (s said) fill(v any) error {
	if len(s.With) == 0 {
		return nil
	}
	return unreadable(json.Unmarshal(s.With, v))
}

// errNumber is for what was typed as a number that can't be one of these.
var errNumber = errors.New("a number here is whole and not that large: nothing was changed")

// unreadable is an error of reading JSON as people are to hear of it.
func unreadable(err error) error {
	var wrong *json.UnmarshalTypeError
	switch {
	case err == nil:
		return nil
	case errors.As(err, &wrong) && strings.HasPrefix(wrong.Value, "number"):
		return errNumber
	}
	return ErrUnknown
}

// read is the order that text says.
func read(text []byte) (Order, error) {
	var s said
	if json.Unmarshal(text, &s) != nil || ordersByName[s.Do] == nil {
		return nil, ErrUnknown
	}
	v := reflect.New(ordersByName[s.Do])
	if err := s.fill(v.Interface()); err != nil {
		return nil, err
	}
	return v.Elem().Interface().(Order), nil
}

// OrderText is an order as Page.Order reads it.
func OrderText(o Order) []byte {
	with, err := json.Marshal(o)
	if err != nil {
		panic(err) // Orders hold nothing that can't be written.
	}
	return append(append([]byte(`{"do":"`+NameOf(o)+`","with":`), with...), '}')
}

// Order does what text says, an object with the name of an order as "do" and its fields as "with", once what was asked for
// before is done. Its reply is among those of Replies then.
func (p *Page) Order(ticket int, text []byte, attached [][]byte) Changed {
	o, err := read(text)
	if err != nil {
		says := Sentence(err)
		p.Say("%s", says)
		p.replies = append(p.replies, Reply{Ticket: ticket, Changed: StateChanged, Made: []string{}, Refused: says})
		return StateChanged | RepliesChanged
	}
	if len(attached) > 0 {
		o = attach(o, attached)
	}
	if _, stops := o.(Stopper); stops && p.working != nil {
		changed := p.stop()
		p.replies = append(p.replies, Reply{Ticket: ticket, Changed: changed, Made: []string{}})
		return changed | RepliesChanged
	}
	changed, _ := p.enter(job{do: func() (Changed, error) { return o.Do(p), nil }, own: true, ticket: ticket})
	return changed | p.Reseen()
}

// attach gives an order the bytes that came with it.
func attach(o Order, attached [][]byte) Order {
	v := reflect.New(reflect.TypeOf(o)).Elem()
	v.Set(reflect.ValueOf(o))
	for i := range v.NumField() {
		if v.Field(i).Type() == reflect.TypeFor[Attached]() {
			v.Field(i).Set(reflect.ValueOf(Attached(attached)))
		}
	}
	return v.Interface().(Order)
}

// Replies takes the replies of the orders that were done since it was called last.
func (p *Page) Replies() []Reply {
	list := p.replies
	p.replies = nil
	if list == nil {
		list = []Reply{}
	}
	return list
}

// answer ends the order under way, whose reply is kept.
func (p *Page) answer(changed Changed) {
	r := p.reply
	p.reply = nil
	if r == nil {
		return
	}
	if r.Changed = changed; r.Made == nil {
		r.Made = []string{}
	}
	p.replies = append(p.replies, *r)
}

// Refuse says why what was asked for is not done.
func (p *Page) Refuse(format string, values ...any) Changed {
	says := fmt.Sprintf(format, values...)
	if p.reply != nil && p.reply.Refused == "" {
		p.reply.Refused = says
	}
	p.Say("%s", says)
	return StateChanged
}
