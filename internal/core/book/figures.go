package book

import (
	"fmt"
	"maps"
	"strings"

	"inventory/internal/core/amount"
	"inventory/internal/core/invalid"
)

// What a household may overrule of a crop: its figures, and what it decides about how
// the crop is grown. Parts says in which order they are shown.

// Parts lists what figures of a crop are about, in the order in which they are shown.
var Parts = []string{"Yield", "Spacing", "Sowing", "Season", "Picking", "Keeping", "Ground", "Food"}

// For how long a crop keeps that the book has no store for, until the household says.
const (
	usualStoreWeeks = 4
	usualStoreLoss  = 0.05
)

var cropAssumptions = []Assumption{
	{Field: "yield", Part: "Yield", Name: "Yield of a plant at usual spacing", Unit: amount.Kilogram, Least: 0.0001, Most: 200, crop: func(c *Crop) *float64 { return maybe(&c.Yield) }},
	{Field: "yield_cv", Part: "Yield", Name: "Yield varies from year to year by", Unit: amount.Share, Most: 1.5, crop: func(c *Crop) *float64 { return maybe(&c.YieldCV) }},
	{Field: "fail_prob", Part: "Yield", Name: "Chance that a sowing fails", Unit: amount.Chance, Most: 0.9, crop: func(c *Crop) *float64 { return &c.FailProb }},
	{Field: "germination", Part: "Sowing", Name: "Seed that comes up", Unit: amount.Share, Least: 0.05, Most: 1, crop: func(c *Crop) *float64 {
		if c.Start == Vegetative {
			return nil
		}
		return maybe(&c.Germination)
	}},
	{Field: "survive", Part: "Sowing", Name: "Survive planting out", Unit: amount.Share, Least: 0.05, Most: 1, crop: func(c *Crop) *float64 { return &c.Survive }},
	{Field: "edible", Part: "Food", Name: "Edible part", Unit: amount.Share, Least: 0.05, Most: 1, crop: func(c *Crop) *float64 {
		if c.Edible <= 0 {
			return nil
		}
		return &c.Edible
	}},
	{Field: "in_row", Part: "Spacing", Name: "Spacing in the row", Unit: amount.Centimetre, Least: 0.5, Most: 500, crop: func(c *Crop) *float64 { return maybe(&c.InRow) }},
	{Field: "row", Part: "Spacing", Name: "Between rows", Unit: amount.Centimetre, Least: 0.5, Most: 500, crop: func(c *Crop) *float64 { return maybe(&c.RowGap) }},
	{Field: "block", Part: "Spacing", Name: "Spacing in a staggered grid", Unit: amount.Centimetre, Least: 0.5, Most: 500, crop: func(c *Crop) *float64 { return maybe(&c.Block) }},
	{Field: "days_to_maturity", Part: "Season", Name: "Days to harvest", Unit: amount.Day, Least: 3, Most: 1200, crop: func(c *Crop) *float64 { return &c.DTM }},
	{Field: "harvest_days", Part: "Picking", Name: "Days of picking", Unit: amount.Day, Least: 1, Most: 365, crop: func(c *Crop) *float64 { return &c.HarvestDays }},
	{Field: "hold_days", Part: "Picking", Name: "Days it holds when ready", Unit: amount.Day, Most: 365, crop: func(c *Crop) *float64 { return &c.HoldDays }},
	{Field: "store_weeks", Part: "Keeping", Name: "Weeks it keeps in ideal storage", Unit: amount.Week, Most: 520, option: func(c *Crop) *Maybe { return keeps(c, &c.StoreWeeks) }},
	{Field: "store_loss", Part: "Keeping", Name: "Lost in a month of storage", Unit: amount.Share, Most: 0.5, option: func(c *Crop) *Maybe { return keeps(c, &c.StoreLoss) }},
	{Field: "energy", Part: "Food", Name: "Energy in 100 g of the edible part", Unit: amount.Kcal, Most: 900, crop: func(c *Crop) *float64 { return maybe(&c.Energy) }},
	{Field: "protein", Part: "Food", Name: "Protein in 100 g of the edible part", Unit: amount.Gram, Most: 100, crop: func(c *Crop) *float64 { return maybe(&c.Protein) }},
	{Field: "keep_days", Part: "Keeping", Name: "Days it keeps before it is put up", Unit: amount.Day, Most: 365, crop: func(c *Crop) *float64 { return maybe(&c.KeepDays) }},
	{Field: "portion", Part: "Food", Name: "A portion, edible and raw", Unit: amount.Gram, Least: 0.1, Most: 2000, crop: func(c *Crop) *float64 { return maybe(&c.Portion) }},
	{Field: "piece", Part: "Yield", Name: "A piece weighs", Unit: amount.Gram, Least: 0.1, Most: 50000, crop: func(c *Crop) *float64 { return maybe(&c.Piece) }},
	{Field: "seed_per_area", Part: "Sowing", Name: "Seed on a square metre", Unit: amount.GramPerArea, Least: 1, Most: 10000, crop: func(c *Crop) *float64 { return dense(c, func(d *Dense) *float64 { return &d.SeedGram }) }},
	{Field: "yield_per_area", Part: "Yield", Name: "Shoots from a square metre", Unit: amount.KgPerArea, Least: 0.01, Most: 20, crop: func(c *Crop) *float64 { return dense(c, func(d *Dense) *float64 { return &d.YieldKg }) }},
	{Field: "raise_weeks", Part: "Sowing", Name: "Weeks indoors", Unit: amount.Week, Most: 20, option: func(c *Crop) *Maybe { return seeded(c, &c.RaiseWeeks) }},
	{Field: "per_station", Part: "Sowing", Name: "Seeds in a cell or spot", Unit: amount.Seed, Least: 1, Most: 20, option: func(c *Crop) *Maybe {
		if c.SeedsPerMetre.Known {
			return nil // sown as a drill
		}
		return seeded(c, &c.PerStation)
	}},
	{Field: "depth", Part: "Sowing", Name: "Planting depth", Unit: amount.Centimetre, Most: 50, option: func(c *Crop) *Maybe { return grown(c, &c.Depth) }},
	{Field: "min_plants", Part: "Sowing", Name: "Smallest useful number of plants", Unit: amount.Plant, Least: 1, Most: 1000, crop: func(c *Crop) *float64 { return &c.MinPlants }},
	{Field: "direct_weeks", Part: "Season", Name: "Sow in the bed from, weeks after the last frost (− before)", Unit: amount.Week, Least: -40, Most: 30, option: func(c *Crop) *Maybe { return seeded(c, &c.DirectWeeks) }},
	{Field: "plant_out_weeks", Part: "Season", Name: "Plant out from, weeks after the last frost (− before)", Unit: amount.Week, Least: -40, Most: 30, option: func(c *Crop) *Maybe { return grown(c, &c.PlantOutWeeks) }},
	{Field: "latest_weeks", Part: "Season", Name: "Plant at the latest, weeks after the last frost (− before)", Unit: amount.Week, Least: -52, Most: 52, option: func(c *Crop) *Maybe { return grown(c, &c.LatestWeeks) }},
	{Field: "soil_min", Part: "Season", Name: "Coldest soil it comes up in", Unit: amount.Celsius, Least: -5, Most: 40, option: func(c *Crop) *Maybe { return seeded(c, &c.SoilMin) }},
	{Field: "heat_max", Part: "Season", Name: "Suffers in days above", Unit: amount.Celsius, Least: 10, Most: 50, option: func(c *Crop) *Maybe { return grown(c, &c.HeatMax) }},
	{Field: "frost_kill", Part: "Season", Name: "Freezes at", Unit: amount.Celsius, Least: -50, Most: 5, crop: func(c *Crop) *float64 {
		if grown(c, &c.Depth) == nil {
			return nil
		}
		return &c.FrostKill
	}},
	{Field: "frost", Part: "Season", Name: "Frost hardiness", Choices: []Choice{{"hardy", "hardy"}, {"half-hardy", "half-hardy"}, {"tender", "tender"}, {"very-tender", "very tender"}},
		get: func(c *Crop) string { return string(c.Frost) }, put: func(c *Crop, v string) { c.Frost = Frost(v) }},
	{Field: "winter", Part: "Season", Name: "Grows on through the winter", Choices: []Choice{{"no", "no"}, {"yes", "it may"}, {"must", "it must"}},
		get: func(c *Crop) string {
			if c.Winter == BeforeWinter {
				return "no"
			}
			return string(c.Winter)
		},
		put: func(c *Crop, v string) {
			if c.Winter = Winter(v); v == "no" {
				c.Winter = BeforeWinter
			}
		}},
	{Field: "bolt_hours", Part: "Season", Name: "After winter it runs to seed at a day length of", Unit: amount.Hour, Least: 8, Most: 18, option: func(c *Crop) *Maybe { return grown(c, &c.BoltHours) }},
	{Field: "harvest", Part: "Picking", Name: "How it is picked", Choices: []Choice{{"once", "once"}, {"pick", "picked again and again"}, {"cut", "cut, and grows again"}},
		get: func(c *Crop) string { return string(c.Harvest) }, put: func(c *Crop, v string) { c.Harvest = Harvest(v) }},
	{Field: "goes_on", Part: "Picking", Name: "Goes on until frost or heat ends it", Choices: []Choice{{"no", "no"}, {"yes", "yes"}},
		get: func(c *Crop) string {
			if c.GoesOn {
				return "yes"
			}
			return "no"
		},
		put: func(c *Crop, v string) { c.GoesOn = v == "yes" }},
	{Field: "store", Part: "Keeping", Name: "Keeps whole", Choices: []Choice{{"none", "not"}, {"cool-moist", "cool and moist"}, {"cool-dry", "cool and dry"}, {"warm-dry", "warm and dry"}, {"dry", "dry"}, {"ground", "standing in the ground"}},
		get: func(c *Crop) string { return string(c.Store) },
		put: func(c *Crop, v string) {
			if c.Store = Storage(v); c.Store != NoStorage && !c.StoreWeeks.Known {
				c.StoreWeeks, c.StoreLoss = Maybe{usualStoreWeeks, true}, Maybe{usualStoreLoss, true}
			}
		}},
	{Field: "rotation_years", Part: "Ground", Name: "Years before its family comes back", Unit: amount.None, Most: 20, option: func(c *Crop) *Maybe { return grown(c, &c.RotationYears) }},
	{Field: "root_depth", Part: "Ground", Name: "Roots go down", Unit: amount.Centimetre, Least: 1, Most: 300, option: func(c *Crop) *Maybe { return grown(c, &c.RootDepth) }},
}

