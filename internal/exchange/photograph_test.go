package exchange

import (
	"bytes"
	"encoding/binary"
	"hash/crc32"
	"image"
	"image/color"
	"image/jpeg"
	"image/png"
	"strings"
	"testing"

	"inventory/internal/core/invalid"
)

// picture returns a picture whose left half is green and whose right half is red.
func picture(width, height int) image.Image {
	out := image.NewRGBA(image.Rect(0, 0, width, height))
	for y := range height {
		for x := range width {
			out.Set(x, y, color.RGBA{uint8(200 * (2 * x / width)), uint8(200 * (1 - 2*x/width)), 0, 255})
		}
	}
	return out
}

func jpegOf(t *testing.T, p image.Image) []byte {
	t.Helper()
	var body bytes.Buffer
	if err := jpeg.Encode(&body, p, nil); err != nil {
		t.Fatal(err)
	}
	return body.Bytes()
}

// withPlace puts what a camera says besides the picture behind the first mark of a JPEG.
func withPlace(body []byte) []byte {
	said := []byte("Exif\x00\x00 GPS 47.5 N, camera of somebody")
	out := append([]byte{}, body[:2]...)
	out = append(out, 0xff, 0xe1, 0, byte(len(said)+2))
	return append(append(out, said...), body[2:]...)
}

// wide returns the head of a PNG that says it is so many pixels wide.
func wide(width uint32) []byte {
	head := make([]byte, 13)
	binary.BigEndian.PutUint32(head, width)
	binary.BigEndian.PutUint32(head[4:], 1)
	head[8], head[9] = 8, 2
	out := []byte("\x89PNG\r\n\x1a\n\x00\x00\x00\x0d")
	part := append([]byte("IHDR"), head...)
	return binary.BigEndian.AppendUint32(append(out, part...), crc32.ChecksumIEEE(part))
}

// A photograph is kept as large as it is shown, and small; what the camera says besides is gone.
func TestAPhotographIsOnlyItsPicture(t *testing.T) {
	var asPNG bytes.Buffer
	if err := png.Encode(&asPNG, picture(2400, 1200)); err != nil {
		t.Fatal(err)
	}
	for what, body := range map[string][]byte{"JPEG": withPlace(jpegOf(t, picture(2400, 1200))), "PNG": asPNG.Bytes()} {
		shown, small, err := ReadPhotograph(bytes.NewReader(body))
		if err != nil {
			t.Fatalf("%s: %v", what, err)
		}
		for _, x := range []struct {
			body  []byte
			width int
		}{{shown, 1600}, {small, 320}} {
			p, format, err := image.Decode(bytes.NewReader(x.body))
			if err != nil || format != "jpeg" || p.Bounds().Dx() != x.width || p.Bounds().Dy() != x.width/2 {
				t.Fatalf("%s: %v %s %v", what, err, format, p.Bounds())
			}
			if r, g, _, _ := p.At(x.width/4, 40).RGBA(); g < 3*r {
				t.Errorf("%s: the left half is not green", what)
			}
			if bytes.Contains(x.body, []byte("GPS")) || bytes.Contains(x.body, []byte("camera")) {
				t.Errorf("%s: what the camera said is still there", what)
			}
		}
	}
	shown, _, err := ReadPhotograph(bytes.NewReader(jpegOf(t, picture(90, 60))))
	if p, _, _ := image.Decode(bytes.NewReader(shown)); err != nil || p.Bounds().Dx() != 90 {
		t.Error("a small one was made larger")
	}
}

// What is no photograph is refused with what would be right.
func TestWhatIsNoPhotograph(t *testing.T) {
	whole := jpegOf(t, picture(400, 300))
	for what, c := range map[string]struct {
		body []byte
		says string
	}{
		"an empty file":      {nil, "this file is empty"},
		"a text":             {[]byte("date,food,gram\n2027-08-01,bean,300\n"), "in JPEG, PNG or WebP"},
		"50,000 pixels wide": {wide(50_000), "at most 12000 pixels a side"},
		"cut in half":        {whole[:len(whole)/2], "breaks off"},
		"40 MB":              {append(whole, make([]byte, 40<<20)...), "at most 20 MB"},
		"a page":             {[]byte("<html><script>alert(1)</script>"), "in JPEG, PNG or WebP"},
	} {
		_, _, err := ReadPhotograph(bytes.NewReader(c.body))
		all := invalid.All(err)
		if len(all) != 1 || all[0].Field != "photograph" || !strings.Contains(all[0].Allowed, c.says) {
			t.Errorf("%s: %v", what, err)
		}
	}
}

// Whatever comes, nothing breaks.
func FuzzReadPhotograph(f *testing.F) {
	f.Add([]byte("\x89PNG\r\n\x1a\n"))
	f.Add([]byte("RIFF\x24\x00\x00\x00WEBPVP8 "))
	f.Add([]byte("\xff\xd8\xff\xe0"))
	f.Fuzz(func(t *testing.T, body []byte) {
		shown, small, err := ReadPhotograph(bytes.NewReader(body))
		if err == nil && (len(shown) == 0 || len(small) == 0) {
			t.Error("a picture without a body")
		}
	})
}
