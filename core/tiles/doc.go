// Package tiles knows tilesets: reading a picture, cutting it into tiles, what
// each tile is for, and the blockout tiles that every project starts with. It
// does not know where tiles are laid.
package tiles
