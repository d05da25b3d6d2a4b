// Package props declares the properties that several kinds of pieces have in common.
package props

import (
	"slices"

	"azzel/core/kind"
	"azzel/core/limit"
	"azzel/core/logic"
)

// What a piece does by itself, the options of Does.
const (
	// Patrols goes to and fro, until a wall or a ledge.
	Patrols = iota
	// Stands stays where it is.
	Stands
	// Wanders goes to one side for a while, then to another.
	Wanders
	// Follows goes towards the player whom it sees.
	Follows
	// Flees goes away from the player whom it sees.
	Flees
)

// What may come, the options of Odds.
const (
	Nothing = iota
	Collectible
	Foe
	Hazard
	Pushable
)

// Far is how far from where it stands a piece may go, in pixels.
const Far = limit.MaxMapSide * limit.MaxCellSide

const (
	second = 60
	tenths = 10
)

// How a piece goes.
var (
	Does = &kind.Prop{Field: 8, Changes: true, Word: "does", Label: "What it does", Name: "what a piece does", Sort: kind.Choice,
		Options: []string{"patrols", "stands", "wanders", "follows", "flees"},
		Help:    "Whether it goes to and fro, stays, wanders, or goes towards or away from a player whom it sees."}
	Manner = &kind.Prop{Field: 55, Changes: true, Word: "manner", Label: "What they do", Name: "what somebody does", Sort: kind.Choice,
		Options: []string{"stand", "go to and fro", "wander", "come up", "keep away"}, Help: "Whether they stay, go to and fro or along their track, wander, come up to a player whom they see, or keep away."}
	Speed = &kind.Prop{Field: 9, Changes: true, Word: "speed", Label: "Speed", Name: "the speed of a piece, in tenths of a cell a second,", Unit: "cells/s", Per: tenths,
		Usual: 25, Least: 1, Most: tenths * limit.Speed, Reach: 120, Help: "How many cells it goes in a second."}
	To = &kind.Prop{Field: 12, Word: "to", Label: "Goes", Name: "how far a piece goes", Sort: kind.Offset, Unit: "cells", Least: -Far, Most: Far, Reach: 12,
		Help: "Where it turns, from where it stands."}
	Rest = &kind.Prop{Field: 20, Changes: true, Word: "rest", Label: "Rests", Name: "how long a piece rests, in ticks,", Unit: "s", Per: second, Most: limit.Interval, Reach: 5 * second,
		Help: "How long it rests at each end of its way."}
	Looks = &kind.Prop{Field: 16, Word: "looks", Label: "Looks", Name: "where a piece looks", Sort: kind.Direction, Options: []string{"south", "west", "east", "north"}, None: "where it goes",
		Help: "Where it looks at first, and shoots to while it stands."}
	Track = &kind.Prop{Field: 18, Word: "track", Label: "Track", Name: "the track of a piece", Sort: kind.Reference, To: kind.Track, None: "none", Local: true,
		Help: "The line of points that it follows."}
	Area = &kind.Prop{Field: 19, Word: "area", Label: "Stays in", Name: "the area of a piece", Sort: kind.Reference, To: kind.Area, None: "as far as it strays", Local: true,
		Help: "The area that it does not leave."}
	Sight = &kind.Prop{Field: 31, Changes: true, Word: "sight", Label: "Sees", Name: "how far a piece sees, in cells,", Unit: "cells", Usual: 6, Least: 1, Most: limit.MaxSeen, Reach: 20,
		Help: "From how many cells away it sees the player."}
	Straying = &kind.Prop{Field: 32, Changes: true, Word: "straying", Label: "Strays", Name: "how far a piece strays, in cells,", Unit: "cells", Usual: 6, Least: 1, Most: limit.MaxSeen, Reach: 20,
		Help: "How many cells it goes away from where it stands, where no area says otherwise."}
	Width = &kind.Prop{Field: 34, Word: "width", Label: "Width", Name: "how wide a piece is, in cells,", Unit: "cells", Usual: 1, Least: 1, Most: limit.MaxSeen, Reach: 12,
		Help: "How many cells wide it is."}
	Height = &kind.Prop{Field: 56, Word: "tall", Label: "Height", Name: "how high a piece is, in cells,", Unit: "cells", Usual: 1, Least: 1, Most: 8, Reach: 8,
		Help: "How many cells high it is, from the cell in which it stands upwards."}
)

