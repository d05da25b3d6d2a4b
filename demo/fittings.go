package demo

import (
	"strings"

	"azzel/core/appearance"
	"azzel/core/edit"
	"azzel/core/grid"
	"azzel/core/kind"
	"azzel/core/kinds/container"
	"azzel/core/kinds/conveyor"
	"azzel/core/kinds/decoration"
	"azzel/core/kinds/door"
	"azzel/core/kinds/gate"
	"azzel/core/kinds/person"
	"azzel/core/kinds/props"
	"azzel/core/kinds/sign"
	"azzel/core/kinds/switches"
	"azzel/core/tiles"
	"azzel/core/world"
	"azzel/demo/art"
)

// bringInFittings brings in what pieces look like, as tiles of their own.
func (b *builder) bringInFittings() error {
	picture, err := art.FittingsPNG()
	if err != nil {
		return err
	}
	b.fitting = map[int]int{}
	set, err := b.tileset("Fittings", picture, b.fitting, func(place int) *tiles.Properties {
		p := tiles.Decoration.Properties()
		p.Name = art.FittingName(art.Fitting(place))
		return &p
	})
	if err != nil {
		return err
	}
	b.bringIn(set)
	return b.err
}

// A dress is what is seen of a piece: of its state of a word, empty for all there are, so many fittings one after the other, each for so many ticks.
type dress struct {
	state  string
	ticks  int
	frames []art.Fitting
}

func still(state string, f art.Fitting) dress {
	return dress{state, appearance.UsualTicks, []art.Fitting{f}}
}

// seen are the pictures of pieces that are dressed so.
func (b *builder) seen(list ...dress) (values []kind.Value) {
	for _, of := range list {
		p := appearance.Picture{W: 1, H: 1, Ticks: of.ticks}
		for _, f := range of.frames {
			p.Frames = append(p.Frames, []grid.Cell{grid.Cell(b.fitting[int(f)])})
		}
		state := kind.AnyState
		if of.state != "" {
			state = kind.StateNamed(of.state).Number
		}
		values = append(values, p.Set(kind.PictureOf(state, kind.AnySide)))
	}
	return values
}

// dressOf is what a piece that is no character is seen as.
func dressOf(p *world.Piece) []dress {
	switch p.Type {
	case world.Collectible:
		return []dress{still("", art.Fuse)}
	case world.Checkpoint:
		return []dress{still("unreached", art.LanternOut), {"reached", 9, []art.Fitting{art.LanternLit, art.LanternLow, art.LanternLit, art.LanternLit}}}
	case conveyor.Kind.ID:
		return []dress{{"", 2, []art.Fitting{art.Belt, art.Belt + 1, art.Belt + 2, art.Belt + 3}}}
	case decoration.Kind.ID:
		if p.Name == "Lily leaf" {
			return []dress{still("", art.LilyLeaf)}
		}
		return []dress{still("", art.Basket)}
	case world.Pushable:
		return []dress{still("", art.CrateOfBulbs)}
	case world.Breakable:
		return []dress{still("", art.PaneFrosted)}
	case world.Exit:
		return []dress{still("", art.GateWay)}
	case door.Kind.ID:
		return []dress{still("closed", art.DoorShut), still("open", art.DoorAjar), still("locked", art.DoorBarred)}
	case container.Kind.ID:
		if strings.Contains(p.Name, "bin") {
			return []dress{still("full", art.BinFull), still("empty", art.BinEmpty)}
		}
		return []dress{still("full", art.CabinetShut), still("empty", art.CabinetBare)}
	case switches.Kind.ID:
		if p.Int(switches.By) == switches.ByUse {
			return []dress{still("released", art.HandleLeft), still("pressed", art.HandleRight)}
		}
		return []dress{still("released", art.PlateUp), still("pressed", art.PlateDown)}
	case gate.Kind.ID:
		return []dress{still("", art.Bars)}
	case sign.Kind.ID:
		return []dress{still("unread", art.NoticeNew), still("read", art.NoticeRead)}
	case person.Kind.ID:
		if strings.HasPrefix(p.Name, "Ottilie") {
			return []dress{{"", 20, []art.Fitting{art.Stoker, art.StokerTurned}}}
		}
		return []dress{{"", 20, []art.Fitting{art.Sweeper, art.SweeperTurned}}}
	case world.Foe:
		if p.Int(props.Does) == props.Stands {
			return []dress{{"", 40, []art.Fitting{art.Pitcher, art.PitcherOpen}}}
		}
		return []dress{{"", 14, []art.Fitting{art.Slug, art.SlugLong}}}
	case world.Hazard:
		return []dress{still("", art.ThornBush)}
	case world.Emitter:
		return []dress{{"", 16, []art.Fitting{art.PipeJoint, art.PipeJoint, art.PipeDrip}}}
	case world.Spring:
		return []dress{still("", art.Coil)}
	case world.MovingPlatform:
		return []dress{still("", art.Raft)}
	}
	return nil
}

// dressPieces gives all pieces their pictures that have none by their type or as characters.
func (b *builder) dressPieces() {
	var parts []edit.Part
	for _, m := range b.doc.Maps {
		for _, p := range m.Pieces {
			if appearance.Has(p.All()) || p.Character() != 0 {
				continue
			}
			next := p.With(b.seen(dressOf(p)...)...)
			parts = append(parts, edit.Changes(world.Ref{Sort: world.SortPiece, Map: m.ID, ID: p.ID}, p.Values(), next.Values())...)
		}
	}
	b.step("let pieces be seen as fittings", parts...)
}
