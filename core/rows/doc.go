// Package rows writes cells as rows of text that a person can read and change, and
// reads them. It knows nothing of tilesets beyond the short names it is given.
package rows
