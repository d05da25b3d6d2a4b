// Package picture makes images of maps on the CPU: the bitmaps that the page
// shows, and the small pictures of projects, layers and tiles. It knows what a
// document looks like, not where on a screen it is shown.
package picture
