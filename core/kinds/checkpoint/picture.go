package checkpoint

import "azzel/core/kind"

// A lamp on a post, out.
var picture = []kind.Shape{
	{7, 9, 2, 11, 0x5a5f66}, {5, 18, 6, 2, 0x464a50}, {5, 2, 6, 1, 0x767c85}, {5, 3, 6, 6, 0x464a50}, {6, 4, 4, 4, 0x2f3a44},
}

// The lamp, lit.
var other = []kind.Shape{
	{7, 9, 2, 11, 0x5a5f66}, {5, 18, 6, 2, 0x464a50}, {5, 2, 6, 1, 0x767c85}, {5, 3, 6, 6, 0xc08f4f}, {6, 4, 4, 4, 0xffdf86}, {7, 5, 2, 2, 0xfff4cf},
}
