package memory

import (
	"fmt"

	"azzel/core/body"
	"azzel/core/hand"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/wording"
	"azzel/core/play"
	"azzel/core/world"
)

// SetFactInPlay sets a fact of the game that is played, to test what comes of it.
type SetFactInPlay struct {
	Fact  page.ID `json:"fact"`
	Value int     `json:"value"`
}

// Do implements Order.
func (o SetFactInPlay) Do(p *page.Page) page.Changed {
	if p.Played == nil {
		return p.Refuse("Nothing is being played. What a fact starts with is set in the list.")
	}
	if err := p.Played.SetFact(world.ID(o.Fact), o.Value); err != nil {
		return p.Fail(err)
	}
	p.Moving, p.Sent, p.Hands = false, nil, nil
	p.Collect()
	return page.PlayChanged | page.TakenChanged
}

// KnownView is what a game remembers of the facts, and why what asks for them and sets them did or
// did not.
type KnownView struct {
	Facts   []KnownFact  `json:"facts"`
	Reasons []ReasonView `json:"reasons"`
	// More is how many more reasons there are.
	More int `json:"more"`
}

// KnownFact is a fact as it is in the game.
type KnownFact struct {
	ID     string `json:"id"`
	Name   string `json:"name"`
	Counts bool   `json:"counts"`
	Value  int    `json:"value"`
	// Since says since when it is so, and by whom.
	Since string `json:"since"`
	// Holds says that play is held once it becomes At.
	Holds bool `json:"holds"`
	At    int  `json:"at"`
}

// ReasonView is why a piece of the player's map is there or not, did or did not set a fact, or lets
// one out or not.
type ReasonView struct {
	ID   string `json:"id"`
	Map  string `json:"map"`
	Name string `json:"name"`
	Says string `json:"says"`
	// Yes says that it is there, has set it, or lets one out.
	Yes bool `json:"yes"`
	X   int  `json:"x"`
	Y   int  `json:"y"`
}

// mostReasons is how many reasons are given at a time.
const mostReasons = 60

// Known is what the game remembers of the facts, and why pieces do or do not do what they are there for: it looks at every piece of the player's map, and at what wires lead to from there.
func Known(p *page.Page) KnownView {
	v := KnownView{Facts: []KnownFact{}, Reasons: []ReasonView{}}
	if p.Played == nil {
		return v
	}
	d, g := p.Doc(), p.Played.Game()
	for _, f := range d.Facts {
		is, set := g.Known(f)
		at, holds := p.HoldFacts[f.ID]
		v.Facts = append(v.Facts, KnownFact{page.FormatID(f.ID), f.Name, f.Counts, is.Value, sinceWords(d, is, set), holds, at})
	}
	m := d.Map(g.Status().Map)
	gone := map[world.ID]bool{}
	g.Things(func(t play.Thing, _ int, _ body.Size) { gone[t.ID] = t.Gone })
	saying := func(e hand.WireEnd, on *world.Map) func(string, bool) {
		return func(says string, yes bool) {
			if len(v.Reasons) == mostReasons {
				v.More++
				return
			}
			at := e.At(d)
			v.Reasons = append(v.Reasons, ReasonView{page.FormatID(e.Ref.ID), page.FormatID(on.ID), e.Name, says, yes, at.X, at.Y})
		}
	}
	for _, piece := range m.Pieces {
		end := hand.WireEnd{Ref: world.Ref{Sort: world.SortPiece, Map: m.ID, ID: piece.ID}, Piece: piece, Name: hand.PieceName(d, piece)}
		say := saying(end, m)
		why := reasons{d, g, piece}
		why.presence(say)
		why.setting(g.Taken(piece.ID) || gone[piece.ID], say)
		why.letting(say)
		wording.Wired(d, g, end, say)
	}
	seen := map[world.ID]bool{}
	for _, w := range d.Wires {
		end, there := hand.EndOf(d, w.To)
		on := end.On(d)
		if there && on != nil && !(end.Piece != nil && on == m) && !seen[w.To] && (on == m || m.Piece(w.From) != nil) {
			seen[w.To] = true
			wording.Wired(d, g, end, saying(end, on))
		}
	}
	return v
}

func sinceWords(d *world.Document, is play.Known, set bool) string {
	if !set {
		return "as play began"
	}
	return "since " + play.Clock(is.Tick) + ", by " + byWords(d, is.By)
}

func byWords(d *world.Document, by world.ID) string {
	switch _, piece := d.Piece(by); {
	case by == 0:
		return "hand"
	case piece == nil:
		return "a piece that is gone"
	default:
		return hand.PieceName(d, piece)
	}
}

// reasons say why a piece does or does not do what it is there for.
type reasons struct {
	d     *world.Document
	g     *play.Game
	piece *world.Piece
}

// presence says why the piece is there or not.
func (r reasons) presence(say func(string, bool)) {
	c := r.piece.While()
	if !world.Conditional(r.piece.Type) || c.Answer(r.g.Asked(r.piece.ID)) == logic.Unasked {
		return
	}
	if here := r.g.Here(r.piece.ID); here {
		say("There: "+wording.NewWords(r.d).Because(&c, r.g.Asked(r.piece.ID), true)+".", true)
	} else {
		say("Not there: "+wording.NewWords(r.d).Because(&c, r.g.Asked(r.piece.ID), false)+".", false)
	}
}

// setting says why the piece has set its fact or not; done says that it was taken or is gone.
func (r reasons) setting(done bool, say func(string, bool)) {
	f := r.d.Fact(r.piece.Refers(props.Sets))
	if f == nil || !world.Sets(r.piece.Type) {
		return
	}
	to := f.Name + " " + settingWords(r.d, r.piece.Sets())
	is, set := r.g.Known(f)
	switch {
	case set && is.By == r.piece.ID:
		say(fmt.Sprintf("Has set %s, at %s.", to, play.Clock(is.Tick)), true)
	case done && set:
		say(fmt.Sprintf("Has set %s, or was gone otherwise; last set by %s, at %s.", to, byWords(r.d, is.By), play.Clock(is.Tick)), true)
	case done:
		say(fmt.Sprintf("Has not set %s: it was gone otherwise.", to), false)
	case !r.g.Here(r.piece.ID):
		say(fmt.Sprintf("Can't set %s: it is not there.", to), false)
	default:
		say(fmt.Sprintf("Not %s yet; then it sets %s.", r.piece.Kind().Done, to), false)
	}
}

// letting says why the piece lets the player out or not.
func (r reasons) letting(say func(string, bool)) {
	c := r.piece.Needs()
	switch c.Answer(r.g.Asked(r.piece.ID)) {
	case logic.Holding:
		say("Lets you out: "+wording.NewWords(r.d).Because(&c, r.g.Asked(r.piece.ID), true)+".", true)
	case logic.Failing:
		say("Lets nobody out: "+wording.NewWords(r.d).Because(&c, r.g.Asked(r.piece.ID), false)+".", false)
	}
}
