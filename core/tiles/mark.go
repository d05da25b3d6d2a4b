package tiles

import (
	"errors"
	"fmt"
	"strconv"
	"strings"
)

// A Mark is one property painted onto tiles, by its name as the interface shows
// it.
type Mark struct {
	Property string `json:"property"`
	// On, Amount and Text are the value, as the property needs it.
	On     bool   `json:"on"`
	Amount int    `json:"amount"`
	Text   string `json:"text"`
	// Rows are the 8 rows of a mask, the leftmost part in the lowest bit.
	Rows []int `json:"rows"`
	// Own is the id of a property of the project's own, in decimal, where Property is
	// "own"; Text is then its value.
	Own string `json:"own"`
}

// A Markable is a property that can be painted onto tiles.
type Markable struct {
	// ID is what a Mark calls it, Name what people read, Says a sentence.
	ID   string `json:"id"`
	Name string `json:"name"`
	// Value is how its value is said: yes, amount, text, solid or role.
	Value string `json:"value"`
	Says  string `json:"says"`
	// Most is the greatest amount.
	Most int `json:"most"`
}

// Markables are the properties that tiles can be marked with, in the order in which they are shown.
var Markables = []Markable{
	{"solid", "Solid", "solid", "Nobody can walk into it.", 0},
	{"role", "Role", "role", "What it is for. Sets the rest to what fits, and lets another tileset take its place.", 0},
	{"one-way", "One-way", "yes", "Holds whoever comes from above.", 0},
	{"climbable", "Climbable", "yes", "Can be climbed.", 0},
	{"water", "Water", "yes", "The player swims in it.", 0},
	{"danger", "Danger", "amount", "How much it hurts.", MaxDanger},
	{"slippery", "Slippery", "yes", "The player slides on it.", 0},
	{"slow", "Slow", "yes", "The player walks slowly on it.", 0},
	{"above", "Above the player", "yes", "Is laid into the layer above the player, as a tree’s crown.", 0},
	{"weight", "Weight", "amount", "How often it is laid among others.", MaxWeight},
	{"home", "Home layer", "text", "The layer it is always laid into, by name.", 0},
}

// What Amount means for the property "solid".
const (
	SolidNot = iota
	SolidWhole
	// SolidShown is solid where the tile shows something.
	SolidShown
	// SolidRows is solid as Rows say.
	SolidRows
)

// Apply is what a tile becomes that was p. Shown gives the mask of what the tile
// shows. An error says in words what is wrong with the mark.
func (m Mark) Apply(p Properties, shown func() Mask) (Properties, error) {
	switch m.Property {
	case "role":
		if m.Amount < 0 || m.Amount >= int(roleEnd) {
			return p, errors.New("there is no such role")
		}
		next := Role(m.Amount).Properties()
		next.Name, next.Keywords, next.Home, next.Weight, next.Animation, next.Own = p.Name, p.Keywords, p.Home, p.Weight, p.Animation, p.Own
		return next, nil
	case "solid":
		return m.solid(p, shown)
	case "one-way":
		p.OneWay = m.On
	case "climbable":
		p.Climbable = m.On
	case "water":
		p.Water = m.On
	case "slippery":
		p.Slippery = m.On
	case "slow":
		p.Slow = m.On
	case "above":
		p.Above = m.On
	case "danger":
		if m.Amount < 0 || m.Amount > MaxDanger {
			return p, fmt.Errorf("danger is 0 to %d; this is %d", MaxDanger, m.Amount)
		}
		p.Danger = m.Amount
	case "weight":
		if m.Amount < 0 || m.Amount > MaxWeight {
			return p, fmt.Errorf("a weight is 0 to %d; this is %d", MaxWeight, m.Amount)
		}
		p.Weight = m.Amount
	case "name":
		p.Name = strings.TrimSpace(m.Text)
	case "keywords":
		p.Keywords = strings.TrimSpace(m.Text)
	case "home":
		p.Home = strings.TrimSpace(m.Text)
	case "own":
		id, err := strconv.ParseUint(m.Own, 10, 64)
		if err != nil {
			return p, errors.New("there is no such property any more")
		}
		p.Own = p.Own.With(id, m.Text)
	default:
		return p, fmt.Errorf("tiles have no property called %q", m.Property)
	}
	return p, nil
}

func (m Mark) solid(p Properties, shown func() Mask) (Properties, error) {
	switch m.Amount {
	case SolidNot:
		p.Solid = 0
	case SolidWhole:
		p.Solid = Whole
	case SolidShown:
		p.Solid = shown()
	case SolidRows:
		if len(m.Rows) != MaskSide {
			return p, fmt.Errorf("a mask has %d rows; this one has %d", MaskSide, len(m.Rows))
		}
		p.Solid = 0
		for y, row := range m.Rows {
			p.Solid |= Mask(row&(1<<MaskSide-1)) << (y * MaskSide)
		}
	default:
		return p, errors.New("a tile is solid all over, in parts, where it shows something, or not")
	}
	return p, nil
}

// Rows are the 8 rows of the mask, the leftmost part in the lowest bit.
func (m Mask) Rows() []int {
	rows := make([]int, MaskSide)
	for y := range rows {
		rows[y] = int(m>>(y*MaskSide)) & (1<<MaskSide - 1)
	}
	return rows
}
