// Package found is the room of what is wrong in a project: the findings in words, where each is, and what mends it.
package found

import (
	"fmt"
	"slices"
	"strings"

	"azzel/core/findings"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/wording"
	"azzel/core/world"
)

func init() {
	page.RegisterQuestions(page.Asking{Question: AskFindings{}, Otherwise: FindingsView{List: []FindingView{}}})
}

// FindingsView is what is wrong.
type FindingsView struct {
	// Count is how many findings there are, of which List has the first.
	Count int           `json:"count"`
	List  []FindingView `json:"list"`
}

// FindingView is one thing that is wrong.
type FindingView struct {
	// Fault is its sort, as MendFinding takes it.
	Fault int `json:"fault"`
	// Where is the name of the thing with which it is, Says what is wrong there, Mend what a click does to it; empty if there is none.
	Where string `json:"where"`
	Says  string `json:"says"`
	// Here is what it says where the part of the rule stands beside it.
	Here  string     `json:"here"`
	Mend  string     `json:"mend"`
	Thing page.Thing `json:"thing"`
	// Part is the part of the rule, 0 for all of it.
	Part string `json:"part"`
	// X and Y are where it is on the board, for a piece.
	X int `json:"x"`
	Y int `json:"y"`
}

// mostListed is how many findings are listed.
const mostListed = 300

// AskFindings asks what is wrong, in the whole project or with one rule. Only what was touched since it was asked last is looked at anew.
type AskFindings struct {
	Rule page.ID `json:"rule,omitempty"`
}

// Answer implements Question.
func (q AskFindings) Answer(p *page.Page) any {
	d := p.Doc()
	list := p.Finder.Find(d)
	if q.Rule != 0 {
		list = lists.Without(slices.Clone(list), func(f findings.Finding) bool { return f.Of != world.RuleRef(world.ID(q.Rule)) })
	}
	v := FindingsView{Count: len(list), List: []FindingView{}}
	for _, f := range list[:min(len(list), mostListed)] {
		v.List = append(v.List, view(d, f))
	}
	return v
}

func view(d *world.Document, f findings.Finding) FindingView {
	v := FindingView{Fault: int(f.Fault), Says: says(d, f, aboutPart(d, f)), Here: says(d, f, ""), Mend: mendOf(f).label, Part: page.FormatID(f.Part),
		Thing: page.Thing{Kind: page.KindNames[f.Of.Sort], Map: page.ID(f.Of.Map), ID: page.ID(f.Of.ID)}}
	if f.Part == 0 && mendOf(f).ofPart {
		v.Mend = ""
	}
	switch f.Of.Sort {
	case world.SortRule:
		v.Where = wording.RuleName(d, d.Rule(f.Of.ID))
	case world.SortPiece:
		m, p := d.Piece(f.Of.ID)
		at := p.Foot.Add(d.Project.Lattice().Pixel(m.Origin))
		v.Where, v.X, v.Y = hand.PieceName(d, p), at.X, at.Y
	default:
		v.Where = hand.Name(d, f.Of)
	}
	return v
}

// sentences say what is wrong: %s is what the part of the rule says, or what else it is about. Those of pieces are in ofPiece.
var sentences = map[findings.Fault]string{
	findings.Homeless:      "It belongs to what is gone, so that it never goes.",
	findings.NeverBegins:   "It begins by nothing, and no rule asks for it.",
	findings.DoesNothing:   "Nothing is done in it.",
	findings.NeverComes:    "It can’t come: %s.",
	findings.NeverHolds:    "What must hold can’t: %s.",
	findings.Unchosen:      "Something is still to be chosen: %s.",
	findings.NoThis:        "This is nothing, since the rule belongs to no piece: %s.",
	findings.Stray:         "It stands nowhere any more, and is not done: %s.",
	findings.NeverDone:     "It is never done, since the rule ends before it: %s.",
	findings.NoAnswer:      "There is no answer to it: %s.",
	findings.NoDifference:  "No answer to it does anything: %s.",
	findings.NoCase:        "One of some things is done by chance, and none of them is likely.",
	findings.CannotBe:      "It is never so: %s.",
	findings.WaitsBeneath:  "That the piece is there only while something holds wins over it: %s.",
	findings.HeldForGood:   "The player may not move any more, and nothing lets them.",
	findings.LeftDark:      "The screen stays dark, and nothing lets it be seen again.",
	findings.InCircles:     "It is done again and again without a wait: %s.",
	findings.Endless:       "It sets off %s, by which it is set off, without end.",
	findings.AsksOff:       "It asks for a rule that is switched off: %s.",
	findings.TooLong:       "The text does not fit its box: %s.",
	findings.TooLongAnswer: "The answer does not fit its line: %s.",
	findings.NeverAsked:    "It is set, and nothing asks for it.",
	findings.NeverSet:      "It is asked for, and nothing sets it.",
	findings.NeverGiven:    "It is asked for, and nothing gives it.",
	findings.OffMap:        "Its place is not on its map any more, so that play begins elsewhere.",
	findings.InWall:        "There is no room for the player at its place, so that play begins beside it.",
	findings.NeverWorked:   "It opens only when it is worked, and no wire or rule works it.",
	findings.TooMany:       "There are more of its type than there may be.",
	findings.NoneThere:     "There is to be exactly one of it, and there is none yet.",
	findings.NoPicture:     "It has pictures of its own, and none for this: %s.",
	findings.StockPicture:  "It and what is like it are seen as they come, while others have pictures of their own.",
	findings.NoWay:         "There is no way to walk there: %s.",
	findings.Forgotten:     "It goes once ever, and all that it does is forgotten when the player returns.",
}

