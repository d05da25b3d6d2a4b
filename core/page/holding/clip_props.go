package holding

import (
	"fmt"
	"maps"
	"slices"
	"strings"

	"azzel/core/appearance"
	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/logic"
	"azzel/core/page"
	"azzel/core/rows"
	"azzel/core/talk"
	"azzel/core/words"
	"azzel/core/world"
)

// A clipProp is what a piece sets of a property: its numbers, the word of a choice, or the id of what it refers to with
// its name, by which it is known again.
type clipProp struct {
	Is   []int    `json:"is,omitempty"`
	Word string   `json:"word,omitempty"`
	ID   world.ID `json:"id,omitempty"`
	Name string   `json:"name,omitempty"`
	// Asks is a condition, Names are those of what it asks for, in the order in which that stands.
	Asks  *logic.ConditionForm `json:"asks,omitempty"`
	Names []string             `json:"names,omitempty"`
	// Says is what the player reads, with Names of what is filled in.
	Says []words.PartForm `json:"says,omitempty"`
	// Sayings are what somebody says, with Names of what that asks for and fills in.
	Sayings []talk.Form `json:"sayings,omitempty"`
	// Seen is a picture, with Names of the character that it shows.
	Seen *appearance.Form `json:"seen,omitempty"`
}

// writeProps writes what a piece sets; name says what tiles are called in the clipboard.
func writeProps(d *world.Document, v kind.Values, name rows.Namer) map[string]clipProp {
	if v == "" {
		return nil
	}
	list := map[string]clipProp{}
	for f := range v.All() {
		if f >= kind.FirstOwnField {
			// It counts where its type is known.
			if p := d.Prop(f); p != nil {
				list[p.Word] = clipProp{Is: v.Numbers(nil, p)}
			} else if _, none := kind.NoneOf(f); none {
				list[page.FormatID(kind.ID(f))] = clipProp{Is: []int{1}}
			}
			continue
		}
		p := kind.PropOf(f)
		numbers := v.Numbers(nil, p)
		switch p.Sort {
		case kind.Condition:
			c := logic.Of(v, p)
			form := page.Conditions.Write(c)
			is := clipProp{Asks: &form}
			c.Refers(func(sort kind.Thing, id world.ID) { is.Names = append(is.Names, thingName(d, sort, id)) })
			list[p.Word] = is
		case kind.Sayings:
			l := talk.Of(v, p)
			is := clipProp{Sayings: l.Write(page.Conditions)}
			l.Refers(func(sort kind.Thing, id world.ID) { is.Names = append(is.Names, thingName(d, sort, id)) })
			list[p.Word] = is
		case kind.Picture:
			is := appearance.Of(v, p)
			form := appearance.Names{Tile: name, Who: page.FormatID, Acts: world.ActNames[:], Left: func(tile int) bool {
				t, _ := d.TilesetOf(tile)
				return t == nil
			}}.Write(is)
			list[p.Word] = clipProp{Seen: &form, Names: []string{thingName(d, kind.Character, is.Who)}}
		case kind.Words:
			t := words.Of(v, p)
			is := clipProp{Says: t.Write(page.FormatID)}
			t.Refers(func(sort kind.Thing, id world.ID) { is.Names = append(is.Names, thingName(d, sort, id)) })
			list[p.Word] = is
		case kind.Reference:
			id := v.Refers(p)
			list[p.Word] = clipProp{ID: id, Name: hand.Name(d, world.Ref{Sort: page.SortOf(p.To), ID: id})}
		case kind.OwnState:
			list[p.Word] = clipProp{Word: kind.StateOf(numbers[0]).Word}
		case kind.Choice:
			list[p.Word] = clipProp{Word: p.Options[numbers[0]]}
		case kind.Direction:
			list[p.Word] = clipProp{Word: p.Options[numbers[0]-1]}
		default:
			list[p.Word] = clipProp{Is: numbers}
		}
	}
	return list
}

// An outsider knows again, in a document, what is named by what comes from elsewhere.
type outsider struct {
	d *world.Document
	// within tells what comes along: it is known.
	within func(kind.Thing, world.ID) bool
	// lost is told the name of each thing that is not known, as it is called there.
	lost func(name string)
	// find finds tiles by what they are called in the clipboard.
	find rows.Finder
}

