// Azzel-letters writes the letters of the game, which demo/letters draws, to core/text.
package main

import (
	"log"
	"os"

	"azzel/demo/letters"
)

func main() {
	b, err := letters.Bytes()
	if err == nil {
		err = os.WriteFile("core/text/letters.bin", b, 0o644)
	}
	if err != nil {
		log.Fatal(err)
	}
}
