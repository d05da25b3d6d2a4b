package demo

import (
	"azzel/core/edit"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/kinds/sign"
	"azzel/core/logic"
	"azzel/core/world"
	"azzel/demo/art"
)

// ownTypes are the types that the glasshouse has of its own: what the labels, the name plates and the moths have in common is said once.
type ownTypes struct{ brass, plate, moth world.ID }

// makeTypes makes them, once there is what they name.
func (b *builder) makeTypes() {
	dark := logic.Needs(logic.FactValue, b.lit, logic.Under, 1)
	for _, of := range []struct {
		id *world.ID
		is world.Type
	}{
		{&b.types.brass, world.Type{Name: "Brass plant label", Base: world.Collectible, Purpose: "One of those that the night gate asks for. It counts as found.", Keywords: "tag collect gate", May: world.MostInProject, Most: 20,
			Usual: kind.Set(props.Item.Refer(b.label)).With(world.Change{Fact: b.found}.Props()...).With(b.seen(still("", art.LabelBrass))...)}},
		{&b.types.plate, world.Type{Name: "Name plate", Base: sign.Kind.ID, Purpose: "Says what grows there. Three of them read open the seed cabinet.", Keywords: "plant sign read",
			Usual: kind.Set(world.Change{Fact: b.read, How: world.Raises, By: 1}.Props()...).With(b.seen(still("unread", art.NoticeNew), still("read", art.NoticeRead))...)}},
		{&b.types.moth, world.Type{Name: "Lamp moth", Base: world.Foe, Purpose: "Follows who comes near it, until the lamps are lit.", Keywords: "insect night",
			Usual: kind.Set(props.Who.Refer(b.creature[art.Moth]), props.Does.Is(props.Follows), props.Speed.Is(22), props.Sight.Is(7)).With(dark.Set(props.While))}},
	} {
		*of.id = b.ids.NewID()
		b.step("make the type "+of.is.Name, edit.Put{Ref: world.TypeRef(*of.id), Values: of.is.Values()})
	}
}
