package plan

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/reckon"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
	"inventory/internal/core/work"
)

// Growing is a crop that grows already, as somebody tells it who kept no record so far; or what
// somebody has at hand and means to begin on a day.
type Growing struct {
	Crop   string     `json:"crop"`
	Bed    string     `json:"bed,omitempty"` // its id; empty: nobody says where
	Count  float64    `json:"count"`         // in what By says
	By     Measure    `json:"by"`
	Since  civil.Date `json:"since"`            // when it was sown or, where Set, planted out; of a perennial its year counts
	Set    bool       `json:"set,omitempty"`    // it was planted out as a young plant, a tuber, a clove
	Behind int        `json:"behind,omitempty"` // days that it looks behind its time; less than 0: ahead
	Picked bool       `json:"picked,omitempty"` // it is being picked already
	Ahead  bool       `json:"ahead,omitempty"`  // it does not grow yet: Since is when it is to be begun

	Method season.Method `json:"method,omitempty"` // how it is begun, where that is known; else it follows from Set
}

// Measure is what a count of something that grows is in.
type Measure string

// The measures of what grows.
const (
	ByPlants Measure = "plants"
	ByRow    Measure = "row" // m of a row
	ByBed    Measure = "bed" // m of a bed, in all its rows
)

// MostGrowing bounds what is told at once.
const MostGrowing = 100

// mostPast is how many days back something of a season may have been begun.
const mostPast = 400

// lingers is for how many days something is taken to be picked still that by its days would be
// over, and is told to stand there.
const lingers = 7

// Grown is what becomes of things that grow already: recorded sowings, and patches of what
// stays for years. Of names for each thing the recorded sowing that it became; empty: a patch,
// or it is not in the ground yet.
type Grown struct {
	Plantings []record.Planting
	Patches   []household.Patch
	Of        []string
	Happened  say.Fact
}

// Grow makes recorded sowings and patches of what grows already. They serve every wish that
// wants their crop. Mistakes are invalid.Fields.
func (in Input) Grow(all []Growing) (Input, Grown, error) {
	c, err := worked(in, nil)
	if err != nil {
		return in, Grown{}, err
	}
	if c, err = c.asIfInTime(); err != nil { // what can be begun no more is wanted too
		return in, Grown{}, err
	}
	check := invalid.NewCheck()
	if len(all) == 0 || len(all) > MostGrowing {
		check.Add("growing", fmt.Sprint(len(all)), fmt.Sprintf("1 to %d things that grow", MostGrowing))
	}
	for i, g := range all {
		c.checkGrowing(check.Index("growing", i), g)
	}
	if err := check.Err(); err != nil {
		return in, Grown{}, err
	}
	first := c.desk.Book.Crop(all[0].Crop).Short()
	out := Grown{Of: make([]string, len(all)), Happened: say.Grows{Things: len(all), Crop: first}}
	if len(all) == 1 && all[0].Ahead {
		out.Happened = say.MeansTo{Crop: first, On: all[0].Since}
	}
	in.Household.Plantings, in.Household.Patches = slices.Clone(in.Household.Plantings), slices.Clone(in.Household.Patches)
	for i, g := range all {
		crop := c.desk.Book.Crop(g.Crop)
		plants := c.plantsThatGrow(crop, g)
		if crop.Perennial() {
			year, _, _ := g.Since.Split()
			out.Patches = append(out.Patches, household.Patch{Crop: g.Crop, Plants: plants, Planted: year})
			in.Household.Patches = append(in.Household.Patches, household.Patch{ID: fmt.Sprintf("grows-%d", i), Crop: g.Crop, Plants: plants, Planted: year})
			continue
		}
		p := c.recordOf(crop, g, plants)
		p.ID = freeName(in.Household.Plantings, map[bool]string{false: "grows-", true: "ahead-"}[g.Ahead]+g.Crop+"-"+g.Since.String())
		if p.InBed(p.Method == season.Indoors, c.in.AsOf) {
			out.Of[i] = p.ID
		}
		out.Plantings = append(out.Plantings, p)
		in.Household.Plantings = append(in.Household.Plantings, p)
	}
	return out.caughtUp(in)
}

// caughtUp puts down that what was due until today was done for what grows already, but for the
// harvest: it stands, so it came up, was thinned and planted out.
func (out Grown) caughtUp(in Input) (Input, Grown, error) {
	c, err := worked(in, nil)
	if err != nil {
		return in, out, err
	}
	for i := range out.Plantings {
		p := &out.Plantings[i]
		s := c.plan.Sowing(p.ID)
		if s == nil || !p.Begun() {
			continue
		}
		for _, t := range s.Tasks {
			if t.Day > in.AsOf || slices.Contains(broughtIn, t.What) {
				continue
			}
			if t.What == work.UpBy {
				up := t.Day
				p.Up = &up
			}
			p.Done = logged(p.Done, record.Done{What: t.What, Day: t.Day})
		}
		k := slices.IndexFunc(in.Household.Plantings, func(x record.Planting) bool { return x.ID == p.ID })
		in.Household.Plantings[k] = *p
	}
	return in, out, nil
}

