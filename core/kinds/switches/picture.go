package switches

import "azzel/core/kind"

// A plate of brass in a frame, raised.
var up = []kind.Shape{
	{2, 8, 12, 11, 0x3b3f46}, {3, 8, 10, 9, 0xc9a876}, {4, 9, 8, 7, 0xb08a54}, {4, 9, 8, 1, 0xe3c893}, {3, 17, 10, 1, 0x7a5a33}, {7, 12, 2, 2, 0x7a5a33},
}

// The plate, down in its frame.
var down = []kind.Shape{
	{2, 8, 12, 11, 0x3b3f46}, {3, 10, 10, 8, 0x8f6d3f}, {4, 11, 8, 6, 0x7f5f35}, {4, 11, 8, 1, 0x5f4627}, {7, 13, 2, 2, 0x4f3a1f},
}
