package wish

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/invalid"
)

// JarName names a jar by its size in litres, "quart" where it is one.
func JarName(litre float64) string {
	for _, j := range amount.Jars() {
		if math.Abs(litre-j.Litre) < 0.001 && j.Litre != 1 && j.Litre != 0.5 { // those are said in litres
			return j.Name
		}
	}
	return fmt.Sprintf("%s L", invalid.FormatNumber(math.Round(litre*1000)/1000))
}

// JarLitre returns the size of the jars a wish counts.
func JarLitre(w Wish, prep *book.Preparation) float64 {
	if w.Amount.Jar > 0 || prep == nil {
		return w.Amount.Jar
	}
	return prep.JarLitre
}

// Title names what a wish is about: the preparation, the kind or the food.
func Title(w Wish, b *book.Book) string {
	if p := w.Made(b); p != nil {
		return p.Name
	}
	if c := b.Crop(w.Variety); c != nil {
		return c.Short()
	}
	if w.Food == "" {
		return ""
	}
	return strings.ToUpper(w.Food[:1]) + w.Food[1:]
}

// manyFoods reports whether a preparation can be made of several foods.
func manyFoods(p *book.Preparation, b *book.Book) bool {
	return slices.ContainsFunc(p.Crops, func(id string) bool { return b.Crop(id).Food != b.Crop(p.Crops[0]).Food })
}

var singulars = strings.NewReplacer("meals", "meal", "pieces", "piece", "jars", "jar", "plants", "plant", "litres", "litre")

// Words says a wish in words, such as "35 quart jars of tomato sauce, thick".
//
// One function, since the parts of a sentence are put in one order.
func Words(w Wish, b *book.Book) string {
	n := invalid.FormatNumber(math.Round(w.Amount.Number*1000) / 1000)
	title := Title(w, b)
	counted := w.Amount.Kind.Words()
	if w.Amount.Kind == Jars {
		counted = JarName(JarLitre(w, w.Made(b))) + " jars"
	}
	if n == "1" {
		counted = singulars.Replace(counted)
	}
	if w.Amount.Kind.Counts(CountsMeals) && w.Amount.Portion > 0 {
		counted += " of " + invalid.FormatNumber(w.Amount.Portion) + " g"
	}
	out := n + " " + counted + " · " + title
	if p := w.Made(b); p != nil && !strings.Contains(strings.ToLower(p.Name), w.Food) && manyFoods(p, b) {
		out += " · " + w.Food
	}
	if len(w.Forms) > 0 && !w.Amount.Kind.PutUp() {
		forms := make([]string, len(w.Forms))
		for i, f := range w.Forms {
			forms[i] = f.Facts().Choice
			if p := w.PreparationFor(f, b); p != nil {
				forms[i] = lowerFirst(p.Name)
			}
		}
		out += " · " + strings.Join(forms, ", then ")
	}
	if w.Season.Kind == Months {
		out += " · " + w.Season.Months()
	}
	if whom := w.For.words(); whom != "" {
		out += " · " + whom
	}
	if how := w.Stagger.words(); how != "" && (w.Stagger.Kind != OneGo || !slices.Contains(w.Forms, Cellar)) {
		out += " · " + how
	}
	if w.Stagger.Early {
		out += " · with an early row"
	}
	if w.Season.Kind == While {
		out += " · while it lasts"
	}
	if w.Priority == MustHave || w.Priority == NiceToHave {
		out += " · " + map[Priority]string{MustHave: "must have", NiceToHave: "nice to have"}[w.Priority]
	}
	return out
}

// Months says the months of a season: June to August, or March to May and September.
func (s Season) Months() string {
	one := func(from, to int) string {
		if from == to {
			return MonthName(from)
		}
		return MonthName(from) + " to " + MonthName(to)
	}
	out := one(s.From, s.To)
	for _, o := range s.Also {
		out += " and " + one(o.From, o.To)
	}
	return out
}

// words says how sowings follow each other, where it is not by need.
func (s Stagger) words() string {
	switch {
	case s.Kind == Every:
		return fmt.Sprintf("sown every %d days", s.Days)
	case s.Kind == OneGo:
		return "sown all at once"
	case s.Kind != Times:
		return ""
	case s.Sowings == 1:
		return "one sowing"
	case s.Days > 0:
		return fmt.Sprintf("%d sowings, %d days apart", s.Sowings, s.Days)
	}
	return fmt.Sprintf("%d sowings", s.Sowings)
}

func lowerFirst(s string) string {
	if s == "" {
		return s
	}
	return strings.ToLower(s[:1]) + s[1:]
}

// MonthName names month 1 to 12.
func MonthName(m int) string {
	if m < 1 || m > 12 {
		return ""
	}
	return monthNames[m-1]
}

var monthNames = [12]string{"January", "February", "March", "April", "May", "June", "July", "August", "September", "October", "November", "December"}
