package logic

import (
	"cmp"
	"fmt"
	"slices"
	"sort"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/pack"
	"azzel/core/words"
)

// A Rule says what is done when something happens, or what is so while something holds. The zero value begins by nothing and
// does nothing.
type Rule struct {
	Begins Beginning
	// If must hold: of a rule that begins when something happens as that happens; of one that is so while it holds it asks for what is
	// remembered.
	If Condition
	// Repeats is how often it goes, Pause for how many ticks it does not go again if it says NotAgainFor.
	Repeats Repeats
	Pause   int
	// Busy is what becomes of it when it is to begin while it is under way.
	Busy Busy
	// Elsewhere says that it goes on while the player is on another map than the one that it belongs to.
	Elsewhere bool
	// Home is what it belongs to, by its sort: a map, a piece, an area, a crossing, a character or a type of piece; NoThing and 0 for the project.
	HomeSort kind.Thing
	Home     kind.ID
	// Parts are what it is made of, sorted by their ids.
	Parts []Part

	tree map[place][]*Part
	// trunk are those of them that stand in no other part, by their branch: they are asked for most.
	trunk [branchEnd][]*Part
	// twigs are what is asked of these first.
	twigs [branchEnd][]twig
}

// place is where parts stand: in which part, 0 for the rule itself, and in which of its branches.
type place struct {
	in     kind.ID
	branch int
}

// A Beginning is how a rule begins.
type Beginning uint8

// How rules begin: when one of its moments comes, or while its condition holds. What the second one does stands in branch Then of
// the rule, and what it does once the condition does not hold any more in branch Otherwise.
const (
	When Beginning = iota
	While
	beginningEnd
)

// The branches of a part, or of a rule itself.
const (
	Then = iota
	Otherwise
	branchEnd
)

// Repeats is how often a rule goes.
type Repeats uint8

// How often rules go: each time, once while the game is played, once for each visit to the player's map, and not again for a
// while.
const (
	EachTime Repeats = iota
	OnceEver
	OnceAVisit
	NotAgainFor
	repeatsEnd
)

// Busy is what becomes of a rule that is to begin while it is under way.
type Busy uint8

// What becomes of it: it is left as it is, begins again, or is under way twice.
const (
	LeaveIt Busy = iota
	BeginAgain
	Both
	busyEnd
)

// A Part is one of those of which a rule is made: a moment at which it begins, or an action. Each is stored by itself.
type Part struct {
	ID kind.ID
	// In is the action in which it stands, 0 for the rule itself, Branch in which of its branches. Order sorts those that stand beside each other; where it is the same their ids do.
	In     kind.ID
	Branch int
	Order  int
	// Off says that it is passed over.
	Off bool
	// Does is what it does; Nothing says that it is a moment instead, which Begins is. Until waits for the moment Begins.
	Begins Moment
	Action
}

// A Moment is one at which a rule begins.
type Moment struct {
	// Is is the number of the moment, 0 for none.
	Is int
	// Of is the piece to which it happens, if it befalls pieces; Thing what else it is of.
	Of    Noun
	Thing kind.ID
	// Number is what a fact reaches, for how many ticks somebody stays, or after how many ticks or steps it comes again.
	Number int
}

// An Action is one of the things that a rule does. Which of the fields count stands in the table of what there is to do; those that do
// not are zero.
type Action struct {
	Does Deed
	// Subject is what acts, or with which something is done.
	Subject Noun
	// Towards is to what something looks or walks.
	Towards Noun
	// Thing is the fact, item, mark or rule that is meant; Other the patch that the cells of an area become.
	Thing, Other kind.ID
	// Property is which property of a piece is set.
	Property kind.Field
	// How is how a fact or a property is set, Value to what or by how much, or how many of an item.
	How   SetBy
	Value Value
	// Is is the presence, power or state that a piece gets, the presence of a layer, the power of the forces of an area, which of the AbilityWords the player has or lacks, which of the PoseWords somebody is seen doing, which of the CellWords becomes of cells, or which end of a crossing is meant; Quiet that nothing happens by that.
	Is    int
	Quiet bool
	// Number is for how many ticks, how many times, how likely, or how much.
	Number int
	// Text is what the player reads, Name what an ending is called.
	Text words.Text
	Name string
	// If is what is asked.
	If Condition
}

// SetBy is how a fact or a property is set.
type SetBy uint8

