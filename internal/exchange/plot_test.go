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
		{Planting: "p", Bed: "a", At: 1.5, Length: 2, Planted: 40, From: day - 30, To: day + 30, Line: 0.4, Plant: 0.1, Lines: 3},
		{Planting: "q", Bed: "b", At: 1, Length: 3, Planted: 9, From: day, To: day + 1, Line: 0.25, Plant: 0.5, Lines: 2, Shifted: true},
		{Planting: "gone", Bed: "a", At: 4, Length: 1, Planted: 4, From: day - 90, To: day},
	}
	var out bytes.Buffer
	beds[0].Stands = []bed.Standing{{Name: "Leek", At: 4, Length: 1, Until: day + 1}, {Name: "Kale", At: 5, Length: 1, Until: day}}
	plot := bed.Plot{Length: 12, Width: 8, Obstacles: []bed.Obstacle{{Name: "Barn", Height: 5, Distance: 4, Bearing: 0, Breadth: 6}}}
	if err := WritePlot(&out, &plot, beds, pieces, day, func(p string) string { return "<" + p + ">" }); err != nil {
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
			Spots []rect `xml:"pattern"`
		} `xml:"g"`
		Walls []struct {
			X1 float64 `xml:"x1,attr"`
			Y1 float64 `xml:"y1,attr"`
			X2 float64 `xml:"x2,attr"`
		} `xml:"line"`
	}
	if err := xml.Unmarshal(out.Bytes(), &doc); err != nil {
		t.Fatalf("%v\n%s", err, out.String())
	}
	if doc.Width != "120mm" || doc.Height != "80mm" || len(doc.Beds) != 3 || doc.Beds[2].Text != "N" {
		t.Fatalf("%+v", doc)
	}
	millimetres, err := strconv.ParseFloat(strings.TrimSuffix(doc.Width, "mm"), 64)
	if err != nil || math.Abs(doc.Beds[0].Rects[0].Width*millimetres/12-60) > 1e-9 { // 6 m at 1 : 100
		t.Errorf("the bed of 6 m measures %g mm", doc.Beds[0].Rects[0].Width*millimetres/12)
	}
	near := func(a, b rect) bool {
		return math.Abs(a.X-b.X)+math.Abs(a.Y-b.Y)+math.Abs(a.Width-b.Width)+math.Abs(a.Height-b.Height) < 1e-9 && a.Title == b.Title
	}
	for k, want := range [][]rect{
		{{1, 4.8, 6, 1.2, ""}, {5, 4.8, 1, 1.2, "Leek, until 1 September 2027"}, {2.5, 4.8, 2, 1.2, "<p>, 40 plants"}, {2.5, 4.8, 2, 1.2, ""}},
		{{8, 2, 0.9, 5, ""}, {8, 3, 0.9, 3, "<q>, 9 plants"}, {8.2, 3, 0.5, 3, ""}},
	} {
		got := doc.Beds[k].Rects
		if len(got) != len(want) || doc.Beds[k].Text != beds[k].Name {
			t.Fatalf("%s: %+v", doc.Beds[k].Text, got)
		}
		for i := range want {
			if want[i].Title != "" && strings.HasPrefix(want[i].Title, "Leek") {
				want[i].Title = "Leek, until " + (day + 1).Words()
			}
			if !near(got[i], want[i]) {
				t.Errorf("%s: %+v, want %+v", doc.Beds[k].Text, got[i], want[i])
			}
		}
	}
	// Three rows 0.4 m apart with a plant every 0.1 m; two shifted ones along a turned bed.
	if a, b := doc.Beds[0].Spots[0], doc.Beds[1].Spots[0]; !near(a, rect{2.5, 4.8, 0.1, 0.4, ""}) || !near(b, rect{8.2, 3, 0.5, 0.5, ""}) {
		t.Errorf("the plants stand %+v and %+v", a, b)
	}
	if w := doc.Walls; len(w) != 1 || math.Abs(w[0].Y1) > 1e-3 || math.Abs(math.Abs(w[0].X2-w[0].X1)-6) > 1e-3 {
		t.Errorf("the barn stands %+v", w)
	}
}
