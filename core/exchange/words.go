package exchange

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"azzel/core/logic"
	"azzel/core/tiles"
	"azzel/core/world"
)

// The words that stand in a bundle for what the document numbers. They are never
// changed.
var (
	viewWords = []string{"top-down", "side-view"}
	joinWords = []string{"sides", "corners", "both"}
	typeWords = []string{"yes or no", "number", "text"}
	steering  = []string{"", "four ways", "cell by cell"}
	abilities = logic.BodyWords
	arms      = logic.ArmWords
	compass   = []string{"n", "e", "s", "w", "ne", "se", "sw", "nw"}
)

func word[T ~int | ~uint8](words []string, v T) string {
	if int(v) < len(words) {
		return words[v]
	}
	return strconv.Itoa(int(v))
}

func wordNumber(words []string, s string) (int, error) {
	if i := slices.Index(words, s); i >= 0 {
		return i, nil
	}
	return 0, fmt.Errorf("%.40q is none of %s", s, strings.Join(words, ", "))
}

func idText(id world.ID) string { return fmt.Sprintf("%d.%d", uint32(id>>32), uint32(id)) }

func parseID(s string) (world.ID, error) {
	a, b, two := strings.Cut(s, ".")
	prefix, err := strconv.ParseUint(a, 10, 32)
	count, err2 := strconv.ParseUint(b, 10, 32)
	if !two || err != nil || err2 != nil || prefix == 0 {
		return 0, fmt.Errorf("%.40q is no id: two numbers such as 7.12 are needed", s)
	}
	return world.ID(prefix<<32 | count), nil
}

// optionalID is an id, empty for none.
func optionalID(id world.ID) string {
	if id == 0 {
		return ""
	}
	return idText(id)
}

func parseOptionalID(s string) (world.ID, error) {
	if s == "" {
		return 0, nil
	}
	return parseID(s)
}

func joinedText(n tiles.Neighbours) string {
	var parts []string
	for i, c := range compass {
		if n>>i&1 != 0 {
			parts = append(parts, c)
		}
	}
	return strings.Join(parts, " ")
}

func parseJoined(s string) (tiles.Neighbours, error) {
	var n tiles.Neighbours
	for _, f := range strings.Fields(s) {
		i, err := wordNumber(compass, f)
		if err != nil {
			return 0, err
		}
		n |= 1 << i
	}
	return n, nil
}

func solidRows(m tiles.Mask) []string {
	switch m {
	case 0:
		return nil
	case tiles.Whole:
		return []string{"whole"}
	}
	rows := make([]string, tiles.MaskSide)
	for y := range rows {
		row := []byte("........")
		for x := range row {
			if m.At(x, y) {
				row[x] = '#'
			}
		}
		rows[y] = string(row)
	}
	return rows
}

func parseSolid(rows []string) (tiles.Mask, error) {
	if len(rows) == 0 {
		return 0, nil
	}
	if len(rows) == 1 && rows[0] == "whole" {
		return tiles.Whole, nil
	}
	var m tiles.Mask
	for y, row := range rows {
		if len(rows) != tiles.MaskSide || len(row) != tiles.MaskSide || strings.Trim(row, "#.") != "" {
			return 0, fmt.Errorf("what is solid is \"whole\", or %d rows of %d letters, # where it is and . where it is not", tiles.MaskSide, tiles.MaskSide)
		}
		for x := range tiles.MaskSide {
			if row[x] == '#' {
				m |= 1 << (y*tiles.MaskSide + x)
			}
		}
	}
	return m, nil
}

func parseRole(s string) (tiles.Role, error) {
	if s == "" {
		return tiles.NoRole, nil
	}
	names := make([]string, 0, tiles.BlockoutCount)
	for _, r := range tiles.Roles() {
		if r.String() == s {
			return r, nil
		}
		names = append(names, r.String())
	}
	return 0, fmt.Errorf("%.40q is no role; there are %s", s, strings.Join(names, ", "))
}

// rangesText writes ascending numbers as ranges: 0-3 7 9-12.
func rangesText(list []int) string {
	var b strings.Builder
	for i := 0; i < len(list); {
		k := i
		for k+1 < len(list) && list[k+1] == list[k]+1 {
			k++
		}
		if b.Len() > 0 {
			b.WriteByte(' ')
		}
		b.WriteString(strconv.Itoa(list[i]))
		if k > i {
			b.WriteByte('-')
			b.WriteString(strconv.Itoa(list[k]))
		}
		i = k + 1
	}
	return b.String()
}

// parseRanges reads what rangesText wrote: at most count numbers below end.
func parseRanges(s string, count, end int) ([]int, error) {
	var list []int
	for _, f := range strings.Fields(s) {
		a, b, two := strings.Cut(f, "-")
		from, err := strconv.Atoi(a)
		to := from
		if err == nil && two {
			to, err = strconv.Atoi(b)
		}
		if err != nil || from < 0 || to < from || to >= end || len(list) > 0 && from <= list[len(list)-1] {
			return nil, fmt.Errorf("%.40q are no places: ascending numbers and ranges below %d are needed", f, end)
		}
		if to-from >= count-len(list) {
			return nil, fmt.Errorf("there are more places than the %d tiles", count)
		}
		for n := from; n <= to; n++ {
			list = append(list, n)
		}
	}
	if len(list) != count {
		return nil, fmt.Errorf("there are %d places for %d tiles", len(list), count)
	}
	return list, nil
}