// How facts and properties are set: to a value, up by one and down by one.
const (
	Becomes SetBy = iota
	GoesUp
	GoesDown
	setByEnd
)

// A Deed is what an action does. The numbers stand in stored bytes.
type Deed uint8

// What there is to do. Nothing is that of a part that is a moment. If does what stands in its branch Then if its condition holds, else what stands in
// Otherwise; Again does what stands in it so many times, OneOf one of its Cases by their weights, and Ask what stands in the Choice that the player takes. WalkTo, CameraTo, CameraBack,
// Shake, FadeOut, FadeIn and ShowPose take time: until those that walk are there or can't get on, and the others as many ticks as they say. Until waits for the moment
// that it says, and Together until all has ended that stands in it, which begins at once.
const (
	Nothing Deed = iota
	SetFact
	SetPresence
	SetPower
	SetState
	Get
	Lose
	Hurt
	Heal
	TakeTo
	HoldStill
	LetGo
	Say
	Question
	Choice
	If
	Again
	OneOf
	Case
	Wait
	Stop
	AskFor
	End
	LookAt
	WalkTo
	CameraTo
	CameraBack
	Shake
	CanDo
	CannotDo
	Until
	Together
	FadeOut
	FadeIn
	Become
	LetOut
	PutAt
	SetForces
	SetLayer
	FollowTrack
	ShowPose
	SetCells
	TakeToDoorway
	SetProperty
	deedEnd
)

// MostNested is how deep parts of a rule lie in one another at most.
const MostNested = 12

// Kids are the parts that stand in a branch of another one, or of the rule itself for 0, in their order.
func (r *Rule) Kids(in kind.ID, branch int) []*Part {
	if r.tree == nil {
		r.plant()
	}
	if in == 0 && branch >= 0 && branch < len(r.trunk) {
		return r.trunk[branch]
	}
	return r.tree[place{in, branch}]
}

// Plant sorts the parts into a tree. It is to be called before a rule is shared.
func (r *Rule) Plant() { r.plant() }

func (r *Rule) plant() {
	r.tree = make(map[place][]*Part, len(r.Parts))
	for i := range r.Parts {
		p := &r.Parts[i]
		at := place{p.In, p.Branch}
		r.tree[at] = append(r.tree[at], p)
	}
	for _, list := range r.tree {
		slices.SortFunc(list, func(a, b *Part) int { return cmp.Or(cmp.Compare(a.Order, b.Order), cmp.Compare(a.ID, b.ID)) })
	}
	for branch := range r.trunk {
		r.trunk[branch] = r.tree[place{0, branch}]
		r.twigs[branch] = nil
		for _, p := range r.trunk[branch] {
			r.twigs[branch] = append(r.twigs[branch], twigOf(p))
		}
	}
}

// A twig is what is asked of a part before it is done, apart from it since a part is large.
type twig struct {
	part  *Part
	id    kind.ID
	order int
	does  Deed
	off   bool
}

func twigOf(p *Part) twig { return twig{p, p.ID, p.Order, p.Does, p.Off} }

// Part finds a part; nil if there is none.
func (r *Rule) Part(id kind.ID) *Part {
	i, there := r.at(id)
	if !there {
		return nil
	}
	return &r.Parts[i]
}

func (r *Rule) at(id kind.ID) (int, bool) {
	// A part is large, so that none is copied to be compared.
	i := sort.Search(len(r.Parts), func(i int) bool { return r.Parts[i].ID >= id })
	return i, i < len(r.Parts) && r.Parts[i].ID == id
}

// Set puts a part into the rule, in the place of one of the same id.
func (r *Rule) Set(p Part) {
	list := slices.Clone(r.Parts)
	if i, there := r.at(p.ID); there {
		list[i] = p
	} else {
		list = lists.Insert(list, i, p)
	}
	r.Parts, r.tree = list, nil
}

// Copy is a rule of the same parts with other ids, as fresh gives them.
func (r Rule) Copy(fresh func() kind.ID) Rule {
	ids := make(map[kind.ID]kind.ID, len(r.Parts))
	for _, p := range r.Parts {
		ids[p.ID] = fresh()
	}
	parts := r.Parts
	r.Parts = nil
	for _, p := range parts {
		p.ID = ids[p.ID]
		if in := ids[p.In]; in != 0 {
			p.In = in
		}
		r.Set(p)
	}
	return r
}

