package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
)

func TestZZLook(t *testing.T) {
	s := newSite(t, "-demo")
	w := s.window("/")
	w.click("Night shift")
	w.opened()
	w.tap("Potting yard", 19, 9)
	w.sees("[data-slip]", "Leaf bin")
	w.shoot("slip-bin")
	w.press(input.Escape)
	w.seek("Fern grotto")
	w.tap("Fern grotto", 32, 15)
	w.sees("[data-slip]", "Shutter")
	w.shoot("slip-shutter")
	w.page.MustElement(`[aria-label="Wires that begin or end here"] button`).MustClick()
	w.sees("[data-slip]", "forces")
	w.shoot("slip-wire")
	w.press(input.Escape)
}
