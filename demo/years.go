package demo

import (
	"cmp"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strconv"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
)

// Truth is what is so in the made-up household's garden without anybody having said it: what the
// record is drawn from, and what a reckoning of it should find again.
var Truth = struct {
	Year map[int]float64    // what a year gives of what an average one does
	Kind map[string]float64 // what a kind gives of what the book says
	Bed  map[string]float64 // what a bed gives of what the others do
	Up   map[string]float64 // share of a kind's seed that came up, where less than it should
}{
	Year: map[int]float64{2025: 1.06, 2026: 0.80, 2027: 1.0},
	Kind: map[string]float64{"tomato-paste": 1.22, "bush-bean": 0.86, "potato-maincrop": 1.12, "zucchini": 1.3},
	Bed:  map[string]float64{"Reed bed": 0.74, "Mill bed": 1.12},
	Up:   map[string]float64{"carrot": 0.55, "carrot-storage": 0.55, "parsnip": 0.6},
}

// Years is what a made-up household recorded: its entries, the lots that it put up, and drawn
// photographs, which the entries name by "photo-" and their number; and the plans it had agreed to.
type Years struct {
	Entries     []record.Entry
	Lots        []stock.Lot
	Photographs [][]byte // JPEG
	Past        []household.PastYear
}

// firstYear is the first year of which the made-up household has a record.
const firstYear = 2025

// TwoYears writes the record of the two years before a household's own until a day: what came in
// week by week, where it went, evenings of putting up, what was taken from the shelf, losses and
// notes. The same household and day give the same record.
func TwoYears(h household.Household, until civil.Date) (Years, error) {
	b, _, _, err := h.Book(book.Usual())
	if err != nil {
		return Years{}, err
	}
	w := &writer{h: h, book: b, until: until, lots: map[string]int{}}
	for year := firstYear; year < h.Year; year++ {
		past := h
		past.Year, past.Plantings, past.Lots, past.Placements, past.Baseline = year, nil, nil, nil, nil
		in := plan.Input{AsOf: civil.Of(year, 1, 5), Household: past}
		p, err := plan.Compute(in)
		if err != nil {
			return Years{}, err
		}
		courses, err := plan.Courses(in)
		if err != nil {
			return Years{}, err
		}
		agreed := p.Baseline()
		agreed.Year, agreed.On = year, civil.Of(year, 2, 8)
		grown, err := plan.GrownAsPlanned(in)
		if err != nil {
			return Years{}, err
		}
		for i := range grown {
			id, _ := w.bed(year, b.Crop(grown[i].Crop))
			grown[i].Over, grown[i].Beds = grown[i].Last < until, []record.InBed{{Bed: id, Share: 1}}
		}
		w.out.Past = append(w.out.Past, household.PastYear{ID: strconv.Itoa(year), Plan: agreed, Wishes: h.Wishes, Grown: grown})
		w.year(year, p, courses)
	}
	w.olderLots()
	w.notes()
	return w.done(), nil
}

// ThisYear writes what came in of a household's plantings until today: the harvests and where some
// of them went.
func ThisYear(in plan.Input) ([]record.Entry, error) {
	b, _, _, err := in.Household.Book(book.Usual())
	if err != nil {
		return nil, err
	}
	courses, err := plan.Courses(in)
	if err != nil {
		return nil, err
	}
	w := &writer{h: in.Household, book: b, until: in.AsOf, lots: map[string]int{}}
	for i := range courses {
		if c := &courses[i]; c.Begun {
			w.harvests(in.Household.Year, c, nil)
		}
	}
	return w.done().Entries, nil
}

// writer writes a record.
type writer struct {
	h     household.Household
	book  *book.Book
	until civil.Date
	out   Years
	lots  map[string]int // lots of a name, for their ids
}

// chance returns random numbers that depend on what they are for alone.
func chance(year int, of string) *rand.Rand {
	seed := uint64(year)
	for _, r := range of {
		seed = seed*1099511628211 + uint64(r)
	}
	return rand.New(rand.NewPCG(seed, 1847))
}

func (w *writer) enter(e record.Entry) {
	if e.Day <= w.until {
		w.out.Entries = append(w.out.Entries, e)
	}
}

