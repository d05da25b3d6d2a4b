// Command trace plays generated worlds and prints the state after each tick,
// a line each: the same on every machine and in WebAssembly.
package main

import (
	"bufio"
	"encoding/hex"
	"fmt"
	"os"
	"strconv"

	"azzel/core/play"
	"azzel/core/play/generate"
)

func main() {
	worlds, err := strconv.ParseUint(os.Args[1], 10, 32)
	if err != nil {
		fmt.Fprintln(os.Stderr, "usage: trace WORLDS TICKS")
		os.Exit(2)
	}
	ticks, err := strconv.Atoi(os.Args[2])
	if err != nil {
		fmt.Fprintln(os.Stderr, "usage: trace WORLDS TICKS")
		os.Exit(2)
	}
	out := bufio.NewWriter(os.Stdout)
	defer out.Flush()
	for seed := range worlds {
		d, err := generate.World(seed)
		if err != nil {
			fmt.Fprintln(out, "world", seed, err)
			continue
		}
		g, err := play.New(d, play.Start{})
		if err != nil {
			fmt.Fprintln(out, "world", seed, err)
			continue
		}
		for tick, in := range generate.Inputs(seed, ticks) {
			g.Tick(in)
			s := g.Status()
			fmt.Fprintf(out, "world %d tick %d map %d x %d y %d facing %d steps %d taken %d finished %t all %s\n", seed, tick, s.Map, s.Place.X, s.Place.Y,
				s.Facing, s.Steps, s.Taken, s.Finished, hex.EncodeToString(g.Snapshot()))
		}
	}
}
