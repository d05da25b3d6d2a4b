package sheets

import (
	"fmt"
	"testing"

	"azzel/core/tiles"
	"azzel/demo/art"
)

var joinNames = map[tiles.Join]string{tiles.Sides: "sides", tiles.Corners: "corners", tiles.Both: "both"}

// The surroundings of a bond's tiles are found from their pixels, in whatever
// order they lie; what is not right is marked as unsure.
func TestPropose(t *testing.T) {
	// The seeds were chosen after the method was fixed.
	const first, count = 60_001, 48
	for _, join := range []tiles.Join{tiles.Sides, tiles.Corners, tiles.Both} {
		all, right, unsure, wrong, textured, joined := 0, 0, 0, 0, 0, 0
		for seed := uint64(first); seed < first+count; seed++ {
			b := MakeBlock(seed, join)
			if b.Textured {
				textured++
			}
			got := tiles.Propose(join, b.Pixels, b.W, b.H)
			if found, _ := tiles.ProposeJoin(b.Pixels, b.W, b.H); found == join {
				joined++
			}
			bad := 0
			for i, p := range got {
				all++
				switch {
				case p.Joined == b.Joined[i]:
					right++
				case p.Sure:
					wrong++
					bad++
				default:
					bad++
				}
				if !p.Sure {
					unsure++
				}
			}
			if bad > 0 && testing.Verbose() {
				fmt.Printf("%d %s: %d × %d px, textured %t, %d of %d wrong\n", seed, joinNames[join], b.W, b.H, b.Textured, bad, len(got))
			}
		}
		t.Logf("%-8s %d tiles of %d blocks: %.1f %% right, %.1f %% unsure, %d wrong and sure; the way to join found in %.1f %%", joinNames[join], all, count, share(right, all), share(unsure, all), wrong, share(joined, count))
		if share(right, all) < 95 || wrong > 0 {
			t.Errorf("%s: %.1f %% right, wanted 95 %%; %d wrong and sure", joinNames[join], share(right, all), wrong)
		}
		if share(joined, count) < 90 {
			t.Errorf("%s: the way to join was found in only %.1f %%", joinNames[join], share(joined, count))
		}
		if 2*textured < count {
			t.Errorf("%s: only %d of %d blocks have a texture", joinNames[join], textured, count)
		}
	}
}

// So are those of the demo's blocks, which have ground of their own, an edge that
// is not the same on every side, and walls seen from the front.
func TestProposeDemo(t *testing.T) {
	sheet := art.Sheet()
	for _, block := range []art.Block{art.Bed, art.Channel, art.Brick, art.Glass} {
		var pixels [][]byte
		for sides := range 16 {
			place := art.Joined(block, sides)
			x0, y0 := place%art.Columns*art.Side, place/art.Columns*art.Side
			var pix []byte
			for y := range art.Side {
				pix = append(pix, sheet.Pix[sheet.PixOffset(x0, y0+y):sheet.PixOffset(x0+art.Side-1, y0+y)+4]...)
			}
			pixels = append(pixels, pix)
		}
		join, got := tiles.ProposeJoin(pixels, art.Side, art.Side)
		right := 0
		for sides, p := range got {
			if p.Joined == tiles.Neighbours(sides) {
				right++
			} else if p.Sure {
				t.Errorf("block %d: the tile for %04b is taken for %04b, surely", block, sides, p.Joined)
			}
		}
		if join != tiles.Sides || right < 15 {
			t.Errorf("block %d joins %s, %d of 16 right", block, joinNames[join], right)
		}
	}
}
