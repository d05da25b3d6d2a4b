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
	"sync"
	"time"

	"github.com/gofiber/fiber/v3"
	"github.com/gofiber/fiber/v3/middleware/recover"

	"azzel/store"
)

// A Server serves one store.
type Server struct {
	store  *store.Store
	rooms  *rooms
	app    *fiber.App
	files  fs.FS
	host   string
	bodies *bodies
	health *health
	// decoding lets one picture be decoded at a time: each may take 128 MB.
	decoding chan struct{}
	// bringing are the bundles that are being read.
	bringing bringing
}

// maxConnections is how many connections there may be at a time.
const maxConnections = 4096

// New makes a server of the front end in files, to be reached at addr (a loopback host and a port). Revive starts the
// database again when it has ended; it is nil for one that is not Azzel's own.
func New(s *store.Store, files fs.FS, addr string, revive func(context.Context) error) (*Server, error) {
	if err := CheckAddress(addr); err != nil {
		return nil, err
	}
	v := &Server{store: s, rooms: newRooms(s), files: files, host: addr, bodies: newBodies(), decoding: make(chan struct{}, 1)}
	v.health = newHealth(s, revive, v.rooms.closeAll)
	v.app = fiber.New(fiber.Config{
		AppName: "Azzel", ReadTimeout: 60 * time.Second, IdleTimeout: 120 * time.Second, WriteTimeout: 120 * time.Second,
		// Bodies are streams, of which no more than a byte is waited for before it is known who asks for what.
		Concurrency: maxConnections, BodyLimit: 1, StreamRequestBody: true, DisablePreParseMultipartForm: true,
		ErrorHandler: v.failed,
	})
	v.app.Server().Logger = quiet{}
	json, picture := v.bodies.whole(jsonBytes), v.bodies.whole(pictureBody)
	v.app.Use(recover.New(), connections, v.guard)
	v.app.Get("/healthz", func(c fiber.Ctx) error { return c.SendString(Well) })
	v.app.Get("/readyz", func(c fiber.Ctx) error {
		ctx, err := v.health.context()
		if err != nil {
			return err
		}
		ctx, cancel := context.WithTimeout(ctx, answerTime)
		defer cancel()
		if v.store.Ready(ctx) != nil {
			return fiber.NewError(fiber.StatusServiceUnavailable, "The database does not answer.")
		}
		return c.SendString("ready")
	})
	api := v.app.Group("/api", v.work)
	api.Get("/projects", v.listProjects)
	api.Post("/projects", json, v.createProject)
	api.Get("/deleted", v.listDeleted)
	api.Post("/deleted/:project/back", v.bringProjectBack)
	api.Get("/projects/:project", v.oneProject)
	api.Delete("/projects/:project", v.deleteProject)
	api.Get("/projects/:project/picture", v.projectPicture)
	api.Get("/projects/:project/board", v.boardPicture)
	api.Get("/projects/:project/opening", v.open)
	api.Get("/projects/:project/steps", v.earlierSteps)
	api.Get("/projects/:project/blobs/:sum", v.blob)
	api.Get("/projects/:project/socket", v.socket)
	api.Get("/projects/:project/ready", v.ready)
	api.Post("/projects/:project/edits", v.bodies.whole(editBody), v.postEdit)
	api.Post("/projects/:project/tilesets", picture, v.takePicture)
	api.Post("/projects/:project/characters", picture, v.takeSheet)
	api.Post("/projects/:project/pictures", picture, v.keepPicture)
	api.Get("/projects/:project/bundle", v.exportBundle)
	api.Post("/bundles", v.importBundle)
	api.Post("/copies", v.copyProject)
	api.Get("/bundles/:name", v.bringingOf)
	api.Delete("/bundles/:name", v.stopBringing)
	api.Get("/projects/:project/maps/:map/picture", v.mapPicture)
	api.Get("/projects/:project/maps/:map/layers/:layer/cells", v.layerCells)
	api.Get("/projects/:project/states", v.listVersions)
	api.Post("/projects/:project/states", json, v.keepVersion)
	api.Get("/projects/:project/states/:state", v.oneVersion)
	api.Put("/projects/:project/states/:state", json, v.nameVersion)
	api.Delete("/projects/:project/states/:state", v.removeVersion)
	api.Use(func(c fiber.Ctx) error {
		return fiber.NewError(fiber.StatusNotFound, "There is nothing at this address.")
	})
	v.app.Get("/*", v.static)
	return v, nil
}

// Well is what /healthz answers, so that it is known to be Azzel that answers.
const Well = "azzel is well"

// quiet takes what the framework would write into the log by itself: of what fails there, a page hears, and of what
// Azzel can do something about, failed writes one line.
type quiet struct{}

func (quiet) Printf(string, ...any) {}

