// Package daybook finds out what a line of the daybook comes to: which sowing is meant, what a
// piece weighs, from which lots is taken. It changes nothing: it returns the entries, the lots
// and the events that the line stands for.
package daybook

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/line"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/stock"
	"inventory/internal/core/wish"
	"inventory/internal/core/work"
)

// Meaning is what a line comes to.
type Meaning struct {
	Entries []record.Entry // without ids
	Lots    []stock.Lot    // that are made; an entry names them by their ids
	Events  []plan.Event
	Measure *household.Measure // that was weighed once
	Words   []string           // what was understood, one thing each; quantities are marked
}

// Now is what a line is read against.
type Now struct {
	Input  plan.Input
	Plan   *plan.Plan
	Record *record.Record
	Lots   []stock.Lot         // as they were put in
	NewID  func(string) string // makes an id of a lot
}

// desk works one line out.
type desk struct {
	Now
	book *book.Book
	out  Meaning
}

// Understand reads a line and finds out what it comes to. A line that cannot be understood, or
// that must be asked about first, gives an invalid.Field named "line" whose Allowed is a sentence.
func Understand(now Now, text string) (Meaning, error) {
	b, _, _, err := now.Input.Household.Book(book.Usual())
	if err != nil {
		return Meaning{}, err
	}
	beds := make([]string, len(now.Input.Household.Beds))
	for i, x := range now.Input.Household.Beds {
		beds[i] = x.Name
	}
	all, err := line.Log(text, b, now.Input.AsOf, beds)
	if err != nil {
		return Meaning{}, err
	}
	d := &desk{Now: now, book: b}
	for _, l := range all {
		if err := d.take(l, text); err != nil {
			return Meaning{}, err
		}
	}
	if len(d.out.Events) == 0 {
		return d.out, nil
	}
	_, made, err := now.Input.Logged(d.out.Events)
	if all := invalid.All(err); len(all) > 0 { // of an event; here it is the line that is wrong
		return Meaning{}, ask(all[0].Value, "%s", all[0].Advice())
	}
	for _, x := range made {
		d.out.Words = append(d.out.Words, x.Happened.String())
	}
	return d.out, err
}

// ask refuses a line with the question that must be answered first.
func ask(value, format string, args ...any) error {
	return &invalid.Field{Field: "line", Value: value, Allowed: fmt.Sprintf(format, args...)}
}

// take works out one thing that a line says.
func (d *desk) take(l line.Logged, text string) error {
	switch l.Act {
	case line.LogHarvest:
		return d.cameIn(l)
	case line.LogUse:
		return d.went(l)
	case line.LogPutUp:
		return d.putUp(l)
	case line.LogDraw:
		return d.draw(l)
	case line.LogCount:
		return d.count(l)
	case line.LogMeasure:
		d.weighed(l)
		return nil
	case line.LogNote, line.LogWeather:
		d.note(l, text)
		return nil
	}
	return d.event(l, text)
}

// enter adds an entry with its words.
func (d *desk) enter(e record.Entry, fact say.Fact) {
	d.out.Entries = append(d.out.Entries, e)
	d.out.Words = append(d.out.Words, fact.String())
}

// named is how a food or its kind is called.
func (d *desk) named(food, kind string) string {
	if c := d.book.Crop(kind); c != nil {
		return c.Short()
	}
	return food
}

func (d *desk) cameIn(l line.Logged) error {
	if l.Food == "" {
		return ask("", "Say of what: “%g %s tomatoes”, for example.", l.Number, l.Unit)
	}
	s := d.picked(l.Food, l.Kind, l.Day)
	e := record.Entry{Day: l.Day, Act: record.Harvest, Food: l.Food, Crop: l.Kind, Last: l.Last}
	if s != nil {
		e.Sowing = s.ID
		if e.Crop == "" {
			e.Crop = s.Crop
		}
	}
	gram, pieces, err := d.grams(l, e.Crop)
	if err != nil {
		return err
	}
	e.Gram, e.Pieces = gram, pieces
	if d.Input.Household.MeasureOf(l.Unit, l.Food) > 0 {
		e.Pieces, e.Measure = l.Number, l.Unit
	}
	switch {
	case l.Which == "half":
		e.Share = 0.5
	case l.Last && d.onceOnly(e.Crop):
		e.Share = 1
	}
	d.enter(e, say.CameIn{Food: d.named(l.Food, e.Crop), Gram: gram, Pieces: e.Pieces, Measure: e.Measure, Last: l.Last})
	if l.Last && s != nil && s.Begun {
		d.out.Events = append(d.out.Events, plan.Event{Sowing: s.ID, What: plan.Done, Task: work.Clear, Day: l.Day})
	}
	return nil
}

