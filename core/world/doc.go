// Package world is the document: a project with its tilesets, maps, layers,
// pieces and crossings. A Document never changes; a Draft makes the next one,
// sharing all that stayed the same, so that a snapshot costs nothing. The
// package holds documents against the limits and against themselves. It does
// not know about undo, play or drawing.
package world
