package page

import (
	"fmt"
	"slices"
	"strings"

	"azzel/core/edit"
	"azzel/core/tiles"
	"azzel/core/world"
)

// LayerLook is all that can be set of a layer beside its name and place.
type LayerLook struct {
	Counts bool `json:"counts"`
	Locked bool `json:"locked"`
	// Fade is how much is seen through it, in percent.
	Fade int `json:"fade"`
	// Tint is a colour as #rrggbb, empty for none.
	Tint   string `json:"tint"`
	DepthX int    `json:"depthX"`
	DepthY int    `json:"depthY"`
	Group  string `json:"group"`
	// NoTiles and NoPieces keep them off; Roles are those of tiles it takes, none for all.
	NoTiles  bool         `json:"noTiles"`
	NoPieces bool         `json:"noPieces"`
	Roles    []int        `json:"roles"`
	Backdrop BackdropView `json:"backdrop"`
}

// BackdropView is the picture behind a layer's tiles; Picture is empty for none.
type BackdropView struct {
	Picture string `json:"picture"`
	W       int    `json:"w"`
	H       int    `json:"h"`
	X       int    `json:"x"`
	Y       int    `json:"y"`
	RepeatX bool   `json:"repeatX"`
	RepeatY bool   `json:"repeatY"`
	Stretch bool   `json:"stretch"`
	DriftX  int    `json:"driftX"`
	DriftY  int    `json:"driftY"`
}

func viewLook(l *world.Layer) LayerLook {
	v := LayerLook{Counts: l.Counts, Locked: l.Locked, Fade: l.Fade, Tint: l.Tint.String(), DepthX: l.DepthX, DepthY: l.DepthY, Group: l.Group,
		NoTiles: l.Takes.NoTiles, NoPieces: l.Takes.NoPieces, Roles: []int{}, Backdrop: BackdropView(l.Backdrop)}
	for _, r := range append(tiles.Roles(), tiles.NoRole) {
		if l.Takes.Roles>>r&1 != 0 {
			v.Roles = append(v.Roles, int(r))
		}
	}
	return v
}

// setLayer gives a layer another look.
func (p *Page) setLayer(ref world.Ref, part Part[LayerLook]) Changed {
	m := p.doc().Map(ref.Map)
	if m == nil || m.Layer(ref.ID) == nil {
		return p.Fail(world.ErrGone)
	}
	l := m.Layer(ref.ID)
	next := *l
	to, err := part.Over(viewLook(l))
	if err != nil {
		return p.Fail(err)
	}
	tint, err := world.ParseColour(to.Tint)
	if err != nil {
		return p.Fail(err)
	}
	next.Counts, next.Locked, next.Fade, next.Tint, next.DepthX, next.DepthY = to.Counts, to.Locked, to.Fade, tint, to.DepthX, to.DepthY
	next.Group, next.Takes, next.Backdrop = strings.TrimSpace(to.Group), world.Takes{NoTiles: to.NoTiles, NoPieces: to.NoPieces}, world.Backdrop(to.Backdrop)
	for _, r := range to.Roles {
		if r >= 0 && r < 32 {
			next.Takes.Roles |= 1 << r
		}
	}
	return p.change(l.Name+" of "+m.Name, edit.Changes(ref, l.Values(), next.Values()))
}

// makeLayer makes a layer above another, and makes it the current one.
func (p *Page) makeLayer(ref world.Ref, name string) Changed {
	m := p.doc().Map(ref.Map)
	if m == nil {
		return p.Fail(world.ErrGone)
	}
	l := &world.Layer{ID: p.ids.NewID(), Name: name}
	if l.Name == "" {
		l.Name = layerName(m, ref.ID)
	}
	e, err := edit.MakeLayer(p.doc(), m.ID, ref.ID, l)
	if err != nil {
		return p.Fail(err)
	}
	changed := p.do(e)
	if now := p.doc().Map(m.ID); now != nil && now.Layer(l.ID) != nil {
		p.hand.SetLayer(m.ID, l.ID)
	}
	return changed | SceneChanged
}

// layerName proposes a name for a layer from what it lies over.
func layerName(m *world.Map, above world.ID) string {
	base := "Lowest"
	if l := m.Layer(above); l != nil {
		base = "Over " + strings.ToLower(l.Name)
	}
	if r := []rune(base); len(r) > 100 {
		base = string(r[:100])
	}
	name := base
	for n := 2; slices.ContainsFunc(m.Layers, func(l *world.Layer) bool { return strings.EqualFold(l.Name, name) }); n++ {
		name = fmt.Sprintf("%s, %d", base, n)
	}
	return name
}

// layerOrder does something with a whole layer.
func (p *Page) layerOrder(ref world.Ref, o Order) Changed {
	d := p.doc()
	var e edit.Edit
	var err error
	switch o.Text {
	case "duplicate":
		e, err = edit.DuplicateLayer(d, ref.Map, ref.ID, p.ids)
	case "merge":
		e, err = edit.MergeLayer(d, ref.Map, ref.ID)
	case "clear":
		e, err = edit.ClearLayer(d, ref.Map, ref.ID)
	case "delete":
		e, err = edit.RemoveLayer(d, ref.Map, ref.ID)
	case "move":
		e, err = edit.MoveLayer(d, ref.Map, ref.ID, o.below(d, ref))
	case "walk":
		m := d.Map(ref.Map)
		if m == nil || m.Layer(ref.ID) == nil {
			return p.Fail(world.ErrGone)
		}
		e = edit.Edit{Label: edit.Clip(fmt.Sprintf("let the player walk on %s", m.Layer(ref.ID).Name)), Parts: []edit.Part{
			edit.Change{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Value: world.IDValue(world.FieldPlayerLayer, ref.ID)}}}
	default:
		return p.Fail(errUnknown)
	}
	return p.layerEdit(e, err)
}

func (p *Page) layerEdit(e edit.Edit, err error) Changed {
	if err != nil {
		return p.Fail(err)
	}
	if len(e.Parts) == 0 {
		return 0
	}
	return p.do(e) | p.hover()
}

// layOver lets a layer lie just over another of its map.
func (p *Page) layOver(ref world.Ref, over world.ID) Changed {
	m := p.doc().Map(ref.Map)
	if m == nil || m.Layer(ref.ID) == nil || m.Layer(over) == nil {
		return p.Fail(world.ErrGone)
	}
	if ref.ID == over {
		return 0
	}
	list := slices.DeleteFunc(slices.Clone(m.Layers), func(l *world.Layer) bool { return l.ID == ref.ID })
	below := world.ID(0)
	if i := slices.IndexFunc(list, func(l *world.Layer) bool { return l.ID == over }); i+1 < len(list) {
		below = list[i+1].ID
	}
	return p.layerEdit(edit.MoveLayer(p.doc(), ref.Map, ref.ID, below))
}

// below is the layer that one is to lie just below: the one whose id is the order's
// list, by N steps up or down from where it is.
func (o Order) below(d *world.Document, ref world.Ref) world.ID {
	m := d.Map(ref.Map)
	if m == nil {
		return 0
	}
	at := slices.IndexFunc(m.Layers, func(l *world.Layer) bool { return l.ID == ref.ID })
	if at < 0 {
		return 0
	}
	list := slices.Delete(slices.Clone(m.Layers), at, at+1)
	to := min(max(at+o.N, 0), len(list))
	if to == len(list) {
		return 0
	}
	return list[to].ID
}