// Drop takes a part out of the rule, but not those that stand in it.
func (r *Rule) Drop(id kind.ID) {
	if i, there := r.at(id); there {
		r.Parts, r.tree = slices.Delete(slices.Clone(r.Parts), i, i+1), nil
	}
}

// holds reports whether an action can stand in a branch of another one; in the rule itself for nil.
func (r *Rule) holds(in *Part, branch int, is Deed) bool {
	switch {
	case is == Choice || is == Case:
		return in != nil && branch == Then && (in.Does == Question && is == Choice || in.Does == OneOf && is == Case)
	case in == nil:
		return branch == Then || branch == Otherwise && r.Begins == While
	}
	return branch < in.Does.Branches() && in.Does != Question && in.Does != OneOf
}

// Branches is how many branches an action has in which others stand.
func (d Deed) Branches() int { return deeds[d].branches }

// Done reports whether a part is one that is done: it stands where it can stand, all in which it stands does, and none of them is off. What was put
// into a part that somebody else took away meanwhile is not.
func (r *Rule) Done(p *Part) bool {
	return p.Does != Nothing && r.eachOver(p, func(p *Part) bool { return !p.Off })
}

// eachOver reports whether a part stands in the rule, with all in which it stands, and each of them is so.
func (r *Rule) eachOver(p *Part, is func(*Part) bool) bool {
	for range MostNested {
		in := r.Part(p.In)
		if !is(p) || in == nil && p.In != 0 || !r.holds(in, p.Branch, p.Does) {
			return false
		}
		if in == nil {
			return true
		}
		p = in
	}
	return false
}

// Strays are the actions that stand nowhere in the rule, since what they stood in is gone or they can't stand in it: they are kept, and not done.
func (r *Rule) Strays() (list []*Part) {
	for i := range r.Parts {
		p := &r.Parts[i]
		if p.Does != Nothing && !r.stands(p) {
			list = append(list, p)
		}
	}
	return list
}

// stands reports whether a part, and all in which it stands, stand in the rule.
func (r *Rule) stands(p *Part) bool { return r.eachOver(p, func(*Part) bool { return true }) }

// Moments are those at which the rule begins, in their order.
func (r *Rule) Moments() (list []*Part) {
	for _, p := range r.Kids(0, Then) {
		if p.Does == Nothing {
			list = append(list, p)
		}
	}
	return list
}

// Within lists a part and all that stand in it.
func (r *Rule) Within(id kind.ID) (list []*Part) {
	p := r.Part(id)
	if p == nil {
		return nil
	}
	list = append(list, p)
	for i := 0; i < len(list) && len(list) <= len(r.Parts); i++ {
		for branch := range branchEnd {
			list = append(list, r.Kids(list[i].ID, branch)...)
		}
	}
	return list
}

// Check holds the rule, but for its parts, against what it may be. An error says it in words.
func (r *Rule) Check() error {
	switch {
	case r.Begins >= beginningEnd || r.Repeats >= repeatsEnd || r.Busy >= busyEnd:
		return fmt.Errorf("%w: a rule that goes in a way that is not known here; reload the page", pack.ErrMalformed)
	case r.Pause < 0 || r.Pause > limit.RuleTicks:
		return fmt.Errorf("a rule does not go again for 0 to %d s", limit.RuleTicks/60)
	case len(r.Parts) > limit.RuleParts:
		return fmt.Errorf("a rule has at most %d actions and moments: let it ask for another one", limit.RuleParts)
	}
	for i := range r.Parts {
		deep, p := 1, &r.Parts[i]
		for ; p != nil && p.In != 0 && deep <= len(r.Parts); deep++ {
			p = r.Part(p.In)
		}
		// Parts that stand in each other, or in what is gone, stand nowhere in the rule.
		if p != nil && p.In == 0 && deep > MostNested {
			return fmt.Errorf("actions lie in one another at most %d deep: let the rule ask for another one", MostNested)
		}
	}
	if r.Begins == While {
		return r.If.CheckWhile()
	}
	return r.If.Check(true)
}

// twigsOf are what is asked first of the parts of a branch that stand in no other part.
func (r *Rule) twigsOf(branch int) []twig {
	if r.tree == nil {
		r.plant()
	}
	return r.twigs[branch]
}
