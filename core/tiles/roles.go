package tiles

// A Role is what a tile is for, so that one tileset can take the place of
// another. Play never reads it. The zero value means that nobody has said.
type Role uint8

// The roles, in the order in which the blockout tiles stand.
const (
	NoRole Role = iota
	Ground
	Path
	Wall
	Overhead
	Water
	Danger
	Climbable
	OneWay
	SlopeLeft
	SlopeRight
	Decoration
	roleEnd
)

var roleNames = [...]string{"", "ground", "path", "wall", "overhead", "water", "danger", "climbable", "one-way", "slope left", "slope right", "decoration"}

// Roles lists all roles but NoRole, in their order.
func Roles() []Role {
	list := make([]Role, 0, BlockoutCount)
	for r := NoRole + 1; r < roleEnd; r++ {
		list = append(list, r)
	}
	return list
}

// String is the role's name for people, empty for NoRole.
func (r Role) String() string {
	if r < roleEnd {
		return roleNames[r]
	}
	return ""
}

// BlockoutCount is how many blockout tiles there are: one a role.
const BlockoutCount = int(roleEnd) - 1
