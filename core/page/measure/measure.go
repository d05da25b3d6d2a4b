// Package measure says how numbers that people set are shown: in which unit, how finely, and what they may be. What is
// stored is a whole number; what is shown, dragged and typed is in the unit.
package measure

import (
	"math"

	"azzel/core/limit"
)

// A Measure says how a number is shown that is stored as a whole number. The zero value shows it as it is stored.
type Measure struct {
	Label, Unit string
	// Per is how many of what is stored are one of the unit; 0 stands for 1.
	Per int
	// Usual stands where nothing else was set, of what is shown.
	Usual float64
	// Least and Most are what it may be, From and To as far as it is dragged, all of what is stored. With From and To 0
	// it is dragged from end to end.
	Least, Most, From, To int
}

// Measured is a number as it is shown, in its unit.
type Measured struct {
	Value float64 `json:"value"`
	Unit  string  `json:"unit"`
	Range
}

// Range is what a number may be, in its unit.
type Range struct {
	Least float64 `json:"least"`
	Most  float64 `json:"most"`
	// From and To are as far as it is dragged; beyond that it is typed.
	From float64 `json:"from"`
	To   float64 `json:"to"`
	// Step is by how much arrows change it where it is typed, Fine where it is dragged.
	Step float64 `json:"step"`
	Fine float64 `json:"fine"`
}

func (m Measure) per() float64 { return float64(max(m.Per, 1)) }

// Shown is a stored number in the unit, with as few decimals as say what it is.
func (m Measure) Shown(stored int) float64 { return math.Round(float64(stored)/m.per()*100) / 100 }

// farthest is beyond all that is stored of a number, so that whatever is typed can be refused in words.
const farthest = 1 << 40

// Stored is the number that is stored for one in the unit.
func (m Measure) Stored(shown float64) int {
	return int(math.Round(min(max(shown*m.per(), -farthest), farthest)))
}

// Range is what the number may be, as it is shown.
func (m Measure) Range() Range {
	from, to := m.From, m.To
	if from == 0 && to == 0 {
		from, to = m.Least, m.Most
	}
	return Range{Least: m.Shown(m.Least), Most: m.Shown(m.Most), From: m.Shown(from), To: m.Shown(to), Step: m.step(), Fine: 1 / m.per()}
}

// Measured is a stored number as it is shown.
func (m Measure) Measured(stored int) Measured {
	return Measured{Value: m.Shown(stored), Unit: m.Unit, Range: m.Range()}
}

// step is the roundest step of which one more or less can be stored.
func (m Measure) step() float64 {
	switch per := max(m.Per, 1); {
	case per == 1:
		return 1
	case per%100 == 0:
		return 0.01
	case per%10 == 0:
		return 0.1
	}
	return 0.5
}

