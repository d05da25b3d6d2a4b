package tiles

import (
	"fmt"
	"strconv"
	"strings"

	"azzel/core/grid"
)

// Value is one property in a form in which it can be compared, by its name as in
// Mark, or own: and the id of one of the project's own.
func (p Properties) Value(property string) string {
	switch property {
	case "role":
		return p.Role.String()
	case "solid":
		return fmt.Sprint(uint64(p.Solid))
	case "danger":
		return fmt.Sprint(p.Danger)
	case "weight":
		return fmt.Sprint(p.Weight)
	case "home":
		return p.Home
	}
	if own, is := strings.CutPrefix(property, "own:"); is {
		id, _ := strconv.ParseUint(own, 10, 64) // no property has the id 0
		return p.Own.Of(id)
	}
	return fmt.Sprint(p.Has(property))
}

// Has reports whether a tile has a property at all: is water, hurts, has a value of
// a property of the project's own. Names are as for Value.
func (p Properties) Has(property string) bool {
	switch property {
	case "solid":
		return p.Solid != 0
	case "one-way":
		return p.OneWay
	case "climbable":
		return p.Climbable
	case "water":
		return p.Water
	case "slippery":
		return p.Slippery
	case "slow":
		return p.Slow
	case "above":
		return p.Above
	case "danger":
		return p.Danger > 0
	}
	return strings.HasPrefix(property, "own:") && p.Value(property) != ""
}

// FillSheet lists the places of a sheet that hang together with start by their
// sides and for which same holds. A sheet has columns × rows places.
func FillSheet(columns, rows int, start grid.Point, same func(place int) bool) []int {
	sheet := grid.Rect{W: columns, H: rows}
	place := func(p grid.Point) int { return p.Y*columns + p.X }
	if !sheet.Has(start) || !same(place(start)) {
		return nil
	}
	seen := map[grid.Point]bool{start: true}
	found := []int{}
	for queue := []grid.Point{start}; len(queue) > 0; queue = queue[1:] {
		found = append(found, place(queue[0]))
		for _, way := range [4]grid.Point{{X: 0, Y: -1}, {X: 1, Y: 0}, {X: 0, Y: 1}, {X: -1, Y: 0}} {
			if q := queue[0].Add(way); sheet.Has(q) && !seen[q] && same(place(q)) {
				seen[q] = true
				queue = append(queue, q)
			}
		}
	}
	return found
}
