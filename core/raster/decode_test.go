package raster

import (
	"bytes"
	"encoding/base64"
	"encoding/binary"
	"hash/crc32"
	"image"
	"image/color"
	"image/gif"
	"image/jpeg"
	"image/png"
	"strings"
	"testing"

	"golang.org/x/image/bmp"
)

// sample is a picture of a few flat boxes.
func sample() *image.NRGBA {
	img := image.NewNRGBA(image.Rect(0, 0, 48, 32))
	for y := range 32 {
		for x := range 48 {
			img.SetNRGBA(x, y, color.NRGBA{uint8(x / 16 * 100), uint8(y / 16 * 120), 60, 255})
		}
	}
	return img
}

func written(t testing.TB, write func(*bytes.Buffer) error) []byte {
	var b bytes.Buffer
	if err := write(&b); err != nil {
		t.Fatal(err)
	}
	return b.Bytes()
}

// tiny is a WebP picture of one pixel.
func tiny(t testing.TB) []byte {
	b, err := base64.StdEncoding.DecodeString("UklGRiIAAABXRUJQVlA4IBYAAAAwAQCdASoBAAEADsD+JaQAA3AAAAAA")
	if err != nil {
		t.Fatal(err)
	}
	return b
}

func paletted() *image.Paletted {
	img := image.NewPaletted(image.Rect(0, 0, 48, 32), color.Palette{color.NRGBA{}, color.NRGBA{200, 100, 60, 255}})
	for i := range img.Pix {
		img.Pix[i] = uint8(i / 7 % 2)
	}
	return img
}

// Every format, and every sort of PNG, gives the pixels that were written.
func TestFormats(t *testing.T) {
	want := sample()
	deep := image.NewNRGBA64(want.Rect)
	for y := range 32 {
		for x := range 48 {
			deep.Set(x, y, want.At(x, y))
		}
	}
	for _, c := range []struct {
		name string
		data []byte
		near int
	}{
		{"PNG", written(t, func(b *bytes.Buffer) error { return png.Encode(b, want) }), 0},
		{"PNG of 16 bits", written(t, func(b *bytes.Buffer) error { return png.Encode(b, deep) }), 0},
		{"BMP", written(t, func(b *bytes.Buffer) error { return bmp.Encode(b, want) }), 0},
		{"GIF", written(t, func(b *bytes.Buffer) error { return gif.Encode(b, want, nil) }), 70},
		{"JPEG", written(t, func(b *bytes.Buffer) error { return jpeg.Encode(b, want, &jpeg.Options{Quality: 95}) }), 24},
	} {
		got, err := Decode(c.data)
		if err != nil {
			t.Errorf("%s: %v", c.name, err)
			continue
		}
		for i, v := range want.Pix {
			if d := int(v) - int(got.Pix[i]); d > c.near || -d > c.near {
				t.Errorf("%s: byte %d is %d, want %d", c.name, i, got.Pix[i], v)
				break
			}
		}
	}
	if got, err := Decode(written(t, func(b *bytes.Buffer) error { return png.Encode(b, paletted()) })); err != nil || got.NRGBAAt(0, 0).A != 0 || got.NRGBAAt(7, 0).R != 200 {
		t.Errorf("a PNG with a palette: %v", err)
	}
	if got, err := Decode(tiny(t)); err != nil || got.Rect.Dx() != 1 {
		t.Errorf("a WebP: %v", err)
	}
}

// header is the start of a PNG that says it is so large.
func header(w, h uint32) []byte {
	chunk := append([]byte("IHDR"), binary.BigEndian.AppendUint32(binary.BigEndian.AppendUint32(nil, w), h)...)
	chunk = append(chunk, 8, 6, 0, 0, 0)
	out := append([]byte("\x89PNG\r\n\x1a\n"), binary.BigEndian.AppendUint32(nil, 13)...)
	out = append(out, chunk...)
	return binary.BigEndian.AppendUint32(out, crc32.ChecksumIEEE(chunk))
}

// relabelled is a picture whose header says another size.
func relabelled(data []byte, w, h uint32) []byte { return append(header(w, h), data[33:]...) }

// Every bad picture gives a message of its own.
func TestBadPictures(t *testing.T) {
	good := written(t, func(b *bytes.Buffer) error { return png.Encode(b, sample()) })
	moving := written(t, func(b *bytes.Buffer) error {
		return gif.EncodeAll(b, &gif.GIF{Image: []*image.Paletted{paletted(), paletted(), paletted()}, Delay: []int{5, 5, 5}})
	})
	for _, c := range []struct {
		name, says string
		data       []byte
	}{
		{"not a picture", "not a picture", []byte("A list of seeds to sow in spring.")},
		{"empty", "not a picture", nil},
		{"cut short", "cut short", good[:len(good)/2]},
		{"too wide", "8192 px", header(20_000, 10)},
		{"too many pixels", "megapixels", header(8192, 8192)},
		{"too large a file", "MB", make([]byte, 17<<20)},
		{"no pixels", "no pixels", header(0, 10)},
		{"a GIF without pixels", "no pixels", []byte("GIF89a\x00\x00\x00\x00\x00\x00\x00;")},
		{"a GIF that moves", "moves", moving},
		{"larger than it says", "cut short", relabelled(good, 24, 32)},
		{"smaller than it says", "cut short", relabelled(good, 4000, 4000)},
	} {
		if _, err := Decode(c.data); err == nil || !strings.Contains(err.Error(), c.says) {
			t.Errorf("%s: %v, want something about %q", c.name, err, c.says)
		}
	}
}

// A picture of any format that is cut off anywhere is refused, and never more.
func TestCutOff(t *testing.T) {
	img := image.NewNRGBA(image.Rect(0, 0, 200, 150))
	for i := range img.Pix {
		img.Pix[i] = uint8(i * i >> 3)
	}
	for _, data := range [][]byte{
		written(t, func(b *bytes.Buffer) error { return png.Encode(b, img) }),
		written(t, func(b *bytes.Buffer) error { return gif.Encode(b, img, nil) }),
		written(t, func(b *bytes.Buffer) error { return jpeg.Encode(b, img, nil) }),
		written(t, func(b *bytes.Buffer) error { return bmp.Encode(b, img) }),
	} {
		for n := 0; n < len(data)-64; n += 1 << 10 {
			if _, err := Decode(data[:n]); err == nil {
				t.Errorf("%x…: the first %d of %d bytes are taken", data[:4], n, len(data))
			}
		}
	}
}

// FuzzDecode holds the front door: no file makes it panic, and what it takes
// has the size that was measured.
func FuzzDecode(f *testing.F) {
	f.Add(written(f, func(b *bytes.Buffer) error { return png.Encode(b, sample()) }))
	f.Add(written(f, func(b *bytes.Buffer) error { return gif.Encode(b, sample(), nil) }))
	f.Add(written(f, func(b *bytes.Buffer) error { return jpeg.Encode(b, sample(), nil) }))
	f.Add(written(f, func(b *bytes.Buffer) error { return bmp.Encode(b, sample()) }))
	f.Add(tiny(f))
	f.Add(header(20_000, 1))
	f.Fuzz(func(t *testing.T, data []byte) {
		info, err := Measure(data)
		if err != nil || info.Width*info.Height > 1<<18 {
			return
		}
		img, err := Decode(data)
		if err == nil && (img.Rect.Dx() > info.Width || img.Rect.Dy() > info.Height) {
			t.Fatalf("measured %d × %d, decoded %v", info.Width, info.Height, img.Rect)
		}
	})
}
