package logic

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/limit"
)

// What an action or a moment consists of, beside what a condition does.
const (
	fact part = iota + 64
	how
	value
	item
	quietly
	amount
	ticks
	again
	weight
	spot
	rule
	says
	ending
	asked
	ofPiece
	ofArea
	ofMap
	ofCrossing
	reaches
	stays
	towards
	everyTicks
	everySteps
	ability
	character
	layer
	track
	pose
	becomes
	patch
	crossing
	side
	changing
)

// named are the parts that are a thing which is chosen by itself, with its sort.
var named = map[part]kind.Thing{fact: kind.Fact, item: kind.Item, spot: kind.Piece, rule: kind.Rule, character: kind.Character, area: kind.Area, layer: kind.Layer, track: kind.Track,
	crossing: kind.Crossing, ofArea: kind.Area, ofMap: kind.Map, ofCrossing: kind.Crossing}

// deeds are what there is to do, by Deed: the word in files, of what it consists, and how many branches it has.
var deeds = [deedEnd]struct {
	word     string
	parts    []part
	branches int
}{
	Nothing:       {word: "begins"},
	SetFact:       {word: "set-fact", parts: []part{fact, how, value}},
	SetPresence:   {word: "set-presence", parts: []part{subject, presence}},
	SetPower:      {word: "set-power", parts: []part{subject, power}},
	SetState:      {word: "set-state", parts: []part{subject, ownState, quietly}},
	Get:           {word: "get", parts: []part{item, value}},
	Lose:          {word: "lose", parts: []part{item, value}},
	Hurt:          {word: "hurt", parts: []part{amount}},
	Heal:          {word: "heal", parts: []part{amount}},
	TakeTo:        {word: "take-to", parts: []part{spot}},
	HoldStill:     {word: "hold-still"},
	LetGo:         {word: "let-go"},
	Say:           {word: "say", parts: []part{subject, says}},
	Question:      {word: "ask", parts: []part{subject, says}, branches: 1},
	Choice:        {word: "choice", parts: []part{says, asked}, branches: 1},
	If:            {word: "if", parts: []part{asked}, branches: 2},
	Again:         {word: "again", parts: []part{again}, branches: 1},
	OneOf:         {word: "one-of", branches: 1},
	Case:          {word: "case", parts: []part{weight}, branches: 1},
	Wait:          {word: "wait", parts: []part{ticks}},
	Stop:          {word: "stop"},
	AskFor:        {word: "ask-for", parts: []part{rule}},
	End:           {word: "end", parts: []part{ending}},
	LookAt:        {word: "look-at", parts: []part{subject, towards}},
	WalkTo:        {word: "walk-to", parts: []part{subject, towards}},
	CameraTo:      {word: "camera-to", parts: []part{towards, ticks}},
	CameraBack:    {word: "camera-back", parts: []part{ticks}},
	Shake:         {word: "shake", parts: []part{ticks}},
	CanDo:         {word: "can", parts: []part{ability}},
	CannotDo:      {word: "cannot", parts: []part{ability}},
	Until:         {word: "until"},
	Together:      {word: "together", branches: 1},
	FadeOut:       {word: "fade-out", parts: []part{ticks}},
	FadeIn:        {word: "fade-in", parts: []part{ticks}},
	Become:        {word: "become", parts: []part{character}},
	LetOut:        {word: "let-out", parts: []part{subject}},
	PutAt:         {word: "put-at", parts: []part{subject, towards}},
	SetForces:     {word: "set-forces", parts: []part{area, power}},
	SetLayer:      {word: "set-layer", parts: []part{layer, presence}},
	FollowTrack:   {word: "follow", parts: []part{subject, track}},
	ShowPose:      {word: "pose", parts: []part{subject, pose, ticks}},
	SetCells:      {word: "set-cells", parts: []part{area, becomes, patch}},
	TakeToDoorway: {word: "take-to-doorway", parts: []part{crossing, side}},
	SetProperty:   {word: "set-property", parts: []part{subject, changing, how, value}},
}

// The words of what else there is to choose, in the order of its numbers.
var (
	deedWords  = wordsOf(len(deeds), func(i int) string { return deeds[i].word })
	setByWords = []string{"is", "up", "down"}
)

