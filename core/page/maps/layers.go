package maps

import (
	"fmt"
	"slices"
	"strings"

	"azzel/core/edit"
	"azzel/core/lists"
	"azzel/core/page"
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

// ViewLook is how a layer looks, as a view.
func ViewLook(l *world.Layer) LayerLook {
	v := LayerLook{Counts: l.Counts, Locked: l.Locked, Fade: l.Fade, Tint: l.Tint.String(), DepthX: l.DepthX, DepthY: l.DepthY, Group: l.Group,
		NoTiles: l.Takes.NoTiles, NoPieces: l.Takes.NoPieces, Roles: []int{}, Backdrop: BackdropView(l.Backdrop)}
	for _, r := range append(tiles.Roles(), tiles.NoRole) {
		if l.Takes.Roles>>r&1 != 0 {
			v.Roles = append(v.Roles, int(r))
		}
	}
	return v
}

func layerRef(m, layer page.ID) world.Ref {
	return world.Ref{Sort: world.SortLayer, Map: world.ID(m), ID: world.ID(layer)}
}

// layer is a layer of a map; nil if either is gone.
func layer(p *page.Page, m, layer page.ID) *world.Layer {
	if m := p.Doc().Map(world.ID(m)); m != nil {
		return m.Layer(world.ID(layer))
	}
	return nil
}

// SetLayer gives a layer another look.
type SetLayer struct {
	Map    page.ID              `json:"map"`
	Layer  page.ID              `json:"layer"`
	Change page.Part[LayerLook] `json:"change"`
}

// Do implements Order.
func (o SetLayer) Do(p *page.Page) page.Changed {
	ref := layerRef(o.Map, o.Layer)
	m := p.Doc().Map(ref.Map)
	if m == nil || m.Layer(ref.ID) == nil {
		return p.Fail(world.ErrGone)
	}
	l := m.Layer(ref.ID)
	next := *l
	to, err := o.Change.Over(ViewLook(l))
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
	return p.Change(l.Name+" of "+m.Name, edit.Changes(ref, l.Values(), next.Values()))
}

// MakeLayer makes a layer above another, and makes it the current one. Without a name it is called for what it lies over.
type MakeLayer struct {
	Map   page.ID `json:"map"`
	Above page.ID `json:"above"`
	Name  string  `json:"name,omitempty"`
}

// Do implements Order.
func (o MakeLayer) Do(p *page.Page) page.Changed {
	m := p.Doc().Map(world.ID(o.Map))
	above := world.ID(o.Above)
	if m == nil {
		return p.Fail(world.ErrGone)
	}
	l := &world.Layer{ID: p.IDs.NewID(), Name: o.Name}
	if l.Name == "" {
		l.Name = layerName(m, above)
	}
	e, err := edit.MakeLayer(p.Doc(), m.ID, above, l)
	if err != nil {
		return p.Fail(err)
	}
	changed := p.Do(e)
	if now := p.Doc().Map(m.ID); now != nil && now.Layer(l.ID) != nil {
		p.Hand.SetLayer(m.ID, l.ID)
	}
	return changed | page.SceneChanged
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

// DuplicateLayer puts a copy of a layer above it.
type DuplicateLayer struct {
	Map   page.ID `json:"map"`
	Layer page.ID `json:"layer"`
}

// Do implements Order.
func (o DuplicateLayer) Do(p *page.Page) page.Changed {
	e, err := edit.DuplicateLayer(p.Doc(), world.ID(o.Map), world.ID(o.Layer), p.IDs)
	return layerEdit(p, e, err)
}

// MergeLayer lays a layer onto the one below it.
type MergeLayer struct {
	Map   page.ID `json:"map"`
	Layer page.ID `json:"layer"`
}

// Do implements Order.
func (o MergeLayer) Do(p *page.Page) page.Changed {
	e, err := edit.MergeLayer(p.Doc(), world.ID(o.Map), world.ID(o.Layer))
	return layerEdit(p, e, err)
}

// ClearLayer empties a layer.
type ClearLayer struct {
	Map   page.ID `json:"map"`
	Layer page.ID `json:"layer"`
}

// Do implements Order.
func (o ClearLayer) Do(p *page.Page) page.Changed {
	e, err := edit.ClearLayer(p.Doc(), world.ID(o.Map), world.ID(o.Layer))
	return layerEdit(p, e, err)
}

// DeleteLayer deletes a layer with what lies on it.
type DeleteLayer struct {
	Map   page.ID `json:"map"`
	Layer page.ID `json:"layer"`
}

// Do implements Order.
func (o DeleteLayer) Do(p *page.Page) page.Changed {
	e, err := edit.RemoveLayer(p.Doc(), world.ID(o.Map), world.ID(o.Layer))
	return layerEdit(p, e, err)
}

// WalkOnLayer makes a layer the one on which the player walks.
type WalkOnLayer struct {
	Map   page.ID `json:"map"`
	Layer page.ID `json:"layer"`
}

// Do implements Order.
func (o WalkOnLayer) Do(p *page.Page) page.Changed {
	m := p.Doc().Map(world.ID(o.Map))
	if m == nil || m.Layer(world.ID(o.Layer)) == nil {
		return p.Fail(world.ErrGone)
	}
	l := m.Layer(world.ID(o.Layer))
	return layerEdit(p, edit.Edit{Label: edit.Clip(fmt.Sprintf("let the player walk on %s", l.Name)), Parts: []edit.Part{
		edit.Change{Ref: world.Ref{Sort: world.SortMap, ID: m.ID}, Value: world.IDValue(world.FieldPlayerLayer, l.ID)}}}, nil)
}

func layerEdit(p *page.Page, e edit.Edit, err error) page.Changed {
	if err != nil {
		return p.Fail(err)
	}
	if len(e.Parts) == 0 {
		return 0
	}
	return p.Do(e) | p.Hover()
}

// LayLayerOver lets a layer lie just over another of its map.
type LayLayerOver struct {
	Map   page.ID `json:"map"`
	Layer page.ID `json:"layer"`
	Over  page.ID `json:"over"`
}

// Do implements Order.
func (o LayLayerOver) Do(p *page.Page) page.Changed {
	ref, over := layerRef(o.Map, o.Layer), world.ID(o.Over)
	m := p.Doc().Map(ref.Map)
	if m == nil || m.Layer(ref.ID) == nil || m.Layer(over) == nil {
		return p.Fail(world.ErrGone)
	}
	if ref.ID == over {
		return 0
	}
	list := lists.Without(slices.Clone(m.Layers), func(l *world.Layer) bool { return l.ID == ref.ID })
	below := world.ID(0)
	if i := slices.IndexFunc(list, func(l *world.Layer) bool { return l.ID == over }); i+1 < len(list) {
		below = list[i+1].ID
	}
	e, err := edit.MoveLayer(p.Doc(), ref.Map, ref.ID, below)
	return layerEdit(p, e, err)
}

// MoveLayer moves a layer by so many steps up, or down if By is below 0.
type MoveLayer struct {
	Map   page.ID `json:"map"`
	Layer page.ID `json:"layer"`
	By    int     `json:"by"`
}

// Do implements Order.
func (o MoveLayer) Do(p *page.Page) page.Changed {
	m := p.Doc().Map(world.ID(o.Map))
	if m == nil {
		return p.Fail(world.ErrGone)
	}
	at := slices.IndexFunc(m.Layers, func(l *world.Layer) bool { return l.ID == world.ID(o.Layer) })
	if at < 0 {
		return p.Fail(world.ErrGone)
	}
	list := slices.Delete(slices.Clone(m.Layers), at, at+1)
	below := world.ID(0)
	// No map has so many layers that a sum of two would be too large.
	if to := max(at+min(max(o.By, -len(list)), len(list)), 0); to < len(list) {
		below = list[to].ID
	}
	e, err := edit.MoveLayer(p.Doc(), m.ID, world.ID(o.Layer), below)
	return layerEdit(p, e, err)
}

// SetCurrentLayer makes a layer of a map the one on which the hand works, for this person.
type SetCurrentLayer struct {
	Map   page.ID `json:"map"`
	Layer page.ID `json:"layer"`
}

// Do implements Order.
func (o SetCurrentLayer) Do(p *page.Page) page.Changed {
	if layer(p, o.Map, o.Layer) == nil {
		return p.Fail(world.ErrGone)
	}
	p.Hand.SetLayer(world.ID(o.Map), world.ID(o.Layer))
	return page.SceneChanged | page.StateChanged | p.Hover()
}

// ShowLayerAlone lets nothing else of a map be shown, or all again, for this person.
type ShowLayerAlone struct {
	Map   page.ID `json:"map"`
	Layer page.ID `json:"layer"`
	On    bool    `json:"on"`
}

// Do implements Order.
func (o ShowLayerAlone) Do(p *page.Page) page.Changed {
	if layer(p, o.Map, o.Layer) == nil {
		return p.Fail(world.ErrGone)
	}
	p.Hand.SetOnly(world.ID(o.Map), world.ID(o.Layer), o.On)
	return page.SceneChanged | page.CellsChanged | p.Hover()
}

// HideLayer hides a layer, or shows it again, for this person.
type HideLayer struct {
	Layer  page.ID `json:"layer"`
	Hidden bool    `json:"hidden"`
}

// Do implements Order.
func (o HideLayer) Do(p *page.Page) page.Changed {
	p.Hand.SetHidden(world.ID(o.Layer), o.Hidden)
	return page.SceneChanged | page.CellsChanged | p.Hover()
}
