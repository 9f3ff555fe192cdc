package line

import (
	"fmt"
	"slices"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/wish"
)

// amounts is how much a line asks for, of one thing it may be about.
type amounts struct {
	amount  wish.Amount
	prep    *book.Preparation // that a bare number of jars makes certain; else nil
	jars    bool              // it counts what is put up
	planted float64           // plants that the same number may mean instead
	notes   []string
}

// amount reads how much of a food a line asks for.
//
// One function, since the units of an amount are one table of cases.
func (r *reader) amount(s *said, m subject) (a amounts, err error) {
	weekly := s.weekly
	qs := slices.DeleteFunc(slices.Clone(s.quantities), func(q quantity) bool { // "can 20 quarts": to can is no amount
		return q.missing && slices.ContainsFunc(s.quantities, func(o quantity) bool { return !o.missing })
	})
	meals := s.times
	if len(qs) > 0 && qs[0].unit != nil && strings.HasPrefix(qs[0].unit[0].Means[0], "meal:") {
		meals, qs = qs[0].number, qs[1:]
	}
	if meals > 0 || len(qs) == 0 {
		return r.meals(s, m, meals, qs)
	}
	if length, ok := rowsOf(qs); ok {
		qs = length
	}
	if len(qs) > 1 {
		if sum, ok := sameKind(qs); ok {
			qs = sum
		} else {
			return a, refuse(firstWord(qs[1].text), "The line has two amounts, “%s” and “%s”: one is enough.", qs[0].text, qs[1].text)
		}
	}
	q := qs[0]
	if q.missing {
		return a, refuse("", "Say how many %s of %s.", q.text, m.text)
	}
	times := 1.0
	year := wish.AmountKind(wish.WeightYear)
	if weekly > 0 {
		times, year = weekly, wish.WeightWeek
	}
	c := r.crop(m)
	kg := func(v float64) (amounts, error) {
		a.amount = wish.Amount{Kind: year, Number: round(v * q.number * times)}
		if m.prep != nil && m.prep.Unit == "kg" && weekly == 0 {
			a.amount.Kind, a.jars = wish.DriedKg, true
		}
		return a, nil
	}
	if q.unit == nil {
		return r.bareNumber(s, m, q, c)
	}
	w := r.unitFor(q.unit, s, m)
	kind, of, v := parse(w.Means[0])
	switch kind {
	case "kg":
		return kg(v)
	case "weight":
		a.notes = append(a.notes, weighs(w))
		if w.Text == "clove" {
			a.planted = q.number
		}
		return kg(w.Kg)
	case "share":
		whole, ok := r.weightOf(of, m)
		if !ok {
			return a, refuse(w.Text, "What a %s of %s weighs is not known: say it in kg or lb.", w.Text, m.food)
		}
		a.notes = append(a.notes, weighs(whole))
		return kg(v * whole.Kg)
	case "piece":
		a.amount = wish.Amount{Kind: wish.PiecesYear, Number: round(q.number * times * v)}
		if weekly > 0 {
			a.amount.Kind = wish.PiecesWeek
		}
		if v > 1 {
			a.notes = append(a.notes, fmt.Sprintf("a %s is taken as %.0f", w.Text, v))
		}
	case "plant":
		a.amount = wish.Amount{Kind: wish.Plants, Number: q.number}
	case "m2":
		a.amount = wish.Amount{Kind: wish.Area, Number: round(q.number * v)}
	case "row":
		a.amount = wish.Amount{Kind: wish.RowLength, Number: round(q.number * v)}
	case "litre", "jar":
		return r.filled(s, m, q, w, kind, v)
	default:
		return a, refuse(w.Text, "What a %s holds is not known: say it in kg or lb, in pieces or in jars.", w.Text)
	}
	return a, nil
}

// filled reads jars, crocks, bags and litres of what is put up. What is counted by the
// week makes so many in the year.
func (r *reader) filled(s *said, m subject, q quantity, w book.Word, kind string, v float64) (a amounts, err error) {
	n := q.number
	if s.weekly > 0 {
		n *= 52 * s.weekly
		a.notes = append(a.notes, fmt.Sprintf("by the week, that makes %.4g in the year", n))
	}
	a.jars = true
	if kind == "litre" {
		a.amount = wish.Amount{Kind: wish.Litres, Number: round(n * v)}
		return a, nil
	}
	a.amount = wish.Amount{Kind: wish.Jars, Number: round(n), Jar: v}
	if q.of > 0 {
		a.amount.Jar = q.of
	}
	if strings.HasPrefix(w.Note, "ask") || w.Text == "crock" && q.of == 0 {
		a.notes = append(a.notes, fmt.Sprintf("a %s is taken as %.3g litres; say its size, such as “5 gallon crock”", w.Text, v))
	}
	return a, nil
}

// meals reads a number of meals a week; a weight beside it is the portion.
func (r *reader) meals(s *said, m subject, n float64, qs []quantity) (a amounts, err error) {
	if n == 0 {
		n = 1
	}
	if s.weekly == 0 {
		return a, refuse("", `Say how often behind the number of meals: “a week”, “a month”.`)
	}
	a.amount = wish.Amount{Kind: wish.Meals, Number: round(n * s.weekly)}
	if len(qs) == 0 {
		return a, nil
	}
	q := qs[0]
	if q.unit != nil && len(qs) == 1 {
		if kind, _, v := parse(q.unit[0].Means[0]); kind == "kg" {
			a.amount.Portion = round(1000 * v * q.number)
			return a, nil
		}
	}
	return a, refuse(firstWord(q.text), "The line has two amounts: “%s” behind a number of meals would be a portion, such as “150 g”.", q.text)
}

