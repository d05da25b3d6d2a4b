package server

import (
	"context"
	"errors"
	"fmt"
	"io/fs"
	"log/slog"
	"net"
	"net/url"
	"strings"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/gofiber/fiber/v3/middleware/recover"

	"azzel/store"
)

// A Server serves one store.
type Server struct {
	store *store.Store
	rooms *rooms
	app   *fiber.App
	files fs.FS
	host  string
	// decoding lets one picture be decoded at a time: each may take 128 MB.
	decoding chan struct{}
}

// New makes a server of the front end in files, to be reached at addr (a
// loopback host and a port).
func New(s *store.Store, files fs.FS, addr string) (*Server, error) {
	if err := CheckAddress(addr); err != nil {
		return nil, err
	}
	v := &Server{store: s, rooms: &rooms{store: s, open: map[int64]*room{}}, files: files, host: addr, decoding: make(chan struct{}, 1)}
	v.app = fiber.New(fiber.Config{
		AppName: "Azzel", BodyLimit: smallBody, ReadTimeout: 60 * time.Second, IdleTimeout: 120 * time.Second,
		ErrorHandler: v.failed,
	})
	v.app.Server().HeaderReceived = bodyLimit
	v.app.Use(recover.New(), v.guard)
	api := v.app.Group("/api")
	api.Get("/projects", v.listProjects)
	api.Post("/projects", v.createProject)
	api.Get("/projects/:project", v.oneProject)
	api.Get("/projects/:project/picture", v.projectPicture)
	api.Get("/projects/:project/opening", v.open)
	api.Get("/projects/:project/steps", v.earlierSteps)
	api.Get("/projects/:project/blobs/:sum", v.blob)
	api.Get("/projects/:project/socket", v.socket)
	api.Post("/projects/:project/edits", v.postEdit)
	api.Post("/projects/:project/tilesets", v.takePicture)
	api.Post("/projects/:project/characters", v.takeSheet)
	api.Post("/projects/:project/pictures", v.keepPicture)
	api.Get("/projects/:project/bundle", v.exportBundle)
	api.Post("/bundles", v.importBundle)
	api.Get("/projects/:project/maps/:map/picture", v.mapPicture)
	api.Get("/projects/:project/maps/:map/layers/:layer/cells", v.layerCells)
	api.Get("/projects/:project/states", v.listStates)
	api.Post("/projects/:project/states", v.keepState)
	api.Get("/projects/:project/states/:state", v.oneState)
	api.Put("/projects/:project/states/:state", v.nameState)
	api.Delete("/projects/:project/states/:state", v.removeState)
	api.Use(func(c fiber.Ctx) error {
		return fiber.NewError(fiber.StatusNotFound, "There is nothing at this address.")
	})
	v.app.Get("/healthz", func(c fiber.Ctx) error { return c.SendString("well") })
	v.app.Get("/readyz", func(c fiber.Ctx) error {
		if err := v.store.Ready(c); err != nil {
			return fiber.NewError(fiber.StatusServiceUnavailable, "The database does not answer.")
		}
		return c.SendString("ready")
	})
	v.app.Get("/*", v.static)
	return v, nil
}

// CheckAddress refuses every address but loopback ones: there is no sign-in.
func CheckAddress(addr string) error {
	host, port, err := net.SplitHostPort(addr)
	if err != nil || port == "" {
		return fmt.Errorf("the address %q is not of the form host:port; write for example 127.0.0.1:8417", addr)
	}
	if ip := net.ParseIP(host); host != "localhost" && (ip == nil || !ip.IsLoopback()) {
		return fmt.Errorf("the address %q is not on this machine alone; Azzel has no sign-in yet and serves on loopback only, for example 127.0.0.1:8417", addr)
	}
	return nil
}

// Serve answers on the listener until the context ends.
func (v *Server) Serve(ctx context.Context, l net.Listener) error {
	v.host = l.Addr().String()
	sweeper := time.NewTicker(time.Hour)
	defer sweeper.Stop()
	done := make(chan error, 1)
	go func() { done <- v.app.Listener(l, fiber.ListenConfig{DisableStartupMessage: true}) }()
	for {
		select {
		case err := <-done:
			return err
		case <-sweeper.C:
			if n, err := v.store.Sweep(ctx, 24*time.Hour); err != nil {
				slog.Error("sweeping blobs failed", "error", err)
			} else if n > 0 {
				slog.Info("swept blobs", "count", n)
			}
		case <-ctx.Done():
			v.rooms.closeAll()
			return v.app.ShutdownWithTimeout(5 * time.Second)
		}
	}
}

const policy = "default-src 'self'; script-src 'self' 'wasm-unsafe-eval'; style-src 'self'; style-src-attr 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; worker-src 'self'; object-src 'none'; base-uri 'self'; frame-ancestors 'none'"

// guard refuses foreign hosts and origins, and sets what every answer carries.
func (v *Server) guard(c fiber.Ctx) error {
	c.Set("Content-Security-Policy", policy)
	c.Set("X-Content-Type-Options", "nosniff")
	c.Set("Referrer-Policy", "no-referrer")
	c.Set("Cross-Origin-Opener-Policy", "same-origin")
	if !v.own(string(c.Request().Host())) {
		return fiber.NewError(fiber.StatusForbidden, "This address is not the one Azzel serves at.")
	}
	if origin := c.Get("Origin"); origin != "" {
		u, err := url.Parse(origin)
		if err != nil || !v.own(u.Host) {
			return fiber.NewError(fiber.StatusForbidden, "Another site may not use Azzel.")
		}
	}
	return c.Next()
}

// own reports whether host is a name of this machine with the port served at.
func (v *Server) own(host string) bool {
	_, mine, _ := net.SplitHostPort(v.host)
	name, port, err := net.SplitHostPort(host)
	if err != nil || port != mine {
		return false
	}
	ip := net.ParseIP(name)
	return name == "localhost" || ip != nil && ip.IsLoopback()
}

// Problem is the body of every answer that reports an error.
type Problem struct {
	// Error says what, where and what to do.
	Error string `json:"error"`
}

// failed turns an error into an answer. What is not meant for people is
// logged, once, here.
func (v *Server) failed(c fiber.Ctx, err error) error {
	var known *fiber.Error
	switch {
	case errors.As(err, &known) && known.Code < 500:
		return c.Status(known.Code).JSON(Problem{known.Message})
	case errors.Is(err, store.ErrNotFound):
		return c.Status(fiber.StatusNotFound).JSON(Problem{"This project is not there. It may have been deleted; go back to all projects."})
	case errors.As(err, &known) && known.Code == fiber.StatusServiceUnavailable:
		return c.Status(known.Code).JSON(Problem{known.Message})
	}
	slog.Error("a request failed", "method", c.Method(), "path", c.Path(), "error", err)
	return c.Status(fiber.StatusInternalServerError).JSON(Problem{"The server could not do this. Nothing was changed; try again."})
}

// refuse is an answer for people about what they sent.
func refuse(err error) error {
	text := []rune(err.Error())
	if len(text) > 0 && text[0] >= 'a' && text[0] <= 'z' {
		text[0] -= 'a' - 'A'
	}
	return fiber.NewError(fiber.StatusUnprocessableEntity, strings.TrimSuffix(string(text), ".")+".")
}
