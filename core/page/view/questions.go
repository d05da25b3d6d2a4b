package view

import (
	"encoding/hex"
	"hash/fnv"
	"math/bits"

	"azzel/core/grid"
	"azzel/core/page"
	"azzel/core/page/characters"
	"azzel/core/page/history"
	"azzel/core/page/holding"
	"azzel/core/page/maps"
	"azzel/core/page/memory"
	"azzel/core/page/pieces"
	"azzel/core/page/playing"
	"azzel/core/page/supplies"
	"azzel/core/page/tilework"
	"azzel/core/tiles"
	"azzel/core/world"
)

func init() {
	page.RegisterQuestions(
		// Views of all that is shown.
		to(AskScene{}, (*Scene)(nil)),
		to(AskState{}, (*State)(nil)),
		to(AskPointer{}, (*Pointer)(nil)),
		to(AskPlay{}, (*playing.Play)(nil)),
		to(AskReplies{}, []page.Reply{}),
		to(AskProbe{}, (*Probe)(nil)),
		to(AskHistory{}, []history.StepView{}),
		to(AskMemory{}, []page.SlipLine{}),
		to(AskKnown{}, memory.KnownView{Facts: []memory.KnownFact{}, Reasons: []memory.ReasonView{}}),
		to(memory.WhatStays{}, memory.StaysView{Anew: []bool{}, Types: []memory.StaysType{}}),
		to(AskAskable{}, (*pieces.AskableView)(nil)),
		// The hand.
		to(holding.Copied{}, holding.CopiedView{}),
		to(BlockPicture{}, page.Picture{}),
		// Maps and layers.
		to(CellsIn{}, []int{}),
		to(LossOf{}, ""),
		to(FurnishedLike{}, ""),
		to(WholeScreens{}, SizeView{}),
		to(ScaledSize{}, ""),
		to(Lens{}, []byte{}),
		to(LayerPicture{}, page.Picture{}),
		// Tiles.
		to(AskTileset{}, (*tilework.TilesetView)(nil)),
		to(SheetShape{}, []int{}),
		to(CellSizeWould{}, tilework.CellSizeView{}),
		to(TileCells{}, []int{}),
		to(LikeColours{}, []int{}),
		to(AskUsage{}, tilework.Usage{Tilesets: []tilework.UnusedTiles{}, Unused: []string{}}),
		to(DealMedley{}, supplies.Dealt{Cells: []int{}, Shares: []int{}}),
		to(SampleBond{}, []int{}),
		to(ProposeBond{}, supplies.Proposal{Tiles: []tiles.Bonded{}, Unsure: []int{}}),
		to(JoinWith{}, 0),
		to(JoinAt{}, 0),
		to(HandlesOfCut{}, []tiles.Handle{}),
		to(DragCut{}, tiles.Cut{}),
		to(ProposeReskin{}, tilework.Reskin{By: "position", Chosen: []tilework.Pair{}}),
		to(PreviewReskin{}, tilework.ReskinView{Matches: []tilework.MatchView{}}),
		to(ReskinPicture{}, page.Picture{}),
		// Pieces, characters and play.
		to(pieces.CheckWords{}, pieces.WordsView{Wrong: []string{}}),
		to(pieces.Fillings{}, []string{}),
		to(pieces.ShowNumber{}, pieces.ShownNumber{Step: 1}),
		to(pieces.StoreNumber{}, 0),
		to(pieces.WordsPicture{}, page.Picture{}),
		to(playing.ReadingPicture{}, page.Picture{}),
		to(TrailOf{}, (*pieces.TrailView)(nil)),
		to(ReachFrom{}, (*playing.ReachView)(nil)),
		to(CharacterPicture{}, page.Picture{}),
		to(pieces.PiecePicture{}, page.Picture{}),
		to(BodyOnFrame{}, (*characters.Outlined)(nil)),
	)
}

func to(q page.Question, otherwise any) page.Asking {
	return page.Asking{Question: q, Otherwise: otherwise}
}

// AskScene asks for what lies on the board: for all of it, or for those fields alone that have changed since it was asked last.
type AskScene struct {
	Changes bool `json:"changes,omitempty"`
}

// Answer implements Question.
func (q AskScene) Answer(p *page.Page) any {
	s := SceneOf(p)
	text, err := p.SentScene.Fields(s, q.Changes)
	if err != nil {
		return s
	}
	return text
}

