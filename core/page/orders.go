package page

import (
	"encoding/json"
	"errors"
	"fmt"

	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/hand"
	"azzel/core/world"
)

var errUnknown = errors.New("this page is older than it should be: reload it")

// Order does what the designer asked for, written as JSON.
func (p *Page) Order(data []byte) Changed {
	var o Order
	if err := json.Unmarshal(data, &o); err != nil {
		return p.Fail(errUnknown)
	}
	if o.Do == "cancel" && p.working != nil {
		return p.stop()
	}
	return p.ask(func() Changed { return p.order(o) })
}

func (p *Page) order(o Order) Changed {
	d := p.doc()
	ref := world.Ref{Sort: kindOf(o.Kind), Map: ParseID(o.Map), ID: ParseID(o.ID)}
	switch o.Do {
	case "hold":
		p.hold(o)
	case "shape":
		p.hand.Shape = hand.Shape(o.Text)
		if !p.hand.Paints() && p.hand.Holding != hand.Choose {
			p.hand.Holding = hand.Tile
		}
	case "size":
		n := o.N
		if o.Yes {
			// By so much larger or smaller.
			n += p.hand.Size
		}
		p.hand.Size = min(max(n, 1), hand.MaxSize)
	case "turn":
		return p.transform(hand.Quarter)
	case "flip":
		if o.Yes {
			return p.transform(hand.LeftRight)
		}
		return p.transform(hand.TopBottom)
	case "mirror-strokes":
		if o.Yes {
			p.hand.Mirror.LeftRight = !p.hand.Mirror.LeftRight
		} else {
			p.hand.Mirror.TopBottom = !p.hand.Mirror.TopBottom
		}
	case "mirror-here":
		if s := hand.At(d, grid.Point{X: o.X, Y: o.Y}); s.Map != nil {
			p.hand.SetAxis(s.Map, s.Cell)
		}
	case "through":
		p.hand.Through = !p.hand.Through
	case "adds":
		p.hand.Adds = hand.Adding(o.Text)
	case "choose-all":
		if m := d.Map(ref.ID); m != nil {
			p.hand.ChooseAll(m)
		}
	case "choose-none":
		p.hand.Cells = hand.Cells{}
	case "move-cells":
		if p.hand.Selected.Ref.Sort == world.SortMap && len(p.hand.Chosen(d).Region) == 0 {
			return p.outcome(p.hand.MoveMap(d, grid.Point{X: o.X, Y: o.Y}))
		}
		return p.outcome(p.hand.MoveCells(d, grid.Point{X: o.X, Y: o.Y}))
	case "map-of-patch":
		return p.outcome(p.hand.MapOfPatch(d, ref.ID, grid.Point{X: o.X, Y: o.Y}))
	case "fill-cells":
		return p.outcome(p.hand.FillCells(d))
	case "duplicate":
		b, problem := p.copied()
		if b == nil {
			p.say("%s", problem)
			return StateChanged
		}
		p.hand.HoldBlock(b, 0)
	case "hold-tiles":
		p.holdTiles(o.N, o.List)
	case "make-layer":
		return p.makeLayer(ref, o.Text)
	case "take-sheet":
		return p.takeSheet(world.Ref{Sort: world.SortCharacter, ID: ref.ID}, o.Sheet)
	case "set-pose":
		return p.setPose(ref, o.N, o.List)
	case "make-item":
		return p.makeItem(o.Text)
	case "set-item":
		return p.setItem(ref, o.N)
	case "make-fact":
		return p.makeFact(o.Text, o.Yes)
	case "set-fact":
		return p.setFact(ref, o.N, o.Yes)
	case "remember":
		return p.remember(ref.ID, o.N)
	case "set-begins":
		return p.setBegins(ref, ParseID(o.Text), o.N)
	case "bring":
		return p.bring(ref.ID)
	case "play-at":
		return p.playAt(ref)
	case "set-body":
		return p.setBody(ref, o.List, o.Yes)
	case "propose-body":
		return p.proposeBody(ref)
	case "play-as":
		return p.playAs(world.Ref{Sort: world.SortCharacter, ID: ref.ID})
	case "try-acting":
		return p.tryActing(ref, o.Text, o.N)
	case "make-area":
		return p.makeArea()
	case "set-area":
		return p.setArea(ref, o.Area)
	case "cells-of-area":
		return p.cellsOfArea(ref)
	case "lead-on":
		return p.leadOn(grid.Point{X: o.X, Y: o.Y})
	case "set-track":
		return p.setTrack(ref, o.Track)
	case "set-acting":
		return p.setActing(ref, o.Text, o.N)
	case "set-condition":
		return p.setCondition(ref, o.Text, o.Condition)
	case "set-conditions":
		return p.setConditions(o.Text, o.Condition)
	case "set-together":
		return p.setTogether(o.Text, o.N)
	case "set-movement":
		return p.setMovement(o.Text, o.N)
	case "try-movement":
		return p.tryMovement(o.Text, o.N)
	case "set-layer":
		return p.setLayer(ref, o.Layer)
	case "layer-order":
		return p.layerOrder(ref, o)
	case "lay-over":
		return p.layOver(ref, ParseID(o.Text))
	case "only":
		p.hand.SetOnly(ref.Map, ref.ID, o.Yes)
		return SceneChanged | CellsChanged | p.hover()
	case "set-map":
		return p.setMap(ref, o.Look)
	case "copy-map":
		return p.copyMap(ref, o.Yes)
	case "look-away":
		return p.lookAway()
	case "go-back":
		return p.goBack()
	case "walk":
		return p.walk(o.N)
	case "take-back":
		return p.takeBackAlone(uint64(max(0, o.N)))
	case "keep-patch":
		return p.keepPatch(o.Text)
	case "resize":
		if len(o.List) == 2 {
			return p.resizeMap(ref, o.List[0], o.List[1], o.N)
		}
	case "pick":
		p.hand.Cancel()
		to := grid.Point{X: o.X, Y: o.Y}
		if len(o.List) == 2 {
			to = grid.Point{X: o.List[0], Y: o.List[1]}
		}
		if !p.hand.PickBox(d, grid.Point{X: o.X, Y: o.Y}, to) {
			p.say("There is nothing here to take into the hand.")
		}
	case "cancel":
		return p.cancel()
	case "layer":
		p.hand.SetLayer(ref.Map, ref.ID)
		return SceneChanged | StateChanged | p.hover()
	case "hide":
		p.hand.SetHidden(ref.ID, o.Yes)
		return SceneChanged | CellsChanged | p.hover()
	case "select":
		p.selectRef(ref, o.N)
	case "stack":
		p.selectStack(o.N)
	case "unselect":
		p.hand.Selected = hand.Selection{}
	case "delete":
		return p.remove()
	case "rename":
		return p.do(*hand.Rename(d, ref, o.Text))
	case "undo", "redo":
		return p.takeBack(o.Do)
	case "make-medley":
		return p.makeMedley(o)
	case "change-medley":
		return p.changeMedley(ref, o.Medley)
	case "make-property":
		return p.makeProperty(o)
	case "make-bond":
		return p.makeBond(o)
	case "change-bond":
		return p.changeBond(ref, o.Bond)
	case "remove":
		switch ref.Sort {
		case world.SortProperty:
			return p.removeProperty(ref)
		case world.SortItem, world.SortFact:
			return p.removeNamed(ref)
		}
		return p.do(edit.Edit{Label: "delete " + hand.Name(d, ref), Parts: []edit.Part{edit.Remove{Ref: ref}}})
	case "mark":
		return p.mark(ref, o.List, o.Mark)
	case "animate":
		return p.animate(ref, o.N, o.Frames)
	case "show-frames":
		return p.showFrames(ref, o.List)
	case "arrange":
		return p.arrange(ref, ParseID(o.Text))
	case "rebuild":
		return p.rebuild(o.Taken)
	case "replace":
		return p.replace(ref, o.List, o.Taken)
	case "reskin":
		return p.reskin(o.Reskin)
	case "tileset":
		return p.tileset(o.Taken)
	case "play":
		return p.play(o)
	case "walk-to":
		return p.walkTo(grid.Point{X: o.X, Y: o.Y})
	case "help":
		return p.help(o.N)
	case "keep-replay":
		return p.keepReplay(o.Text)
	case "set-tried":
		return p.setTried(o.Text, o.N)
	case "try-values":
		return p.tryValues(ref.ID, o.Text, o.List)
	case "watch":
		return p.watch(ref.ID)
	case "show-tick":
		return p.showTick(o.N)
	case "stop":
		p.played = nil
		return PlayChanged | StateChanged
	default:
		return p.Fail(errUnknown)
	}
	return StateChanged | SceneChanged | p.hover()
}

