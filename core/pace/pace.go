// Package pace lets long work be done in slices, with pauses in which a page can draw
// and listen, and lets it be stopped.
package pace

import "iter"

// A Pace is told how much work was done, in cells. It may take its time before it
// returns, or not return at all if the work is stopped: then whoever calls it must
// leave nothing half done behind. The nil Pace lets work go on.
type Pace func(cells int)

// Did tells of work on some cells.
func (p Pace) Did(cells int) {
	if p != nil {
		p(cells)
	}
}

// stopped goes up the stack of work that is stopped. Work changes nothing that others
// see before its end, so that it can be left at any place.
type stopped struct{}

// Work is a computation that goes on in slices. It must be used by one goroutine.
type Work struct {
	next func() (struct{}, bool)
	stop func()
	left int
	done int
}

// Begin prepares work, which tells the pace it is given what it does. Nothing of it is
// done before the first Step.
func Begin(run func(Pace)) *Work {
	w := &Work{}
	w.next, w.stop = iter.Pull(func(yield func(struct{}) bool) {
		defer func() {
			if r := recover(); r != nil && r != (stopped{}) {
				panic(r)
			}
		}()
		run(func(cells int) {
			w.done += cells
			if w.left -= cells; w.left <= 0 && !yield(struct{}{}) {
				panic(stopped{})
			}
		})
	})
	return w
}

// Step goes on until about budget cells more are done, and reports whether that was
// all. A panic in the work comes out here.
func (w *Work) Step(budget int) (done bool) {
	w.left = budget
	_, more := w.next()
	return !more
}

// Done is how many cells were worked on so far.
func (w *Work) Done() int { return w.done }

// Stop ends work where it stands. It must be called for work that is given up before
// Step reported its end.
func (w *Work) Stop() { w.stop() }
