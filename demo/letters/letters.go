// Package letters draws the letters of the game, and writes them as the core reads them.
package letters

import (
	"fmt"
	"maps"
	"slices"
	"strings"

	"golang.org/x/text/unicode/norm"

	"azzel/core/pack"
)

// A drawing is a letter: its rows from the first to the last with ink.
type drawing struct {
	width, top  int
	rows        []uint16
	mark, below bool
}

// drawAll gives all letters with a drawing of their own. It fails where a drawing is not as wide or high as it is to be.
func drawAll() (map[rune]drawing, error) {
	all := map[rune]drawing{}
	for _, sheet := range []struct {
		art         string
		top, rows   int
		mark, below bool
	}{{latin, 0, 9, false, false}, {greek, 0, 9, false, false}, {cyrillic, 0, 9, false, false}, {signs, 0, 9, false, false}, {marks, 0, 2, true, false}, {rings, 0, 3, true, false}, {marksBelow, 0, 2, true, true}} {
		for _, block := range strings.Split(strings.TrimSpace(sheet.art), "\n\n") {
			lines := strings.Split(block, "\n")
			if len(lines) != sheet.rows+1 {
				return nil, fmt.Errorf("letters: %q has %d rows", lines[0], len(lines)-1)
			}
			for i, head := range strings.Fields(lines[0]) {
				d := drawing{top: sheet.top, mark: sheet.mark, below: sheet.below}
				for _, line := range lines[1:] {
					fields := strings.Fields(line)
					if i >= len(fields) || d.width != 0 && len(fields[i]) != d.width {
						return nil, fmt.Errorf("letters: %q is not drawn evenly", head)
					}
					d.width = len(fields[i])
					row := uint16(0)
					for x, c := range fields[i] {
						if c == '#' {
							row |= 1 << x
						}
					}
					d.rows = append(d.rows, row)
				}
				r := []rune(head)
				if _, twice := all[r[0]]; twice || len(r) != 1 {
					return nil, fmt.Errorf("letters: %q is drawn twice, or is several", head)
				}
				all[r[0]] = d.trimmed()
			}
		}
	}
	for is, r := range apart {
		d := all[is]
		if d.below {
			d.top += 7
		}
		d.mark, d.below = false, false
		all[r] = d
	}
	for is, others := range alike {
		for _, r := range others {
			all[r] = all[is]
		}
	}
	return all, nil
}

// trimmed leaves out the rows without ink before and after those with it.
func (d drawing) trimmed() drawing {
	for len(d.rows) > 0 && d.rows[0] == 0 {
		d.rows, d.top = d.rows[1:], d.top+1
	}
	for len(d.rows) > 0 && d.rows[len(d.rows)-1] == 0 {
		d.rows = d.rows[:len(d.rows)-1]
	}
	return d
}

// composed are the letters that consist of one with a drawing and of marks that have one.
func composed(all map[rune]drawing) map[rune][]rune {
	list := map[rune][]rune{}
	for r := rune(0xa0); r < 0x2000; r++ {
		if _, own := all[r]; own {
			continue
		}
		parts := []rune(norm.NFD.String(string(r)))
		if len(parts) < 2 || len(parts) > 3 || all[parts[0]].mark {
			continue
		}
		missing := slices.ContainsFunc(parts, func(p rune) bool { return all[p].width == 0 })
		if !missing {
			list[r] = parts
		}
	}
	return list
}

// Bytes are the letters as the core reads them (core/text).
func Bytes() ([]byte, error) {
	all, err := drawAll()
	if err != nil {
		return nil, err
	}
	var w pack.Writer
	last := rune(0)
	w.Uint(uint64(len(all)))
	for _, r := range slices.Sorted(maps.Keys(all)) {
		d := all[r]
		w.Uint(uint64(r - last))
		w.Uint(uint64(d.width))
		w.Int(d.top)
		w.Bool(d.mark)
		w.Bool(d.below)
		w.Uint(uint64(len(d.rows)))
		for _, row := range d.rows {
			w.Uint(uint64(row))
		}
		last = r
	}
	list := composed(all)
	last = 0
	w.Uint(uint64(len(list)))
	for _, r := range slices.Sorted(maps.Keys(list)) {
		w.Uint(uint64(r - last))
		w.Uint(uint64(len(list[r])))
		for _, p := range list[r] {
			w.Uint(uint64(p))
		}
		last = r
	}
	return w.Bytes, nil
}
