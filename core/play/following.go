package play

import (
	"cmp"
	"fmt"
	"slices"

	"azzel/core/body"
	"azzel/core/kinds/props"
	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/world"
)

// following is that something goes along another track than its own from where it was, because a rule says so.
type following struct {
	piece, track world.ID
	// from is where it was, in positions of the map of its piece.
	from body.Place
}

func (f following) of(piece world.ID) int { return cmp.Compare(f.piece, piece) }

func encodeFollowings(w *pack.Writer, list []following) {
	w.Uint(uint64(len(list)))
	for _, f := range list {
		w.Uint(uint64(f.piece))
		w.Uint(uint64(f.track))
		w.Int(f.from.X)
		w.Int(f.from.Y)
	}
}

func decodeFollowings(r *pack.Reader) (list []following) {
	for range r.Count(limit.Pieces, 4) {
		f := following{world.ID(r.Uint()), world.ID(r.Uint()), readPlace(r)}
		if n := len(list); n > 0 && list[n-1].piece >= f.piece {
			r.Fail(fmt.Errorf("%w: what follows tracks is out of order", pack.ErrMalformed))
		}
		list = append(list, f)
	}
	return list
}

// followed is the track along which rules let something go, and from where; nil for its own.
func (g *Game) followed(a *actor) (*world.Track, body.Place) {
	if i, is := slices.BinarySearchFunc(g.followings, a.piece.ID, following.of); is {
		f := g.followings[i]
		if t := g.doc.Track(f.track); t != nil && t.Map == a.home.ID {
			return t, f.from
		}
	}
	return nil, body.Place{}
}

// followTrack lets what an action names go along a track of its map from where it is, on the player's map or one beside it.
func (s onStage) followTrack(p *logic.Part, asked logic.Happening) {
	g := s.g
	track := g.doc.Track(p.Thing)
	ids, _ := asked.Pieces(p.Subject)
	changed := false
	for _, id := range ids {
		a := g.actorOf(id)
		if a == nil || track == nil || track.Map != a.home.ID {
			continue
		}
		if _, has := a.piece.Kind().Has(props.Track); !has {
			continue
		}
		t := &g.things[a.at]
		by := g.shift(a.home, g.ground.Map)
		f := following{id, track.ID, body.Place{X: t.Place.X - by.X, Y: t.Place.Y - by.Y}}
		i, already := slices.BinarySearchFunc(g.followings, id, following.of)
		if !already {
			g.followings = lists.Insert(g.followings, i, f)
		}
		g.followings[i] = f
		t.Far, t.Back, t.Rest = 0, false, 0
		g.keepsFrom(id)
		changed = true
	}
	if changed {
		g.meet()
	}
}