func (p *Page) hold(o Order) {
	p.hand.Cancel()
	held := p.hand.Held
	held.Holding = hand.Holding(o.Kind)
	id := ParseID(o.ID)
	switch held.Holding {
	case hand.Tile:
		if o.N > 0 {
			held.Tile = grid.Cell(o.N)
		}
	case hand.Piece:
		if id != 0 {
			held.Type = id
		}
	case hand.Medley:
		if id != 0 {
			held.Medley = id
		}
	case hand.Bond:
		if id != 0 {
			held.Bond = id
		}
	case hand.Patch:
		if patch := p.doc().Patch(id); patch != nil {
			p.hand.HoldBlock(&patch.Block, id)
			return
		}
		if held.Block == nil {
			held.Holding = hand.Nothing
		}
	}
	p.hand.Take(held)
}

// cancel ends the innermost thing: a gesture, what is in the hand, the
// selection.
func (p *Page) cancel() Changed {
	switch {
	case p.hand.Cancel():
	case p.hand.Holding != hand.Nothing:
		p.hand.Holding = hand.Nothing
	case p.hand.Chosen(p.doc()).Map != 0:
		p.hand.Cells = hand.Cells{}
	default:
		p.hand.Selected = hand.Selection{}
	}
	return StateChanged | p.hover()
}

func (p *Page) remove() Changed {
	if p.hand.Chosen(p.doc()).Map != 0 {
		return p.outcome(p.hand.EraseCells(p.doc()))
	}
	if p.hand.Selected.Ref.Sort == 0 {
		p.say("Nothing is selected. Click a piece, a doorway or a map first.")
		return StateChanged
	}
	e, says := hand.Remove(p.doc(), p.hand.Selected)
	if e == nil {
		if says != "" {
			p.say("%s", says)
		}
		return StateChanged
	}
	p.hand.Selected = hand.Selection{}
	return p.do(*e)
}

func (p *Page) takeBack(which string) Changed {
	if p.looking() {
		return StateChanged
	}
	run := p.replica.Undo
	if which == "redo" {
		run = p.replica.Redo
	}
	p.hand.Cancel()
	_, message, left, of, err := run()
	if errors.Is(err, edit.ErrNothing) {
		p.say("There is nothing to %s.", which)
		return StateChanged
	}
	if err != nil {
		return p.Fail(err)
	}
	p.send(message)
	return p.tookBack(left, of, nil)
}

func counted(n int, thing string) string {
	if n == 1 {
		return "1 " + thing
	}
	return fmt.Sprintf("%d %ss", n, thing)
}
