// Package exchange writes projects in open formats and reads them: a bundle (a zip
// of JSON, rows of text and PNG), layers as CSV, and maps as PNG. The formats are
// described in docs/FORMATS.md.
//
// It knows nothing of files, requests or databases: it writes to writers and reads
// from bytes that somebody measured. It is never linked into the page.
package exchange
