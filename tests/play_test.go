package tests

import (
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"runtime"
	"strconv"
	"strings"
	"testing"
	"time"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// hold keeps a key down until a script gives true.
func (w *window) hold(key input.Key, what, until string, args ...any) {
	w.t.Helper()
	if err := w.page.Keyboard.Press(key); err != nil {
		w.t.Fatal(err)
	}
	w.until(what, until, args...)
	if err := w.page.Keyboard.Release(key); err != nil {
		w.t.Fatal(err)
	}
}

// join drags a crossing between two cells.
func (w *window) join(a string, ax, ay int, b string, bx, by int) {
	w.t.Helper()
	w.click("crossing")
	x, y := w.cell(b, bx, by)
	w.over(a, ax, ay)
	w.page.Mouse.MustDown(left)
	if err := w.page.Mouse.MoveLinear(proto.Point{X: x, Y: y}, 5); err != nil {
		w.t.Fatal(err)
	}
	w.page.Mouse.MustUp(left)
	w.until("a crossing", `() => window.azzel.scene().crossings.length > 0`)
}

const column = `(c) => { const p = window.azzel.play(); const m = window.azzel.scene().maps.find(m => m.id === p.map); return Math.floor((p.x - m.originX) / 16) === c; }`

func TestPlay(t *testing.T) {
	_, w := trial(t)
	w.far()
	w.join("First map", 8, 4, farName, 3, 6)
	w.click("Take Collectible")
	w.tap("First map", 5, 4)
	w.tap(farName, 6, 6)
	w.click("Take Exit")
	w.tap("First map", 3, 1)
	w.press(input.Escape)
	// From the pointer, with the collectible on the way to the crossing.
	w.over("First map", 3, 4)
	w.press(input.KeyP)
	w.until("play at the pointer", column, 3)
	w.hold(input.ArrowRight, "the far map", `(n) => window.azzel.scene().maps.find(m => m.id === window.azzel.play().map).name === n`, farName)
	w.sees("[data-collected]", "1 of 2 collected")
	// Esc gives the keys to the hand: a wall comes down beside the player, who
	// is stopped by it; undone, they are not.
	w.press(input.Escape)
	w.sees("[data-play] button", "hand")
	w.take("wall")
	w.press(input.KeyD)
	w.tap(farName, 5, 5)
	w.tap(farName, 5, 6)
	w.tap(farName, 5, 7)
	w.press(input.Escape)
	w.click("Keys and pointer go to the hand")
	if err := w.page.Keyboard.Press(input.ArrowRight); err != nil {
		t.Fatal(err)
	}
	stays := `() => { const p = window.azzel.play(); const last = window.__last; window.__last = p.x; window.__same = last === p.x ? (window.__same ?? 0) + 1 : 0; return window.__same > 20; }`
	w.until("the player stopped by the wall", stays)
	if x := w.page.MustEval(`() => { const p = window.azzel.play(); const m = window.azzel.scene().maps.find(m => m.id === p.map); return (p.x - m.originX) / 16; }`).Num(); x >= 5 {
		t.Errorf("the wall is no wall: column %.2f", x)
	}
	w.page.KeyActions().Press(input.ControlLeft).Type(input.KeyZ).Type(input.KeyZ).Type(input.KeyZ).MustDo()
	if err := w.page.Keyboard.Press(input.ArrowRight); err != nil {
		t.Fatal(err)
	}
	w.until("the way free again", column, 7)
	if err := w.page.Keyboard.Release(input.ArrowRight); err != nil {
		t.Fatal(err)
	}
	// A wall painted on the player pushes them to a free cell.
	w.press(input.Escape)
	w.take("wall")
	w.press(input.KeyB)
	place := w.page.MustEval(`() => { const p = window.azzel.play(); const m = window.azzel.scene().maps.find(m => m.id === p.map); return [Math.floor((p.x - m.originX) / 16), Math.floor((p.y - 1 - m.originY) / 16)]; }`).Arr()
	px, py := place[0].Int(), place[1].Int()
	w.drag(left, farName, [2]int{px - 1, py - 1}, [2]int{px + 1, py + 1})
	w.until("the player pushed aside", `(x, y) => { const p = window.azzel.play(); const m = window.azzel.scene().maps.find(m => m.id === p.map); const c = [Math.floor((p.x - m.originX) / 16), Math.floor((p.y - 1 - m.originY) / 16)]; return Math.abs(c[0] - x) > 1 || Math.abs(c[1] - y) > 1; }`, px, py)
	w.shoot("playing-hand")
	// A collectible that is moved in play is moved at once; the taken one stays
	// taken when its deletion is undone.
	w.press(input.Escape)
	w.drag(left, farName, [2]int{6, 6}, [2]int{10, 9})
	w.until("the collectible moved", `() => window.azzel.scene().pieces.filter(p => p.type === '3').some(p => p.name.endsWith('at 10, 9'))`)
	w.press(input.KeyP)
	w.until("play over", `() => window.azzel.play() === null`)
	// From the spawn to the exit: it says time and steps.
	w.page.KeyActions().Press(input.ShiftLeft).Type(input.KeyP).MustDo()
	w.until("play at the spawn", column, 20)
	w.hold(input.ArrowUp, "the row of the exit", `() => { const p = window.azzel.play(); const m = window.azzel.scene().maps[0]; return Math.floor((p.y - 1 - m.originY) / 16) === 1; }`)
	w.hold(input.ArrowLeft, "the finish", `() => window.azzel.play().finished`)
	w.sees("[data-finished]", "Finished in")
	w.sees("[data-finished]", "steps")
	w.press(input.KeyP)
	w.saved()
	w.quiet()
}

// A collectible deleted while it is taken, and brought back, is still taken.
func TestPlayRemembers(t *testing.T) {
	_, w := trial(t)
	w.click("Take Collectible")
	w.tap("First map", 5, 4)
	w.press(input.Escape)
	w.over("First map", 4, 4)
	w.press(input.KeyP)
	w.hold(input.ArrowRight, "one collected", `() => window.azzel.play()?.taken === 1`)
	w.press(input.Escape)
	w.tap("First map", 5, 4)
	w.press(input.Delete)
	w.sees("[data-collected]", "0 of 0 collected")
	w.with(input.ControlLeft, input.KeyZ)
	w.sees("[data-collected]", "1 of 1 collected")
	w.quiet()
}

// A click sends the player, round walls; where there is no way it says so, and a key takes
// over again.
func TestClickToWalk(t *testing.T) {
	_, w := trial(t)
	w.take("wall")
	w.press(input.KeyD)
	for y := 1; y < 8; y++ {
		w.tap("First map", 4, y)
	}
	w.press(input.Escape)
	w.over("First map", 2, 4)
	w.press(input.KeyP)
	w.until("play at the pointer", column, 2)
	// The board is seen otherwise from the first frame of play on.
	w.until("the first frame of play, and its bar", `() => window.azzel.play().ticks > 0 && document.querySelector('[data-play]') !== null`)
	w.frame()
	w.frame()
	w.tap("First map", 6, 5)
	w.until("the way to be shown", `() => window.azzel.play().goal !== null`)
	w.until("the other side of the wall", column, 6)
	w.until("the end of the way", `() => window.azzel.play().goal === null`)
	w.tap("First map", 4, 5)
	w.sees("[data-message]", "There is no way there")
	w.tap("First map", 2, 1)
	w.until("a way back", `() => window.azzel.play().goal !== null`)
	w.hold(input.ArrowRight, "the keys to take over", `() => window.azzel.play().goal === null`)
	w.quiet()
}

// Time is held, goes on by one tick, and is rewound to what was played; a wall that was
// painted meanwhile stands there, and play goes on from there.
func TestTimeOfPlay(t *testing.T) {
	_, w := trial(t)
	w.over("First map", 1, 4)
	w.press(input.KeyP)
	w.hold(input.ArrowRight, "some way", column, 8)
	w.press(input.KeyJ)
	w.sees("[data-play]", "Go on")
	ticks := func() int { return w.page.MustEval(`() => window.azzel.play().ticks`).Int() }
	at := func() float64 { return w.page.MustEval(`() => window.azzel.play().x`).Num() }
	far, was := at(), ticks()
	time.Sleep(200 * time.Millisecond)
	if now := ticks(); now != was {
		t.Errorf("%d ticks passed while time was held", now-was)
	}
	w.press(input.BracketRight)
	w.until("one tick on", `(n) => window.azzel.play().ticks === n`, was+1)
	w.press(input.BracketLeft)
	w.until("a second back", `(n) => window.azzel.play().ticks === n && window.azzel.play().last === n + 60`, was-59)
	if x := at(); x >= far {
		t.Errorf("a second before the player stood at %.1f, then at %.1f", x, far)
	}
	line := w.page.MustElement("[aria-label='What was played, in ticks']")
	line.MustFocus()
	w.press(input.Home)
	w.until("the beginning", `() => window.azzel.play().ticks === 0`)
	w.accessible("a game that was rewound")
	w.press(input.Escape)
	w.take("wall")
	w.press(input.KeyD)
	for y := range 8 {
		w.tap("First map", 3, y)
	}
	w.press(input.Escape)
	w.click("Keys and pointer go to the hand")
	w.press(input.KeyJ)
	w.sees("[data-notch]", "")
	if err := w.page.Keyboard.Press(input.ArrowRight); err != nil {
		t.Fatal(err)
	}
	w.until("a second on the changed map", `() => window.azzel.play().ticks > 90`)
	if err := w.page.Keyboard.Release(input.ArrowRight); err != nil {
		t.Fatal(err)
	}
	if x := w.page.MustEval(`() => { const p = window.azzel.play(); const m = window.azzel.scene().maps.find(m => m.id === p.map); return (p.x - m.originX) / 16; }`).Num(); x >= 3 {
		t.Errorf("the player went through the wall that was painted in the past: column %.2f", x)
	}
	w.quiet()
}

// Play is the same natively and in WebAssembly, to the last byte of its state, over worlds that
// are seen from above and from the side.
func TestPlayIsTheSameEverywhere(t *testing.T) {
	const worlds, ticks = "1000", "600"
	dir := t.TempDir()
	native, wasm := filepath.Join(dir, "trace"), filepath.Join(dir, "trace.wasm")
	build := func(out string, env ...string) {
		c := exec.Command("go", "build", "-o", out, "./trace")
		c.Env = append(os.Environ(), env...)
		if b, err := c.CombinedOutput(); err != nil {
			t.Fatalf("%v\n%s", err, b)
		}
	}
	build(native)
	build(wasm, "GOOS=js", "GOARCH=wasm")
	root, err := exec.Command("go", "env", "GOROOT").Output()
	if err != nil {
		t.Fatal(err)
	}
	traces := func(args ...string) (here, there []string) {
		a, err := exec.Command(native, args...).Output()
		if err != nil {
			t.Fatal(err)
		}
		b, err := exec.Command(filepath.Join(strings.TrimSpace(string(root)), "lib/wasm/go_js_wasm_exec"), append([]string{wasm}, args...)...).Output()
		if err != nil {
			t.Fatal(err)
		}
		return strings.Split(string(a), "\n"), strings.Split(string(b), "\n")
	}
	here, there := traces("0", worlds, ticks)
	if len(here) < 1000 {
		t.Fatalf("only %d worlds were played on %s", len(here), runtime.GOARCH)
	}
	for seed := range max(len(here), len(there)) {
		if line(here, seed) == line(there, seed) {
			continue
		}
		a, b := traces(strconv.Itoa(seed), "1", ticks)
		for i := range max(len(a), len(b)) {
			if a, b := line(a, i), line(b, i); a != b {
				t.Fatalf("they part in %s:\nnatively %s\nin WebAssembly %s", parting(a, b), a, b)
			}
		}
	}
}

// parting names the world, the tick and the first property that differs.
func parting(here, there string) string {
	a, b := strings.Fields(here), strings.Fields(there)
	for i := 5; i < min(len(a), len(b)); i += 2 {
		if a[i] != b[i] {
			return strings.Join(append(a[:4:4], a[i-1]), " ")
		}
	}
	return "length"
}

func line(list []string, i int) string {
	if i < len(list) {
		return list[i]
	}
	return fmt.Sprintf("ends after %d lines", len(list))
}
