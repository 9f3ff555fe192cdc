// Package questions answers the plain questions of a household from its plan, its beds and its records: what is
// needed of a food between two days, when a food is sown for the third time, what is next to do in a bed, and when
// something last grew there. An answer is a sentence with a line for each part of it. Weights are kg, lengths m.
package questions

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"inventory/internal/core/amount"
	"inventory/internal/core/bed"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/ground"
	"inventory/internal/core/invalid"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
	"inventory/internal/core/work"
)

// Answer is what a question comes to. Amounts in it are marked, so that each reader has them in their own units.
type Answer struct {
	Said    string   `json:"said"`    // one sentence
	Rows    []Row    `json:"rows"`    // its parts
	Working []string `json:"working"` // how it is worked out, a sentence each
}

// Row is one part of an answer.
type Row struct {
	Head   string `json:"head"`
	Text   string `json:"text"`
	Figure string `json:"figure,omitempty"` // of the plan, whose working can be opened
}

// Facts are what questions are answered from.
type Facts struct {
	Plan   *plan.Plan
	Wishes []wish.Wish
	Book   *book.Book
	Beds   []bed.Bed
	Pieces []ground.Piece // where the sowings of the plan lie
	Record *record.Record
	Year   int // the calendar year in which the food year begins
}

// food checks that a food is one of the book.
func (f Facts) food(name string) (string, error) {
	if f.Book.Food(name) == nil {
		return "", &invalid.Field{Field: "food", Value: name, Allowed: "a food of the crop book" + wish.NearestWords(f.Book, name)}
	}
	return name, nil
}

// bed returns a bed by its id.
func (f Facts) bed(id string) (bed.Bed, error) {
	i := slices.IndexFunc(f.Beds, func(b bed.Bed) bool { return b.ID == id })
	if i < 0 {
		return bed.Bed{}, &invalid.Field{Field: "bed", Value: id, Allowed: "Choose one of your beds."}
	}
	return f.Beds[i], nil
}

// Needed answers how much of a food is needed between two days, both included: of each wish for it the weeks
// that lie in between, what is eaten in them, and its share of the harvest. The days must lie in the food year.
func (f Facts) Needed(food string, from, to civil.Date) (Answer, error) {
	name, err := f.food(food)
	if err != nil {
		return Answer{}, err
	}
	first, end := f.Plan.Weeks[0], f.Plan.Weeks[len(f.Plan.Weeks)-1]+6
	if from > to || from < first || to > end {
		return Answer{}, &invalid.Field{Field: "to", Value: to.String(), Allowed: fmt.Sprintf("Enter two days of the food year, from %s to %s, the earlier one first.", first.Words(), end.Words())}
	}
	out := Answer{Rows: []Row{}, Working: []string{"Each week counts with the days of it that lie between the two days. The harvest is shared out over the weeks as they are wanted."}}
	var kg float64
	for i, w := range f.Plan.Wishes {
		if f.Wishes[i].Food != name {
			continue
		}
		part, all, weeks := 0.0, 0.0, 0
		for k, wanted := range w.Wanted {
			days := min(to, f.Plan.Weeks[k]+6) - max(from, f.Plan.Weeks[k]) + 1
			all += wanted
			if days > 0 && wanted > 0 {
				part += wanted * float64(days) / 7
				weeks++
			}
		}
		if all == 0 {
			continue
		}
		harvest := w.Harvested * part / all
		if w.HarvestUnit == amount.Kilogram {
			kg += harvest
		}
		out.Rows = append(out.Rows, Row{Head: w.Title, Text: fmt.Sprintf("%s in %s; harvest needed for it %s", amount.Mark(rounded(part), w.Unit), counted(weeks, "week"), amount.Mark(harvest, w.HarvestUnit)), Figure: "wish/" + w.ID + "/harvested"})
	}
	switch {
	case len(out.Rows) == 0:
		out.Said = fmt.Sprintf("Nothing: no wish asks for %s.", name)
	case kg > 0:
		out.Said = fmt.Sprintf("From %s to %s you need %s of %s as harvested.", from.Words(), to.Words(), amount.Mark(kg, amount.Kilogram), name)
	default:
		out.Said = fmt.Sprintf("From %s to %s you need:", from.Words(), to.Words())
	}
	return out, nil
}

