package pieces

import (
	"fmt"
	"strings"

	"azzel/core/kind"
	"azzel/core/page"
	"azzel/core/page/wording"
	"azzel/core/play"
	"azzel/core/text"
	"azzel/core/words"
	"azzel/core/world"
)

// WordsView is what a player would read of a text that is typed.
type WordsView struct {
	// Pages is how many pages it has, Wrong what is wrong with it, in sentences.
	Pages int      `json:"pages"`
	Wrong []string `json:"wrong"`
	// Refused says that it can't be kept as it is.
	Refused bool `json:"refused"`
}

// CheckWords asks what a player would read of a text that is typed.
type CheckWords struct {
	Typed string `json:"typed"`
	// Line says that it is an answer, which is one line.
	Line bool `json:"line,omitempty"`
}

// Answer implements Question.
func (q CheckWords) Answer(p *page.Page) any {
	said, wrong, err := q.said(p)
	v := WordsView{Wrong: append([]string{}, wrong...)}
	if err != nil {
		v.Wrong, v.Refused = append(v.Wrong, page.Sentence(err)), true
		return v
	}
	box := play.BoxOf(p.Doc())
	pages := box.Pages(said)
	v.Pages = len(pages)
	for i, is := range pages {
		if is.Over && !pages[i-1].Over {
			v.Wrong = append(v.Wrong, fmt.Sprintf("What begins on page %d does not fit its box, which holds %s, and goes on on the next page. Shorten it, or part it by an empty line.", i, page.Counted(box.Lines, "line")))
		}
	}
	if q.Line && len(text.Break(said, box.Choice())) > 1 {
		v.Wrong = append(v.Wrong, "An answer is one line, and this one does not fit: it is cut off at the end of it. Shorten it.")
	}
	if lacking := text.Lacking(said); len(lacking) > 0 {
		var list []string
		for _, r := range lacking[:min(len(lacking), mostLacking)] {
			list = append(list, fmt.Sprintf("%c", r))
		}
		v.Wrong = append(v.Wrong, fmt.Sprintf("The game has no letter for %s: it shows a box there.", strings.Join(list, " ")))
	}
	return v
}

// mostLacking is how many letters are named for which there is no drawing.
const mostLacking = 12

func (q CheckWords) said(p *page.Page) (said string, wrong []string, err error) {
	t, wrong, err := wording.ReadWords(p.Doc(), q.Typed, nil)
	if err == nil {
		said = t.Say(world.AtFirst{Document: p.Doc()})
	}
	return said, wrong, err
}

// WordsPicture asks for a page of a text that is typed as the player sees it, in the same pixels.
type WordsPicture struct {
	Typed string `json:"typed"`
	Page  int    `json:"page"`
}

// Answer implements Question.
func (q WordsPicture) Answer(p *page.Page) any {
	said, _, err := CheckWords{Typed: q.Typed}.said(p)
	box := play.BoxOf(p.Doc())
	pages := box.Pages(said)
	if err != nil || q.Page < 0 || q.Page >= len(pages) {
		return page.Picture{}
	}
	m := box.Draw(pages[q.Page], q.Page < len(pages)-1)
	return page.Picture{Pixels: m.Pixels, W: m.W, H: m.H}
}

// Fillings asks what can be filled into words, by name.
type Fillings struct{}

// Answer implements Question.
func (Fillings) Answer(p *page.Page) any { return wording.Fillings(p.Doc()) }

// wordsField is a property that is what the player reads.
func wordsField(d *world.Document, p *world.Piece, h kind.Has) FieldView {
	typed := wording.Spell(d, words.Of(p.All(), h.Prop))
	return FieldView{Name: h.Word, Label: h.Says(), Help: h.Help, Options: []OptionView{}, Tries: []float64{}, Typed: &typed}
}
