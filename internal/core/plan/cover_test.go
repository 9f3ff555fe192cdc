package plan_test

import (
	"slices"
	"strings"
	"testing"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/wish"
)

func covered(t *testing.T, food, kind string, form wish.Form, prep string, cover place.Cover) (plan.Plan, []plan.Sowing) {
	t.Helper()
	in := demoInput(t)
	w := wish.Wish{ID: "c", Food: food, Variety: kind, Forms: []wish.Form{form}, Amount: wish.Amount{Kind: wish.WeightYear, Number: 20}, Cover: cover}
	if prep != "" {
		w.Preparations = []string{prep}
	}
	w.Fill()
	in.Household.Wishes = []wish.Wish{w}
	p, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	var out []plan.Sowing
	for _, s := range p.Sowings {
		if slices.ContainsFunc(s.For, func(f plan.Served) bool { return f.Wish == "c" && !f.Part }) {
			out = append(out, s)
		}
	}
	if len(out) == 0 {
		t.Fatalf("no sowing of %s", food)
	}
	return p, out
}

func tasks(s plan.Sowing, begins string) (days []civil.Date, do string) {
	for _, task := range s.Tasks {
		if strings.HasPrefix(task.What, begins) {
			days, do = append(days, task.Day), task.Do
		}
	}
	return days, do
}

// A cover lies over what is put up and what is stored too, and moves its dates.
func TestACoverServesEveryUse(t *testing.T) {
	_, open := covered(t, "tomato", "tomato-paste", wish.Canned, "tomato-crushed-canned", place.NoCover)
	_, under := covered(t, "tomato", "tomato-paste", wish.Canned, "tomato-crushed-canned", place.Tunnel)
	if under[0].Cover != string(place.Tunnel) || under[0].Day >= open[0].Day {
		t.Errorf("under a tunnel it goes in on %s, in the open on %s", under[0].Day, open[0].Day)
	}
	_, open = covered(t, "carrot", "carrot-storage", wish.Cellar, "", place.NoCover)
	_, under = covered(t, "carrot", "carrot-storage", wish.Cellar, "", place.Fleece)
	if under[0].Cover != string(place.Fleece) || under[0].Day == open[0].Day {
		t.Errorf("under fleece storage carrots are sown on %s, in the open on %s", under[0].Day, open[0].Day)
	}
}

// A warming cover comes off when the days are warm and lies again when they are cool; a
// net lies from the first day to the last. The hoops are counted.
func TestWhenACoverIsPutOnAndTakenOff(t *testing.T) {
	_, kale := covered(t, "kale", "", wish.Fresh, "", place.Fleece)
	s := kale[len(kale)-1]
	on, do := tasks(s, "cover-on")
	off, _ := tasks(s, "cover-off")
	if len(on) == 0 || len(on) != len(off) || !strings.Contains(do, "hoops") {
		t.Fatalf("on %v, off %v, %q", on, off, do)
	}
	if last := len(on) - 1; on[last] < civil.Of(2027, 9, 1) || off[last] < on[last]+30 {
		t.Errorf("in autumn it is put on on %s and taken off on %s", on[last], off[last])
	}
	_, cabbage := covered(t, "cabbage", "cabbage-storage", wish.Cellar, "", place.Net)
	on, _ = tasks(cabbage[0], "cover-on")
	off, _ = tasks(cabbage[0], "cover-off")
	if len(on) != 1 || on[0] != cabbage[0].Day || off[0] < cabbage[0].Day+60 {
		t.Errorf("a net lies from %v to %v, planted on %s", on, off, cabbage[0].Day)
	}
	if _, open := covered(t, "cabbage", "cabbage-storage", wish.Cellar, "", place.NoCover); len(open[0].Tasks)+2 != len(cabbage[0].Tasks) {
		t.Errorf("without a net there are %d tasks, with one %d", len(open[0].Tasks), len(cabbage[0].Tasks))
	}
}

