package server

import (
	"crypto/rand"
	"encoding/binary"
	"errors"
	"math"
	"strconv"
	"strings"
	"time"

	"github.com/gofiber/fiber/v3"

	"azzel/core/world"
	"azzel/store"
)

// ProjectCard is a project as home lists it.
type ProjectCard struct {
	ID       string `json:"id"`
	Name     string `json:"name"`
	Revision string `json:"revision"`
	// Changed is when, in milliseconds since 1970.
	Changed int64 `json:"changed"`
}

// NewProject is what a new project needs.
type NewProject struct {
	Name  string `json:"name"`
	CellW int    `json:"cellW"`
	CellH int    `json:"cellH"`
	SeenW int    `json:"seenW"`
	SeenH int    `json:"seenH"`
	// View is how maps are seen: 0 top-down, 1 from the side.
	View int `json:"view"`
}

func card(p store.Project) ProjectCard {
	return ProjectCard{strconv.FormatInt(p.ID, 10), p.Name, strconv.FormatInt(p.Revision, 10), p.ChangedAt.UnixMilli()}
}

func (v *Server) listProjects(c fiber.Ctx) error {
	list, err := v.store.Projects(c.Context())
	if err != nil {
		return err
	}
	cards := make([]ProjectCard, len(list))
	for i, p := range list {
		cards[i] = card(p)
	}
	return c.JSON(cards)
}

func (v *Server) createProject(c fiber.Ctx) error {
	var n NewProject
	if err := c.Bind().JSON(&n); err != nil {
		return refuse(errors.New("the new project could not be read: reload the page"))
	}
	prefix, err := v.store.Prefix(c.Context())
	if err != nil {
		return err
	}
	d, err := world.Start(world.Project{Name: n.Name, CellW: n.CellW, CellH: n.CellH, SeenW: n.SeenW, SeenH: n.SeenH, View: world.View(n.View)}, &world.Counter{Prefix: prefix})
	if err != nil {
		return refuse(err)
	}
	p, err := v.store.Create(c.Context(), d)
	if err != nil {
		return err
	}
	return c.Status(fiber.StatusCreated).JSON(card(p))
}

// DeletedProject is a project that was deleted, until it is gone for good.
type DeletedProject struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	// Days is for how many days it can still be brought back, at least 1.
	Days int `json:"days"`
}

func (v *Server) listDeleted(c fiber.Ctx) error {
	list, err := v.store.Deleted(c.Context())
	if err != nil {
		return err
	}
	gone := make([]DeletedProject, len(list))
	for i, p := range list {
		left := time.Until(p.DeletedAt.Add(store.DeletedTime))
		gone[i] = DeletedProject{strconv.FormatInt(p.ID, 10), p.Name, max(1, int(math.Ceil(left.Hours()/24)))}
	}
	return c.JSON(gone)
}

// deleteProject deletes a project; for a week it can be brought back.
func (v *Server) deleteProject(c fiber.Ctx) error {
	id, r, err := v.roomOf(c)
	if err != nil {
		return err
	}
	if err := v.store.Delete(c.Context(), id); err != nil {
		return err
	}
	r.mu.Lock()
	defer r.mu.Unlock()
	_ = r.lost(store.ErrNotFound)
	return c.SendStatus(fiber.StatusNoContent)
}

func (v *Server) bringProjectBack(c fiber.Ctx) error {
	id, err := projectID(c)
	if err != nil {
		return err
	}
	p, err := v.store.BringBack(c.Context(), id)
	if err != nil {
		return err
	}
	return c.JSON(card(p))
}

func projectID(c fiber.Ctx) (int64, error) {
	id, err := strconv.ParseInt(c.Params("project"), 10, 64)
	if err != nil {
		return 0, store.ErrNotFound
	}
	return id, nil
}

func (v *Server) oneProject(c fiber.Ctx) error {
	id, err := projectID(c)
	if err != nil {
		return err
	}
	p, err := v.store.Project(c.Context(), id)
	if err != nil {
		return err
	}
	return c.JSON(card(p))
}

// open gives a page what it needs to begin, and its session.
func (v *Server) open(c fiber.Ctx) error {
	id, err := projectID(c)
	if err != nil {
		return err
	}
	session, err := strconv.ParseInt(c.Query("session"), 10, 64)
	if err != nil || session <= 0 {
		session = newSession()
	}
	r, err := v.rooms.enter(c.Context(), id)
	if err != nil {
		return err
	}
	if r.another(c.Query("database")) {
		session = newSession()
	}
	o, err := r.opening(c.Context(), session)
	if err != nil {
		return err
	}
	c.Set("Azzel-Database", o.identity)
	c.Set("Azzel-Session", strconv.FormatInt(session, 10))
	c.Set("Azzel-Pictures", strings.Join(firstPictures(o.document), ","))
	c.Set("Cache-Control", "no-store")
	c.Set("Content-Type", "application/octet-stream")
	return v.sendPortions(c, o.steps, o.steps.size(), o.steps.held())
}

// firstPictures are the sums of pictures that a page will ask for at once, so
// that it can do so before it has read the document.
func firstPictures(d *world.Document) []string {
	const most = 16
	var sums []string
	for _, t := range d.Tilesets {
		if !t.Builtin() && len(sums) < most {
			sums = append(sums, t.Strip)
		}
	}
	if c := d.Character(d.Project.Player); c != nil && c.Strip != "" {
		sums = append(sums, c.Strip)
	}
	return sums
}

// newSession makes a number that nobody guesses.
func newSession() int64 {
	var b [8]byte
	_, _ = rand.Read(b[:]) // never fails
	return int64(binary.LittleEndian.Uint64(b[:])>>1) | 1
}

func (v *Server) blob(c fiber.Ctx) error {
	id, err := projectID(c)
	if err != nil {
		return err
	}
	body, err := v.store.Blob(c.Context(), id, c.Params("sum"))
	if err != nil {
		return err
	}
	c.Set("Cache-Control", "private, max-age=31536000, immutable")
	c.Set("Content-Type", "application/octet-stream")
	return v.sendHeld(c, body)
}

// roomOf is the project that a request names, and its room.
func (v *Server) roomOf(c fiber.Ctx) (int64, *room, error) {
	id, err := projectID(c)
	if err != nil {
		return 0, nil, err
	}
	r, err := v.rooms.enter(c.Context(), id)
	return id, r, err
}
