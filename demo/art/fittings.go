package art

import "image"

// A Fitting is what something that is placed in the glasshouse looks like in one of its states.
type Fitting int

// The fittings, by their places in their picture.
const (
	LabelBrass Fitting = iota
	Fuse
	LanternOut
	LanternLow
	LanternLit
	CrateOfBulbs
	PaneFrosted
	GateWay
	DoorShut
	DoorAjar
	DoorBarred
	CabinetShut
	CabinetBare
	BinFull
	BinEmpty
	PlateUp
	PlateDown
	HandleLeft
	HandleRight
	Bars
	NoticeNew
	NoticeRead
	Sweeper
	SweeperTurned
	Stoker
	StokerTurned
	Slug
	SlugLong
	Pitcher
	PitcherOpen
	ThornBush
	PipeJoint
	PipeDrip
	Coil
	Raft
	Basket
	LilyLeaf
	Belt
	belt1
	belt2
	belt3
	fittingEnd
)

// FittingRows is how many rows of Columns tiles their picture has.
const FittingRows = (int(fittingEnd) + Columns - 1) / Columns

// fittings are what they are called, and how they are drawn.
var fittings = [fittingEnd]struct {
	name string
	draw func(c canvas)
}{
	LabelBrass: {"brass label", drawn(4, 2, "wwwwwwww", "wyyyyyyw", "wywwwwyw", "wyyyyyyw", "wywwwyyw", "wyyyyyyw", "wwwwwwww", "...oo...", "...oo...", "...ow...", "...ow...", "...ow...", "....w...")},
	Fuse:       {"spare fuse", drawn(3, 5, "..ssssss..", ".sGggggGs.", "dsgyoyogsd", "dsgoyoygsd", ".sGggggGs.", "..ssssss..", "...rrrr...")},
	LanternOut: {"lantern, out", func(c canvas) { lantern(c, slate, ink) }},
	LanternLow: {"lantern, low", func(c canvas) { lantern(c, straw, brass) }},
	LanternLit: {"lantern, lit", func(c canvas) {
		lantern(c, brass, cream)
		for _, ray := range [][2]int{{2, 2}, {1, 5}, {13, 2}, {14, 5}} {
			c.dot(ray[0], ray[1], brass)
		}
	}},
	CrateOfBulbs: {"crate of bulbs", func(c canvas) {
		crate(c, 1, 1)
		c.rows(3, 1, ".Yo.oY.oYo", "oPPoPPoPPo")
	}},
	PaneFrosted: {"frosted pane", func(c canvas) {
		c.box(0, 0, 16, 16, slate)
		c.box(1, 1, 14, 14, glass)
		c.box(2, 2, 5, 12, glint)
		c.box(9, 2, 5, 12, glint)
		c.speckle(2, 2, 12, 12, 16, cream, steel)
		c.box(7, 1, 2, 14, slate)
	}},
	GateWay: {"night gate", func(c canvas) {
		c.box(1, 1, 2, 15, slate)
		c.box(13, 1, 2, 15, slate)
		c.box(1, 0, 14, 2, steel)
		c.box(3, 3, 2, 12, glass)
		c.box(11, 3, 2, 12, glass)
		c.rows(6, 9, ".yy.", "yyyy", ".yy.", ".yy.", ".yy.")
	}},
	DoorShut: {"shed door, shut", func(c canvas) { boards(c, 0, 16) }},
	DoorAjar: {"shed door, open", func(c canvas) {
		boards(c, 0, 3)
		c.box(13, 0, 3, 16, bark)
		c.box(3, 0, 10, 1, bark)
	}},
	DoorBarred: {"shed door, locked", func(c canvas) {
		boards(c, 0, 16)
		c.box(0, 7, 16, 2, steel)
		c.rows(6, 5, ".ss.", "s..s", "yyyy", "yKKy", "yyyy")
	}},
	CabinetShut: {"cabinet, shut", func(c canvas) { cabinet(c, false) }},
	CabinetBare: {"cabinet, empty", func(c canvas) { cabinet(c, true) }},
	BinFull:     {"leaf bin, full", drawn(2, 2, "...Y.oL.Y...", "..LYLoYLLo..", "oooooooooooo", "wWWwWWwWWwWw", "wWWwWWwWWwWw", "oooooooooooo", "wWWwWWwWWwWw", "wWWwWWwWWwWw", "wWWwWWwWWwWw", "oooooooooooo", ".wWwWWwWWww.", ".rrrrrrrrrr.")},
	BinEmpty:    {"leaf bin, empty", drawn(2, 2, "............", "............", "oooooooooooo", "oKKKKKKKKKKo", "wWWwWWwWWwWw", "oooooooooooo", "wWWwWWwWWwWw", "wWWwWWwWWwWw", "wWWwWWwWWwWw", "oooooooooooo", ".wWwWWwWWww.", ".rrrrrrrrrr.")},
	PlateUp:     {"plate", drawn(1, 3, "dddddddddddddd", "dyyyyyyyyyyyyd", "dyoooooooooowd", "dyoooooooooowd", "dyoooooooooowd", "dyoooooooooowd", "dyoooooooooowd", "dwwwwwwwwwwwwd", "dddddddddddddd")},
	PlateDown:   {"plate, pressed", drawn(1, 3, "dddddddddddddd", "dwwwwwwwwwwwwd", "dwwwwwwwwwwwwd", "dwoooooooooood", "dwoooooooooood", "dwoooooooooood", "dwoooooooooood", "dooooooooooood", "dddddddddddddd")},
	HandleLeft:  {"handle to the left", drawn(1, 1, "bb............", "bBB...........", ".sss..........", "...ss.........", "....sss.......", ".....sss......", "....dddddd....", "...dssssssd...", "...ddddddddd..", "..drrrrrrrrd..", "..dddddddddd..")},
	HandleRight: {"handle to the right", drawn(1, 1, "............yy", "...........yyo", "..........sss.", ".........ss...", ".......sss....", "......sss.....", "....dddddd....", "...dssssssd...", "...ddddddddd..", "..drrrrrrrrd..", "..dddddddddd..")},
	Bars: {"grille", func(c canvas) {
		c.box(0, 1, 16, 2, ink)
		c.box(0, 13, 16, 2, ink)
		for x := 1; x < 16; x += 4 {
			c.box(x, 0, 2, 16, slate)
			c.box(x, 0, 1, 16, steel)
		}
	}},
	NoticeNew:     {"notice", drawn(2, 1, "oooooooooooo", "oPPPPPPPPPPo", "oPdddddddPPo", "oPPPPPPPPPPo", "oPdddddPPPPo", "oPPPPPPPPPPo", "oPddddddddPo", "oPPPPPPPPPPo", "oooooooooooo", ".....ww.....", ".....ww.....", ".....ww.....", "....rwwr....")},
	NoticeRead:    {"notice, read", drawn(2, 1, "oooooooooooo", "oPPPPPPPPPPo", "oPdddddddPPo", "oPPPPPPPPLPo", "oPdddddPLPPo", "oPPPLPPLPPPo", "oPddLLLPPPPo", "oPPPPLPPPPPo", "oooooooooooo", ".....ww.....", ".....ww.....", ".....ww.....", "....rwwr....")},
	Sweeper:       {"sweeper", func(c canvas) { keeper(c, pond, 0) }},
	SweeperTurned: {"sweeper, turned", func(c canvas) { keeper(c, pond, 1) }},
	Stoker:        {"stoker", func(c canvas) { keeper(c, brick, 0) }},
	StokerTurned:  {"stoker, turned", func(c canvas) { keeper(c, brick, 1) }},
	Slug:          {"slug", drawn(1, 8, "..........L..L", "..........L..L", "....LLLL..LLL.", "..LLYYLLLLLLL.", ".LLLYLLLLLLLL.", "lLLLLLLLLLLLl.", "llllllllllllll")},
	SlugLong:      {"slug, stretched", drawn(0, 8, "...........L..L.", "...........L..L.", ".....LLL...LLL..", "..LLLYYLLLLLLLL.", "LLLLLYLLLLLLLLL.", "lLLLLLLLLLLLLLl.", "llllllllllllllll")},
	Pitcher:       {"pitcher plant", drawn(3, 1, ".LLLL.....", "LYYYYL....", ".LLLYLL...", "..YkkkL...", "..YkbkL...", "..YkkbL...", "..YkbkL...", "..LkkkL...", "...LkL....", "...LL..LL.", ".LL.L.LYL.", "LYLLLLLL..", ".LLLLLL...", "..oooooo..", "..oBBBBb..")},
	PitcherOpen:   {"pitcher plant, open", drawn(3, 1, "LL........", "LYL.......", ".LYL......", "..bbbbb...", "..YkkkL...", "..YkkbL...", "..YkbkL...", "..LkkkL...", "...LkL....", "...LL..LL.", ".LL.L.LYL.", "LYLLLLLL..", ".LLLLLL...", "..oooooo..", "..oBBBBb..")},
	ThornBush:     {"thorns", drawn(0, 3, "..k....L....k...", "..Lk..LL...kL...", "..LL..Lk....L.k.", "k..L..L..kL.L.L.", "LL.Lk.L..LL.LLL.", ".LLL..Lk.L..L...", "k.LL..L.LLk.L..k", "LL.L.LLLL..LLLLL", ".LLLLlLLlLLLlLL.", "..lLLlLLlLLlLl..", "...lllllllllll..")},
	PipeJoint:     {"pipe joint", drawn(2, 0, "....dssd....", "....dssd....", "....dssd....", "..oooooooo..", "..oyyyyyyo..", "..wwwwwwww..", "...dsssd....", "...dKKKd....", "....KKK.....")},
	PipeDrip:      {"pipe joint, dripping", drawn(2, 0, "....dssd....", "....dssd....", "....dssd....", "..oooooooo..", "..oyyyyyyo..", "..wwwwwwww..", "...dsssd....", "...dKKKd....", "....KAK.....", ".....A......", "....AAA.....", ".....A......")},
	Coil:          {"coil", drawn(1, 2, "oooooooooooooo", "wwwwwwwwwwwwww", ".ss........ss.", "...sss..sss...", "......ss......", "...sss..sss...", ".ss........ss.", "...sss..sss...", "......ss......", "...sss..sss...", ".ss........ss.", "dddddddddddddd", "dddddddddddddd")},
	Raft:          {"raft of planks", drawn(0, 0, "oooooooooooooooo", "WWWWWWWwWWWWWWWW", "WWWWWWWwWWWWWWWW", "wwwwwwwwwwwwwwww", "WWWwWWWWWWWWwWWW", "WWWwWWWWWWWWwWWW", "wwwwwwwwwwwwwwww", "WWWWWWWWwWWWWWWW", "WWWWWWWWwWWWWWWW", "wwwwwwwwwwwwwwww", "WWWWwWWWWWWWWWWW", "WWWWwWWWWWWWWWWW", "bbbbbbbbbbbbbbbb", "KKKKKKKKKKKKKKKK", ".dd..........dd.", ".dd..........dd.")},
	Basket:        {"hanging basket", drawn(2, 0, ".....ds.....", "....d..s....", "...d....s...", "..LY.YL.YL..", ".LYLkLYLLYL.", "LLoooooooLLL", "YLoBBBBBbLLY", "L.oBoBBBb.LL", "L..BBBBb..L.", "LY..bbb..LYL", ".L.......L.L", "LL.......LY.", ".Y........L.")},
	LilyLeaf:      {"lily leaf", drawn(2, 5, "...LLLLLL...", ".LLLYYLLLLL.", "LLLYLLLLLLLL", "LLLLLLL..LLL", ".LLLLLLLlll.", "...llllll...")},
	Belt:          {"belt", func(c canvas) { belt(c, 0) }},
	belt1:         {"belt, frame 2", func(c canvas) { belt(c, 1) }},
	belt2:         {"belt, frame 3", func(c canvas) { belt(c, 2) }},
	belt3:         {"belt, frame 4", func(c canvas) { belt(c, 3) }},
}

