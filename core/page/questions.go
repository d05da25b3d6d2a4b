package page

import (
	"encoding/hex"
	"hash/fnv"

	"azzel/core/grid"
	"azzel/core/tiles"
	"azzel/core/world"
)

func init() {
	RegisterQuestions([]Asking{
		// Views of all that is shown.
		{AskScene{}, (*Scene)(nil)}, {AskState{}, (*State)(nil)}, {AskPointer{}, (*Pointer)(nil)}, {AskPlay{}, (*Play)(nil)}, {AskReplies{}, []Reply{}}, {AskProbe{}, (*Probe)(nil)},
		{AskHistory{}, []StepView{}}, {AskMemory{}, []SlipLine{}}, {AskKnown{}, KnownView{Facts: []KnownFact{}, Reasons: []ReasonView{}}}, {AskAskable{}, (*AskableView)(nil)},
		// The hand.
		{Copied{}, CopiedView{}}, {BlockPicture{}, Picture{}},
		// Maps and layers.
		{CellsIn{}, []int{}}, {LossOf{}, ""}, {WholeScreens{}, SizeView{}}, {ScaledSize{}, ""}, {Lens{}, []byte{}}, {LayerPicture{}, Picture{}},
		// Tiles.
		{AskTileset{}, (*TilesetView)(nil)}, {SheetShape{}, []int{}}, {TileCells{}, []int{}}, {LikeColours{}, []int{}}, {AskUsage{}, Usage{Tilesets: []UnusedTiles{}, Unused: []string{}}},
		{DealMedley{}, Dealt{[]int{}, []int{}}}, {SampleBond{}, []int{}}, {ProposeBond{}, Proposal{Tiles: []tiles.Bonded{}, Unsure: []int{}}}, {JoinWith{}, 0},
		{ProposeReskin{}, Reskin{By: "position", Chosen: []Pair{}}}, {PreviewReskin{}, ReskinView{Matches: []MatchView{}}}, {ReskinPicture{}, Picture{}},
		// Pieces, characters and play.
		{TrailOf{}, (*TrailView)(nil)}, {ReachFrom{}, (*ReachView)(nil)}, {CharacterPicture{}, Picture{}},
	}...)
}

// AskScene asks for what lies on the board.
type AskScene struct{}

// Answer implements Question.
func (AskScene) Answer(p *Page) any { return p.Scene() }

// AskState asks for the hand and what is selected.
type AskState struct{}

// Answer implements Question.
func (AskState) Answer(p *Page) any { return p.State() }

// AskPointer asks where the pointer is and what would happen there.
type AskPointer struct{}

// Answer implements Question.
func (AskPointer) Answer(p *Page) any { return p.PointerView() }

// AskPlay asks what is to be seen of the game.
type AskPlay struct{}

// Answer implements Question.
func (AskPlay) Answer(p *Page) any { return p.Play() }

// AskReplies asks for the replies to orders that were not given yet.
type AskReplies struct{}

// Answer implements Question.
func (AskReplies) Answer(p *Page) any { return p.Replies() }

// Probe is what tells whether two pages show the same document.
type Probe struct {
	Revision uint64 `json:"revision"`
	Hash     string `json:"hash"`
}

// AskProbe asks for that. The cost grows with the document.
type AskProbe struct{}

// Answer implements Question.
func (AskProbe) Answer(p *Page) any {
	sum := fnv.New128a()
	sum.Write(p.doc().Encode())
	return Probe{p.Revision(), hex.EncodeToString(sum.Sum(nil))}
}

// AskHistory asks what was done, the earliest first.
type AskHistory struct{}

// Answer implements Question.
func (AskHistory) Answer(p *Page) any { return p.Steps() }

// AskMemory asks what the game remembers beside what the player has.
type AskMemory struct{}

// Answer implements Question.
func (AskMemory) Answer(p *Page) any { return p.Memory() }

// AskKnown asks what the game remembers of the facts, and why what asks for them and sets them did or did not.
type AskKnown struct{}

// Answer implements Question.
func (AskKnown) Answer(p *Page) any { return p.Known() }

// AskAskable asks what conditions can ask for.
type AskAskable struct{}

// Answer implements Question.
func (AskAskable) Answer(p *Page) any { return p.Askable() }

