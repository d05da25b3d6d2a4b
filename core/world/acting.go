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
	// Every is how many ticks lie between two shots, or between two things that come out of an
	// emitter; Most how many of those there may be at once.
	Every int `json:"every,omitempty"`
	Most  int `json:"most,omitempty"`
	// Shot is how fast what it shoots flies, in tenths of a cell a second.
	Shot int `json:"shot,omitempty"`
	// Rest is for how many ticks it rests at each end of its way.
	Rest int `json:"rest,omitempty"`
	// Bears is how many hits it bears.
	Bears int `json:"bears,omitempty"`
	// Looks is where it looks while it stands: 0 to where it goes, else a facing plus 1.
	Looks int `json:"looks,omitempty"`
	// Odds are what comes out of an emitter or lottery piece.
	Odds Odds `json:"odds,omitzero"`
	// Track is what it follows, Area where it stays; 0 for none.
	Track ID `json:"track,omitempty"`
	Area  ID `json:"area,omitempty"`
	// Item is what a collectible gives or an exit needs, 0 for nothing; Amount how many, 0 for one.
	Item   ID  `json:"item,omitempty"`
	Amount int `json:"amount,omitempty"`
	// Sets is what it does to a fact, While what it is there only while it holds.
	Sets  Change    `json:"sets,omitzero"`
	While Condition `json:"while,omitzero"`
	// Who is the character that it is, 0 for nobody in particular. All pieces that are the same
	// character share its name, its looks and its body, and are gone together.
	Who ID `json:"who,omitempty"`
}

// Odds are the weights of what may come, each 0 to limit.Weight: all of them 0 stand for the
// usual ones.
type Odds [5]int

// What may come of odds.
const (
	OddsNothing = iota
	OddsCollectible
	OddsFoe
	OddsHazard
	OddsPushable
)

// oddsTypes are what comes, in the order of Odds.
var oddsTypes = [...]ID{0, Collectible, Foe, Hazard, Pushable}

// OddsNames are the words for what may come, in the order of Odds.
var OddsNames = [...]string{"nothing", "collectible", "foe", "hazard", "pushable"}

// Sum is all weights together.
func (o Odds) Sum() int {
	n := 0
	for _, w := range o {
		n += w
	}
	return n
}

// Draw is the type that comes for a number from 0 to before Sum; 0 for nothing.
func (o Odds) Draw(n int) ID {
	for i, w := range o {
		if n -= w; n < 0 {
			return oddsTypes[i]
		}
	}
	return 0
}

// UsualLottery is what a lottery piece draws from where neither it nor its map says otherwise,
// UsualEmitter what comes out of an emitter that says nothing.
var (
	UsualLottery = Odds{1, 1, 1, 1, 0}
	UsualEmitter = Odds{OddsFoe: 1}
)

// The fields of a piece that say how it acts.
const (
	FieldDoes Field = 8 + iota
	FieldSpeed
	FieldRange
	FieldStrength
	FieldTo
	FieldEvery
	FieldMost
	FieldBears
	FieldLooks
	FieldOdds
	FieldTrack
	FieldArea
	FieldRest
	FieldWho
	FieldItem
	FieldAmount
	FieldSets
	FieldSetsBy
	FieldWhileFact
	FieldWhileItem
	FieldWhileLeast
	FieldWhileNot
	FieldShot
)

var actingFields = []field[Piece]{
	intsField(FieldDoes, func(p *Piece) *int { return (*int)(&p.Does) }),
	intsField(FieldSpeed, func(p *Piece) *int { return &p.Speed }),
	intsField(FieldRange, func(p *Piece) *int { return &p.Range }),
	intsField(FieldStrength, func(p *Piece) *int { return &p.Strength }),
	intsField(FieldTo, func(p *Piece) *int { return &p.ToX }, func(p *Piece) *int { return &p.ToY }),
	intsField(FieldEvery, func(p *Piece) *int { return &p.Every }),
	intsField(FieldMost, func(p *Piece) *int { return &p.Most }),
	intsField(FieldBears, func(p *Piece) *int { return &p.Bears }),
	intsField(FieldLooks, func(p *Piece) *int { return &p.Looks }),
	oddsField(FieldOdds, func(p *Piece) *Odds { return &p.Odds }),
	idField(FieldTrack, func(p *Piece) *ID { return &p.Track }),
	idField(FieldArea, func(p *Piece) *ID { return &p.Area }),
	intsField(FieldRest, func(p *Piece) *int { return &p.Rest }),
	idField(FieldWho, func(p *Piece) *ID { return &p.Who }),
	idField(FieldItem, func(p *Piece) *ID { return &p.Item }),
	intsField(FieldAmount, func(p *Piece) *int { return &p.Amount }),
	idField(FieldSets, func(p *Piece) *ID { return &p.Sets.Fact }),
	intsField(FieldSetsBy, func(p *Piece) *int { return (*int)(&p.Sets.How) }, func(p *Piece) *int { return &p.Sets.By }),
	idField(FieldWhileFact, func(p *Piece) *ID { return &p.While.Fact }),
	idField(FieldWhileItem, func(p *Piece) *ID { return &p.While.Item }),
	intsField(FieldWhileLeast, func(p *Piece) *int { return &p.While.Least }),
	boolField(FieldWhileNot, func(p *Piece) *bool { return &p.While.Not }),
	intsField(FieldShot, func(p *Piece) *int { return &p.Shot }),
}

// oddsField is all weights together.
func oddsField[T any](n Field, at func(*T) *Odds) field[T] {
	weights := make([]func(*T) *int, len(Odds{}))
	for i := range weights {
		weights[i] = func(t *T) *int { return &at(t)[i] }
	}
	return intsField(n, weights...)
}

