package foe

import "azzel/core/kind"

// A slug, looking to the right.
var picture = []kind.Shape{
	{2, 13, 9, 6, 0x6f7f4a}, {1, 16, 13, 3, 0x7f9155}, {0, 18, 15, 2, 0x596539}, {10, 12, 4, 5, 0x7f9155}, {12, 8, 1, 4, 0x7f9155}, {14, 9, 1, 4, 0x7f9155}, {12, 8, 1, 1, 0x2b2a33}, {14, 9, 1, 1, 0x2b2a33}, {4, 14, 4, 2, 0x8fa065},
}
