package edit

import (
	"slices"

	"azzel/core/pace"
	"azzel/core/world"
)

// ref is the thing that a part changes; none for cells.
func ref(p Part) world.Ref {
	switch p := p.(type) {
	case Put:
		return p.Ref
	case Change:
		return p.Ref
	case Remove:
		return p.Ref
	}
	return world.Ref{}
}

// weight is how many cells and properties a part changes.
func weight(p Part) int {
	if p, paints := p.(Paint); paints {
		return p.Region.Len()
	}
	return 1
}

// manyTries is how often an undo is begun again without what did not fit, before it is
// given up.
const manyTries = 64

// takeBackPartly takes back what can be of a step that can't be taken back as a whole, since
// others changed what it needs: the parts that do not fit are left out and counted. It ends
// with a document that fits, at worst the one that it began with.
func takeBackPartly(at pace.Pace, d *world.Document, e Edit) Result {
	out := make([]bool, len(e.Parts))
	for range manyTries {
		a := &application{draft: d.Draft(), undoing: true}
		a.draft.Pace = at
		if !a.all(e.Parts, out) {
			continue
		}
		unfit := a.draft.Unfit()
		if len(unfit) == 0 {
			next, err := a.draft.Done()
			if err != nil {
				break
			}
			slices.Reverse(a.inverse)
			parts := make([]Part, 0, len(e.Parts))
			for i, p := range e.Parts {
				if !out[i] {
					parts = append(parts, p)
				}
			}
			return Result{Document: next, Inverse: a.inverse, Parts: parts, Left: a.left, Of: a.of}
		}
		a.leaveUnfit(d, e.Parts, out, unfit)
	}
	all := Result{Document: d}
	for _, p := range e.Parts {
		all.Of += weight(p)
	}
	all.Left = all.Of
	return all
}

// all applies the parts that are not left out. If one can't be applied it is left out, and
// the draft must be thrown away.
func (a *application) all(parts []Part, out []bool) bool {
	for i, p := range parts {
		if out[i] {
			a.of += weight(p)
			a.left += weight(p)
			continue
		}
		if err := p.apply(a); err != nil {
			out[i] = true
			return false
		}
	}
	return true
}

// leaveUnfit leaves out what makes things unfit: the one property to blame, if there is
// one, else all that is done to the thing. The draft must be thrown away.
func (a *application) leaveUnfit(was *world.Document, parts []Part, out []bool, unfit []world.Ref) {
	before := was.Draft()
	for _, r := range unfit {
		var mine []int
		for i, p := range parts {
			if !out[i] && ref(p) == r {
				mine = append(mine, i)
			}
		}
		if i := a.toBlame(before, parts, mine, r); i >= 0 {
			mine = []int{i}
		}
		for _, i := range mine {
			out[i] = true
		}
	}
}

// toBlame is which of the parts that change a thing is the only one that may not be; -1 if
// that is not to be said.
func (a *application) toBlame(before *world.Draft, parts []Part, mine []int, r world.Ref) int {
	if len(mine) < 2 {
		return -1
	}
	for _, i := range mine {
		c, changes := parts[i].(Change)
		if !changes {
			return -1
		}
		v, there := before.Value(r, c.Value.Field)
		now, _ := a.draft.Value(r, c.Value.Field)
		if !there || a.draft.Change(r, v) != nil {
			return -1
		}
		if a.draft.Fits(r) {
			return i
		}
		if a.draft.Change(r, now) != nil {
			return -1
		}
	}
	return -1
}
