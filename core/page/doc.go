// Package page is what one open page of a project holds: the replica of the
// document, the hand, the game being played and the pictures, and what of all
// that is to be shown. The browser's own code only draws what it says and
// passes on what people do.
package page
