package tilework

import (
	"fmt"
	"strings"

	"azzel/core/edit"
	"azzel/core/page"
)

// SetCellSize gives the project's cells another size in pixels. All maps keep their cells, and pieces theirs.
type SetCellSize struct {
	W int `json:"w"`
	H int `json:"h"`
}

// Do implements Order.
func (o SetCellSize) Do(p *page.Page) page.Changed {
	e, err := edit.CellSize{W: o.W, H: o.H}.Edit(p.Doc())
	if err != nil {
		return p.Fail(err)
	}
	return p.Do(e)
}

// CellSizeView says what another size of cells would do, or what keeps the cells from having it; one of them is empty.
type CellSizeView struct {
	Says    string `json:"says"`
	Refused string `json:"refused"`
}

// CellSizeWould says what it would do if the project's cells had another size.
func CellSizeWould(p *page.Page, w, h int) CellSizeView {
	d := p.Doc()
	if err := (edit.CellSize{W: w, H: h}).Check(d); err != nil {
		return CellSizeView{Refused: err.Error()}
	}
	pieces := 0
	for _, m := range d.Maps {
		pieces += len(m.Pieces)
	}
	var shown []string
	for _, t := range d.Tilesets {
		shown = append(shown, t.Name)
	}
	says := fmt.Sprintf("%s and %s stay as they lie in their cells.", counted(len(d.Maps), "map", "maps"), counted(pieces, "piece", "pieces"))
	if len(shown) > 0 {
		says += fmt.Sprintf(" Tiles of %s are shown %s.", strings.Join(shown, ", "), changed(w*h, d.Project.CellW*d.Project.CellH))
	}
	says += " Pictures of characters and backdrops keep their size in pixels."
	return CellSizeView{Says: says}
}

func changed(is, was int) string {
	if is > was {
		return "larger"
	}
	return "smaller"
}

func counted(n int, one, many string) string {
	if n == 1 {
		return "1 " + one
	}
	return fmt.Sprintf("%d %s", n, many)
}
