package exchange

import (
	"fmt"
	"image/png"
	"strings"

	"azzel/core/grid"
	"azzel/core/raster"
	"azzel/core/tiles"
	"azzel/core/world"
)

func (b *writer) tile(n int) string {
	set, i := b.doc.ShortName(n)
	return fmt.Sprintf("%s%d", set, i+1)
}

func (b *writer) bond(bond *world.Bond) Bond {
	part := Bond{ID: idText(bond.ID), Name: bond.Name, Join: word(joinWords, bond.Join), Border: bond.Border, Seed: bond.Seed, Tiles: []Bonded{}}
	for _, t := range bond.Tiles {
		part.Tiles = append(part.Tiles, Bonded{b.tile(t.Tile), joinedText(t.Joined), t.Weight})
	}
	for _, n := range bond.Also {
		part.Also = append(part.Also, b.tile(n))
	}
	for _, id := range bond.JoinsTo {
		part.JoinsTo = append(part.JoinsTo, idText(id))
	}
	return part
}

func (b *writer) tileset(t *world.Tileset) error {
	name := "tilesets/" + b.short[t]
	part := Tileset{ID: idText(t.ID), Name: t.Name, Count: t.Count, Cut: Cut{Tile: Size{t.Cut.W, t.Cut.H}, Margin: t.Cut.Margin,
		Spacing: t.Cut.Spacing, Offset: Place{t.Cut.OffsetX, t.Cut.OffsetY}, Scale: t.Cut.Scale}}
	if t.Cut.Crop != (grid.Rect{}) {
		crop := Box(t.Cut.Crop)
		part.Cut.Crop = &crop
	}
	if t.Cut.Keyed {
		part.Cut.Key = fmt.Sprintf("#%06x", t.Cut.Key)
	}
	if !t.Builtin() {
		sheet, err := b.sheet(name, t.Picture, t.Strip)
		if err != nil {
			return err
		}
		part.Sheet = sheet
	}
	for i, p := range t.Tiles {
		if p != nil {
			part.Tiles = append(part.Tiles, tilePart(i, p, t.First))
		}
	}
	return b.json(name+".json", part)
}

func tilePart(i int, p *tiles.Properties, first int) Tile {
	part := Tile{Tile: i + 1, Role: p.Role.String(), Solid: solidRows(p.Solid), OneWay: p.OneWay, Climbable: p.Climbable, Water: p.Water,
		Slippery: p.Slippery, Slow: p.Slow, Above: p.Above, Danger: p.Danger, Weight: p.Weight, Name: p.Name, Keywords: p.Keywords,
		Home: p.Home, Own: ownPart(p.Own)}
	if p.Animation != nil {
		for _, f := range p.Animation.Frames {
			part.Frames = append(part.Frames, Frame{f.Tile - first + 1, f.Millis})
		}
	}
	return part
}

func ownPart(own *tiles.Own) (list []OwnValue) {
	if own == nil {
		return nil
	}
	for _, v := range own.Values {
		list = append(list, OwnValue{idText(world.ID(v.Property)), v.Value})
	}
	return list
}

// The greatest size of one picture of a sheet, in pixels.
const sheetW, sheetH = 2048, 8192

// onSheet is how many tiles lie side by side on a picture of a sheet, and how many
// on the whole picture.
func onSheet(w, h, count int) (columns, all int) {
	columns = max(1, min(count, sheetW/w))
	return columns, columns * max(1, sheetH/h)
}

// sheet writes the picture that tiles came from, and the tiles.
func (b *writer) sheet(name, source, strip string) (*Sheet, error) {
	body, err := b.library(strip)
	if err != nil {
		return nil, err
	}
	s, err := tiles.DecodeStrip(body)
	if err != nil {
		return nil, err
	}
	part := &Sheet{Tile: Size{s.W, s.H}, Columns: s.Columns, Rows: s.Rows, Places: rangesText(s.Places)}
	if part.Source, err = b.picture(source); err != nil {
		return nil, err
	}
	columns, all := onSheet(s.W, s.H, len(s.Places))
	for first := 0; first < len(s.Places); first += all {
		n := min(all, len(s.Places)-first)
		img := drawSheet(s, columns, first, n)
		file := name + ".png"
		if first > 0 {
			file = fmt.Sprintf("%s-%d.png", name, first/all+1)
		}
		w, err := b.part(file, true)
		if err != nil {
			return nil, err
		}
		if err := png.Encode(w, img); err != nil {
			return nil, fmt.Errorf("writing %s: %w", file, err)
		}
		part.Pictures = append(part.Pictures, file)
	}
	return part, nil
}

// picture writes a picture file once, as it came in, and gives the part's name.
func (b *writer) picture(sum string) (string, error) {
	if name, there := b.kept[sum]; there {
		return name, nil
	}
	body, err := b.library(sum)
	if err != nil {
		return "", err
	}
	info, err := raster.Measure(body)
	if err != nil {
		return "", err
	}
	name := "pictures/" + sum[:16] + "." + strings.ToLower(info.Format)
	w, err := b.part(name, true)
	if err != nil {
		return "", err
	}
	if _, err := w.Write(body); err != nil {
		return "", fmt.Errorf("writing %s: %w", name, err)
	}
	b.kept[sum] = name
	return name, nil
}
