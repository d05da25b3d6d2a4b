package kind

import "fmt"

// A Moment is something that can happen: to a piece, of the kinds that declare it, or to the player.
type Moment struct {
	// Number is its number over all kinds, and never used again; those of the player begin at 1,000.
	Number int
	// Word is its name in files, Name what people read, as what happened to the piece.
	Word, Name string
}

// A Change is a way in which the own state of a piece can go.
type Change struct {
	From, To *State
	// By is the moment at which it goes so.
	By *Moment
	// Needs are the properties that say what must have come before, Gives those that say what the player gets.
	Needs, Gives []*Prop
	// Lasting says that it stays so for as long as the game is played.
	Lasting bool
}

var (
	moments     = map[int]*Moment{}
	momentWords = map[string]*Moment{}
)

// MomentOf finds a moment by its number; nil if nothing declares it.
func MomentOf(number int) *Moment { return moments[number] }

// MomentNamed finds a moment by its word; nil if nothing declares it.
func MomentNamed(word string) *Moment { return momentWords[word] }

// RegisterMoments adds moments that befall no piece, at start. It panics if a number or word is that of another.
func RegisterMoments(list ...*Moment) {
	for _, m := range list {
		if n, o := moments[m.Number], momentWords[m.Word]; n != nil && n != m || o != nil && o != m {
			panic(fmt.Sprintf("two moments have the number %d or the word %q", m.Number, m.Word))
		}
		moments[m.Number], momentWords[m.Word] = m, m
	}
}