// BodyWords are the words in files and for people for what a body can do, in the order of the bits of world.Ability; ArmWords those for with what it
// fights, in the order of the bits of world.Arm. AbilityWords are both, which the player gets and loses by rules.
var (
	BodyWords    = []string{"jump", "climb", "swim", "stomp", "push", "carry"}
	ArmWords     = []string{"strike", "shoot"}
	AbilityWords = slices.Concat(BodyWords, ArmWords)
)

// PoseWords are the words in files for what somebody is seen doing, in the order of the numbers of world.Act.
var PoseWords = []string{"stand", "walk", "run", "jump", "fall", "climb", "swim", "hurt"}

// CellWords are the words in files for what becomes of the cells of an area, by their numbers.
var CellWords = []string{CellsBecome: "become", CellsPainted: "painted", CellsCleared: "cleared"}

// SideWords are the words in files for which end of a crossing is meant, by their numbers.
var SideWords = []string{"first", "second"}

// What becomes of the cells of an area: those of a patch, over and over from its upper left corner on, on the layers of their depth; as they are painted;
// and empty, on all layers but the lowest.
const (
	CellsBecome = iota
	CellsPainted
	CellsCleared
)

// Deeds is how many deeds there are, Nothing among them: they are numbered from 0.
func Deeds() int { return len(deeds) }

// SetByWords are the words in files for how a fact is set, in the order of their numbers.
func SetByWords() []string { return append([]string(nil), setByWords...) }

// Moments that kinds do not declare: those that befall no piece, and those of what comes into an area or goes out of it.
var (
	PlayBegins    = &kind.Moment{Number: 2000, Word: "play-begins", Name: "play begins"}
	MapBegins     = &kind.Moment{Number: 2001, Word: "map-begins", Name: "the player comes to"}
	MapLeft       = &kind.Moment{Number: 2002, Word: "map-left", Name: "the player leaves"}
	AreaEntered   = &kind.Moment{Number: 2003, Word: "area-entered", Name: "the player enters"}
	AreaLeft      = &kind.Moment{Number: 2004, Word: "area-left", Name: "the player goes out of"}
	AreaStayed    = &kind.Moment{Number: 2005, Word: "area-stayed", Name: "the player has been within"}
	FactChanged   = &kind.Moment{Number: 2006, Word: "fact-changed", Name: "changes"}
	FactReached   = &kind.Moment{Number: 2007, Word: "fact-reached", Name: "becomes"}
	ItemHad       = &kind.Moment{Number: 2008, Word: "item-had", Name: "the player gets"}
	ItemUsedUp    = &kind.Moment{Number: 2009, Word: "item-used-up", Name: "the player has no longer"}
	CrossingTaken = &kind.Moment{Number: 2010, Word: "crossing-taken", Name: "the player goes through"}
	AskedFor      = &kind.Moment{Number: 2011, Word: "asked-for", Name: "another rule asks for this one"}
	TimePassed    = &kind.Moment{Number: 2012, Word: "time-passed", Name: "another so many seconds have passed"}
	StepsPassed   = &kind.Moment{Number: 2013, Word: "steps-passed", Name: "the player has gone another so many steps"}
	ItemUsed      = &kind.Moment{Number: 2014, Word: "item-used", Name: "the player uses"}
	ComesInto     = &kind.Moment{Number: 2015, Word: "comes-into", Name: "comes into"}
	GoesOutOf     = &kind.Moment{Number: 2016, Word: "goes-out-of", Name: "goes out of"}
	PlayerBack    = &kind.Moment{Number: 2017, Word: "comes-back", Name: "the player comes back to where they came in"}
	PlayerHurt    = &kind.Moment{Number: 1009, Word: "hurt", Name: "the player is hurt"}
	PlayerHarmed  = &kind.Moment{Number: 1010, Word: "harmed", Name: "the player's health is used up"}
	PlayerFell    = &kind.Moment{Number: 1011, Word: "fell", Name: "the player falls off a map"}
)

