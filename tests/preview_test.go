package tests

import (
	"testing"

	"github.com/go-rod/rod"
)

// While the core is still to come, the picture that the server has of the board lies faint where the maps will lie, below
// the words that the project is being opened.
func TestPreview(t *testing.T) {
	s := newSite(t, "-demo")
	w := s.window("")
	let := make(chan struct{})
	router := w.page.HijackRequests()
	router.MustAdd("*.wasm", func(h *rod.Hijack) {
		<-let
		h.MustLoadResponse()
	})
	go router.Run()
	defer router.MustStop()
	w.page.MustNavigate(s.url("/project/1")).MustWaitLoad()
	w.until("a picture of the board", `() => document.querySelector('[data-board] img')?.complete`)
	w.sees("[role=status]", "Opening the project")
	w.shoot("preview")
	// The mean colours in squares of 12 pixels of the board with what lies on it, and where it lies.
	const look = `() => {
		const board = document.querySelector('[data-board] canvas'), picture = document.querySelector('[data-board] img');
		const canvas = new OffscreenCanvas(board.width, board.height), context = canvas.getContext('2d');
		context.drawImage(board, 0, 0);
		if (picture) {
			const [from, to] = [board.getBoundingClientRect(), picture.getBoundingClientRect()];
			context.globalAlpha = getComputedStyle(picture).opacity;
			context.drawImage(picture, to.x - from.x, to.y - from.y, to.width, to.height);
		}
		const { data } = context.getImageData(0, 0, canvas.width, canvas.height);
		const seen = [];
		for (let y = 0; y + 12 <= canvas.height; y += 12) for (let x = 0; x + 12 <= canvas.width; x += 12) {
			const sum = [0, 0, 0];
			for (let i = 0; i < 144; i++) for (let c = 0; c < 3; c++) sum[c] += data[((y + Math.floor(i / 12)) * canvas.width + x + (i % 12)) * 4 + c];
			seen.push(sum.map((s) => s / 144));
		}
		const at = azzel.screen(0, 0), far = azzel.screen(1000, 1000);
		return { seen, at: [at.x, at.y, far.x, far.y] };
	}`
	type view struct {
		Seen [][3]float64
		At   [4]float64
	}
	var faint, ready view
	w.read(look, &faint)
	if w.page.MustEval(`() => performance.getEntriesByName('azzel-painted').length > 0 || azzel.scene() !== null`).Bool() {
		t.Fatal("the board is there without a core")
	}
	close(let)
	w.opened()
	w.until("the board painted", `() => performance.getEntriesByName('azzel-painted').length > 0`)
	w.read(look, &ready)
	if faint.At != ready.At || len(faint.Seen) != len(ready.Seen) {
		t.Fatalf("the picture lay at %v, the board lies at %v", faint.At, ready.At)
	}
	board := ready.Seen[0]
	painted, alike := 0, 0
	for i, is := range ready.Seen {
		if is == board {
			continue
		}
		painted++
		near := true
		for c := range 3 {
			if d := faint.Seen[i][c] - (board[c] + 0.4*(is[c]-board[c])); d < -8 || d > 8 {
				near = false
			}
		}
		if near {
			alike++
		}
	}
	if w.page.MustHas("[data-board] img") {
		t.Error("the picture still lies on the board")
	}
	if painted < 400 || alike*100 < painted*90 {
		t.Errorf("of %d places with something on them %d look as they did before", painted, alike)
	}
	w.quiet()
}
