package decoration

import "azzel/core/kind"

// A hanging pot with trailing leaves.
var picture = []kind.Shape{
	{7, 0, 1, 5, 0x5a5f66}, {8, 0, 1, 5, 0x767c85}, {4, 5, 8, 1, 0xc08f4f}, {3, 6, 10, 4, 0x9c5a45}, {4, 10, 8, 2, 0x6b3b31}, {2, 4, 3, 3, 0x4a8a41}, {11, 4, 3, 3, 0x4a8a41}, {5, 3, 6, 2, 0x8ac463},
	{2, 7, 1, 6, 0x4a8a41}, {1, 11, 1, 4, 0x2a5031}, {13, 7, 1, 8, 0x4a8a41}, {14, 13, 1, 4, 0x2a5031}, {5, 12, 1, 5, 0x4a8a41}, {10, 12, 1, 3, 0x8ac463},
}