// BlockPicture asks for a patch, or without one for the block in the hand, within Side pixels.
type BlockPicture struct {
	Patch ID  `json:"patch"`
	Side  int `json:"side"`
}

// Answer implements Question.
func (q BlockPicture) Answer(p *Page) any {
	return pictured(p.BlockPicture(world.ID(q.Patch), pictureSide(q.Side)))
}

// pictureSide is a side of a picture in pixels that can be made.
func pictureSide(side int) int { return min(max(side, 1), 4096) }

// CellsIn asks for the cells in a box of a layer, row by row; none of a box over 65,536 cells.
type CellsIn struct {
	Map   ID      `json:"map"`
	Layer ID      `json:"layer"`
	Box   BoxView `json:"box"`
}

func (b BoxView) rect() grid.Rect {
	corner, size := at(b.X, b.Y), at(b.W, b.H)
	return grid.Rect{X: corner.X, Y: corner.Y, W: size.X, H: size.Y}
}

// Answer implements Question.
func (q CellsIn) Answer(p *Page) any {
	return p.Cells(world.ID(q.Map), world.ID(q.Layer), q.Box.rect())
}

// LossOf asks what a map would lose at another size, in words; empty for nothing.
type LossOf struct {
	Map     ID  `json:"map"`
	Columns int `json:"columns"`
	Rows    int `json:"rows"`
	Anchor  int `json:"anchor"`
}

// Answer implements Question.
func (q LossOf) Answer(p *Page) any {
	return p.LossOf(world.ID(q.Map), q.Columns, q.Rows, q.Anchor)
}

// SizeView is a size in cells.
type SizeView struct {
	Columns int `json:"columns"`
	Rows    int `json:"rows"`
}

// WholeScreens asks for the least size of whole screens that holds so many columns and rows.
type WholeScreens struct {
	Columns int `json:"columns"`
	Rows    int `json:"rows"`
}

// Answer implements Question.
func (q WholeScreens) Answer(p *Page) any {
	w, h := p.WholeScreens(q.Columns, q.Rows)
	return SizeView{w, h}
}

// ScaledSize asks how large a map's picture would be at a scale, in words, or what keeps it from being made.
type ScaledSize struct {
	Map   ID  `json:"map"`
	Scale int `json:"scale"`
}

// Answer implements Question.
func (q ScaledSize) Answer(p *Page) any { return p.ScaledSize(world.ID(q.Map), q.Scale) }

// Lens asks what the tiles in a box of cells of a map are, a byte for each: 0 nothing, 1 all over, 2 in part.
type Lens struct {
	Map      ID      `json:"map"`
	Box      BoxView `json:"box"`
	Property string  `json:"property"`
}

// Answer implements Question.
func (q Lens) Answer(p *Page) any { return p.Lens(world.ID(q.Map), q.Box.rect(), q.Property) }

// LayerPicture asks for a layer of a map within Side pixels; without a layer all of it.
type LayerPicture struct {
	Map   ID  `json:"map"`
	Layer ID  `json:"layer"`
	Side  int `json:"side"`
}

// Answer implements Question.
func (q LayerPicture) Answer(p *Page) any {
	return pictured(p.LayerPicture(world.ID(q.Map), world.ID(q.Layer), pictureSide(q.Side)))
}

// AskTileset asks for a tileset with all its tiles.
type AskTileset struct {
	Tileset ID `json:"tileset"`
}

// Answer implements Question.
func (q AskTileset) Answer(p *Page) any { return p.Tileset(world.ID(q.Tileset)) }

// SheetShape asks for the tiles that the hand's shape takes on a sheet, between two places of it.
type SheetShape struct {
	Tileset  ID     `json:"tileset"`
	Property string `json:"property"`
	FromX    int    `json:"fromX"`
	FromY    int    `json:"fromY"`
	ToX      int    `json:"toX"`
	ToY      int    `json:"toY"`
}

// Answer implements Question.
func (q SheetShape) Answer(p *Page) any {
	return p.SheetShape(world.ID(q.Tileset), q.Property, at(q.FromX, q.FromY), at(q.ToX, q.ToY))
}

// TileCells asks how many cells hold each tile of a tileset.
type TileCells struct {
	Tileset ID `json:"tileset"`
}

