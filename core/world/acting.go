package world

import (
	"fmt"
	"slices"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/pack"
)

// A Doing is what a piece that acts does by itself.
type Doing int

// What pieces do.
const (
	// Patrols goes to and fro, until a wall or a ledge.
	Patrols Doing = iota
	// Stands stays where it is.
	Stands
	// Wanders goes to one side for a while, then to another.
	Wanders
	// Follows goes towards the player whom it sees.
	Follows
	// Flees goes away from the player whom it sees.
	Flees
	doingEnd
)

var doingNames = [...]string{"patrols", "stands", "wanders", "follows", "flees"}

// DoingNames are what is done, in its order.
func DoingNames() []string { return slices.Clone(doingNames[:]) }

// MarshalText writes a doing as its name.
func (d Doing) MarshalText() ([]byte, error) {
	if d < 0 || d >= doingEnd {
		return nil, fmt.Errorf("a piece can't do %d", int(d))
	}
	return []byte(doingNames[d]), nil
}

// UnmarshalText reads what MarshalText writes.
func (d *Doing) UnmarshalText(text []byte) error {
	i := slices.Index(doingNames[:], string(text))
	if i < 0 {
		return fmt.Errorf("a piece can't do %.40q", text)
	}
	*d = Doing(i)
	return nil
}

// An Acting is how a piece acts in play. A value of 0 stands for the usual one of its type.
type Acting struct {
	Does Doing `json:"does,omitempty"`
	// Speed is in tenths of a cell a second.
	Speed int `json:"speed,omitempty"`
	// Range is how far it sees or goes, in cells.
	Range int `json:"range,omitempty"`
	// Strength is how much it hurts, or how many tenths of a cell a spring throws.
	Strength int `json:"strength,omitempty"`
	// ToX and ToY are where a moving platform goes and comes back from, in pixels from where it
	// stands.
	ToX int `json:"toX,omitempty"`
	ToY int `json:"toY,omitempty"`
}

// The fields of a piece that say how it acts.
const (
	FieldDoes Field = 8 + iota
	FieldSpeed
	FieldRange
	FieldStrength
	FieldTo
)

var actingFields = []field[Piece]{
	intsField(FieldDoes, func(p *Piece) *int { return (*int)(&p.Does) }),
	intsField(FieldSpeed, func(p *Piece) *int { return &p.Speed }),
	intsField(FieldRange, func(p *Piece) *int { return &p.Range }),
	intsField(FieldStrength, func(p *Piece) *int { return &p.Strength }),
	intsField(FieldTo, func(p *Piece) *int { return &p.ToX }, func(p *Piece) *int { return &p.ToY }),
}

// usualActing is what values of 0 stand for.
var usualActing = map[ID]Acting{
	MovingPlatform: {Speed: 30, Range: 3},
	Foe:            {Speed: 25, Range: 6, Strength: 1},
	Spring:         {Strength: 50},
	Hazard:         {Strength: 1},
}

// Filled is how a piece acts, with the usual values where it has none.
func (p *Piece) Filled() Acting {
	a, usual := p.Acting, usualActing[p.Type]
	for _, v := range [][2]*int{{&a.Speed, &usual.Speed}, {&a.Range, &usual.Range}, {&a.Strength, &usual.Strength}} {
		if *v[0] == 0 {
			*v[0] = *v[1]
		}
	}
	return a
}

// far is how far from where it stands a piece may go, in pixels.
const far = limit.MaxMapSide * limit.MaxCellSide

// actingTerms are the values that can be set of how a piece acts, in words of the page.
var actingTerms = [...]struct {
	name, label string
	least, most int
	at          func(*Acting) *int
}{
	{"does", "what a piece does", 0, int(doingEnd) - 1, func(a *Acting) *int { return (*int)(&a.Does) }},
	{"speed", "the speed of a piece, in tenths of a cell a second,", 0, 10 * limit.Speed, func(a *Acting) *int { return &a.Speed }},
	{"range", "the range of a piece, in cells,", 0, limit.MaxSeen, func(a *Acting) *int { return &a.Range }},
	{"strength", "the strength of a piece", 0, 10 * limit.Jump, func(a *Acting) *int { return &a.Strength }},
	{"to-x", "how far to the right a piece goes, in pixels,", -far, far, func(a *Acting) *int { return &a.ToX }},
	{"to-y", "how far down a piece goes, in pixels,", -far, far, func(a *Acting) *int { return &a.ToY }},
}

// With sets a value by the name it has for the page. An error says in words what it may be.
func (a Acting) With(name string, value int) (Acting, error) {
	for _, t := range actingTerms {
		if t.name == name {
			*t.at(&a) = value
			return a, a.check()
		}
	}
	return a, fmt.Errorf("there is no %q about acting", name)
}

// ActingRange is the least and the most of a value by its name.
func ActingRange(name string) (least, most int) {
	for _, t := range actingTerms {
		if t.name == name {
			return t.least, t.most
		}
	}
	return 0, 0
}

func (a Acting) check() error {
	for _, t := range actingTerms {
		if v := *t.at(&a); v < t.least || v > t.most {
			return fmt.Errorf("%s is %d to %d, not %d", t.label, t.least, t.most, v)
		}
	}
	return nil
}

func (a Acting) encode(w *pack.Writer) {
	for _, n := range []int{int(a.Does), a.Speed, a.Range, a.Strength, a.ToX, a.ToY} {
		w.Int(n)
	}
}

func decodeActing(r *pack.Reader) Acting {
	return Acting{Doing(r.Int()), r.Int(), r.Int(), r.Int(), r.Int(), r.Int()}
}

// Part is a to be written down, nil if it is as usual in all.
func (a Acting) Part() *Acting {
	if a == (Acting{}) {
		return nil
	}
	return &a
}

// Whole is what Part was made of. Whether its values are within their ranges is looked at with
// the piece.
func (a *Acting) Whole() Acting {
	if a == nil {
		return Acting{}
	}
	return *a
}

// Acts reports whether pieces of a type move or do something by themselves in play.
func Acts(of ID) bool { _, acts := usualActing[of]; return acts }

// FootOf is the pixel on which a piece of a type stands that is put into a cell of the map. From
// the side it stands on the lower edge of the cell; a platform is level with its upper edge.
func (m *Map) FootOf(l grid.Lattice, of ID, c grid.Point) grid.Point {
	foot := l.Foot(c)
	switch {
	case m.View != SideView:
	case of == MovingPlatform:
		foot.Y = c.Y*l.H + max(1, l.H/2) - 1
	default:
		foot.Y = (c.Y+1)*l.H - 1
	}
	return foot
}

// Width is how wide a piece is in play, in cells.
func (p *Piece) Width() int {
	if p.Type == MovingPlatform {
		return max(1, p.Filled().Range)
	}
	return 1
}

// PathTo is where the foot of a piece that goes to and fro turns, in pixels of the map.
func (p *Piece) PathTo() grid.Point { return p.Foot.Add(grid.Point{X: p.ToX, Y: p.ToY}) }