// BeltFrames is how many frames a belt has, from Belt on, in which it runs to the east.
const BeltFrames = 4

func belt(c canvas, frame int) {
	c.box(0, 1, 16, 14, ink)
	c.box(0, 2, 16, 12, slate)
	for x := range 4 {
		c.box((x*4+frame)%16, 2, 1, 12, steel)
	}
	for x := range 2 {
		c.box((x*8+2+frame)%16, 7, 1, 2, brass)
	}
	c.box(0, 1, 16, 1, straw)
	c.box(0, 14, 16, 1, bark)
}

func drawn(x, y int, rows ...string) func(c canvas) {
	return func(c canvas) { c.rows(x, y, rows...) }
}

func lantern(c canvas, pane, flame uint32) {
	c.rows(4, 0, "..dddd..", ".d....d.", "ssssssss")
	c.box(5, 3, 6, 6, pane)
	c.box(6, 4, 4, 4, flame)
	c.box(4, 3, 1, 6, steel)
	c.box(11, 3, 1, 6, slate)
	c.rows(4, 9, "ssssssss", "...ss...", "...sd...", "...sd...", "...sd...", "..ssdd..", ".rrrrrr.")
}

func boards(c canvas, x, w int) {
	c.box(x, 0, w, 16, bark)
	for i := 1; i < w-1; i += 5 {
		c.box(x+i, 1, min(4, w-1-i), 15, wood)
		c.box(x+i, 1, 1, 15, straw)
	}
	if w > 8 {
		c.box(x+1, 3, 6, 1, slate)
		c.box(x+1, 12, 6, 1, slate)
		c.box(x+12, 8, 2, 2, brass)
	}
}

