package main

import (
	"bytes"
	"fmt"
	"image"
	"image/draw"
	"image/png"
	"net/http"
	"net/url"
	"os"
	"path/filepath"
	"runtime"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"

	"azzel/core/tiles"
	"azzel/core/world"
	"azzel/demo/art"
)

// largeSheet is 4,096 × 4,096 pixels of the demo's tiles, all mixed up.
func largeSheet() *image.NRGBA {
	const side = 4096
	sheet := art.Sheet()
	img := image.NewNRGBA(image.Rect(0, 0, side, side))
	for i := range side / art.Side * side / art.Side {
		from := int(tiles.Chance(uint64(i)) % (art.Columns * 7))
		x, y := i%(side/art.Side)*art.Side, i/(side/art.Side)*art.Side
		draw.Draw(img, image.Rect(x, y, x+art.Side, y+art.Side), sheet, image.Pt(from%art.Columns*art.Side, from/art.Columns*art.Side), draw.Src)
	}
	return img
}

// pictures measures guessing and cutting a large sheet natively, and what memory
// the server takes while it refuses a bomb.
func pictures(b *bench) error {
	img := largeSheet()
	guess, cut := time.Duration(1<<62), time.Duration(1<<62)
	for range 3 {
		start := time.Now()
		g := tiles.GuessCut(img, 24, 24)
		guess = min(guess, time.Since(start))
		start = time.Now()
		if _, err := tiles.Take(img, g.Cut); err != nil {
			return err
		}
		cut = min(cut, time.Since(start))
		if g.Cut.W != art.Side || !g.Sure {
			return fmt.Errorf("the large sheet was guessed to be cut as %+v", g.Cut)
		}
	}
	b.add("guess / cut of 4,096 × 4,096 px of 16 px tiles, natively, best of 3", "–", "%d / %d ms", guess.Milliseconds(), cut.Milliseconds())

	var bomb bytes.Buffer
	if err := png.Encode(&bomb, image.NewGray(image.Rect(0, 0, 8192, 8192))); err != nil {
		return err
	}
	runtime.GC()
	var before, after runtime.MemStats
	runtime.ReadMemStats(&before)
	res, err := http.Post("http://"+b.address+"/api/projects/1/tilesets?cut="+url.QueryEscape(`{"w":16,"h":16}`), "image/png", bytes.NewReader(bomb.Bytes()))
	if err != nil {
		return err
	}
	defer res.Body.Close()
	runtime.ReadMemStats(&after)
	if res.StatusCode != http.StatusUnprocessableEntity {
		return fmt.Errorf("a bomb was answered with %s", res.Status)
	}
	b.add(fmt.Sprintf("memory taken while a picture of 8,192 × 8,192 px in %d KB is refused", bomb.Len()>>10), "under 50 MB", "%.1f MB", float64(after.TotalAlloc-before.TotalAlloc)/(1<<20))
	return nil
}

// desk measures a large sheet on the desk, from the file to the shown cut.
func desk(b *bench, browser *rod.Browser) error {
	dir, err := os.MkdirTemp("", "azzel-bench-sheet-")
	if err != nil {
		return err
	}
	defer os.RemoveAll(dir)
	var out bytes.Buffer
	if err := png.Encode(&out, largeSheet()); err != nil {
		return err
	}
	file := filepath.Join(dir, "large.png")
	if err := os.WriteFile(file, out.Bytes(), 0o600); err != nil {
		return err
	}
	page := b.open(browser, 1)
	defer page.MustClose()
	page.Keyboard.MustType(input.KeyT)
	page.MustElementR("button", "Bring in a picture").MustClick()
	field := page.MustElement("input[type=file]")
	page.MustEval(`() => bench.watch()`)
	start := time.Now()
	field.MustSetFiles(file)
	page.MustElementR("button", "Take 6")
	got := time.Since(start)
	longest := page.MustEval(`() => bench.longest()`).Num()
	b.add("the same on the desk: decoded, guessed and shown in the page / longest task", "–", "%.1f s / %.0f ms", got.Seconds(), longest)
	return nil
}

// dealing measures a medley laid over a box of 1,000 × 1,000 cells.
func dealing(b *bench, browser *rod.Browser) error {
	id, _, err := b.project("Dealing", 1000, 1000, false)
	if err != nil {
		return err
	}
	page := b.open(browser, id)
	defer page.MustClose()
	seek(page, "Wet ground")
	page.Keyboard.MustType(input.KeyB)
	raw := page.MustEval(`async () => {
		const a = bench.cell(0, 0), z = bench.cell(999, 999);
		bench.fire('pointerdown', a.x, a.y, 0, 1);
		bench.fire('pointermove', z.x, z.y, 0, 1);
		await bench.frame(); await bench.frame();
		bench.watch();
		const start = performance.now();
		bench.fire('pointerup', z.x, z.y, 0, 0);
		await bench.frame(); await bench.frame(); await bench.frame();
		return [performance.now() - start, bench.longest()];
	}`).Arr()
	b.add("a medley over a box of 1,000 × 1,000 in the page, to the frame that shows it / longest task", "–", "%.0f / %.0f ms", raw[0].Num(), raw[1].Num())
	return nil
}

// wetGround is a medley of the blockout tiles.
func wetGround() *world.Medley {
	m := &world.Medley{Name: "Wet ground", Medley: tiles.Medley{Mirrored: true}}
	for i := range 5 {
		m.Tiles = append(m.Tiles, tiles.Weighted{Tile: 1 + i, Weight: 1 + i})
	}
	return m
}
