package reckon

import (
	"errors"
	"math"
	"testing"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
)

// near fails where got differs from want by more than half a percent.
func near(t *testing.T, what string, got, want float64) {
	t.Helper()
	if math.Abs(got-want) > 0.005*math.Abs(want) {
		t.Errorf("%s is %g, want %g within 0.5 %%", what, got, want)
	}
}

func same(t *testing.T, what string, got, want int) {
	t.Helper()
	if got != want {
		t.Errorf("%s is %d, want %d", what, got, want)
	}
}

// Example A: sauce for the shelf.
func TestSauceForTheShelf(t *testing.T) {
	const raw = 46 * 0.45359237 / (7 * amount.LitresPerQuart)
	near(t, "raw weight of a litre", raw, 3.1497)
	prep := &book.Preparation{Unit: "litre", Raw: raw}
	need := func(jars float64) float64 {
		w := wish.Wish{Amount: wish.Amount{Kind: wish.Jars, Number: jars, Jar: amount.LitresPerQuart}}
		use := table.Use{Form: wish.Canned, Prep: prep}
		use.Amount[7] = jars
		return (&Desk{Rules: book.UsualRules()}).Harvest("", "", "", &table.Resolved{Wish: w}, use, season.AllYear).Amount
	}
	near(t, "need of 35 quarts", need(35), 112.06)
	near(t, "need of 26 quarts", need(26), 83.24)
	left := wish.Wish{Amount: wish.Amount{Kind: wish.Jars, Number: 35, Jar: amount.LitresPerQuart}, Left: 9}
	use := table.Use{Form: wish.Canned, Prep: prep}
	use.Amount[7] = 35
	near(t, "need of 35 with nine left", (&Desk{Rules: book.UsualRules()}).Harvest("", "", "", &table.Resolved{Wish: left}, use, season.AllYear).Amount, 83.24)
	const y, f, cv = 3.5, 0.05, 0.30
	for _, c := range []struct {
		name       string
		need       float64
		sowings    int
		confidence float64
		want       int
	}{
		{"typical year", need(35), 1, 0, 34}, {"C = 0.7", need(35), 1, 0.7, 41}, {"C = 0.8", need(35), 1, 0.8, 45},
		{"C = 0.95 from two", need(35), 2, 0.95, 68}, {"26 quarts at 0.8", need(26), 1, 0.8, 34},
	} {
		n, err := Plants(c.need, y, f, cv, c.sowings, c.confidence)
		if err != nil {
			t.Errorf("%s: %v", c.name, err)
		}
		same(t, c.name, n, c.want)
	}
	near(t, "left over in an average year", 41*y*(1-f)-need(35), 24.3)
	_, err := Plants(need(35), y, f, cv, 1, 0.95)
	var short *NeedsAnotherSowing
	if !errors.As(err, &short) {
		t.Fatalf("C = 0.95 from one sowing gives %v, want NeedsAnotherSowing", err)
	}
	same(t, "plants with another sowing", short.Better, 68)

	crop := &book.Crop{Start: "transplant", PerStation: book.Maybe{Value: 2, Known: true}, Germination: book.Maybe{Value: 0.85, Known: true}, Survive: 0.95}
	d := &Desk{Rules: book.UsualRules()}
	z := Size{Plants: 45}
	d.raised(figures{}, crop, &z)
	same(t, "set out", z.SetOut, 48)
	same(t, "cells", z.Cells, 52)
	same(t, "seeds", z.Seeds, 104)

	sauce := book.Usual().Preparation("tomato-sauce-thick")
	same(t, "quarts to a load", sauce.Load(amount.LitresPerQuart), 7)
}

// Example C: spacing.
func TestSpacing(t *testing.T) {
	for r, want := range map[float64]float64{0.25: 0.4, 0.5: 0.667, 1: 1, 1.5: 1.2, 2: 1.333, 4: 1.6} {
		near(t, "yield of a plant", Crowding(r, 1), want)
	}
	for r, want := range map[float64]float64{0.25: 1.6, 0.5: 1.333, 1: 1, 1.5: 0.8, 2: 0.667, 4: 0.4} {
		near(t, "yield of the ground", Crowding(r, 1)/r, want)
	}
	a0, a := 0.35*0.80, 0.28*0.70
	y := 0.9 * Crowding(a/a0, 1)
	near(t, "the root, closer", y, 0.741)
	near(t, "its ground", y/a, 3.78)
	near(t, "the ground before", 0.9/a0, 3.21)
}

