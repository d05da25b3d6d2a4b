package wording

import (
	"fmt"
	"strconv"
	"strings"

	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/logic"
	"azzel/core/world"
)

// A Word is a part of a sentence that says what a rule does: plain letters, or what can be chosen there, in a slot.
type Word struct {
	Text string
	// Slot is what is chosen there, empty for plain letters.
	Slot string
	// Names says that it names something: Ref, if that is one thing. Otherwise it is a value.
	Names bool
	Ref   world.Ref
	// Gone says that what it names is not there, or was not chosen yet.
	Gone bool
}

// The slots of a sentence.
const (
	SlotSubject   = "subject"
	SlotTowards   = "towards"
	SlotThing     = "thing"
	SlotOther     = "other"
	SlotValue     = "value"
	SlotHow       = "how"
	SlotIs        = "is"
	SlotNumber    = "number"
	SlotText      = "text"
	SlotName      = "name"
	SlotCondition = "if"
	SlotMoment    = "moment"
	SlotProperty  = "property"
)

// unchosen is what stands where something is still to be chosen.
const unchosen = "…"

// A sentence is words that are joined as they come.
type sentence struct {
	words
	// home is the piece to which the rule belongs.
	home world.Ref
	list []Word
}

func (s *sentence) plain(text string) *sentence {
	s.list = append(s.list, Word{Text: text})
	return s
}

func (s *sentence) value(slot, text string) *sentence {
	s.list = append(s.list, Word{Text: text, Slot: slot})
	return s
}

// thing names one thing of a sort.
func (s *sentence) thing(sort world.Sort, id world.ID) *sentence {
	w := Word{Slot: SlotThing, Names: true, Text: unchosen, Gone: true}
	switch {
	case id == 0:
	case sort == world.SortPiece:
		if m, p := s.d.Piece(id); p != nil {
			w.Text, w.Gone, w.Ref = s.noun(logic.Noun{Is: logic.Piece, Thing: id}), false, world.Ref{Sort: sort, Map: m.ID, ID: id}
		}
	case sort == world.SortLayer:
		if m, l := s.d.LayerOn(id); l != nil {
			w.Text, w.Gone, w.Ref = l.Name+", "+m.Name, false, world.Ref{Sort: sort, Map: m.ID, ID: id}
		}
	case sort == world.SortRule && s.d.Rule(id) != nil:
		w.Text, w.Gone, w.Ref = RuleName(s.d, s.d.Rule(id)), false, world.RuleRef(id)
	default:
		w.Text = s.named(sort, id)
		if w.Gone = w.Text == gone; !w.Gone {
			w.Ref = world.Ref{Sort: sort, ID: id}
		}
	}
	if w.Gone && id != 0 {
		w.Text = gone
	}
	s.list = append(s.list, w)
	return s
}

// acts names who or what does something, so that a verb can follow.
func (s *sentence) acts(n logic.Noun) *sentence { return s.names(SlotSubject, n) }

// names names pieces, or the player, in a slot.
func (s *sentence) names(slot string, n logic.Noun) *sentence {
	w := Word{Slot: slot, Names: true, Text: s.one(n)}
	switch n.Is {
	case logic.Piece:
		m, p := s.d.Piece(n.Thing)
		switch {
		case p != nil:
			w.Ref = world.Ref{Sort: world.SortPiece, Map: m.ID, ID: n.Thing}
		case n.Thing == 0:
			w.Text, w.Gone = unchosen, true
		default:
			w.Gone = true
		}
	case logic.This:
		w.Ref = s.home
	case logic.AllInArea, logic.AnyInArea, logic.NearestInArea:
		w.Ref = world.Ref{Sort: world.SortArea, ID: n.Thing}
		w.Gone = s.d.Area(n.Thing) == nil
	}
	s.list = append(s.list, w)
	return s
}

