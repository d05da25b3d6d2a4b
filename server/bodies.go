package server

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"io"
	"os"
	"strings"
	"sync/atomic"
	"time"

	"github.com/gofiber/fiber/v3"
	"golang.org/x/sync/semaphore"

	"azzel/core/limit"
)

// What requests may hold together while they are read and answered. Whatever is over it is told to come again.
const (
	// reading is how many bodies are read at a time.
	reading = 512
	// inMemory is how much of a body is in memory while it comes, the rest lies in a file.
	inMemory = 16 << 10
	// wholeBodies is how many bytes of bodies are worked on in memory at a time.
	wholeBodies = 48 << 20
	// onDisk is how many bytes of bodies lie in files.
	onDisk = 1 << 30
	// answering is how many bytes of large answers wait to be taken by pages at a time.
	answering = 256 << 20
	// patience is how long a body that has come waits for its turn.
	patience = 10 * time.Second
	// drained is how much more than it may have is read of a body, so that the answer is heard.
	drained = 512 << 20
)

// jsonBytes is the most bytes of a request that is JSON.
const jsonBytes = 64 << 10

// bodies are what requests bring.
type bodies struct {
	slots   chan struct{}
	memory  *semaphore.Weighted
	answers *semaphore.Weighted
	// steps are those that come by sockets.
	steps *semaphore.Weighted
	disk  atomic.Int64
}

func newBodies() *bodies {
	return &bodies{slots: make(chan struct{}, reading), memory: semaphore.NewWeighted(wholeBodies), answers: semaphore.NewWeighted(answering), steps: semaphore.NewWeighted(wholeBodies)}
}

var errBusy = fiber.NewError(fiber.StatusServiceUnavailable, "Azzel has as much to do as it can hold at the moment. Try again in a few seconds.")

// undrained says of a request that its body was not read to the end.
const undrained = "undrained body"

// connections keeps the rest of a body from being taken for another request: whatever a handler did not read ends
// with the connection.
func connections(c fiber.Ctx) error {
	body := c.Request().BodyStream()
	err := c.Next()
	if body != nil && c.Locals(undrained) != false {
		c.Response().Header.SetConnectionClose()
	}
	return err
}

// whole reads the body of a request, of at most so many bytes, before a handler looks at it.
func (b *bodies) whole(most int) fiber.Handler {
	return func(c fiber.Ctx) error {
		s, err := b.read(c, most)
		if err != nil {
			return err
		}
		defer s.close()
		body, err := s.bytes(c.Context())
		if err != nil {
			return err
		}
		c.Request().SetBodyRaw(body)
		// What answers must not keep it once the memory is given back.
		defer c.Request().ResetBody()
		return c.Next()
	}
}

// spooled is a body that has come: in memory if it is small, else in a file.
type spooled struct {
	of    *bodies
	small bytes.Buffer
	file  *os.File
	size  int64
	held  int64
}

// read reads the body of a request to its end, of at most so many bytes.
func (b *bodies) read(c fiber.Ctx, most int) (*spooled, error) {
	if encoding := c.Get("Content-Encoding"); encoding != "" && !strings.EqualFold(encoding, "identity") {
		return nil, fiber.NewError(fiber.StatusUnsupportedMediaType, "Azzel takes what is sent as it is, and not compressed.")
	}
	select {
	case b.slots <- struct{}{}:
		defer func() { <-b.slots }()
	default:
		return nil, errBusy
	}
	stream := c.Request().BodyStream()
	if stream == nil {
		stream = bytes.NewReader(c.Request().Body())
	}
	tooLarge := fiber.NewError(fiber.StatusRequestEntityTooLarge, fmt.Sprintf("This is larger than the %s that may be sent here.", sizeText(most)))
	if n := c.Request().Header.ContentLength(); n > most {
		drain(c, stream)
		return nil, tooLarge
	}
	s := &spooled{of: b}
	err := s.fill(io.LimitReader(stream, int64(most)+1))
	switch {
	case err == nil && s.size > int64(most):
		drain(c, stream)
		err = tooLarge
	case err == nil && s.size < int64(c.Request().Header.ContentLength()):
		err = io.ErrUnexpectedEOF
	case err == nil:
		c.Locals(undrained, false)
		return s, nil
	}
	s.close()
	var known *fiber.Error
	if !errors.As(err, &known) {
		err = fiber.NewError(fiber.StatusBadRequest, "What was sent broke off. Send it again.")
	}
	return nil, err
}

