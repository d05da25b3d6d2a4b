package server

import (
	"net"
	"testing"
	"time"

	"github.com/fasthttp/websocket"
	"github.com/gofiber/fiber/v3"
)

// A page that was idle through many pings still hears what it is sent, and one
// that is given up finds its socket closed, so that it comes back.
func TestIdleSocket(t *testing.T) {
	m := newMember(1)
	heard := make(chan []byte, 1)
	app := fiber.New()
	app.Get("/", func(c fiber.Ctx) error {
		return upgrader.Upgrade(c.RequestCtx(), func(conn *websocket.Conn) {
			carry(conn, m, pace{ping: 20 * time.Millisecond, silence: 20 * time.Second, writing: 20 * time.Millisecond},
				func() error { return nil }, func(b []byte) error { heard <- b; return nil })
		})
	})
	l, err := net.Listen("tcp", "127.0.0.1:0")
	if err != nil {
		t.Fatal(err)
	}
	go app.Listener(l, fiber.ListenConfig{DisableStartupMessage: true}) //nolint:errcheck // ends with the test
	defer app.Shutdown()                                                //nolint:errcheck // ends with the test
	conn, _, err := websocket.DefaultDialer.Dial("ws://"+l.Addr().String()+"/", nil)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close()
	pings := 0
	answer := conn.PingHandler()
	conn.SetPingHandler(func(data string) error {
		if pings++; pings == 12 {
			m.send([]byte("moss"))
		}
		return answer(data)
	})
	_ = conn.SetReadDeadline(time.Now().Add(20 * time.Second)) // only so that a failing test ends
	if _, got, err := conn.ReadMessage(); err != nil || string(got) != "moss" {
		t.Fatalf("after %d pings: %q, %v", pings, got, err)
	}
	if err := conn.WriteMessage(websocket.BinaryMessage, []byte("fern")); err != nil {
		t.Fatal(err)
	}
	if got := <-heard; string(got) != "fern" {
		t.Errorf("the server heard %q", got)
	}
	m.leave()
	if _, _, err := conn.ReadMessage(); !isClosed(err) {
		t.Errorf("a page that was given up reads on: %v", err)
	}
}

// isClosed reports whether a read ended since the other side has gone, and not
// since time ran out.
func isClosed(err error) bool {
	late, ok := err.(net.Error)
	return err != nil && !(ok && late.Timeout())
}