// weighed takes down what a measure of a food holds, in place of what was known of it.
func (d *desk) weighed(l line.Logged) {
	m := household.Measure{Name: l.Unit, Food: l.Food, Kg: l.Kg}
	for _, was := range d.Input.Household.Measures {
		if was.Name == m.Name && was.Food == m.Food {
			m.ID = was.ID
		}
	}
	d.out.Measure = &m
	d.out.Words = append(d.out.Words, say.Weighs{Measure: m.Name, Food: m.Food, Kg: m.Kg}.String())
}

// onceOnly reports whether a kind is harvested in one go.
func (d *desk) onceOnly(kind string) bool {
	c := d.book.Crop(kind)
	return c != nil && c.Harvest == book.Once
}

func (d *desk) went(l line.Logged) error {
	if l.Ask != "" || l.Food == "" {
		return ask("", "Say which food, and how much of it: “2 kg beans to the neighbour”.")
	}
	kind := l.Kind
	if s := d.picked(l.Food, l.Kind, l.Day); s != nil && kind == "" {
		kind = s.Crop
	}
	gram, _, err := d.grams(l, kind)
	if err != nil {
		return err
	}
	if l.To == record.Jars && len(l.Preparations) > 0 { // "3 kg into the freezer": as many as that fills
		p := d.book.Preparation(l.Preparations[0])
		l.RawKg, l.Litre, l.Ask = float64(gram)/1000, cmp.Or(p.JarLitre, 1), ""
		l.Number = math.Max(1, math.Round(l.RawKg/p.Raw/l.Litre))
		l.Preparations = l.Preparations[:1]
		return d.putUp(l)
	}
	e := record.Entry{Day: l.Day, Act: record.Use, Food: l.Food, Crop: l.Kind, Gram: gram, To: l.To, Reason: l.Reason}
	if lot := Complete(&e, d.book, d.Record, d.NewID); lot != nil {
		d.out.Lots = append(d.out.Lots, *lot)
	}
	d.enter(e, say.Went{Food: d.named(l.Food, l.Kind), Gram: gram, To: string(l.To), Reason: l.Reason})
	return nil
}

// Complete fills in what follows from an entry, and returns the lot that it makes; nil where it makes
// none. Pieces weigh what one usually does. What goes into storage makes a lot where it keeps whole.
// What is put up makes one of the containers that sealed, and takes as much as the book says, of what
// came in and is not said of yet, where nobody said how much. The lot of an entry that is corrected
// keeps its id.
func Complete(e *record.Entry, b *book.Book, rec *record.Record, newID func(string) string) *stock.Lot {
	if e.Gram == 0 && e.Pieces > 0 {
		e.Gram = int(math.Round(e.Pieces * pieceGram(b, e.Food, e.Crop)))
	}
	var lot *stock.Lot
	switch p := b.Preparation(e.Preparation); {
	case e.Act == record.Use && e.To == record.Storage && e.Gram > 0 && Keeps(b, e.Food):
		lot = &stock.Lot{Food: e.Food, Form: string(wish.Cellar), Count: 1, Size: float64(e.Gram) / 1000, Unit: "kg", PutUp: e.Day}
	case e.Act == record.PutUp && p != nil:
		e.Litre = cmp.Or(e.Litre, p.JarLitre, 1)
		if e.Gram == 0 {
			l, _ := rec.LedgerOf(e.Food, record.KeepDays(b, e.Food)) // what does not hold was refused
			e.Gram = min(l.Over(0, e.Day).NotSaid, int(math.Round(1000*e.Jars*e.Litre*p.Raw)))
		}
		lot = &stock.Lot{Food: e.Food, Form: p.Form, Preparation: p.ID, Count: e.Jars - float64(e.Failed), Size: e.Litre, Unit: "L", PutUp: e.Day}
		if p.Unit == "kg" {
			lot.Unit = "kg"
		}
	}
	if lot == nil || lot.Count <= 0 {
		return nil
	}
	if e.Lot == "" {
		e.Lot = newID("l")
	}
	lot.ID = e.Lot
	return lot
}

// Measured fills in what an entry weighs that was counted in a measure of the household.
func Measured(e *record.Entry, h household.Household) {
	if e.Gram == 0 && e.Measure != "" {
		e.Gram = int(math.Round(e.Pieces * h.MeasureOf(e.Measure, e.Food) * 1000))
	}
}

// Keeps reports whether a food keeps whole in storage.
func Keeps(b *book.Book, food string) bool { return slices.ContainsFunc(b.Food(food), wish.KeepsWhole) }

// pieceGram returns what one of a food weighs, g: of its kind, or of the first kind that is counted; 0
// where nobody counts it.
func pieceGram(b *book.Book, food, kind string) float64 {
	kinds := b.Food(food)
	if c := b.Crop(kind); c != nil {
		kinds = []*book.Crop{c}
	}
	for _, c := range kinds {
		if c.Piece.Known && c.Piece.Value > 0 {
			return c.Piece.Value
		}
	}
	return 0
}

