package server

import (
	"bytes"
	"fmt"
	"image"
	"image/png"
	"strconv"
	"strings"

	"github.com/gofiber/fiber/v3"

	"azzel/core/exchange"
	"azzel/core/picture"
	"azzel/store"
)

// pictureSide is how large the picture of a project is at most, in pixels, and boardSide that of its board.
const (
	pictureSide = 480
	boardSide   = 1000
)

// A drawn is the picture of a board as it was drawn last. It is kept, since a page that opens the project shows it while
// it makes itself ready.
type drawn struct {
	// stamp is what the document was that it was drawn of.
	stamp string
	png   []byte
	// box is what of the board it shows, in pixels of the board: its left and upper edge, width and height. Behind them
	// is the width of a cell.
	box string
}

// projectPicture draws the project's first map.
func (v *Server) projectPicture(c fiber.Ctx) error {
	id, r, err := v.roomOf(c)
	if err != nil {
		return err
	}
	d, stamp := r.now()
	if d == nil || len(d.Maps) == 0 {
		return store.ErrNotFound
	}
	if same(c, stamp) {
		return c.SendStatus(fiber.StatusNotModified)
	}
	atlas, err := exchange.Atlas(d, v.library(c, id), d.Maps[0])
	if err != nil {
		return err
	}
	pix, w, h := atlas.Map(d.Maps[0], picture.AllLayers, pictureSide)
	file, err := encoded(pix, w, h)
	if err != nil {
		return fmt.Errorf("drawing the project: %w", err)
	}
	return sendDrawn(c, stamp, file)
}

// boardPicture sends a small picture of all maps as they lie on the board, and where that is. A board that would take
// long to draw has none.
func (v *Server) boardPicture(c fiber.Ctx) error {
	id, r, err := v.roomOf(c)
	if err != nil {
		return err
	}
	drawn, err := r.board(v.library(c, id))
	if err != nil {
		return err
	}
	if drawn.png == nil {
		return c.SendStatus(fiber.StatusNoContent)
	}
	if same(c, drawn.stamp) {
		return c.SendStatus(fiber.StatusNotModified)
	}
	c.Set("Azzel-Box", drawn.box)
	return sendDrawn(c, drawn.stamp, drawn.png)
}

// board is the picture of the board, drawn if it has changed; without bytes if the board has none.
func (r *room) board(library exchange.Library) (drawn, error) {
	r.drawing.Lock()
	defer r.drawing.Unlock()
	d, stamp := r.now()
	if d == nil {
		return drawn{}, store.ErrNotFound
	}
	size, ok := picture.BoardSizeOf(d, boardSide)
	if !ok {
		return drawn{}, nil
	}
	if r.drawn.stamp == stamp {
		return r.drawn, nil
	}
	atlas, err := exchange.Atlas(d, library, d.Maps...)
	if err != nil {
		return drawn{}, err
	}
	file, err := encoded(atlas.Board(d, size), size.W, size.H)
	if err != nil {
		return drawn{}, fmt.Errorf("drawing the board: %w", err)
	}
	l, cells := d.Project.Lattice(), size.Cells
	r.drawn = drawn{stamp, file, fmt.Sprintf("%d %d %d %d %d", cells.X*l.W, cells.Y*l.H, cells.W*l.W, cells.H*l.H, l.W)}
	return r.drawn, nil
}

// boardAhead is what the head of a project's page says of the picture of its board, if that lies ready: the browser
// fetches it before it has read the scripts.
func (v *Server) boardAhead(c fiber.Ctx) string {
	id, err := strconv.ParseInt(strings.TrimPrefix(c.Path(), "/project/"), 10, 64)
	if err != nil {
		return ""
	}
	r := v.rooms.inMemory(id)
	// Nobody waits for one that is being drawn.
	if r == nil || !r.drawing.TryLock() {
		return ""
	}
	defer r.drawing.Unlock()
	if _, stamp := r.now(); r.drawn.stamp != stamp {
		return ""
	}
	return fmt.Sprintf(`<link rel="preload" as="image" href="/api/projects/%d/board" data-box="%s">`, id, r.drawn.box)
}

// same reports whether the asker has what is drawn of a document. Pictures are asked for anew each time.
func same(c fiber.Ctx, stamp string) bool { return c.Get("If-None-Match") == stamp }

func sendDrawn(c fiber.Ctx, stamp string, file []byte) error {
	c.Set("ETag", stamp)
	c.Set("Cache-Control", "no-cache")
	c.Set("Content-Type", "image/png")
	return c.Send(file)
}

func encoded(pix []byte, w, h int) ([]byte, error) {
	var out bytes.Buffer
	err := png.Encode(&out, &image.NRGBA{Pix: pix, Stride: w * 4, Rect: image.Rect(0, 0, w, h)})
	return out.Bytes(), err
}
