package rules

import (
	"strings"
	"unicode"

	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/wording"
	"azzel/core/stage"
	"azzel/core/words"
	"azzel/core/world"
)

// OfferView is something that a rule could do, or when it could begin.
type OfferView struct {
	Says string             `json:"says"`
	Part logic.RulePartForm `json:"part"`
	// Typed is what the player reads.
	Typed string `json:"typed"`
}

// AskOffers asks what can be put into a branch of a rule, or when it can begin, of which each word that is typed begins one.
type AskOffers struct {
	Rule page.ID `json:"rule"`
	// Takes is what can be put there: moments, actions, choices or cases.
	Takes string `json:"takes"`
	Typed string `json:"typed"`
}

// mostUnnamed is how many rules are looked at that have no name of their own.
const mostUnnamed = 500

// mostOffers is how many offers are made at once.
const mostOffers = 12

// offers are made until there are enough.
type offers struct {
	d      *world.Document
	rule   *world.Rule
	typed  string
	tokens []string
	list   []OfferView
	// until says that moments are offered up to which a rule waits.
	until bool
	// left are the tokens that a name does not begin with.
	left []string
	// parts are the words of what is said of many things.
	parts map[string][]string
	// changing is what can become of the properties of each kind.
	changing map[*kind.Kind]changes
}

// Answer implements Question.
func (q AskOffers) Answer(p *page.Page) any {
	d := p.Doc()
	o := &offers{d: d, rule: d.Rule(world.ID(q.Rule)), typed: strings.TrimSpace(q.Typed), tokens: tokensOf(q.Typed), list: []OfferView{}, parts: map[string][]string{}, changing: map[*kind.Kind]changes{}}
	r := o.rule
	if r == nil {
		return o.list
	}
	switch q.Takes {
	case "choices":
		o.add(logic.Part{Action: logic.Action{Does: logic.Choice, Text: o.text()}})
	case "cases":
		o.add(logic.Part{Action: logic.Action{Does: logic.Case, Number: 1}})
	case "moments":
		o.moments(r)
	default:
		o.actions(r)
	}
	return o.list
}

// tokensOf are the words of a text in small letters.
func tokensOf(text string) []string {
	return strings.FieldsFunc(strings.ToLower(text), func(r rune) bool { return !unicode.IsLetter(r) && !unicode.IsDigit(r) })
}

// without are the tokens with none of which a word of a text begins.
func without(tokens []string, text string) (left []string) {
	if len(tokens) == 0 {
		return nil
	}
	return among(tokens, tokensOf(text))
}

// among are the tokens with none of which a word begins.
func among(tokens, list []string) (left []string) {
	for _, t := range tokens {
		found := false
		for _, w := range list {
			if strings.HasPrefix(w, t) {
				found = true
				break
			}
		}
		if !found {
			left = append(left, t)
		}
	}
	return left
}

func (o *offers) full() bool { return len(o.list) >= mostOffers }

// of begins offers about something with a name, and reports whether there is still room for them.
func (o *offers) of(name string) bool {
	o.left = without(o.tokens, name)
	return !o.full()
}

// is makes an offer about what of was called for, if what is said of it has all words that the name lacks.
func (o *offers) is(says string, p logic.Part) {
	if o.fits(says) {
		o.add(p)
	}
}

// fits reports whether what is said of something has all words that its name lacks.
func (o *offers) fits(says string) bool {
	if len(o.left) == 0 {
		return true
	}
	list, known := o.parts[says]
	if !known {
		list = tokensOf(says)
		o.parts[says] = list
	}
	return len(among(o.left, list)) == 0
}

// alone makes an offer about nothing with a name.
func (o *offers) alone(p logic.Part) {
	if o.of("") {
		o.is(o.says(&p), p)
	}
}

func (o *offers) says(p *logic.Part) string {
	if p.Does == logic.Nothing {
		return wording.Joined(wording.Moment(o.d, &o.rule.Rule, &p.Begins))
	}
	return wording.Joined(wording.Action(o.d, &o.rule.Rule, p))
}

func (o *offers) add(p logic.Part) {
	if o.full() {
		return
	}
	p.ID = 1
	v := OfferView{Says: o.says(&p), Part: page.Conditions.WritePart(&p), Typed: wording.Spell(o.d, p.Text)}
	v.Part.Text = nil
	o.list = append(o.list, v)
}

// text is what is typed as what the player reads.
func (o *offers) text() words.Text {
	t, _, err := wording.ReadWords(o.d, o.typed, nil)
	if err != nil {
		return words.Plain(o.typed)
	}
	return t
}

