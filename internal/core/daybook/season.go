package daybook

import (
	"cmp"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
)

// SeasonWeek is one week of a food's picking, kg. What is over was expected by the plan; what is to
// come is expected by what came in until today. Of the bands one season in ten gives no more than
// low, one no less than high; all plantings of a food are taken to do well or badly together.
type SeasonWeek struct {
	From     civil.Date `json:"from"`
	Low      float64    `json:"low"`
	Expected float64    `json:"expected"`
	High     float64    `json:"high"`
	Picked   float64    `json:"picked"`
}

// FoodSeason is what was expected of a food in this table year, what came in, and what is to come, kg.
type FoodSeason struct {
	Food     string       `json:"food"`
	Expected float64      `json:"expected"` // of the whole season, by the plan
	ByNow    float64      `json:"by_now"`   // of it until today
	Picked   float64      `json:"picked"`   // until today
	Low      float64      `json:"low"`      // still to come
	Likely   float64      `json:"likely"`
	High     float64      `json:"high"`
	Side     say.Side     `json:"side"`  // of what was expected by now: ahead, behind, as-expected; empty before the first picking
	Short    string       `json:"short"` // the same in a few words, with how sure it is
	Words    string       `json:"words"` // whether it is ahead or behind, and how sure that is; empty before the first picking
	Weeks    []SeasonWeek `json:"weeks"` // from the first in which something was expected or picked to the last
}

// A difference to what was expected is told as certain from the first chance on, as likely from the
// second on.
const (
	surely = 0.95
	likely = 0.80
)

// Seasons returns the season of every food of which something is expected or came in during a table
// year, which begins with a day; the foods of which most is to come first.
func Seasons(courses []plan.Course, rec *record.Record, b *book.Book, start, today civil.Date) []FoodSeason {
	d := &seasons{book: b, start: start, today: today, of: map[string]*foodSeason{}}
	picked := PickedOf(rec, today)
	for i := range courses {
		p, there := picked[courses[i].Sowing]
		d.course(&courses[i], p, there)
	}
	for _, e := range rec.Span(start, today) {
		if e.Act == record.Harvest {
			s := d.season(e.Food)
			kg := float64(e.Gram) / 1000
			s.Picked += kg
			if w := d.week(s, e.Day); w != nil {
				w.Picked += kg
			}
		}
	}
	return d.told()
}

// foodSeason is a food's season while it is added up.
type foodSeason struct {
	FoodSeason
	below, weighs float64 // the chance of less than expected, by what each planting was to give
}

// seasons adds up the seasons of all foods.
type seasons struct {
	book         *book.Book
	start, today civil.Date
	of           map[string]*foodSeason
}

// weeksAhead is how many weeks are kept: what was sown this year may be picked in the next.
const weeksAhead = 104

func (d *seasons) season(food string) *foodSeason {
	if d.of[food] == nil {
		s := &foodSeason{FoodSeason: FoodSeason{Food: food, Weeks: make([]SeasonWeek, weeksAhead)}}
		for i := range s.Weeks {
			s.Weeks[i].From = d.start + civil.Date(7*i)
		}
		d.of[food] = s
	}
	return d.of[food]
}

func (d *seasons) week(s *foodSeason, day civil.Date) *SeasonWeek {
	if i := int(day-d.start) / 7; day >= d.start && i < len(s.Weeks) {
		return &s.Weeks[i]
	}
	return nil
}

// course adds what is expected of one planting: what is over by the plan, what is to come by what
// came in of it.
func (d *seasons) course(c *plan.Course, p plan.Picked, picked bool) {
	crop := d.book.Crop(c.Crop)
	if crop == nil {
		return
	}
	s := d.season(crop.Food)
	first := c.First
	o, whole := c.ToCome(p, picked, d.today), c.Expected()
	if picked {
		first = p.First
		s.below, s.weighs = s.below+o.Below*c.Kg, s.weighs+c.Kg
	}
	s.Expected += c.Kg
	due := c.Due(p, picked, d.today)
	s.ByNow += due * c.Kg
	s.Low, s.Likely, s.High = s.Low+o.Low, s.Likely+o.Likely, s.High+o.High
	left := 1 - c.Over(int(d.today-first+1))
	for i := range s.Weeks {
		w := &s.Weeks[i]
		if w.From <= d.today {
			was := c.Between(1, c.First, w.From, min(w.From+7, d.today+1))
			if c.Once {
				was *= due
			}
			w.Low, w.Expected, w.High = w.Low+was*whole.Low, w.Expected+was*c.Kg, w.High+was*whole.High
		}
		will := 0.0
		switch next := max(c.First, d.today+1); {
		case c.Once && w.From <= next && next < w.From+7: // in one go, tomorrow at the earliest
			will = 1
		case !c.Once && w.From+7 > d.today && left > 0:
			will = c.Between(1, first, max(w.From, d.today+1), w.From+7) / left
		}
		w.Low, w.Expected, w.High = w.Low+will*o.Low, w.Expected+will*o.Likely, w.High+will*o.High
	}
}

// told returns the foods, what is to come most first, each with the weeks that have something.
func (d *seasons) told() []FoodSeason {
	out := []FoodSeason{}
	for _, s := range d.of {
		any := func(w SeasonWeek) bool { return w.Expected > 0.0005 || w.Picked > 0 }
		from := slices.IndexFunc(s.Weeks, any)
		if from < 0 {
			continue
		}
		to := len(s.Weeks)
		for !any(s.Weeks[to-1]) {
			to--
		}
		s.Weeks = s.Weeks[from:to]
		if s.weighs > 0 {
			said := say.SeasonSoFar{Picked: s.Picked, ByNow: s.ByNow, Sure: sureness(s.Picked < s.ByNow, s.below/s.weighs)}
			s.Side, s.Short, s.Words = said.Side(), said.Short(), said.String()
		}
		out = append(out, s.FoodSeason)
	}
	slices.SortFunc(out, func(a, b FoodSeason) int {
		return cmp.Or(cmp.Compare(b.Likely, a.Likely), cmp.Compare(b.Picked, a.Picked), cmp.Compare(a.Food, b.Food))
	})
	return out
}

// sureness says how sure a difference is, from the chance that the season gives less than expected.
func sureness(behind bool, below float64) say.Sureness {
	chance := below
	if !behind {
		chance = 1 - below
	}
	switch {
	case chance >= surely:
		return say.Sure
	case chance >= likely:
		return say.Likely
	}
	return say.Chance
}