// AskState asks for the hand and what is selected.
type AskState struct{}

// Answer implements Question.
func (AskState) Answer(p *page.Page) any { return StateOf(p) }

// AskPointer asks where the pointer is and what would happen there.
type AskPointer struct{}

// Answer implements Question.
func (AskPointer) Answer(p *page.Page) any { return PointerView(p) }

// AskPlay asks what is to be seen of the game.
type AskPlay struct{}

// Answer implements Question.
func (AskPlay) Answer(p *page.Page) any { return playing.PlayView(p) }

// AskReplies asks for the replies to orders that were not given yet.
type AskReplies struct{}

// Answer implements Question.
func (AskReplies) Answer(p *page.Page) any { return p.Replies() }

// Probe is what tells whether two pages show the same document.
type Probe struct {
	Revision uint64 `json:"revision"`
	Hash     string `json:"hash"`
}

// AskProbe asks for that. The cost grows with the document.
type AskProbe struct{}

// Answer implements Question.
func (AskProbe) Answer(p *page.Page) any {
	sum := fnv.New128a()
	sum.Write(p.Doc().Encode())
	return Probe{p.Revision(), hex.EncodeToString(sum.Sum(nil))}
}

// AskHistory asks what was done, the earliest first.
type AskHistory struct{}

// Answer implements Question.
func (AskHistory) Answer(p *page.Page) any { return history.Steps(p) }

// AskMemory asks what the game remembers beside what the player has.
type AskMemory struct{}

// Answer implements Question.
func (AskMemory) Answer(p *page.Page) any { return playing.Memory(p) }

// AskKnown asks what the game remembers of the facts, and why what asks for them and sets them did or did not.
type AskKnown struct{}

// Answer implements Question.
func (AskKnown) Answer(p *page.Page) any { return memory.Known(p) }

// AskAskable asks what conditions can ask for.
type AskAskable struct{}

// Answer implements Question.
func (AskAskable) Answer(p *page.Page) any { return pieces.Askable(p) }

// BlockPicture asks for a patch, or without one for the block in the hand, within Side pixels.
type BlockPicture struct {
	Patch page.ID `json:"patch"`
	Side  int     `json:"side"`
}

// Answer implements Question.
func (q BlockPicture) Answer(p *page.Page) any {
	return page.Pictured(holding.BlockPicture(p, world.ID(q.Patch), page.PictureSide(q.Side)))
}

// CellsIn asks for the cells in a box of a layer, row by row; none of a box over 65,536 cells.
type CellsIn struct {
	Map   page.ID      `json:"map"`
	Layer page.ID      `json:"layer"`
	Box   page.BoxView `json:"box"`
}

// Answer implements Question.
func (q CellsIn) Answer(p *page.Page) any {
	return maps.Cells(p, world.ID(q.Map), world.ID(q.Layer), q.Box.Rect())
}

// LossOf asks what a map would lose at another size, in words; empty for nothing.
type LossOf struct {
	Map     page.ID `json:"map"`
	Columns int     `json:"columns"`
	Rows    int     `json:"rows"`
	Anchor  int     `json:"anchor"`
}

// Answer implements Question.
func (q LossOf) Answer(p *page.Page) any {
	return maps.LossOf(p, world.ID(q.Map), q.Columns, q.Rows, q.Anchor)
}

// FurnishedLike asks whose ground and walls an empty map could have: the name of a map, empty for none.
type FurnishedLike struct {
	Map page.ID `json:"map"`
}

// Answer implements Question.
func (q FurnishedLike) Answer(p *page.Page) any { return maps.FurnishedLike(p, world.ID(q.Map)) }

// CellSizeWould asks what it would do if the project's cells had another size in pixels.
type CellSizeWould struct {
	W int `json:"w"`
	H int `json:"h"`
}

// Answer implements Question.
func (q CellSizeWould) Answer(p *page.Page) any { return tilework.CellSizeWould(p, q.W, q.H) }

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
func (q WholeScreens) Answer(p *page.Page) any {
	w, h := maps.WholeScreens(p, q.Columns, q.Rows)
	return SizeView{w, h}
}

// ScaledSize asks how large a map's picture would be at a scale, in words, or what keeps it from being made.
type ScaledSize struct {
	Map   page.ID `json:"map"`
	Scale int     `json:"scale"`
}

