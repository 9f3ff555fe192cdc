package daybook

import (
	"cmp"
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

// wanted returns what a line takes from a lot or counts in it, in thousandths: of a container, or of
// a kilogram of what is kept by weight.
func (d *desk) wanted(l line.Logged, of stock.Lot) (int, error) {
	switch {
	case record.Containers(of):
		return int(math.Round(l.Number * 1000)), nil
	case l.Kg == 0 && l.Unit == "jar":
		return int(math.Round(l.Number * of.Size * 1000)), nil
	}
	gram, _, err := d.grams(l, "")
	return gram, err
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
		return nil, ask("", "There is no %s on the shelf. Add it in Shelves first.", what)
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
	wanted, err := d.wanted(l, lots[0])
	if err != nil {
		return err
	}
	left := wanted
	for _, x := range lots {
		if take := min(left, record.There(x)); take > 0 {
			e := record.Entry{Day: l.Day, Act: record.Draw, Lot: x.ID, To: cmp.Or(l.To, record.Table), Reason: l.Reason, Food: x.Food}
			e.Measured(x, take)
			d.out.Entries, left = append(d.out.Entries, e), left-take
		}
	}
	if left > 0 {
		return ask("", "There is not that much %s on the shelf, only %s. If there is more, correct it in Shelves.", d.called(lots[0]), say.Measured(!record.Containers(lots[0]), wanted-left))
	}
	all := record.Entry{To: cmp.Or(l.To, record.Table)}
	all.Measured(lots[0], wanted)
	d.out.Words = append(d.out.Words, say.Drawn{What: d.called(lots[0]), Jars: all.Jars, Gram: all.Gram, To: string(all.To), Reason: l.Reason}.String())
	return nil
}

// count enters what really stands on the shelf. Where several lots of one thing stand there, what is
// missing is taken to be of the oldest; what is found besides, of the newest.
func (d *desk) count(l line.Logged) error {
	lots, err := d.one(l)
	if err != nil {
		return err
	}
	counted, err := d.wanted(l, lots[0])
	if err != nil {
		return err
	}
	older := 0
	for _, x := range lots[:len(lots)-1] {
		older += record.There(x)
	}
	left := counted
	for i := len(lots) - 1; i >= 0; i-- { // the newest are there first
		x := lots[i]
		n := min(left, record.There(x))
		if i == len(lots)-1 {
			n = max(n, left-older)
		}
		e := record.Entry{Day: l.Day, Act: record.Count, Lot: x.ID, Food: x.Food}
		e.Measured(x, n)
		d.out.Entries, left = append(d.out.Entries, e), left-n
	}
	var all record.Entry
	all.Measured(lots[0], counted)
	d.out.Words = append(d.out.Words, say.ShelfCounted{What: d.called(lots[0]), Jars: all.Jars, Gram: all.Gram}.String())
	return nil
}
