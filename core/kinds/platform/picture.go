package platform

import "azzel/core/kind"

// A plank on a rail, one cell of it.
var picture = []kind.Shape{
	{0, 12, 16, 5, 0x9a7b4f}, {0, 12, 16, 1, 0xc9a876}, {0, 16, 16, 1, 0x6b5233}, {7, 13, 1, 3, 0x6b5233}, {2, 17, 3, 2, 0x5a5f66}, {11, 17, 3, 2, 0x5a5f66},
}

// From above, a raft of boards.
var other = []kind.Shape{
	{0, 4, 16, 16, 0x6b5233}, {0, 5, 16, 4, 0xb08f5f}, {0, 10, 16, 4, 0xa68455}, {0, 15, 16, 4, 0xb08f5f}, {2, 6, 1, 1, 0x6b5233}, {13, 6, 1, 1, 0x6b5233}, {2, 16, 1, 1, 0x6b5233}, {13, 16, 1, 1, 0x6b5233},
}