// one is a noun before a verb in the singular.
func (s *sentence) one(n logic.Noun) string {
	switch n.Is {
	case logic.This:
		if s.this == "" {
			return "this"
		}
		return s.this
	case logic.AllOfType:
		return "every " + s.kindName(n.Type)
	case logic.AnyOfType:
		return "any " + s.kindName(n.Type)
	case logic.AllInArea:
		return "everything in " + s.named(world.SortArea, n.Thing)
	case logic.AnyInArea:
		return "anything in " + s.named(world.SortArea, n.Thing)
	}
	return s.noun(n)
}

// CellVerbs are what people read of the cells of an area that become others, by what they become.
var CellVerbs = [...]string{logic.CellsBecome: "become", logic.CellsPainted: "are as painted", logic.CellsCleared: "are cleared"}

// PresenceVerbs are what people read of a piece that a rule makes there, hidden or absent, PowerVerbs of one that is switched.
var (
	PresenceVerbs = [...]string{kind.There: "appears", kind.Hidden: "hides", kind.Absent: "vanishes"}
	PowerVerbs    = [...]string{kind.On: "is switched on", kind.Off: "is switched off"}
)

// PoseNames are what people read of what somebody is seen doing, in the order of logic.PoseWords.
var PoseNames = [...]string{"standing", "walking", "running", "jumping", "falling", "climbing", "swimming", "being hurt"}

// forceVerbs are what people read of the forces of an area that a rule switches.
var forceVerbs = [...]string{kind.On: "are switched on", kind.Off: "are switched off"}

// RepeatNames are how often rules go, BusyNames what becomes of one that is to begin while it is under way.
var (
	RepeatNames = [...]string{logic.EachTime: "each time", logic.OnceEver: "once ever", logic.OnceAVisit: "once a visit", logic.NotAgainFor: "not again for"}
	BusyNames   = [...]string{logic.LeaveIt: "leave it", logic.BeginAgain: "begin again", logic.Both: "both"}
)

// SetByNames are how a fact or a property that is a number is set.
var SetByNames = [...]string{logic.Becomes: "becomes", logic.GoesUp: "goes up by", logic.GoesDown: "goes down by"}

// Seconds are some ticks in seconds.
func Seconds(ticks int) string {
	return strconv.FormatFloat(float64(ticks*100/60)/100, 'f', -1, 64) + " s"
}

// quoted are words that the player reads, in short.
func quoted(text string) string {
	text = strings.Join(strings.Fields(text), " ")
	const most = 60
	if r := []rune(text); len(r) > most {
		text = string(r[:most-1]) + "…"
	}
	if text == "" {
		text = unchosen
	}
	return "“" + text + "”"
}

// wordsOf are words for a rule, in which this is what it belongs to.
func wordsOf(d *world.Document, r *logic.Rule) words {
	w := words{d: d}
	switch r.HomeSort {
	case kind.Piece:
		w.this = w.noun(logic.Noun{Is: logic.Piece, Thing: r.Home})
		if _, p := d.Piece(r.Home); p != nil {
			w.kind = p.Kind()
		}
	case kind.Type:
		w.this, w.kind = "this "+w.kindName(r.Home), d.Kind(r.Home)
	case kind.Character:
		w.this = w.named(world.SortCharacter, r.Home)
	}
	return w
}

func sentenceOf(d *world.Document, r *logic.Rule) *sentence {
	s := &sentence{words: wordsOf(d, r)}
	if m, _ := d.Piece(r.Home); r.HomeSort == kind.Piece && m != nil {
		s.home = world.Ref{Sort: world.SortPiece, Map: m.ID, ID: r.Home}
	}
	return s
}