// says is what is wrong, as a sentence, about what is repeated in it, if anything is.
func says(d *world.Document, f findings.Finding, about string) string {
	switch f.Fault {
	case findings.CannotBe:
		if f.Of.Sort == world.SortStart {
			return fmt.Sprintf("It says of %s what that can’t be any more.", about)
		}
	case findings.Gone:
		return fmt.Sprintf("%s names %s that is gone.", start(about), article(kind.ThingNames[f.Sort]))
	case findings.NoLetter:
		letters := strings.Join(strings.Split(f.Letters, ""), " ")
		return repeating("The game has no letter for "+letters+", and shows a box there: %s.", about)
	case findings.Endless:
		other := "itself"
		if r := d.Rule(f.Thing); r != nil && f.Thing != f.Of.ID {
			other = "the rule “" + wording.RuleName(d, r) + "”"
		}
		return fmt.Sprintf(sentences[f.Fault], other)
	}
	return repeating(sentences[f.Fault], about)
}

// repeating fills in what a sentence is about, or leaves that out.
func repeating(s, about string) string {
	if about == "" {
		return strings.Replace(s, ": %s", "", 1)
	}
	return strings.Replace(s, "%s", about, 1)
}

// aboutPart is what a finding is about, within a sentence: what the part says, or what is set of the piece.
func aboutPart(d *world.Document, f findings.Finding) string {
	if f.Of.Sort == world.SortPiece {
		_, p := d.Piece(f.Of.ID)
		prop := d.Prop(f.Property)
		if prop == nil {
			return "" // it is about the piece as a whole
		}
		is := "its “" + prop.Label + "”"
		if h, has := p.Kind().Has(prop); has {
			is = "its “" + h.Says() + "”"
		}
		return is
	}
	if f.Of.Sort == world.SortStart {
		return aboutStart(d, f)
	}
	if f.Of.Sort == world.SortType {
		if prop := d.Prop(f.Property); prop != nil {
			return "its “" + prop.Label + "”"
		}
		return ""
	}
	r := d.Rule(f.Of.ID)
	if r == nil {
		return ""
	}
	p := r.Part(f.Part)
	switch {
	case p == nil:
		return quoted(wording.ConditionWords(d, &r.Rule, &r.If))
	case p.Does == logic.Nothing:
		return quoted(wording.Joined(wording.Moment(d, &r.Rule, &p.Begins)))
	case p.Does == logic.If || p.Does == logic.Choice && f.Fault == findings.NeverHolds:
		return quoted(wording.ConditionWords(d, &r.Rule, &p.If))
	}
	return quoted(wording.Joined(wording.Action(d, &r.Rule, p)))
}

// aboutStart is what of a start is not as it was, if that is there.
func aboutStart(d *world.Document, f findings.Finding) string {
	if _, p := d.Piece(f.Thing); p != nil {
		return hand.PieceName(d, p)
	}
	if fact := d.Fact(f.Thing); fact != nil {
		return fact.Name
	}
	return ""
}

// mostQuoted is how many letters of a line are repeated.
const mostQuoted = 80

func quoted(s string) string {
	s = strings.TrimRight(s, ":.; ")
	if letters := []rune(s); len(letters) > mostQuoted {
		s = string(letters[:mostQuoted]) + "…"
	}
	return "“" + s + "”"
}

// start lets a sentence begin with what is said.
func start(s string) string {
	if s == "" {
		return "It"
	}
	return strings.ToUpper(s[:1]) + s[1:]
}

func article(name string) string {
	if strings.ContainsRune("aeiou", rune(name[0])) {
		return "an " + name
	}
	return "a " + name
}
