// Package server answers browsers: REST for what is asked once, one socket for
// each open project. It holds recent projects in memory and decides the order
// of steps; what a step does is core's, and what is kept is store's.
package server