// usualActing is what values of 0 stand for.
var usualActing = map[ID]Acting{
	MovingPlatform: {Speed: 30, Range: 3},
	Foe:            {Speed: 25, Range: 6, Strength: 1, Bears: 1, Shot: UsualMovement.Shot},
	Spring:         {Strength: 50},
	Hazard:         {Strength: 1},
	Pushable:       {},
	Breakable:      {Bears: 1},
	Emitter:        {Speed: 25, Range: 6, Strength: 1, Bears: 1, Every: 120, Most: 3, Odds: UsualEmitter},
	Lottery:        {Speed: 25, Range: 6, Strength: 1, Bears: 1, Shot: UsualMovement.Shot},
}

// Filled is how a piece acts, with the usual values where it has none.
func (p *Piece) Filled() Acting {
	a, usual := p.Acting, usualActing[p.Type]
	for _, v := range [][2]*int{{&a.Speed, &usual.Speed}, {&a.Range, &usual.Range}, {&a.Strength, &usual.Strength},
		{&a.Every, &usual.Every}, {&a.Most, &usual.Most}, {&a.Bears, &usual.Bears}, {&a.Shot, &usual.Shot}} {
		if *v[0] == 0 {
			*v[0] = *v[1]
		}
	}
	if a.Odds.Sum() == 0 {
		a.Odds = usual.Odds
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
	{"every", "how often something comes, in ticks,", 0, limit.Interval, func(a *Acting) *int { return &a.Every }},
	{"most", "how many there may be at once", 0, limit.Emitted, func(a *Acting) *int { return &a.Most }},
	{"shot", "how fast what a piece shoots flies, in tenths of a cell a second,", 0, 10 * limit.Speed, func(a *Acting) *int { return &a.Shot }},
	{"rest", "how long a piece rests, in ticks,", 0, limit.Interval, func(a *Acting) *int { return &a.Rest }},
	{"bears", "how many hits a piece bears", 0, limit.Bears, func(a *Acting) *int { return &a.Bears }},
	{"amount", "how many of an item a piece gives or needs", 0, limit.Stack, func(a *Acting) *int { return &a.Amount }},
	{"sets-how", "how a piece sets a fact", 0, int(settingEnd) - 1, func(a *Acting) *int { return (*int)(&a.Sets.How) }},
	{"sets-by", "by how much a piece sets a fact", 0, limit.FactValue, func(a *Acting) *int { return &a.Sets.By }},
	{"least", "what a piece asks for at least", 0, limit.FactValue, func(a *Acting) *int { return &a.While.Least }},
	{"looks", "where a piece looks", 0, int(North) + 1, func(a *Acting) *int { return &a.Looks }},
	{OddsTerm(OddsNothing), "the weight of nothing", 0, limit.Weight, func(a *Acting) *int { return &a.Odds[OddsNothing] }},
	{OddsTerm(OddsCollectible), "the weight of a collectible", 0, limit.Weight, func(a *Acting) *int { return &a.Odds[OddsCollectible] }},
	{OddsTerm(OddsFoe), "the weight of a foe", 0, limit.Weight, func(a *Acting) *int { return &a.Odds[OddsFoe] }},
	{OddsTerm(OddsHazard), "the weight of a hazard", 0, limit.Weight, func(a *Acting) *int { return &a.Odds[OddsHazard] }},
	{OddsTerm(OddsPushable), "the weight of a pushable", 0, limit.Weight, func(a *Acting) *int { return &a.Odds[OddsPushable] }},
}

// OddsTerm is the name that a weight has for the page.
func OddsTerm(i int) string { return "odds-" + OddsNames[i] }

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
	return Acting{Does: Doing(r.Int()), Speed: r.Int(), Range: r.Int(), Strength: r.Int(), ToX: r.Int(), ToY: r.Int()}
}

// more points at what encode does not write, but for what is of one map alone: track and area.
func (a *Acting) more() []*int {
	list := []*int{&a.Every, &a.Most, &a.Bears, &a.Looks, &a.Rest}
	for i := range a.Odds {
		list = append(list, &a.Odds[i])
	}
	return list
}

func (a *Acting) encodeFacts(w *pack.Writer) {
	w.Uint(uint64(a.Sets.Fact))
	w.Int(int(a.Sets.How))
	w.Int(a.Sets.By)
	w.Uint(uint64(a.While.Fact))
	w.Uint(uint64(a.While.Item))
	w.Int(a.While.Least)
	w.Bool(a.While.Not)
}

func (a *Acting) decodeFacts(r *pack.Reader) {
	a.Sets = Change{ID(r.Uint()), Setting(r.Int()), r.Int()}
	a.While = Condition{ID(r.Uint()), ID(r.Uint()), r.Int(), r.Bool()}
}

// hasMore reports whether more points at anything but 0.
func (a Acting) hasMore() bool {
	return slices.ContainsFunc(a.more(), func(n *int) bool { return *n != 0 })
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
	case m.View != SideView && (of == MovingPlatform || of == Pushable || of == Breakable):
		// What is as large as a cell lies in it.
		foot.Y = (c.Y+1)*l.H - 1
	case m.View != SideView:
	case of == MovingPlatform:
		foot.Y = c.Y*l.H + max(1, l.H/2) - 1
	default:
		foot.Y = (c.Y+1)*l.H - 1
	}
	return foot
}

// FootFor is FootOf for a piece: one of an even width lies over the cell and those beside it, so that it
// covers whole cells.
func (m *Map) FootFor(l grid.Lattice, p *Piece, c grid.Point) grid.Point {
	foot := m.FootOf(l, p.Type, c)
	if p.Width()%2 == 0 {
		foot.X = c.X * l.W
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
