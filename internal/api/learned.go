package api

import (
	"cmp"
	"math"
	"net/http"
	"slices"
	"strings"

	"github.com/labstack/echo/v5"

	"inventory/internal/core/book"
	"inventory/internal/core/household"
	"inventory/internal/core/learn"
	"inventory/internal/core/plan"
)

// GetLearned answers with what the record teaches: each figure with what it was learned from.
func (s *Server) GetLearned(c *echo.Context) error {
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	h := now.Input.Household
	b, _, _, err := h.Book(book.Usual())
	if err != nil {
		return err
	}
	l := now.Learned
	out := Learned{Effects: []LearnedEffect{}, Losses: []LearnedFigure{}, Raw: []LearnedFigure{}, Doubtful: []LearnedDoubt{}, Switched: []SwitchedFigure{}, Plantings: l.Yields.Count()}
	if out.Crops, err = plan.MovedBy(now.Input); err != nil {
		return err
	}
	for _, t := range l.Told() {
		out.Effects = append(out.Effects, effect(l, t, h, b))
	}
	if h.Learning != nil {
		for _, k := range h.Learning.Known {
			t := learn.Told{Effect: k.Effect, Estimate: l.Yields.Of(k.Effect)}
			e := effect(l, t, h, b)
			e.Known = &k.Factor
			out.Effects = append(out.Effects, e)
		}
	}
	for _, crop := range b.Crops() {
		if x, is := l.Losses[crop.ID]; is {
			out.Losses = append(out.Losses, LearnedFigure{Subject: "loss/" + crop.ID, Name: crop.Name, Value: x.Chance, Usual: x.Book, From: x.Plantings, Lost: &x.Lost})
		}
	}
	for _, p := range b.Preparations() {
		if x, is := l.Raw[p.ID]; is {
			out.Raw = append(out.Raw, LearnedFigure{Subject: "raw/" + p.ID, Name: p.Name, Value: x.Raw, Usual: x.Book, From: x.Batches})
		}
	}
	for _, list := range [][]LearnedFigure{out.Losses, out.Raw} { // those first that differ most from the book
		slices.SortStableFunc(list, func(a, b LearnedFigure) int { return cmp.Compare(differs(b), differs(a)) })
	}
	if h.Learning != nil {
		for _, subject := range h.Learning.Switched {
			out.Switched = append(out.Switched, SwitchedFigure{Subject: subject, Name: named(subject, b)})
		}
	}
	for _, d := range l.Doubtful {
		if crop := b.Crop(d.Crop); crop != nil {
			out.Doubtful = append(out.Doubtful, LearnedDoubt{Crop: crop.Name, Year: d.Year, Ratio: d.Ratio})
		}
	}
	return c.JSON(http.StatusOK, out)
}

// differs returns by how much a figure differs from the book's, as a share of it.
func differs(x LearnedFigure) float64 {
	if x.Usual == 0 {
		return x.Value
	}
	return math.Abs(x.Value/x.Usual - 1)
}

// named says in words what a figure that is switched off is about.
func named(subject string, b *book.Book) string {
	kind, id, _ := strings.Cut(subject, "/")
	if crop := b.Crop(id); kind == "loss" && crop != nil {
		return "how often " + strings.ToLower(crop.Name) + " fails"
	}
	if p := b.Preparation(id); kind == "raw" && p != nil {
		return "the raw food for " + strings.ToLower(p.Name)
	}
	return subject
}

// effect says one effect with the name that it is known by.
func effect(l *learn.Learned, t learn.Told, h household.Household, b *book.Book) LearnedEffect {
	e := LearnedEffect{Sort: LearnedEffectSort(t.Sort), Of: t.Of, Name: t.Of, Factor: t.Middle(), Low: t.Low(), High: t.High(), Plantings: t.Plantings, Years: t.Years}
	switch t.Sort {
	case learn.OfYear:
		e.Words = l.YearWords(t).String()
	case learn.OfKind:
		if crop := b.Crop(t.Of); crop != nil {
			e.Name, e.Food = crop.Name, &crop.Food
		}
	case learn.OfBed:
		for i := range h.Beds {
			if h.Beds[i].ID == t.Of {
				e.Name = h.Beds[i].Name
			}
		}
	}
	if e.Years = slices.Clone(e.Years); e.Years == nil {
		e.Years = []int{}
	}
	return e
}

// GetYearEnd holds the year against its wishes, and proposes those of the next.
func (s *Server) GetYearEnd(c *echo.Context) error {
	foods, err := s.app.YearEnd(c.Request().Context())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, foods)
}

// GetYears puts the years that were recorded side by side.
func (s *Server) GetYears(c *echo.Context) error {
	years, err := s.app.Years(c.Request().Context())
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, years)
}
