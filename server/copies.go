package server

import (
	"crypto/sha256"
	"encoding/binary"
	"errors"
	"fmt"
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
	parts, err := lengthened(whole)
	if err != nil {
		return err
	}
	d, err := world.Decode(parts[0])
	if err != nil {
		return errNoCopy
	}
	brought := map[string][]byte{}
	for _, b := range parts[1:] {
		brought[fmt.Sprintf("%x", sha256.Sum256(b))] = b
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

// lengthened takes apart what is written as parts with their lengths before them, four bytes each, the lowest first.
// The first part is the document, the others are pictures.
func lengthened(b []byte) (parts [][]byte, err error) {
	for len(b) > 0 {
		if len(b) < 4 {
			return nil, errNoCopy
		}
		n := binary.LittleEndian.Uint32(b)
		if b = b[4:]; uint64(n) > uint64(len(b)) {
			return nil, errNoCopy
		}
		parts, b = append(parts, b[:n]), b[n:]
	}
	if len(parts) == 0 {
		return nil, errNoCopy
	}
	return parts, nil
}
