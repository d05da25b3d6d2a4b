package conveyor

import "azzel/core/kind"

// A belt over rollers, one cell of it.
var side = []kind.Shape{
	{0, 12, 16, 3, 0x3b3f46}, {0, 12, 16, 1, 0x767c85}, {2, 12, 2, 1, 0xc9a876}, {10, 12, 2, 1, 0xc9a876}, {1, 15, 4, 4, 0x5a5f66}, {2, 16, 2, 2, 0x8d949e}, {9, 15, 4, 4, 0x5a5f66}, {10, 16, 2, 2, 0x8d949e}, {0, 19, 16, 1, 0x2f3a44},
}

// From above, ribs across a belt.
var above = []kind.Shape{
	{0, 4, 16, 16, 0x2f3a44}, {0, 5, 16, 14, 0x464a50}, {1, 5, 1, 14, 0x767c85}, {5, 5, 1, 14, 0x767c85}, {9, 5, 1, 14, 0x767c85}, {13, 5, 1, 14, 0x767c85}, {3, 11, 2, 2, 0xc9a876}, {11, 11, 2, 2, 0xc9a876},
}
