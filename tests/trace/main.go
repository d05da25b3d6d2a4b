// Command trace plays generated worlds and prints a line for each with a hash over the states
// after all ticks: the same on every machine and in WebAssembly. For a single world it prints
// the state after each tick.
package main

import (
	"bufio"
	"crypto/sha256"
	"encoding/hex"
	"fmt"
	"io"
	"os"
	"strconv"

	"azzel/core/play"
	"azzel/core/play/generate"
)

func main() {
	var numbers [3]uint64
	for i := range numbers {
		n, err := uint64(0), error(nil)
		if len(os.Args) == len(numbers)+1 {
			n, err = strconv.ParseUint(os.Args[i+1], 10, 31)
		}
		if err != nil || len(os.Args) != len(numbers)+1 {
			fmt.Fprintln(os.Stderr, "usage: trace FIRST WORLDS TICKS")
			os.Exit(2)
		}
		numbers[i] = n
	}
	first, worlds, ticks := numbers[0], numbers[1], int(numbers[2])
	out := bufio.NewWriter(os.Stdout)
	defer out.Flush()
	for seed := first; seed < first+worlds; seed++ {
		if err := trace(out, seed, ticks, worlds == 1); err != nil {
			fmt.Fprintln(out, "world", seed, err)
		}
	}
}

// trace plays one world.
func trace(out io.Writer, seed uint64, ticks int, each bool) error {
	// Every second world has rules that begin by all that can happen.
	world := generate.World
	if seed%2 == 0 {
		world = generate.Listening
	}
	d, err := world(seed)
	if err != nil {
		return err
	}
	g, err := play.New(d, play.Start{})
	if err != nil {
		return err
	}
	sum := sha256.New()
	for tick, in := range generate.Inputs(seed, ticks) {
		if tick/50%6 == 4 {
			in |= play.Through | play.Unseen
		}
		g.Tick(in)
		state := g.Snapshot()
		sum.Write(state)
		if each {
			s := g.Status()
			fmt.Fprintf(out, "world %d tick %d map %d x %d y %d facing %d steps %d taken %d finished %t all %s\n", seed, tick, s.Map, s.Place.X, s.Place.Y,
				s.Facing, s.Steps, s.Taken, s.Finished, hex.EncodeToString(state))
		}
	}
	if !each {
		fmt.Fprintf(out, "world %d of %d ticks %x\n", seed, g.Status().Ticks, sum.Sum(nil))
	}
	return nil
}
