package tests

import (
	"encoding/base64"
	"testing"

	"azzel/demo/art"
)

// A picture is pasted from the clipboard, here as WebP that the browser itself has
// written, and taken in; of several at once the rest is stopped.
func TestPastedPicture(t *testing.T) {
	_, w := trial(t)
	sheet, err := art.PNG()
	if err != nil {
		t.Fatal(err)
	}
	w.page.MustEval(`async (png) => {
		const image = new Image();
		image.src = 'data:image/png;base64,' + png;
		await image.decode();
		const canvas = document.createElement('canvas');
		canvas.width = image.width;
		canvas.height = image.height;
		canvas.getContext('2d').drawImage(image, 0, 0);
		const blob = await new Promise((done) => canvas.toBlob(done, 'image/webp', 1));
		const clipboard = new DataTransfer();
		clipboard.items.add(new File([blob], 'pasted.webp', { type: 'image/webp' }));
		document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: clipboard, bubbles: true }));
	}`, base64.StdEncoding.EncodeToString(sheet))
	w.sees("section", "pasted.webp")
	w.sees("form p", "256 × 208 px")
	w.fill("Tile width", "16")
	w.fill("Tile height", "16")
	w.fill("Spacing", "0")
	w.fill("Margin", "0")
	w.fill("Offset across", "0")
	w.fill("Offset down", "0")
	w.click("Take 169 tiles")
	w.until("the tileset", `() => window.azzel.scene().tilesets.length === 2 && window.azzel.scene().tilesets[1].count === 169`)
	w.click("Another tileset")
	w.until("the desk", `() => document.querySelector('input[type=file]') !== null`)
	w.page.MustElement("input[type=file]").MustSetFiles(picture(t, "one.png", 0, 0), picture(t, "two.png", 1, 1), picture(t, "three.png", 2, 2))
	w.sees("section", "one.png, picture 1 of 3")
	w.click("Leave this one out")
	w.sees("section", "two.png, picture 2 of 3")
	w.click("Stop after this one")
	// Once the picture is read nothing moves under the pointer any more.
	w.sees("form p", " px")
	w.click("Another picture")
	w.sees("section", "Choose pictures")
	w.quiet()
}
