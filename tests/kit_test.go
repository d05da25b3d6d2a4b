package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

// A type is made out of a piece, named, placed and changed, which changes its pieces; one of them is made another; all by what is seen on the slip, in the panel and
// in the drawer.
func TestOwnType(t *testing.T) {
	w, first := withPiece(t, "Foe")
	w.fill("Name of this piece", "Moth")
	w.press(input.Enter)
	w.shoot("type-slip")
	w.click("Make this a type")
	w.sees("[data-type='Moth']", "Foe · 1 piece")
	w.fill("Name of the type Moth", "Night moth")
	w.press(input.Enter)
	w.sees("[data-type='Night moth']", "1 piece")
	w.click("Close the slip")
	w.choose("What it does", "stands")
	w.choose("How many", "at most so many on a map")
	w.fill("At most", "2")
	w.press(input.Enter)
	w.fill("Name of a new property", "Dew")
	w.press(input.Enter)
	w.sees("[data-property='Dew']", "rules set it in play")
	w.fill("Dew: unit", "drops")
	w.fill("Dew: usual", "3")
	w.press(input.Enter)
	w.shoot("type-panel")
	w.accessible("the types of one's own")
	w.click("Place")
	w.tap(first, 11, 6)
	w.press(input.Escape, input.Escape)
	w.tap(first, 11, 6)
	w.sees("[aria-label^='Slip of'] [data-type]", "Open this type")
	w.sees("[aria-label^='Slip of']", "Night moth at 11, 6")
	w.until("the property on the slip", `() => [...document.querySelectorAll("[aria-label^='Slip of'] input[type=number]")].some((e) => e.value === '3' && e.closest('div').textContent.includes('drops'))`)
	w.choose("What it does", "patrols")
	w.sees("[aria-label^='Slip of'] [data-type]", "sets itself: What it does")
	w.shoot("type-placed")
	w.click("As its type")
	w.until("it is as its type says", `() => !document.querySelector("[aria-label^='Slip of'] [data-type]").textContent.includes('sets itself')`)
	w.click("Add a rule")
	w.types("Add an action", "every night moth dew becomes", "“Dew” of every Night moth becomes 3 drops")
	w.click("Close the desk")
	w.seek("Night moth")
	w.tap(first, 12, 3)
	w.sees("[role=status], [data-messages], body", "at most 2 on a map")
	w.sees("[aria-label^='Findings'], button", "No findings")
	w.press(input.Escape, input.Escape)
	w.tap(first, 11, 6)
	w.choose("Type of this piece", "Spring")
	w.sees("[aria-label^='Slip of']", "Spring at 11, 6")
	w.shoot("type-changed")
}
