package server

import (
	"io/fs"
	"mime"
	"path"
	"strings"

	"github.com/gofiber/fiber/v3"
)

// static gives the files of the front end, compressed beforehand where the
// browser takes it, and the one page for every other address.
func (v *Server) static(c fiber.Ctx) error {
	name := strings.TrimPrefix(path.Clean("/"+c.Params("*")), "/")
	if name == "" || !fs.ValidPath(name) || !strings.Contains(path.Base(name), ".") {
		name = "index.html"
	}
	kind := mime.TypeByExtension(path.Ext(name))
	if path.Ext(name) == ".wasm" {
		kind = "application/wasm"
	}
	if strings.HasPrefix(name, "assets/") {
		c.Set("Cache-Control", "public, max-age=31536000, immutable")
	} else {
		c.Set("Cache-Control", "no-cache")
	}
	if name == "index.html" {
		if head := v.boardAhead(c); head != "" {
			if body, err := fs.ReadFile(v.files, name); err == nil {
				c.Set("Content-Type", kind)
				return c.SendString(strings.Replace(string(body), "</head>", head+"</head>", 1))
			}
		}
	}
	c.Set("Vary", "Accept-Encoding")
	if strings.Contains(c.Get("Accept-Encoding"), "br") {
		if body, err := fs.ReadFile(v.files, name+".br"); err == nil {
			c.Set("Content-Encoding", "br")
			c.Set("Content-Type", kind)
			return c.Send(body)
		}
	}
	body, err := fs.ReadFile(v.files, name)
	if err != nil {
		return fiber.NewError(fiber.StatusNotFound, "There is nothing at this address.")
	}
	c.Set("Content-Type", kind)
	return c.Send(body)
}