func dense(c *Crop, get func(*Dense) *float64) *float64 {
	if c.Dense == nil {
		return nil
	}
	return get(c.Dense)
}

// seeded returns a figure of what is grown from seed in a bed; nil of anything else.
func seeded(c *Crop, m *Maybe) *Maybe {
	if c.Start == Vegetative {
		return nil
	}
	return grown(c, m)
}

// grown returns a figure of what is grown in a bed in one season; nil of shoots and of
// patches, which have their own.
func grown(c *Crop, m *Maybe) *Maybe {
	if c.Dense != nil || c.Perennial() {
		return nil
	}
	return m
}

// keeps returns a figure of a store; nil of what is not weighed.
func keeps(c *Crop, m *Maybe) *Maybe {
	if !c.Weighed() || c.Dense != nil {
		return nil
	}
	return m
}

// slot returns where a crop holds the figure; nil where it has none.
func (a *Assumption) slot(c *Crop) *float64 {
	if a.crop == nil {
		if m := a.optional(c); m != nil && m.Known {
			return &m.Value
		}
		return nil
	}
	return a.crop(c)
}

// optional returns where a crop holds a figure that it may be without; nil where it
// cannot have one.
func (a *Assumption) optional(c *Crop) *Maybe {
	if a.option == nil {
		return nil
	}
	return a.option(c)
}