func action(a logic.Action) logic.Part { return logic.Part{Action: a} }

// nearFirst calls for the pieces of the map to which a rule belongs, then for those of the others: those with a name of their own first.
func (o *offers) nearFirst(r *world.Rule, each func(p *world.Piece, name string)) {
	home := o.d.MapOf(r)
	for _, named := range []bool{true, false} {
		for _, here := range []bool{true, false} {
			for _, m := range o.d.Maps {
				if (m == home) != here {
					continue
				}
				for _, p := range m.Pieces {
					if o.full() {
						return
					}
					if (p.Name != "") == named {
						each(p, hand.PieceName(o.d, p))
					}
				}
			}
		}
	}
}

// newText offers that a fact becomes a text that is typed after that word and that it can't be yet.
func (o *offers) newText(f *world.Fact) {
	before, text, is := strings.Cut(o.typed, "becomes ")
	text = strings.TrimSpace(text)
	if _, has := f.NumberOf(text); !is || has || o.full() || len(without(tokensOf(before), f.Name)) > 0 || len([]rune(text)) > limit.FactLetters {
		return
	}
	with := *f
	with.Texts = []world.FactText{{Number: 1, Text: text}}
	part := action(logic.Action{Does: logic.SetFact, Thing: f.ID, Value: logic.Value{Number: 1}})
	part.ID = 1
	v := OfferView{Says: f.Name + " becomes " + wording.FactSays(&with, 1), Part: page.Conditions.WritePart(&part)}
	v.Part.Value.Number, v.Part.Value.Thing, v.Part.Value.Text = 0, page.FormatID(f.ID), text
	o.list = append(o.list, v)
}

// becomes offers all that can be made of a piece of a kind.
func (o *offers) becomes(n logic.Noun, k *kind.Kind) {
	for _, s := range k.States {
		o.is(s.Says(), action(logic.Action{Does: logic.SetState, Subject: n, Is: s.Number}))
	}
	if _, has := k.Has(props.Power); has {
		for _, power := range []int{kind.On, kind.Off} {
			o.is(wording.PowerVerbs[power], action(logic.Action{Does: logic.SetPower, Subject: n, Is: power}))
		}
	}
	if !k.Always {
		for presence, verb := range wording.PresenceVerbs {
			o.is(verb, action(logic.Action{Does: logic.SetPresence, Subject: n, Is: presence}))
		}
	}
	if stage.LetsOut(k) {
		o.is("lets one out", action(logic.Action{Does: logic.LetOut, Subject: n}))
	}
	if k.Ridden && len(o.tokens) > 0 {
		o.is("is put at", action(logic.Action{Does: logic.PutAt, Subject: n, Towards: logic.Noun{Is: logic.Piece}}))
	}
	if _, tracked := k.Has(props.Track); tracked && len(o.tokens) > 0 {
		o.is("follows the track", action(logic.Action{Does: logic.FollowTrack, Subject: n, Thing: o.trackFor(n)}))
	}
	if k.Figure {
		o.poses(n)
	}
	if k.Walks() {
		o.is("walks to the player", action(logic.Action{Does: logic.WalkTo, Subject: n, Towards: logic.Noun{Is: logic.Player}}))
		o.is("looks at the player", action(logic.Action{Does: logic.LookAt, Subject: n, Towards: logic.Noun{Is: logic.Player}}))
	}
	if k.Goes {
		o.is("says", action(logic.Action{Does: logic.Say, Subject: n}))
		o.is("asks", action(logic.Action{Does: logic.Question, Subject: n}))
	}
	// What a piece does is offered before that it should do so by its properties.
	o.changes(n, k)
}

// changes offers, once something is typed, that a piece of a kind has another value of a property that changes in play.
func (o *offers) changes(n logic.Noun, k *kind.Kind) {
	if len(o.left) == 0 {
		return
	}
	of, known := o.changing[k]
	if !known {
		of = changingOf(k)
		o.changing[k] = of
	}
	if len(among(o.left, of.words)) > 0 {
		return
	}
	for i := range of.list {
		if c := &of.list[i]; o.fits(c.says) {
			o.add(action(logic.Action{Does: logic.SetProperty, Subject: n, Property: c.prop.Field, Value: logic.Value{Number: c.number}}))
		}
	}
}

// changes are what can become of the properties of a kind, and all words of what is said of that.
type changes struct {
	list  []change
	words []string
}

// A change is that a property becomes something.
type change struct {
	prop   *kind.Prop
	number int
	says   string
}