func sizeText(bytes int) string {
	if bytes < 1<<20 {
		return fmt.Sprintf("%d KB", bytes>>10)
	}
	return fmt.Sprintf("%d MB", bytes>>20)
}

// drain reads what is left of a body and forgets it: who still sends would not hear the answer.
func drain(c fiber.Ctx, stream io.Reader) {
	if n, err := io.CopyN(io.Discard, stream, drained); n < drained && errors.Is(err, io.EOF) {
		c.Locals(undrained, false)
	}
}

// fill takes what a reader has, piece by piece.
func (s *spooled) fill(r io.Reader) error {
	if _, err := io.CopyN(&s.small, r, inMemory); errors.Is(err, io.EOF) {
		s.size = int64(s.small.Len())
		return nil
	} else if err != nil {
		return err
	}
	file, err := os.CreateTemp("", "azzel-body-*")
	if err != nil {
		return fmt.Errorf("making room for what is sent: %w", err)
	}
	// The file is gone as soon as it is closed.
	if err := os.Remove(file.Name()); err != nil {
		return errors.Join(err, file.Close())
	}
	s.file = file
	piece := make([]byte, inMemory)
	n := copy(piece, s.small.Bytes())
	s.small = bytes.Buffer{}
	for {
		if s.of.disk.Add(int64(n)) > onDisk {
			s.of.disk.Add(int64(-n))
			return errBusy
		}
		s.size += int64(n)
		if _, err := file.Write(piece[:n]); err != nil {
			return fmt.Errorf("keeping what is sent: %w", err)
		}
		if n, err = r.Read(piece); n == 0 && err != nil {
			if errors.Is(err, io.EOF) {
				return nil
			}
			return err
		}
	}
}

// bytes gives the whole body, once there is room for it.
func (s *spooled) bytes(ctx context.Context) ([]byte, error) {
	if s.file == nil {
		return s.small.Bytes(), nil
	}
	ctx, cancel := context.WithTimeout(ctx, patience)
	defer cancel()
	held := min(s.size, wholeBodies)
	if err := s.of.memory.Acquire(ctx, held); err != nil {
		return nil, errBusy
	}
	s.held = held
	body := make([]byte, s.size)
	if _, err := s.file.ReadAt(body, 0); err != nil {
		return nil, fmt.Errorf("reading what was sent: %w", err)
	}
	return body, nil
}

// reader reads the body wherever it is.
func (s *spooled) reader() io.ReaderAt {
	if s.file == nil {
		return bytes.NewReader(s.small.Bytes())
	}
	return s.file
}

// close gives up what it holds.
func (s *spooled) close() {
	if s.held > 0 {
		s.of.memory.Release(s.held)
		s.held = 0
	}
	if s.file != nil {
		s.of.disk.Add(-s.size)
		_ = s.file.Close() // it is gone already
		s.file = nil
	}
}

// The most bytes of each sort of request.
const (
	pictureBody = limit.PictureBytes
	editBody    = limit.EditBytes + 1<<10
)

// sendHeld sends an answer that may be large; so many of them at a time, as pages take them.
func (v *Server) sendHeld(c fiber.Ctx, body []byte) error {
	return v.sendPortions(c, bytes.NewReader(body), len(body), len(body))
}

// sendPortions is sendHeld for an answer that is made while it is sent, of which so many bytes are in memory at a time.
func (v *Server) sendPortions(c fiber.Ctx, answer io.Reader, size, held int) error {
	n := min(int64(held), answering)
	ctx, cancel := context.WithTimeout(c.Context(), patience)
	defer cancel()
	if err := v.bodies.answers.Acquire(ctx, n); err != nil {
		return errBusy
	}
	return c.SendStream(&heldAnswer{answer, func() { v.bodies.answers.Release(n) }}, size)
}

// heldAnswer is an answer that is let go of once it was sent, or can't be.
type heldAnswer struct {
	io.Reader
	release func()
}

// Close implements io.Closer.
func (h *heldAnswer) Close() error {
	h.release()
	return nil
}
