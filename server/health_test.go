package server

import (
	"context"
	"errors"
	"strings"
	"testing"
	"time"
)

// While the database does not answer, what is being done ends, pages are let go once, and everything asked is answered in
// words; once it answers all goes on.
func TestHealth(t *testing.T) {
	v := newServer(t)
	m := newMember(3)
	if err := v.rooms.one(t).join(t.Context(), m, 0); err != nil {
		t.Fatal(err)
	}
	away := 0
	was := v.health.away
	v.health.away = func() { away++; was() }
	ctx, err := v.health.context()
	if err != nil || ctx.Err() != nil {
		t.Fatalf("at the start: %v, %v", err, ctx.Err())
	}
	v.health.note(nil)
	if ctx.Err() != nil || away != 0 {
		t.Error("an answer ended something")
	}
	for range 2 {
		v.health.note(errors.New("silence"))
	}
	select {
	case <-m.gone:
	default:
		t.Error("a page is kept that can't be served")
	}
	if ctx.Err() == nil || away != 1 {
		t.Errorf("what was being done goes on (%v), pages were let go %d times", ctx.Err(), away)
	}
	if res, text := v.ask(t, "GET", "/api/projects", nil); res.StatusCode != 503 || !strings.Contains(text, "again and again") || res.Header.Get("Retry-After") == "" {
		t.Errorf("projects meanwhile: %d %s", res.StatusCode, text)
	}
	v.health.trying = 1
	if res, text := v.ask(t, "GET", "/readyz", nil); res.StatusCode != 503 || !strings.Contains(text, "started again") {
		t.Errorf("while it is started again: %d %s", res.StatusCode, text)
	}
	if res, text := v.ask(t, "GET", "/healthz", nil); res.StatusCode != 200 || text != Well {
		t.Errorf("its health meanwhile: %d %s", res.StatusCode, text)
	}
	v.health.note(nil)
	if res, _ := v.ask(t, "GET", "/api/projects", nil); res.StatusCode != 200 {
		t.Errorf("projects afterwards: %d", res.StatusCode)
	}
	v.health.note(errors.New("silence"))
	if _, text := v.ask(t, "GET", "/readyz", nil); !strings.Contains(text, "again and again") {
		t.Errorf("the second time it is said that %s", text)
	}
}

// A database that went away is started again with patience, and no more once it answers.
func TestRevive(t *testing.T) {
	v := newServer(t)
	conn := connect(t)
	_ = conn.Close(t.Context())
	v.store.Close()
	tries := make(chan time.Time, 100)
	h := newHealth(v.store, func(context.Context) error {
		tries <- time.Now()
		return errors.New("it does not start")
	}, func() {})
	ctx, cancel := context.WithCancel(t.Context())
	ended := make(chan struct{})
	go func() {
		defer close(ended)
		h.watch(ctx)
	}()
	first, second, third := <-tries, <-tries, <-tries
	if a, b := second.Sub(first), third.Sub(second); a < time.Second || b < 2*time.Second {
		t.Errorf("it is tried again after %v and %v: there is no patience in it", a, b)
	}
	cancel()
	<-ended
	if len(tries) > 0 {
		t.Error("it was tried further")
	}
}
