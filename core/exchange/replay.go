package exchange

import (
	"bytes"
	"encoding/hex"
	"encoding/json"
	"errors"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"azzel/core/limit"
	"azzel/core/world"
)

// ReplayFormat and ReplayVersion are what a replay says of itself.
const (
	ReplayFormat  = "azzel replay"
	ReplayVersion = 2
)

// An inputWord is what an input is called.
type inputWord struct {
	word string
	bit  int
}

// inputWords are what can be held down, by their bits; the bits between them are helps, with
// which no replay is kept.
var inputWords = []inputWord{{"left", 0}, {"right", 1}, {"up", 2}, {"down", 3}, {"use", 4}, {"jump", 5}, {"strike", 9}, {"shoot", 10}, {"items", 12}}

// replay writes a replay.
func replay(r *world.Replay) Replay {
	out := Replay{Format: ReplayFormat, Version: ReplayVersion, ID: idText(r.ID), Name: r.Name, Rules: r.Rules, Held: heldText(r.Held),
		Trace: hex.EncodeToString(r.Trace), End: fmt.Sprintf("%016x", r.End), State: r.State, Began: r.Began, Samples: make([]ReplaySample, 0, len(r.Samples))}
	if r.Chance != 0 {
		out.Chance = fmt.Sprintf("%016x", r.Chance)
	}
	if r.From != 0 {
		out.From = idText(r.From)
	}
	for _, m := range r.Samples {
		out.Samples = append(out.Samples, ReplaySample{idText(m.Map), m.X, m.Y, m.Health, m.Taken, m.Finished, fmt.Sprintf("%08x", m.Moving)})
	}
	return out
}

// WriteReplay gives a replay as a file of its own.
func WriteReplay(r *world.Replay) ([]byte, error) { return encode(replay(r)) }

// ReadReplay reads such a file and holds it against the limits. An error says in words what
// is wrong.
func ReadReplay(body []byte) (*world.Replay, error) {
	if len(body) > limit.ReplayBytes {
		return nil, fmt.Errorf("a replay has at most %d MB; this has %d", limit.ReplayBytes>>20, len(body)>>20)
	}
	var head struct{ Format, Version any }
	if err := decodeWhole(json.NewDecoder(&count{Reader: bytes.NewReader(body), part: "the replay"}), &head, false); err != nil {
		return nil, fmt.Errorf("this is no replay, or it was cut short: %w", err)
	}
	if head.Format != ReplayFormat {
		return nil, errors.New("this does not say that it is a replay of Azzel's")
	}
	if v, ok := head.Version.(float64); ok && v > ReplayVersion {
		return nil, fmt.Errorf("this replay is of version %v, and this Azzel reads up to version %d: it was written by a newer one", v, ReplayVersion)
	}
	var in Replay
	if err := decode("the replay", body, &in); err != nil {
		return nil, err
	}
	return in.replay()
}

// replay reads a replay.
func (in *Replay) replay() (*world.Replay, error) {
	if in.Format != ReplayFormat || in.Version < 1 || in.Version > ReplayVersion {
		return nil, fmt.Errorf("format is %q, version %d, and should be %q, version %d", in.Format, in.Version, ReplayFormat, ReplayVersion)
	}
	r := &world.Replay{Name: in.Name, Rules: in.Rules, State: in.State, Began: in.Began}
	var err error
	if r.ID, err = parseID(in.ID); err != nil {
		return nil, fmt.Errorf("id: %w", err)
	}
	if in.From != "" {
		if r.From, err = parseID(in.From); err != nil {
			return nil, fmt.Errorf("from: %w", err)
		}
	}
	if in.Chance != "" {
		if r.Chance, err = strconv.ParseUint(in.Chance, 16, 64); err != nil {
			return nil, fmt.Errorf("chance: %.20q is no number of 16 hexadecimal digits", in.Chance)
		}
	}
	if r.Held, err = parseHeld(in.Held); err != nil {
		return nil, fmt.Errorf("held: %w", err)
	}
	if r.Trace, err = hex.DecodeString(in.Trace); err != nil {
		return nil, fmt.Errorf("trace: %w", err)
	}
	if r.End, err = strconv.ParseUint(in.End, 16, 64); err != nil {
		return nil, fmt.Errorf("end: %.20q is no hash of 16 hexadecimal digits", in.End)
	}
	samples := in.Samples
	if in.Version == 1 {
		samples = in.Marks
	}
	for i, m := range samples {
		sample := world.Sample{X: m.X, Y: m.Y, Health: m.Health, Taken: m.Taken, Finished: m.Finished}
		if sample.Map, err = parseID(m.Map); err != nil {
			return nil, fmt.Errorf("sample %d: %w", i+1, err)
		}
		moving, err := strconv.ParseUint(m.Moving, 16, 32)
		if err != nil {
			return nil, fmt.Errorf("sample %d: %.20q is no hash of 8 hexadecimal digits", i+1, m.Moving)
		}
		sample.Moving = uint32(moving)
		r.Samples = append(r.Samples, sample)
	}
	return r, r.Check()
}

// heldText writes what was held down, such as 20 right+jump, 5 nothing.
func heldText(held []world.Held) string {
	parts := make([]string, 0, len(held))
	for _, h := range held {
		var words []string
		for _, w := range inputWords {
			if h.Input>>w.bit&1 != 0 {
				words = append(words, w.word)
			}
		}
		if words == nil {
			words = []string{"nothing"}
		}
		parts = append(parts, strconv.Itoa(h.Ticks)+" "+strings.Join(words, "+"))
	}
	return strings.Join(parts, ", ")
}

func parseHeld(s string) ([]world.Held, error) {
	var held []world.Held
	for part := range strings.SplitSeq(s, ",") {
		ticks, what, two := strings.Cut(strings.TrimSpace(part), " ")
		n, err := strconv.Atoi(ticks)
		if err != nil || !two {
			return nil, fmt.Errorf("%.40q is not a number of ticks with what was held down, such as 20 right+jump", part)
		}
		h := world.Held{Ticks: n}
		for w := range strings.SplitSeq(what, "+") {
			i := slices.IndexFunc(inputWords, func(known inputWord) bool { return known.word == w })
			switch {
			case w == "nothing" && what == w:
			case i < 0:
				return nil, fmt.Errorf("%.20q is nothing that can be held down, such as left, jump or shoot", w)
			default:
				h.Input |= 1 << inputWords[i].bit
			}
		}
		if held = append(held, h); len(held) > limit.ReplayTicks {
			return nil, fmt.Errorf("a replay is at most %d minutes long", limit.ReplayTicks/3600)
		}
	}
	return held, nil
}

func (b *reader) replays() error {
	for _, name := range b.bundle.Replays {
		var in Replay
		if err := b.parts.json(name, &in); err != nil {
			return err
		}
		r, err := in.replay()
		if err != nil {
			return fmt.Errorf("%s: %w", name, err)
		}
		if _, err := b.newID(in.ID, name); err != nil {
			return err
		}
		if err := b.put(world.SortReplay, 0, r.ID, r.Values(), name); err != nil {
			return err
		}
	}
	return nil
}
