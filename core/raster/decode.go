package raster

import (
	"bytes"
	"errors"
	"fmt"
	"image"
	"image/draw"
	"image/png"

	"azzel/core/limit"
)

// ErrNotPicture is reported for a file that is no PNG picture.
var ErrNotPicture = errors.New("this file is not a PNG picture: save it as PNG and bring that in")

// Measure reads the size of a PNG picture from its first bytes and holds it
// against the limits, without decoding anything.
func Measure(data []byte) (width, height int, err error) {
	if len(data) > limit.PictureBytes {
		return 0, 0, fmt.Errorf("the file has %d MB; the most is %d MB: make the picture smaller or cut it in parts", (len(data)+1<<20-1)>>20, limit.PictureBytes>>20)
	}
	config, err := png.DecodeConfig(bytes.NewReader(data))
	if err != nil {
		if len(data) >= 8 && string(data[1:4]) == "PNG" {
			return 0, 0, errCutShort
		}
		return 0, 0, ErrNotPicture
	}
	width, height = config.Width, config.Height
	if width > limit.PictureSide || height > limit.PictureSide {
		return 0, 0, fmt.Errorf("the picture is %d × %d px; the most is %d px a side: make it smaller or cut it in parts", width, height, limit.PictureSide)
	}
	if width*height > limit.PicturePixels {
		return 0, 0, fmt.Errorf("the picture has %d megapixels; the most is %d: make it smaller or cut it in parts", width*height>>20, limit.PicturePixels>>20)
	}
	return width, height, nil
}

var errCutShort = errors.New("the picture is damaged or cut short: save it again from the program it was drawn in")

// Decode measures and reads a PNG picture.
func Decode(data []byte) (*image.NRGBA, error) {
	if _, _, err := Measure(data); err != nil {
		return nil, err
	}
	img, err := png.Decode(bytes.NewReader(data))
	if err != nil {
		return nil, errCutShort
	}
	if flat, ok := img.(*image.NRGBA); ok && flat.Rect.Min == (image.Point{}) {
		return flat, nil
	}
	size := img.Bounds().Size()
	flat := image.NewNRGBA(image.Rect(0, 0, size.X, size.Y))
	draw.Draw(flat, flat.Rect, img, img.Bounds().Min, draw.Src)
	return flat, nil
}