func crop(inRow, row, block float64) *book.Crop {
	known := func(v float64) book.Maybe { return book.Maybe{Value: v, Known: true} }
	return &book.Crop{InRow: known(inRow), RowGap: known(row), Block: known(block), Closeness: 1}
}

// Example D: beds.
func TestBeds(t *testing.T) {
	bed := Bed{1.2, 0.10}
	beans := StandIn(crop(10, 45, 15), wish.Rows, bed)
	same(t, "rows of beans", beans.Rows, 3)
	length, area, _ := beans.Takes(150, bed)
	near(t, "length of beans", length, 5)
	near(t, "area of beans", area, 6)
	lettuce := StandIn(crop(30, 30, 25), wish.Block, bed)
	same(t, "rows of lettuce", lettuce.Rows, 5)
	length, area, _ = lettuce.Takes(60, bed)
	near(t, "length of lettuce", length, 3)
	near(t, "area of lettuce", area, 3.6)
	squash := crop(90, 180, 120)
	squash.Sprawls = true
	same(t, "rows of squash", StandIn(squash, wish.Rows, bed).Rows, 1)
	same(t, "rows at 0.2 in 0.4 m", fits(Bed{0.6, 0.1}, 0.2), 3)
}

// Example E: seeds to a station, and old seed.
func TestSeedsToAStation(t *testing.T) {
	for g, want := range map[float64]int{0.9: 2, 0.8: 2, 0.7: 3, 0.6: 4, 0.5: 5} {
		m, _ := SeedsToAStation(g)
		same(t, "seeds", m, want)
	}
	corn := &book.Crop{Germination: book.Maybe{Value: 0.7, Known: true}}
	z := Size{Plants: 48}
	(&Desk{}).stations(figures{}, corn, &z)
	_, occupied := SeedsToAStation(0.7)
	near(t, "occupancy", occupied, 0.973)
	same(t, "stations", z.Stations, 50)
	same(t, "seeds", z.Seeds, 150)
	near(t, "seed four years old", Germination(0.9, 2, 4), 0.225)
	near(t, "seed in its life", Germination(0.9, 2, 2), 0.9)
}

// Example F: stock.
func TestStock(t *testing.T) {
	garlic := &book.Crop{Unit: "clove", Survive: 0.95, StockGram: book.Maybe{Value: 7, Known: true}}
	z := Size{Plants: 110}
	(&Desk{}).stock(figures{}, garlic, &z)
	same(t, "cloves", z.SetOut, 116)
	near(t, "weight of cloves", z.StockKg, 0.812)
}

// Example J: pieces, never by weight.
func TestPieces(t *testing.T) {
	for _, confidence := range []float64{0, 0.8} {
		n, err := Pieces(10, 0.10, 0.07, 1, confidence)
		if err != nil {
			t.Fatal(err)
		}
		same(t, "plants", n, 12)
	}
	near(t, "P of 12", MetPieces(12, 10, 0.10, 0.07, 1), 0.827)
}

// Example O: ground a plant gets.
func TestGroundAPlant(t *testing.T) {
	bed := Bed{1.2, 0.10}
	tomato := StandIn(crop(60, 90, 60), wish.Rows, bed)
	same(t, "rows", tomato.Rows, 2)
	near(t, "ground", tomato.Ground, 0.36)
	near(t, "r", tomato.Room, 0.667)
	near(t, "of the yield", tomato.Factor, 0.8)
	beans := StandIn(crop(10, 45, 15), wish.Rows, bed)
	near(t, "ground of a bean", beans.Ground, 0.04)
	near(t, "r of a bean", beans.Room, 0.889)
	near(t, "of its yield", beans.Factor, 0.941)
}

func TestASingleRowIsNotCrowded(t *testing.T) {
	blueberry := StandIn(book.Usual().Crop("blueberry"), wish.Rows, Bed{1.2, 0.1})
	if blueberry.Rows != 1 || blueberry.Factor < 1 {
		t.Errorf("a single row stands in %d rows and gives %g of its yield", blueberry.Rows, blueberry.Factor)
	}
}

