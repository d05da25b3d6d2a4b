package server

import (
	"sync"
	"sync/atomic"
)

// A member is one page's socket, seen from the room.
type member struct {
	session int64
	out     chan []byte
	// waiting is how many bytes wait for the page; written hears whenever some were.
	waiting atomic.Int64
	written chan struct{}
	// gone is closed when the room gives the member up, for why.
	gone chan struct{}
	once sync.Once
	why  int
}

// outgoing is how many messages may wait for a slow page, and outgoingBytes how many bytes of them, before it is given
// up; it then comes back and catches up from the log.
const (
	outgoing      = 1024
	outgoingBytes = 8 << 20
)

// Why a page's socket is closed, by the code that it is told (RFC 6455, 7.4.2).
const (
	closeAgain = 4000 // it may come again at once
	closeAnew  = 4001 // it is too far behind, and opens the project anew
	closeOther = 4002 // the database is another one
)

func newMember(session int64) *member {
	return &member{session: session, out: make(chan []byte, outgoing), written: make(chan struct{}, 1), gone: make(chan struct{})}
}

func (m *member) leave() { m.leaveFor(closeAgain) }

func (m *member) leaveFor(why int) {
	m.once.Do(func() {
		m.why = why
		close(m.gone)
	})
}

func (m *member) send(message []byte) {
	if m.waiting.Add(int64(len(message))) > outgoingBytes+int64(len(message)) {
		m.leave()
		return
	}
	select {
	case m.out <- message:
	default:
		m.leave()
	}
}

// sendSlowly sends a message once less than a portion waits for the page; false if the page is gone.
func (m *member) sendSlowly(message []byte) bool {
	for m.waiting.Load() > portion {
		select {
		case <-m.written:
		case <-m.gone:
			return false
		}
	}
	m.waiting.Add(int64(len(message)))
	select {
	case m.out <- message:
		return true
	case <-m.gone:
		return false
	}
}
