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
	"strings"
	"time"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/input"

	"azzel/core/grid"
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
	matching(b)
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
	page.MustElementR("button", "Import a picture").MustClick()
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

// boxes measures a medley and a bond laid over boxes.
func boxes(b *bench, browser *rod.Browser) error {
	id, _, err := b.project("Boxes", 1000, 1000, false)
	if err != nil {
		return err
	}
	for _, c := range []struct {
		name, what string
		side       int
	}{{"Wet ground", "a medley over a box of 1,000 × 1,000", 1000}, {"Clipped hedge", "a bond over a box of 200 × 200", 200}, {"Clipped hedge", "a bond over a box of 1,000 × 1,000", 1000}} {
		if err := laid(b, browser, id, c.name, c.what, c.side); err != nil {
			return err
		}
	}
	return nil
}

func laid(b *bench, browser *rod.Browser, id int64, name, what string, side int) error {
	page := b.open(browser, id)
	defer page.MustClose()
	seek(page, name)
	page.Keyboard.MustType(input.KeyB)
	raw := page.MustEval(`async (side) => {
		const a = bench.cell(0, 0), z = bench.cell(side - 1, side - 1);
		bench.fire('pointerdown', a.x, a.y, 0, 1);
		bench.fire('pointermove', z.x, z.y, 0, 1);
		await bench.frame(); await bench.frame();
		bench.watch();
		const start = performance.now();
		bench.fire('pointerup', z.x, z.y, 0, 0);
		await bench.rest();
		return [performance.now() - start, bench.longest()];
	}`, side).Arr()
	page.MustWait(`() => document.querySelector('[data-saved=saved]') !== null`)
	b.add(what+" in the page, to the frame that shows it / longest task", "–", "%.0f / %.0f ms", raw[0].Num(), raw[1].Num())
	return nil
}

// hedge is a bond of the last blockout tiles.
func hedge() *world.Bond {
	b := &world.Bond{Name: "Clipped hedge", Bond: tiles.Bond{Border: true}}
	for i, joined := range []tiles.Neighbours{tiles.Sides.Full(), tiles.North | tiles.East | tiles.West, tiles.South, 0} {
		b.Tiles = append(b.Tiles, tiles.Bonded{Tile: 8 + i, Joined: joined, Weight: 1})
	}
	return b
}

// matching measures how a newer picture of 10,000 tiles is matched.
func matching(b *bench) {
	img := largeSheet()
	strip, err := tiles.Take(img, tiles.Cut{W: 16, H: 16, Crop: grid.Rect{W: 1600, H: 1600}})
	if err != nil {
		panic(err)
	}
	// Each tile is another one, and lies elsewhere in the newer picture.
	newer := *strip
	newer.Pixels = make([]byte, len(strip.Pixels))
	for i := range strip.Places {
		pix := strip.Tile(i)
		pix[0], pix[1], pix[2] = byte(i), byte(i>>8), 7
		copy(newer.Tile((i*7+11)%len(strip.Places)), pix)
	}
	best := time.Duration(1 << 62)
	for range 3 {
		start := time.Now()
		found, added := tiles.Match(strip, &newer)
		best = min(best, time.Since(start))
		if len(added) != 0 || found[5].Fate != tiles.Moved {
			panic("tiles were not found")
		}
	}
	b.add("a newer picture of 10,000 tiles matched, natively, best of 3", "–", "%d ms", best.Milliseconds())
}

// twoSheets measures the memory of a page with two large sheets.
func twoSheets(b *bench, browser *rod.Browser) error {
	id, _, err := b.project("Two sheets", 60, 40, false)
	if err != nil {
		return err
	}
	var out bytes.Buffer
	if err := png.Encode(&out, largeSheet()); err != nil {
		return err
	}
	dir, err := os.MkdirTemp("", "azzel-bench-sheets-")
	if err != nil {
		return err
	}
	defer os.RemoveAll(dir)
	file := filepath.Join(dir, "large.png")
	if err := os.WriteFile(file, out.Bytes(), 0o600); err != nil {
		return err
	}
	page := b.open(browser, id)
	for range 2 {
		page.Keyboard.MustType(input.KeyT)
		page.MustElementR("button", "Import a picture").MustClick()
		page.MustElement("input[type=file]").MustSetFiles(file)
		page.MustElementR("button", "Take 6").MustClick()
		page.MustElement("[data-sheet]")
		page.MustElement("[aria-label='Close the desk']").MustClick()
		page.MustWait(`() => document.querySelector('[data-saved=saved]') !== null`)
	}
	page.MustClose()
	page = b.open(browser, id)
	defer page.MustClose()
	page.MustWait(`() => window.azzel.scene().missing.length === 0`)
	time.Sleep(5 * time.Second)
	largest, err := rendererMemory()
	if err != nil {
		return err
	}
	b.add("memory of a page with two sheets of 4,096 × 4,096 px, opened anew, after 5 s", "–", "%d MB", largest>>20)
	return nil
}

// rendererMemory is the resident memory in bytes of the largest process that shows
// pages.
func rendererMemory() (largest int, err error) {
	processes, err := filepath.Glob("/proc/[0-9]*")
	if err != nil {
		return 0, err
	}
	for _, p := range processes {
		line, err := os.ReadFile(filepath.Join(p, "cmdline"))
		if err != nil || !bytes.Contains(line, []byte("--type=renderer")) {
			continue
		}
		if n, err := proportional(p); err == nil {
			largest = max(largest, n)
		}
	}
	return largest, nil
}

// proportional is the memory of a process in bytes, what it shares with others divided
// by their number.
func proportional(process string) (int, error) {
	rollup, err := os.ReadFile(filepath.Join(process, "smaps_rollup"))
	if err != nil {
		return 0, err
	}
	_, after, there := strings.Cut(string(rollup), "\nPss:")
	kilobytes := 0
	if _, err := fmt.Sscan(after, &kilobytes); err != nil || !there {
		return 0, fmt.Errorf("no share is told of %s", process)
	}
	return kilobytes << 10, nil
}

// wetGround is a medley of the blockout tiles.
func wetGround() *world.Medley {
	m := &world.Medley{Name: "Wet ground", Medley: tiles.Medley{Mirrored: true}}
	for i := range 5 {
		m.Tiles = append(m.Tiles, tiles.Weighted{Tile: 1 + i, Weight: 1 + i})
	}
	return m
}
