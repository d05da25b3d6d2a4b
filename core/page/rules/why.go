package rules

import (
	"fmt"
	"strings"

	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/page/measure"
	"azzel/core/page/wording"
	"azzel/core/play"
	"azzel/core/world"
)

// WhyView is why a rule went, or did not, in the last seconds before the tick that is shown, and what went then.
type WhyView struct {
	// Playing says that a game is played, From and To between which times it was looked.
	Playing bool   `json:"playing"`
	From    string `json:"from"`
	To      string `json:"to"`
	// Trials are the times that the rule was to begin, the latest first; None says so if there was none, and Now what holds by now if it is one that is so while
	// something holds.
	Trials []TrialView `json:"trials"`
	None   string      `json:"none"`
	Now    string      `json:"now"`
	// Went are the rules that went, the latest first.
	Went []WentView `json:"went"`
}

// TrialView is a time that a rule was to begin.
type TrialView struct {
	// Tick is when, At the same as a time; Goes says that it went, Says why.
	Tick int    `json:"tick"`
	At   string `json:"at"`
	Goes bool   `json:"goes"`
	Says string `json:"says"`
}

// WentView is an action of a rule that was done, or that it went.
type WentView struct {
	Tick int    `json:"tick"`
	At   string `json:"at"`
	Rule string `json:"rule"`
	Name string `json:"name"`
	// Part is the action, 0 for that the rule went, Says what it did.
	Part string `json:"part"`
	Says string `json:"says"`
}

// How far it is looked back, and how much is listed.
const (
	whyTicks   = 5 * play.TicksPerSecond
	mostTrials = 20
	mostWent   = 40
)

// AskWhy asks why a rule went, or did not. What was played is played again for it.
type AskWhy struct {
	Rule page.ID `json:"rule"`
}

// Answer implements Question.
func (q AskWhy) Answer(p *page.Page) any {
	v := WhyView{Trials: []TrialView{}, Went: []WentView{}}
	if p.Played == nil {
		return v
	}
	to := p.Played.Now()
	from := max(p.Played.First(), to-whyTicks)
	v.Playing, v.From, v.To = true, play.Clock(from), play.Clock(to)
	id := world.ID(q.Rule)
	// Only the latest are said in words, which takes longer than to play.
	var done []deed
	all := 0
	did := func(is deed) {
		is.number = all
		all++
		if done = append(done, is); len(done) >= 2*mostWent {
			done = append(done[:0], done[len(done)-mostWent:]...)
		}
	}
	var now *world.Document
	err := p.Played.Again(from, to, play.Watch{
		Tried: func(t play.Trial, asked logic.Happening, d *world.Document) {
			now = d
			if t.Outcome == logic.Goes {
				did(deed{d: d, tick: t.Tick, rule: t.Rule})
			}
			if t.Rule == id {
				v.Trials = append(v.Trials, TrialView{t.Tick, play.Clock(t.Tick), t.Outcome == logic.Goes, whySays(d, d.Rule(id), t, asked)})
				if len(v.Trials) >= 2*mostTrials {
					v.Trials = append(v.Trials[:0], v.Trials[len(v.Trials)-mostTrials:]...)
				}
			}
		},
		Did: func(tick int, rule, part world.ID) {
			if now == nil {
				now = p.Doc()
			}
			did(deed{d: now, tick: tick, rule: rule, part: part})
		},
	})
	if err != nil {
		p.Played = nil // There is nowhere left to stand, as when another tick is shown.
		return WhyView{Trials: []TrialView{}, Went: []WentView{}}
	}
	v.Trials = latest(v.Trials, mostTrials)
	done = latest(done, mostWent)
	if err := becauses(p.Played, from, to, done); err != nil {
		p.Played = nil
		return WhyView{Trials: []TrialView{}, Went: []WentView{}}
	}
	for _, is := range done {
		v.Went = append(v.Went, is.view())
	}
	d := p.Doc()
	r := d.Rule(id)
	switch {
	case r == nil:
	case r.Begins == logic.While:
		v.Now = whyNow(d, r, p.Played.Game())
	case len(v.Trials) == 0:
		v.None = neverCame(d, r)
	}
	return v
}

// A deed is something that a rule did, by the document of then: part is the action, 0 for that it began.
type deed struct {
	d          *world.Document
	tick       int
	rule, part world.ID
	// number is how many deeds there were before it, because why what an action asks held, or did not.
	number  int
	because string
}

