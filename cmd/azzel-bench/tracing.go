package main

import (
	"encoding/json"
	"fmt"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/proto"
)

// A traced is what a browser tells of something that it did. Times are in microseconds.
type traced struct {
	Name string  `json:"name"`
	At   float64 `json:"ts"`
	// Took is from begin to end; Worked is how long of it the thread had a processor.
	Took    float64 `json:"dur"`
	Worked  float64 `json:"tdur"`
	Process int     `json:"pid"`
	Thread  int     `json:"tid"`
}

// tasks are the longest ones of a page's thread in milliseconds: from begin to end, and by the
// time of processors. With more threads at work than there are processors the first has also
// what the others did.
type tasks struct{ took, worked float64 }

// trace lets a page do something while what its thread does is told by the browser.
func trace(page *rod.Page, do func()) (tasks, error) {
	var all []traced
	var failed error
	collected := page.EachEvent(func(e *proto.TracingDataCollected) {
		for _, one := range e.Value {
			raw, err := json.Marshal(one)
			if err != nil {
				failed = err
				return
			}
			// What is told of other things has other fields.
			var t traced
			if json.Unmarshal(raw, &t) == nil {
				all = append(all, t)
			}
		}
	}, func(*proto.TracingTracingComplete) bool { return true })
	if err := (proto.TracingStart{TraceConfig: &proto.TracingTraceConfig{IncludedCategories: []string{"toplevel", "blink.user_timing"}}}).Call(page); err != nil {
		return tasks{}, fmt.Errorf("beginning to trace: %w", err)
	}
	do()
	if err := (proto.TracingEnd{}).Call(page); err != nil {
		return tasks{}, fmt.Errorf("ending the trace: %w", err)
	}
	collected()
	if failed != nil {
		return tasks{}, failed
	}
	return longestOf(all)
}

// longestOf finds the longest tasks of the thread that painted the map.
func longestOf(all []traced) (tasks, error) {
	type thread struct{ process, thread int }
	var painter thread
	for _, t := range all {
		if t.Name == "azzel-painted" {
			painter = thread{t.Process, t.Thread}
		}
	}
	var longest tasks
	for _, t := range all {
		if (thread{t.Process, t.Thread}) == painter && t.Name == "ThreadControllerImpl::RunTask" {
			longest.took, longest.worked = max(longest.took, t.Took/1000), max(longest.worked, t.Worked/1000)
		}
	}
	if longest.took == 0 {
		return longest, fmt.Errorf("the trace has no tasks of a page that painted a map, only %d others", len(all))
	}
	return longest, nil
}