// What a piece does to others, and bears.
var (
	Harm = &kind.Prop{Field: 35, Changes: true, Word: "harm", Label: "Hurts", Name: "how much a piece hurts", Unit: "health", Usual: 1, Least: 1, Most: tenths * limit.Jump, Reach: 10,
		Help: "How much health it takes."}
	Bears = &kind.Prop{Field: 15, Changes: true, Word: "bears", Label: "Bears", Name: "how many hits a piece bears", Unit: "hits", Usual: 1, Least: 1, Most: limit.Bears, Reach: 10,
		Help: "How many hits it bears before it is defeated or broken."}
	Every = &kind.Prop{Field: 13, Changes: true, Word: "every", Label: "Every", Name: "how often something comes, in ticks,", Unit: "s", Per: second, Most: limit.Interval, Reach: 10 * second,
		Help: "How much time lies between two shots, or between two things that come."}
	Shot = &kind.Prop{Field: 30, Changes: true, Word: "shot", Label: "Shots fly", Name: "how fast what a piece shoots flies, in tenths of a cell a second,", Unit: "cells/s", Per: tenths,
		Usual: 100, Least: 1, Most: tenths * limit.Speed, Reach: 200, Help: "How many cells its shots fly in a second."}
	Reach = &kind.Prop{Field: 33, Changes: true, Word: "reach", Label: "Shots reach", Name: "how far what a piece shoots flies, in cells,", Unit: "cells", Usual: 6, Least: 1, Most: limit.MaxSeen, Reach: 20,
		Help: "How many cells its shots fly."}
)

// What comes out of a piece.
var (
	Most = &kind.Prop{Field: 14, Changes: true, Word: "most", Label: "At most", Name: "how many there may be at once", Unit: "at once", Usual: 3, Least: 1, Most: limit.Emitted, Reach: 12,
		Help: "How many of them there are at once."}
	Odds = &kind.Prop{Field: 17, Word: "odds", Label: "Weight of", Name: "the weights of what comes", Sort: kind.Weights, Most: limit.Weight, Reach: 10,
		Options: []string{"nothing", "collectible", "foe", "hazard", "pushable"}, Help: "How likely each is, beside the others."}
)

// What a piece names.
var (
	Who = &kind.Prop{Field: 21, Word: "who", Label: "Is", Name: "who a piece is", Sort: kind.Reference, To: kind.Character, None: "nobody in particular", Local: true,
		Help: "The character that it is. All pieces that are one character share its looks and its body, and are gone together."}
	Only = &kind.Prop{Field: 64, Word: "only", Label: "Only by", Name: "who alone works a piece", Sort: kind.Reference, To: kind.Character, None: "anybody", Local: true,
		Help: "The character who alone works it: as the player, or as a piece that is that character."}
	Item = &kind.Prop{Field: 22, Word: "item", Label: "Item", Name: "the item of a piece", Sort: kind.Reference, To: kind.Item, None: "nothing",
		Help: "The item that it gives or needs."}
	Amount = &kind.Prop{Field: 23, Changes: true, Word: "amount", Label: "How many", Name: "how many of an item a piece gives or needs", Usual: 1, Least: 1, Most: limit.Stack, Reach: 10,
		Help: "How many of the item."}
)

// How a piece opens and shuts, and is filled again.
var (
	Opens = &kind.Prop{Field: 42, Changes: true, Word: "opens", Label: "Opens", Name: "how a piece opens", Sort: kind.Choice, Options: []string{"when walked against", "when used", "only when worked"},
		Help: "Whether it opens for a player who walks against it, for one who uses it, or by wires alone."}
	UsesUp = &kind.Prop{Field: 43, Changes: true, Word: "uses-up", Label: "Uses up the item", Name: "whether a piece uses up the item that it needs", Sort: kind.YesNo,
		Help: "Whether the player loses the item that it needs when it opens."}
	ShutsAfter = &kind.Prop{Field: 44, Changes: true, Word: "shuts-after", Label: "Shuts after", Name: "after how long a piece shuts, in ticks,", Unit: "s", Per: second, Most: limit.Interval, Reach: 10 * second,
		Help: "How long it stays open, 0 for ever. It waits while anybody or anything stands in it."}
	FillsAfter = &kind.Prop{Field: 49, Changes: true, Word: "fills-after", Label: "Full again after", Name: "after how long a piece is full again, in ticks,", Unit: "s", Per: second, Most: limit.Interval, Reach: 60 * second,
		Help: "How long it stays empty, 0 for ever. It waits while the player is at it."}
)

// What a piece is after a time, the options of OnReturn and AfterHarm.
const (
	AsItsMap = iota
	StaysAsLeft
	BeginsAnew
)