// Action is what an action of a rule does, as a sentence.
func Action(d *world.Document, r *logic.Rule, p *logic.Part) []Word {
	s := sentenceOf(d, r)
	switch p.Does {
	case logic.SetFact:
		f := d.Fact(p.Thing)
		if f != nil && f.Objective {
			s.plain("the objective")
		}
		s.thing(world.SortFact, p.Thing)
		switch {
		case f != nil && !f.Counts && p.Value.Is == logic.Literal && p.How == logic.Becomes:
			s.plain("becomes").value(SlotValue, f.Says(f.Bound(p.Value.Number)))
		case f != nil && f.Text && p.Value.Is == logic.Literal && p.How == logic.Becomes:
			s.plain("becomes").value(SlotValue, FactSays(f, p.Value.Number))
		case f != nil && len(f.Words) > 0 && p.Value.Is == logic.Literal && p.How == logic.Becomes:
			s.value(SlotHow, SetByNames[p.How]).value(SlotValue, f.Says(p.Value.Number))
		default:
			s.value(SlotHow, SetByNames[p.How]).value(SlotValue, s.Value(&p.Value))
		}
	case logic.SetPresence:
		s.acts(p.Subject).value(SlotIs, PresenceVerbs[p.Is])
	case logic.SetPower:
		s.acts(p.Subject).value(SlotIs, PowerVerbs[p.Is])
	case logic.SetProperty:
		s.value(SlotProperty, s.property(p.Subject, p.Property)).plain("of").acts(p.Subject)
		is := d.Prop(p.Property)
		if is == nil {
			s.list[0].Gone = true
			is = &kind.Prop{}
		}
		if len(is.Names()) > 0 && p.How == logic.Becomes {
			s.plain(SetByNames[p.How])
		} else {
			s.value(SlotHow, SetByNames[p.How])
		}
		if p.Value.Is == logic.Literal {
			s.value(SlotValue, is.Says(p.Value.Number))
		} else {
			s.value(SlotValue, s.Value(&p.Value))
		}
	case logic.SetState:
		s.acts(p.Subject).value(SlotIs, kind.StateOf(p.Is).Says())
		if p.Quiet {
			s.plain("quietly")
		}
	case logic.Get:
		s.plain("the player gets").value(SlotValue, s.Value(&p.Value)).plain("of").thing(world.SortItem, p.Thing)
	case logic.Lose:
		s.plain("the player loses").value(SlotValue, s.Value(&p.Value)).plain("of").thing(world.SortItem, p.Thing)
	case logic.Hurt:
		s.plain("the player is hurt by").value(SlotNumber, strconv.Itoa(p.Number))
	case logic.Heal:
		s.plain("the player is healed by").value(SlotNumber, strconv.Itoa(p.Number))
	case logic.TakeTo:
		s.plain("the player is taken to").thing(world.SortPiece, p.Thing)
	case logic.TakeToDoorway:
		s.plain("the player is taken to the doorway of").thing(world.SortCrossing, p.Thing)
		name := "its " + logic.SideWords[p.Is] + " end"
		if c := d.Crossing(p.Thing); c != nil {
			if m := d.Map(c.Ends[p.Is].Map); m != nil && c.Ends[0].Map != c.Ends[1].Map {
				name = m.Name
			}
		}
		s.plain("at").value(SlotIs, name)
	case logic.HoldStill:
		s.plain("the player may not move")
	case logic.LetGo:
		s.plain("the player may move again")
	case logic.Say, logic.Question:
		if s.acts(p.Subject); p.Subject.Is == logic.Player {
			s.list[0].Text = "the game"
		}
		s.plain(map[logic.Deed]string{logic.Say: "says", logic.Question: "asks"}[p.Does]).value(SlotText, quoted(Spell(d, p.Text)))
	case logic.Choice:
		s.value(SlotText, quoted(Spell(d, p.Text)))
		if !p.If.Empty() {
			s.plain("if").value(SlotCondition, s.Condition(&p.If))
		}
		s.colon()
	case logic.If:
		s.plain("if").value(SlotCondition, s.conditionOr(&p.If)).colon()
	case logic.Again:
		s.value(SlotNumber, counted(p.Number, "time")).plain("over:")
	case logic.OneOf:
		s.plain("one of these, by chance:")
	case logic.Case:
		s.plain("with weight").value(SlotNumber, strconv.Itoa(p.Number)).colon()
	case logic.Wait:
		s.plain("wait").value(SlotNumber, Seconds(p.Number))
	case logic.Stop:
		s.plain("stop here")
	case logic.AskFor:
		s.plain("the rule").thing(world.SortRule, p.Thing).plain("goes")
	case logic.CanDo:
		s.plain("the player can").value(SlotIs, logic.AbilityWords[p.Is])
	case logic.CannotDo:
		s.plain("the player can no longer").value(SlotIs, logic.AbilityWords[p.Is])
	case logic.LookAt:
		s.acts(p.Subject).plain("looks at").names(SlotTowards, p.Towards)
	case logic.WalkTo:
		s.acts(p.Subject).plain("walks to").names(SlotTowards, p.Towards)
	case logic.CameraTo:
		s.plain("the camera goes to").names(SlotTowards, p.Towards).plain("in").value(SlotNumber, Seconds(p.Number))
	case logic.CameraBack:
		s.plain("the camera comes back in").value(SlotNumber, Seconds(p.Number))
	case logic.Shake:
		s.plain("the camera shakes for").value(SlotNumber, Seconds(p.Number))
	case logic.Until:
		s.plain("wait until").moment(&p.Begins)
	case logic.Together:
		s.plain("together:")
	case logic.FadeOut:
		s.plain("the screen goes dark in").value(SlotNumber, Seconds(p.Number))
	case logic.FadeIn:
		s.plain("the screen is seen again in").value(SlotNumber, Seconds(p.Number))
	case logic.Become:
		s.plain("the player becomes").thing(world.SortCharacter, p.Thing)
	case logic.LetOut:
		s.acts(p.Subject).plain("lets one out")
	case logic.SetForces:
		s.plain("the forces of").thing(world.SortArea, p.Thing).value(SlotIs, forceVerbs[p.Is])
	case logic.SetLayer:
		s.plain("the layer").thing(world.SortLayer, p.Thing).value(SlotIs, PresenceVerbs[p.Is])
	case logic.SetCells:
		s.plain("the cells of").thing(world.SortArea, p.Thing).value(SlotIs, CellVerbs[p.Is])
		if p.Is == logic.CellsBecome {
			s.thing(world.SortPatch, p.Other).list[len(s.list)-1].Slot = SlotOther
		}
	case logic.ShowPose:
		s.acts(p.Subject).plain("is seen").value(SlotIs, PoseNames[p.Is]).plain("for").value(SlotNumber, Seconds(p.Number))
	case logic.FollowTrack:
		s.acts(p.Subject).plain("follows").thing(world.SortTrack, p.Thing)
	case logic.PutAt:
		s.acts(p.Subject).plain("is put at").names(SlotTowards, p.Towards)
	case logic.End:
		s.plain("the game ends").value(SlotName, quoted(p.Name))
	}
	return s.list
}