// changingOf are what can become of the properties of a kind that change in play: each of their words, or the usual number.
func changingOf(k *kind.Kind) (of changes) {
	add := func(c change) {
		of.list, of.words = append(of.list, c), append(of.words, tokensOf(c.says)...)
	}
	for _, h := range k.Props {
		if h.Hidden || !logic.Changes(h.Prop) {
			continue
		}
		for i, name := range h.Names() {
			add(change{h.Prop, i, h.Says() + " becomes " + name})
		}
		if h.Names() == nil {
			add(change{h.Prop, k.Usual.Int(k, h.Prop), h.Says() + " becomes"})
		}
	}
	return of
}

// poses offers, once something is typed, what somebody is seen doing.
func (o *offers) poses(n logic.Noun) {
	for is, name := range wording.PoseNames {
		if len(o.tokens) > 0 {
			o.is("is seen "+name, action(logic.Action{Does: logic.ShowPose, Subject: n, Is: is, Number: 60}))
		}
	}
}

// homeKind is of which kind what a rule belongs to is; nil if that is none.
func (o *offers) homeKind(r *world.Rule) *kind.Kind {
	switch r.HomeSort {
	case kind.Type:
		return o.d.Kind(r.Home)
	case kind.Piece:
		if _, p := o.d.Piece(r.Home); p != nil {
			return p.Kind()
		}
	}
	return nil
}

// trackFor is the first track of the map on which a piece stands; 0 for none.
func (o *offers) trackFor(n logic.Noun) world.ID {
	m, _ := o.d.Piece(n.Thing)
	for _, t := range o.d.Tracks {
		if m == nil || t.Map == m.ID {
			return t.ID
		}
	}
	return 0
}

// somebody offers what can be made of whoever is a character.
func (o *offers) somebody(n logic.Noun) {
	o.is("says", action(logic.Action{Does: logic.Say, Subject: n}))
	o.is("looks at the player", action(logic.Action{Does: logic.LookAt, Subject: n, Towards: logic.Noun{Is: logic.Player}}))
	for presence, verb := range wording.PresenceVerbs {
		o.is(verb, action(logic.Action{Does: logic.SetPresence, Subject: n, Is: presence}))
	}
	o.poses(n)
	if len(o.tokens) > 0 {
		o.is("walks to", action(logic.Action{Does: logic.WalkTo, Subject: n, Towards: logic.Noun{Is: logic.Piece}}))
	}
}

