package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// A project has properties of its own, each with a type; they are painted on the
// sheet, seen there and on the map, refused where a value is not of the type, and
// taken back with the values that tiles have.
func TestOwnProperty(t *testing.T) {
	_, w := trial(t)
	w.bringIn()
	w.click("A property of your own")
	w.fill("What it is called", "Shade")
	w.choose("Its values are", "a number")
	w.click("Make it")
	w.until("the property", `() => window.azzel.scene().own.length === 1 && window.azzel.scene().own[0].type === 1`)
	w.fill("Value, empty for none", "much")
	w.press(input.Tab)
	w.page.MustElement("[data-board]").MustFocus()
	w.press(input.KeyB)
	w.dragOnSheet(0, 4, 2, 4)
	w.sees("[data-message]", "Shade: this is a number")
	w.fill("Value, empty for none", "2.50")
	w.press(input.Tab)
	w.dragOnSheet(0, 4, 2, 4)
	values := `(want) => { const s = window.azzel.scene(); const t = s.tilesets[1].tiles; return [64, 65, 66].every(i => (t[i].own[0]?.value ?? '') === want) && t[67].own.length === 0; }`
	w.until("three tiles with a value", values, "2.5")
	w.click("Show it on the maps")
	w.saved()
	w.page.MustReload()
	w.until("the same after a reload", `() => window.azzel?.scene()?.tilesets[1]?.tiles[64].own[0]?.value === '2.5'`)
	w.press(input.KeyT)
	w.click("Lay it on the desk")
	w.click("Shade")
	w.click("Delete it")
	w.until("no property, no values", values, "")
	w.page.MustElement("[data-board]").MustFocus()
	w.with(input.ControlLeft, input.KeyZ)
	w.until("the property and its values", `() => window.azzel.scene().own.length === 1 && window.azzel.scene().tilesets[1].tiles[65].own[0]?.value === '2.5'`)
	w.quiet()
}
