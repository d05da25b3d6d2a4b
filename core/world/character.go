package world

// CharacterFrames is how many frames of walking a character without poses has in each of
// the four directions; the first one stands.
const CharacterFrames = 4

// A Character is somebody with a name, moving pictures and a way of moving.
type Character struct {
	ID     ID
	Name   string
	Number int
	Movement
	// Picture and Strip are the SHA-256 sums of the picture as it came in and of
	// its frames in the encoding of tiles.Strip. Without them one is seen as the built-in
	// figure.
	Picture, Strip string
	// W and H are the size of a frame in pixels, 0 without a picture.
	W, H int
	// Count is how many frames there are; 0 stands for CharacterFrames for each facing, in the
	// order of the facings.
	Count int
	// FootX and FootY are where in a frame the foot is, in pixels to the right of the middle of
	// its lower edge and up from it.
	FootX, FootY int
	// Poses say what the frames show.
	Poses []Pose
	// Begins is what they have when play begins, each item once.
	Begins []Stock
}

// Character finds a character; nil if there is none.
func (d *Document) Character(id ID) *Character {
	return byID(d.Characters, id, func(c *Character) ID { return c.ID })
}