// actions offers what a rule can do.
func (o *offers) actions(r *world.Rule) {
	if rest, is := untilWhen(o.tokens); is {
		all := o.tokens
		o.tokens, o.until = rest, true
		o.moments(r)
		o.tokens = all
	}
	one := logic.Value{Number: 1}
	game := logic.Noun{Is: logic.Player}
	if o.of("this " + wording.HomeName(o.d, r.HomeSort, r.Home)) {
		if k := o.homeKind(r); k != nil {
			o.becomes(logic.Noun{Is: logic.This}, k)
		} else if r.HomeSort == kind.Character {
			o.somebody(logic.Noun{Is: logic.This})
		}
	}
	if len(o.tokens) == 0 {
		// What is done most, before anything is typed.
		o.list = o.list[:min(len(o.list), 2)]
	}
	for _, a := range []logic.Action{
		{Does: logic.Say, Subject: game}, {Does: logic.Wait, Number: 60}, {Does: logic.If}, {Does: logic.Question, Subject: game},
	} {
		o.alone(action(a))
	}
	for _, f := range o.d.Facts {
		if !o.of(f.Name) {
			break
		}
		if !f.Counts {
			o.is("becomes yes", action(logic.Action{Does: logic.SetFact, Thing: f.ID, Value: one}))
			o.is("becomes no", action(logic.Action{Does: logic.SetFact, Thing: f.ID}))
			continue
		}
		if f.Text {
			o.newText(f)
			o.is("becomes", action(logic.Action{Does: logic.SetFact, Thing: f.ID}))
			for _, t := range f.Texts {
				o.is("becomes "+t.Text, action(logic.Action{Does: logic.SetFact, Thing: f.ID, Value: logic.Value{Number: t.Number}}))
			}
			continue
		}
		for i, word := range f.Words {
			o.is("becomes "+word, action(logic.Action{Does: logic.SetFact, Thing: f.ID, Value: logic.Value{Number: i}}))
		}
		for how, says := range wording.SetByNames {
			if how == int(logic.Becomes) && len(f.Words) > 0 {
				continue // said by its words
			}
			o.is(says, action(logic.Action{Does: logic.SetFact, Thing: f.ID, How: logic.SetBy(how), Value: one}))
		}
	}
	o.nearFirst(r, func(p *world.Piece, name string) {
		if r.HomeSort == kind.Piece && r.Home == p.ID || !o.of(name) {
			return
		}
		n := logic.Noun{Is: logic.Piece, Thing: p.ID}
		if p.Kind().Named || p.Kind().Starts || p.Kind().Begins {
			o.is("the player is taken to", action(logic.Action{Does: logic.TakeTo, Thing: p.ID}))
			o.is("the player walks to", action(logic.Action{Does: logic.WalkTo, Subject: game, Towards: n}))
		}
		if len(o.tokens) > 0 {
			o.is("the camera goes to", action(logic.Action{Does: logic.CameraTo, Towards: n, Number: 60}))
			o.is("the player looks at", action(logic.Action{Does: logic.LookAt, Subject: game, Towards: n}))
		}
		o.becomes(n, p.Kind())
	})
	for _, c := range o.d.Crossings {
		if len(o.tokens) > 0 && o.of("doorway "+hand.CrossingName(o.d, c)) {
			for end := range c.Ends {
				o.is("the player is taken to", action(logic.Action{Does: logic.TakeToDoorway, Thing: c.ID, Is: end}))
			}
		}
	}
	for _, i := range o.d.Items {
		if o.of(i.Name) {
			o.is("the player gets", action(logic.Action{Does: logic.Get, Thing: i.ID, Value: one}))
			o.is("the player loses", action(logic.Action{Does: logic.Lose, Thing: i.ID, Value: one}))
		}
	}
	if len(o.tokens) > 0 {
		for _, a := range o.d.Areas {
			if o.of("forces " + hand.Name(o.d, world.Ref{Sort: world.SortArea, ID: a.ID})) {
				for _, power := range []int{kind.Off, kind.On} {
					o.is(wording.PowerVerbs[power], action(logic.Action{Does: logic.SetForces, Thing: a.ID, Is: power}))
				}
			}
			if o.of("cells " + hand.Name(o.d, world.Ref{Sort: world.SortArea, ID: a.ID})) {
				for _, b := range o.d.Patches {
					o.is("become "+b.Name, action(logic.Action{Does: logic.SetCells, Thing: a.ID, Other: b.ID}))
				}
				for is, verb := range wording.CellVerbs {
					if is != logic.CellsBecome || len(o.d.Patches) == 0 {
						o.is(verb, action(logic.Action{Does: logic.SetCells, Thing: a.ID, Is: is}))
					}
				}
			}
		}
		for _, m := range o.d.Maps {
			for _, l := range m.Layers {
				if o.of("layer " + l.Name + " " + m.Name) {
					for presence, verb := range wording.PresenceVerbs {
						o.is(verb, action(logic.Action{Does: logic.SetLayer, Thing: l.ID, Is: presence}))
					}
				}
			}
		}
		for _, c := range o.d.Characters {
			if o.of(c.Name) {
				o.is("the player becomes", action(logic.Action{Does: logic.Become, Thing: c.ID}))
			}
		}
		if o.of("the player") {
			o.poses(game)
		}
		for is := range logic.AbilityWords {
			o.alone(action(logic.Action{Does: logic.CanDo, Is: is}))
			o.alone(action(logic.Action{Does: logic.CannotDo, Is: is}))
		}
	}
	for _, a := range []logic.Action{
		{Does: logic.HoldStill}, {Does: logic.LetGo}, {Does: logic.Hurt, Number: 1}, {Does: logic.Heal, Number: 1}, {Does: logic.CameraBack, Number: 60}, {Does: logic.Shake, Number: 30}, {Does: logic.FadeOut, Number: 60}, {Does: logic.FadeIn, Number: 60}, {Does: logic.Together}, {Does: logic.Again, Number: 3}, {Does: logic.OneOf}, {Does: logic.Stop}, {Does: logic.End},
	} {
		o.alone(action(a))
	}
	for _, k := range o.d.Kit() {
		if o.of("every " + k.Name) {
			o.becomes(logic.Noun{Is: logic.AllOfType, Type: k.Type}, k.Kind)
		}
	}
	for i, other := range o.d.Rules {
		// What a rule without a name is called takes long to say.
		if other.Name == "" && i > mostUnnamed {
			continue
		}
		if o.of("the rule " + wording.RuleName(o.d, other)) {
			o.is("goes", action(logic.Action{Does: logic.AskFor, Thing: other.ID}))
		}
	}
	if o.typed != "" {
		o.add(action(logic.Action{Does: logic.Say, Subject: game, Text: o.text()}))
	}
}