// occasions are the moments that kinds do not declare, with of what they consist, in the order in which they are offered.
var occasions = []struct {
	*kind.Moment
	parts []part
}{
	{AreaEntered, []part{ofArea}}, {AreaLeft, []part{ofArea}}, {AreaStayed, []part{ofArea, stays}}, {ComesInto, []part{ofPiece, ofArea}}, {GoesOutOf, []part{ofPiece, ofArea}},
	{MapBegins, []part{ofMap}}, {MapLeft, []part{ofMap}}, {CrossingTaken, []part{ofCrossing}},
	{FactChanged, []part{fact}}, {FactReached, []part{fact, reaches}}, {ItemHad, []part{item}}, {ItemUsedUp, []part{item}}, {ItemUsed, []part{item}},
	{TimePassed, []part{everyTicks}}, {StepsPassed, []part{everySteps}},
	{PlayerHurt, nil}, {PlayerHarmed, nil}, {PlayerFell, nil}, {PlayerBack, nil}, {PlayBegins, nil}, {AskedFor, nil},
}

func init() {
	for _, o := range occasions {
		kind.RegisterMoments(o.Moment)
	}
}

// Occasions are the moments that kinds do not declare, in the order in which they are offered.
func Occasions() (list []*kind.Moment) {
	for _, o := range occasions {
		list = append(list, o.Moment)
	}
	return list
}

// consists says of what a moment consists: one that a kind declares of the piece.
func consists(moment int) []part {
	for _, o := range occasions {
		if o.Number == moment {
			return o.parts
		}
	}
	return []part{ofPiece}
}

// visit goes over a part.
func (p *Part) visit(v visitor) {
	if !v.in() {
		return
	}
	defer v.out()
	v.thing(&p.In, kind.NoThing)
	v.number(&p.Branch, 0, branchEnd-1, "in which branch an action stands")
	v.number(&p.Order, -MostValue, MostValue, "the place of an action")
	v.flag(&p.Off)
	choose(v, &p.Does, deedWords, "what an action does")
	if p.Does >= deedEnd {
		return
	}
	if p.Awaits() {
		v.moment(&p.Begins.Is)
		p.Begins.visit(v)
		return
	}
	p.Action.visit(v)
}

func (m *Moment) visit(v visitor) {
	for _, is := range consists(m.Is) {
		if sort := named[is]; sort != kind.NoThing {
			v.thing(&m.Thing, sort)
		}
		switch is {
		case ofPiece:
			m.Of.visit(v)
		case reaches:
			v.number(&m.Number, -MostValue, MostValue, "what a fact becomes")
		case stays:
			v.number(&m.Number, 1, limit.RuleTicks, "for how long the player has been within an area")
		case everyTicks:
			v.number(&m.Number, 1, limit.RuleTicks, "after how long something happens again")
		case everySteps:
			v.number(&m.Number, 1, MostValue, "after how many steps something happens again")
		}
	}
}

func (a *Action) visit(v visitor) {
	for _, is := range deeds[a.Does].parts {
		if sort := named[is]; sort != kind.NoThing {
			v.thing(&a.Thing, sort)
		}
		switch is {
		case subject:
			a.Subject.visit(v)
		case towards:
			a.Towards.visit(v)
		case presence:
			v.option(&a.Is, kind.Presences, "a presence")
		case power:
			v.option(&a.Is, kind.Powers, "a power")
		case ownState:
			v.state(&a.Is)
		case ability:
			v.option(&a.Is, AbilityWords, "an ability")
		case pose:
			v.option(&a.Is, PoseWords, "what somebody is seen doing")
		case becomes:
			v.option(&a.Is, CellWords, "what becomes of cells")
		case side:
			v.option(&a.Is, SideWords, "an end of a crossing")
		case patch:
			if a.Is == CellsBecome {
				v.thing(&a.Other, kind.Patch)
			}
		case changing:
			v.changing(&a.Property)
		case quietly:
			v.flag(&a.Quiet)
		case how:
			choose(v, &a.How, setByWords, "how something is set")
		case value:
			a.Value.visit(v)
		case amount:
			v.number(&a.Number, 1, 100, "how much health")
		case ticks:
			v.number(&a.Number, 0, limit.RuleTicks, "for how long something goes on")
		case again:
			v.number(&a.Number, 1, MostTimes, "how many times something is done")
		case weight:
			v.number(&a.Number, 0, limit.Weight, "how likely something is")
		case says:
			v.words(&a.Text)
		case ending:
			v.name(&a.Name)
		case asked:
			a.If.visit(v)
		}
	}
}

