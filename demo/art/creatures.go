package art

import "image"

// A Creature is an animal of the night: two frames in which it goes to the east.
type Creature int

// The creatures.
const (
	Moth Creature = iota
	Hedgehog
	Beetle
)

// The size of their frames in pixels, and how many there are.
const (
	CreatureWidth  = 16
	CreatureHeight = 12
	CreatureFrames = 2
)

var creatures = [...][CreatureFrames][]string{
	Moth: {
		{
			"...ooo...ooo....",
			"..oPPPo.oPPPo...",
			"..oPyPPoPPyPo...",
			"..oPPPPoPPPPo...",
			"...oPPowoPPo....",
			"....oowwwoo.....",
			"...opowwwopoK...",
			"...oPPowoPPo....",
			"....oo.w.oo.....",
		},
		{
			"",
			"",
			"......K.K.......",
			"....oowwwoo.....",
			"..ooPowwwoPoo...",
			".oPPPPowoPPPPo..",
			".oPyPPowoPPyPo..",
			".oPPPo.w.oPPPo..",
			"..ooo.....ooo...",
		},
	},
	Hedgehog: {
		{
			"",
			"",
			".....e.e.e......",
			"...ewewewewe....",
			"..ewewewewewe...",
			".ewewewewewew...",
			".wewewewewewnn..",
			".ewewewewewnnKn.",
			".wewewewewnnnnnK",
			"..eeeeeeennnnn..",
			"...w..w..w..w...",
			"...w..w...w..w..",
		},
		{
			"",
			"",
			"....e.e.e.e.....",
			"...wewewewew....",
			"..wewewewewew...",
			".wewewewewewe...",
			".ewewewewewwnn..",
			".wewewewewennKn.",
			".ewewewewwnnnnnK",
			"..eeeeeeennnnn..",
			"....w..w..w..w..",
			"....w..w.w..w...",
		},
	},
	Beetle: {
		{
			"",
			"",
			"..............K.",
			"....dddddd...K..",
			"...dlLddlLdsKK..",
			"..dlLLddlLLdss..",
			"..dlLddddlLdsssK",
			"..dllddddlldss..",
			"...dddddddddKK..",
			"..K...K...K..K..",
			".K...K....K...K.",
		},
		{
			"",
			"",
			".............KK.",
			"....dddddd..K...",
			"...dlLddlLdsKK..",
			"..dlLLddlLLdss..",
			"..dlLddddlLdsssK",
			"..dllddddlldss..",
			"...dddddddddK.K.",
			"...K...K...K....",
			"...K....K..K....",
		},
	},
}

// Draw draws the frames of a creature beside each other.
func (c Creature) Draw() *image.NRGBA {
	img := image.NewNRGBA(image.Rect(0, 0, CreatureFrames*CreatureWidth, CreatureHeight))
	for frame, rows := range creatures[c] {
		part(img, frame*CreatureWidth, 0, CreatureWidth, CreatureHeight, 0).rows(0, 0, rows...)
	}
	return img
}

// PNG is a creature as a file.
func (c Creature) PNG() ([]byte, error) { return file(c.Draw()) }
