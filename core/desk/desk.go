// Package desk knows the picture that lies on the desk, and says how it would be
// cut. It refuses to know projects: what is taken goes through the server.
package desk

import (
	"crypto/sha256"
	"encoding/hex"
	"image"

	"azzel/core/raster"
	"azzel/core/tiles"
)

// Sheet is what is known of a picture on the desk, and of how it would be cut.
type Sheet struct {
	Width  int    `json:"width"`
	Height int    `json:"height"`
	Format string `json:"format"`
	// Profile says that colours are taken without the file's colour profile;
	// OneColour that all of the picture is the same.
	Profile   bool `json:"profile"`
	OneColour bool `json:"oneColour"`
	// Sum is the SHA-256 sum of the file.
	Sum string `json:"sum"`
	// Guess is how the picture seems to be meant to be cut, Sure that there is
	// hardly a doubt.
	Guess tiles.Cut `json:"guess"`
	Sure  bool      `json:"sure"`

	Columns int    `json:"columns"`
	Rows    int    `json:"rows"`
	Tiles   int    `json:"tiles"`
	Empty   int    `json:"empty"`
	Places  []int  `json:"places"`
	Error   string `json:"error"`
}

// A Desk holds the picture that is being cut. The zero value is empty.
type Desk struct {
	img          *image.NRGBA
	cellW, cellH int
}

// Open takes a picture file onto the desk, for a project with cells of the given
// size in pixels, and guesses its cut.
func (d *Desk) Open(data []byte, cellW, cellH int) Sheet {
	*d = Desk{cellW: cellW, cellH: cellH}
	s := Sheet{Places: []int{}}
	info, err := raster.Measure(data)
	if err == nil {
		d.img, err = raster.Decode(data)
	}
	if err != nil {
		s.Error = err.Error()
		return s
	}
	sum := sha256.Sum256(data)
	s.Width, s.Height, s.Format, s.Profile, s.Sum = d.img.Rect.Dx(), d.img.Rect.Dy(), info.Format, info.Profile, hex.EncodeToString(sum[:])
	s.OneColour = oneColour(d.img)
	g := tiles.GuessCut(d.img, cellW, cellH)
	s.Guess, s.Sure = g.Cut, g.Sure
	return s
}

func oneColour(img *image.NRGBA) bool {
	for y := range img.Rect.Dy() {
		line := img.Pix[y*img.Stride:][:img.Rect.Dx()*4]
		for i := 0; i < len(line); i += 4 {
			if [4]byte(line[i:]) != [4]byte(img.Pix) {
				return false
			}
		}
	}
	return true
}

// Cut says how the picture on the desk would be cut.
func (d *Desk) Cut(c tiles.Cut) Sheet {
	s := Sheet{Places: []int{}}
	if d.img == nil {
		s.Error = raster.ErrNotPicture.Error()
		return s
	}
	s.Width, s.Height = d.img.Rect.Dx(), d.img.Rect.Dy()
	if err := c.CheckCell(d.cellW, d.cellH); err != nil {
		s.Error = err.Error()
		return s
	}
	places, err := c.Places(d.img)
	if err != nil {
		s.Error = err.Error()
		return s
	}
	s.Columns, s.Rows, s.Tiles, s.Places = c.Columns(s.Width, s.Height), c.Rows(s.Width, s.Height), len(places), places
	s.Empty = s.Columns*s.Rows - s.Tiles
	return s
}

// Comparison is what became of the tiles of a tileset in the picture on the desk.
type Comparison struct {
	// To gives for each tile of the tileset its index in the new cut, -1 if it is
	// gone.
	To []int `json:"to"`
	// Moved, Changed and Gone are the tiles of the tileset that are so; Kept and
	// Added count those that stay and those that are new.
	Moved   []int  `json:"moved"`
	Changed []int  `json:"changed"`
	Gone    []int  `json:"gone"`
	Kept    int    `json:"kept"`
	Added   int    `json:"added"`
	Error   string `json:"error"`
}

// Compare finds the tiles of a tileset, as the server keeps them, in the picture
// on the desk.
func (d *Desk) Compare(strip []byte, c tiles.Cut) Comparison {
	v := Comparison{To: []int{}, Moved: []int{}, Changed: []int{}, Gone: []int{}}
	old, err := tiles.DecodeStrip(strip)
	if err == nil && d.img == nil {
		err = raster.ErrNotPicture
	}
	var newer *tiles.Strip
	if err == nil {
		newer, err = tiles.Take(d.img, c)
	}
	if err != nil {
		v.Error = err.Error()
		return v
	}
	found, added := tiles.Match(old, newer)
	v.Added = len(added)
	for i, f := range found {
		v.To = append(v.To, f.To)
		switch f.Fate {
		case tiles.Kept:
			v.Kept++
		case tiles.Moved:
			v.Moved = append(v.Moved, i)
		case tiles.Changed:
			v.Changed = append(v.Changed, i)
		default:
			v.Gone = append(v.Gone, i)
		}
	}
	return v
}

// Parts is what a finished map on the desk would be taken apart into.
type Parts struct {
	Columns int `json:"columns"`
	Rows    int `json:"rows"`
	// Tiles is how many different tiles there are.
	Tiles int    `json:"tiles"`
	Error string `json:"error"`
}

// Apart says what the picture on the desk would be taken apart into.
func (d *Desk) Apart(c tiles.Cut, a tiles.Apart) Parts {
	if d.img == nil {
		return Parts{Error: raster.ErrNotPicture.Error()}
	}
	s, _, err := tiles.TakeApart(d.img, c, a)
	if err != nil {
		return Parts{Error: err.Error()}
	}
	return Parts{Columns: s.Columns, Rows: s.Rows, Tiles: len(s.Places)}
}
