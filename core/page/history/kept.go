package history

import (
	"fmt"

	"azzel/core/edit"
	"azzel/core/page"
	"azzel/core/world"
)

// ShowVersion shows a kept version in the project's place, until ShowCurrentVersion. Nothing can be changed meanwhile.
type ShowVersion struct {
	Name     string        `json:"name"`
	Document page.Attached `json:"-"`
}

// Do implements Order.
func (o ShowVersion) Do(p *page.Page) page.Changed {
	d, err := world.Decode(o.Document.First())
	if err != nil {
		return p.Fail(fmt.Errorf("this version can't be shown: %w", err))
	}
	p.Hand.Cancel()
	p.Played = nil
	p.Looked, p.LookedName = d, o.Name
	return p.Follow() | page.SceneChanged | page.StateChanged | page.PlayChanged
}

// ShowCurrentVersion shows the project again.
type ShowCurrentVersion struct{}

// Do implements Order.
func (ShowCurrentVersion) Do(p *page.Page) page.Changed {
	p.Looked = nil
	p.Hand.Cancel()
	return p.Follow() | page.SceneChanged | page.StateChanged
}

// RestoreVersion makes the project what the version is that is shown, as one step.
type RestoreVersion struct{}

// Do implements Order.
func (RestoreVersion) Do(p *page.Page) page.Changed {
	to := p.Looked
	if to == nil {
		return 0
	}
	changed := ShowCurrentVersion{}.Do(p)
	e := edit.Restore(p.Replica.Pace, p.Doc(), to, "restore "+p.LookedName)
	if len(e.Parts) == 0 {
		p.Say("Nothing was changed since.")
		return changed
	}
	return changed | p.Do(e)
}
