package collectible

import "azzel/core/kind"

// A plant label of brass.
var picture = []kind.Shape{
	{4, 7, 8, 7, 0x8a5a2b}, {5, 8, 6, 5, 0xffdf86}, {5, 12, 6, 1, 0xc08f4f},
	{6, 9, 4, 1, 0x8a5a2b}, {6, 11, 3, 1, 0x8a5a2b}, {5, 8, 2, 1, 0xfff4cf},
	{7, 14, 2, 5, 0xc08f4f}, {8, 14, 1, 5, 0x8a5a2b}, {7, 19, 1, 1, 0x8a5a2b},
}
