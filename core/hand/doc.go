// Package hand turns what a designer does with pointer or keys into one edit:
// what is held, where it would go (the ghost), and gestures that begin, move
// and end or are given up. It draws nothing and sends nothing.
package hand
