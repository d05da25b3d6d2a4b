// Package board knows maps as they lie together on the board: where a new one
// has room, where crossings let one arrive, and how their lines run. All it
// gives is derived from a document and never stored.
package board
