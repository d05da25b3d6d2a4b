package kind

import "slices"

// The pictures that a piece can have are properties like others: one for whatever it is, one for each of its own states in which it is seen, and one
// for while it is off; of each of them one for whatever side it looks to and, of kinds that look to a side, one for each.

// firstPicture is the field of the first picture there can be, sides how many there are of one state.
const (
	firstPicture Field = 1 << 12
	sides              = 8
)

// The states of which there are pictures beside the kind's own, by their numbers.
const (
	// AnyState is whatever state a piece is in.
	AnyState = 0
	// WhileOff is the state of a piece that is off.
	WhileOff = 1000
)

// AnySide stands for whatever side a piece looks to; Sides are the others, from 1 on.
const AnySide = 0

// Sides are the sides to which a piece can look, in the order of their numbers.
var Sides = [...]string{"south", "west", "east", "north"}

// pictures are the properties of all kinds that are pictures, by their fields.
var pictures = map[Field]*Prop{}

// PictureOf is the property of kinds that is the picture of a piece in a state, by its number, that looks to a side; nil if no kind has it.
func PictureOf(state, side int) *Prop { return pictures[pictureField(state, side)] }

func pictureField(state, side int) Field { return firstPicture + Field(state*sides+side) }

// Shown tells of which state and side a property is the picture; ok is false for other properties.
func (p *Prop) Shown() (state, side int, ok bool) {
	if p.Sort != Picture {
		return 0, 0, false
	}
	n := int(p.Field - firstPicture)
	return n / sides, n % sides, true
}

// Seen are the numbers of the states in which pieces of the kind can have a picture of its own: AnyState, those of its own in which it is not gone, and
// WhileOff if it has power.
func (k *Kind) Seen() (list []int) {
	if k == nil || k.Picture == nil {
		return nil
	}
	list = append(list, AnyState)
	for _, s := range k.States {
		if !s.Gone {
			list = append(list, s.Number)
		}
	}
	if slices.ContainsFunc(k.Props, func(h Has) bool { return len(h.Options) > 0 && &h.Options[0] == &Powers[0] }) {
		list = append(list, WhileOff)
	}
	return list
}

// pictures are the properties of the kind that are pictures.
func (k *Kind) pictures() (list []Has) {
	for _, state := range k.Seen() {
		for side := range len(Sides) + 1 {
			if side == AnySide || k.Faces {
				list = append(list, Has{Prop: k.picture(state, side), Hidden: true})
			}
		}
	}
	return list
}

// picture is the property that is the picture of a state of the kind, which all kinds have in common that have the state.
func (k *Kind) picture(state, side int) *Prop {
	f := pictureField(state, side)
	if p := pictures[f]; p != nil {
		return p
	}
	p := &Prop{Field: f, Sort: Picture, Word: "picture", Label: "Picture", Name: "the picture of a piece", None: "as it comes", Help: "How it is seen in play and on the board."}
	say := func(word, label string) {
		p.Word += "-" + word
		p.Label += ", " + label
		p.Name += " that is " + label
	}
	if i := slices.IndexFunc(k.States, func(s *State) bool { return s.Number == state }); i >= 0 {
		say(k.States[i].Word, k.States[i].Name)
	} else if state == WhileOff {
		say(Powers[Off], Powers[Off])
	}
	if side != AnySide {
		say("to-"+Sides[side-1], "looking "+Sides[side-1])
	}
	pictures[f] = p
	return p
}
