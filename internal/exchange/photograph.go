package exchange

import (
	"bytes"
	"fmt"
	"image"
	"image/color"
	"image/jpeg"
	_ "image/png" // one of the formats that are read
	"io"
	"net/http"
	"sync"

	"golang.org/x/image/draw"
	_ "golang.org/x/image/webp" // one of the formats that are read

	"inventory/internal/core/invalid"
)

// Bounds of photographs that are taken in, and the sizes in which they are kept.
const (
	LargestPhotograph = 20 << 20   // bytes
	longestSide       = 12_000     // pixels
	mostPixels        = 40_000_000 // of the whole picture
	shownSide         = 1600       // pixels, of the longer side as it is shown
	smallSide         = 320        // pixels, of the longer side in lists
	shownQuality      = 82         // of JPEG
	smallQuality      = 75
)

// oneAtATime keeps the memory that unpacked photographs take to that of one.
var oneAtATime sync.Mutex

// ReadPhotograph reads a photograph in JPEG, PNG or WebP, told by what it holds and not by its name,
// and writes it anew in JPEG, as large as it is shown and small. Only the picture goes over: what
// the file says besides, such as the place and the device, is left behind. What cannot be taken is
// an invalid.Field named "photograph".
func ReadPhotograph(r io.Reader) (shown, small []byte, err error) {
	body, err := io.ReadAll(io.LimitReader(r, LargestPhotograph+1))
	switch {
	case err != nil:
		return nil, nil, err
	case len(body) == 0:
		return nil, nil, noPhotograph("0 bytes", "a photograph; this file is empty")
	case len(body) > LargestPhotograph:
		return nil, nil, noPhotograph(fmt.Sprintf("over %d MB", LargestPhotograph>>20), fmt.Sprintf("a photograph of at most %d MB", LargestPhotograph>>20))
	}
	size, format, err := image.DecodeConfig(bytes.NewReader(body))
	if err != nil {
		return nil, nil, noPhotograph(http.DetectContentType(body), "a photograph in JPEG, PNG or WebP; this file is none of them, or is damaged")
	}
	if size.Width > longestSide || size.Height > longestSide || size.Width*size.Height > mostPixels {
		return nil, nil, noPhotograph(fmt.Sprintf("%d × %d pixels", size.Width, size.Height), fmt.Sprintf("a photograph of at most %d pixels a side and %d million in all", longestSide, mostPixels/1_000_000))
	}
	oneAtATime.Lock()
	defer oneAtATime.Unlock()
	picture, _, err := image.Decode(bytes.NewReader(body))
	if err != nil {
		return nil, nil, noPhotograph(format, "a whole photograph; this file breaks off or is damaged")
	}
	large := fitted(picture, shownSide)
	if shown, err = written(large, shownQuality); err != nil {
		return nil, nil, err
	}
	small, err = written(fitted(large, smallSide), smallQuality)
	return shown, small, err
}

func noPhotograph(value, allowed string) error {
	return &invalid.Field{Field: "photograph", Value: value, Allowed: allowed}
}

// fitted draws a picture no longer on any side than a number of pixels. What is seen through is white.
func fitted(picture image.Image, side int) *image.RGBA {
	from := picture.Bounds()
	to := image.Rect(0, 0, from.Dx(), from.Dy())
	if longer := max(from.Dx(), from.Dy()); longer > side {
		to = image.Rect(0, 0, max(1, from.Dx()*side/longer), max(1, from.Dy()*side/longer))
	}
	out := image.NewRGBA(to)
	draw.Draw(out, to, image.NewUniform(color.White), image.Point{}, draw.Src)
	draw.CatmullRom.Scale(out, to, picture, from, draw.Over, nil)
	return out
}

func written(picture image.Image, quality int) ([]byte, error) {
	var body bytes.Buffer
	err := jpeg.Encode(&body, picture, &jpeg.Options{Quality: quality})
	return body.Bytes(), err
}
