package exchange

import (
	"archive/zip"
	"bytes"
	"encoding/binary"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"strings"

	"azzel/core/limit"
)

// parts are what a zip holds, by name.
type parts struct {
	files map[string]*zip.File
	// left is how much may still be unpacked, of how much there is by what the zip says, and read what was.
	left, of, read int64
	watch          Watch
	asked          int64
}

// A Watch is told now and then how many bytes of how many were unpacked; an error ends the reading. Nil watches nothing.
type Watch func(read, of int64) error

// watchEvery is how many bytes are unpacked between two times that a Watch is asked.
const watchEvery = 256 << 10

// look asks who watches.
func (p *parts) look() error {
	if p.asked = p.read; p.watch == nil {
		return nil
	}
	return p.watch(min(p.read, p.of), p.of)
}

var errNotBundle = errors.New("this is no bundle: it is not a zip file, or it was cut off. Choose a file that Azzel wrote")

// openParts looks through a zip before anything in it is unpacked.
func openParts(r io.ReaderAt, size int64, watch Watch) (*parts, error) {
	if size > limit.BundleBytes {
		return nil, fmt.Errorf("the bundle has %d MB; the most is %d MB", size>>20, limit.BundleBytes>>20)
	}
	n, err := countParts(r, size)
	if err != nil {
		return nil, err
	}
	if n > limit.BundleParts {
		return nil, fmt.Errorf("the bundle says it has %d parts or more; the most is %d", n, limit.BundleParts)
	}
	z, err := zip.NewReader(r, size)
	if err != nil && !errors.Is(err, zip.ErrInsecurePath) {
		return nil, errNotBundle
	}
	p := &parts{files: make(map[string]*zip.File, len(z.File)), left: limit.BundleUnpacked, watch: watch}
	for _, f := range z.File {
		switch {
		case !clean(f.Name):
			return nil, fmt.Errorf("the bundle has a part called %.80q, which leads out of it: it was not written by Azzel", f.Name)
		case p.files[f.Name] != nil:
			return nil, fmt.Errorf("the bundle has two parts called %s", f.Name)
		}
		p.files[f.Name] = f
		p.of = min(p.of+int64(min(f.UncompressedSize64, limit.BundleUnpacked)), limit.BundleUnpacked)
	}
	return p, nil
}

// clean reports whether a part's name stays within the bundle.
func clean(name string) bool {
	if name == "" || strings.ContainsAny(name, "\\:\x00") || strings.HasPrefix(name, "/") {
		return false
	}
	for s := range strings.SplitSeq(strings.TrimSuffix(name, "/"), "/") {
		if s == "" || s == "." || s == ".." {
			return false
		}
	}
	return true
}

// countParts reads how many parts a zip says it has, from the record at its end
// (PKWARE, "APPNOTE.TXT", 4.3.16), since a directory of a million is large itself.
// Zips with more than 65,535 give 65,536 or the true number.
func countParts(r io.ReaderAt, size int64) (int, error) {
	const record, comment = 22, 1<<16 - 1
	tail := make([]byte, min(size, record+comment))
	if _, err := r.ReadAt(tail, size-int64(len(tail))); err != nil && !errors.Is(err, io.EOF) {
		return 0, fmt.Errorf("reading the bundle: %w", err)
	}
	at := bytes.LastIndex(tail, []byte("PK\x05\x06"))
	if at < 0 || len(tail)-at < record {
		return 0, errNotBundle
	}
	n := int(binary.LittleEndian.Uint16(tail[at+10:]))
	if n < 1<<16-1 {
		return n, nil
	}
	if wide := bytes.LastIndex(tail[:at], []byte("PK\x06\x06")); wide >= 0 && len(tail)-wide >= 40 {
		return int(min(binary.LittleEndian.Uint64(tail[wide+32:]), 1<<40)), nil
	}
	return n, nil
}

// open begins the reading of a part of at most so many bytes.
func (p *parts) open(name string, most int64) (io.ReadCloser, error) {
	if err := p.look(); err != nil {
		return nil, err
	}
	f := p.files[name]
	if f == nil {
		return nil, fmt.Errorf("the part %.80s is missing from the bundle", name)
	}
	// What the zip says of the size may be a lie, so it is counted too.
	if f.UncompressedSize64 > uint64(most) {
		return nil, fmt.Errorf("the part %s would have %d MB; the most is %d MB", name, f.UncompressedSize64>>20, most>>20)
	}
	r, err := f.Open()
	if err != nil {
		return nil, fmt.Errorf("the part %s can't be unpacked: the bundle is damaged", name)
	}
	return &counted{r, p, name, most}, nil
}

// counted reads until too much was unpacked.
type counted struct {
	io.ReadCloser
	parts *parts
	name  string
	left  int64
}

