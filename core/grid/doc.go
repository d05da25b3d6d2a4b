// Package grid knows cells and where they lie: points, boxes, the mapping
// between cells and pixels, planes of cells stored in chunks, regions, shapes
// and filling. It knows nothing of what a cell shows or means.
package grid
