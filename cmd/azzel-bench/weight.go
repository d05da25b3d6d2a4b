package main

import "azzel/web"

// weight says what is sent before a board can be seen.
func weight(b *bench) error {
	w, err := web.Weigh(web.Files)
	if err != nil {
		return err
	}
	b.add("first scripts, as they are sent", "110 KB", "%.1f KB", float64(w.Scripts)/1000)
	b.add("the core's module, as it is sent", "1.4 MB", "%.2f MB", float64(w.Core)/1e6)
	return nil
}