// A cover that changes no date is told to do nothing.
func TestAnIdleCoverIsTold(t *testing.T) {
	in := demoInput(t)
	in.Household.Place.MeanMax, in.Household.Place.MeanMin = place.Months{}, place.Months{}
	for m := range in.Household.Place.MeanMax { // never above 18 °C: shade is never up
		in.Household.Place.MeanMax[m], in.Household.Place.MeanMin[m] = 17, 9
	}
	in.Household.Place.FrostFree, in.Household.Place.LastFrost, in.Household.Place.FirstFrost, in.Household.Place.FrostSpread = true, civil.MonthDay{}, civil.MonthDay{}, 0
	w := wish.Wish{ID: "c", Food: "lettuce", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: 2}, Cover: place.Shade}
	w.Fill()
	in.Household.Wishes, in.Household.Plantings = []wish.Wish{w}, nil
	p, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	if !slices.ContainsFunc(p.Wishes[0].Notes, func(n say.Note) bool { return strings.Contains(n.String(), "does nothing") }) {
		t.Errorf("%q", p.Wishes[0].Notes)
	}
	in.Household.Wishes = nil
	if err := plan.NewCover(in, w); err == nil || !strings.Contains(err.Error(), "does nothing") {
		t.Errorf("newly given it is not refused: %v", err)
	}
	in.Household.Wishes = []wish.Wish{w} // it had it before: the place may have changed
	for _, other := range []place.Cover{w.Cover, place.Net, place.NoCover} {
		w.Cover = other
		if err := plan.NewCover(in, w); err != nil {
			t.Errorf("%q: %v", other, err)
		}
	}
	w.Cover = place.Tunnel
	if err := plan.NewCover(demoInput(t), w); err != nil {
		t.Errorf("a tunnel in a cool spring: %v", err)
	}
	if p, _ := covered(t, "lettuce", "", wish.Fresh, "", place.Fleece); slices.ContainsFunc(p.Wishes[0].Notes, func(n say.Note) bool { return strings.Contains(n.String(), "does nothing") }) {
		t.Errorf("fleece in a cool spring: %q", p.Wishes[0].Notes)
	}
}

// A planting that stands in a covered bed grows under its cover, unless it has its own.
func TestABedsCoverLiesOverWhatStandsInIt(t *testing.T) {
	in := demoInput(t)
	in.Household.Placements = nil
	w := wish.Wish{ID: "c", Food: "tomato", Variety: "tomato-slicing", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: 3}, Season: wish.Season{Kind: wish.While}}
	w.Fill()
	in.Household.Wishes = []wish.Wish{w}
	day := civil.Of(2027, 5, 20)
	in.Household.Plantings = []record.Planting{{ID: "27-c-fresh-1", Crop: "tomato-slicing", Day: day, Plants: 12, Asked: 12, For: []record.Purpose{{Wish: "c", Form: wish.Fresh}}}}
	find := func(bed place.Cover, own place.Cover) plan.Sowing {
		in.Household.Beds[0].Cover, in.Household.Plantings[0].Cover = bed, own
		in.Household.Placements = nil
		if bed != "" {
			in.Household.Placements = append(in.Household.Placements, placementOf("27-c-fresh-1", in.Household.Beds[0].ID))
		}
		p, err := plan.Compute(in)
		if err != nil {
			t.Fatal(err)
		}
		return p.Sowings[slices.IndexFunc(p.Sowings, func(s plan.Sowing) bool { return s.ID == "27-c-fresh-1" })]
	}
	open, inTunnel := find("", ""), find(place.Tunnel, "")
	if inTunnel.Cover != string(place.Tunnel) || open.Cover != "" || inTunnel.LastPick == nil || *inTunnel.LastPick <= *open.LastPick {
		t.Errorf("in the open to %v, in a tunnel bed to %v (%s)", open.LastPick, inTunnel.LastPick, inTunnel.Cover)
	}
	if own := find(place.Tunnel, place.Fleece); own.Cover != string(place.Fleece) {
		t.Errorf("its own cover goes before: %s", own.Cover)
	}
}

func placementOf(sowing, in string) bed.Placement { return bed.Placement{Sowing: sowing, Bed: in} }