// props reads what a piece sets, without what it names that is something else in this project, but with what is within the block.
func (o outsider) props(k *kind.Kind, list map[string]clipProp) (v kind.Values, err error) {
	for _, word := range slices.Sorted(maps.Keys(list)) {
		h, has := k.Prop(word)
		if own := kind.Field(page.ParseID(word)); !has && own >= kind.FirstOwnField {
			if is := list[word].Is; len(is) == 1 && kind.CheckOwn(kind.OwnValue(own, is[0]).Bytes) == nil {
				v = v.With(kind.OwnValue(own, is[0]))
			}
			continue
		}
		if !has {
			return "", fmt.Errorf("it has no %.40q", word)
		}
		is := list[word]
		option := slices.Index(h.Options, is.Word)
		set := h.Is(is.Is...)
		switch {
		case h.Sort == kind.Condition && is.Asks == nil:
			set = h.Unset()
		case h.Sort == kind.Condition:
			c, err := page.Conditions.Read(is.Asks)
			if err == nil {
				err = c.Check(false)
			}
			if err != nil {
				return "", err
			}
			set = c.Refer(o.known(is.Names)).Set(h.Prop)
		case h.Sort == kind.Sayings:
			l, err := talk.Read(is.Sayings, page.Conditions)
			if err != nil {
				return "", err
			}
			set = l.Refer(o.known(is.Names)).Set(h.Prop)
		case h.Sort == kind.Picture && is.Seen == nil:
			set = h.Unset()
		case h.Sort == kind.Picture:
			seen, err := appearance.Names{Find: o.find, Parse: parsed, Acts: world.ActNames[:]}.Read(*is.Seen)
			if err != nil {
				return "", err
			}
			if seen.Who != 0 {
				seen.Who = o.known(is.Names)(kind.Character, seen.Who)
			}
			set = seen.Set(h.Prop)
		case h.Sort == kind.Words:
			t, err := words.Read(is.Says, page.Conditions.Parse)
			if err != nil {
				return "", err
			}
			set = t.Refer(o.known(is.Names)).Set(h.Prop)
		case h.Sort == kind.Reference:
			if !o.within(h.To, is.ID) && (is.Name == "" || hand.Name(o.d, world.Ref{Sort: page.SortOf(h.To), ID: is.ID}) != is.Name) {
				if is.Name != "" {
					o.lost(is.Name)
				}
				is.ID = 0
			}
			set = h.Refer(is.ID)
		case h.Sort == kind.OwnState:
			s := kind.StateNamed(is.Word)
			if s == nil || !k.Can(s.Number) {
				return "", fmt.Errorf("%s is not %.40q", h.Name, is.Word)
			}
			set = h.Is(s.Number)
		case option < 0 && (h.Sort == kind.Choice || h.Sort == kind.Direction):
			return "", fmt.Errorf("%s is none of %s", h.Name, strings.Join(h.Options, ", "))
		case h.Sort == kind.Choice:
			set = h.Is(option)
		case h.Sort == kind.Direction:
			set = h.Is(option + 1)
		}
		if err := h.Check(set.Bytes); err != nil {
			return "", err
		}
		v = v.With(set)
	}
	return asking(v), nil
}

// parsed is the id of a thing in a clipboard; one that can't be is of none.
func parsed(text string) (kind.ID, error) { return page.ParseID(text), nil }

// known leaves out what has another name in this project than in that from which it comes: names are those there, one for each
// thing that is asked for, empty for what was not there either. What is within the block is known.
func (o outsider) known(names []string) func(sort kind.Thing, id world.ID) world.ID {
	n := -1
	return func(sort kind.Thing, id world.ID) world.ID {
		if n++; o.within(sort, id) {
			return id
		}
		if n >= len(names) || names[n] == "" {
			return 0
		}
		if thingName(o.d, sort, id) != names[n] {
			o.lost(names[n])
			return 0
		}
		return id
	}
}

// thingName is the name of something that a condition asks for, or words fill in, empty if it is not there.
func thingName(d *world.Document, sort kind.Thing, id world.ID) string {
	switch _, p := d.Piece(id); {
	case sort == kind.Type:
		return d.KindName(id)
	case sort == kind.Piece && p != nil:
		return hand.PieceName(d, p)
	case sort == kind.Piece:
		return ""
	}
	return hand.Name(d, world.Ref{Sort: page.SortOf(sort), ID: id})
}

// asking is v without the rest of a condition that asks for nothing.
func asking(v kind.Values) kind.Values {
	if v.Refers(props.WhileFact) == 0 && v.Refers(props.WhileItem) == 0 {
		return v.With(world.Single{}.Props()...)
	}
	return v
}
