package wish

import (
	"fmt"

	"inventory/internal/core/invalid"
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
	case k.Counts(CountsMeals) && w.For.Away():
		c.Add("amount.kind", string(k), "Measure by weight, pieces or jars: meals are for people only.")
	case k.Unweighed() && (w.For.Per != "" || w.For.People > 0):
		c.Add("for.per", string(w.For.Per), "Choose everybody: plants are counted once.")
	case !k.Counts(CountsMeals) && w.For.People > 0:
		c.Add("for.people", fmt.Sprint(w.For.People), "Enter 0: only a number of meals depends on how many eat.")
	}
}

// Away reports whether nobody at this table eats it.
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
	return map[Per]string{PerMember: "for each of you", PerEater: "for each person", PerChild: "for each child", PerInfant: "for each under three"}[o.Per]
}