// work is what requests that ask for data do their work in.
func (v *Server) work(c fiber.Ctx) error {
	ctx, err := v.health.context()
	if err != nil {
		return err
	}
	c.SetContext(ctx)
	return c.Next()
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

// tidyEvery is how often what need not stay is removed.
const tidyEvery = time.Hour

// Serve answers on the listener until the context ends.
func (v *Server) Serve(ctx context.Context, l net.Listener) error {
	v.host = l.Addr().String()
	var helpers sync.WaitGroup
	defer helpers.Wait()
	ctx, cancel := context.WithCancel(ctx)
	defer cancel()
	helpers.Go(func() { v.health.watch(ctx) })
	helpers.Go(func() { v.tidy(ctx) })
	helpers.Go(func() { v.rooms.giveUpUnused(ctx) })
	done := make(chan error, 1)
	go func() { done <- v.app.Listener(l, fiber.ListenConfig{DisableStartupMessage: true}) }()
	select {
	case err := <-done:
		return err
	case <-ctx.Done():
		v.rooms.closeAll()
		return v.app.ShutdownWithTimeout(5 * time.Second)
	}
}

// tidy removes what need not stay, now and every hour, until the context ends.
func (v *Server) tidy(ctx context.Context) {
	for {
		if working, err := v.health.context(); err == nil {
			working, end := context.WithCancel(working)
			stop := context.AfterFunc(ctx, end)
			t, err := v.store.Tidy(working, time.Now())
			stop()
			end()
			switch {
			case err != nil && ctx.Err() == nil:
				slog.Error("tidying failed", "error", err)
			case t != store.Tidied{}:
				slog.Info("tidied", "projects", t.Projects, "steps", t.Steps, "blobs", t.Blobs)
			}
		}
		select {
		case <-ctx.Done():
			return
		case <-time.After(tidyEvery):
		}
	}
}

const policy = "default-src 'self'; " +
	"script-src 'self' 'wasm-unsafe-eval'; " +
	"style-src 'self'; " +
	"style-src-attr 'unsafe-inline'; " +
	"img-src 'self' data: blob:; " +
	"font-src 'self'; " +
	"connect-src 'self'; " +
	"worker-src 'self'; " +
	"object-src 'none'; " +
	"base-uri 'self'; " +
	"form-action 'self'; " +
	"frame-ancestors 'none'"

// guard refuses foreign hosts and origins, and sets what every answer carries.
func (v *Server) guard(c fiber.Ctx) error {
	c.Set("Content-Security-Policy", policy)
	c.Set("X-Content-Type-Options", "nosniff")
	c.Set("Referrer-Policy", "no-referrer")
	c.Set("Cross-Origin-Opener-Policy", "same-origin")
	c.Set("Cross-Origin-Resource-Policy", "same-origin")
	if !v.own(string(c.Request().Host())) {
		return fiber.NewError(fiber.StatusForbidden, "This address is not the one Azzel serves at.")
	}
	if origin := c.Get("Origin"); origin != "" {
		u, err := url.Parse(origin)
		if err != nil || !v.own(u.Host) {
			return errForeign
		}
	}
	// Where the browser says who asks, nothing but the page itself may; whoever follows a link to it is shown the page.
	switch site := c.Get("Sec-Fetch-Site"); site {
	case "", "same-origin", "none":
	default:
		if c.Get("Sec-Fetch-Mode") != "navigate" || c.Get("Sec-Fetch-Dest") != "document" || c.Method() != fiber.MethodGet || strings.HasPrefix(c.Path(), "/api") {
			return errForeign
		}
	}
	return c.Next()
}

var errForeign = fiber.NewError(fiber.StatusForbidden, "Another site may not use Azzel.")

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
	code, text := fiber.StatusInternalServerError, "The server could not do this. Nothing was changed; try again."
	switch {
	case errors.As(err, &known) && (known.Code < 500 || known.Code == fiber.StatusServiceUnavailable):
		code, text = known.Code, known.Message
	case errors.Is(err, store.ErrNotFound):
		code, text = fiber.StatusNotFound, "This project is not there. It may have been deleted; go back to all projects."
	case errors.Is(err, store.ErrElsewhere):
		code, text = fiber.StatusConflict, "Another Azzel server has this project open. Work on it there, or stop that server and try again."
	case errors.Is(err, store.ErrNoTiles):
		return v.failed(c, refuse(err))
	default:
		if v.health.isAway(err) {
			code, text = fiber.StatusServiceUnavailable, "The database does not answer. Nothing was changed; try again in a moment."
		}
		slog.Error("a request failed", "method", c.Method(), "path", c.Path(), "error", err)
	}
	if code == fiber.StatusServiceUnavailable {
		c.Set("Retry-After", "1")
	}
	return c.Status(code).JSON(Problem{text})
}

// refuse is an answer for people about what they sent.
func refuse(err error) error {
	text := []rune(err.Error())
	if len(text) > 0 && text[0] >= 'a' && text[0] <= 'z' {
		text[0] -= 'a' - 'A'
	}
	return fiber.NewError(fiber.StatusUnprocessableEntity, strings.TrimSuffix(string(text), ".")+".")
}
