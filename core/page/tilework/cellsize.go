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

// CellSizeView says of tiles of another size than the project's cells how they would be shown, and what it would do if the cells
// had their size, or what keeps the cells from it. All is empty for tiles that are as large as a cell.
type CellSizeView struct {
	Shown   string `json:"shown"`
	Says    string `json:"says"`
	Refused string `json:"refused"`
}

// CellSizeWould says what becomes of tiles of a size, and what it would do if the project's cells had that size.
func CellSizeWould(p *page.Page, w, h int) CellSizeView {
	d := p.Doc()
	if w < 1 || h < 1 || w == d.Project.CellW && h == d.Project.CellH {
		return CellSizeView{}
	}
	v := CellSizeView{Shown: fmt.Sprintf("The project’s cells are %d × %d px, these tiles %d × %d px: they would be shown %s.",
		d.Project.CellW, d.Project.CellH, w, h, fitted(w, h, d.Project.CellW, d.Project.CellH))}
	if err := (edit.CellSize{W: w, H: h}).Check(d); err != nil {
		v.Refused = err.Error()
		return v
	}
	pieces := 0
	for _, m := range d.Maps {
		pieces += len(m.Pieces)
	}
	var shown []string
	for _, t := range d.Tilesets {
		shown = append(shown, t.Name)
	}
	v.Says = fmt.Sprintf("%s and %s stay as they lie in their cells.", counted(len(d.Maps), "map", "maps"), counted(pieces, "piece", "pieces"))
	if len(shown) > 0 {
		v.Says += fmt.Sprintf(" Tiles of %s are shown %s.", strings.Join(shown, ", "), changed(w*h, d.Project.CellW*d.Project.CellH))
	}
	v.Says += " Pictures of characters and backdrops keep their size in pixels."
	return v
}

// fitted says how a tile of w × h pixels is shown in a cell.
func fitted(w, h, cellW, cellH int) string {
	switch {
	case w*cellH != h*cellW:
		return "stretched"
	case w%cellW == 0:
		return fmt.Sprintf("%d times smaller", w/cellW)
	case w > cellW:
		return "smaller, with pixels left out"
	case cellW%w == 0:
		return fmt.Sprintf("%d times larger", cellW/w)
	}
	return "larger, with some pixels doubled"
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