// What stands in a bed that is warmer than the place is ready earlier, in a hollow later; a
// night of frost counts there as it is.
func TestABedsWarmthMovesWhatStandsInIt(t *testing.T) {
	in := demoInput(t)
	w := wish.Wish{ID: "c", Food: "tomato", Variety: "tomato-slicing", Forms: []wish.Form{wish.Fresh}, Amount: wish.Amount{Kind: wish.Meals, Number: 3}, Season: wish.Season{Kind: wish.While}}
	w.Fill()
	in.Household.Wishes = []wish.Wish{w}
	out := civil.Of(2027, 5, 20)
	in.Household.Plantings = []record.Planting{{ID: "27-c-fresh-1", Crop: "tomato-slicing", Day: out, Out: &out, Plants: 12, Asked: 12, For: []record.Purpose{{Wish: "c", Form: wish.Fresh}}}}
	in.Household.Placements = []bed.Placement{placementOf("27-c-fresh-1", in.Household.Beds[0].ID)}
	in.AsOf = civil.Of(2027, 6, 1)
	find := func(own place.Warmth, plot place.Warmth) (plan.Plan, plan.Sowing) {
		in.Household.Beds[0].Warmth, in.Household.Plot.Warmth = own, plot
		p, err := plan.Compute(in)
		if err != nil || p.Sowing("27-c-fresh-1") == nil {
			t.Fatal(err)
		}
		return p, *p.Sowing("27-c-fresh-1")
	}
	_, usual := find(place.Warmth{}, place.Warmth{})
	_, wall := find(place.Warmth{Warmer: 2}, place.Warmth{})
	cold, hollow := find(place.Warmth{Warmer: -1}, place.Warmth{Warmer: -1})
	if *wall.FirstPick >= *usual.FirstPick || *hollow.FirstPick <= *usual.FirstPick || hollow.Warmer != -2 {
		t.Errorf("first picked at the wall %s, usually %s, in the hollow %s (%+g °C)", wall.FirstPick, usual.FirstPick, hollow.FirstPick, hollow.Warmer)
	}
	nights := []place.Night{{Date: in.AsOf, Min: 3}} // 1 °C at the plants, and -1 °C in the hollow
	if got := plan.FrostNights(cold, book.Usual(), nights); len(got) != 1 {
		t.Errorf("a night of 3 °C in the hollow: %v", got)
	}
	usualPlan, _ := find(place.Warmth{}, place.Warmth{})
	if got := plan.FrostNights(usualPlan, book.Usual(), nights); len(got) != 0 {
		t.Errorf("a night of 3 °C in the open: %v", got)
	}
}

// Two plots compared: the hollow has fewer days without frost, and what wants warmth is picked
// later there or not at all; what has no beds yet is taken as it is usually divided.
func TestSitesAreCompared(t *testing.T) {
	in := demoInput(t)
	in.Household.Plots = []bed.Plot{{ID: "road", Name: "By the road", Length: 20, Width: 10, Warmth: place.Warmth{Warmer: -3}, Sun: "part", Water: bed.ByCan}}
	sites, err := plan.Sites(in)
	if err != nil || len(sites) != 2 {
		t.Fatalf("%d sites, %v", len(sites), err)
	}
	home, road := sites[0], sites[1]
	if home.Beds != len(in.Household.Beds) || home.Planned || !road.Planned || road.Beds < 4 || road.BedArea > road.Land || road.Land != 200 {
		t.Errorf("at home %d beds, by the road %d on %g of %g m²", home.Beds, road.Beds, road.BedArea, road.Land)
	}
	if home.FrostFree < 150 || road.FrostFree > home.FrostFree-25 || road.Sun != "part" || road.Water != bed.ByCan {
		t.Errorf("without frost %d and %d days; %s, %s", home.FrostFree, road.FrostFree, road.Sun, road.Water)
	}
	for i, x := range home.Crops {
		y := road.Crops[i]
		if y.Crop != x.Crop || x.First == nil {
			t.Fatalf("%s beside %s", x.Crop, y.Crop)
		}
		if x.Crop == "tomato-paste" && y.First != nil && (*y.First <= *x.First || y.Why.IsZero()) {
			t.Errorf("paste tomatoes from %s at home, by the road from %s, %q", x.First, y.First, y.Why)
		}
	}
}
