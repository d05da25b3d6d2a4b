package server

import (
	"errors"
	"strconv"
	"strings"

	"github.com/gofiber/fiber/v3"

	"azzel/core/world"
	"azzel/store"
)

// Version is a version as it is listed.
type Version struct {
	ID string `json:"id"`
	// Name is empty for a state that was kept by itself.
	Name string `json:"name"`
	// At is when, in milliseconds since 1970.
	At int64 `json:"at"`
	// Now says that nothing was changed since.
	Now bool `json:"now"`
}

// VersionName is the name of a version.
type VersionName struct {
	Name string `json:"name"`
}

// versionOf is the project and the version that an address names.
func versionOf(c fiber.Ctx) (project, state int64, err error) {
	if project, err = projectID(c); err != nil {
		return 0, 0, err
	}
	if state, err = strconv.ParseInt(c.Params("state"), 10, 64); err != nil {
		return 0, 0, store.ErrNotFound
	}
	return project, state, nil
}

func (v *Server) listVersions(c fiber.Ctx) error {
	project, err := projectID(c)
	if err != nil {
		return err
	}
	p, err := v.store.Project(c.Context(), project)
	if err != nil {
		return err
	}
	list, err := v.store.Versions(c.Context(), project)
	if err != nil {
		return err
	}
	states := make([]Version, len(list))
	for i, k := range list {
		states[i] = versionView(k, p.Revision)
	}
	return c.JSON(states)
}

func versionView(k store.Version, revision int64) Version {
	return Version{strconv.FormatInt(k.ID, 10), k.Name, k.At.UnixMilli(), k.Revision == revision}
}

// stateName reads a name from a request.
func stateName(c fiber.Ctx) (string, error) {
	var n VersionName
	if err := c.Bind().JSON(&n); err != nil {
		return "", refuse(errors.New("the name could not be read: reload the page"))
	}
	n.Name = strings.TrimSpace(n.Name)
	if err := world.CheckName(n.Name, false); err != nil {
		return "", refuse(err)
	}
	return n.Name, nil
}

func (v *Server) keepVersion(c fiber.Ctx) error {
	project, err := projectID(c)
	if err != nil {
		return err
	}
	name, err := stateName(c)
	if err != nil {
		return err
	}
	k, err := v.store.Keep(c.Context(), project, name)
	if errors.Is(err, store.ErrManyVersions) {
		return refuse(store.ErrManyVersions)
	}
	if err != nil {
		return err
	}
	return c.Status(fiber.StatusCreated).JSON(versionView(k, k.Revision))
}

// oneVersion sends a version as a document.
func (v *Server) oneVersion(c fiber.Ctx) error {
	project, state, err := versionOf(c)
	if err != nil {
		return err
	}
	_, d, err := v.store.Version(c.Context(), project, state)
	if err != nil {
		return err
	}
	c.Set("Cache-Control", "no-store")
	c.Set("Content-Type", "application/octet-stream")
	return v.sendHeld(c, d.Encode())
}

func (v *Server) nameVersion(c fiber.Ctx) error {
	project, state, err := versionOf(c)
	if err != nil {
		return err
	}
	name, err := stateName(c)
	if err != nil {
		return err
	}
	if err := v.store.NameVersion(c.Context(), project, state, name); err != nil {
		return err
	}
	return c.SendStatus(fiber.StatusNoContent)
}

func (v *Server) removeVersion(c fiber.Ctx) error {
	project, state, err := versionOf(c)
	if err != nil {
		return err
	}
	if err := v.store.RemoveVersion(c.Context(), project, state); err != nil {
		return err
	}
	return c.SendStatus(fiber.StatusNoContent)
}
