package rows

import (
	"bufio"
	"bytes"
	"encoding/csv"
	"errors"
	"fmt"
	"io"
	"strings"

	"azzel/core/grid"
	"azzel/core/limit"
)

// WriteCSV writes a box of cells as comma-separated values (RFC 4180): a record for
// each row and a field for each cell, empty or a cell as it stands in rows.
func WriteCSV(w io.Writer, p grid.Plane, box grid.Rect, name Namer) error {
	out := bufio.NewWriter(w)
	r := grid.Reader{Plane: p}
	var b strings.Builder
	for y := range box.H {
		b.Reset()
		for x := range box.W {
			if x > 0 {
				b.WriteByte(',')
			}
			if c := r.At(box.X+x, box.Y+y); c != 0 {
				writeCell(&b, c, false, 1, name)
			} else if box.W == 1 {
				b.WriteByte('.') // an empty line would be no row
			}
		}
		b.WriteString("\r\n")
		if _, err := out.WriteString(b.String()); err != nil {
			return fmt.Errorf("writing row %d: %w", y+1, err)
		}
	}
	if err := out.Flush(); err != nil {
		return fmt.Errorf("writing the last row: %w", err)
	}
	return nil
}

// ReadCSV reads comma-separated values as cells from (0, 0) on, and how many columns
// and rows there are, each at most limit.MaxMapSide. Fields may also be parted by
// semicolons or tabs, lines end in any of the usual ways, and the text may begin
// with a byte order mark. Errors say which row and column, from 1 on, and what is
// wrong there.
func ReadCSV(text []byte, find Finder) (p grid.Plane, columns, lines int, err error) {
	if len(text) > limit.CSVBytes {
		return p, 0, 0, fmt.Errorf("the file has %d MB; the most is %d MB", len(text)>>20, limit.CSVBytes>>20)
	}
	text = bytes.TrimPrefix(text, []byte("\ufeff"))
	if !bytes.ContainsRune(text, '\n') {
		text = bytes.ReplaceAll(text, []byte("\r"), []byte("\n"))
	}
	first, _, _ := bytes.Cut(text, []byte("\n"))
	if len(bytes.TrimSpace(text)) == 0 {
		return p, 0, 0, errors.New("the file is empty")
	}
	between := separator(first)
	if n := bytes.Count(first, []byte{byte(between)}) + 1; n > limit.MaxMapSide {
		return p, 0, 0, fmt.Errorf("row 1 has %d columns; the most is %d", n, limit.MaxMapSide)
	}
	in := csv.NewReader(bytes.NewReader(text))
	in.Comma, in.ReuseRecord, in.TrimLeadingSpace = between, true, between != '\t'
	e := p.Edit()
	for {
		record, err := in.Read()
		if errors.Is(err, io.EOF) {
			break
		}
		lines++
		var bad *csv.ParseError
		switch {
		case errors.Is(err, csv.ErrFieldCount):
			return p, 0, 0, fmt.Errorf("row %d has %d columns, and row 1 has %d: all rows must be as long", lines, len(record), columns)
		case errors.As(err, &bad):
			return p, 0, 0, fmt.Errorf("row %d, byte %d can't be read: a quotation mark does not belong there", lines, bad.Column)
		case err != nil:
			return p, 0, 0, fmt.Errorf("row %d: %w", lines, err)
		case lines > limit.MaxMapSide:
			return p, 0, 0, fmt.Errorf("there are more than %d rows", limit.MaxMapSide)
		}
		if line, _ := in.FieldPos(0); line != lines {
			return p, 0, 0, fmt.Errorf("row %d is empty: all rows must be as long", lines)
		}
		columns = len(record)
		for x, field := range record {
			field = strings.TrimSpace(field)
			if field == "" {
				continue
			}
			cell, _, n, err := readCell(field, find)
			if err == nil && n != 1 {
				err = fmt.Errorf("%.40q is more than one cell", field)
			}
			if err != nil {
				return p, 0, 0, fmt.Errorf("row %d, column %d: %w", lines, x+1, err)
			}
			e.Set(grid.Point{X: x, Y: lines - 1}, cell)
		}
	}
	return e.Done(), columns, lines, nil
}

// separator is what parts the fields of a row.
func separator(row []byte) rune {
	for _, c := range ",;\t" {
		if bytes.ContainsRune(row, c) {
			return c
		}
	}
	return ','
}