// Encode gives a part as bytes, without its id: equal ones give equal bytes. What CheckPart does not take is not written whole.
func (p Part) Encode() []byte {
	w := &writer{}
	p.visit(w)
	return w.Bytes
}

// CheckPart holds a part against what it may be. What it names may be chosen later, and be 0. An error says in words what it may be.
func (p Part) CheckPart() error {
	k := &checker{happens: true, unchosen: true}
	p.visit(k)
	return k.err
}

// Refer gives a part that refers to other things, those that to gives for the ones to which it refers, in the order in which they stand. What is 0 then is
// chosen anew; conditions leave it out.
func (p Part) Refer(to func(sort kind.Thing, id kind.ID) kind.ID) Part {
	asks := p.If.Refer(to)
	p, err := DecodePart(p.ID, p.Encode())
	if err != nil {
		panic(err) // what was read or checked can be read
	}
	p.If = Condition{}
	p.visit(&referrer{each: func(sort kind.Thing, id kind.ID) kind.ID {
		if sort == kind.NoThing || id == 0 {
			return id
		}
		return to(sort, id)
	}})
	p.If = asks
	return p
}

// Refers calls for each thing to which a part refers, those of its condition last: 0 for what is still to be chosen.
func (p Part) Refers(each func(sort kind.Thing, id kind.ID)) {
	asked := p.If
	p.If, p.Value = Condition{}, p.Value.own()
	p.visit(listing(each))
	asked.Refers(each)
}

// ActsOn reports whether an action says who acts, or with what something is done.
func (a *Action) ActsOn() bool { return slices.Contains(deeds[a.Does].parts, subject) }

// Aims reports whether an action says to what something looks, walks or goes.
func (a *Action) Aims() bool { return slices.Contains(deeds[a.Does].parts, towards) }

// Befalls reports whether a moment is one that befalls pieces.
func (m *Moment) Befalls() bool { return slices.Contains(consists(m.Is), ofPiece) }

// Names is the sort of thing that is chosen for a part by itself: the fact that it sets, the area that is entered; NoThing if there is none.
func (p *Part) Names() kind.Thing {
	list := deeds[p.Does].parts
	if p.Awaits() {
		list = consists(p.Begins.Is)
	}
	for _, is := range list {
		if sort := named[is]; sort != kind.NoThing {
			return sort
		}
	}
	return kind.NoThing
}

// thing is what is chosen for a part by itself.
func (p *Part) thing() *kind.ID {
	if p.Awaits() {
		return &p.Begins.Thing
	}
	return &p.Thing
}

// Ticks is how long a part says, in ticks; false if it says no time.
func (p *Part) Ticks() (ticks int, timed bool) {
	if p.Awaits() {
		list := consists(p.Begins.Is)
		return p.Begins.Number, slices.Contains(list, stays) || slices.Contains(list, everyTicks)
	}
	return p.Number, p.Does.timed()
}

// timed reports whether an action says a time, which it takes.
func (d Deed) timed() bool { return slices.Contains(deeds[d].parts, ticks) }

// TakesTime reports whether what stands after an action is never done in the same tick.
func (p *Part) TakesTime() bool {
	switch p.Does {
	case Say, Question, WalkTo, Until:
		return true
	}
	return p.Does.timed() && p.Number > 0
}

// Asks calls for each thing for which a part asks: in its condition, its value, or as the moment at which it begins.
func (p *Part) Asks(each func(sort kind.Thing, id kind.ID)) {
	asked := p.If
	if sort := p.Names(); p.Awaits() && sort != kind.NoThing {
		each(sort, p.Begins.Thing)
	}
	asked.Refers(each)
	Condition{Ask: Compares, Left: p.Value}.Refers(each)
}