// checkGrowing looks at one thing that grows.
func (c *computed) checkGrowing(at invalid.Check, g Growing) {
	crop := c.desk.Book.Crop(g.Crop)
	at.OneOf("by", string(g.By), string(ByPlants), string(ByRow), string(ByBed))
	at.Positive("count", g.Count, 20000)
	at.Number("behind", float64(g.Behind), -mostBehind, mostBehind)
	if g.Bed != "" && !slices.ContainsFunc(c.in.Household.Beds, func(b bed.Bed) bool { return b.ID == g.Bed }) {
		at.Add("bed", g.Bed, "Choose one of your beds, or none.")
	}
	earliest, latest, today := c.in.AsOf-mostPast, c.in.AsOf, "today"
	if g.Ahead {
		earliest, latest = c.in.AsOf, c.in.AsOf+place.Days
		today = latest.String()
	}
	switch {
	case crop == nil:
		at.OfBook().Add("crop", g.Crop, "a variety of the crop book")
		return
	case crop.Dense != nil:
		at.Add("crop", g.Crop, "a variety that grows in a bed")
	case crop.Perennial() && g.Ahead:
		at.Add("crop", g.Crop, "a variety that is sown every year")
	case crop.Perennial():
		earliest = civil.Of(1950, 1, 1)
	}
	if g.Since > latest || g.Since < earliest {
		at.Add("since", g.Since.String(), fmt.Sprintf("a day from %s to %s", earliest, today))
	}
	if at.Err() == nil && c.plantsThatGrow(crop, g) < 1 {
		at.Add("count", invalid.FormatNumber(g.Count), "enough for one plant")
	}
}

// plantsThatGrow returns how many plants a count comes to at the usual spacing.
func (c *computed) plantsThatGrow(crop *book.Crop, g Growing) int {
	switch g.By {
	case ByRow:
		return reckon.PlantsInRow(crop, g.Count)
	case ByBed:
		width := c.desk.Rules.BedWidth
		if i := slices.IndexFunc(c.in.Household.Beds, func(b bed.Bed) bool { return b.ID == g.Bed }); i >= 0 {
			width = c.in.Household.Beds[i].Width
		}
		return reckon.PlantsOnBed(crop, g.Count, width, c.desk.Rules.Edge)
	}
	return int(math.Round(g.Count))
}

// recordOf makes the recorded sowing of a crop of a season that grows already.
func (c *computed) recordOf(crop *book.Crop, g Growing, plants int) record.Planting {
	since := g.Since
	p := record.Planting{Crop: g.Crop, Day: since, Plants: plants, Asked: plants, Behind: g.Behind}
	if !g.Ahead {
		p.Sown = &since
	}
	p.For, p.Cover = c.wantedFor(crop)
	switch {
	case season.MayBe(crop, g.Method) && g.Method != season.UsualMethod:
		p.Method = g.Method
	case crop.Start == book.Vegetative: // planted where it stands
	case g.Set: // how it was raised is over
		p.Method = season.Bought
	case crop.Start != book.Transplanted:
		p.Method = season.Direct
	default: // what is usually raised was sown indoors
		p.Method = season.Indoors
	}
	if p.Method == season.Indoors { // it goes out when it has been raised
		st, _ := c.begin(crop, place.Air{Cover: p.Cover}, p.Method, c.dayOf(since))
		p.Day = since + civil.Date(st.Day-st.Sow)
		if out := p.Day; out <= c.in.AsOf && !g.Ahead {
			p.Out = &out
		}
	}
	c.asSeen(&p, crop, g.Picked)
	return p
}

// asSeen moves the harvest of a recorded sowing to what is seen of it today: it stands, and is
// not over; it is picked already, or not yet.
func (c *computed) asSeen(p *record.Planting, crop *book.Crop, picked bool) {
	if !p.InBed(p.Method == season.Indoors, c.in.AsOf) {
		return
	}
	today := c.dayOf(c.in.AsOf)
	st := c.recordedSowing(p, crop).Start
	switch {
	case picked && st.Ready > today:
		p.Behind -= st.Ready - today
	case st.End <= today+lingers:
		p.Behind += today + lingers - st.End
	}
	p.Behind = max(-mostBehind, min(mostBehind, p.Behind))
}

// wantedFor returns what a crop is wanted for, and the cover that all of it is wished to stand
// under: what grows without anybody's saying more is taken for what is wanted in the open.
func (c *computed) wantedFor(crop *book.Crop) (out []record.Purpose, under place.Cover) {
	out = []record.Purpose{}
	wanted := slices.DeleteFunc(slices.Clone(c.demands), func(d *demand) bool { return d.crop.ID != crop.ID })
	slices.SortStableFunc(wanted, func(a, b *demand) int { return cmp.Compare(a.key.cover, b.key.cover) })
	for _, d := range wanted {
		if d.key.cover != wanted[0].key.cover {
			break
		}
		under = d.key.cover
		to := record.Purpose{Wish: c.weeks.wishes[d.wish].Wish.ID, Form: wish.Form(d.form), Part: d.part}
		if !slices.Contains(out, to) {
			out = append(out, to)
		}
	}
	return out, under
}

// freeName returns a name that no recorded sowing has.
func freeName(all []record.Planting, name string) string {
	free := name
	for n := 2; slices.ContainsFunc(all, func(p record.Planting) bool { return p.ID == free }); n++ {
		free = fmt.Sprintf("%s-%d", name, n)
	}
	return free
}
