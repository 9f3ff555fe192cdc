// Package table works out who eats what, in which form, in which of the 52 weeks: the
// source of each week of a wish, and what the shelf will still hold of it.
package table

import (
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// Use is the part of a wish that one form of one crop feeds.
type Use struct {
	Form     wish.Form // empty for plants that nobody weighs
	Crop     *book.Crop
	Why      say.Note // why this kind
	Season   *season.Season
	Prep     *book.Preparation   // nil unless put up
	Store    *stock.StoragePlace // nil unless kept in a store of the house
	Life     int                 // whole weeks it keeps, once stored or put up
	Lot      []int               // the starts of what is kept or put up, indices into Season.Starts
	Recorded []*RecordedSowing   // the plantings that are for it; their starts are the last ones of Season.Starts
	Kept     int                 // the week in which it is stored or put up
	Weeks    season.Weeks        // the weeks it feeds
	Amount   [season.WeeksPerYear]float64
	CanFeed  season.Weeks // the weeks it could feed

	OnShelf   bool    // whether something of it stands on the shelf today
	Left      float64 // what will be left of that when the new crop comes, in what it is drawn in
	LeftShare float64 // the same as a share of what a year takes, 0 to 1
	PutUp     float64 // what was put up or stored from this year's harvest, eaten since or not, in what it is drawn in
}

// DrawnIn returns the unit in which a use of a wish is taken out of its store.
func (u *Use) DrawnIn(w wish.Wish) amount.Unit { return u.drawnIn(&w) }

// Total returns what the use gives in the year, in the wish's unit.
func (u Use) Total() (sum float64) {
	for _, a := range u.Amount {
		sum += a
	}
	return sum
}

// Resolved is a wish with a source for each of its weeks.
type Resolved struct {
	Wish       wish.Wish
	Unit       amount.Unit
	Wanted     [season.WeeksPerYear]float64   // in the wish's own unit
	Source     [season.WeeksPerYear]wish.Form // empty where nothing is wanted
	Coming     [season.WeeksPerYear]wish.Form // the same for the coming year, from the shelf as it stands
	Uses       []Use
	Enough     bool       // what is left on the shelf meets the wish; nothing need be grown
	Notes      []say.Note // what the family should know
	Said       wish.Wish  // as the household says it; Wish is what it comes to, for all who get it and by weight
	Plants     int        // that the wish counts, where it says how they are eaten; else 0
	Gives      float64    // kg that they give in an average year
	IdleCovers int        // uses for which the wish's cover does nothing here
	Heads      float64    // how many each get the amount, where it is for each of some; else 0
	// Eaters are those who eat of it in each week, an adult being 1.
	AdultEquivalents [season.WeeksPerYear]float64
}

// Fed returns what is fed in week w, in the wish's own unit; the rest of what
// is wanted is the gap.
func (r Resolved) Fed(w int) float64 {
	if s := r.Source[w]; s == "" || s == wish.Gap || s == wish.Bought {
		return 0
	}
	return r.Wanted[w]
}

// Resolver resolves the wishes of one household.
type Resolver struct {
	Household        household.Household
	Today            civil.Date
	Book             *book.Book
	AdultEquivalents [season.WeeksPerYear]float64
	Seasons          func(*book.Crop, place.Cover) *season.Season // what may still be begun
	Whole            func(*book.Crop, place.Cover) *season.Season // the same of a whole year, by which kinds are chosen; nil: Seasons
	Before           map[string]*Resolved                         // the wishes as if nothing were past, by name: what was wanted then is wanted still
	Recorded         map[string][]*RecordedSowing                 // plantings of this table year, by crop

	BaselineDays record.BaselineDays // the days that were agreed, by what is sown on them

	StandOf func(*book.Crop, wish.Layout) Stand // how plants stand in the household's usual bed

	whom map[wish.Whom]*[season.WeeksPerYear]float64 // the eaters of wishes that are for some alone

	Batches float64 // that the kitchen puts up in a week; 0: not limited

	Cull, Spoil float64 // the household's shares lost between picking and kitchen, and of jars
}

// Resolve gives each week of a wish its source: the one pinned by hand, or else
// the first of the family's forms that can feed it.
func (rs *Resolver) Resolve(w wish.Wish) *Resolved {
	if w.Story != nil {
		w.Amount.Number = w.Story.Number()
	}
	r := &Resolved{Said: w, Uses: make([]Use, 0, len(w.Forms))}
	rs.people(r, &w)
	rs.weigh(r, &w)
	counted := asWeight(&w)
	r.Wish, r.Unit = w, w.Amount.Kind.Unit()
	r.Enough = !w.Amount.Kind.Weekly() && w.Left >= w.Amount.Number
	ch := chooser{rs.Book, func(c *book.Crop) *season.Season { return rs.whole(c, w.Cover) }}
	if w.FeedsNobody() {
		r.Uses = []Use{rs.growing(r, w, ch)}
		return r
	}
	var possible season.Weeks
	for _, f := range w.Forms {
		p := w.PreparationFor(f, rs.Book)
		c, why := ch.kind(w, f, p)
		if c == nil {
			r.note(say.NoKindServes{Food: w.Food, Form: f.Facts().Choice})
			continue
		}
		u := rs.use(w, f, c, p)
		u.Why = say.That(why)
		rs.noteSeason(r, u)
		rs.dayLength(r, c)
		rs.idleCover(r, c)
		possible |= u.CanFeed
		r.Uses = append(r.Uses, u)
	}
	if counted {
		rs.harvestOfPlants(r)
	}
	rs.want(r, possible)
	pinned := rs.pinned(r)
	for week := range season.WeeksPerYear {
		if r.Wanted[week] == 0 {
			continue
		}
		r.Source[week] = wish.Gap
		if pinned[week] == wish.Bought {
			r.Source[week] = wish.Bought
			continue
		}
		for i := range r.Uses {
			if u := &r.Uses[i]; u.CanFeed.Has(week) && (pinned[week] == "" || pinned[week] == u.Form) {
				u.Weeks = u.Weeks.With(week)
				u.Amount[week] = r.Wanted[week]
				r.Source[week] = u.Form
				break
			}
		}
	}
	return r
}

// growing is the use of plants that feed nobody: they are begun, and nothing is wanted of them.
func (rs *Resolver) growing(r *Resolved, w wish.Wish, ch chooser) Use {
	c, why := ch.kind(w, "", nil)
	u := Use{Crop: c, Why: say.That(why), Season: rs.Seasons(c, w.Cover)}
	u.Lot = rs.counted(u.Season, w)
	own := len(u.Season.Starts)
	for rs.addRecorded(&u, w); own < len(u.Season.Starts); own++ {
		u.Lot = append(withoutNearest(u.Season, u.Lot, u.Recorded), own)
	}
	rs.noteSeason(r, u)
	return u
}

// whole returns a crop's season of a whole year.
func (rs *Resolver) whole(c *book.Crop, cover place.Cover) *season.Season {
	if rs.Whole != nil {
		return rs.Whole(c, cover)
	}
	return rs.Seasons(c, cover)
}

// NoMore says of a season that its crop can be begun no more this year, and reports whether
// that is so.
func (rs *Resolver) NoMore(s *season.Season) (say.NoMoreThisYear, bool) {
	first, last, over := s.Over()
	again := rs.date(first) + place.Days
	return say.NoMoreThisYear{Crop: s.Crop.Short(), Last: rs.date(last), Again: max(rs.Today, again), Now: again <= rs.Today}, over
}

// date returns the date of a day of the table year.
func (rs *Resolver) date(day int) civil.Date { return rs.Household.YearStart() + civil.Date(day) }

// note adds what the family should know.
func (r *Resolved) note(f say.Fact) { r.Notes = append(r.Notes, say.That(f)) }

// pinned returns the source each week is pinned to. A pin that nothing can meet
// is said, and the week goes by the family's order.
func (rs *Resolver) pinned(r *Resolved) (out [season.WeeksPerYear]wish.Form) {
	first := rs.Household.YearStart().YearDay()
	for _, p := range r.Wish.Pins {
		week := season.WeekOf(p.Day.YearDay() - first)
		can := p.Source == wish.Bought
		for _, u := range r.Uses {
			can = can || u.Form == p.Source && u.CanFeed.Has(week)
		}
		if can {
			out[week] = p.Source
		} else if r.Wanted[week] > 0 {
			date := rs.Household.YearStart() + civil.Date(7*week)
			r.note(say.PinFeedsNot{Week: date, Form: p.Source.Facts().Choice})
		}
	}
	return out
}

// noteSeason says so where the place's season cannot meet a wish, and what would.
func (rs *Resolver) noteSeason(r *Resolved, u Use) {
	if len(u.Season.Starts) > 0 {
		return
	}
	if over, ok := rs.NoMore(u.Season); ok {
		if told := say.That(over); !slices.Contains(r.Notes, told) { // another form of the same crop has said it
			r.Notes = append(r.Notes, told)
		}
		return
	}
	note := say.NotHere{Crop: u.Crop.Name, Why: u.Season.Why}
	for _, other := range rs.Book.Food(r.Wish.Food) {
		if other != u.Crop && len(rs.Seasons(other, place.NoCover).Starts) > 0 && len(note.Instead) < 3 {
			note.Instead = append(note.Instead, other.Short())
		}
	}
	if under := rs.Seasons(u.Crop, place.Tunnel); r.Wish.Cover == place.NoCover && len(under.Starts) > 0 {
		note.Covered = true
	}
	r.note(note)
}

// idleCover says so where the cover of a wish changes nothing: its crop is begun and
// picked on the same days without it.
func (rs *Resolver) idleCover(r *Resolved, c *book.Crop) {
	cover := r.Wish.Cover
	if cover.Kind() == place.NoCover || cover.Kind() == place.Net { // a net keeps pests off
		return
	}
	under, open := rs.whole(c, cover), rs.whole(c, place.NoCover)
	if slices.Equal(under.Starts, open.Starts) {
		r.IdleCovers++
		r.note(say.IdleCover{Cover: string(cover.Kind()), Crop: c.Short()})
	}
}

// use works out which weeks one form of one crop could feed.
//
// One function, since each way of staggering is one case.
func (rs *Resolver) use(w wish.Wish, f wish.Form, c *book.Crop, prep *book.Preparation) Use {
	u := Use{Form: f, Crop: c, Season: rs.Seasons(c, w.Cover), Prep: prep}
	if f == wish.Fresh {
		hands := rs.RecordedFor(c, w.Cover, w.ID, f, false)
		switch w.Stagger.Kind {
		case wish.Every:
			u.Season = u.Season.Only(apartFrom(u.Season, u.Season.Every(w.Stagger.Days), hands, w.Stagger.Days))
		case wish.OneGo:
			if len(hands) > 0 {
				u.Season = u.Season.Only(nil)
			} else {
				u.Season = oneStart(u.Season, rs.inSeason(w))
			}
		case wish.Times:
			spread := u.Season.Spread(max(1, w.Stagger.Sowings), rs.inSeason(w))
			if w.Stagger.Days > 0 {
				spread = u.Season.Series(max(1, w.Stagger.Sowings), w.Stagger.Days, rs.inSeason(w))
			}
			for range hands { // each set by hand is one of them: the nearest
				spread = withoutNearest(u.Season, spread, hands)
			}
			u.Season = u.Season.Only(spread)
		case wish.ByNeed:
			if m := rs.yearly(w, c); m > 0 && len(hands) == 0 && len(rs.BaselineDays.Days(c.ID, w.Cover, true)) == 0 {
				u.Season = u.Season.Only(u.Season.Evenly(m, rs.inSeason(w)))
			}
		}
		rs.addRecorded(&u, w)
		u.CanFeed = u.Season.Fresh()
		return u
	}
	rs.lot(&u, w)
	if len(u.Lot) == 0 {
		return u
	}
	last := u.Season.Starts[u.Lot[0]]
	for _, i := range u.Lot {
		if st := u.Season.Starts[i]; st.Ready > last.Ready {
			last = st
		}
	}
	if f == wish.Cellar {
		u.Store, u.CanFeed, u.Kept, u.Life = rs.cellar(&u, last)
		return u
	}
	u.Life = min(int(math.Round(prep.KeepsMonths*365.25/12/7)), season.WeeksPerYear)
	u.Kept = season.WeekOf(u.Season.HalfGathered(last))
	for k := int(prep.ReadyWeeks); k < u.Life; k++ { // not before it is ripe
		u.CanFeed = u.CanFeed.With((u.Kept + k) % season.WeeksPerYear)
	}
	return u
}

// leastApart is how many days at least lie between the sowings of an amount that is
// eaten fresh in the year.
const leastApart = 14

// yearly returns in how many equal sowings an amount of the year is grown that is eaten
// fresh, and claims no particular week: as many as each are worth their least number of
// plants, and no more than the season has room for. It is 0 for other wishes.
func (rs *Resolver) yearly(w wish.Wish, c *book.Crop) int {
	k := w.Amount.Kind
	if k.Weekly() || !k.Counts(wish.CountsWeight) && !k.Counts(wish.CountsPieces) || len(w.Forms) != 1 || w.Forms[0] != wish.Fresh || c.Perennial() || c.Dense != nil || c.Yield.Value <= 0 {
		return 0
	}
	plants := w.Amount.Number / c.Gives()
	if k.Counts(wish.CountsPieces) {
		each, _ := c.PiecesPerPlant(c.Gives())
		plants = w.Amount.Number / math.Max(1e-9, each)
	}
	weeks := (rs.Seasons(c, w.Cover).Fresh() & rs.inSeason(w)).Count()
	most := int(float64(7*weeks) / math.Max(leastApart, c.HarvestDays))
	return max(1, min(most, int(math.Floor(plants/(1-c.FailProb)/math.Max(1, c.MinPlants)+0.5))))
}

// hands puts the starts of the plantings that are for a use into its season.
func (rs *Resolver) addRecorded(u *Use, w wish.Wish) {
	u.Recorded = rs.RecordedFor(u.Crop, w.Cover, w.ID, u.Form, false)
	if len(u.Recorded) == 0 {
		return
	}
	starts := make([]season.Start, len(u.Recorded))
	for i, h := range u.Recorded {
		starts[i] = h.Start
		if u.Form == wish.Cellar {
			starts[i] = u.Season.Stored(h.Start, rs.fromStore(w))
		}
	}
	u.Season = u.Season.With(starts...)
}

// counted returns the starts of plants that nobody weighs: one, or as many as the wish
// says, so many days apart.
func (rs *Resolver) counted(s *season.Season, w wish.Wish) []int {
	switch m := max(1, w.Stagger.Sowings); {
	case w.Stagger.Kind == wish.Every:
		return s.Every(w.Stagger.Days)
	case w.Stagger.Kind == wish.Times && w.Stagger.Days > 0:
		return s.Series(m, w.Stagger.Days, season.AllYear)
	case w.Stagger.Kind == wish.Times && m > 1:
		return s.Spread(m, season.AllYear)
	}
	return s.Lot(false, 1, nil)
}

func distance(a, b int) int {
	d := ((a-b)%place.Days + place.Days) % place.Days
	return min(d, place.Days-d)
}

// inSeason returns the weeks in which a wish holds, "while it lasts" aside.
func (rs *Resolver) inSeason(w wish.Wish) season.Weeks {
	if w.Season.Kind != wish.Months {
		return season.AllYear
	}
	var out season.Weeks
	start := rs.Household.YearStart()
	for week := range season.WeeksPerYear {
		if _, m, _ := (start + civil.Date(7*week+3)).Split(); w.Season.Holds(m) {
			out = out.With(week)
		}
	}
	return out
}

// want spreads the wish over its weeks: a weekly amount on each week of its
// season, an amount of the year evenly over the weeks that could have it.
func (rs *Resolver) want(r *Resolved, possible season.Weeks) {
	if before := rs.Before[r.Wish.ID]; before != nil && r.Plants == 0 { // so many plants want what they can still give
		r.Wanted = before.Wanted
		return
	}
	weeks := rs.inSeason(r.Wish)
	if r.Wish.Season.Kind == wish.While {
		weeks = 0
		for _, u := range r.Uses {
			if u.Form == wish.Fresh {
				weeks |= u.CanFeed
			}
		}
	}
	a := r.Wish.Amount
	if a.Kind.Weekly() {
		for _, w := range weeks.List() {
			if !a.Kind.Counts(wish.CountsMeals) || r.AdultEquivalents[w] > 0 {
				r.Wanted[w] = a.Number
			}
		}
		return
	}
	if weeks&possible != 0 || r.Plants > 0 { // plants that can be begun no more want nothing
		weeks &= possible
	}
	for _, w := range weeks.List() {
		r.Wanted[w] = a.Number / float64(weeks.Count())
	}
}
