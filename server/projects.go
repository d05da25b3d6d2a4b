package server

import (
	"bytes"
	"context"
	"crypto/rand"
	"encoding/binary"
	"encoding/json"
	"errors"
	"fmt"
	"image"
	"image/png"
	"math"
	"strconv"
	"strings"
	"time"

	"github.com/gofiber/fiber/v3"

	"azzel/core/exchange"
	"azzel/core/grid"
	"azzel/core/limit"
	"azzel/core/picture"
	"azzel/core/raster"
	"azzel/core/tiles"
	"azzel/core/world"
	"azzel/store"
)

// ProjectCard is a project as home lists it.
type ProjectCard struct {
	ID       string `json:"id"`
	Name     string `json:"name"`
	Revision string `json:"revision"`
	// Changed is when, in milliseconds since 1970.
	Changed int64 `json:"changed"`
}

// NewProject is what a new project needs.
type NewProject struct {
	Name  string `json:"name"`
	CellW int    `json:"cellW"`
	CellH int    `json:"cellH"`
	SeenW int    `json:"seenW"`
	SeenH int    `json:"seenH"`
	// View is how maps are seen: 0 top-down, 1 from the side.
	View int `json:"view"`
}

func card(p store.Project) ProjectCard {
	return ProjectCard{strconv.FormatInt(p.ID, 10), p.Name, strconv.FormatInt(p.Revision, 10), p.ChangedAt.UnixMilli()}
}

func (v *Server) listProjects(c fiber.Ctx) error {
	list, err := v.store.Projects(c.Context())
	if err != nil {
		return err
	}
	cards := make([]ProjectCard, len(list))
	for i, p := range list {
		cards[i] = card(p)
	}
	return c.JSON(cards)
}

func (v *Server) createProject(c fiber.Ctx) error {
	var n NewProject
	if err := c.Bind().JSON(&n); err != nil {
		return refuse(errors.New("the new project could not be read: reload the page"))
	}
	prefix, err := v.store.Prefix(c.Context())
	if err != nil {
		return err
	}
	d, err := world.Start(world.Project{Name: n.Name, CellW: n.CellW, CellH: n.CellH, SeenW: n.SeenW, SeenH: n.SeenH, View: world.View(n.View)}, &world.Counter{Prefix: prefix})
	if err != nil {
		return refuse(err)
	}
	p, err := v.store.Create(c.Context(), d)
	if err != nil {
		return err
	}
	return c.Status(fiber.StatusCreated).JSON(card(p))
}

// DeletedProject is a project that was deleted, until it is gone for good.
type DeletedProject struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Days is for how many days it can still be brought back, at least 1.
	Days int `json:"days"`
}

func (v *Server) listDeleted(c fiber.Ctx) error {
	list, err := v.store.Deleted(c.Context())
	if err != nil {
		return err
	}
	gone := make([]DeletedProject, len(list))
	for i, p := range list {
		left := time.Until(p.DeletedAt.Add(store.DeletedTime))
		gone[i] = DeletedProject{strconv.FormatInt(p.ID, 10), p.Name, max(1, int(math.Ceil(left.Hours()/24)))}
	}
	return c.JSON(gone)
}

// deleteProject deletes a project; for a week it can be brought back.
func (v *Server) deleteProject(c fiber.Ctx) error {
	id, r, err := v.roomOf(c)
	if err != nil {
		return err
	}
	if err := v.store.Delete(c.Context(), id); err != nil {
		return err
	}
	r.mu.Lock()
	defer r.mu.Unlock()
	_ = r.lost(store.ErrNotFound)
	return c.SendStatus(fiber.StatusNoContent)
}

func (v *Server) bringProjectBack(c fiber.Ctx) error {
	id, err := projectID(c)
	if err != nil {
		return err
	}
	p, err := v.store.BringBack(c.Context(), id)
	if err != nil {
		return err
	}
	return c.JSON(card(p))
}

func projectID(c fiber.Ctx) (int64, error) {
	id, err := strconv.ParseInt(c.Params("project"), 10, 64)
	if err != nil {
		return 0, store.ErrNotFound
	}
	return id, nil
}