// Answer implements Question.
func (q ScaledSize) Answer(p *page.Page) any { return maps.ScaledSize(p, world.ID(q.Map), q.Scale) }

// Lens asks what the tiles in a box of cells of a map are, a byte for each: 0 nothing, 1 all over, 2 in part.
type Lens struct {
	Map      page.ID      `json:"map"`
	Box      page.BoxView `json:"box"`
	Property string       `json:"property"`
}

// Answer implements Question.
func (q Lens) Answer(p *page.Page) any {
	return maps.Lens(p, world.ID(q.Map), q.Box.Rect(), q.Property)
}

// LayerPicture asks for a layer of a map within Side pixels; without a layer all of it.
type LayerPicture struct {
	Map   page.ID `json:"map"`
	Layer page.ID `json:"layer"`
	Side  int     `json:"side"`
}

// Answer implements Question.
func (q LayerPicture) Answer(p *page.Page) any {
	return page.Pictured(maps.LayerPicture(p, world.ID(q.Map), world.ID(q.Layer), page.PictureSide(q.Side)))
}

// AskTileset asks for a tileset with all its tiles.
type AskTileset struct {
	Tileset page.ID `json:"tileset"`
}

// Answer implements Question.
func (q AskTileset) Answer(p *page.Page) any { return tilework.Tileset(p, world.ID(q.Tileset)) }

// SheetShape asks for the tiles that the hand's shape takes on a sheet, between two places of it.
type SheetShape struct {
	Tileset  page.ID `json:"tileset"`
	Property string  `json:"property"`
	FromX    int     `json:"fromX"`
	FromY    int     `json:"fromY"`
	ToX      int     `json:"toX"`
	ToY      int     `json:"toY"`
}

// Answer implements Question.
func (q SheetShape) Answer(p *page.Page) any {
	return tilework.SheetShape(p, world.ID(q.Tileset), q.Property, page.At(q.FromX, q.FromY), page.At(q.ToX, q.ToY))
}

// TileCells asks how many cells hold each tile of a tileset.
type TileCells struct {
	Tileset page.ID `json:"tileset"`
}

// Answer implements Question.
func (q TileCells) Answer(p *page.Page) any { return tilework.TileCells(p, world.ID(q.Tileset)) }

// LikeColours asks for the tiles of a tileset that are most like some colours; Known colours mean what they meant last.
type LikeColours struct {
	Tileset page.ID `json:"tileset"`
	Colours []int   `json:"colours"`
	Known   bool    `json:"known"`
}

// Answer implements Question.
func (q LikeColours) Answer(p *page.Page) any {
	if q.Known {
		return tilework.Meant(p, world.ID(q.Tileset), q.Colours)
	}
	return tilework.Alike(p, world.ID(q.Tileset), q.Colours)
}

// AskUsage asks how much of what is in the drawer lies on no map.
type AskUsage struct{}

// Answer implements Question.
func (AskUsage) Answer(p *page.Page) any { return tilework.UsageOf(p) }

// DealMedley asks how a medley would lie over a box of cells.
type DealMedley struct {
	Medley supplies.Dealing `json:"medley"`
	W      int              `json:"w"`
	H      int              `json:"h"`
}

// Answer implements Question.
func (q DealMedley) Answer(p *page.Page) any { return supplies.DealtOver(p, q.Medley, q.W, q.H) }

// SampleBond asks how a bond would lie over its sample, row by row.
type SampleBond struct {
	Bond supplies.Bonding `json:"bond"`
}

// Answer implements Question.
func (q SampleBond) Answer(p *page.Page) any { return supplies.BondSample(p, q.Bond) }

// ProposeBond asks which of a bond's tiles some tiles are; Join below 0 asks for the way to join as well.
type ProposeBond struct {
	Tiles []int `json:"tiles"`
	Join  int   `json:"join"`
}

// Answer implements Question.
func (q ProposeBond) Answer(p *page.Page) any { return supplies.Proposed(p, q.Tiles, q.Join) }

// JoinWith asks for the neighbours of a bond's tile with one of them, of 8, joined or parted.
type JoinWith struct {
	Join      int  `json:"join"`
	Joined    int  `json:"joined"`
	Neighbour int  `json:"neighbour"`
	On        bool `json:"on"`
}

