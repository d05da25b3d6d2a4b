package server

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"image"

	"github.com/gofiber/fiber/v3"

	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/raster"
	"azzel/core/tiles"
)

// TakenPicture is a picture that was taken in: what the tileset made of it
// says.
type TakenPicture struct {
	Picture string `json:"picture"`
	Strip   string `json:"strip"`
	First   int    `json:"first"`
	Columns int    `json:"columns"`
	Rows    int    `json:"rows"`
	Places  []int  `json:"places"`
	// Cells are those of a finished map that was taken apart, row by row: a tile's
	// index plus 1 and how it lies; empty for a tileset.
	Cells []int `json:"cells"`
}

// takePicture measures, decodes and cuts a picture, stores it and gives its
// tiles numbers. The tileset itself comes into being by an edit of the page.
func (v *Server) takePicture(c fiber.Ctx) error {
	id, r, err := v.roomOf(c)
	if err != nil {
		return err
	}
	var cut tiles.Cut
	if err := json.Unmarshal([]byte(c.Query("cut")), &cut); err != nil {
		return refuse(errors.New("how the picture is to be cut could not be read: reload the page"))
	}
	if w, h, err := r.cell(c.Context()); err != nil {
		return err
	} else if err := cut.CheckCell(w, h); err != nil {
		return refuse(err)
	}
	var apart *tiles.Apart
	if q := c.Query("apart"); q != "" {
		if err := json.Unmarshal([]byte(q), &apart); err != nil {
			return refuse(errors.New("how the map is to be taken apart could not be read: reload the page"))
		}
	}
	data := c.Body()
	strip, cells, err := v.cutPicture(c.Context(), data, cut, apart)
	if err != nil {
		return err
	}
	first, sums, err := v.store.ReserveTiles(c.Context(), id, len(strip.Places), bytes.Clone(data), strip.Encode())
	if err != nil {
		return err
	}
	return c.JSON(TakenPicture{sums[0], sums[1], first, strip.Columns, strip.Rows, strip.Places, cells})
}

// decode measures and decodes a picture, one at a time until end is called.
func (v *Server) decode(ctx context.Context, data []byte) (img *image.NRGBA, end func(), err error) {
	if _, err := raster.Measure(data); err != nil {
		return nil, nil, refuse(err)
	}
	select {
	case v.decoding <- struct{}{}:
	case <-ctx.Done():
		return nil, nil, ctx.Err()
	}
	end = func() { <-v.decoding }
	if img, err = raster.Decode(data); err != nil {
		end()
		return nil, nil, refuse(err)
	}
	return img, end, nil
}

// cutPicture measures, decodes and cuts a picture, one at a time; as a finished map
// if apart is not nil.
func (v *Server) cutPicture(ctx context.Context, data []byte, cut tiles.Cut, apart *tiles.Apart) (strip *tiles.Strip, cells []int, err error) {
	img, end, err := v.decode(ctx, data)
	if err != nil {
		return nil, nil, err
	}
	defer end()
	cells = []int{}
	if apart == nil {
		strip, err = tiles.Take(img, cut)
	} else {
		var laid []grid.Cell
		strip, laid, err = tiles.TakeApart(img, cut, *apart)
		for _, c := range laid {
			cells = append(cells, int(c))
		}
	}
	if err != nil {
		return nil, nil, refuse(err)
	}
	return strip, cells, nil
}

// TakenSheet is the sheet of a character that was taken in: what the character says of it.
type TakenSheet struct {
	Picture string `json:"picture"`
	Strip   string `json:"strip"`
	// W and H are the size of a frame.
	W       int   `json:"w"`
	H       int   `json:"h"`
	Columns int   `json:"columns"`
	Rows    int   `json:"rows"`
	Places  []int `json:"places"`
}

// takeSheet measures, decodes and cuts the sheet of a character, as it is guessed unless the width and
// height of a frame are given, and stores it.
func (v *Server) takeSheet(c fiber.Ctx) error {
	id, r, err := v.roomOf(c)
	if err != nil {
		return err
	}
	cellW, cellH, err := r.cell(c.Context())
	if err != nil {
		return err
	}
	data := c.Body()
	w, h := fiber.Query[int](c, "w"), fiber.Query[int](c, "h")
	strip, err := v.cutSheet(c.Context(), data, func(img *image.NRGBA) tiles.Cut {
		if w != 0 || h != 0 {
			return tiles.Cut{W: w, H: h}
		}
		return tiles.GuessFrames(img, cellW, cellH)
	})
	if err != nil {
		return err
	}
	switch n := len(strip.Places); {
	case strip.W > limit.MaxCellSide || strip.H > limit.MaxCellSide:
		return refuse(fmt.Errorf("a frame would be %d × %d px; the most is %d px a side: say how large the frames are", strip.W, strip.H, limit.MaxCellSide))
	case n < 1 || n > limit.CharacterFrames:
		return refuse(fmt.Errorf("the sheet has %d frames; a character has 1 to %d: say how large the frames are", n, limit.CharacterFrames))
	}
	sums, err := v.store.AddBlobs(c.Context(), id, bytes.Clone(data), strip.Encode())
	if err != nil {
		return err
	}
	return c.JSON(TakenSheet{sums[0], sums[1], strip.W, strip.H, strip.Columns, strip.Rows, strip.Places})
}

// cutSheet measures, decodes and cuts a picture, one at a time.
func (v *Server) cutSheet(ctx context.Context, data []byte, how func(*image.NRGBA) tiles.Cut) (*tiles.Strip, error) {
	img, end, err := v.decode(ctx, data)
	if err != nil {
		return nil, err
	}
	defer end()
	strip, err := tiles.Take(img, how(img))
	if err != nil {
		return nil, refuse(err)
	}
	return strip, nil
}

// KeptPicture is a picture that was stored as it is, for a backdrop.
type KeptPicture struct {
	Picture string `json:"picture"`
	W       int    `json:"w"`
	H       int    `json:"h"`
}

// keepPicture measures and decodes a picture and stores it as it came.
func (v *Server) keepPicture(c fiber.Ctx) error {
	id, _, err := v.roomOf(c)
	if err != nil {
		return err
	}
	data := c.Body()
	img, end, err := v.decode(c.Context(), data)
	if err != nil {
		return err
	}
	end()
	sums, err := v.store.AddBlobs(c.Context(), id, bytes.Clone(data))
	if err != nil {
		return err
	}
	size := img.Bounds()
	return c.JSON(KeptPicture{sums[0], size.Dx(), size.Dy()})
}
