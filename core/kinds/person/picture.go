package person

import "azzel/core/kind"

// Somebody of the glasshouse, in an apron, with a straw hat.
var gardener = []kind.Shape{
	{5, 1, 6, 2, 0xd9b86a}, {3, 3, 10, 1, 0xc29f55}, {5, 4, 6, 4, 0xe0b48c}, {6, 5, 1, 1, 0x2f3a35}, {9, 5, 1, 1, 0x2f3a35},
	{4, 8, 8, 7, 0x7a8f6a}, {5, 9, 6, 7, 0xd8d3c4}, {3, 9, 1, 5, 0x6b7f5c}, {12, 9, 1, 5, 0x6b7f5c}, {5, 16, 2, 4, 0x4a3c30}, {9, 16, 2, 4, 0x4a3c30},
}
