package tests

import (
	"testing"
	"time"
)

func TestLook(t *testing.T) {
	s := newSite(t, "-demo")
	w := s.window("/")
	w.sees("main", "Night shift")
	w.frame()
	time.Sleep(500 * time.Millisecond)
	w.shoot("home")
	w.click("Night shift")
	w.until("the board", `() => window.azzel?.scene()?.maps.length > 0`)
	time.Sleep(700 * time.Millisecond)
	w.shoot("board")
	w.quiet()
}
