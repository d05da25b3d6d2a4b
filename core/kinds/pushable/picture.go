package pushable

import "azzel/core/kind"

// A crate of slats.
var picture = []kind.Shape{
	{0, 4, 16, 16, 0x4f3526}, {1, 5, 14, 14, 0x9d6f4f}, {1, 9, 14, 1, 0x7a5439}, {1, 14, 14, 1, 0x7a5439}, {2, 5, 2, 14, 0xb98a66}, {12, 5, 2, 14, 0xc9a876}, {7, 11, 2, 2, 0x4f3526},
}
