package letters

import (
	"bytes"
	"os"
	"testing"
)

// What the core has is what is drawn here.
func TestLettersAreDrawn(t *testing.T) {
	b, err := Bytes()
	if err != nil {
		t.Fatal(err)
	}
	if has, err := os.ReadFile("../../core/text/letters.bin"); err != nil || !bytes.Equal(has, b) {
		t.Errorf("core/text/letters.bin is not what is drawn: run ./run generate (%v)", err)
	}
}
