// Command azzel-kinds writes docs/KINDS.md, the page of the kinds of pieces, from what they declare. With -check it only
// reports whether the page is current.
package main

import (
	"bytes"
	"flag"
	"fmt"
	"os"
	"slices"
	"strconv"
	"strings"

	"azzel/core/kind"
	_ "azzel/core/kinds" // so that there are kinds
	"azzel/core/kinds/props"
)

func main() {
	check := flag.Bool("check", false, "report whether the page is current")
	file := flag.String("o", "docs/KINDS.md", "the page to write")
	flag.Parse()
	if err := run(*check, *file); err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
}

func run(check bool, file string) error {
	text := page()
	if !check {
		return os.WriteFile(file, text, 0o644)
	}
	if have, err := os.ReadFile(file); err != nil || !bytes.Equal(have, text) {
		return fmt.Errorf("%s is not current: run ./run generate", file)
	}
	return nil
}

// page describes all kinds.
func page() []byte {
	var out bytes.Buffer
	out.WriteString("# Kinds of pieces\n\nWritten by `./run generate` from what `core/kinds` declares. A property that a piece does not set is as usual. Its word is what bundles call it, its number what stored pieces do.\n")
	for _, k := range kind.All() {
		fmt.Fprintf(&out, "\n## %s\n\n%s Called `%s` in bundles, number %d; one of the %s.", k.Name, k.Purpose, k.Word, k.ID, k.Family)
		if k.Done != "" {
			fmt.Fprintf(&out, " It can set a fact once %s.", k.Done)
		}
		if !k.Always {
			out.WriteString(" It can be there only while a condition holds.")
		}
		if len(k.States) > 0 {
			fmt.Fprintf(&out, " Its own states are *%s* (`%s`) and *%s* (`%s`).", k.States[0].Name, k.States[0].Word, k.States[1].Name, k.States[1].Word)
		}
		if len(k.Moments) > 0 {
			names := make([]string, len(k.Moments))
			for i, m := range k.Moments {
				names[i] = m.Name
			}
			fmt.Fprintf(&out, " It can be %s.", strings.Join(names, ", "))
		}
		for _, c := range k.Changes {
			lasting := ""
			if c.Lasting {
				lasting = ", for good"
			}
			fmt.Fprintf(&out, " It goes from *%s* to *%s* by being %s%s.", c.From.Name, c.To.Name, c.By.Name, lasting)
		}
		out.WriteString("\n")
		var has []kind.Has
		for _, h := range k.Props {
			if !common(h) && h.Sort != kind.Picture {
				has = append(has, h)
			}
		}
		table(&out, k, has)
	}
	out.WriteString("\n## Pictures\n\nWhat has a built-in picture can have others (FORMATS.md): `picture` whatever it is, `picture-` and the word of a state for that, `picture-off` while it is off; what looks to a side has further ones for `to-south`, `to-west`, `to-east` and `to-north` of each, such as `picture-to-west`. Their numbers are 4096, plus 8 for each number of the state (1000 while off), plus 1 to 4 for the side.\n")
	out.WriteString("\n## Facts and presence\n\nThe properties of pieces that set a fact, and of pieces that are there only while something holds. Bundles hold them as `sets` and `while`.\n")
	table(&out, nil, slices.Concat(props.Facts, props.Presence))
	return out.Bytes()
}

// common reports whether a property is one of those that are described once for all kinds.
func common(h kind.Has) bool {
	is := func(o kind.Has) bool { return o.Prop == h.Prop }
	return slices.ContainsFunc(props.Facts, is) || slices.ContainsFunc(props.Presence, is)
}

// table describes properties as a kind has them.
func table(out *bytes.Buffer, k *kind.Kind, has []kind.Has) {
	if len(has) == 0 {
		return
	}
	out.WriteString("\n| what people read | word | number | what it can be | usual | |\n|---|---|---|---|---|---|\n")
	for _, h := range has {
		help := h.Help
		switch {
		case h.Old:
			help += " As it was said before there were conditions of several terms: it is read, and set no more."
		case h.Hidden && k != nil:
			help += " Not offered by itself: it counts for what comes out."
		}
		if h.Changes {
			help += " Rules can set it in play."
		}
		help += map[kind.View]string{kind.FromAbove: " It counts from above alone.", kind.FromTheSide: " It counts from the side alone."}[h.Only]
		fmt.Fprintf(out, "| %s | `%s` | %d | %s | %s | %s |\n", h.Says(), h.Word, h.Field, ranges(h.Prop), usual(k, h), help)
	}
}

// ranges says what a property can be.
func ranges(p *kind.Prop) string {
	least, most := p.Ranges(0)
	switch p.Sort {
	case kind.YesNo:
		return "yes or no"
	case kind.OwnState:
		return "one of its states"
	case kind.Choice:
		return strings.Join(p.Options, ", ")
	case kind.Direction:
		return strings.Join(append([]string{p.None}, p.Options...), ", ")
	case kind.Colour:
		return "a colour such as #d07a2c, or " + p.None
	case kind.Offset:
		return fmt.Sprintf("to the right and down, each %d to %d pixels", least, most)
	case kind.Weights:
		return fmt.Sprintf("%s, each 0 to %d", strings.Join(p.Options, ", "), most)
	case kind.Reference:
		return "one of the project, or " + p.None
	case kind.Condition:
		return "a condition (FORMATS.md), or " + p.None
	case kind.Sayings:
		return "things to say (FORMATS.md), or " + p.None
	case kind.Words:
		return "words (FORMATS.md), or " + p.None
	case kind.Setting:
		_, most = p.Ranges(1)
		return fmt.Sprintf("%s, 0 to %d", strings.Join(p.Options, ", "), most)
	}
	return strings.TrimSpace(inUnits(p, max(least, p.Least)) + " to " + inUnits(p, most) + " " + p.Unit)
}

// usual says what a property is that is not set.
func usual(k *kind.Kind, h kind.Has) string {
	numbers := kind.Values("").Numbers(k, h.Prop)
	switch h.Sort {
	case kind.OwnState:
		return "the first"
	case kind.Choice:
		return h.Options[numbers[0]]
	case kind.Weights:
		for i, n := range numbers {
			if n > 0 {
				return h.Options[i] + " alone"
			}
		}
		return "as the map says"
	case kind.Whole:
		return inUnits(h.Prop, numbers[0])
	case kind.Reference, kind.Direction, kind.Condition, kind.Words, kind.Sayings:
		return h.None
	}
	return "–"
}

func inUnits(p *kind.Prop, n int) string {
	if p.Per <= 1 {
		return strconv.Itoa(n)
	}
	return strconv.FormatFloat(float64(n)/float64(p.Per), 'f', -1, 64)
}
