package exit

import "azzel/core/kind"

// An open gate.
var picture = []kind.Shape{
	{1, 4, 2, 16, 0x5a5f66}, {13, 4, 2, 16, 0x5a5f66}, {1, 3, 14, 2, 0x767c85},
	{3, 6, 1, 12, 0x8d949e}, {12, 6, 1, 12, 0x8d949e}, {6, 17, 4, 2, 0xd9d2bd}, {6, 14, 4, 1, 0xd9d2bd},
}
