package raster

import (
	"bytes"
	"encoding/binary"
	"errors"
	"fmt"
	"image"
	"image/draw"
	"image/gif"
	"image/jpeg"
	"image/png"
	"io"

	"golang.org/x/image/bmp"
	"golang.org/x/image/webp"

	"azzel/core/limit"
)

// A format is one sort of picture file.
type format struct {
	name   string
	magic  string // a ? stands for any byte
	config func(io.Reader) (image.Config, error)
	decode func(io.Reader) (image.Image, error)
}

var formats = []format{
	{"PNG", "\x89PNG\r\n\x1a\n", png.DecodeConfig, png.Decode},
	{"GIF", "GIF8?a", gif.DecodeConfig, gif.Decode},
	{"JPEG", "\xff\xd8\xff", jpeg.DecodeConfig, jpeg.Decode},
	{"WebP", "RIFF????WEBP", webp.DecodeConfig, webp.Decode},
	{"BMP", "BM????\x00\x00\x00\x00", bmp.DecodeConfig, bmp.Decode},
}

// Names are the formats that are read, for people.
const Names = "PNG, GIF, JPEG, WebP or BMP"

var (
	// ErrNotPicture is reported for a file that is no picture.
	ErrNotPicture = errors.New("this file is not a picture in " + Names + ": save it as PNG and bring that in")
	errCutShort   = errors.New("the picture is damaged or cut short: save it again from the program it was drawn in")
	errNoPixels   = errors.New("the picture has no pixels: it is 0 wide or 0 high. Save it again from the program it was drawn in")
)

func formatOf(data []byte) *format {
	for i := range formats {
		f := &formats[i]
		if len(data) < len(f.magic) {
			continue
		}
		same := true
		for k := range len(f.magic) {
			same = same && (f.magic[k] == '?' || f.magic[k] == data[k])
		}
		if same {
			return f
		}
	}
	return nil
}

// Info is what is known of a picture file before it is decoded.
type Info struct {
	// Width and Height are in pixels.
	Width, Height int
	// Format is the name of the file's format.
	Format string
	// Profile says that the file has a colour profile, which is not applied.
	Profile bool
}

// Measure reads what a picture file says of itself and holds it against the
// limits, without decoding any pixels. Errors are words for people.
func Measure(data []byte) (Info, error) {
	if len(data) > limit.PictureBytes {
		return Info{}, fmt.Errorf("the file has %d MB; the most is %d MB: make the picture smaller or cut it in parts", (len(data)+1<<20-1)>>20, limit.PictureBytes>>20)
	}
	f := formatOf(data)
	if f == nil {
		if len(data) >= 4 && string(data[1:4]) == "PNG" {
			return Info{}, errCutShort
		}
		return Info{}, ErrNotPicture
	}
	info := Info{Format: f.name}
	if f.name == "PNG" && len(data) >= 24 && (binary.BigEndian.Uint32(data[16:]) == 0 || binary.BigEndian.Uint32(data[20:]) == 0) {
		return info, errNoPixels
	}
	config, err := f.config(bytes.NewReader(data))
	if err != nil {
		return info, errCutShort
	}
	info.Width, info.Height = config.Width, config.Height
	if info.Width < 1 || info.Height < 1 {
		return info, errNoPixels
	}
	if info.Width > limit.PictureSide || info.Height > limit.PictureSide {
		return info, fmt.Errorf("the picture is %d × %d px; the most is %d px a side: make it smaller or cut it in parts", info.Width, info.Height, limit.PictureSide)
	}
	if pixels := info.Width * info.Height; pixels > limit.PicturePixels {
		return info, fmt.Errorf("the picture has %d megapixels; the most is %d: make it smaller or cut it in parts", pixels>>20, limit.PicturePixels>>20)
	}
	if f.name == "GIF" && frames(data) > 1 {
		return info, errors.New("this GIF moves: it has several frames, and a sheet of tiles is one picture. Save the frames side by side, as PNG")
	}
	info.Profile = f.name == "PNG" && bytes.Contains(data[:min(len(data), 4096)], []byte("iCCP")) ||
		f.name == "JPEG" && bytes.Contains(data[:min(len(data), 1<<16)], []byte("ICC_PROFILE\x00")) ||
		f.name == "WebP" && bytes.Contains(data[:min(len(data), 64)], []byte("ICCP"))
	return info, nil
}

// frames counts the pictures of a GIF, up to 2, without decoding them (CompuServe,
// "Graphics Interchange Format, Version 89a", 1990).
func frames(data []byte) int {
	table := func(flags byte) int {
		if flags&0x80 == 0 {
			return 0
		}
		return 3 << (flags&7 + 1)
	}
	if len(data) < 13 {
		return 0
	}
	at := 13 + table(data[10])
	blocks := func() {
		for at < len(data) && data[at] != 0 {
			at += 1 + int(data[at])
		}
		at++
	}
	count := 0
	for at < len(data) && count < 2 {
		switch data[at] {
		case 0x21: // an extension
			at += 2
			blocks()
		case 0x2c: // a picture
			count++
			if at+10 > len(data) {
				return count
			}
			at += 11 + table(data[at+9])
			blocks()
		default:
			return count
		}
	}
	return count
}

// Decode measures and reads a picture. Colours are taken as they are written,
// without their profile.
func Decode(data []byte) (*image.NRGBA, error) {
	info, err := Measure(data)
	if err != nil {
		return nil, err
	}
	img, err := formatOf(data).decode(bytes.NewReader(data))
	if err != nil {
		return nil, errCutShort
	}
	size := img.Bounds().Size()
	if size.X > info.Width || size.Y > info.Height {
		return nil, errCutShort // it lied about its size
	}
	if flat, ok := img.(*image.NRGBA); ok && flat.Rect.Min == (image.Point{}) {
		return flat, nil
	}
	flat := image.NewNRGBA(image.Rect(0, 0, size.X, size.Y))
	draw.Draw(flat, flat.Rect, img, img.Bounds().Min, draw.Src)
	return flat, nil
}
