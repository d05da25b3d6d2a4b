package tests

import (
	"testing"

	"github.com/go-rod/rod/lib/input"
	"github.com/go-rod/rod/lib/proto"
)

// touch is what the fingers on the screen do; a finger that is not named is up.
func (w *window) touch(what proto.InputDispatchTouchEventType, fingers ...[2]float64) {
	w.t.Helper()
	e := proto.InputDispatchTouchEvent{Type: what, TouchPoints: []*proto.InputTouchPoint{}}
	for i, f := range fingers {
		id := float64(i)
		e.TouchPoints = append(e.TouchPoints, &proto.InputTouchPoint{X: f[0], Y: f[1], ID: &id})
	}
	if err := e.Call(w.page); err != nil {
		w.t.Fatal(err)
	}
}

// One finger paints; two pan and zoom, and take back what the first had begun. A pen
// paints, and its other end erases.
func TestFingersAndPen(t *testing.T) {
	_, w := trial(t)
	name := w.scene().Maps[0].Name
	w.press('t')
	w.click("Take water")
	w.press('t')
	ax, ay := w.cell(name, 4, 4)
	bx, by := w.cell(name, 8, 4)
	w.touch(proto.InputDispatchTouchEventTypeTouchStart, [2]float64{ax, ay})
	w.touch(proto.InputDispatchTouchEventTypeTouchMove, [2]float64{(ax + bx) / 2, ay})
	w.touch(proto.InputDispatchTouchEventTypeTouchMove, [2]float64{bx, by})
	w.touch(proto.InputDispatchTouchEventTypeTouchEnd)
	w.until("a stroke of a finger", `(name) => window.azzel.cells(name, 3, 4, 7, 1).join(' ') === '1 5 5 5 5 5 1'`, name)
	w.saved()
	was := w.probe().Hash
	zoom := `() => window.azzel.screen(100, 0).x - window.azzel.screen(0, 0).x`
	before := w.page.MustEval(zoom).Num()
	w.touch(proto.InputDispatchTouchEventTypeTouchStart, [2]float64{500, 300})
	w.touch(proto.InputDispatchTouchEventTypeTouchMove, [2]float64{510, 300})
	w.touch(proto.InputDispatchTouchEventTypeTouchStart, [2]float64{510, 300}, [2]float64{610, 300})
	for i := range 5 {
		d := float64(i * 30)
		w.touch(proto.InputDispatchTouchEventTypeTouchMove, [2]float64{510 - d, 300}, [2]float64{610 + d, 300})
	}
	w.touch(proto.InputDispatchTouchEventTypeTouchEnd)
	w.until("a closer look", `(was) => window.azzel.screen(100, 0).x - window.azzel.screen(0, 0).x >= 2 * was`, before)
	w.frame()
	if w.probe().Hash != was {
		t.Error("two fingers painted")
	}
	// A pen, as the browser tells of it.
	w.press('z', 'z')
	pen := func(kind proto.InputDispatchMouseEventType, x, y int, button proto.InputMouseButton, buttons int) {
		px, py := w.cell(name, x, y)
		e := proto.InputDispatchMouseEvent{Type: kind, X: px, Y: py, Button: button, Buttons: &buttons, ClickCount: 1, PointerType: proto.InputDispatchMouseEventPointerTypePen}
		if err := e.Call(w.page); err != nil {
			t.Fatal(err)
		}
	}
	w.frame()
	pen(proto.InputDispatchMouseEventTypeMousePressed, 12, 6, proto.InputMouseButtonLeft, 1)
	pen(proto.InputDispatchMouseEventTypeMouseMoved, 14, 6, proto.InputMouseButtonLeft, 1)
	pen(proto.InputDispatchMouseEventTypeMouseReleased, 14, 6, proto.InputMouseButtonLeft, 0)
	w.until("a stroke of a pen", `(name) => window.azzel.cells(name, 11, 6, 5, 1).join(' ') === '1 5 5 5 1'`, name)
	// Its other end, which no mouse of the browser's has, erases whatever is in the hand.
	px, py := w.cell(name, 13, 6)
	w.page.MustEval(`(x, y) => {
		const board = document.querySelector('[data-board]');
		board.setPointerCapture = () => undefined;
		const fire = (type, buttons) => board.dispatchEvent(new PointerEvent(type, { clientX: x, clientY: y, button: 5, buttons, pointerId: 9, pointerType: 'pen', bubbles: true }));
		fire('pointerdown', 32);
		fire('pointerup', 0);
		delete board.setPointerCapture;
	}`, px, py)
	w.until("a cell erased by a pen's other end", `(name) => window.azzel.cells(name, 11, 6, 5, 1).join(' ') === '1 5 0 5 1'`, name)
	w.press(input.Escape)
	w.saved()
	w.quiet()
}