// bed returns the bed that a crop stood in: families go round the beds from year to year.
func (w *writer) bed(year int, c *book.Crop) (id, name string) {
	beds := w.h.Beds
	if len(beds) == 0 {
		return "", ""
	}
	at := slices.Index(w.book.Families(), c.Family)
	b := beds[((at+year)%len(beds)+len(beds))%len(beds)]
	return b.ID, b.Name
}

// year writes one year: the harvests of its plantings, and what became of them.
func (w *writer) year(year int, p plan.Plan, courses []plan.Course) {
	of := map[string]*plan.Sowing{}
	for i := range p.Sowings {
		of[p.Sowings[i].ID] = &p.Sowings[i]
	}
	for i := range courses {
		w.harvests(year, &courses[i], of[courses[i].Sowing])
	}
}

// harvests writes the picking of one planting, and what became of it.
func (w *writer) harvests(year int, c *plan.Course, s *plan.Sowing) {
	crop := w.book.Crop(c.Crop)
	r := chance(year, c.Sowing)
	bedID, bedName := w.bed(year, crop)
	factor := truth(Truth.Year, year) * truth(Truth.Kind, c.Crop) * truth(Truth.Bed, bedName) * math.Exp(0.16*r.NormFloat64())
	if s != nil && year == firstYear+1 { // old seed, in the second year
		factor *= truth(Truth.Up, c.Crop)
	}
	first := c.First + civil.Date(r.IntN(5))
	days := max(1, c.Days)
	waits := 0 // grams that wait to be put up
	for day := first; day < first+civil.Date(days) && day <= w.until; day += civil.Date(5 + r.IntN(3)) {
		e := record.Entry{Day: day, Act: record.Harvest, Food: crop.Food, Crop: c.Crop, Bed: bedID}
		if s == nil { // of this year's plan, whose sowings are there
			e.Sowing, e.Bed = c.Sowing, ""
		}
		kg := c.Between(c.Kg*factor, first, day, day+6)
		if c.Once {
			kg, e.Share, e.Last = c.Kg*factor, 1, true
		}
		e.Gram = int(math.Round(kg*200)) * 5
		if e.Gram < 60 {
			continue
		}
		e.Last = e.Last || day+8 >= first+civil.Date(days)
		w.enter(e)
		if s == nil {
			w.someWent(r, e)
		} else {
			waits = w.went(r, e, s, waits)
		}
		if c.Once {
			break
		}
	}
}

// truth returns what is so of a thing; 1 where nothing is.
func truth[K comparable](of map[K]float64, what K) float64 { return cmp.Or(of[what], 1) }

// someWent says where a part of what came in went, now and then.
func (w *writer) someWent(r *rand.Rand, e record.Entry) {
	u := record.Entry{Day: e.Day, Act: record.Use, Food: e.Food, Crop: e.Crop, Gram: e.Gram / 5}
	switch r.IntN(9) {
	case 0:
		u.To = record.Given
	case 1:
		u.To = record.Compost
	case 2:
		u.To, u.Reason = record.Lost, []string{"slugs", "cracked", "split by rain"}[r.IntN(3)]
	default:
		return
	}
	if u.Gram > 0 {
		w.enter(u)
	}
}

// went says what became of a harvest of a year that is over; it returns what waits to be put up.
func (w *writer) went(r *rand.Rand, e record.Entry, s *plan.Sowing, waits int) int {
	x, form := w.served(s)
	switch p := x.PreparationFor(form, w.book); {
	case p != nil:
		return w.putUp(r, e, p, waits+e.Gram)
	case form == wish.Cellar:
		lot := stock.Lot{Food: e.Food, Form: string(wish.Cellar), Count: 1, Size: float64(e.Gram) / 1000, Unit: "kg", PutUp: e.Day}
		id := w.shelve(lot)
		w.enter(record.Entry{Day: e.Day, Act: record.Use, Food: e.Food, Crop: e.Crop, Gram: e.Gram, To: record.Storage, Lot: id})
		w.eat(r, id, e.Food, e.Day+20, e.Gram, true)
	default:
		w.someWent(r, e)
	}
	return 0
}

// served returns the wish and the form that a sowing mostly served.
func (w *writer) served(s *plan.Sowing) (wish.Wish, wish.Form) {
	most := slices.MaxFunc(append([]plan.Served{{}}, s.For...), func(a, b plan.Served) int { return cmp.Compare(a.Need, b.Need) })
	for _, x := range w.h.Wishes {
		if x.ID == most.Wish {
			return x, wish.Form(most.Form)
		}
	}
	return wish.Wish{}, wish.Form(s.Form)
}

