package hazard

import "azzel/core/kind"

// Thorns.
var picture = []kind.Shape{
	{2, 10, 1, 10, 0x4f6b3a}, {7, 7, 1, 13, 0x4f6b3a}, {12, 11, 1, 9, 0x4f6b3a}, {0, 13, 3, 1, 0xc4736f}, {3, 11, 2, 1, 0xc4736f},
	{5, 10, 2, 1, 0xc4736f}, {8, 9, 2, 1, 0xc4736f}, {8, 14, 3, 1, 0xc4736f}, {10, 12, 2, 1, 0xc4736f}, {13, 13, 3, 1, 0xc4736f},
	{4, 16, 3, 1, 0xc4736f},
}
