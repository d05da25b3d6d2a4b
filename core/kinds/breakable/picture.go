package breakable

import "azzel/core/kind"

// A pane of frosted glass in a frame.
var picture = []kind.Shape{
	{0, 4, 16, 16, 0x5a5f66}, {1, 5, 14, 14, 0xaebfc2}, {2, 6, 5, 12, 0xc3d2d3}, {9, 6, 5, 12, 0xc3d2d3}, {7, 5, 2, 14, 0x8d949e}, {3, 8, 1, 4, 0xe6efef}, {11, 9, 2, 1, 0x93a5a9}, {12, 10, 1, 3, 0x93a5a9},
}