// colon ends a sentence that others stand under.
func (s *sentence) colon() *sentence {
	s.list[len(s.list)-1].Text += ":"
	return s
}

func (s *sentence) conditionOr(c *logic.Condition) string {
	if c.Empty() {
		return unchosen
	}
	return s.Condition(c)
}

// Moment is when a rule begins, as a sentence.
func Moment(d *world.Document, r *logic.Rule, m *logic.Moment) []Word {
	return sentenceOf(d, r).moment(m).list
}

// moment adds when something happens.
func (s *sentence) moment(m *logic.Moment) *sentence {
	is := kind.MomentOf(m.Is)
	switch is {
	case logic.PlayBegins, logic.AskedFor, logic.PlayerHurt, logic.PlayerHarmed, logic.PlayerFell, logic.PlayerBack:
		s.plain(is.Name)
	case logic.MapBegins, logic.MapLeft:
		s.value(SlotMoment, is.Name).thing(world.SortMap, m.Thing)
	case logic.AreaEntered, logic.AreaLeft:
		s.value(SlotMoment, is.Name).thing(world.SortArea, m.Thing)
	case logic.ComesInto, logic.GoesOutOf:
		s.acts(m.Of).value(SlotMoment, is.Name).thing(world.SortArea, m.Thing)
	case logic.AreaStayed:
		s.value(SlotMoment, is.Name).thing(world.SortArea, m.Thing).plain("for").value(SlotNumber, Seconds(m.Number))
	case logic.TimePassed:
		s.plain("another").value(SlotNumber, Seconds(m.Number)).plain("have passed")
	case logic.StepsPassed:
		s.plain("the player has gone another").value(SlotNumber, counted(m.Number, "step"))
	case logic.CrossingTaken:
		s.plain(is.Name).thing(world.SortCrossing, m.Thing)
	case logic.FactChanged:
		s.thing(world.SortFact, m.Thing).value(SlotMoment, is.Name)
	case logic.FactReached:
		says := strconv.Itoa(m.Number)
		if f := s.d.Fact(m.Thing); f != nil && f.Sort() != world.ANumber {
			says = FactSays(f, f.Bound(m.Number))
		}
		s.thing(world.SortFact, m.Thing).value(SlotMoment, is.Name).value(SlotNumber, says)
	case logic.ItemHad, logic.ItemUsedUp, logic.ItemUsed:
		s.value(SlotMoment, is.Name).thing(world.SortItem, m.Thing)
	default:
		s.acts(m.Of).value(SlotMoment, "is "+is.Name)
	}
	return s
}

