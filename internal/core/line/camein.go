package line

import (
	"regexp"
	"slices"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/record"
	"inventory/internal/core/wish"
)

var (
	harvestVerb = regexp.MustCompile(`^(picked|dug up|dug|lifted|cut|harvested|pulled|gathered|brought in)\s+(?:(all|half|most|some) (?:of )?)?(?:the )?`)
	firstOf     = regexp.MustCompile(`^(first|last|final)\s+(.+)$`)
	threeOf     = regexp.MustCompile(`^(.+?),? (\w+) of them$`)
	lostPart    = regexp.MustCompile(` lost to (?:the )?(.+)$`)
	goesTo      = regexp.MustCompile(` (?:to|into|in|for|on) (?:the |a )?([a-z ]+)$`)
	clause      = regexp.MustCompile(`\s*,\s*(?:and )?|\s+and\s+`)
)

// wentWords says where a word for a place or a person is; any other person is given to.
var wentWords = map[string]record.To{
	"store": record.Storage, "storage": record.Storage, "cellar": record.Storage, "root cellar": record.Storage, "loft": record.Storage, "shed": record.Storage, "pantry": record.Storage, "attic": record.Storage,
	"freezer": record.Jars, "jars": record.Jars, "jar": record.Jars, "freeze": record.Jars, "can": record.Jars,
	"compost": record.Compost, "compost heap": record.Compost, "heap": record.Compost, "table": record.Table, "kitchen": record.Table, "dinner": record.Table, "supper": record.Table,
	"hens": record.Animals, "chickens": record.Animals, "rabbits": record.Animals, "pig": record.Animals, "pigs": record.Animals, "goats": record.Animals, "goat": record.Animals, "ducks": record.Animals, "geese": record.Animals, "animals": record.Animals, "sheep": record.Animals,
	"seed": record.Seed, "dryer": record.Dried,
}

// cameIn reads a line of what was picked, and where it went: "4 kg tomatoes, 3 into the freezer".
// A second amount that goes somewhere is of the first, unless the first has gone somewhere too.
func (r *logReader) cameIn(text string) ([]Logged, error) {
	text, which, last := picked(text)
	if out, err := r.byKinds(text); out != nil || err != nil {
		return out, err
	}
	var out []Logged
	var food thing
	for i, piece := range clause.Split(text, -1) {
		piece, to, reason := r.destination(piece)
		t, err := r.thing(piece)
		if err != nil {
			return nil, err
		}
		if t.food == "" && i > 0 {
			t.like(food)
		}
		if t.unit == "jar" || len(t.preps) > 0 {
			return r.putUp(wish.Canned, text)
		}
		if food.food == "" || t.food != food.food {
			food = t
		}
		out = r.brought(out, t, to, reason)
	}
	return r.checked(out, text, which, last)
}

// picked takes the verb off a line of what was picked, and says how much of the row it was and
// whether it was the last.
func picked(text string) (rest, which string, last bool) {
	if verb := harvestVerb.FindStringSubmatch(text); verb != nil {
		text = text[len(verb[0]):]
		if which = verb[2]; which == "all" {
			which, last = "", true
		}
	}
	if m := firstOf.FindStringSubmatch(text); m != nil {
		text, last = m[2], m[1] != "first"
	}
	if m := threeOf.FindStringSubmatch(text); m != nil {
		text = m[2] + " " + m[1]
	}
	return text, which, last
}

// like makes an amount without a food one of the food before it: "12 ears, 3 to the neighbour".
func (t *thing) like(food thing) {
	t.food, t.kind = food.food, food.kind
	if t.unit == "piece" && food.unit == "kg" {
		t.unit, t.kg = "kg", t.number
	}
}

