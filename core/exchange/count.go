package exchange

import (
	"fmt"
	"io"

	"azzel/core/limit"
)

// mostValues is how many values a part of JSON has at most, and mostDepth how many lists and objects lie in each other.
const mostValues, mostDepth = 8 << 20, 32

// usualEntries is how many entries a list has at most of which nothing else is said.
const usualEntries = 1024

// entries is how many entries each list has at most. A list within one has the name of both.
var entries = map[string]int{
	"drawer": 3 * limit.Tilesets, "legend": limit.LegendColours, "tilesets": limit.Tilesets, "properties": limit.Properties,
	"characters": limit.Characters, "medleys": limit.Medleys, "bonds": limit.Bonds, "maps": limit.Maps, "patches": limit.Patches,
	"crossings": limit.Crossings, "replays": limit.Replays, "items": limit.Items, "facts": limit.Facts, "wires": limit.Wires, "rules": limit.Rules, "starts": limit.Starts, "types": limit.Types, "types.properties": limit.TypeProps, "types.properties.words": limit.FactWords, "starts.items": limit.Items, "starts.facts": limit.Facts, "starts.states": limit.StartStates, "rules.parts": limit.RuleParts,
	"characters.poses": limit.Poses, "characters.poses.frames": limit.CharacterFrames, "characters.begins": limit.Items,
	"medleys.tiles": limit.MedleyTiles, "bonds.tiles": limit.BondTiles, "bonds.also": limit.Tiles, "bonds.joinsTo": limit.Bonds,
	"tiles": limit.Tiles, "tiles.frames": limit.TileFrames, "tiles.solid": 8, "tiles.own": limit.Properties,
	"layers": limit.Layers, "layers.rows": limit.MaxMapSide, "pieces": limit.PiecesInMap, "tracks": limit.Tracks, "areas": limit.Areas,
	"tracks.points": limit.TrackPoints, "own": limit.Properties, "ends": 2,
	"samples": limit.ReplayTicks, "marks": limit.ReplayTicks, "areas.cells": limit.MaxMapSide * limit.MaxMapSide / 2,
}

// within is the list or object in which a count is.
type within struct {
	list  bool
	name  string
	count int
	empty bool
}

// A count reads JSON and counts its entries before anything is made of them, so that a few bytes which unpack to
// millions of them cost nothing. What is no JSON it leaves to the decoder.
type count struct {
	io.Reader
	part   string
	stack  []within
	values int
	// text is the beginning of the last text that was read.
	text            []byte
	inText, escaped bool
}

// Read implements io.Reader.
func (c *count) Read(b []byte) (int, error) {
	n, err := c.Reader.Read(b)
	for _, ch := range b[:n] {
		if problem := c.see(ch); problem != nil {
			return 0, problem
		}
	}
	return n, err
}

func (c *count) see(ch byte) error {
	switch {
	case c.escaped:
		c.escaped = false
		return nil
	case c.inText:
		switch ch {
		case '"':
			c.inText = false
		case '\\':
			c.escaped = true
		default:
			if len(c.text) < 32 {
				c.text = append(c.text, ch)
			}
		}
		return nil
	}
	switch ch {
	case ' ', '\n', '\t', '\r':
		return nil
	case ']', '}':
		if n := len(c.stack); n > 0 {
			c.stack = c.stack[:n-1]
		}
		return nil
	case ':':
		return nil
	case ',':
		return c.entry()
	}
	// Anything else begins a value, or is in the middle of one.
	if n := len(c.stack); n > 0 && c.stack[n-1].empty {
		c.stack[n-1].empty = false
		if err := c.entry(); err != nil {
			return err
		}
	}
	switch ch {
	case '"':
		c.inText, c.text = true, c.text[:0]
	case '[', '{':
		if len(c.stack) >= mostDepth {
			return fmt.Errorf("%s has over %d lists and objects in each other", c.part, mostDepth)
		}
		c.stack = append(c.stack, within{list: ch == '[', name: c.name(), empty: true})
	}
	return nil
}

// name is what a list or object that begins is called: by the names of the lists in which it lies and its own.
func (c *count) name() string {
	n := len(c.stack)
	if n == 0 {
		return ""
	}
	in := c.stack[n-1]
	if in.list {
		return in.name
	}
	for i := n - 1; i >= 0; i-- {
		if c.stack[i].list {
			return c.stack[i].name + "." + string(c.text)
		}
	}
	return string(c.text)
}

// entry counts one more of what the list or object has.
func (c *count) entry() error {
	if c.values++; c.values > mostValues {
		return fmt.Errorf("%s has over %d million values", c.part, mostValues>>20)
	}
	n := len(c.stack)
	if n == 0 {
		return nil
	}
	in := &c.stack[n-1]
	most, known := entries[in.name]
	if !known {
		most = usualEntries
	}
	if in.count++; in.list && in.count > most {
		return fmt.Errorf("%s: %s has over %d entries, which is more than there may be", c.part, in.name, most)
	}
	return nil
}