// Answer implements Question.
func (q JoinWith) Answer(*page.Page) any {
	return int(tiles.Join(q.Join&255).With(tiles.Neighbours(q.Joined), 1<<(q.Neighbour&7), q.On))
}

// JoinAt asks which neighbour, by its bit, a place on a bond's tile stands for; places are 0 to 1 to the right and down.
type JoinAt struct {
	Join int     `json:"join"`
	X    float64 `json:"x"`
	Y    float64 `json:"y"`
}

// Answer implements Question.
func (q JoinAt) Answer(*page.Page) any {
	return bits.TrailingZeros8(uint8(tiles.Join(q.Join&255).At(q.X, q.Y)))
}

// HandlesOfCut asks for the points on a picture that are dragged to change its cut.
type HandlesOfCut struct {
	Cut    tiles.Cut `json:"cut"`
	Width  int       `json:"width"`
	Height int       `json:"height"`
}

// Answer implements Question.
func (q HandlesOfCut) Answer(*page.Page) any { return q.Cut.Handles(q.Width, q.Height) }

// DragCut asks for a cut after one of its handles was dragged to a pixel of the picture.
type DragCut struct {
	HandlesOfCut
	Part tiles.CutPart `json:"part"`
	X    int           `json:"x"`
	Y    int           `json:"y"`
}

// Answer implements Question.
func (q DragCut) Answer(*page.Page) any {
	return q.Cut.Dragged(q.Part, grid.Point{X: q.X, Y: q.Y}, q.Width, q.Height)
}

// ProposeReskin asks what a re-skin of a map begins with; without a map of all.
type ProposeReskin struct {
	Map page.ID `json:"map"`
}

// Answer implements Question.
func (q ProposeReskin) Answer(p *page.Page) any { return tilework.ProposedReskin(p, world.ID(q.Map)) }

// PreviewReskin asks what a re-skin would do.
type PreviewReskin struct {
	Plan tilework.Reskin `json:"plan"`
}

// Answer implements Question.
func (q PreviewReskin) Answer(p *page.Page) any { return tilework.Reskinned(p, q.Plan) }

// ReskinPicture asks for a map as it would be after a re-skin; before it if that leads to no tileset.
type ReskinPicture struct {
	Plan tilework.Reskin `json:"plan"`
	Map  page.ID         `json:"map"`
	Side int             `json:"side"`
}

// Answer implements Question.
func (q ReskinPicture) Answer(p *page.Page) any {
	return page.Pictured(tilework.ReskinPicture(p, q.Plan, world.ID(q.Map), page.PictureSide(q.Side)))
}

// TrailOf asks where a piece will be that goes somewhere by itself.
type TrailOf struct {
	Piece page.ID `json:"piece"`
}

// Answer implements Question.
func (q TrailOf) Answer(p *page.Page) any { return pieces.Trail(p, world.ID(q.Piece)) }

// ReachFrom asks where the player can jump to from a cell of a map.
type ReachFrom struct {
	Map page.ID `json:"map"`
	X   int     `json:"x"`
	Y   int     `json:"y"`
}

// Answer implements Question.
func (q ReachFrom) Answer(p *page.Page) any {
	return playing.Reach(p, world.ID(q.Map), page.At(q.X, q.Y))
}

// CharacterPicture asks for a frame of a character's sheet; none while it is not here.
type CharacterPicture struct {
	Character page.ID `json:"character"`
	Frame     int     `json:"frame"`
}

// Answer implements Question.
func (q CharacterPicture) Answer(p *page.Page) any {
	return page.Pictured(characters.CharacterFrame(p, world.ID(q.Character), q.Frame))
}

// BodyOnFrame asks for the body of a character from the side or from above, as it lies on a frame, after a part of it was
// dragged to a place there.
type BodyOnFrame struct {
	Character page.ID             `json:"character"`
	Above     bool                `json:"above"`
	Part      characters.BodyPart `json:"part"`
	X         float64             `json:"x"`
	Y         float64             `json:"y"`
}

// Answer implements Question.
func (q BodyOnFrame) Answer(p *page.Page) any {
	c := p.Doc().Character(world.ID(q.Character))
	if c == nil {
		return (*characters.Outlined)(nil)
	}
	at := characters.BodyOf(p.Doc(), c, q.Above).Dragged(q.Part, q.X, q.Y, c.W, c.H)
	return &at
}
