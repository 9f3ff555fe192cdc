package plan_test

import (
	"slices"
	"testing"

	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
)

// The demo at a glance, as a practised grower would look over it.
func TestTheDemoAtAGlance(t *testing.T) {
	in := demoInput(t)
	p, err := plan.Compute(in)
	if err != nil {
		t.Fatal(err)
	}
	month := func(d civil.Date) int { _, m, _ := d.Split(); return m }
	fresh := func(s plan.Sowing) bool {
		return slices.ContainsFunc(s.For, func(f plan.Served) bool { return f.Form == string(wish.Fresh) })
	}
	for i, a := range p.Sowings {
		if a.Method == season.Patch || a.Method == season.Tray {
			continue
		}
		for _, b := range p.Sowings[:i] {
			if a.Crop == b.Crop && a.Choice == b.Choice && fresh(a) && fresh(b) && !a.Early && !b.Early && a.Day-b.Day < 7 && b.Day-a.Day < 7 {
				t.Errorf("%s on %s and on %s", a.CropName, a.Day, b.Day)
			}
		}
		if a.Day > in.AsOf+400 {
			t.Errorf("%s is planted on %s, a year late", a.CropName, a.Day)
		}
		if m := month(a.Date); a.Crop == "parsnip" && (m < 3 || m > 5) {
			t.Errorf("parsnips are sown on %s", a.Date)
		}
	}
	for _, f := range p.Windows { // storage roots are not squeezed onto their last day
		if !slices.Contains([]string{"carrot-storage", "beet", "celeriac", "potato-maincrop"}, f.Crop) {
			continue
		}
		for _, s := range p.Sowings {
			for _, w := range f.Windows {
				if s.Crop == f.Crop && s.Day > w.Last-7 && s.Day <= w.Last && slices.ContainsFunc(s.For, func(f plan.Served) bool { return f.Form == string(wish.Cellar) }) {
					t.Errorf("%s is sown on %s, its last day is %s", s.CropName, s.Day, w.Last)
				}
			}
		}
	}
	lasts := func(food string, form wish.Form, until civil.Date) {
		t.Helper()
		for _, w := range p.Wishes {
			wish := in.Household.Wishes[slices.IndexFunc(in.Household.Wishes, func(x wish.Wish) bool { return x.ID == w.ID })]
			if wish.Food != food {
				continue
			}
			for week, day := range p.Weeks {
				if day <= until && day+7 > until && w.Source[week] != form {
					t.Errorf("%s in the week of %s: %s, want %s", food, day, w.Source[week], form)
				}
			}
		}
	}
	year := in.Household.Year
	lasts("potato", wish.Cellar, civil.Of(year+1, 3, 10))
	lasts("onion", wish.Cellar, civil.Of(year+1, 2, 12))
	for m := 10; m <= 15; m++ { // leeks all winter, from the bed
		lasts("leek", wish.Fresh, civil.Of(year+(m-1)/12, (m-1)%12+1, 15))
	}
}
