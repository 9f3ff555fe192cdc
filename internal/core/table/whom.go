package table

import (
	"fmt"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/invalid"
	"inventory/internal/core/season"
)

// For whom a wish is, where it is not for everybody at the table.

// Per says of whom each gets the amount of a wish.
type Per string

// Whose the amount is. The empty one is everybody's together.
const (
	PerMember Per = "member" // each who lives here, babies too
	PerEater  Per = "eater"  // each eater: an adult's appetite is 1
	PerChild  Per = "child"  // each child and teen
	PerInfant Per = "infant" // each under three
)

// Beside is what a wish is for where it is not for those who live here.
type Beside string

// The uses beside feeding those who live here.
const (
	ForAnimals Beside = "animals"
	ForGiving  Beside = "given"
	ForGuests  Beside = "guests" // of the guests alone, who do eat here
)

// Whom says for whom a wish is, where it is not for everybody at the table.
type Whom struct {
	Per    Per    `json:"per,omitempty"`    // the amount is for each of these
	People int    `json:"people,omitempty"` // meals are for so many adults; 0: for all at the table
	Use    Beside `json:"use,omitempty"`
}

// MostPeople is for how many people a wish may be.
const MostPeople = 50

func (w Wish) validateWhom(c invalid.Check) {
	if w.For == nil {
		return
	}
	c.OneOf("for.per", string(w.For.Per), "", string(PerMember), string(PerEater), string(PerChild), string(PerInfant))
	c.OneOf("for.use", string(w.For.Use), "", string(ForAnimals), string(ForGiving), string(ForGuests))
	c.Number("for.people", float64(w.For.People), 0, MostPeople)
	switch k := w.Amount.Kind; {
	case k == Meals && w.For.Away():
		c.Add("amount.kind", string(k), "a weight, pieces or jars: meals are what is eaten at this table")
	case k.Unweighed() && (w.For.Per != "" || w.For.People > 0):
		c.Add("for.per", string(w.For.Per), "everybody together: plants are counted once")
	case k != Meals && w.For.People > 0:
		c.Add("for.people", fmt.Sprint(w.For.People), "0: only a number of meals depends on how many eat")
	}
}

// Away tells whether nobody at this table eats it.
func (o *Whom) Away() bool { return o != nil && (o.Use == ForAnimals || o.Use == ForGiving) }

// words says for whom a wish is, or nothing where it is for everybody.
func (o *Whom) words() string {
	switch {
	case o == nil:
		return ""
	case o.Use == ForAnimals:
		return "for the animals"
	case o.Use == ForGiving:
		return "to give away"
	case o.Use == ForGuests:
		return "for guests"
	case o.People > 0:
		return fmt.Sprintf("for %d", o.People)
	}
	return map[Per]string{PerMember: "for each of you", PerEater: "for each eater", PerChild: "for each child", PerInfant: "for each under three"}[o.Per]
}

// each tells whether a member is one of those who each get the amount.
func (p Per) each(m Member) bool {
	switch p {
	case PerChild:
		return slices.Contains([]Band{Teen, Child, SmallChild}, m.Band)
	case PerInfant:
		return m.Band == Infant
	}
	return true
}

// people makes an amount for each of some the amount of them all, and says who eats
// of the wish.
func (rs *Resolver) people(r *Resolved, w *Wish) {
	r.Eaters = rs.eaters(w)
	if w.For == nil || w.For.Per == "" || w.Amount.Kind == Meals {
		return
	}
	if w.For.Per == PerEater {
		for _, e := range r.Eaters {
			r.Heads += e / season.WeeksPerYear
		}
	} else {
		for _, m := range rs.Household.Members {
			if w.For.Per.each(m) {
				r.Heads++
			}
		}
	}
	if r.Heads == 0 {
		r.Notes = append(r.Notes, "nobody in this household is one of those it is for")
	}
	w.Amount.Number *= r.Heads
}

// eaters returns who eats of a wish in each week: all at the table, or some of them.
func (rs *Resolver) eaters(w *Wish) [season.WeeksPerYear]float64 {
	if w.For == nil || w.For.Away() || w.For.Use == "" && w.For.People == 0 && (w.For.Per == "" || w.For.Per == PerMember || w.For.Per == PerEater) {
		return rs.Eaters
	}
	if found, ok := rs.whom[*w.For]; ok {
		return found
	}
	var out [season.WeeksPerYear]float64
	switch h := rs.Household; {
	case w.For.People > 0:
		for week, all := range rs.Eaters {
			if all > 0 {
				out[week] = float64(w.For.People)
			}
		}
	case w.For.Use == ForGuests:
		h.Members = nil
		out = h.Eaters()
	default:
		h.Guests = nil
		h.Members = slices.DeleteFunc(slices.Clone(h.Members), func(m Member) bool { return !w.For.Per.each(m) })
		out = h.Eaters()
	}
	if rs.whom == nil {
		rs.whom = map[Whom][season.WeeksPerYear]float64{}
	}
	rs.whom[*w.For] = out
	return out
}

// weigh makes a weight of pieces that are put up: a freezer is filled by weight.
func (rs *Resolver) weigh(r *Resolved, w *Wish) {
	if w.Amount.Kind != PiecesYear || len(w.Forms) != 1 || !w.Forms[0].PutUp() {
		return
	}
	c, _ := chooser{book: rs.Book}.kind(*w, w.Forms[0], w.PreparationFor(w.Forms[0], rs.Book))
	if c == nil {
		return
	}
	n := w.Amount.Number
	w.Amount.Kind, w.Amount.Number = WeightYear, n*c.Piece.Value/1000
	w.Left *= c.Piece.Value / 1000
	r.Notes = append(r.Notes, fmt.Sprintf("%s of about %s are %s", amount.Mark(n, amount.Piece), amount.Mark(c.Piece.Value, amount.Gram), amount.Mark(w.Amount.Number, amount.Kilogram)))
}
