package server

import (
	"bytes"
	"crypto/sha256"
	"errors"
	"fmt"
	"io"
	"mime"
	"mime/multipart"
	"net/url"
	"strconv"
	"strings"

	"github.com/gofiber/fiber/v3"

	"azzel/core/exchange"
	"azzel/core/limit"
	"azzel/core/world"
	"azzel/store"
)

// copyProject makes a bundle of the document that a page showed, which is not in the database any more. Pictures that
// are lost too are replaced by what stands for them; which those are is told.
func (v *Server) copyProject(c fiber.Ctx) error {
	body, err := v.bodies.read(c, limit.BundleBytes)
	if err != nil {
		return err
	}
	defer body.close()
	whole, err := body.bytes(c.Context())
	if err != nil {
		return err
	}
	d, brought, err := readCopy(whole, c.Get("Content-Type"))
	if err != nil {
		return errNoCopy
	}
	project, _ := strconv.ParseInt(c.Query("project"), 10, 64)
	var lost []string
	var broken error
	library := exchange.Mended(d, func(sum string) ([]byte, error) {
		if b := brought[sum]; b != nil {
			return b, nil
		}
		b, err := v.store.Blob(c.Context(), project, sum)
		if err != nil && !errors.Is(err, store.ErrNotFound) {
			broken = err
		}
		return b, err
	}, func(name string) { lost = append(lost, name) })
	if broken != nil {
		return broken
	}
	for i, name := range lost {
		lost[i] = url.QueryEscape(name)
	}
	c.Set("Azzel-Lost", strings.Join(lost[:min(len(lost), 20)], ","))
	return v.sendBundle(c, d, library)
}

var errNoCopy = refuse(errors.New("what the page showed could not be read"))

// readCopy reads a form (RFC 7578) of a document and the pictures that the page still had, by their sums.
func readCopy(body []byte, contentType string) (d *world.Document, pictures map[string][]byte, err error) {
	_, said, err := mime.ParseMediaType(contentType)
	if err != nil {
		return nil, nil, err
	}
	pictures = map[string][]byte{}
	form := multipart.NewReader(bytes.NewReader(body), said["boundary"])
	for {
		part, err := form.NextPart()
		if errors.Is(err, io.EOF) && d != nil {
			return d, pictures, nil
		}
		if err != nil {
			return nil, nil, err
		}
		b, err := io.ReadAll(part)
		if err != nil {
			return nil, nil, err
		}
		if part.FormName() != "document" {
			pictures[fmt.Sprintf("%x", sha256.Sum256(b))] = b
		} else if d, err = world.Decode(b); err != nil {
			return nil, nil, err
		}
	}
}
