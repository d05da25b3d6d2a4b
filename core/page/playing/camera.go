package playing

import (
	"strings"

	"azzel/core/edit"
	"azzel/core/page"
	"azzel/core/page/measure"
	"azzel/core/world"
)

// cameraPrefix stands before the names of the camera's values among those of the movement.
const cameraPrefix = "camera "

// cameraTerms are the values of the camera that are shown, in their order.
var cameraTerms = []term{
	{cameraPrefix + "free-width", measure.Measure{Label: "Free width", Unit: "%", Per: 1, To: 90}, false},
	{cameraPrefix + "free-height", measure.Measure{Label: "Free height", Unit: "%", Per: 1, To: 90}, false},
	{cameraPrefix + "ahead", measure.Measure{Label: "Looks ahead", Unit: "cells", Per: 10, To: 80}, false},
	{cameraPrefix + "shake", measure.Measure{Label: "Shakes by", Unit: "px", Per: 1, To: 24}, false},
}

// viewCamera is how the camera follows the player.
func viewCamera(d *world.Document) []TermView {
	list := make([]TermView, len(cameraTerms))
	for i, t := range cameraTerms {
		value, most := d.Project.Camera.Term(strings.TrimPrefix(t.name, cameraPrefix))
		list[i] = t.view(value, 0, most)
		list[i].Tries, list[i].Trial = []float64{}, ""
	}
	return list
}

// ofProject is the edit that sets a value of the camera, or how time passes, by its name; ok is
// false if the name is of something else.
func ofProject(a page.Author, name string, value float64) (e edit.Edit, ok bool, err error) {
	was := a.D.Project
	next := was
	switch term, camera := strings.CutPrefix(name, cameraPrefix); {
	case camera:
		next.Camera, err = next.Camera.With(term, named(cameraTerms, name).Stored(value))
	case name == "turns":
		next.Turns = value != 0
	default:
		return e, false, nil
	}
	e.Label = "change " + name
	e.Parts = edit.Changes(world.Ref{Sort: world.SortProject}, was.Values(), next.Values())
	return e, true, err
}
