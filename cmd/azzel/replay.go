package main

import (
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"strings"

	"azzel/core/exchange"
	"azzel/core/limit"
	"azzel/core/play"
	"azzel/core/world"
	"azzel/store"
)

// errParted is given when a replay that finished does not any more.
var errParted = errors.New("not every replay that finished when it was kept finishes now")

// replays plays the kept replays of a project, or one from a file, on the project as it is
// now, or writes one to a file.
func replays(ctx context.Context, s *store.Store, args []string, out io.Writer) error {
	p, err := parsePlace("replay", args)
	if err != nil {
		return err
	}
	if len(p.positional) < 1 || len(p.positional) > 2 || p.file != "" && len(p.positional) != 2 {
		return errors.New(usage)
	}
	project, d, err := load(ctx, s, p.positional[0])
	if err != nil {
		return err
	}
	list := d.Replays
	if len(p.positional) == 2 {
		if p.file != "" {
			return p.writeReplay(out, d, p.positional[1])
		}
		r, err := readReplay(p.positional[1])
		if err != nil {
			return err
		}
		list = []*world.Replay{r}
	}
	if len(list) == 0 {
		fmt.Fprintf(out, "%s has no kept replays.\n", project.Name)
	}
	parted := false
	for _, r := range list {
		o, hash, err := rerun(ctx, d, r)
		if err != nil {
			return fmt.Errorf("%s: %w", r.Name, err)
		}
		fmt.Fprintf(out, "%s: %s\n  state %016x at the end, kept with %016x\n", r.Name, o, hash, r.End)
		parted = parted || o.Before && !o.Finished
	}
	if parted {
		return errParted
	}
	return nil
}

// rerun plays a replay to its end.
func rerun(ctx context.Context, d *world.Document, r *world.Replay) (play.Outcome, uint64, error) {
	again, err := play.NewRerun(d, r)
	if err != nil {
		return play.Outcome{}, 0, err
	}
	for !again.Step(play.TicksPerSecond) {
		if err := ctx.Err(); err != nil {
			return play.Outcome{}, 0, err
		}
	}
	return again.Outcome(), again.Game().Hash(), nil
}

// readReplay reads a replay from a file.
func readReplay(name string) (*world.Replay, error) {
	f, err := os.Open(name)
	if err != nil {
		return nil, err
	}
	defer f.Close()
	body, err := io.ReadAll(io.LimitReader(f, limit.ReplayBytes+1))
	if err != nil {
		return nil, fmt.Errorf("reading %s: %w", name, err)
	}
	r, err := exchange.ReadReplay(body)
	if err != nil {
		return nil, fmt.Errorf("%s: %w", name, err)
	}
	return r, nil
}

// writeReplay writes a kept replay, found by its name, to a file.
func (p *place) writeReplay(out io.Writer, d *world.Document, name string) error {
	var names []string
	for _, r := range d.Replays {
		if strings.EqualFold(r.Name, name) {
			body, err := exchange.WriteReplay(r)
			if err != nil {
				return fmt.Errorf("writing %s: %w", r.Name, err)
			}
			return p.write(out, "", func(w io.Writer) error {
				_, err := w.Write(body)
				return err
			})
		}
		names = append(names, r.Name)
	}
	return fmt.Errorf("there is no replay %q; there are %s", name, strings.Join(names[:min(len(names), 20)], ", "))
}