// brought adds an amount to what a line brought in, and where it went.
func (r *logReader) brought(out []Logged, t thing, to record.To, reason string) []Logged {
	at := slices.IndexFunc(out, func(l Logged) bool { return l.Act == LogHarvest && l.Food == t.food })
	switch {
	case at >= 0 && to == "" && out[at].Number == 0: // "dug all the garlic, 82 bulbs"
		out[at] = t.logged(LogHarvest)
	case at < 0 || to == "":
		if at >= 0 && to == "" && t.number == 0 {
			break
		}
		in := t.logged(LogHarvest)
		in.spent = to != ""
		out = append(out, in)
	case out[at].spent && t.unit == out[at].Unit: // each amount went somewhere: all of them came in
		out[at].Number += t.number
		out[at].Kg += t.kg
	}
	if to == "" {
		return out
	}
	if to == record.Jars {
		r.made(&t, wish.Frozen)
	}
	l := t.logged(LogUse)
	l.To, l.Reason = to, reason
	return append(out, l)
}

// destination takes out of a piece of a line where something went, and why it was lost.
func (r *logReader) destination(piece string) (rest string, to record.To, reason string) {
	if m := lostPart.FindStringSubmatch(piece); m != nil {
		return strings.TrimSuffix(piece, m[0]), record.Lost, m[1]
	}
	m := goesTo.FindStringSubmatch(piece)
	if m == nil {
		return piece, "", ""
	}
	words := strings.TrimSpace(m[1])
	if to, known := wentWords[words]; known {
		return strings.TrimSuffix(piece, m[0]), to, ""
	}
	if strings.HasPrefix(m[0], " to ") || strings.HasPrefix(m[0], " for ") {
		return strings.TrimSuffix(piece, m[0]), record.Given, ""
	}
	return piece, "", "" // "peas in the pod"
}

// checked looks whether a line says what came in and how much.
func (r *logReader) checked(out []Logged, text, which string, last bool) ([]Logged, error) {
	for i := range out {
		l := &out[i]
		switch {
		case l.Food == "" && l.Number == 0:
			return nil, r.unknown(text)
		case l.Food == "":
			l.Ask = "of what"
		case l.Number == 0:
			l.Ask = "how much, or only that it was picked"
		}
		if l.Act == LogHarvest {
			l.Last = last
			if which == "half" {
				l.Which = which
			}
		}
	}
	return out, nil
}

// byKinds reads a food with several of its kinds, each before its amount: "tomatoes 1.2 kg cherry
// 0.4 paste 3". It returns nothing for any other line.
func (r *logReader) byKinds(text string) ([]Logged, error) {
	parts := Scan(text, r.lex)
	if len(parts) < 4 || !parts[0].subject() {
		return nil, nil
	}
	food, err := r.thing(parts[0].Text)
	if err != nil || food.food == "" {
		return nil, nil
	}
	var out []Logged
	current := thing{food: food.food, kind: food.kind}
	for _, p := range parts[1:] {
		switch {
		case p.Numeric:
			current.number, current.unit, current.kg = p.Number, "kg", p.Number
			out = append(out, current.logged(LogHarvest))
		case r.unit(p) && len(out) == 1:
			r.weighedIn(&out[0], p)
		case !r.unit(p):
			if current.kind = r.kindNamed(p.Text, food.food); current.kind == "" && len(out) > 1 {
				return nil, r.unknown(p.Text)
			} else if current.kind == "" {
				return nil, nil
			}
		}
	}
	if len(out) < 2 {
		return nil, nil
	}
	return out, nil
}

// weighedIn puts an amount into kilograms by the unit that stands behind it.
func (r *logReader) weighedIn(l *Logged, unit Part) {
	if t, err := r.thing("1 " + unit.Text + " " + l.Food); err == nil && t.kg > 0 {
		l.Kg = round(l.Number * t.kg)
		l.Number = l.Kg
	}
}

// unit reports whether a part names what is counted.
func (r *logReader) unit(p Part) bool {
	_, ok := p.Is(book.UnitWord)
	return ok
}

// kindNamed finds the kind of a food by a word for it: cherry, of tomatoes.
func (r *logReader) kindNamed(word, food string) string {
	for _, text := range []string{word, word + " " + food} {
		for _, w := range r.lex.find(text) {
			if w.Kind == book.KindWord && r.book.Crop(w.Means[0]) != nil && r.book.Crop(w.Means[0]).Food == food {
				return w.Means[0]
			}
		}
	}
	return ""
}
