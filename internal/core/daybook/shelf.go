package daybook

import (
	"math"
	"slices"

	"inventory/internal/core/line"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/stock"
)

// called is how a lot is named.
func (d *desk) called(l stock.Lot) string {
	if p := d.book.Preparation(l.Preparation); p != nil {
		return p.Name
	}
	return l.Food
}

// wanted returns what a line takes from a lot or counts in it: containers, or grams of what is kept
// by weight.
func (d *desk) wanted(l line.Logged, of stock.Lot) (jars float64, gram int, err error) {
	switch {
	case record.Containers(of):
		return l.Number, 0, nil
	case l.Kg == 0 && l.Unit == "jar":
		return 0, int(math.Round(l.Number * of.Size * 1000)), nil
	}
	gram, _, err = d.grams(l, "")
	return 0, gram, err
}

// one returns the lots that a line means, where it means one thing: all of one preparation and kept
// alike.
func (d *desk) one(l line.Logged) ([]stock.Lot, error) {
	lots := d.standing(l)
	if l.Ask != "" {
		return nil, ask("", "Say how much was taken: “2 jars of sauce”, “2 kg potatoes from the cellar”.")
	}
	if len(lots) == 0 {
		what := l.Food
		if len(l.Preparations) > 0 {
			what = d.preparations(l.Preparations)
		}
		return nil, ask("", "Nothing of %s stands on the shelf. Put it in on Shelves first.", what)
	}
	for _, x := range lots[1:] {
		if x.Preparation != lots[0].Preparation || x.Form != lots[0].Form || record.Containers(x) != record.Containers(lots[0]) {
			return nil, ask("", "Several things of it are on the shelf: %s. Say which.", d.several(lots))
		}
	}
	return lots, nil
}

// several names what lots there are, each once.
func (d *desk) several(lots []stock.Lot) (out string) {
	var names []string
	for _, l := range lots {
		name := "“" + d.called(l) + "”"
		if l.Preparation == "" {
			name = "“" + l.Food + ", " + l.Form + "”"
		}
		if !slices.Contains(names, name) {
			names = append(names, name)
		}
	}
	for i, n := range names {
		if i > 0 {
			out += ", "
		}
		out += n
	}
	return out
}

// draw takes from the shelf, the oldest first.
func (d *desk) draw(l line.Logged) error {
	lots, err := d.one(l)
	if err != nil {
		return err
	}
	jars, gram, err := d.wanted(l, lots[0])
	if err != nil {
		return err
	}
	to := l.To
	if to == "" {
		to = record.Table
	}
	leftJars, leftGram := jars, gram
	for _, x := range lots {
		e := record.Entry{Day: l.Day, Act: record.Draw, Lot: x.ID, To: to, Reason: l.Reason, Food: x.Food}
		if record.Containers(x) {
			e.Jars = math.Min(leftJars, x.Count)
			leftJars -= e.Jars
		} else {
			e.Gram = min(leftGram, int(math.Round(x.Amount()*1000)))
			leftGram -= e.Gram
		}
		if e.Jars > 0 || e.Gram > 0 {
			d.out.Entries = append(d.out.Entries, e)
		}
	}
	if leftJars > 1e-9 || leftGram > 0 {
		there := say.Drawn{What: d.called(lots[0]), Jars: jars - leftJars, Gram: gram - leftGram}
		return ask("", "There is less of %s on the shelf: %s is all. Count the shelf, where more stands there.", there.What, there.Amount())
	}
	d.out.Words = append(d.out.Words, say.Drawn{What: d.called(lots[0]), Jars: jars, Gram: gram, To: string(to), Reason: l.Reason}.String())
	return nil
}

// count enters what really stands on the shelf. Where several lots of one thing stand there, what is
// missing is taken to be of the oldest; what is found besides, of the newest.
func (d *desk) count(l line.Logged) error {
	lots, err := d.one(l)
	if err != nil {
		return err
	}
	jars, gram, err := d.wanted(l, lots[0])
	if err != nil {
		return err
	}
	d.out.Words = append(d.out.Words, say.ShelfCounted{What: d.called(lots[0]), Jars: jars, Gram: gram}.String())
	for i := len(lots) - 1; i >= 0; i-- { // the newest are there first
		x := lots[i]
		e := record.Entry{Day: l.Day, Act: record.Count, Lot: x.ID, Food: x.Food}
		if record.Containers(x) {
			e.Jars = math.Min(jars, x.Count)
			if i == len(lots)-1 {
				e.Jars = math.Max(e.Jars, jars-total(lots[:i]))
			}
			jars -= e.Jars
		} else {
			e.Gram = min(gram, int(math.Round(x.Amount()*1000)))
			if i == len(lots)-1 {
				e.Gram = max(e.Gram, gram-int(math.Round(1000*weightOf(lots[:i]))))
			}
			gram -= e.Gram
		}
		d.out.Entries = append(d.out.Entries, e)
	}
	return nil
}

// total counts the containers of lots; weightOf is their weight, kg.
func total(lots []stock.Lot) (n float64) {
	for _, l := range lots {
		n += l.Count
	}
	return n
}

func weightOf(lots []stock.Lot) (kg float64) {
	for _, l := range lots {
		kg += l.Amount()
	}
	return kg
}
