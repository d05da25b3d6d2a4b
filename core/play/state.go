package play

import (
	"fmt"
	"slices"

	"azzel/core/limit"
	"azzel/core/pack"
)

// state is all that a snapshot holds, in parts. Each part stands in a file of its own with how it is written, read and
// cloned; a part that is added is added to the three functions below. What is here decides how play goes on; what can be
// worked out from it and the document is the Game's.
type state struct {
	clock
	// players are those who play: one.
	players []player
	cast
	memory
	wiring
	reading reading
	bag     bag
	screen
	places
	ruling
	scene
	flight
	chances
	held
	// lens is the camera, which changes nothing in play and is written apart.
	lens lens
}

// clock is how long the game is played.
type clock struct {
	tick     int
	finished bool
}

func (c *clock) encode(w *pack.Writer) {
	w.Int(c.tick)
	w.Bool(c.finished)
}

func decodeClock(r *pack.Reader) clock { return clock{r.Int(), r.Bool()} }

// chances are where chance comes from, and what it began with.
type chances struct{ seed, chance uint64 }

func (c *chances) encode(w *pack.Writer) {
	w.Uint(c.seed)
	w.Uint(c.chance)
}

func decodeChances(r *pack.Reader) chances { return chances{r.Uint(), r.Uint()} }

// held is what was held in the last tick: what is there and how play goes on depend on it.
type held struct {
	// helped are the helps, assisted says that one was on at some time.
	helped   Input
	assisted bool
	// used and jumped say that the keys for that were held, went that the player moved, or let time pass.
	used, jumped, went bool
}

func (h *held) encode(w *pack.Writer) {
	w.Uint(uint64(h.helped))
	for _, yes := range []bool{h.assisted, h.used, h.jumped, h.went} {
		w.Bool(yes)
	}
}

func decodeHeld(r *pack.Reader) held {
	return held{Input(within(r, int(r.Uint()), int(helps))) & helps, r.Bool(), r.Bool(), r.Bool(), r.Bool()}
}

const (
	stateTag = 'P'
	// stateForm is the form in which a state is written, part by part. Those before are read, and written by frozen alone.
	stateForm = 19
	// wireless is the form that says nothing of wires: no state of it was stored but by plays that go on.
	wireless = 10
	// wordless is the form that says nothing of what is read.
	wordless = 11
	// ruleless is the form that says nothing of rules.
	ruleless = 12
	// leftless is the form that says nothing of what is forgotten.
	leftless = 13
	// sceneless is the form that says nothing of what rules let people and the camera do.
	sceneless = 14
	// bagless is the form that says nothing of what the player has being looked at, nor of the screen.
	bagless = 15
	// placeless is the form that says nothing of what is in areas, nor of the tracks along which rules let things go and of what somebody is seen doing.
	placeless = 16
	// turnless is the form that says nothing of cells that have become others, and of conditions that last.
	turnless = 17
	// propless is the form that says nothing of properties that rules have set.
	propless = 18
)

// mostPlayers is how many players a state has at most.
const mostPlayers = 1

// encode writes the state without the camera, as canonical bytes.
func (s *state) encode() []byte {
	w := &pack.Writer{Bytes: []byte{stateTag, stateForm}}
	s.clock.encode(w)
	w.Uint(uint64(len(s.players)))
	for i := range s.players {
		s.players[i].encode(w)
	}
	s.cast.encode(w)
	s.memory.encode(w)
	s.wiring.encode(w)
	s.reading.encode(w)
	encodeSpoken(w, s.spoken)
	encodeIDs(w, s.left)
	s.ruling.encode(w)
	s.scene.encode(w)
	s.bag.encode(w)
	s.screen.encode(w)
	s.places.encode(w)
	encodeFollowings(w, s.followings)
	encodePoses(w, s.poses)
	encodeTurns(w, s.turns)
	s.runs.EncodeLastings(w)
	encodeProperties(w, s.properties)
	s.flight.encode(w)
	s.chances.encode(w)
	s.held.encode(w)
	return w.Bytes
}

// readState reads what encode writes, and what was written in earlier forms. What it says of pieces need not be true of
// any document.
func readState(b []byte) (s state, err error) {
	if len(b) > limit.ReplayState {
		return s, fmt.Errorf("%w: a state of %d bytes", pack.ErrMalformed, len(b))
	}
	if len(b) < 2 || b[0] != stateTag {
		return s, fmt.Errorf("%w: this is no state of a play", pack.ErrMalformed)
	}
	r := pack.NewReader(b[2:])
	switch {
	case b[1] >= factless && b[1] < wireless:
		s.thaw(r, b[1])
		return s, r.Done()
	case b[1] < wireless || b[1] > stateForm:
		return s, ErrOtherRules
	}
	s.clock = decodeClock(r)
	for range r.Count(mostPlayers, 30) {
		s.players = append(s.players, decodePlayer(r))
	}
	if len(s.players) == 0 && r.Err() == nil {
		r.Fail(fmt.Errorf("%w: nobody plays", pack.ErrMalformed))
	}
	s.cast = decodeCast(r)
	s.memory = decodeMemory(r)
	if b[1] > wireless {
		s.wiring = decodeWiring(r)
	}
	if b[1] > wordless {
		s.reading = decodeReading(r)
		s.spoken = readSpoken(r)
	}
	if b[1] > leftless {
		s.left = readIDs(r, limit.Pieces)
	}
	if b[1] > ruleless {
		s.ruling = decodeRuling(r)
	}
	if b[1] > sceneless {
		s.scene = decodeScene(r)
	}
	if b[1] > bagless {
		s.bag = decodeBag(r)
		s.screen = decodeScreen(r)
	}
	if b[1] > placeless {
		s.places = decodePlaces(r)
		s.followings = decodeFollowings(r)
		s.poses = decodePoses(r)
	}
	if b[1] > turnless {
		s.turns = decodeTurns(r)
		s.runs.DecodeLastings(r)
	}
	if b[1] > propless {
		s.properties = decodeProperties(r)
	}
	s.flight = decodeFlight(r)
	s.chances = decodeChances(r)
	s.held = decodeHeld(r)
	return s, r.Done()
}

// clone shares nothing with s that a game changes.
func (s state) clone() state {
	s.players = slices.Clone(s.players)
	s.cast, s.memory, s.wiring, s.flight = s.cast.clone(), s.memory.clone(), s.wiring.clone(), s.flight.clone()
	s.ruling, s.scene, s.screen, s.places = s.ruling.clone(), s.scene.clone(), s.screen.clone(), s.places.clone()
	return s
}

// Snapshot is the whole state as canonical bytes.
func (g *Game) Snapshot() []byte {
	w := pack.Writer{Bytes: g.state.encode()}
	g.lens.encode(&w)
	return w.Bytes
}