// fits reports whether a choice is one of a crop: shoots and patches have none of them.
func (a *Assumption) fits(c *Crop) bool {
	if a.Field == "store" {
		return keeps(c, &c.StoreWeeks) != nil
	}
	return grown(c, &c.Depth) != nil
}

// choose sets a choice.
func (a *Assumption) choose(at invalid.Check, c *Crop, o Overrule) {
	var words []string
	for _, one := range a.Choices {
		if one.Value == o.Choice && a.fits(c) {
			if _, set := c.chosen[a.Field]; !set {
				c.chosen[a.Field] = a.get(c)
			}
			a.put(c, o.Choice)
			why(at, o)
			return
		}
		words = append(words, one.Value)
	}
	if !a.fits(c) {
		at.OfBook().Add("field", o.Field, "something that "+c.Short()+" has")
		return
	}
	at.Add("choice", o.Choice, "one of "+strings.Join(words, ", "))
}

func why(at invalid.Check, o Overrule) {
	if n := len([]rune(o.Why)); n > LongestWhy {
		at.Add("why", fmt.Sprintf("%d characters", n), fmt.Sprintf("a reason of at most %d characters", LongestWhy))
	}
}

// Grown returns the book with what a household's own method of starting a crop needs: the
// weeks indoors of what the book sows in the bed, and when it may be sown in the bed or
// planted out. PlantedOut says of each such crop whether it is planted out, from indoors or
// bought, or else sown in the bed. Figures that the book has stay.
func (b *Book) Grown(plantedOut map[string]bool) *Book {
	out, changed := *b, map[string]bool{}
	for id, planted := range plantedOut {
		c := b.byCrop[id]
		if c == nil || seeded(c, &c.Depth) == nil {
			continue
		}
		own := *c
		switch {
		case planted && (!c.RaiseWeeks.Known || !c.PlantOutWeeks.Known):
			if !c.RaiseWeeks.Known {
				own.RaiseWeeks = Maybe{usualRaiseWeeks, true}
			}
			if !c.PlantOutWeeks.Known {
				own.PlantOutWeeks = Maybe{c.DirectWeeks.Or(0), true}
			}
		case !planted && !c.DirectWeeks.Known:
			own.DirectWeeks = Maybe{c.PlantOutWeeks.Or(0), true}
		default:
			continue
		}
		if len(changed) == 0 {
			out.byCrop = maps.Clone(b.byCrop)
		}
		out.byCrop[id], changed[id] = &own, true
	}
	out.relink(b, changed, false)
	return &out
}

// usualRaiseWeeks is for how long a crop is raised that the book sows in place, until
// the household says.
const usualRaiseWeeks = 4