// Joined is a sentence as text.
func Joined(list []Word) string {
	texts := make([]string, len(list))
	for i, w := range list {
		texts[i] = w.Text
	}
	return strings.Join(texts, " ")
}

// ConditionWords is all that a condition of a rule asks for.
func ConditionWords(d *world.Document, r *logic.Rule, c *logic.Condition) string {
	return wordsOf(d, r).Condition(c)
}

// HomeName is what a rule belongs to; empty if that is gone.
func HomeName(d *world.Document, sort kind.Thing, home world.ID) string {
	w := words{d: d}
	switch sort {
	case kind.NoThing:
		return "The whole game"
	case kind.Type:
		if d.Kind(home) == nil {
			return ""
		}
		return "Every " + d.KindName(home)
	case kind.Map:
		if m := d.Map(home); m != nil {
			return m.Name
		}
		return ""
	case kind.Area:
		if d.Area(home) == nil {
			return ""
		}
		return w.named(world.SortArea, home)
	case kind.Character:
		if c := d.Character(home); c != nil {
			return "Whoever is " + c.Name
		}
		return ""
	case kind.Crossing:
		if c := d.Crossing(home); c != nil {
			return hand.CrossingName(d, c)
		}
		return ""
	}
	m, p := d.Piece(home)
	if p == nil {
		return ""
	}
	return fmt.Sprintf("%s, %s", w.noun(logic.Noun{Is: logic.Piece, Thing: home}), m.Name)
}

// RuleName is the name of a rule, or one made of when it begins.
func RuleName(d *world.Document, r *world.Rule) string {
	if r.Name != "" {
		return r.Name
	}
	return RuleSays(d, r)
}

// RuleSays is when a rule begins, in a few words.
func RuleSays(d *world.Document, r *world.Rule) string {
	if r.Begins == logic.While {
		if r.If.Empty() {
			return "Always"
		}
		return "While " + ConditionWords(d, &r.Rule, &r.If)
	}
	moments := r.Moments()
	switch len(moments) {
	case 0:
		return "Begins by nothing yet"
	case 1:
		return "When " + Joined(Moment(d, &r.Rule, &moments[0].Begins))
	}
	return fmt.Sprintf("When %s, or %d more", Joined(Moment(d, &r.Rule, &moments[0].Begins)), len(moments)-1)
}