func (v *Server) oneProject(c fiber.Ctx) error {
	id, err := projectID(c)
	if err != nil {
		return err
	}
	p, err := v.store.Project(c.Context(), id)
	if err != nil {
		return err
	}
	return c.JSON(card(p))
}

// pictureSide is how large the picture of a project is at most, in pixels.
const pictureSide = 480

// projectPicture draws the project's first map.
func (v *Server) projectPicture(c fiber.Ctx) error {
	id, r, err := v.roomOf(c)
	if err != nil {
		return err
	}
	r.mu.Lock()
	d, revision := r.doc, r.revision
	r.mu.Unlock()
	if d == nil || len(d.Maps) == 0 {
		return store.ErrNotFound
	}
	tag := fmt.Sprintf(`"%d-%d"`, id, revision)
	if c.Get("If-None-Match") == tag {
		return c.SendStatus(fiber.StatusNotModified)
	}
	atlas, err := exchange.Atlas(d, d.Maps[0], v.library(c, id))
	if err != nil {
		return err
	}
	pix, w, h := atlas.Map(d.Maps[0], picture.AllLayers, pictureSide)
	img := &image.NRGBA{Pix: pix, Stride: w * 4, Rect: image.Rect(0, 0, w, h)}
	var out bytes.Buffer
	if err := png.Encode(&out, img); err != nil {
		return fmt.Errorf("drawing the project: %w", err)
	}
	c.Set("ETag", tag)
	c.Set("Cache-Control", "no-cache")
	c.Set("Content-Type", "image/png")
	return c.Send(out.Bytes())
}

// open gives a page what it needs to begin, and its session.
func (v *Server) open(c fiber.Ctx) error {
	id, err := projectID(c)
	if err != nil {
		return err
	}
	session, err := strconv.ParseInt(c.Query("session"), 10, 64)
	if err != nil || session <= 0 {
		session = newSession()
	}
	r, err := v.rooms.enter(c.Context(), id)
	if err != nil {
		return err
	}
	if r.another(c.Query("database")) {
		session = newSession()
	}
	o, err := r.opening(c.Context(), session)
	if err != nil {
		return err
	}
	c.Set("Azzel-Database", o.identity)
	c.Set("Azzel-Session", strconv.FormatInt(session, 10))
	c.Set("Azzel-Pictures", strings.Join(firstPictures(o.document), ","))
	c.Set("Cache-Control", "no-store")
	c.Set("Content-Type", "application/octet-stream")
	return v.sendPortions(c, o.steps, o.steps.size(), o.steps.held())
}

// firstPictures are the sums of pictures that a page will ask for at once, so
// that it can do so before it has read the document.
func firstPictures(d *world.Document) []string {
	const most = 16
	var sums []string
	for _, t := range d.Tilesets {
		if !t.Builtin() && len(sums) < most {
			sums = append(sums, t.Strip)
		}
	}
	if c := d.Character(d.Project.Player); c != nil && c.Strip != "" {
		sums = append(sums, c.Strip)
	}
	return sums
}

// newSession makes a number that nobody guesses.
func newSession() int64 {
	var b [8]byte
	_, _ = rand.Read(b[:]) // never fails
	return int64(binary.LittleEndian.Uint64(b[:])>>1) | 1
}

func (v *Server) blob(c fiber.Ctx) error {
	id, err := projectID(c)
	if err != nil {
		return err
	}
	body, err := v.store.Blob(c.Context(), id, c.Params("sum"))
	if err != nil {
		return err
	}
	c.Set("Cache-Control", "private, max-age=31536000, immutable")
	c.Set("Content-Type", "application/octet-stream")
	return v.sendHeld(c, body)
}

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

// roomOf is the project that a request names, and its room.
func (v *Server) roomOf(c fiber.Ctx) (int64, *room, error) {
	id, err := projectID(c)
	if err != nil {
		return 0, nil, err
	}
	r, err := v.rooms.enter(c.Context(), id)
	return id, r, err
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