// putUp fills containers once there is enough for some of them; now and then one does not seal.
func (w *writer) putUp(r *rand.Rand, e record.Entry, p *book.Preparation, waits int) int {
	litre := cmp.Or(p.JarLitre, 1)
	each := int(math.Round(1000 * litre * p.Raw))
	jars := waits / each
	if jars < 3 && !e.Last || jars == 0 {
		return waits
	}
	failed := 0
	if r.IntN(6) == 0 && jars > 3 && p.Unit != "kg" {
		failed = 1
	}
	lot := stock.Lot{Food: e.Food, Form: p.Form, Preparation: p.ID, Count: float64(jars - failed), Size: litre, Unit: "L", PutUp: e.Day}
	if p.Unit == "kg" {
		lot.Unit = "kg"
	}
	id := w.shelve(lot)
	w.enter(record.Entry{Day: e.Day, Act: record.PutUp, Food: e.Food, Crop: e.Crop, Gram: jars * each, Preparation: p.ID, Jars: float64(jars), Litre: litre, Failed: failed,
		Hours: math.Round(2*p.Minutes/60) / 2, Lot: id})
	amount := 1000 * (jars - failed)
	if lot.Unit == "kg" {
		amount = int(1000 * lot.Amount())
	}
	w.eat(r, id, e.Food, e.Day+60, amount, lot.Unit == "kg")
	return 0
}

// shelve puts a lot on the shelf and returns its id; what is put up after the last day is none.
func (w *writer) shelve(l stock.Lot) string {
	name := fmt.Sprintf("lived-%s-%s", l.PutUp, cmp.Or(l.Preparation, l.Food))
	w.lots[name]++
	l.ID = fmt.Sprintf("%s-%d", name, w.lots[name])
	if l.PutUp <= w.until {
		w.out.Lots = append(w.out.Lots, l)
	}
	return l.ID
}

// eat takes a lot off the shelf little by little, until nothing is left of it before the next
// summer. Amounts are thousandths, of containers whole ones. What was kept raw may spoil at last.
func (w *writer) eat(r *rand.Rand, lot, food string, from civil.Date, amount int, byWeight bool) {
	const draws = 7
	each := max(1, amount/draws)
	if !byWeight {
		each = max(1000, (amount/1000+draws-1)/draws*1000)
	}
	for day := from; amount > 0; day += civil.Date(18 + r.IntN(14)) {
		take := min(each, amount)
		e := record.Entry{Day: day, Act: record.Draw, Lot: lot, Food: food, To: record.Table}
		if byWeight {
			e.Gram = take
			if amount == take && r.IntN(3) == 0 {
				e.To, e.Reason = record.Lost, "soft"
			}
		} else {
			e.Jars = float64(take) / 1000
		}
		w.enter(e)
		amount -= take
	}
}

// olderLots lets what stands on the shelf be what is left of more: the rest was eaten in winter.
func (w *writer) olderLots() {
	last := civil.Of(w.h.Year, 4, 18)
	for i := range w.h.Lots {
		l := w.h.Lots[i]
		if l.Unit != "L" || l.PutUp < civil.Of(w.h.Year-1, 1, 1) || l.Count < 4 {
			continue
		}
		r := chance(w.h.Year, l.ID)
		eaten := 0.0
		for day := last - civil.Date(r.IntN(8)); day > l.PutUp+70 && eaten < l.Count; day -= civil.Date(9 + r.IntN(12)) {
			n := float64(1 + r.IntN(2))
			w.enter(record.Entry{Day: day, Act: record.Draw, Lot: l.ID, Food: l.Food, To: record.Table, Jars: n})
			if day <= w.until {
				eaten += n
			}
		}
		l.Count += eaten
		w.out.Lots = append(w.out.Lots, l)
	}
}

// done returns the record with ids, in the order of the days.
func (w *writer) done() Years {
	slices.SortStableFunc(w.out.Entries, func(a, b record.Entry) int { return cmp.Compare(a.Day, b.Day) })
	for i := range w.out.Entries {
		w.out.Entries[i].ID, w.out.Entries[i].Order = fmt.Sprintf("lived-%d", i), i+1
	}
	return w.out
}
