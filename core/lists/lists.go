// Package lists changes lists of anything, in the place of functions of package slices that are made once more for each sort of element. What is made of
// these here is a fifth as large: the module that a browser is sent holds them for dozens of sorts.
package lists

// Insert puts v into a list before the place i, from 0 to its length, and gives the list that results. As with append, the list itself is changed where it
// has room. The cost is that of moving what comes after.
func Insert[S ~[]E, E any](list S, i int, v E) S {
	list = append(list, v)
	copy(list[i+1:], list[i:])
	list[i] = v
	return list
}

// Without takes out of a list for which gone holds, in its place, and gives the list that is left. What lies beyond its end is cleared. Gone is asked of each
// once, in their order.
func Without[S ~[]E, E any](list S, gone func(E) bool) S {
	at := 0
	for at < len(list) && !gone(list[at]) {
		at++
	}
	if at == len(list) {
		return list // which others may read meanwhile
	}
	left := list[:at]
	for _, v := range list[at+1:] {
		if !gone(v) {
			left = append(left, v)
		}
	}
	clear(list[len(left):])
	return left
}
