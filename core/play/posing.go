package play

import (
	"cmp"
	"fmt"
	"slices"

	"azzel/core/limit"
	"azzel/core/lists"
	"azzel/core/logic"
	"azzel/core/pack"
	"azzel/core/world"
)

// posed is that somebody is seen doing something else than they do, because a rule says so.
type posed struct {
	// piece is who, 0 for the player; act what they are seen doing, left for how many ticks still.
	piece     world.ID
	act, left int
}

func (p posed) of(piece world.ID) int { return cmp.Compare(p.piece, piece) }

func encodePoses(w *pack.Writer, list []posed) {
	w.Uint(uint64(len(list)))
	for _, p := range list {
		w.Uint(uint64(p.piece))
		w.Int(p.act)
		w.Int(p.left)
	}
}

func decodePoses(r *pack.Reader) (list []posed) {
	for range r.Count(limit.Pieces, 3) {
		p := posed{world.ID(r.Uint()), within(r, r.Int(), len(logic.PoseWords)-1), within(r, r.Int(), limit.RuleTicks)}
		if n := len(list); n > 0 && list[n-1].piece >= p.piece {
			r.Fail(fmt.Errorf("%w: those who pose are out of order", pack.ErrMalformed))
		}
		list = append(list, p)
	}
	return list
}

// pose lets those whom an action names be seen doing something, for as long as it says.
func (s onStage) pose(p *logic.Part, asked logic.Happening) {
	g := s.g
	ids, _ := asked.Pieces(p.Subject)
	for _, id := range ids {
		is := posed{id, p.Is, p.Number}
		i, already := slices.BinarySearchFunc(g.poses, id, posed.of)
		if !already {
			g.poses = lists.Insert(g.poses, i, is)
		}
		g.poses[i] = is
	}
}

// holdPoses lets a tick pass for those who pose.
func (g *Game) holdPoses() {
	for i := range g.poses {
		g.poses[i].left--
	}
	g.poses = lists.Without(g.poses, func(p posed) bool { return p.left <= 0 })
}

// Posed is what somebody, 0 for the player, is seen doing because a rule says so; false if they are seen as they are.
func (g *Game) Posed(piece world.ID) (act world.Act, is bool) {
	if i, is := slices.BinarySearchFunc(g.poses, piece, posed.of); is {
		return world.Act(g.poses[i].act), true
	}
	return 0, false
}