// Answer implements Question.
func (q TileCells) Answer(p *Page) any { return p.TileCells(world.ID(q.Tileset)) }

// LikeColours asks for the tiles of a tileset that are most like some colours; Known colours mean what they meant last.
type LikeColours struct {
	Tileset ID    `json:"tileset"`
	Colours []int `json:"colours"`
	Known   bool  `json:"known"`
}

// Answer implements Question.
func (q LikeColours) Answer(p *Page) any {
	if q.Known {
		return p.Meant(world.ID(q.Tileset), q.Colours)
	}
	return p.Alike(world.ID(q.Tileset), q.Colours)
}

// AskUsage asks how much of what is in the drawer lies on no map.
type AskUsage struct{}

// Answer implements Question.
func (AskUsage) Answer(p *Page) any { return p.Usage() }

// DealMedley asks how a medley would lie over a box of cells.
type DealMedley struct {
	Medley Dealing `json:"medley"`
	W      int     `json:"w"`
	H      int     `json:"h"`
}

// Answer implements Question.
func (q DealMedley) Answer(p *Page) any { return p.Dealt(q.Medley, q.W, q.H) }

// SampleBond asks how a bond would lie over its sample, row by row.
type SampleBond struct {
	Bond Bonding `json:"bond"`
}

// Answer implements Question.
func (q SampleBond) Answer(p *Page) any { return p.BondSample(q.Bond) }

// ProposeBond asks which of a bond's tiles some tiles are; Join below 0 asks for the way to join as well.
type ProposeBond struct {
	Tiles []int `json:"tiles"`
	Join  int   `json:"join"`
}

// Answer implements Question.
func (q ProposeBond) Answer(p *Page) any { return p.Proposed(q.Tiles, q.Join) }

// JoinWith asks for the neighbours of a bond's tile with one of them, of 8, joined or parted.
type JoinWith struct {
	Join      int  `json:"join"`
	Joined    int  `json:"joined"`
	Neighbour int  `json:"neighbour"`
	On        bool `json:"on"`
}

// Answer implements Question.
func (q JoinWith) Answer(*Page) any {
	return int(tiles.Join(q.Join&255).With(tiles.Neighbours(q.Joined), 1<<(q.Neighbour&7), q.On))
}

// ProposeReskin asks what a re-skin of a map begins with; without a map of all.
type ProposeReskin struct {
	Map ID `json:"map"`
}

// Answer implements Question.
func (q ProposeReskin) Answer(p *Page) any { return p.ProposedReskin(world.ID(q.Map)) }

// PreviewReskin asks what a re-skin would do.
type PreviewReskin struct {
	Plan Reskin `json:"plan"`
}

// Answer implements Question.
func (q PreviewReskin) Answer(p *Page) any { return p.Reskinned(q.Plan) }

// ReskinPicture asks for a map as it would be after a re-skin; before it if that leads to no tileset.
type ReskinPicture struct {
	Plan Reskin `json:"plan"`
	Map  ID     `json:"map"`
	Side int    `json:"side"`
}

// Answer implements Question.
func (q ReskinPicture) Answer(p *Page) any {
	return pictured(p.ReskinPicture(q.Plan, world.ID(q.Map), pictureSide(q.Side)))
}

// TrailOf asks where a piece will be that goes somewhere by itself.
type TrailOf struct {
	Piece ID `json:"piece"`
}

// Answer implements Question.
func (q TrailOf) Answer(p *Page) any { return p.Trail(world.ID(q.Piece)) }

// ReachFrom asks where the player can jump to from a cell of a map.
type ReachFrom struct {
	Map ID  `json:"map"`
	X   int `json:"x"`
	Y   int `json:"y"`
}

// Answer implements Question.
func (q ReachFrom) Answer(p *Page) any { return p.Reach(world.ID(q.Map), at(q.X, q.Y)) }

// CharacterPicture asks for a frame of a character's sheet; none while it is not here.
type CharacterPicture struct {
	Character ID  `json:"character"`
	Frame     int `json:"frame"`
}

// Answer implements Question.
func (q CharacterPicture) Answer(p *Page) any {
	return pictured(p.CharacterFrame(world.ID(q.Character), q.Frame))
}