// grams returns what an amount weighs, whole grams: as it was said, or by the usual weight of a
// piece; then the pieces are returned too.
func (d *desk) grams(l line.Logged, kind string) (gram int, pieces float64, err error) {
	if each := d.Input.Household.MeasureOf(l.Unit, l.Food); each > 0 && l.Number > 0 {
		return int(math.Round(l.Number * each * 1000)), 0, nil
	}
	switch {
	case l.Kg > 0:
		return int(math.Round(l.Kg * 1000)), 0, nil
	case l.Number == 0:
		return 0, 0, ask("", "Say how much: “2 kg %s”, or a number of pieces.", l.Food)
	case l.Unit != "piece" && l.Unit != "plant":
		return 0, 0, ask(l.Unit, "What a %s of %s weighs is not known yet. Weigh one, and type “a %s of %s is 3 kg” with its weight: from then on it is known.", l.Unit, l.Food, l.Unit, l.Food)
	}
	if each := pieceGram(d.book, l.Food, kind); each > 0 {
		return int(math.Round(l.Number * each)), l.Number, nil
	}
	return 0, 0, ask("", "Nobody counts %s in pieces: say it in kg or lb.", l.Food)
}

// picked returns the sowing that something picked on a day is likely from: one that grows, and
// whose picking is nearest to the day; nil where none of the food grows.
func (d *desk) picked(food, kind string, day civil.Date) (best *plan.Sowing) {
	nearest := math.MaxInt
	for i := range d.Plan.Sowings {
		s := &d.Plan.Sowings[i]
		c := d.book.Crop(s.Crop)
		if c == nil || c.Food != food || kind != "" && s.Crop != kind || !s.InBed && !s.Stands || s.FirstPick == nil {
			continue
		}
		off := 0
		switch {
		case day < *s.FirstPick:
			off = int(*s.FirstPick - day)
		case s.LastPick != nil && day > *s.LastPick:
			off = int(day - *s.LastPick)
		}
		if off < nearest {
			best, nearest = s, off
		}
	}
	return best
}

func (d *desk) putUp(l line.Logged) error {
	switch {
	case l.Ask == "which":
		return ask("", "Say which it is: %s.", d.preparations(l.Preparations))
	case len(l.Preparations) == 0:
		return ask("", "Say what was put up: “7 quarts of canned beans”, for example.")
	case l.Ask != "":
		return ask("", "Say how many jars or bags were filled; of what is dried, say what it weighs dried: “1 bag of dried peppers”.")
	}
	p := d.book.Preparation(l.Preparations[0])
	litre := cmp.Or(l.Litre, p.JarLitre, 1)
	e := record.Entry{Day: l.Day, Act: record.PutUp, Food: l.Food, Crop: l.Kind, Preparation: p.ID, Jars: l.Number, Litre: litre, Failed: l.Failed, Hours: l.Hours}
	raw := l.RawKg
	if l.RawPieces > 0 {
		g, _, err := d.grams(line.Logged{Food: l.Food, Number: l.RawPieces, Unit: "piece"}, l.Kind)
		if err != nil {
			return err
		}
		raw = float64(g) / 1000
	}
	e.Gram = int(math.Round(raw * 1000))
	if lot := Complete(&e, d.book, d.Record, d.NewID); lot != nil {
		d.out.Lots = append(d.out.Lots, *lot)
	}
	d.enter(e, say.PutUpNow{Preparation: p.Name, Filled: e.Jars, Failed: e.Failed, Gram: e.Gram})
	return nil
}

// preparations lists preparations by their names.
func (d *desk) preparations(ids []string) (out string) {
	for i, id := range ids {
		if i > 0 {
			out += " or "
		}
		out += "“" + d.book.Preparation(id).Name + "”"
	}
	return out
}

// note enters what was written, as it was written.
func (d *desk) note(l line.Logged, text string) {
	e := record.Entry{Day: l.Day, Act: record.Note, Food: l.Food, Crop: l.Kind, Note: text}
	if s := d.picked(l.Food, l.Kind, l.Day); s != nil {
		e.Sowing = s.ID
	}
	d.enter(e, say.Noted{Text: text})
}

// standing returns the lots that a line may mean, with what is there of them: the oldest first.
func (d *desk) standing(l line.Logged) []stock.Lot {
	out := d.Record.Standing(d.Lots, l.Day)
	out = slices.DeleteFunc(slices.Clone(out), func(x stock.Lot) bool {
		return l.Food != "" && x.Food != l.Food || len(l.Preparations) > 0 && !slices.Contains(l.Preparations, x.Preparation) ||
			l.Unit == "jar" && x.Form == string(wish.Cellar) || l.Kg > 0 && x.Unit == "L" || x.PutUp > l.Day
	})
	slices.SortStableFunc(out, func(a, b stock.Lot) int { return cmp.Compare(a.PutUp, b.PutUp) })
	return out
}
