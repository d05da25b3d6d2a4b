package page

import (
	"fmt"
	"strings"

	"azzel/core/edit"
	"azzel/core/page/wording"
)

// HandChanged is what differs once the hand holds or does something else.
func (p *Page) HandChanged() Changed { return StateChanged | SceneChanged | p.Hover() }

// Looking reports whether a version that was kept is shown, and says that nothing can be changed then.
func (p *Page) Looking() bool {
	if p.Looked != nil {
		p.Refuse("This is an earlier version, which can’t be changed. Restore it, or go back to the current version, first.")
	}
	return p.Looked != nil
}

// Change does what turns a thing of some name into another, if anything does.
func (p *Page) Change(name string, parts []edit.Part) Changed {
	if len(parts) == 0 {
		return 0
	}
	return p.Do(edit.Edit{Label: edit.Clip("change " + name), Parts: parts})
}

// Collect keeps what happened in the game for people to be told.
func (p *Page) Collect() {
	for _, e := range p.Played.Game().Events() {
		if text := wording.EventText(p.Doc(), e); text != "" {
			p.Events = append(p.Events, text)
		}
	}
}

// Send hands a message to the server, once it is asked for.
func (p *Page) Send(message []byte) { p.outgoing = append(p.outgoing, message) }

// TookBack shows what became of steps that were taken back or brought back.
func (p *Page) TookBack(left, of int, err error) Changed {
	if left > 0 {
		p.Say("%d of %d changed since and were left alone.", left, of)
	}
	changed := p.Follow() | StateChanged | OutgoingChanged | p.Hover()
	if err != nil {
		changed |= p.Fail(err)
	}
	return changed
}

// Counted is a number of things in words, whose plural has an s.
func Counted(n int, thing string) string {
	if n == 1 {
		return "1 " + thing
	}
	return fmt.Sprintf("%d %ss", n, thing)
}

// FreeName is a name that none of some things has, whether in small letters or not: as it is given, else of a base and the first number from 2 on that is free.
func FreeName[T any](name, base string, things []T, of func(T) string) string {
	taken := make(map[string]bool, len(things))
	for _, t := range things {
		taken[strings.ToLower(of(t))] = true
	}
	for n := 2; taken[strings.ToLower(name)]; n++ {
		name = fmt.Sprintf("%s %d", base, n)
	}
	return name
}
