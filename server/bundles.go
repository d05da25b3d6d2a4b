package server

import (
	"bytes"
	"fmt"
	"net/url"
	"os"
	"strconv"

	"github.com/gofiber/fiber/v3"
	"github.com/valyala/fasthttp"

	"azzel/core/exchange"
	"azzel/core/limit"
	"azzel/core/picture"
	"azzel/core/rows"
	"azzel/core/world"
)

// smallBody is the most bytes of a request that brings no bundle.
const smallBody = limit.PictureBytes + 4<<20

// bodyLimit is how much of a request is read, by its address.
func bodyLimit(h *fasthttp.RequestHeader) fasthttp.RequestConfig {
	if string(h.Method()) == fiber.MethodPost && string(h.RequestURI()) == "/api/bundles" {
		return fasthttp.RequestConfig{MaxRequestBodySize: limit.BundleBytes}
	}
	return fasthttp.RequestConfig{MaxRequestBodySize: smallBody}
}

// still is a document that a route looks at, while painting goes on.
func (v *Server) still(c fiber.Ctx) (project int64, d *world.Document, err error) {
	if project, err = projectID(c); err != nil {
		return 0, nil, err
	}
	r, err := v.rooms.enter(c, project)
	if err != nil {
		return 0, nil, err
	}
	r.mu.Lock()
	defer r.mu.Unlock()
	if err := r.load(c); err != nil {
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
	if err := exchange.Write(file, d, v.library(c, project), c.Err); err != nil {
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

// importBundle makes a new project of a bundle.
func (v *Server) importBundle(c fiber.Ctx) error {
	select {
	case v.decoding <- struct{}{}:
	case <-c.Done():
		return c.Err()
	}
	defer func() { <-v.decoding }()
	body := c.Body()
	contents, err := exchange.Read(bytes.NewReader(body), int64(len(body)), c.Err)
	if err != nil {
		return refuse(err)
	}
	p, err := v.store.Create(c, contents.Document, contents.Bodies()...)
	if err != nil {
		return err
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
	return c.Send(out.Bytes())
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
	return c.Send(out.Bytes())
}

// library gives the bytes that belong to a project.
func (v *Server) library(c fiber.Ctx, project int64) exchange.Library {
	return func(sum string) ([]byte, error) { return v.store.Blob(c, project, sum) }
}
