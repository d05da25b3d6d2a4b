package exchange

import (
	"fmt"
	"image"
	"image/png"
	"io"
	"strings"

	"azzel/core/picture"
	"azzel/core/raster"
	"azzel/core/tiles"
	"azzel/core/world"
)

// Atlas reads the pictures of all tiles of a document, and of the backdrops of some of its maps.
func Atlas(d *world.Document, library Library, maps ...*world.Map) (*picture.Atlas, error) {
	atlas := picture.NewAtlas(d.Project.Lattice())
	for _, t := range atlas.AddMissing(d) {
		b, err := library(t.Strip)
		if err != nil {
			return nil, fmt.Errorf("the tiles of %s: %w", t.Name, err)
		}
		strip, err := tiles.DecodeStrip(b)
		if err != nil {
			return nil, fmt.Errorf("the tiles of %s: %w", t.Name, err)
		}
		atlas.Add(t, strip)
	}
	for _, m := range maps {
		for _, l := range m.Layers {
			if l.Backdrop.Picture == "" {
				continue
			}
			b, err := library(l.Backdrop.Picture)
			if err != nil {
				return nil, fmt.Errorf("the backdrop of %s: %w", l.Name, err)
			}
			img, err := raster.Decode(b)
			if err != nil {
				return nil, fmt.Errorf("the backdrop of %s: %w", l.Name, err)
			}
			atlas.AddBackdrop(l.Backdrop.Picture, img.Rect.Dx(), img.Rect.Dy(), img.Pix)
		}
	}
	return atlas, nil
}

// WritePNG writes a map at a scale that picture.ScaledSize takes, as PNG.
func WritePNG(w io.Writer, d *world.Document, m *world.Map, scale int, library Library) error {
	atlas, err := Atlas(d, library, m)
	if err != nil {
		return err
	}
	pix, width, height := atlas.Scaled(m, picture.AllLayers, scale)
	if err := png.Encode(w, &image.NRGBA{Pix: pix, Stride: width * 4, Rect: image.Rect(0, 0, width, height)}); err != nil {
		return fmt.Errorf("writing the picture of %s: %w", m.Name, err)
	}
	return nil
}

// FileName makes of a name one that any system takes for a file.
func FileName(name, ending string) string {
	kept := strings.Map(func(r rune) rune {
		if strings.ContainsRune(`/\:*?"<>|`, r) || r < ' ' {
			return '-'
		}
		return r
	}, strings.TrimSpace(name))
	return kept + ending
}
