package playing

import (
	"strings"

	"azzel/core/edit"
	"azzel/core/page"
	"azzel/core/world"
)

// cameraPrefix stands before the names of the camera's values among those of the movement.
const cameraPrefix = "camera "

// cameraTerms are the values of the camera that are shown, in their order.
var cameraTerms = []TermView{
	{Name: cameraPrefix + "free-width", Label: "Free width", Unit: "%", Per: 1, Reach: 90},
	{Name: cameraPrefix + "free-height", Label: "Free height", Unit: "%", Per: 1, Reach: 90},
	{Name: cameraPrefix + "ahead", Label: "Looks ahead", Unit: "cells", Per: 10, Reach: 80},
	{Name: cameraPrefix + "shake", Label: "Shakes by", Unit: "px", Per: 1, Reach: 24},
}

// viewCamera is how the camera follows the player.
func viewCamera(d *world.Document) []TermView {
	list := make([]TermView, len(cameraTerms))
	for i, t := range cameraTerms {
		t.Value, t.Most = d.Project.Camera.Term(strings.TrimPrefix(t.Name, cameraPrefix))
		t.Reach, t.Tries = min(max(t.Reach, t.Value), t.Most), []int{}
		list[i] = t
	}
	return list
}

// ofProject is the edit that sets a value of the camera, or how time passes, by its name; ok is
// false if the name is of something else.
func ofProject(a page.Author, name string, value int) (e edit.Edit, ok bool, err error) {
	was := a.D.Project
	next := was
	switch term, camera := strings.CutPrefix(name, cameraPrefix); {
	case camera:
		next.Camera, err = next.Camera.With(term, value)
	case name == "turns":
		next.Turns = value != 0
	default:
		return e, false, nil
	}
	e.Label = "change " + name
	e.Parts = edit.Changes(world.Ref{Sort: world.SortProject}, was.Values(), next.Values())
	return e, true, err
}