// Sowings answers when a food is sown: its sowings numbered in the order of their dates. A number of 1 or more
// asks for one of them; 0 asks for all.
func (f Facts) Sowings(food string, number int) (Answer, error) {
	name, err := f.food(food)
	if err != nil {
		return Answer{}, err
	}
	var all []plan.Sowing
	for _, s := range f.Plan.Sowings {
		if c := f.Book.Crop(s.Crop); c != nil && c.Food == name && s.Method != season.Patch {
			all = append(all, s)
		}
	}
	if len(all) == 0 {
		return Answer{Said: fmt.Sprintf("No sowing of %s is planned this year.", name), Rows: []Row{}, Working: []string{}}, nil
	}
	if number > len(all) || number < 0 {
		return Answer{}, &invalid.Field{Field: "number", Value: fmt.Sprint(number), Allowed: fmt.Sprintf("Enter a number from 1 to %d: there are %s of %s this year.", len(all), counted(len(all), "sowing"), name)}
	}
	out := Answer{Rows: []Row{}, Working: []string{"Sowings of all varieties are numbered by the day on which they are started."}}
	for i, s := range all {
		if number == 0 || number == i+1 {
			out.Rows = append(out.Rows, Row{Head: fmt.Sprintf("%s %d of %d", s.CropName, i+1, len(all)), Text: f.dates(s), Figure: "sowing/" + s.ID + "/plants"})
		}
	}
	if number > 0 {
		s := all[number-1]
		out.Said = fmt.Sprintf("The %s sowing of %s is started on %s.", ordinal(number), name, s.Date.Words())
	} else {
		out.Said = fmt.Sprintf("There are %s of %s, from %s to %s.", counted(len(all), "sowing"), name, all[0].Date.Words(), all[len(all)-1].Date.Words())
	}
	return out, nil
}

// dates says when a sowing is started, planted out and picked, and in which bed.
func (f Facts) dates(s plan.Sowing) string {
	parts := []string{s.Date.Words() + ", " + s.Method.Facts().Words}
	if s.PlantOut != nil && *s.PlantOut != s.Date {
		parts = append(parts, "plant out "+s.PlantOut.Words())
	}
	if s.FirstPick != nil {
		parts = append(parts, "first picking "+s.FirstPick.Words())
	}
	parts = append(parts, counted(s.Plants, "plant"))
	if in := f.bedsOf(s.ID); in != "" {
		parts = append(parts, in)
	}
	return strings.Join(parts, "; ")
}

// bedsOf names the beds that a sowing lies in.
func (f Facts) bedsOf(sowing string) string {
	var names []string
	for _, p := range f.Pieces {
		if p.Planting == sowing {
			if b, err := f.bed(p.Bed); err == nil && !slices.Contains(names, b.Name) {
				names = append(names, b.Name)
			}
		}
	}
	return strings.Join(names, ", ")
}

// mostNext is how many tasks of a bed are told.
const mostNext = 8

// Next answers what is next to do in a bed: the open tasks of the sowings that lie in it, the most pressing first.
func (f Facts) Next(bedID string, today civil.Date) (Answer, error) {
	b, err := f.bed(bedID)
	if err != nil {
		return Answer{}, err
	}
	type due struct {
		task work.Task
		crop string
	}
	var all []due
	seen := map[string]bool{}
	for _, p := range f.Pieces {
		s := f.Plan.Sowing(p.Planting)
		if p.Bed != bedID || s == nil || s.Over || seen[s.ID] {
			continue
		}
		seen[s.ID] = true
		for _, t := range s.Tasks {
			if t.State == work.Open || t.State == work.Overdue || t.State == work.Waiting {
				all = append(all, due{t, s.CropName})
			}
		}
	}
	slices.SortStableFunc(all, func(x, y due) int { return cmp.Compare(x.task.Day, y.task.Day) })
	out := Answer{Rows: []Row{}, Working: []string{"These are the open tasks of the crops that the plan has in this bed, by their day."}}
	for _, d := range all[:min(mostNext, len(all))] {
		when := d.task.Day.Words()
		if d.task.Day < today {
			when += ", overdue"
		}
		out.Rows = append(out.Rows, Row{Head: when, Text: d.task.Do + ": " + d.crop})
	}
	out.Said = fmt.Sprintf("Nothing is left to do in %s this year.", b.Name)
	if len(all) > 0 {
		out.Said = fmt.Sprintf("Next in %s: %s (%s).", b.Name, lowerFirst(all[0].task.Do), all[0].crop)
	}
	return out, nil
}

