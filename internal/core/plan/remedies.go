package plan

import (
	"cmp"
	"context"
	"fmt"
	"math"
	"slices"
	"strings"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/table"
	"inventory/internal/core/wish"
)

// gapsOf returns the weeks of a wish that nothing feeds.
func gapsOf(w *Wish) (n int) {
	for _, s := range w.Source {
		if s == wish.Gap {
			n++
		}
	}
	return n
}

// Remedies returns what closes the gaps of one wish, those that close most
// first; none where it has no gap. It ends early, with the context's error, where
// nobody waits any longer.
func Remedies(ctx context.Context, in Input, id string) ([]Remedy, error) {
	now, err := worked(in, nil)
	if err != nil {
		return nil, err
	}
	in = now.in
	i := slices.IndexFunc(in.Household.Wishes, func(w wish.Wish) bool { return w.ID == id })
	if i < 0 {
		return nil, fmt.Errorf("there is no wish %q", id)
	}
	out := []Remedy{}
	gaps := gapsOf(&now.plan.Wishes[i])
	if gaps == 0 {
		return out, nil
	}
	w := in.Household.Wishes[i]
	w.Fill()
	for _, c := range now.candidates(w, now.weeks.wishes[i]) {
		if ctx.Err() != nil {
			return nil, ctx.Err()
		}
		_, changed, err := in.Changed(c.Change)
		if err != nil {
			continue // the book does not allow it for this wish
		}
		left := gapsOf(&changed.Wishes[i])
		if left >= gaps {
			continue
		}
		c.Effect = Between(&now.plan, &changed)
		c.Weeks, c.Left = gaps-left, left
		out = append(out, c)
	}
	slices.SortStableFunc(out, func(a, b Remedy) int { return cmp.Or(cmp.Compare(b.Weeks, a.Weeks), cmp.Compare(a.Area, b.Area)) })
	return append(out, now.buying(i, gaps), now.wanting(w, gaps)), nil
}

// candidates lists the changes of a wish that might close its gaps.
//
// One function, since it lists every change that may help.
func (c *computed) candidates(w wish.Wish, r *table.Resolved) (out []Remedy) {
	add := func(what say.Fact, change func(*wish.Wish)) {
		changed := w
		changed.Forms, changed.Preparations = slices.Clone(w.Forms), slices.Clone(w.Preparations)
		change(&changed)
		out = append(out, Remedy{Words: say.That(what), Change: Change{Command: ChangeWish, Wish: &changed}})
	}
	b := c.desk.Book
	kinds := b.Food(w.Food)
	if w.Variety != "" {
		kinds = []*book.Crop{b.Crop(w.Variety)}
	}
	if !w.Amount.Kind.PutUp() {
		if !slices.Contains(w.Forms, wish.Cellar) {
			add(say.KeepInStore, func(x *wish.Wish) { x.Forms = append(x.Forms, wish.Cellar) })
		}
		if !slices.Contains(w.Forms, wish.Fresh) {
			add(say.EatFresh, func(x *wish.Wish) { x.Forms = append([]wish.Form{wish.Fresh}, x.Forms...) })
		}
		seen := map[wish.Form]int{}
		for _, p := range b.Preparations() {
			f := wish.Form(p.Form)
			if slices.Contains(w.Forms, f) || seen[f] >= 2 || !slices.ContainsFunc(kinds, func(k *book.Crop) bool { return slices.Contains(p.Crops, k.ID) }) {
				continue
			}
			seen[f]++
			add(say.PutUp{Preparation: p.Name}, func(x *wish.Wish) {
				x.Forms, x.Preparations = append(x.Forms, f), append(x.Preparations, p.ID)
			})
		}
	}
	if w.Variety != "" {
		add(say.KindForEachUse, func(x *wish.Wish) { x.Variety = "" })
	}
	for _, k := range b.Food(w.Food) {
		if k.ID != w.Variety && k.Weighed() && len(b.Food(w.Food)) > 1 {
			add(say.Grow{Kind: k.Short()}, func(x *wish.Wish) { x.Variety = k.ID })
		}
	}
	for _, u := range r.Uses {
		if change := c.boughtStarts(u.Crop); change.Habit != nil && !slices.ContainsFunc(out, func(o Remedy) bool { return o.Habit != nil && o.Habit.Crop == u.Crop.ID }) {
			out = append(out, Remedy{Words: say.That(say.BuyStarts{Crop: u.Crop.Short()}), Change: change})
		}
	}
	if slices.Contains(w.Forms, wish.Fresh) {
		for _, cover := range []place.Cover{place.Fleece, place.Tunnel, place.Shade} {
			if cover != w.Cover {
				add(say.GrowUnder{Cover: string(cover)}, func(x *wish.Wish) { x.Cover = cover })
			}
		}
		if w.Stagger.Kind != wish.ByNeed {
			add(say.SowAsNeeded, func(x *wish.Wish) { x.Stagger.Kind = wish.ByNeed })
		}
	}
	return out
}

// boughtStarts returns the change by which a crop is planted from bought starts, which may
// still be possible when it is too late to sow; none where it is never bought or is already.
func (c *computed) boughtStarts(crop *book.Crop) Change {
	if crop == nil || !season.CanBe(crop, season.Bought) || c.in.Household.Rules(crop.ID).Method == season.Bought {
		return Change{}
	}
	habit := household.Habit{Crop: crop.ID}
	for _, h := range c.in.Household.Habits {
		if h.Crop == crop.ID {
			habit = h
		}
	}
	habit.Method = season.Bought
	return Change{Command: SetHabit, Habit: &habit}
}

