package gate

import "azzel/core/kind"

// Bars of iron between two rails.
var bars = []kind.Shape{
	{0, 4, 16, 2, 0x2a3330}, {0, 18, 16, 2, 0x2a3330}, {0, 11, 16, 1, 0x2a3330}, {1, 4, 2, 16, 0x4e5c57}, {5, 4, 2, 16, 0x4e5c57}, {9, 4, 2, 16, 0x4e5c57}, {13, 4, 2, 16, 0x4e5c57},
	{1, 4, 1, 16, 0x6f807a}, {5, 4, 1, 16, 0x6f807a}, {9, 4, 1, 16, 0x6f807a}, {13, 4, 1, 16, 0x6f807a},
}
