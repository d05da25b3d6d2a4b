package server

import (
	"bytes"
	"context"
	"log/slog"
	"strconv"
	"time"

	"github.com/fasthttp/websocket"
	"github.com/gofiber/fiber/v3"
	"github.com/valyala/fasthttp"

	"azzel/core/limit"
)

var upgrader = websocket.FastHTTPUpgrader{
	ReadBufferSize: 4096, WriteBufferSize: 16384,
	// The origin has been checked by guard.
	CheckOrigin: func(*fasthttp.RequestCtx) bool { return true },
}

const (
	// pingEvery keeps the socket alive; a page that is silent for longer than
	// silence is given up.
	pingEvery = 20 * time.Second
	silence   = 60 * time.Second
	writeTime = 20 * time.Second
)

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
	r, err := v.rooms.enter(c, id)
	if err != nil {
		return err
	}
	return upgrader.Upgrade(c.RequestCtx(), func(conn *websocket.Conn) { talk(conn, r, session, revision) })
}

func talk(conn *websocket.Conn, r *room, session int64, revision uint64) {
	ctx, cancel := context.WithCancel(context.Background())
	defer cancel()
	m := newMember(session)
	defer r.leave(m)
	written := make(chan struct{})
	go func() {
		defer close(written)
		write(conn, m)
	}()
	defer func() {
		m.leave()
		_ = conn.Close() // the page may be gone already
		<-written
	}()
	if err := r.join(ctx, m, revision); err != nil {
		slog.Error("a page could not join", "project", r.project, "error", err)
		return
	}
	conn.SetReadLimit(limit.SocketBytes)
	for {
		_ = conn.SetReadDeadline(time.Now().Add(silence))
		conn.SetPongHandler(func(string) error { return conn.SetReadDeadline(time.Now().Add(silence)) })
		kind, message, err := conn.ReadMessage()
		if err != nil {
			return
		}
		if kind != websocket.BinaryMessage {
			continue
		}
		if err := r.submit(ctx, session, bytes.Clone(message)); err != nil {
			slog.Error("a change could not be taken", "project", r.project, "error", err)
			return
		}
	}
}

// write sends what the room has for the member until one of them leaves.
func write(conn *websocket.Conn, m *member) {
	ping := time.NewTicker(pingEvery)
	defer ping.Stop()
	for {
		var err error
		_ = conn.SetWriteDeadline(time.Now().Add(writeTime))
		select {
		case message := <-m.out:
			err = conn.WriteMessage(websocket.BinaryMessage, message)
		case <-ping.C:
			err = conn.WriteMessage(websocket.PingMessage, nil)
		case <-m.gone:
			_ = conn.Close() // ends the reader too
			return
		}
		if err != nil {
			m.leave()
			_ = conn.Close() // ends the reader too
			return
		}
	}
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
	r, err := v.rooms.enter(c, id)
	if err != nil {
		return err
	}
	if err := r.submit(c, session, bytes.Clone(c.Body())); err != nil {
		return err
	}
	return c.SendStatus(fiber.StatusNoContent)
}
