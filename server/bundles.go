package server

import (
	"bytes"
	"context"
	"fmt"
	"net/url"
	"os"
	"strconv"
	"sync"

	"github.com/gofiber/fiber/v3"

	"azzel/core/exchange"
	"azzel/core/limit"
	"azzel/core/picture"
	"azzel/core/rows"
	"azzel/core/world"
)

// still is a document that a route looks at, while painting goes on.
func (v *Server) still(c fiber.Ctx) (project int64, d *world.Document, err error) {
	if project, err = projectID(c); err != nil {
		return 0, nil, err
	}
	r, err := v.rooms.enter(c.Context(), project)
	if err != nil {
		return 0, nil, err
	}
	r.mu.Lock()
	defer r.mu.Unlock()
	if err := r.load(c.Context()); err != nil {
		return 0, nil, err
	}
	return project, r.doc, nil
}

// attach says that the answer is a file of a name (RFC 6266).
func attach(c fiber.Ctx, name string) {
	c.Set("Content-Disposition", "attachment; filename*=UTF-8''"+url.PathEscape(name))
}

// exportBundle sends a project as a bundle.
func (v *Server) exportBundle(c fiber.Ctx) error {
	project, d, err := v.still(c)
	if err != nil {
		return err
	}
	return v.sendBundle(c, d, v.library(c, project))
}

func (v *Server) sendBundle(c fiber.Ctx, d *world.Document, library exchange.Library) error {
	// Sent only once it is whole: a bundle that breaks off can't say so.
	file, err := os.CreateTemp("", "azzel-bundle-*.zip")
	if err != nil {
		return fmt.Errorf("making room for the bundle: %w", err)
	}
	// The file is gone as soon as it is closed.
	if err := os.Remove(file.Name()); err != nil {
		file.Close()
		return fmt.Errorf("making room for the bundle: %w", err)
	}
	if err := exchange.Write(file, d, library, c.Context().Err); err != nil {
		file.Close()
		return err
	}
	size, err := file.Seek(0, 1)
	if err == nil {
		_, err = file.Seek(0, 0)
	}
	if err != nil {
		file.Close()
		return fmt.Errorf("reading the bundle: %w", err)
	}
	attach(c, exchange.FileName(d.Project.Name, ".zip"))
	c.Set("Content-Type", "application/zip")
	c.Set("Cache-Control", "no-store")
	return c.SendStream(file, int(size))
}

// A Bringing is how far the reading of a bundle is, in bytes.
type Bringing struct {
	Read int64 `json:"read"`
	Of   int64 `json:"of"`
}

// bringing are the bundles that are being read, by the names that the pages gave them.
type bringing struct {
	mu   sync.Mutex
	list map[string]*bringIn
}

type bringIn struct {
	Bringing
	stop context.CancelFunc
}

// begin notes that a bundle is being read; the context ends when it is stopped.
func (b *bringing) begin(ctx context.Context, name string) (context.Context, func(read, of int64), func()) {
	ctx, stop := context.WithCancel(ctx)
	in := &bringIn{stop: stop}
	b.mu.Lock()
	defer b.mu.Unlock()
	if b.list == nil {
		b.list = map[string]*bringIn{}
	}
	if name != "" {
		b.list[name] = in
	}
	tell := func(read, of int64) {
		b.mu.Lock()
		in.Bringing = Bringing{read, of}
		b.mu.Unlock()
	}
	return ctx, tell, func() {
		stop()
		b.mu.Lock()
		if b.list[name] == in {
			delete(b.list, name)
		}
		b.mu.Unlock()
	}
}

// of is a bundle that is being read.
func (b *bringing) of(name string) (Bringing, context.CancelFunc, bool) {
	b.mu.Lock()
	defer b.mu.Unlock()
	in := b.list[name]
	if in == nil {
		return Bringing{}, nil, false
	}
	return in.Bringing, in.stop, true
}

var errNotBringing = fiber.NewError(fiber.StatusNotFound, "This file is not being imported any more.")

func (v *Server) bringingOf(c fiber.Ctx) error {
	is, _, ok := v.bringing.of(c.Params("name"))
	if !ok {
		return errNotBringing
	}
	c.Set("Cache-Control", "no-store")
	return c.JSON(is)
}