// buying pins the gaps of a wish to buying and says how much that is.
func (c *computed) buying(i, gaps int) Remedy {
	r := c.weeks.wishes[i]
	w := c.in.Household.Wishes[i]
	w.Pins = slices.DeleteFunc(slices.Clone(w.Pins), func(p wish.Pin) bool {
		return r.Source[season.WeekOf(p.Day.YearDay()-c.start.YearDay())] == wish.Gap
	})
	way := Remedy{Change: Change{Command: ChangeWish, Wish: &w}, Effect: Effect{Weeks: gaps}}
	kinds := c.desk.Book.Food(w.Food)
	crop := kinds[0]
	if len(r.Uses) > 0 {
		crop = r.Uses[0].Crop
	}
	var wished float64 // in the wish's own unit
	for week, s := range r.Source {
		if s != wish.Gap {
			continue
		}
		_, m, d := (c.start + civil.Date(7*week+3)).Split() // its middle: 29 February moves the first by a day
		w.Pins = append(w.Pins, wish.Pin{Day: civil.MonthDay{Month: m, Day: d}, Source: wish.Bought})
		a := r.Wanted[week]
		wished += a
		switch kind := w.Amount.Kind; {
		case kind.Counts(wish.CountsMeals):
			if crop.Edible > 0 {
				way.Buy += a * r.AdultEquivalents[week] * portion(w, crop) / 1000 / crop.Edible
			}
		case kind.Counts(wish.CountsPieces):
			way.Buy += a * crop.Piece.Or(0) / 1000
		case kind.Counts(wish.CountsWeight):
			way.Buy += a
		}
	}
	switch kind := w.Amount.Kind; {
	case kind.Counts(wish.CountsPieces):
		way.Words = say.That(say.BuyPieces{Pieces: wished, Kilogram: way.Buy})
	case kind.Unit() == amount.Jar:
		way.Words = say.That(say.BuyJars{Jars: math.Ceil(wished - 1e-9)})
	case kind.Counts(wish.CountsVolume):
		way.Words = say.That(say.BuyVolume{Litre: wished})
	case kind.Counts(wish.CountsDried):
		way.Words = say.That(say.BuyDried{Kilogram: wished})
	default:
		way.Words = say.That(say.BuyWeight{Kilogram: way.Buy})
	}
	return way
}

// wanting asks for no more than the season gives.
func (c *computed) wanting(w wish.Wish, gaps int) Remedy {
	w.Season = wish.Season{Kind: wish.While}
	return Remedy{Words: say.That(say.WantWhileItLasts), Change: Change{Command: ChangeWish, Wish: &w}, Effect: Effect{Weeks: gaps}}
}

// KitchenRemedies returns what helps where a week has more putting up than the kitchen can
// do: another sowing of what is put up then, fewer jars, one evening more. It ends
// early where nobody waits any longer.
func KitchenRemedies(ctx context.Context, in Input, week int) ([]Remedy, error) {
	now, err := worked(in, nil)
	if err != nil {
		return nil, err
	}
	in = now.in
	if week < 0 || week >= season.WeeksPerYear {
		return nil, fmt.Errorf("there is no week %d; the year has weeks 0 to 51", week)
	}
	out := []Remedy{}
	if now.plan.Kitchen.Over[week] == 0 {
		return out, nil
	}
	try := func(what say.Fact, c Change) {
		_, after, err := in.Changed(c)
		if err != nil {
			return
		}
		r := Remedy{Words: say.That(what), Change: c, Effect: Between(&now.plan, &after)}
		r.Batches, r.Left = sum(now.plan.Kitchen.Over)-sum(after.Kitchen.Over), len(after.Kitchen.Overloads)
		if r.Batches > 0.2 { // less is not worth the trouble
			out = append(out, r)
		}
	}
	for _, part := range now.kitchen.parts(week) {
		if ctx.Err() != nil {
			return nil, ctx.Err()
		}
		i := slices.IndexFunc(in.Household.Wishes, func(w wish.Wish) bool { return w.ID == part.Wish })
		w := in.Household.Wishes[i]
		w.Fill()
		more := w
		more.Stagger.Sowings = max(1, w.Stagger.Sowings) + 1
		try(say.SowingsApart{Wish: part.Title, Sowings: more.Stagger.Sowings}, Change{Command: ChangeWish, Wish: &more})
		now.fewer(w, i, try)
	}
	r := now.desk.Rules
	evenings := book.Overrule{Subject: "household", Field: "evenings", Value: r.Evenings + 1}
	if r.Evenings+1 <= 7 {
		try(say.OneEveningMore, Change{Command: SetRule, Overrule: &evenings})
	}
	slices.SortStableFunc(out, func(a, b Remedy) int {
		return cmp.Or(cmp.Compare(b.Batches, a.Batches), strings.Compare(a.Words.String(), b.Words.String()))
	})
	return out, nil
}

func sum(v []float64) (s float64) {
	for _, x := range v {
		s += x
	}
	return s
}

// fewer tries full loads fewer of a wish in jars until its week is no longer too
// full.
func (c *computed) fewer(w wish.Wish, i int, try func(say.Fact, Change)) {
	load := c.plan.Wishes[i].Load
	if load == nil || load.Jars <= 0 || w.Story != nil {
		return
	}
	for n := 1; n <= 4; n++ {
		fewer := w
		fewer.Amount.Number = float64(load.Above - n*load.Jars)
		if fewer.Amount.Number >= w.Amount.Number {
			continue
		}
		if fewer.Amount.Number <= 0 {
			return
		}
		change := Change{Command: ChangeWish, Wish: &fewer}
		_, after, err := c.in.Changed(change)
		if err != nil {
			return
		}
		if sum(after.Kitchen.Over) < sum(c.plan.Kitchen.Over) {
			try(say.FewerJars{Wish: c.plan.Wishes[i].Title, To: fewer.Amount.Number, Of: w.Amount.Number}, change)
			return
		}
	}
}
