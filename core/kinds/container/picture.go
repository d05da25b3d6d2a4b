package container

import "azzel/core/kind"

// A cabinet of boards with two doors and brass knobs.
var shut = []kind.Shape{
	{1, 2, 14, 18, 0x2f3a35}, {2, 3, 12, 15, 0x5d7566}, {2, 3, 6, 15, 0x678272}, {3, 5, 4, 11, 0x5d7566}, {9, 5, 4, 11, 0x546b5d}, {7, 3, 1, 15, 0x2f3a35}, {6, 10, 1, 2, 0xc9a876}, {9, 10, 1, 2, 0xc9a876},
	{2, 18, 2, 2, 0x24302b}, {12, 18, 2, 2, 0x24302b},
}

// The same with its doors open, and nothing on its shelves.
var open = []kind.Shape{
	{1, 2, 14, 18, 0x2f3a35}, {3, 3, 10, 15, 0x1b221f}, {3, 8, 10, 1, 0x46564d}, {3, 13, 10, 1, 0x46564d}, {1, 3, 2, 15, 0x678272}, {13, 3, 2, 15, 0x546b5d}, {2, 18, 2, 2, 0x24302b}, {12, 18, 2, 2, 0x24302b},
}
