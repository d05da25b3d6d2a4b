package server

import (
	"bytes"
	"context"
	"errors"
	"log/slog"
	"strconv"
	"time"

	"github.com/fasthttp/websocket"
	"github.com/gofiber/fiber/v3"
	"github.com/valyala/fasthttp"
	"golang.org/x/sync/semaphore"

	"azzel/core/edit"
	"azzel/core/limit"
)

var upgrader = websocket.FastHTTPUpgrader{
	ReadBufferSize: 4096, WriteBufferSize: 16384,
	// The origin has been checked by guard.
	CheckOrigin: func(*fasthttp.RequestCtx) bool { return true },
}

// A pace is how a socket is kept alive: it is pinged so often, a page that is
// silent for longer than silence is given up, and so is one that does not take
// a message in the time for writing.
type pace struct{ ping, silence, writing time.Duration }

var usualPace = pace{ping: 20 * time.Second, silence: 60 * time.Second, writing: 10 * time.Second}

// socket carries steps both ways for one page.
func (v *Server) socket(c fiber.Ctx) error {
	id, err := projectID(c)
	if err != nil {
		return err
	}
	session, err := strconv.ParseInt(c.Query("session"), 10, 64)
	if err != nil || session <= 0 {
		return fiber.NewError(fiber.StatusBadRequest, "The session is missing. Reload the page.")
	}
	revision, err := strconv.ParseUint(c.Query("revision"), 10, 64)
	if err != nil {
		return fiber.NewError(fiber.StatusBadRequest, "The revision is missing. Reload the page.")
	}
	ctx := c.Context()
	r, err := v.rooms.enter(ctx, id)
	if err != nil {
		return err
	}
	m := newMember(session)
	if r.another(c.Query("database")) {
		m.leaveFor(closeOther)
	}
	return upgrader.Upgrade(c.RequestCtx(), func(conn *websocket.Conn) { talk(ctx, conn, r, m, revision, v.bodies.steps) })
}

// ready says whether the socket of a project could be opened, since a browser tells a page nothing of why it was not.
func (v *Server) ready(c fiber.Ctx) error {
	if _, _, err := v.roomOf(c); err != nil {
		return err
	}
	return c.SendStatus(fiber.StatusNoContent)
}

// talk carries steps between a page and a room. Of those that are being taken so many bytes are held at a time, of all
// pages together; what is over it stays on the line.
func talk(ctx context.Context, conn *websocket.Conn, r *room, m *member, revision uint64, held *semaphore.Weighted) {
	ctx, cancel := context.WithCancel(ctx)
	defer cancel()
	defer r.leave(m)
	// Steps are read while those before them are still being stored.
	taken := make(chan *arrival, together)
	defer close(taken)
	go func() {
		for a := range taken {
			err := <-a.done
			held.Release(int64(len(a.message)))
			if err != nil {
				if ctx.Err() == nil && !errors.Is(err, errGivenUp) {
					slog.Error("a change could not be taken", "project", r.project, "error", err)
				}
				m.leave()
			}
		}
	}()
	carry(conn, m, usualPace, func() error {
		err := r.join(ctx, m, revision)
		if err != nil && ctx.Err() == nil && !errors.Is(err, errGivenUp) {
			slog.Error("a page could not join", "project", r.project, "error", err)
		}
		return err
	}, func(message []byte) error {
		if err := held.Acquire(ctx, int64(len(message))); err != nil {
			return err
		}
		taken <- r.arrive(ctx, m.session, message)
		return nil
	})
}

// carry writes what a member is sent and gives what it sends to take, until one
// of them ends it. It joins first, while messages are written already.
func carry(conn *websocket.Conn, m *member, p pace, join func() error, take func([]byte) error) {
	written := make(chan struct{})
	go func() {
		defer close(written)
		write(conn, m, p)
	}()
	defer func() {
		m.leave()
		<-written
	}()
	if join() != nil {
		return
	}
	conn.SetReadLimit(limit.SocketBytes)
	conn.SetPongHandler(func(string) error { return m.stay(conn, p) })
	for m.stay(conn, p) == nil {
		kind, message, err := conn.ReadMessage()
		if err != nil {
			return
		}
		if kind == websocket.BinaryMessage && take(bytes.Clone(message)) != nil {
			return
		}
	}
}

var errGone = errors.New("the member was given up")

// stay gives a page time to be heard of again, unless it was given up.
func (m *member) stay(conn *websocket.Conn, p pace) error {
	_ = conn.SetReadDeadline(time.Now().Add(p.silence))
	select {
	case <-m.gone:
		return errGone
	default:
		return nil
	}
}

// write sends what the room has for the member until one of them leaves. Then
// it ends the reader by its deadline: the socket itself is closed when the
// reader returns, and not before.
func write(conn *websocket.Conn, m *member, p pace) {
	defer func() {
		m.leave()
		_ = conn.SetReadDeadline(time.Now())
	}()
	ping := time.NewTicker(p.ping)
	defer ping.Stop()
	for {
		kind, message := websocket.PingMessage, []byte(nil)
		select {
		case message = <-m.out:
			kind, message = websocket.BinaryMessage, m.rest(message)
		case <-ping.C:
		case <-m.gone:
			closing := websocket.FormatCloseMessage(m.why, "")
			_ = conn.WriteControl(websocket.CloseMessage, closing, time.Now().Add(time.Second))
			return
		}
		// The time for writing begins here, not when waiting began.
		_ = conn.SetWriteDeadline(time.Now().Add(p.writing))
		if conn.WriteMessage(kind, message) != nil {
			return
		}
		if kind == websocket.BinaryMessage {
			m.tell()
		}
	}
}

// tell lets who waits for room know that there is some.
func (m *member) tell() {
	select {
	case m.written <- struct{}{}:
	default:
	}
}

// atATime is about how many bytes of messages travel as one.
const atATime = 64 << 10

// rest makes one message of a first one and those that wait behind it.
func (m *member) rest(first []byte) []byte {
	all := [][]byte{first}
	size := len(first)
	for size < atATime {
		select {
		case message := <-m.out:
			all = append(all, message)
			size += len(message)
			continue
		default:
		}
		break
	}
	m.waiting.Add(int64(-size))
	if len(all) == 1 {
		return first
	}
	return edit.Several(all)
}

// postEdit takes a step that is too large for the socket; the answer to it
// comes by the socket all the same.
func (v *Server) postEdit(c fiber.Ctx) error {
	id, err := projectID(c)
	if err != nil {
		return err
	}
	session, err := strconv.ParseInt(c.Query("session"), 10, 64)
	if err != nil || session <= 0 {
		return fiber.NewError(fiber.StatusBadRequest, "The session is missing. Reload the page.")
	}
	r, err := v.rooms.enter(c.Context(), id)
	if err != nil {
		return err
	}
	if r.another(c.Query("database")) {
		return fiber.NewError(fiber.StatusConflict, "This page was opened from another database. Reload it.")
	}
	err = r.submit(c.Context(), session, bytes.Clone(c.Body()))
	switch {
	case errors.Is(err, errUnreadable):
		return refuse(errUnreadable)
	case errors.Is(err, errGivenUp):
		return errBusy
	case err != nil:
		return err
	}
	return c.SendStatus(fiber.StatusNoContent)
}
