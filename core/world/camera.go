package world

import (
	"fmt"

	"azzel/core/limit"
)

// A Camera is how what the player sees follows them. With the zero value the player is always
// in the middle, as far as the edges of the map allow.
type Camera struct {
	// FreeW and FreeH are how much of what is seen the player moves through freely, before the
	// camera follows, in percent.
	FreeW, FreeH int
	// Ahead is how far the camera looks to where the player goes, in tenths of a cell.
	Ahead int
	// Shake is how far it shakes when the player is hurt, in pixels.
	Shake int
	// Beyond says that it may look beyond the edges of the map.
	Beyond bool
}

// A cameraTerm is a value of a camera with its range.
type cameraTerm struct {
	name  string
	label string
	most  int
	at    func(*Camera) *int
}

var cameraTerms = [...]cameraTerm{
	{"free-width", "how much of the width the player moves through freely, in percent,", 90, func(c *Camera) *int { return &c.FreeW }},
	{"free-height", "how much of the height the player moves through freely, in percent,", 90, func(c *Camera) *int { return &c.FreeH }},
	{"ahead", "how far the camera looks ahead, in tenths of a cell,", 10 * limit.MaxSeen / 2, func(c *Camera) *int { return &c.Ahead }},
	{"shake", "how far the camera shakes, in pixels,", limit.Shake, func(c *Camera) *int { return &c.Shake }},
}

// With sets a value by the name it has for the page; beyond is 0 or 1. An error says in words
// what the value may be.
func (c Camera) With(name string, value int) (Camera, error) {
	if name == "beyond" {
		c.Beyond = value != 0
		return c, nil
	}
	for _, t := range cameraTerms {
		if t.name == name {
			*t.at(&c) = value
			return c, c.check()
		}
	}
	return c, fmt.Errorf("there is no %q about the camera", name)
}

// Term is a value by its name, and the most it may be.
func (c Camera) Term(name string) (value, most int) {
	for _, t := range cameraTerms {
		if t.name == name {
			return *t.at(&c), t.most
		}
	}
	return 0, 0
}

func (c Camera) check() error {
	for _, t := range cameraTerms {
		if v := *t.at(&c); v < 0 || v > t.most {
			return fmt.Errorf("%s is 0 to %d, not %d", t.label, t.most, v)
		}
	}
	return nil
}

func cameraFields() []field[*Project] {
	return []field[*Project]{
		intsField(FieldCamera, func(p *Project) *int { return &p.Camera.FreeW }, func(p *Project) *int { return &p.Camera.FreeH },
			func(p *Project) *int { return &p.Camera.Ahead }, func(p *Project) *int { return &p.Camera.Shake }),
		boolField(FieldBeyond, func(p *Project) *bool { return &p.Camera.Beyond }),
		boolField(FieldTurns, func(p *Project) *bool { return &p.Turns }),
	}
}