func cabinet(c canvas, bare bool) {
	c.box(1, 0, 14, 15, ink)
	if bare {
		c.box(3, 2, 10, 12, slate)
		c.box(3, 5, 10, 1, steel)
		c.box(3, 9, 10, 1, steel)
		c.box(1, 1, 2, 14, shade)
		c.box(13, 1, 2, 14, shade)
	} else {
		c.box(2, 1, 6, 13, leaf)
		c.box(9, 1, 5, 13, shade)
		c.box(3, 3, 4, 9, shade)
		c.box(10, 3, 3, 9, leaf)
		c.box(7, 7, 1, 2, brass)
		c.box(9, 7, 1, 2, brass)
	}
	c.box(2, 15, 2, 1, ink)
	c.box(12, 15, 2, 1, ink)
}

// keeper is somebody who works in the glasshouse, in an apron of a colour, with one foot forward.
func keeper(c canvas, apron uint32, step int) {
	c.rows(4, 0, "..oooo..", ".osssso.", "oooooooo")
	c.box(5, 3, 6, 3, skin)
	c.dot(6, 4, ink)
	c.dot(9, 4, ink)
	c.box(4, 6, 8, 6, apron)
	c.box(6, 7, 4, 6, cream)
	c.box(3, 7, 1, 4, apron)
	c.box(12, 7, 1, 4, apron)
	c.box(5, 13, 2, 3-step, ink)
	c.box(9, 13, 2, 2+step, ink)
}

// FittingName is what a fitting is called.
func FittingName(f Fitting) string { return fittings[f].name }

// Fittings draws all fittings, row by row, each on nothing.
func Fittings() *image.NRGBA {
	img := image.NewNRGBA(image.Rect(0, 0, Columns*Side, FittingRows*Side))
	for f := range fittingEnd {
		place := int(f)
		fittings[f].draw(part(img, place%Columns*Side, place/Columns*Side, Side, Side, uint64(900+place)))
	}
	return img
}

// FittingsPNG is their picture as a file.
func FittingsPNG() ([]byte, error) { return file(Fittings()) }