// Measures that are the same wherever they are set.
var (
	Gravity = Measure{Label: "Gravity", Unit: "%", Usual: 100, Least: 1, Most: limit.Gravity}
	WindX   = Measure{Label: "Wind to the right", Unit: "cells/s", Per: 10, Least: -10 * limit.Wind, Most: 10 * limit.Wind}
	WindY   = Measure{Label: "Wind down", Unit: "cells/s", Per: 10, Least: -10 * limit.Wind, Most: 10 * limit.Wind}
	Zoom    = Measure{Label: "Camera zoom", Unit: "%", Usual: 100, Least: limit.MinZoom, Most: limit.MaxZoom}
	// Odds are the weights of what lottery pieces become.
	Odds   = Measure{Most: limit.Weight}
	Width  = Measure{Label: "Width", Unit: "cells", Least: 1, Most: limit.MaxMapSide}
	Height = Measure{Label: "Height", Unit: "cells", Least: 1, Most: limit.MaxMapSide}

	Fade          = Measure{Label: "Fade", Unit: "%", Most: 100}
	DepthAcross   = Measure{Label: "Depth across", Unit: "%", Least: -limit.LayerDepth, Most: limit.LayerDepth, From: -100, To: 100}
	DepthDown     = Measure{Label: "Depth down", Unit: "%", Least: -limit.LayerDepth, Most: limit.LayerDepth, From: -100, To: 100}
	DriftAcross   = Measure{Label: "Drifts across", Unit: "px/s", Least: -limit.Drift, Most: limit.Drift, From: -100, To: 100}
	DriftDown     = Measure{Label: "Drifts down", Unit: "px/s", Least: -limit.Drift, Most: limit.Drift, From: -100, To: 100}
	BackdropRight = Measure{Label: "Position across", Unit: "px", Least: -limit.PictureSide, Most: limit.PictureSide, From: -512, To: 512}
	BackdropDown  = Measure{Label: "Position down", Unit: "px", Least: -limit.PictureSide, Most: limit.PictureSide, From: -512, To: 512}

	PictureTime  = Measure{Label: "Each frame", Unit: "s", Per: 60, Least: 1, Most: limit.Interval}
	PictureRight = Measure{Label: "Foot to the right", Unit: "px", Least: -limit.PictureFoot, Most: limit.PictureFoot}
	PictureUp    = Measure{Label: "Foot up", Unit: "px", Least: -limit.PictureFoot, Most: limit.PictureFoot}

	CellWidth    = Measure{Label: "Cell width", Unit: "px", Usual: 16, Least: limit.MinCellSide, Most: limit.MaxCellSide}
	CellHeight   = Measure{Label: "Cell height", Unit: "px", Usual: 16, Least: limit.MinCellSide, Most: limit.MaxCellSide}
	ScreenWidth  = Measure{Label: "Screen width", Unit: "cells", Usual: 20, Least: 1, Most: limit.MaxSeen}
	ScreenHeight = Measure{Label: "Screen height", Unit: "cells", Usual: 12, Least: 1, Most: limit.MaxSeen}

	TileWidth    = Measure{Label: "Tile width", Unit: "px", Usual: 16, Least: limit.MinCellSide, Most: limit.MaxCellSide}
	TileHeight   = Measure{Label: "Tile height", Unit: "px", Usual: 16, Least: limit.MinCellSide, Most: limit.MaxCellSide}
	Margin       = Measure{Label: "Margin", Unit: "px", Most: limit.MaxCellSide}
	Spacing      = Measure{Label: "Spacing", Unit: "px", Most: limit.MaxCellSide}
	OffsetAcross = Measure{Label: "Offset across", Unit: "px", Most: limit.PictureSide - 1}
	OffsetDown   = Measure{Label: "Offset down", Unit: "px", Most: limit.PictureSide - 1}

	// ItemMost is how many of an item one can have, ItemBegins how many one begins with.
	ItemMost   = Measure{Least: 1, Most: limit.Stack}
	ItemBegins = Measure{Most: limit.Stack}
	FactValue  = Measure{Most: limit.FactValue}
	// TypeMost is how many pieces of a type there may be.
	TypeMost = Measure{Label: "At most", Unit: "pieces", Least: 1, Most: limit.PiecesInMap, From: 1, To: 20}
	// WireAfter is how long it takes until a wire does something.
	WireAfter = Measure{Label: "After", Unit: "s", Per: 60, Most: limit.Interval}
	// RuleTime is for how long a rule waits, or does not go again.
	RuleTime = Measure{Label: "For", Unit: "s", Per: 60, Most: limit.RuleTicks, To: 600}
	// Amount is how much a tile has of a property, of which each has a most of its own.
	Amount = Measure{Label: "How much", Most: limit.Weight}
)

// Named are those measures by name, for whoever shows them.
var Named = map[string]Measure{
	"gravity": Gravity, "windX": WindX, "windY": WindY, "zoom": Zoom, "odds": Odds, "width": Width, "height": Height,
	"fade": Fade, "depthX": DepthAcross, "depthY": DepthDown, "driftX": DriftAcross, "driftY": DriftDown, "backdropX": BackdropRight, "backdropY": BackdropDown,
	"cellW": CellWidth, "cellH": CellHeight, "seenW": ScreenWidth, "seenH": ScreenHeight, "tileW": TileWidth, "tileH": TileHeight,
	"margin": Margin, "spacing": Spacing, "offsetX": OffsetAcross, "offsetY": OffsetDown,
	"amount": Amount, "itemMost": ItemMost, "itemBegins": ItemBegins, "factValue": FactValue, "typeMost": TypeMost, "pictureTime": PictureTime, "pictureRight": PictureRight, "pictureUp": PictureUp, "wireAfter": WireAfter, "ruleTime": RuleTime,
}