// becauses says of deeds that ask something why that held, or did not: these are played again, since nothing of the game is kept.
func becauses(played *play.Recording, from, to int, done []deed) error {
	asking := map[int]*deed{}
	for i := range done {
		is := &done[i]
		if r := is.d.Rule(is.rule); r != nil {
			if p := r.Part(is.part); p != nil && (p.Does == logic.If || p.Does == logic.Question) {
				asking[is.number] = is
			}
		}
	}
	if len(asking) == 0 {
		return nil
	}
	all := 0
	return played.Again(from, to, play.Watch{
		Tried: func(t play.Trial, _ logic.Happening, _ *world.Document) {
			if t.Outcome == logic.Goes {
				all++
			}
		},
		Did: func(int, world.ID, world.ID) { all++ },
		Chose: func(rule, part world.ID, holds bool, asked logic.Happening, d *world.Document) {
			is := asking[all]
			r := d.Rule(rule)
			if is == nil || is.rule != rule || is.part != part && r.Part(part).In != is.part {
				return
			}
			because := wording.RuleWords(d, &r.Rule).Because(&r.Part(part).If, asked, holds)
			switch {
			case because == "":
			case is.part != part && holds:
			case is.part != part:
				if is.because != "" {
					is.because += "; "
				}
				is.because += strings.TrimSuffix(wording.Joined(wording.Action(d, &r.Rule, r.Part(part))), ":") + " is not offered, since " + because
			case holds:
				is.because = "it held, since " + because
			default:
				is.because = "it did not hold, since " + because
			}
		},
	})
}

func (is deed) view() WentView {
	v := WentView{Tick: is.tick, At: play.Clock(is.tick), Rule: page.FormatID(is.rule), Part: page.FormatID(is.part)}
	if r := is.d.Rule(is.rule); r != nil {
		v.Name = wording.RuleName(is.d, r)
		if part := r.Part(is.part); part != nil {
			v.Says = wording.Joined(wording.Action(is.d, &r.Rule, part))
			if is.because != "" {
				v.Says = strings.TrimSuffix(v.Says, ":") + ": " + is.because
			}
		}
	}
	return v
}

// latest are the last few of a list, the last first.
func latest[T any](list []T, most int) []T {
	last := list[max(0, len(list)-most):]
	turned := make([]T, 0, len(last))
	for i := range last {
		turned = append(turned, last[len(last)-1-i])
	}
	return turned
}

// whySays is what came of a rule that was to begin, and why.
func whySays(d *world.Document, r *world.Rule, t play.Trial, asked logic.Happening) string {
	when := ""
	if m := r.Part(t.By); m != nil && len(r.Moments()) > 1 {
		when = wording.Joined(wording.Moment(d, &r.Rule, &m.Begins)) + ": "
	}
	switch t.Outcome {
	case logic.NotSo:
		return when + "it did not go, since " + wording.RuleWords(d, &r.Rule).Because(&r.If, asked, false) + "."
	case logic.WentBefore:
		often := wording.RepeatNames[r.Repeats]
		if r.Repeats == logic.NotAgainFor {
			often += fmt.Sprintf(" %g s", measure.RuleTime.Shown(r.Pause))
		}
		return when + "it did not go, since it went before, and goes " + often + "."
	case logic.LeftUnderWay:
		return when + "it did not begin, since it was under way still, and is left so."
	}
	if r.Begins == logic.While && t.Branch == logic.Otherwise {
		return "it does not hold, since " + wording.RuleWords(d, &r.Rule).Because(&r.If, asked, false) + "."
	}
	if because := wording.RuleWords(d, &r.Rule).Because(&r.If, asked, true); because != "" {
		return when + "it went, since " + because + "."
	}
	return when + "it went."
}

// whyNow is whether what a rule asks for holds by now, and why.
func whyNow(d *world.Document, r *world.Rule, g *play.Game) string {
	home := world.ID(0)
	if _, p := d.Piece(r.Home); p != nil {
		home = p.ID
	}
	asked := g.Asked(home)
	w := wording.RuleWords(d, &r.Rule)
	if r.If.Holds(asked) {
		return "It holds now: " + w.Because(&r.If, asked, true) + "."
	}
	return "It does not hold now: " + w.Because(&r.If, asked, false) + "."
}

// neverCame says that none of a rule's moments came.
func neverCame(d *world.Document, r *world.Rule) string {
	switch moments := r.Moments(); {
	case r.Off:
		return "It is switched off."
	case len(moments) == 0:
		return "It begins by nothing, and no rule asked for it."
	case len(moments) == 1:
		return "It did not happen that " + wording.Joined(wording.Moment(d, &r.Rule, &moments[0].Begins)) + "."
	default:
		return fmt.Sprintf("None of its %d moments came.", len(moments))
	}
}