// How a piece opens, the options of Opens.
const (
	OpensWhenTouched = iota
	OpensWhenUsed
	OpensWhenWorked
)

// What a piece says to the player, and whether it stops them.
var (
	Says = &kind.Prop{Field: 50, Word: "says", Label: "Says", Name: "what a piece says", Sort: kind.Words, None: "nothing",
		Help: "What the player reads. An empty line begins a new page."}
	SaysBy = &kind.Prop{Field: 51, Changes: true, Word: "says-by", Label: "Read", Name: "when the player reads what a piece says", Sort: kind.Choice, Options: []string{"when used", "when walked against"},
		Help: "Whether a player reads it who uses it, or one who walks against it or into it."}
	Sayings = &kind.Prop{Field: 53, Word: "sayings", Label: "Says", Name: "what somebody says", Sort: kind.Sayings, None: "nothing",
		Help: "What the player reads who speaks to them: one of these, each perhaps only while something holds."}
	SaysWhich = &kind.Prop{Field: 54, Changes: true, Word: "says-which", Label: "Says which", Name: "which of several things somebody says", Sort: kind.Choice, Options: []string{"the first that holds", "one after the other", "one by chance"},
		Help: "Which of those that hold they say, each time that the player speaks to them."}
	Stops = &kind.Prop{Field: 52, Word: "stops", Label: "Is solid", Name: "whether a piece is solid", Sort: kind.YesNo,
		Help: "Whether it stops what moves."}
	StopsGoing = &kind.Prop{Field: 65, Word: "solid-going", Label: "Is solid", Name: "whether somebody who goes is solid", Sort: kind.YesNo,
		Help: "Whether they stop what moves. They wait while the player is in their way."}
)

// By what is said, the options of SaysBy.
const (
	SaysWhenUsed = iota
	SaysWhenTouched
)

// Which of several things are said, the options of SaysWhich.
const (
	SaysFirst = iota
	SaysInTurn
	SaysByChance
)

// What a piece does to a fact, and what must hold for it.
var (
	Sets = &kind.Prop{Field: 24, Word: "sets", Label: "Sets", Name: "the fact that a piece sets", Sort: kind.Reference, To: kind.Fact, None: "nothing",
		Help: "The fact that it sets once it was taken, reached, defeated, broken or read."}
	SetsBy = &kind.Prop{Field: 25, Word: "sets-by", Label: "By", Name: "how a piece sets a fact", Sort: kind.Setting, Options: []string{"raises", "lowers", "becomes"}, Most: limit.FactValue, Reach: 10,
		Help: "Whether the fact goes up or down by so many, or becomes so many."}
	Starts = &kind.Prop{Field: 39, Word: "presence", Label: "At first it is", Name: "whether a piece is there at first", Sort: kind.Choice, Options: kind.Presences,
		Help: "Whether it is there when play begins, there and not seen, or not there. What is there only while something holds is there by that."}
	Power = &kind.Prop{Field: 40, Word: "power", Label: "Power", Name: "whether a piece is on at first", Sort: kind.Choice, Options: kind.Powers,
		Help: "What is off does nothing: it does not move, hurt, throw, let anything come or let the player out."}
	Own = &kind.Prop{Field: 41, Word: "state", Label: "Starts as", Name: "the state in which a piece is at first", Sort: kind.OwnState,
		Help: "The state of its own in which it is when play begins."}
	OnReturn = &kind.Prop{Field: 62, Word: "on-return", Label: "When the player returns", Name: "what a piece is when the player returns", Sort: kind.Choice, Options: []string{"as its map", "stays as left", "begins anew"},
		Help: "Whether it is as it was left when the player comes back to its map, or as when play begins."}
	AfterHarm = &kind.Prop{Field: 63, Word: "after-harm", Label: "After harm", Name: "what a piece is after harm", Sort: kind.Choice, Options: []string{"as its map", "stays as left", "begins anew"},
		Help: "Whether it is as it was left when the player comes back after harm on its map, or as when play begins."}
	While = &kind.Prop{Field: 37, Word: "while", Label: "There only while", Name: "what must hold while a piece is there", Sort: kind.Condition, None: "always",
		Help: "It is there only while this holds: not seen, not solid and not touched otherwise."}
	Needs = &kind.Prop{Field: 38, Word: "needs", Label: "Needs", Name: "what a piece needs", Sort: kind.Condition, None: "nothing",
		Help: "What must hold so that it lets the player out."}
)

