// Package web holds the built front end.
package web

import "embed"

// Files is the folder dist, as the front end's build wrote it.
//
//go:embed all:dist
var Files embed.FS
