package holding

import (
	"fmt"
	"slices"

	"azzel/core/hand"
	"azzel/core/kind"
	"azzel/core/kinds/props"
	"azzel/core/world"
)

// A clipActing is how a piece acts, as clipboards of version 1 say.
type clipActing struct {
	Does     string   `json:"does"`
	Speed    int      `json:"speed"`
	Range    int      `json:"range"`
	Strength int      `json:"strength"`
	ToX      int      `json:"toX"`
	ToY      int      `json:"toY"`
	Every    int      `json:"every"`
	Most     int      `json:"most"`
	Shot     int      `json:"shot"`
	Rest     int      `json:"rest"`
	Bears    int      `json:"bears"`
	Looks    int      `json:"looks"`
	Odds     [5]int   `json:"odds"`
	Track    world.ID `json:"track"`
	Area     world.ID `json:"area"`
	Item     world.ID `json:"item"`
	Amount   int      `json:"amount"`
	Who      world.ID `json:"who"`
	Sets     struct {
		Fact world.ID `json:"fact"`
		How  int      `json:"how"`
		By   int      `json:"by"`
	} `json:"sets"`
	While struct {
		Fact  world.ID `json:"fact"`
		Item  world.ID `json:"item"`
		Least int      `json:"least"`
		Not   bool     `json:"not"`
	} `json:"while"`
}

// props are the properties that this stands for, of which those that refer to something are named in this order: track,
// area, character, item, the fact that is set, the fact or item that is asked for.
func (a *clipActing) props(d *world.Document, k *kind.Kind, names []string) (kind.Values, error) {
	refers := func(f world.Field, id world.ID, sort world.Sort, n int) kind.Value {
		if n >= len(names) || names[n] == "" || hand.Name(d, world.Ref{Sort: sort, ID: id}) != names[n] {
			id = 0
		}
		return world.IDValue(f, id)
	}
	doing := slices.Index(props.Does.Options, a.Does)
	if doing < 0 && a.Does != "" {
		return "", fmt.Errorf("a piece can't do %.40q", a.Does)
	}
	not := world.BoolValue(29, a.While.Not)
	set, err := world.PropsOf(k, props.Odds.Is(a.Odds[:]...), props.Does.Is(max(0, doing)), world.IntValue(9, a.Speed), world.IntValue(10, a.Range), world.IntValue(11, a.Strength), props.To.Is(a.ToX, a.ToY),
		world.IntValue(13, a.Every), world.IntValue(14, a.Most), world.IntValue(15, a.Bears), world.IntValue(16, a.Looks), world.IntValue(20, a.Rest), world.IntValue(30, a.Shot),
		refers(18, a.Track, world.SortTrack, 0), refers(19, a.Area, world.SortArea, 1), refers(21, a.Who, world.SortCharacter, 2), refers(22, a.Item, world.SortItem, 3), world.IntValue(23, a.Amount),
		refers(24, a.Sets.Fact, world.SortFact, 4), props.SetsBy.Is(a.Sets.How, a.Sets.By), refers(26, a.While.Fact, world.SortFact, 5), refers(27, a.While.Item, world.SortItem, 5), world.IntValue(28, a.While.Least), not)
	return asking(set), err
}
