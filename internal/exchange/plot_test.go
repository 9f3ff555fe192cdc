package exchange

import (
	"bytes"
	"encoding/xml"
	"math"
	"strconv"
	"strings"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
)

// The drawing is well-formed, its bed measures what it should, and its names are
// texts, whatever stands in them.
func TestThePlotIsDrawnToScale(t *testing.T) {
	beds := []bed.Bed{{ID: "a", Name: `Mill & <weir> "bed"`, X: 1, Y: 2, Length: 6, Width: 1.2}, {ID: "b", Name: "Turned", X: 8, Y: 1, Length: 5, Width: 0.9, Turned: true}}
	day := civil.Of(2027, 8, 1)
	pieces := []ground.Piece{
		{Planting: "p", Bed: "a", At: 1.5, Length: 2, Planted: 40, From: day - 30, To: day + 30},
		{Planting: "q", Bed: "b", At: 1, Length: 3, Planted: 9, From: day, To: day + 1},
		{Planting: "gone", Bed: "a", At: 4, Length: 1, Planted: 4, From: day - 90, To: day},
	}
	var out bytes.Buffer
	if err := WritePlot(&out, &bed.Plot{Length: 12, Width: 8}, beds, pieces, day, func(p string) string { return "<" + p + ">" }); err != nil {
		t.Fatal(err)
	}
	type rect struct {
		X      float64 `xml:"x,attr"`
		Y      float64 `xml:"y,attr"`
		Width  float64 `xml:"width,attr"`
		Height float64 `xml:"height,attr"`
		Title  string  `xml:"title"`
	}
	var doc struct {
		Width  string `xml:"width,attr"`
		Height string `xml:"height,attr"`
		Beds   []struct {
			ID    string `xml:"id,attr"`
			Rects []rect `xml:"rect"`
			Text  string `xml:"text"`
		} `xml:"g"`
	}
	if err := xml.Unmarshal(out.Bytes(), &doc); err != nil {
		t.Fatalf("%v\n%s", err, out.String())
	}
	if doc.Width != "120mm" || doc.Height != "80mm" || len(doc.Beds) != 2 {
		t.Fatalf("%+v", doc)
	}
	millimetres, err := strconv.ParseFloat(strings.TrimSuffix(doc.Width, "mm"), 64)
	if err != nil || math.Abs(doc.Beds[0].Rects[0].Width*millimetres/12-60) > 1e-9 { // 6 m at 1 : 100
		t.Errorf("the bed of 6 m measures %g mm", doc.Beds[0].Rects[0].Width*millimetres/12)
	}
	if a := doc.Beds[0]; a.Text != beds[0].Name || len(a.Rects) != 2 || a.Rects[0] != (rect{1, 8 - 2 - 1.2, 6, 1.2, ""}) || a.Rects[1] != (rect{2.5, 4.8, 2, 1.2, "<p>, 40 plants"}) {
		t.Errorf("%+v", a)
	}
	if b := doc.Beds[1]; len(b.Rects) != 2 || b.Rects[0] != (rect{8, 2, 0.9, 5, ""}) || b.Rects[1] != (rect{8, 3, 0.9, 3, "<q>, 9 plants"}) {
		t.Errorf("%+v", b)
	}
}