func (c *counted) Read(b []byte) (int, error) {
	n, err := c.ReadCloser.Read(b)
	c.left -= int64(n)
	c.parts.left -= int64(n)
	if c.parts.read += int64(n); c.parts.read-c.parts.asked >= watchEvery {
		if err := c.parts.look(); err != nil {
			return 0, err
		}
	}
	switch {
	case c.left < 0 || c.parts.left < 0:
		return 0, fmt.Errorf("the part %s is larger than it says, or the bundle is more than %d MB when it is unpacked", c.name, limit.BundleUnpacked>>20)
	case err != nil && !errors.Is(err, io.EOF):
		return n, fmt.Errorf("the part %s can't be unpacked: the bundle is damaged", c.name)
	}
	return n, err
}

func (p *parts) bytes(name string, most int64) ([]byte, error) {
	r, err := p.open(name, most)
	if err != nil {
		return nil, err
	}
	defer r.Close()
	return io.ReadAll(r)
}

// json reads a part into v, and says where what is wrong stands.
func (p *parts) json(name string, v any) error {
	err := p.decode(name, v, true)
	var syntax *json.SyntaxError
	if !errors.As(err, &syntax) {
		return worded(name, err)
	}
	line, err := p.lineOf(name, syntax.Offset)
	if err != nil {
		return err
	}
	return fmt.Errorf("%s is no JSON: %w, in line %d", name, syntax, line)
}

// decode reads a part into v, without anything that v has not if it is known whole.
func (p *parts) decode(name string, v any, whole bool) error {
	r, err := p.open(name, limit.PartBytes)
	if err != nil {
		return err
	}
	defer r.Close()
	return decodeWhole(json.NewDecoder(&count{Reader: r, part: name}), v, whole)
}

func decodeWhole(d *json.Decoder, v any, whole bool) error {
	if whole {
		d.DisallowUnknownFields()
	}
	err := d.Decode(v)
	if errors.Is(err, io.ErrUnexpectedEOF) || errors.Is(err, io.EOF) {
		return errors.New("it ends too soon")
	}
	if err == nil && d.More() {
		err = errors.New("something follows after its end")
	}
	return err
}

// lineOf is the line of a part in which a byte of it stands.
func (p *parts) lineOf(name string, offset int64) (int, error) {
	r, err := p.open(name, limit.PartBytes)
	if err != nil {
		return 0, err
	}
	defer r.Close()
	line, piece := 1, make([]byte, 64<<10)
	for offset > 0 {
		n, err := r.Read(piece[:min(offset, int64(len(piece)))])
		line, offset = line+bytes.Count(piece[:n], []byte("\n")), offset-int64(n)
		if err != nil {
			break
		}
	}
	return line, nil
}

// decode reads JSON into v, without anything that v has not, and says where what is wrong
// stands.
func decode(name string, body []byte, v any) error {
	err := decodeWhole(json.NewDecoder(&count{Reader: bytes.NewReader(body), part: name}), v, true)
	var syntax *json.SyntaxError
	if errors.As(err, &syntax) {
		return fmt.Errorf("%s is no JSON: %w, in line %d", name, err, 1+bytes.Count(body[:min(int64(len(body)), syntax.Offset)], []byte("\n")))
	}
	return worded(name, err)
}

// worded is what went wrong with a part of JSON, in words for people.
func worded(name string, err error) error {
	var kind *json.UnmarshalTypeError
	switch {
	case err == nil:
		return nil
	case errors.As(err, &kind):
		return fmt.Errorf("%s: %s is %s where %s is needed", name, kind.Field, article(kind.Value), article(sortOf(kind.Type.Kind().String())))
	case strings.HasPrefix(err.Error(), name), strings.HasPrefix(err.Error(), "the part "):
		return err
	}
	return fmt.Errorf("%s: %w", name, trimmed{err})
}

// trimmed is an error of the decoder without its name.
type trimmed struct{ error }

func (t trimmed) Error() string { return strings.TrimPrefix(t.error.Error(), "json: ") }

func (t trimmed) Unwrap() error { return t.error }

// sortOf is what JSON calls a sort of Go value.
func sortOf(kind string) string {
	switch kind {
	case "slice", "array":
		return "list"
	case "struct", "map", "ptr":
		return "object"
	case "bool":
		return "yes or no (true, false)"
	case "string":
		return "text"
	}
	return "whole number"
}

func article(s string) string {
	switch s {
	case "string", "text":
		return "text"
	case "bool", "yes or no (true, false)":
		return "yes or no (true, false)"
	}
	if strings.HasPrefix(s, "number") {
		return "the " + s
	}
	if strings.ContainsAny(s[:1], "aeiou") {
		return "an " + s
	}
	return "a " + s
}