// Example B: carrots all year, two meals a week of 110 g to 3.4 eaters.
func TestCarrotsAllYear(t *testing.T) {
	known := func(v float64) book.Maybe { return book.Maybe{Value: v, Known: true} }
	carrot := &book.Crop{ID: "c", Portion: known(110), Edible: 0.83, StoreLoss: known(0.04), Store: "cool-moist"}
	w := wish.Wish{Amount: wish.Amount{Kind: wish.Meals, Number: 2}}
	d := &Desk{Rules: book.UsualRules()}
	resolved := table.Resolved{Wish: w}
	for week := range resolved.AdultEquivalents {
		resolved.AdultEquivalents[week] = 3.4
	}
	const stored = 40 // so that the cellar weeks run round the end of the table year
	fresh, cellar := table.Use{Form: wish.Fresh, Crop: carrot}, table.Use{Form: wish.Cellar, Crop: carrot, Kept: stored}
	for k := range 18 {
		fresh.Amount[(stored-k+season.WeeksPerYear)%season.WeeksPerYear] = 2
	}
	for k := 1; k <= 22; k++ {
		cellar.Amount[(stored+k)%season.WeeksPerYear] = 2
	}
	harvest := func(u table.Use) float64 {
		return d.Harvest("", "", "", &resolved, u, season.AllYear).Amount
	}
	near(t, "18 fresh weeks", harvest(fresh), 17.08)
	near(t, "22 weeks from the cellar", harvest(cellar), 23.29)
	carrot.StoreLoss = known(0)
	near(t, "without the losses", harvest(cellar), 20.87)
}

// The household's own spacing moves the yield by the density law.
func TestOwnSpacingFollowsTheLaw(t *testing.T) {
	own, _, _, err := book.Usual().With([]book.Overrule{{Subject: "crop/tomato-paste", Field: "in_row", Value: 30}})
	if err != nil {
		t.Fatal(err)
	}
	plot := StandIn(own.Crop("tomato-paste"), wish.Plot, Bed{1.2, 0.1}) // 0.3 × 0.9 m instead of 0.6 × 0.9
	near(t, "r at half the spacing", plot.Room, 0.5)
	near(t, "of the yield", plot.Factor, 0.667)
	heavy, _, _, err := book.Usual().With([]book.Overrule{{Subject: "crop/lettuce-head", Field: "yield", Value: 0.7}})
	if err != nil {
		t.Fatal(err)
	}
	if n, ok := heavy.Crop("lettuce-head").PiecesPerPlant(0.7); !ok || n != 1 {
		t.Errorf("a heavier lettuce is %g heads", n)
	}
}

// A sprawling crop in one row takes its row's width, and at most 0.6 m more than the bed's.
func TestASprawlingCropRunsOverTheEdges(t *testing.T) {
	for _, c := range []struct{ row, width, ground float64 }{
		{200, 1.2, 1.8}, // the bed and 0.6 m
		{150, 1.2, 1.5}, // its own row
		{300, 2.0, 2.6}, // the bed and 0.6 m
	} {
		squash := crop(100, c.row, 150)
		squash.Sprawls = true
		s := StandIn(squash, wish.Rows, Bed{c.width, 0.10})
		same(t, "rows", s.Rows, 1)
		near(t, "ground", s.Ground, c.ground)
	}
}

// Rows across a bed are as long as it is wide between its edges; rows along it as long as
// they are.
func TestMetresOfRow(t *testing.T) {
	bed := Bed{1.2, 0.10}
	across := StandIn(crop(20, 50, 30), wish.Across, bed)
	length, area, row := across.Takes(12, bed) // six to a row of 1.0 m: two rows
	near(t, "length", length, 1)
	near(t, "area", area, 1.2)
	near(t, "metres of row across", row, 2)
	along := StandIn(crop(20, 50, 30), wish.Rows, bed)
	length, _, row = along.Takes(12, bed) // three rows of four
	near(t, "length", length, 0.8)
	near(t, "metres of row along", row, 2.4)
}