// Toward is the side to which a piece acts.
var Toward = &kind.Prop{Field: 67, Changes: true, Word: "toward", Label: "To the", Name: "to which side a piece acts", Sort: kind.Direction, Options: []string{"south", "west", "east", "north"}, None: "nowhere",
	Help: "To which side it acts. From the side, south is down and north is up."}

// OwnType is the type of the designer's own of which a piece is.
var OwnType = &kind.Prop{Field: 66, Word: "own-type", Label: "Type", Name: "the type of a piece", Sort: kind.Reference, To: kind.OwnType, None: "none of your own",
	Help: "The type of your own of which it is."}

// What pieces that were stored before there were conditions of several terms are there only while it holds.
var (
	WhileFact = &kind.Prop{Field: 26, Word: "while-fact", Label: "There only while", Name: "the fact that a piece asks for", Sort: kind.Reference, To: kind.Fact, None: "always",
		Help: "It is there only while this fact holds."}
	WhileItem = &kind.Prop{Field: 27, Word: "while-item", Label: "There only with", Name: "the item that a piece asks for", Sort: kind.Reference, To: kind.Item, None: "always",
		Help: "It is there only while the player has this item."}
	WhileLeast = &kind.Prop{Field: 28, Word: "while-least", Label: "At least", Name: "what a piece asks for at least", Least: 0, Most: limit.FactValue, Reach: 10,
		Help: "How large the fact is at least, or how many of the item there are."}
	WhileNot = &kind.Prop{Field: 29, Word: "while-not", Label: "Not", Name: "whether a piece asks that something does not hold", Sort: kind.YesNo,
		Help: "That it is there only while that does not hold."}
)

// Facts are the properties of pieces that set facts, Presence those of pieces of which something becomes: that are there only
// while something holds, stay as left or begin anew. They are shown in a part of their own.
var (
	Facts    = []kind.Has{{Prop: Sets, Hidden: true}, {Prop: SetsBy, Hidden: true}}
	Presence = []kind.Has{
		{Prop: Starts, Apart: true}, {Prop: While, Hidden: true}, {Prop: WhileFact, Hidden: true, Old: true},
		{Prop: WhileItem, Hidden: true, Old: true}, {Prop: WhileLeast, Hidden: true, Old: true}, {Prop: WhileNot, Hidden: true, Old: true},
		{Prop: OnReturn, Hidden: true}, {Prop: AfterHarm, Hidden: true}, {Prop: OwnType, Hidden: true},
	}
)

// Emitted are the properties of what comes out of a piece, or is drawn, that are not offered to be set there; Drawn are
// more of those for what is drawn.
var (
	Emitted = []kind.Has{
		{Prop: Track, Hidden: true}, {Prop: Sight, Hidden: true}, {Prop: Straying, Only: kind.FromAbove, Hidden: true},
		{Prop: Reach, Hidden: true}, {Prop: Shot, Hidden: true}, {Prop: Bears, Hidden: true},
		{Prop: Looks, Hidden: true},
	}
	Drawn = []kind.Has{{Prop: Every, Hidden: true}, {Prop: Speed, Hidden: true}, {Prop: Harm, Hidden: true}, {Prop: Who, Hidden: true}, {Prop: Area, Hidden: true}}
)

// manners are what Does says of each option of Manner.
var manners = [...]int{Stands, Patrols, Wanders, Follows, Flees}

// Doing is what a piece of a kind does by itself, in whichever of the two properties its kind says it.
func Doing(k *kind.Kind, v kind.Values) int {
	if _, has := k.Has(Manner); has {
		return manners[v.Int(k, Manner)]
	}
	return v.Int(k, Does)
}

// Shoots reports whether something shoots.
func Shoots(v kind.Values) bool { return len(v.Get(Every.Field)) > 0 }

// NamesItem reports whether something names an item.
func NamesItem(v kind.Values) bool { return v.Refers(Item) != 0 }

// LetsOut reports whether what is set of something that usually lets nothing out lets something out.
func LetsOut(v kind.Values) bool {
	weights := v.Weights(Odds)
	return len(weights) > Collectible && slices.Max(weights[Collectible:]) > 0
}

// LetsFoesOut is LetsOut of foes.
func LetsFoesOut(v kind.Values) bool {
	weights := v.Weights(Odds)
	return len(weights) > Foe && weights[Foe] > 0
}

// AsksFor reports whether something must hold for a piece.
func AsksFor(v kind.Values) bool { return len(v.Get(Needs.Field)) > 0 }

// AsksForItem reports whether a piece needs so many of an item and no more.
func AsksForItem(v kind.Values) bool {
	c := logic.Of(v, Needs)
	item, _ := c.Item()
	return item != 0
}
