package emitter

import "azzel/core/kind"

// A pipe with a valve.
var picture = []kind.Shape{
	{4, 9, 8, 11, 0x767c85}, {4, 9, 2, 11, 0x8d949e}, {10, 9, 2, 11, 0x5a5f66}, {3, 7, 10, 3, 0x8a5a2b}, {3, 7, 10, 1, 0xc08f4f}, {6, 8, 4, 1, 0x2b2a33}, {13, 13, 2, 4, 0xb5563c},
}
