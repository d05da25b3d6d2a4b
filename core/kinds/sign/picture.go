package sign

import "azzel/core/kind"

// A board on two posts, with lines that something is written on it.
var board = []kind.Shape{
	{3, 11, 2, 9, 0x5a4632}, {11, 11, 2, 9, 0x4c3b2a}, {1, 3, 14, 9, 0x3a2d21}, {2, 4, 12, 7, 0xc9b083}, {2, 10, 12, 1, 0xa98f64},
	{4, 5, 7, 1, 0x5a4632}, {4, 7, 8, 1, 0x5a4632}, {4, 9, 5, 1, 0x7a6244},
}
