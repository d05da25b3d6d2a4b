package rules

import (
	"azzel/core/page"
	"azzel/core/play"
	"azzel/core/world"
)

// RuleInPlay is what became of a rule in the game that is played.
type RuleInPlay struct {
	// Playing says that a game is played, Times how often the rule went in it, Last when it did last.
	Playing bool   `json:"playing"`
	Times   int    `json:"times"`
	Last    string `json:"last"`
	// Now are the actions that are under way, by id.
	Now []string `json:"now"`
	// Jammed says that the game stands still by it, Holds that play is held once it goes.
	Jammed bool `json:"jammed"`
	Holds  bool `json:"holds"`
}

// AskRuleInPlay asks what became of a rule in the game that is played, at the tick that is shown.
type AskRuleInPlay struct {
	Rule page.ID `json:"rule"`
}

// Answer implements Question.
func (q AskRuleInPlay) Answer(p *page.Page) any {
	v := RuleInPlay{Now: []string{}, Holds: p.HoldRules[world.ID(q.Rule)]}
	if p.Played == nil {
		return v
	}
	g := p.Played.Game()
	times, last, now := g.RuleWent(world.ID(q.Rule))
	v.Playing, v.Times, v.Last, v.Jammed = true, times, play.Clock(last), g.Jam() == world.ID(q.Rule) && q.Rule != 0
	for _, id := range now {
		v.Now = append(v.Now, page.FormatID(id))
	}
	return v
}
