package tests

import (
	"bytes"
	"image"
	"image/color"
	"image/png"
	"os"
	"path/filepath"
	"testing"
	"time"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

const left, right = proto.InputMouseButtonLeft, proto.InputMouseButtonRight

// trial opens a new project made by hand.
func trial(t *testing.T) (*site, *window) {
	t.Helper()
	s := newSite(t)
	w := s.window("/")
	w.newProject("Trial beds")
	return s, w
}

// take takes a tile of the drawer into the hand.
func (w *window) take(name string) {
	w.t.Helper()
	w.seek(name)
	w.sees("[data-held]", name)
}

// seek finds something by name and chooses it.
func (w *window) seek(name string) {
	w.t.Helper()
	w.press(input.Slash)
	w.until("the seek box", `() => document.activeElement?.getAttribute('role') === 'combobox'`)
	w.page.MustInsertText(name)
	w.sees("[role=option]", name)
	w.press(input.Enter)
	w.frame()
}

// tile waits until the status line says what lies in a cell of the first map.
func (w *window) tile(x, y int, want string) {
	w.t.Helper()
	w.over("First map", x, y)
	w.sees("[data-status]", want)
}

func TestHome(t *testing.T) {
	s := newSite(t)
	w := s.window("/")
	w.click("Make the project")
	w.sees("[role=alert]", "A name is needed here")
	w.fill("Name", "Seed store")
	w.fill("Cell width", "3")
	w.click("Make the project")
	w.sees("[role=alert]", "4 to 128 px")
	w.fill("Cell width", "16")
	w.click("Make the project")
	w.until("the board", `() => window.azzel?.scene()?.pieces.length === 1`)
	w.frame()
	w.press(input.KeyP)
	w.until("play in the first second", `() => window.azzel.play() !== null`)
	w.press(input.KeyP)
	w.click("All projects")
	w.sees("main", "Seed store")
	w.until("a picture of the project", `() => document.querySelector('main img')?.naturalWidth > 0`)
	w.click("Delete Seed store")
	w.sees("[aria-label='Deleted projects']", "gone for good in 7 days")
	w.until("no project", `() => document.querySelector('main a') === null`)
	w.click("Restore")
	w.sees("main a", "Seed store")
	w.until("nothing deleted", `() => document.querySelector("[aria-label='Deleted projects']") === null`)
	w.quiet()
}

// picture writes a sheet of 4 × 2 tiles of 16 px, with gaps, the last empty.
func picture(t *testing.T, name string, margin, spacing int) string {
	t.Helper()
	img := image.NewNRGBA(image.Rect(0, 0, 2*margin+4*16+3*spacing, 2*margin+2*16+spacing))
	for i := range 7 {
		for y := range 16 {
			for x := range 16 {
				img.SetNRGBA(margin+i%4*(16+spacing)+x, margin+i/4*(16+spacing)+y, color.NRGBA{uint8(40 + i*25), uint8(90 + x*4), uint8(120 - y*3), 255})
			}
		}
	}
	var b bytes.Buffer
	if err := png.Encode(&b, img); err != nil {
		t.Fatal(err)
	}
	return write(t, name, b.Bytes())
}

func write(t *testing.T, name string, data []byte) string {
	t.Helper()
	file := filepath.Join(t.TempDir(), name)
	if err := os.WriteFile(file, data, 0o644); err != nil {
		t.Fatal(err)
	}
	return file
}

// drop lets a file fall onto the board.
func (w *window) drop(file string) {
	w.t.Helper()
	for _, kind := range []proto.InputDispatchDragEventType{proto.InputDispatchDragEventTypeDragEnter, proto.InputDispatchDragEventTypeDragOver, proto.InputDispatchDragEventTypeDrop} {
		data := &proto.InputDragData{Items: []*proto.InputDragDataItem{}, Files: []string{file}, DragOperationsMask: 1}
		if err := (proto.InputDispatchDragEvent{Type: kind, X: 640, Y: 200, Data: data}).Call(w.page); err != nil {
			w.t.Fatal(err)
		}
	}
}

func TestTilesetIn(t *testing.T) {
	_, w := trial(t)
	w.press(input.KeyT)
	w.click("Import a picture")
	choose := func(file string) {
		w.until("the desk", `() => document.querySelector('input[type=file]') !== null`)
		w.page.MustElement("input[type=file]").MustSetFiles(file)
	}
	good := picture(t, "potting-bench.png", 2, 1)
	whole, err := os.ReadFile(good)
	if err != nil {
		t.Fatal(err)
	}
	empty := image.NewNRGBA(image.Rect(0, 0, 64, 64))
	var blank bytes.Buffer
	if err := png.Encode(&blank, empty); err != nil {
		t.Fatal(err)
	}
	for _, bad := range []struct {
		name, says string
		data       []byte
	}{
		{"list.png", "not a picture in PNG", []byte("ferns, mosses, palms")},
		{"half.png", "damaged or cut short", whole[:len(whole)*2/3]},
		{"wide.png", "20000 × 10 px", widePNG(20_000, 10)},
		{"many.png", "64 megapixels", widePNG(8192, 8192)},
		{"large.png", "the most is 16 MB", make([]byte, 17<<20)},
		{"blank.png", "every tile of this cut is empty", blank.Bytes()},
	} {
		choose(write(t, bad.name, bad.data))
		w.until(bad.says, `(s) => document.querySelector('[role=alert]')?.textContent.toLowerCase().includes(s.toLowerCase())`, bad.says)
		w.click("Another picture")
	}
	// Two at once lie on the desk one after the other.
	w.until("the desk", `() => document.querySelector('input[type=file]') !== null`)
	w.page.MustElement("input[type=file]").MustSetFiles(picture(t, "first.png", 0, 0), picture(t, "second.png", 1, 1))
	w.sees("section", "first.png, picture 1 of 2")
	w.click("Leave this one out")
	w.sees("section", "second.png, picture 2 of 2")
	w.click("Another picture")
	w.drop(good)
	w.sees("form p", "71 × 37 px")
	w.fill("Tile width", "99")
	w.sees("[role=alert]", "does not fit")
	w.click("Back to the guess")
	w.sees("[data-guess]", "16 × 16 px, 1 px apart")
	w.sees("button", "Take 7 tiles")
	// The cut follows what is dragged: here the end of the first tile.
	b := w.page.MustElement("[data-cut] canvas").MustShape().Box()
	scale := b.Width / 71
	w.page.Mouse.MustMoveTo(b.X+18*scale, b.Y+18*scale).MustDown(left)
	if err := w.page.Mouse.MoveLinear(proto.Point{X: b.X + 22*scale, Y: b.Y + 18*scale}, 4); err != nil {
		t.Fatal(err)
	}
	w.page.Mouse.MustUp(left)
	w.until("a wider tile", `() => [...document.querySelectorAll('input[type=number]')].some(e => e.value === '20')`)
	// The cells can become as large as the tiles; taken back, all is as it was.
	w.sees("[data-cell-offer]", "they would be shown")
	was := w.probe().Hash
	w.click("Make cells 20 × 16 px")
	w.until("larger cells", `() => { const p = window.azzel.scene()?.project; return p?.cellW === 20 && p.cellH === 16; }`)
	w.saved()
	w.until("no offer any more", `() => document.querySelector('[data-cell-offer]') === null`)
	w.page.MustElement("[data-board]").MustFocus()
	w.with(input.ControlLeft, input.KeyZ)
	w.until("the cells as they were", `() => window.azzel.scene()?.project.cellW === 16`)
	w.saved()
	if now := w.probe().Hash; now != was {
		t.Fatalf("taken back, the project is %s and was %s", now, was)
	}
	w.click("Back to the guess")
	w.sees("button", "Take 7 tiles")
	if p := w.probe(); p.Revision != 2 {
		t.Fatalf("looking at pictures changed the project: revision %d", p.Revision)
	}
	w.shoot("desk")
	w.click("Take 7 tiles")
	w.until("the tileset", `() => window.azzel.scene().tilesets.length === 2`)
	w.until("its sheet", `() => document.querySelector('[aria-label^="Tiles of potting bench"]') !== null`)
	// Drag over the first three tiles: they are solid.
	x, y := w.onSheet(0, 0)
	w.page.Mouse.MustMoveTo(x, y).MustDown(left)
	x, y = w.onSheet(2, 0)
	if err := w.page.Mouse.MoveLinear(proto.Point{X: x, Y: y}, 6); err != nil {
		t.Fatal(err)
	}
	w.page.Mouse.MustUp(left)
	solid := `() => { const s = window.azzel.scene()?.tilesets[1]?.tiles; return s !== undefined && s.length === 7 && s.every((v, i) => v.whole === i < 3); }`
	w.until("three solid tiles", solid)
	w.saved()
	w.page.MustReload()
	w.until("the same after a reload", solid)
	w.page.MustElement("[data-board]")
	w.take("tile 2")
	w.until("its picture", `() => document.querySelectorAll('section[aria-label="In hand"] canvas').length > 0`)
	w.tap("First map", 3, 3)
	w.tile(3, 3, "tile 2, potting bench")
	w.quiet()
}

func TestPaint(t *testing.T) {
	_, w := trial(t)
	w.take("wall")
	w.press(input.KeyD)
	w.drag(left, "First map", [2]int{3, 3}, [2]int{8, 3}, [2]int{8, 6})
	w.tile(5, 3, "wall")
	w.tile(8, 5, "wall")
	w.press(input.KeyL)
	w.drag(left, "First map", [2]int{12, 3}, [2]int{18, 6})
	w.tile(18, 6, "wall")
	w.press(input.KeyB)
	w.over("First map", 20, 3)
	w.page.Mouse.MustDown(left)
	w.over("First map", 23, 7)
	w.frame()
	w.page.Mouse.MustUp(left)
	w.tile(21, 5, "wall")
	w.with(input.ControlLeft, input.KeyZ)
	w.tile(21, 5, "ground")
	w.page.KeyActions().Press(input.ControlLeft, input.ShiftLeft).Type(input.KeyZ).MustDo()
	w.tile(21, 5, "wall")
	// The right button erases what it would lay; the eraser too.
	w.drag(right, "First map", [2]int{21, 4}, [2]int{22, 5})
	w.tile(22, 5, "empty")
	w.press(input.KeyE)
	w.sees("[data-held]", "Eraser")
	w.drag(left, "First map", [2]int{3, 3}, [2]int{5, 3})
	w.tile(4, 3, "empty")
	// What is under the pointer comes into the hand, and fills.
	w.tile(21, 7, "wall")
	w.press(input.KeyW)
	w.sees("[data-held]", "wall")
	w.take("water")
	w.press(input.KeyF)
	w.tap("First map", 30, 15)
	w.until("the fill", `() => window.azzel.probe().pending === 0`)
	w.tile(2, 20, "water")
	w.tile(18, 6, "wall")
	// The upper layer is painted on its own; hidden, it says so.
	w.press(input.Period)
	w.press(input.KeyD)
	w.take("overhead")
	w.tap("First map", 10, 10)
	w.tile(10, 10, "overhead")
	w.press(input.Comma)
	w.tile(10, 10, "Ground · water")
	w.press(input.Period)
	for range 4 {
		w.over("First map", 10, 10)
		w.page.Mouse.MustScroll(0, -120)
	}
	w.click("Hide Overhead")
	w.tap("First map", 11, 10)
	w.sees("[data-message]", "Overhead is hidden")
	// Zooming keeps what is under the pointer still; panning moves it along.
	x, y := w.cell("First map", 11, 10)
	w.page.Mouse.MustMoveTo(x, y).MustScroll(0, 120)
	w.frame()
	if x2, y2 := w.cell("First map", 11, 10); max(x-x2, x2-x, y-y2, y2-y) > 30 {
		t.Errorf("zooming moved the cell from %.0f, %.0f to %.0f, %.0f", x, y, x2, y2)
	}
	x, y = w.cell("First map", 11, 10)
	w.page.Mouse.MustMoveTo(400, 300).MustDown(proto.InputMouseButtonMiddle)
	w.page.Mouse.MustMoveTo(430, 340).MustUp(proto.InputMouseButtonMiddle)
	w.frame()
	if x2, y2 := w.cell("First map", 11, 10); x2-x < 29 || x2-x > 31 || y2-y < 39 || y2-y > 41 {
		t.Errorf("panning by 30, 40 moved by %.0f, %.0f", x2-x, y2-y)
	}
	// A key held longer than 200 ms lasts only while held.
	w.page.Keyboard.MustType(input.KeyD)
	if err := w.page.Keyboard.Press(input.KeyB); err != nil {
		t.Fatal(err)
	}
	w.until("a box in the hand", `() => window.azzel.probe().shape === 'box'`)
	time.Sleep(250 * time.Millisecond)
	if err := w.page.Keyboard.Release(input.KeyB); err != nil {
		t.Fatal(err)
	}
	w.until("free again", `() => window.azzel.probe().shape === 'free'`)
	// A tap that a busy page hears late is a tap all the same: the events' own clock counts.
	tapped := proto.TimeSinceEpoch(time.Now().UnixMicro()) / 1e6
	for _, e := range []proto.InputDispatchKeyEvent{
		{Type: proto.InputDispatchKeyEventTypeRawKeyDown, Timestamp: tapped},
		{Type: proto.InputDispatchKeyEventTypeKeyUp, Timestamp: tapped + 0.05},
	} {
		e.Key, e.Code, e.WindowsVirtualKeyCode = "b", "KeyB", 'B'
		if err := e.Call(w.page); err != nil {
			t.Fatal(err)
		}
		time.Sleep(250 * time.Millisecond)
	}
	w.until("a box after a tap", `() => window.azzel.probe().shape === 'box'`)
	w.page.Keyboard.MustType(input.KeyD)
	w.until("free after a tap", `() => window.azzel.probe().shape === 'free'`)
	w.with(input.ShiftLeft, input.Slash)
	w.sees("[role=dialog]", "Paint freely")
	w.press(input.Escape)
	w.press(input.KeyG, input.KeyY)
	w.saved()
	hash := w.probe().Hash
	w.page.MustReload()
	w.until("the same after a reload", `(h) => window.azzel?.scene() && window.azzel.probe().hash === h`, hash)
	w.quiet()
}

// zoomOut makes room around the maps.
func (w *window) zoomOut(times int) {
	w.t.Helper()
	w.page.Mouse.MustMoveTo(640, 360)
	for range times {
		w.page.Mouse.MustScroll(0, 120)
	}
	w.frame()
}

// far makes a second map right of the first, by dragging a box over the first.
func (w *window) far() {
	w.t.Helper()
	w.zoomOut(2)
	w.press(input.Escape)
	w.drag(left, "First map", [2]int{52, 3}, [2]int{46, 9}, [2]int{30, 16})
	w.until("a second map", `() => window.azzel.scene().maps.length === 2`)
}

const farName = "East of First map"

// widePNG is the start of a PNG that says how large it is.
func widePNG(w, h int) []byte {
	var b bytes.Buffer
	_ = png.Encode(&b, image.NewNRGBA(image.Rect(0, 0, 1, 1))) // a buffer takes everything
	return resized(b.Bytes(), uint32(w), uint32(h))
}

// While the pointer only moves, neither the maps nor what lies on them is drawn again.
func TestHoveringDrawsWhatFollowsThePointer(t *testing.T) {
	s := newSite(t, "-demo")
	w := s.window("")
	// Else the water moves by itself.
	still := proto.EmulationSetEmulatedMedia{Features: []*proto.EmulationMediaFeature{{Name: "prefers-reduced-motion", Value: "reduce"}}}
	if err := still.Call(w.page); err != nil {
		t.Fatal(err)
	}
	w.page.MustNavigate(s.url("/project/1")).MustWaitLoad()
	w.opened()
	w.until("all bitmaps", `() => performance.getEntriesByName('azzel-painted').length > 0`)
	w.seek("Palm house")
	w.over("Palm house", 3, 3)
	w.until("the slip, for which the maps make room", `() => ['floating', 'docked'].includes(document.querySelector('[data-slip]')?.dataset.slip)`)
	for range 10 {
		w.frame()
	}
	w.page.MustEval(`() => {
		window.__drawn = [0, 0, 0];
		document.querySelectorAll('[data-board] canvas').forEach((canvas, i) => {
			const context = canvas.getContext('2d');
			for (const name of ['fillRect', 'clearRect', 'drawImage', 'stroke', 'strokeRect']) {
				const drawn = context[name].bind(context);
				context[name] = (...args) => { window.__drawn[i]++; drawn(...args); };
			}
		});
	}`)
	for x := range 20 {
		w.over("Palm house", 3+x, 4)
		w.frame()
	}
	drawn := w.page.MustEval(`() => window.__drawn`).Arr()
	if len(drawn) != 3 || drawn[0].Int() != 0 || drawn[1].Int() != 0 || drawn[2].Int() < 20 {
		t.Errorf("drawn while hovering, from the maps to what follows the pointer: %v", drawn)
	}
	w.press(input.PageDown)
	w.frame()
	if again := w.page.MustEval(`() => window.__drawn[0]`).Int(); again == 0 {
		t.Error("zooming drew nothing")
	}
	w.quiet()
}