// Last answers when something last grew in a bed: a food, or any of its family, by what was recorded there and by
// what was entered of earlier years.
func (f Facts) Last(food, bedID string) (Answer, error) {
	name, err := f.food(food)
	if err != nil {
		return Answer{}, err
	}
	b, err := f.bed(bedID)
	if err != nil {
		return Answer{}, err
	}
	crop := f.Book.Food(name)[0]
	out := Answer{Rows: []Row{}, Working: []string{
		fmt.Sprintf("%s belongs to the %s, which rests %s before it returns to a bed.", capital(name), crop.FamilyName, counted(int(crop.RotationYears.Or(0)), "year")),
		"Counted are the plant families entered for this bed, what is recorded as sown or planted in it, and harvests entered with its name.",
	}}
	seen := f.seen(name, crop.Family, b)
	if seen.grows != "" {
		out.Rows = append(out.Rows, Row{Head: fmt.Sprint(f.Year), Text: seen.grows})
	}
	if seen.harvest != 0 {
		out.Rows = append(out.Rows, Row{Head: seen.harvest.Words(), Text: "last harvest of " + name + " recorded here"})
	}
	if seen.family != 0 {
		out.Rows = append(out.Rows, Row{Head: fmt.Sprint(seen.family), Text: "the " + crop.FamilyName + " grew here"})
	}
	out.Said = seen.said(name, b.Name)
	return out, nil
}

// sightings are what is known of a food in one bed.
type sightings struct {
	grows   string     // that the plan of this year has it there, in words
	begun   bool       // and it is sown or planted
	harvest civil.Date // the last one recorded there; 0: none
	family  int        // the last year in which its family grew there; 0: none
}

// seen looks for a food and its family in a bed.
func (f Facts) seen(food, family string, b bed.Bed) (out sightings) {
	for _, s := range b.Stood {
		if slices.Contains(s.Families, family) {
			out.family = max(out.family, s.Year)
		}
	}
	for _, e := range f.Record.Entries() {
		if e.Act == record.Harvest && e.Food == food && e.Bed == b.ID {
			out.harvest = max(out.harvest, e.Day)
		}
	}
	for _, p := range f.Pieces {
		s := f.Plan.Sowing(p.Planting)
		if p.Bed != b.ID || s == nil || f.Book.Crop(s.Crop) == nil || f.Book.Crop(s.Crop).Food != food || out.begun {
			continue
		}
		out.begun, out.grows = s.Begun, s.CropName+", planned for "+s.Day.Words()
		if s.Begun {
			out.grows = s.CropName + ", sown or planted " + s.Day.Words()
		}
	}
	return out
}

// said is what the sightings come to, in one sentence.
func (x sightings) said(food, bed string) string {
	switch {
	case x.begun:
		return fmt.Sprintf("It is growing in %s now.", bed)
	case x.harvest != 0:
		year, _, _ := x.harvest.Split()
		return fmt.Sprintf("%s last grew in %s in %d.", capital(food), bed, year)
	case x.family != 0:
		return fmt.Sprintf("No %s is recorded in %s; a plant of its family grew there in %d.", food, bed, x.family)
	}
	return fmt.Sprintf("Neither %s nor its family is recorded in %s.", food, bed)
}

// counted says how many of a thing.
func counted(n int, one string) string {
	if n == 1 {
		return "1 " + one
	}
	return fmt.Sprintf("%d %ss", n, one)
}

// ordinal writes a place in a row: first to tenth in words.
func ordinal(n int) string {
	words := []string{"first", "second", "third", "fourth", "fifth", "sixth", "seventh", "eighth", "ninth", "tenth"}
	if n <= len(words) {
		return words[n-1]
	}
	return fmt.Sprintf("number %d", n)
}

// rounded keeps one decimal of what is counted.
func rounded(v float64) float64 { return float64(int(v*10+0.5)) / 10 }

func capital(s string) string    { return strings.ToUpper(s[:1]) + s[1:] }
func lowerFirst(s string) string { return strings.ToLower(s[:1]) + s[1:] }
