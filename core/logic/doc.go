// Package logic is what a game can ask of what it remembers and of what happens: conditions, and the values and nouns of
// which they speak. A condition is data: it is stored and sent in one form (Encode), said in files and to people in
// another (ConditionForm), checked, and asked of a World, which play is. What there is to ask stands in one table, asks; all of
// these follow it.
package logic
