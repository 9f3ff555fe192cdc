package plan

import (
	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// Goals are what the whole table comes to, reported beside the ledger.
type Goals struct {
	Jars    Goal `json:"jars"`
	Green   Goal `json:"green"`
	Energy  Goal `json:"energy"`
	Protein Goal `json:"protein"`
}

// Goal is one figure of the whole table, what the household aims at, and which
// wish adds most to it.
type Goal struct {
	Value float64     `json:"value"`
	Aim   float64     `json:"aim"` // 0: no goal set
	Unit  amount.Unit `json:"unit"`
	Most  string      `json:"most"`  // title of the wish that adds most
	Share float64     `json:"share"` // of the value that it adds
}

// best keeps the wish that adds most to a sum.
type best struct {
	sum, most float64
	title     string
}

func (b *best) add(title string, v float64) {
	b.sum += v
	if v > b.most {
		b.most, b.title = v, title
	}
}

func (b best) goal(value, aim float64, unit amount.Unit) Goal {
	g := Goal{Value: value, Aim: aim, Unit: unit, Most: b.title}
	if b.sum > 0 {
		g.Share = b.most / b.sum
	}
	return g
}

// green are the groups whose crops count as something green on the plate.
func green(c *book.Crop) bool {
	switch c.Group {
	case "leaf", "head", "stem", "shoots":
		return true
	}
	return false
}

// Eaten returns the edible weight in kg that a use puts on the table in a week.
func (w weeks) eaten(b *basis, r *table.Resolved, u *table.Use, week int) float64 {
	a := u.Amount[week]
	if a == 0 || u.Crop == nil || r.Wish.For.Away() {
		return 0
	}
	edible := u.Crop.Edible
	x := &r.Wish
	switch x.Amount.Kind.Counted() {
	case wish.CountsMeals:
		return a * r.AdultEquivalents[week] * portion(*x, u.Crop) / 1000
	case wish.CountsWeight:
		return a * (1 - b.desk.Rules.Cull) * edible
	case wish.CountsPieces:
		return a * u.Crop.Piece.Or(0) / 1000 * edible
	default:
		if u.Prep == nil {
			return 0
		}
		return w.resolver.Drawn(x, u, week, a) * u.Prep.Raw * edible
	}
}

func portion(w wish.Wish, crop *book.Crop) float64 {
	if w.Amount.Portion > 0 {
		return w.Amount.Portion
	}
	return crop.Portion.Value
}

// goalsOf adds up the whole table: jars, weeks with something green, and the share
// of the household's energy and protein that comes from the garden.
func goalsOf(b *basis, in weeks, wishes []Wish, jarsFilled int) Goals {
	rules := b.desk.Rules
	var jars, greens, energy, protein best
	var greenWeeks season.Weeks
	var need float64 // eater-days
	for _, e := range b.eaters {
		need += 7 * e
	}
	e := b.desk.Recorder.Open("goal", "energy", "", "Energy from the garden")
	p := b.desk.Recorder.Open("goal", "protein", "", "Protein from the garden")
	e.Do(working.Start, "Nothing eaten yet", 0, amount.Kcal, working.Reckoned)
	p.Do(working.Start, "Nothing eaten yet", 0, amount.Kilogram, working.Reckoned)
	for i := range in.wishes {
		r, w := in.wishes[i], &wishes[i]
		var kcal, kg, food float64
		var weeks season.Weeks
		for k := range r.Uses {
			u := &r.Uses[k]
			if u.Form == "" {
				continue
			}
			var mine float64
			for week := range season.WeeksPerYear {
				mine += in.eaten(b, r, u, week)
			}
			food += mine
			kcal += mine * 10 * u.Crop.Energy.Or(0)
			kg += mine * u.Crop.Protein.Or(0) / 100
			if green(u.Crop) {
				weeks |= u.Weeks
			}
		}
		greenWeeks |= weeks
		greens.add(w.Title, float64(weeks.Count()))
		jars.add(w.Title, float64(w.ToFill))
		energy.add(w.Title, kcal)
		protein.add(w.Title, kg)
		if food > 0 {
			e.Do(working.Plus, w.Title, kcal, amount.Kcal, working.Reckoned)
			p.Do(working.Plus, w.Title, kg, amount.Kilogram, working.Reckoned)
			if e.On() || p.On() {
				e.Note("from %s edible", amount.Mark(food, amount.Kilogram))
				p.Note("from %s edible", amount.Mark(food, amount.Kilogram))
			}
		}
	}
	e.Is("In the year", amount.Kcal).Do(working.Over, "Days × adults", need, amount.Day, working.Household)
	b.desk.Rule(e, working.Over, "need_energy")
	p.Is("In the year", amount.Kilogram).Do(working.Over, "Days × adults", need, amount.Day, working.Household)
	b.desk.Rule(p, working.Over, "need_protein")
	out := Goals{
		Jars:    jars.goal(float64(jarsFilled), rules.GoalJars, amount.Jar),
		Green:   greens.goal(float64(greenWeeks.Count()), rules.GoalGreen, amount.Week),
		Energy:  energy.goal(e.Is("Of what the household eats", amount.Share).Close(amount.Share), rules.GoalEnergy, amount.Share),
		Protein: protein.goal(p.Is("Of what the household eats", amount.Share).Close(amount.Share), rules.GoalProtein, amount.Share),
	}
	g := b.desk.Recorder.Open("goal", "green", "", "Weeks with fresh greens")
	g.Do(working.Together, "Weeks in which a leaf, a head, stems or shoots are eaten", float64(greenWeeks.Count()), amount.Week, working.Reckoned).Close(amount.Week)
	return out
}
