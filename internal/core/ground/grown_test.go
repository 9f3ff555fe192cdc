package ground_test

import (
	"strings"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/invalid"
	"inventory/internal/core/plan"
)

// What grows already lies in the bed that it is told to stand in, one thing beside the other,
// and stays there in the layout; a bed without room for it is refused at its line.
func TestWhatGrowsAlreadyLiesInItsBed(t *testing.T) {
	in, _, _, _ := mill(t, nil)
	in.AsOf = civil.Of(in.Household.Year, 6, 20)
	bed := in.Household.Beds[0]
	tomatoes := plan.Growing{Crop: "tomato-slicing", Bed: bed.ID, Count: 4, By: plan.ByPlants, Since: in.AsOf - 30, Set: true}
	beans := plan.Growing{Crop: "bush-bean", Bed: bed.ID, Count: 20, By: plan.ByPlants, Since: in.AsOf - 20}
	nowhere := plan.Growing{Crop: "carrot-storage", Count: 2, By: plan.ByRow, Since: in.AsOf - 40}
	all := []plan.Growing{tomatoes, beans, nowhere}
	changed, grown, err := in.Grow(all)
	if err != nil {
		t.Fatal(err)
	}
	places, err := ground.PlacesOf(changed, all, grown)
	if err != nil || len(places) != 2 || !places[0].Stands || places[1].At <= places[0].At {
		t.Fatalf("places %+v (%v)", places, err)
	}
	changed.Household.Placements = places
	_, _, l, err := ground.Of(changed)
	if err != nil {
		t.Fatal(err)
	}
	for i, p := range places {
		found := false
		for _, piece := range l.Pieces {
			found = found || piece.Planting == grown.Of[i] && piece.Bed == bed.ID && piece.Stands
		}
		if !found {
			t.Errorf("%s does not stand in %s", p.Sowing, bed.Name)
		}
	}
	tomatoes.Count = 400
	all = []plan.Growing{nowhere, tomatoes}
	if changed, grown, err = in.Grow(all); err != nil {
		t.Fatal(err)
	}
	_, err = ground.PlacesOf(changed, all, grown)
	if wrong := invalid.All(err); len(wrong) != 1 || wrong[0].Field != "growing[1].bed" || !strings.Contains(wrong[0].Allowed, "leave the bed out") {
		t.Errorf("four hundred tomatoes in %s: %v", bed.Name, err)
	}
}
