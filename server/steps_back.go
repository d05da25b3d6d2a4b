package server

import (
	"context"
	"io"
	"log/slog"
	"strconv"

	"github.com/gofiber/fiber/v3"

	"azzel/core/edit"
	"azzel/store"
)

// How many steps of its session a page is given at a time to take back, about how many bytes of them, and how many bytes
// of those are in memory at a time. It asks for more once it needs them.
const (
	mostRecords   = 2000
	recordBytes   = 16 << 20
	recordPortion = 1 << 20
)

// A stepsBack is what a session can take back, as an answer that is read from the log in portions while it is sent. No
// connection to the database waits for the page that takes it.
type stepsBack struct {
	store            *store.Store
	ctx              context.Context
	project, session int64
	// ready are bytes that can be sent, one after the other; steps are those that are still to be read.
	ready [][]byte
	steps []store.Reversible
}

// size is how many bytes come until the end.
func (s *stepsBack) size() int {
	n := 0
	for _, b := range s.ready {
		n += len(b)
	}
	for _, r := range s.steps {
		n += len(r.AppendHead(nil, r.Bytes)) + r.Bytes
	}
	return n
}

// held is how many bytes are in memory at most.
func (s *stepsBack) held() int {
	n, most := 0, 0
	for _, b := range s.ready {
		n += len(b)
	}
	for _, r := range s.steps {
		most = max(most, r.Bytes)
	}
	return max(n, recordPortion, most)
}

// Read implements io.Reader. It fails if a step is gone from the log meanwhile: the page begins once more.
func (s *stepsBack) Read(to []byte) (int, error) {
	for len(s.ready) == 0 || len(s.ready[0]) == 0 {
		if len(s.ready) > 0 {
			s.ready = s.ready[1:]
			continue
		}
		if len(s.steps) == 0 {
			return 0, io.EOF
		}
		if err := s.more(); err != nil {
			slog.Error("sending what a session can take back failed", "project", s.project, "error", err)
			return 0, err
		}
	}
	n := copy(to, s.ready[0])
	s.ready[0] = s.ready[0][n:]
	return n, nil
}

// more reads the next portion.
func (s *stepsBack) more() error {
	n, sum := 0, 0
	for n < len(s.steps) && (n == 0 || sum+s.steps[n].Bytes <= recordPortion) {
		sum += s.steps[n].Bytes
		n++
	}
	inverses, err := s.store.Inverses(s.ctx, s.project, s.session, s.steps[:n])
	if err != nil {
		return err
	}
	for i, b := range inverses {
		s.ready = append(s.ready, s.steps[i].AppendHead(nil, len(b)), b)
	}
	s.steps = s.steps[n:]
	return nil
}

// earlierSteps gives what a session did before one of its steps, so that it can be taken
// back.
func (v *Server) earlierSteps(c fiber.Ctx) error {
	id, err := projectID(c)
	if err != nil {
		return err
	}
	session, err := strconv.ParseInt(c.Query("session"), 10, 64)
	if err != nil {
		return fiber.NewError(fiber.StatusBadRequest, "This address names no session.")
	}
	before, err := strconv.ParseUint(c.Query("before"), 10, 63)
	if err != nil || before == 0 {
		return fiber.NewError(fiber.StatusBadRequest, "This address names no step.")
	}
	if _, err := v.store.Project(c.Context(), id); err != nil {
		return err
	}
	steps, err := v.store.Reversible(c.Context(), id, session, before, mostRecords, recordBytes)
	if err != nil {
		return err
	}
	c.Set("Cache-Control", "no-store")
	c.Set("Content-Type", "application/octet-stream")
	s := &stepsBack{v.store, c.Context(), id, session, [][]byte{edit.BeforeRecords(len(steps))}, steps}
	return v.sendPortions(c, s, s.size(), s.held())
}
