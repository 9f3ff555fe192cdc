package wish

import (
	"slices"

	"inventory/internal/core/book"
)

// Form is how a food comes to the table.
type Form string

// The forms of food. What is known of each is in forms. Gap and Bought are no forms: they
// mark weeks that the garden does not feed.
const (
	Fresh     Form = "fresh"
	Cellar    Form = "cellar" // kept whole in storage
	Canned    Form = "canned"
	Juiced    Form = "juiced"
	Frozen    Form = "frozen"
	Dried     Form = "dried"
	Pickled   Form = "pickled"
	Fermented Form = "fermented"
	Jam       Form = "jam"
	Gap       Form = "gap"    // nothing feeds the week
	Bought    Form = "bought" // the household has decided to buy for the gap
)

// Source is where food comes from in a week: forms of one source are shown alike.
type Source string

// The sources.
const (
	FromBed     Source = "fresh"
	FromStorage Source = "cellar"
	FromJar     Source = "jar"
	FromFreezer Source = "frozen"
	FromDried   Source = "dried"
	FromCrock   Source = "crock"
	FromNowhere Source = "gap"
	FromShop    Source = "bought"
)

// FormFacts is all that is known of a form.
type FormFacts struct {
	Form   Form   `json:"form"`
	Source Source `json:"source"`
	PutUp  bool   `json:"put_up"` // it is made by a preparation
	Eaten  bool   `json:"eaten"`  // it can be wished; gaps and buying cannot
	Choice string `json:"choice"` // the tick in a wish: from storage
	Words  string `json:"words"`  // of a week: from jars
	Kept   string `json:"kept"`   // of a lot or a sowing: kept whole in storage
}

// forms are the facts of every form, in the order in which forms are eaten. A new form is
// one more line here, its preparations in the book, and its value in the contract.
var forms = []FormFacts{
	{Fresh, FromBed, false, true, "fresh", "fresh", "fresh"},
	{Cellar, FromStorage, false, true, "from storage", "from storage", "kept whole in storage"},
	{Canned, FromJar, true, true, "canned", "from jars", "canned"},
	{Juiced, FromJar, true, true, "juice", "from jars", "juice"},
	{Frozen, FromFreezer, true, true, "frozen", "from the freezer", "frozen"},
	{Dried, FromDried, true, true, "dried", "dried", "dried"},
	{Pickled, FromJar, true, true, "pickled", "from jars", "pickled"},
	{Fermented, FromCrock, true, true, "fermented", "from the crock", "fermented"},
	{Jam, FromJar, true, true, "jam", "from jars", "jam"},
	{Gap, FromNowhere, false, false, "", "gap", ""},
	{Bought, FromShop, false, false, "", "bought", "bought"},
}

// SourceFacts is all that is known of a source.
type SourceFacts struct {
	Source Source `json:"source"`
	Legend string `json:"legend"`
	Title  string `json:"title"`  // above foods of a week: From storage
	Mostly string `json:"mostly"` // above foods of a year; empty: none are listed by it
	Shelf  string `json:"shelf"`  // above what is on the shelf; empty: nothing is
}

// sources are the facts of every source, in the order of legends.
var sources = []SourceFacts{
	{FromBed, "fresh", "Fresh", "Mostly fresh", ""},
	{FromStorage, "storage", "From storage", "Mostly from storage", "In storage"},
	{FromJar, "jar", "From jars", "Mostly from jars", "In jars"},
	{FromFreezer, "freezer", "From the freezer", "Mostly from the freezer", "In the freezer"},
	{FromDried, "dried", "Dried", "Mostly dried", "Dried"},
	{FromCrock, "crock", "From the crock", "Mostly from the crock", "In crocks"},
	{FromNowhere, "gap", "Gaps", "Mostly gaps", ""},
	{FromShop, "bought", "Bought", "", ""},
}

// Forms lists the forms of food in the order in which they are eaten.
var Forms = eaten()

func eaten() (out []Form) {
	for _, f := range forms {
		if f.Eaten {
			out = append(out, f.Form)
		}
	}
	return out
}

// FormsKnown returns the facts of every form, gaps and buying included.
func FormsKnown() []FormFacts { return slices.Clone(forms) }

// SourcesKnown returns the facts of every source.
func SourcesKnown() []SourceFacts { return slices.Clone(sources) }

// Facts returns what is known of a form; zero facts for one that there is not.
func (f Form) Facts() FormFacts {
	for i := range forms {
		if forms[i].Form == f {
			return forms[i]
		}
	}
	return FormFacts{}
}

// PutUp reports whether the form is made by a preparation.
func (f Form) PutUp() bool {
	for i := range forms {
		if forms[i].Form == f {
			return forms[i].PutUp
		}
	}
	return false
}

// formNames lists the forms that may be wished, as a file or the contract writes them.
func formNames() []string {
	out := make([]string, len(Forms))
	for i, f := range Forms {
		out[i] = string(f)
	}
	return out
}

// KeptNames lists the forms in which food is kept: all but fresh.
func KeptNames() []string { return formNames()[1:] }

// KeepsWhole reports whether a crop keeps whole in storage.
func KeepsWhole(c *book.Crop) bool { return c.Store != book.NoStorage && c.StoreWeeks.Value > 0 }

// FormsFor returns the forms in which a crop can be had.
func FormsFor(c *book.Crop, b *book.Book) []Form {
	out := []Form{}
	for _, f := range forms {
		switch {
		case !f.Eaten || !c.Weighed():
		case f.Form == Cellar && !KeepsWhole(c):
		case f.PutUp && !slices.ContainsFunc(b.Preparations(), func(p *book.Preparation) bool {
			return p.Form == string(f.Form) && slices.Contains(p.Crops, c.ID)
		}):
		default:
			out = append(out, f.Form)
		}
	}
	return out
}
