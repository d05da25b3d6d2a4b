// Package play runs the game: whole numbers only, no clock and no chance of its
// own, so that the same document, start and inputs give the same state
// everywhere. It does not draw, and never changes the document.
package play