// bareNumber reads a number that counts the food itself: pieces of what is counted in
// pieces, jars of what is put up, else meals.
func (r *reader) bareNumber(s *said, m subject, q quantity, c *book.Crop) (a amounts, err error) {
	putUp := m.prep != nil || slices.ContainsFunc(s.forms, wish.Form.PutUp)
	switch pieces := c != nil && r.inPieces(m) && !s.meal; {
	case m.prep != nil && m.prep.Unit == "litre" && s.weekly == 0:
		return amounts{amount: wish.Amount{Kind: wish.Jars, Number: q.number}, jars: true}, nil
	case s.weekly > 0 && pieces && m.prep == nil:
		a.amount = wish.Amount{Kind: wish.PiecesWeek, Number: round(q.number * s.weekly)}
	case s.weekly > 0:
		a.amount = wish.Amount{Kind: wish.Meals, Number: round(q.number * s.weekly)}
	case pieces && !putUp:
		a.amount = wish.Amount{Kind: wish.PiecesYear, Number: q.number}
	default:
		return a, refuse("", "Say what the number counts: %s %s in kg, jars, pieces, plants, or “%s 2x week”?", q.text, m.text, m.text)
	}
	return a, nil
}

// inPieces reports whether some kind that a line may be about is counted in pieces.
func (r *reader) inPieces(m subject) bool {
	return slices.ContainsFunc(r.kinds(m), func(c *book.Crop) bool {
		_, ok := c.PiecesPerPlant(c.Yield.Value)
		return ok && c.Weighed()
	})
}

func (r *reader) kinds(m subject) []*book.Crop {
	if c := r.book.Crop(m.kind); c != nil {
		return []*book.Crop{c}
	}
	return r.book.Food(m.food)
}

func (r *reader) crop(m subject) *book.Crop {
	if all := r.kinds(m); len(all) > 0 {
		return all[0]
	}
	return nil
}

// unitFor returns the meaning of a unit that suits what it counts: a bag of spinach is
// a weight, a bag of frozen peas a container.
//
// One function, since each unit is one case.
func (r *reader) unitFor(unit []book.Word, s *said, m subject) book.Word {
	putUp := m.prep != nil || slices.ContainsFunc(s.forms, wish.Form.PutUp)
	var other *book.Word
	for i, w := range unit {
		kind, of, _ := parse(w.Means[0])
		switch {
		case w.Kind != book.UnitWord:
		case kind == "weight" && of == m.food && !putUp:
			return w
		case kind == "weight" && of == m.food:
			if other == nil {
				other = &unit[i]
			}
		case kind == "jar" && !putUp:
			if fresh, ok := r.weightOf("fresh "+w.Text, m); ok {
				return fresh
			}
			fallthrough
		case kind != "weight" && (other == nil || strings.HasPrefix(other.Means[0], "weight")):
			other = &unit[i]
		}
	}
	if other == nil { // "a handful of dill": weighed for other foods alone
		return book.Word{Text: unit[0].Text, Means: []string{"household"}}
	}
	return *other
}

// weightOf returns what a measure, such as a bushel, weighs of a food.
func (r *reader) weightOf(measure string, m subject) (book.Word, bool) {
	for _, w := range r.lex.find(measure) {
		if kind, of, _ := parse(w.Means[0]); kind == "weight" && of == m.food {
			return w, true
		}
	}
	return book.Word{}, false
}

// weighs says what a measure is taken to weigh.
func weighs(w book.Word) string {
	return fmt.Sprintf("a %s is taken as %.3g kg", w.Text, w.Kg)
}

// sameKind adds up amounts of one kind, such as "1 lb 4 oz".
func sameKind(qs []quantity) ([]quantity, bool) {
	var kg float64
	last := 1e9
	for _, q := range qs {
		if q.unit == nil {
			return nil, false
		}
		kind, _, v := parse(q.unit[0].Means[0])
		if kind != "kg" || v >= last {
			return nil, false
		}
		kg, last = kg+q.number*v, v
	}
	return []quantity{{number: kg, text: qs[0].text, unit: []book.Word{{Text: "kg", Kind: book.UnitWord, Means: []string{"kg:1"}}}}}, true
}

// rowsOf multiplies a number of rows by how long one is: "2 rows of beets 20 feet long".
func rowsOf(qs []quantity) ([]quantity, bool) {
	if len(qs) != 2 || qs[0].unit == nil || qs[1].unit == nil || qs[0].unit[0].Text != "row" {
		return nil, false
	}
	if kind, _, _ := parse(qs[1].unit[0].Means[0]); kind != "row" {
		return nil, false
	}
	both := qs[1]
	both.number *= qs[0].number
	return []quantity{both}, true
}

func firstWord(s string) string {
	head, _, _ := strings.Cut(s, " ")
	return head
}

// round takes off what a sum of decimal figures leaves behind.
func round(v float64) float64 {
	const fine = 1e4
	return float64(int64(v*fine+0.5)) / fine
}
