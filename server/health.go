package server

import (
	"context"
	"errors"
	"log/slog"
	"sync"
	"time"

	"github.com/gofiber/fiber/v3"

	"azzel/store"
)

// How the database is watched: it is asked so often, and is taken to be away when it can't be reached, or has not
// answered in time. A busy machine may answer after a second, and whatever is being done ends when the database is away.
const (
	askEvery   = 500 * time.Millisecond
	answerTime = 5 * time.Second
	// mostPatience is the longest pause between two tries to start the database again.
	mostPatience = 30 * time.Second
)

// health knows whether the database answers, and starts it again where it may.
type health struct {
	store *store.Store
	// revive starts the database again; nil if it is not Azzel's own.
	revive func(context.Context) error
	// away is called when the database went away.
	away func()

	mu sync.Mutex
	// all ends what requests are doing when the database goes away.
	all    context.Context
	end    context.CancelFunc
	well   bool
	trying int
}

func newHealth(s *store.Store, revive func(context.Context) error, away func()) *health {
	h := &health{store: s, revive: revive, away: away, well: true}
	h.all, h.end = context.WithCancel(context.Background())
	return h
}

// context is what a request does its work in: it ends when the database goes away.
func (h *health) context() (context.Context, error) {
	h.mu.Lock()
	defer h.mu.Unlock()
	if h.well {
		return h.all, nil
	}
	return nil, h.problem()
}

// problem says in words that the database is away. The lock is held.
func (h *health) problem() error {
	text := "The database does not answer. Azzel asks it again and again; what you do is kept in this browser until it does."
	if h.trying > 0 {
		text = "The database has ended and is being started again. What you do is kept in this browser until it answers."
	}
	return fiber.NewError(fiber.StatusServiceUnavailable, text)
}

// isAway reports whether a request failed because the database does not answer, which may be found out just now.
func (h *health) isAway(err error) bool {
	if _, away := h.context(); away != nil || errors.Is(err, context.Canceled) {
		return true
	}
	ctx, cancel := context.WithTimeout(context.Background(), answerTime)
	defer cancel()
	return h.store.Ready(ctx) != nil
}

// watch asks the database until the context ends.
func (h *health) watch(ctx context.Context) {
	pause := time.Second
	var next time.Time
	for {
		select {
		case <-ctx.Done():
			return
		case <-time.After(askEvery):
		}
		asking, cancel := context.WithTimeout(ctx, answerTime)
		err := h.store.Ready(asking)
		cancel()
		if ctx.Err() != nil {
			return
		}
		if h.note(err); err == nil {
			pause, next = time.Second, time.Time{}
			continue
		}
		if h.revive == nil || time.Now().Before(next) {
			continue
		}
		h.mu.Lock()
		h.trying++
		h.mu.Unlock()
		if err := h.revive(ctx); err != nil && !errors.Is(err, context.Canceled) {
			slog.Error("the database could not be started again", "error", err)
		}
		next, pause = time.Now().Add(pause), min(2*pause, mostPatience)
	}
}

// note takes note of whether the database answered.
func (h *health) note(err error) {
	h.mu.Lock()
	was := h.well
	h.well = err == nil
	switch {
	case was && !h.well:
		h.end()
	case !was && h.well:
		h.all, h.end = context.WithCancel(context.Background())
		h.trying = 0
	}
	h.mu.Unlock()
	switch {
	case was && err != nil:
		slog.Error("the database does not answer", "error", err)
		h.away()
	case !was && err == nil:
		slog.Info("the database answers again")
	}
}