func (v *Server) stopBringing(c fiber.Ctx) error {
	_, stop, ok := v.bringing.of(c.Params("name"))
	if !ok {
		return errNotBringing
	}
	stop()
	return c.SendStatus(fiber.StatusNoContent)
}

// importBundle makes a new project of a bundle.
func (v *Server) importBundle(c fiber.Ctx) error {
	body, err := v.bodies.read(c, limit.BundleBytes)
	if err != nil {
		return err
	}
	defer body.close()
	ctx, tell, end := v.bringing.begin(c.Context(), c.Query("as"))
	defer end()
	// It may end since it was stopped, or since the database went away.
	ended := func(err error) error {
		if ctx.Err() != nil && c.Context().Err() == nil {
			return fiber.NewError(fiber.StatusConflict, "Bringing it in was stopped. Nothing was made of it.")
		}
		return err
	}
	select {
	case v.decoding <- struct{}{}:
	case <-ctx.Done():
		return ended(ctx.Err())
	}
	defer func() { <-v.decoding }()
	contents, err := exchange.Read(body.reader(), body.size, func(read, of int64) error {
		tell(read, of)
		return ctx.Err()
	})
	switch {
	case ctx.Err() != nil:
		return ended(ctx.Err())
	case err != nil:
		return refuse(err)
	}
	p, err := v.store.Create(ctx, contents.Document, contents.Bodies()...)
	if err != nil {
		return ended(err)
	}
	return c.Status(fiber.StatusCreated).JSON(card(p))
}

// mapOf finds the map that an address names.
func mapOf(c fiber.Ctx, d *world.Document) (*world.Map, error) {
	id, err := strconv.ParseUint(c.Params("map"), 10, 64)
	if err == nil {
		if m := d.Map(world.ID(id)); m != nil {
			return m, nil
		}
	}
	return nil, fiber.NewError(fiber.StatusNotFound, "This map is not there any more.")
}

// layerCells sends the cells of a layer as CSV.
func (v *Server) layerCells(c fiber.Ctx) error {
	_, d, err := v.still(c)
	if err != nil {
		return err
	}
	m, err := mapOf(c, d)
	if err != nil {
		return err
	}
	id, _ := strconv.ParseUint(c.Params("layer"), 10, 64)
	l := m.Layer(world.ID(id))
	if l == nil {
		return fiber.NewError(fiber.StatusNotFound, "This layer is not there any more.")
	}
	var out bytes.Buffer
	if err := rows.WriteCSV(&out, l.Cells, m.Bounds, d.ShortName); err != nil {
		return err
	}
	attach(c, exchange.FileName(m.Name+" - "+l.Name, ".csv"))
	c.Set("Content-Type", "text/csv; charset=utf-8")
	c.Set("Cache-Control", "no-store")
	return v.sendHeld(c, out.Bytes())
}

// mapPicture sends a map as PNG. The scale is n for 1 : n, or -n for n : 1.
func (v *Server) mapPicture(c fiber.Ctx) error {
	project, d, err := v.still(c)
	if err != nil {
		return err
	}
	m, err := mapOf(c, d)
	if err != nil {
		return err
	}
	scale, err := strconv.Atoi(c.Query("scale", "1"))
	if err != nil {
		return refuse(fmt.Errorf("the scale %.20q is no number", c.Query("scale")))
	}
	if _, _, err := picture.ScaledSize(d, m, scale); err != nil {
		return refuse(err)
	}
	var out bytes.Buffer
	if err := exchange.WritePNG(&out, d, m, scale, v.library(c, project)); err != nil {
		return err
	}
	attach(c, exchange.FileName(m.Name, ".png"))
	c.Set("Content-Type", "image/png")
	c.Set("Cache-Control", "no-store")
	return v.sendHeld(c, out.Bytes())
}

// library gives the bytes that belong to a project.
func (v *Server) library(c fiber.Ctx, project int64) exchange.Library {
	return func(sum string) ([]byte, error) { return v.store.Blob(c.Context(), project, sum) }
}
