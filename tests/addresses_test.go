package tests

import (
	"encoding/json"
	"net/http"
	"net/http/httptest"
	"os"
	"os/exec"
	"strings"
	"testing"

	"github.com/fasthttp/websocket"

	"azzel/core/edit"
)

// What does not belong is answered, and harms nothing.
func TestServerRefusesStrangers(t *testing.T) {
	s := newSite(t)
	s.create("Doors")
	ask := func(set func(*http.Request)) int {
		req, err := http.NewRequest(http.MethodGet, s.url("/api/projects"), nil)
		if err != nil {
			t.Fatal(err)
		}
		set(req)
		res, err := http.DefaultClient.Do(req)
		if err != nil {
			t.Fatal(err)
		}
		defer res.Body.Close()
		return res.StatusCode
	}
	port := s.address[strings.LastIndex(s.address, ":"):]
	for name, c := range map[string]struct {
		set  func(*http.Request)
		want int
	}{
		"ourselves":        {func(*http.Request) {}, 200},
		"localhost":        {func(r *http.Request) { r.Host = "localhost" + port }, 200},
		"own origin":       {func(r *http.Request) { r.Header.Set("Origin", "http://"+s.address) }, 200},
		"a foreign host":   {func(r *http.Request) { r.Host = "garden.example" + port }, 403},
		"another port":     {func(r *http.Request) { r.Host = "127.0.0.1:1" }, 403},
		"a foreign origin": {func(r *http.Request) { r.Header.Set("Origin", "https://garden.example") }, 403},
		"an opaque origin": {func(r *http.Request) { r.Header.Set("Origin", "null") }, 403},
	} {
		if got := ask(c.set); got != c.want {
			t.Errorf("%s: %d, want %d", name, got, c.want)
		}
	}
	if _, res, err := websocket.DefaultDialer.Dial("ws://"+s.address+"/api/projects/1/socket?session=5&revision=0", http.Header{"Origin": {"https://garden.example"}}); err == nil || res == nil || res.StatusCode != 403 {
		t.Errorf("a socket from a foreign origin: %v", err)
	}
	conn, _, err := websocket.DefaultDialer.Dial("ws://"+s.address+"/api/projects/1/socket?session=5&revision=0", nil)
	if err != nil {
		t.Fatal(err)
	}
	defer conn.Close()
	for _, m := range [][]byte{[]byte("nonsense"), edit.Send(9, []byte("E"))} {
		_ = conn.WriteMessage(websocket.BinaryMessage, m)
	}
	if _, m, err := conn.ReadMessage(); err == nil {
		t.Errorf("nonsense was answered %q", m)
	}
	code, text := s.post("/api/projects", "application/json", []byte("{"))
	var problem struct{ Error string }
	if err := json.Unmarshal([]byte(text), &problem); err != nil || code != 422 || problem.Error == "" {
		t.Errorf("half a project: %d %s", code, text)
	}
	if res, err := http.Get(s.url("/assets/none.js")); err != nil || res.StatusCode != 404 {
		t.Errorf("a file that is not there: %v %v", res.StatusCode, err)
	}
	if res, err := http.Get(s.url("/project/1")); err != nil || res.StatusCode != 200 || !strings.Contains(res.Header.Get("Content-Security-Policy"), "default-src 'self'") {
		t.Errorf("the page of a project: %v", err)
	}
}

// The command says what is wrong with an address, and where it runs already.
func TestAddresses(t *testing.T) {
	s := newSite(t)
	start := func(addr string) (string, error) {
		c := exec.Command(command, "serve")
		c.Env = append(os.Environ(), "AZZEL_DATABASE_URL="+s.database, "AZZEL_ADDR="+addr)
		out, err := c.CombinedOutput()
		return string(out), err
	}
	for _, bad := range []string{"0.0.0.0:8417", "192.168.1.4:80", "garden.example:8417", "8417", ":8417"} {
		if out, err := start(bad); err == nil || !strings.Contains(out, "127.0.0.1:8417") {
			t.Errorf("%s: %v %s", bad, err, out)
		}
	}
	if out, err := start(s.address); err != nil || !strings.Contains(out, "runs already at http://"+s.address) {
		t.Errorf("started twice: %v %s", err, out)
	}
	// Another program that says it is well is not Azzel.
	other := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, _ *http.Request) { _, _ = w.Write([]byte("well")) }))
	defer other.Close()
	address := strings.TrimPrefix(other.URL, "http://")
	if out, err := start(address); err == nil || !strings.Contains(out, address+" can't be used") {
		t.Errorf("where another program answers: %v %s", err, out)
	}
}
