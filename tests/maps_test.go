package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

func TestPlace(t *testing.T) {
	_, w := trial(t)
	w.click("Take Collectible")
	w.tap("First map", 5, 5)
	w.tap("First map", 9, 5)
	w.tap("First map", 9, 5)
	w.sees("[data-message]", "There is one here already")
	w.click("Take Exit")
	w.tap("First map", 12, 5)
	w.click("Take Spawn")
	w.tap("First map", 3, 5)
	w.until("one spawn only", `() => { const p = window.azzel.scene().pieces; return p.length === 4 && p.filter(p => p.type === '1').length === 1; }`)
	w.press(input.Escape)
	w.tap("First map", 5, 5)
	w.sees("[data-slip]", "Collectible")
	w.fill("Name of this", "Moss jar")
	w.press(input.Enter)
	w.until("the new name", `() => window.azzel.scene().pieces.some(p => p.name === 'Moss jar')`)
	// What is dragged moves; dropped on the same cell, the stack shows both.
	w.drag(left, "First map", [2]int{5, 5}, [2]int{8, 8}, [2]int{12, 5})
	w.until("the piece at its new place", `() => window.azzel.scene().pieces.find(p => p.name === 'Moss jar').x === 12 * 16 + 8`)
	w.until("the stack", `() => document.querySelectorAll('[data-slip] ol li').length === 3`)
	w.tap("First map", 12, 5)
	w.sees("[data-slip] [aria-pressed=true]", "First map")
	w.tap("First map", 12, 5)
	w.press(input.Escape)
	w.tap("First map", 12, 5)
	w.press(input.Delete)
	w.until("one piece less", `() => window.azzel.scene().pieces.length === 3`)
	w.with(input.ControlLeft, input.KeyZ)
	w.until("the piece again", `() => window.azzel.scene().pieces.length === 4`)
	// Maps and the project have names too.
	w.tap("First map", 20, 15)
	w.sees("[data-slip]", "Ways out")
	w.fill("Name of this", "Moss house")
	w.press(input.Enter)
	w.until("the map's name", `() => window.azzel.scene().maps[0].name === 'Moss house'`)
	w.fill("Name of the project", "Moss night")
	w.press(input.Enter)
	w.saved()
	w.page.MustReload()
	w.until("all names after a reload", `() => { const s = window.azzel?.scene(); return s?.project.name === 'Moss night' && s.maps[0].name === 'Moss house' && s.pieces.some(p => p.name === 'Moss jar'); }`)
	w.quiet()
}

func TestSecondMapAndCrossing(t *testing.T) {
	_, w := trial(t)
	w.far()
	s := w.scene()
	if m := s.Maps[1]; m.Name != farName || m.X != s.Maps[0].X+s.Maps[0].W || m.Columns != 13 || m.Rows != 14 {
		t.Errorf("the box did not stop at its neighbour: %+v beside %+v", m, s.Maps[0])
	}
	w.click("crossing")
	x, y := w.cell(farName, 0, 8)
	w.over("First map", 38, 10)
	w.page.Mouse.MustDown(left)
	if err := w.page.Mouse.MoveLinear(proto.Point{X: x, Y: y}, 5); err != nil {
		t.Fatal(err)
	}
	w.page.Mouse.MustUp(left)
	w.until("a crossing", `() => window.azzel.scene().crossings.length === 1`)
	w.press(input.Escape)
	w.tap("First map", 38, 10)
	w.sees("[data-slip]", "Leads to")
	w.sees("[data-slip]", farName+", cell 0, 8")
	w.sees("[data-slip]", "both")
	w.sees("[data-slip]", "Lands")
	w.shoot("crossing")
	// Deleting a map says which crossings go with it.
	w.tap(farName, 6, 2)
	w.click("Delete this map")
	w.sees("[data-slip] [role=alert]", "one crossing: First map – "+farName)
	w.click("Delete it with all of that")
	w.until("map and crossing gone", `() => window.azzel.scene().maps.length === 1 && window.azzel.scene().crossings.length === 0`)
	w.with(input.ControlLeft, input.KeyZ)
	w.until("both again", `() => window.azzel.scene().maps.length === 2 && window.azzel.scene().crossings.length === 1`)
	w.saved()
	w.quiet()
}
