package spring

import "azzel/core/kind"

// A coil under a board.
var picture = []kind.Shape{
	{2, 11, 12, 2, 0xb5563c}, {2, 11, 12, 1, 0xd9826a}, {4, 13, 8, 1, 0x767c85}, {5, 14, 6, 1, 0x464a50}, {4, 15, 8, 1, 0x767c85}, {5, 16, 6, 1, 0x464a50}, {4, 17, 8, 1, 0x767c85}, {1, 18, 14, 2, 0x5a5f66},
}
