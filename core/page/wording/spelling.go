package wording

import (
	"fmt"
	"strconv"
	"strings"

	"azzel/core/kind"
	saying "azzel/core/words"
	"azzel/core/world"
)

// Spell is a text as people type it: what is filled in stands in braces by its name, with its number behind it where names
// repeat, and by that alone where a name has braces. A brace that would be taken for that is doubled.
func Spell(d *world.Document, t saying.Text) string {
	var b strings.Builder
	var names map[kind.ID]string
	for n, p := range t {
		id := p.Fact | p.Item
		if id == 0 {
			for i, r := range p.Letters {
				b.WriteRune(r)
				if r == '{' && !plainBrace(d, p.Letters[i+1:], n == len(t)-1) {
					b.WriteRune(r)
				}
			}
			continue
		}
		if names == nil {
			names = fillNames(d)
		}
		name := names[id]
		if name == "" {
			name = gone
		}
		b.WriteString("{" + name + "}")
	}
	return b.String()
}

// plainBrace reports whether a brace before some letters, the last of a text or not, is read as such.
func plainBrace(d *world.Document, letters string, last bool) bool {
	name, _, ends := braced(letters)
	if !ends {
		return last && !strings.Contains(letters, "{")
	}
	if strings.Contains(name, "{") {
		return false
	}
	_, is := filled(d, name, nil)
	return !is && name != gone
}

// filledIn is a fact or an item that can be filled into a text.
type filledIn struct {
	part saying.Part
	name string
	// number tells it from others of its name.
	number int
}

// filling are all facts and items of a document.
func filling(d *world.Document) (list []filledIn) {
	for _, f := range d.Facts {
		list = append(list, filledIn{saying.Part{Fact: f.ID}, f.Name, f.Number})
	}
	for _, i := range d.Items {
		list = append(list, filledIn{saying.Part{Item: i.ID}, i.Name, i.Number})
	}
	return list
}

// Fillings are what can be filled into a text, by the names by which Spell calls them.
func Fillings(d *world.Document) []string {
	list := []string{}
	names := fillNames(d)
	for _, is := range filling(d) {
		list = append(list, names[is.part.Fact|is.part.Item])
	}
	return list
}

// fillNames are what all that can be filled in is called.
func fillNames(d *world.Document) map[kind.ID]string {
	list := filling(d)
	same := map[string]int{}
	for _, is := range list {
		same[is.name]++
	}
	names := map[kind.ID]string{}
	for _, is := range list {
		name := is.name
		switch {
		case name == "" || name == gone || strings.ContainsAny(name, "{}#"):
			name = fmt.Sprintf("#%d", is.number)
		case same[name] > 1:
			name = fmt.Sprintf("%s #%d", name, is.number)
		}
		names[is.part.Fact|is.part.Item] = name
	}
	return names
}

// ReadWords reads a text as Spell gives it; before is the one that it replaces, of which what is gone stays. Braces in which
// nothing stands that there is are letters; wrong says so in sentences.
func ReadWords(d *world.Document, typed string, before saying.Text) (t saying.Text, wrong []string, err error) {
	typed = strings.ReplaceAll(strings.ReplaceAll(typed, "\r\n", "\n"), "\t", " ")
	var letters strings.Builder
	for {
		i := strings.IndexByte(typed, '{')
		if i < 0 {
			break
		}
		letters.WriteString(typed[:i])
		typed = typed[i+1:]
		if rest, doubled := strings.CutPrefix(typed, "{"); doubled {
			letters.WriteByte('{')
			typed = rest
			continue
		}
		name, rest, ends := braced(typed)
		p, is := filled(d, name, before)
		switch {
		case !ends:
			wrong = append(wrong, "A brace is opened and not closed, so the player reads the brace.")
		case !is:
			wrong = append(wrong, fmt.Sprintf("There is no fact or item called %.40q, so the player reads the braces.", name))
		}
		if !ends || !is {
			letters.WriteByte('{')
			continue
		}
		t = append(t, saying.Part{Letters: letters.String()}, p)
		letters.Reset()
		typed = rest
	}
	t = append(t, saying.Part{Letters: letters.String() + typed}).Clean()
	return t, wrong, t.Check()
}

// braced is what stands before the brace that closes, and what follows it.
func braced(s string) (name, rest string, ends bool) { return strings.Cut(s, "}") }

// filled finds what is called so, by its number or by its name; of those that share one it is the first.
func filled(d *world.Document, name string, before saying.Text) (p saying.Part, is bool) {
	if name == gone {
		for _, p := range before {
			if p.Fact != 0 && d.Fact(p.Fact) == nil || p.Item != 0 && d.Item(p.Item) == nil {
				return p, true
			}
		}
	}
	// The number alone says which it is.
	_, digits, numbered := strings.Cut(name, "#")
	number, err := strconv.Atoi(digits)
	for _, is := range filling(d) {
		if numbered && err == nil && is.number == number || !numbered && name != "" && is.name == name {
			return is.part, true
		}
	}
	return p, false
}
