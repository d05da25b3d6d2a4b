package door

import "azzel/core/kind"

// A door of boards with two hinges.
var picture = []kind.Shape{
	{0, 2, 16, 18, 0x3f2c20}, {1, 3, 14, 17, 0x7a5439}, {1, 3, 4, 17, 0x86603f}, {6, 3, 4, 17, 0x7f5a3d}, {11, 3, 4, 17, 0x74502f}, {5, 3, 1, 17, 0x4f3526}, {10, 3, 1, 17, 0x4f3526},
	{1, 6, 6, 1, 0x464a50}, {1, 15, 6, 1, 0x464a50}, {12, 11, 2, 2, 0xc9a876},
}

// The same against the wall, with the way free.
var ajar = []kind.Shape{
	{0, 2, 3, 18, 0x3f2c20}, {1, 3, 2, 17, 0x7a5439}, {13, 2, 3, 18, 0x3f2c20}, {1, 6, 2, 1, 0x464a50}, {1, 15, 2, 1, 0x464a50}, {3, 2, 10, 1, 0x3f2c20},
}

// The same with a bar and a lock.
var barred = append(append([]kind.Shape{}, picture...), kind.Shape{0, 9, 16, 2, 0x5a5f66}, kind.Shape{6, 8, 5, 6, 0x8d949e}, kind.Shape{8, 10, 1, 2, 0x2f3a44})
