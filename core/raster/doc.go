// Package raster reads picture files. It is the front door for all that comes
// from outside: what it reads was measured first. It knows nothing of tiles.
package raster
