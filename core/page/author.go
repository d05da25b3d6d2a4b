package page

import "azzel/core/world"

// An author makes edits of a document from what is said in words of the page.
type author struct {
	d   *world.Document
	ids world.Allocator
}

// author makes edits of what is shown.
func (p *Page) author() author { return author{p.doc(), p.ids} }
