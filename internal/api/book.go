package api

import (
	"fmt"
	"net/http"
	"slices"

	"github.com/labstack/echo/v5"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/caution"
	"inventory/internal/core/plan"
)

// cropBook says a household's book: every crop and preparation with its figures,
// those that it has overruled marked.
func cropBook(b *book.Book) CropBook {
	out := CropBook{Crops: []BookCrop{}, Preparations: []BookPreparation{}}
	as := book.Assumptions()
	// The figures of a crop stand together by what they are about.
	slices.SortStableFunc(as["crop"], func(x, y book.Assumption) int {
		return slices.Index(book.Parts, x.Part) - slices.Index(book.Parts, y.Part)
	})
	for _, c := range b.Crops() {
		row := BookCrop{ID: c.ID, Food: c.Food, Name: c.Name, Botanical: c.Botanical, Family: c.Family, Group: string(c.Group), Own: c.Own, From: c.From, Basis: c.Basis, Facts: facts(c), Figures: []BookFigure{}, DepthCm: c.Depth.Or(0), Sun: BookCropSun(c.Sun)}
		for _, a := range as["crop"] {
			if a, ok := c.Assumed(a.Field); ok {
				row.Figures = append(row.Figures, figure(a))
			}
		}
		out.Crops = append(out.Crops, row)
	}
	for _, p := range b.Preparations() {
		row := BookPreparation{ID: p.ID, Name: p.Name, Form: p.Form, Method: p.Method, Own: p.Own, From: p.From, Basis: p.Basis,
			Crops: []string{}, Parts: []string{}, Figures: []BookFigure{}, Cautions: caution.OfPreparation(b, p)}
		for _, id := range p.Crops {
			row.Crops = append(row.Crops, b.Crop(id).Name)
		}
		for _, part := range p.Parts {
			row.Parts = append(row.Parts, b.Crop(part.Crops[0]).Short())
		}
		for _, a := range as["preparation"] {
			if a, ok := p.Assumed(a.Field); ok {
				row.Figures = append(row.Figures, figure(a))
			}
		}
		if row.Cautions == nil {
			row.Cautions = []string{}
		}
		out.Preparations = append(out.Preparations, row)
	}
	return out
}

// GetUsualCare lists what many gardeners do for a crop; nothing for one that the book does not
// have.
func (s *Server) GetUsualCare(c *echo.Context, params GetUsualCareParams) error {
	b, _, err := s.app.Book(c.Request().Context())
	if err != nil {
		return err
	}
	steps := []book.CareStep{}
	if crop := b.Crop(params.Crop); crop != nil {
		steps = b.CareFor(crop)
	}
	return c.JSON(http.StatusOK, steps)
}

// GetProtections says what may keep a pest off next year; nothing for a sighting that is gone.
func (s *Server) GetProtections(c *echo.Context, params GetProtectionsParams) error {
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	out := []plan.Protection{}
	for _, x := range now.Input.Household.Sightings {
		if x.ID == params.Sighting {
			if out, err = plan.Protections(now.Input, x); err != nil {
				return err
			}
		}
	}
	return c.JSON(http.StatusOK, out)
}

// GetSites compares the plots as places to grow.
func (s *Server) GetSites(c *echo.Context) error {
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	sites, err := plan.Sites(now.Input)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, sites)
}

// figure says one figure, or one choice, of a row of the book.
func figure(a book.Assumed) BookFigure {
	f := BookFigure{Field: a.Field, Name: a.Name, Part: a.Part, Set: a.Set, Unit: string(a.Unit), Known: a.Known, NoUsual: a.NoUsual,
		Choices: []BookChoice{}, Choice: a.Chosen, UsualChoice: a.UsualChoice}
	if a.Known {
		f.Value = a.Value
	}
	if !a.NoUsual {
		f.Usual = a.Usual
	}
	for _, one := range a.Choices {
		f.Choices = append(f.Choices, BookChoice{Value: one.Value, Words: one.Words})
	}
	return f
}

// facts says in words what of a crop is not a figure to be overruled.
func facts(c *book.Crop) []string {
	out := []string{fmt.Sprintf("%s, %s; %s", c.Life, c.Frost, map[book.Start]string{
		book.SownDirect: "sown in the bed", book.Transplanted: "sown indoors and planted out", book.SownEither: "sown in the bed or indoors", book.Vegetative: "planted as " + c.Unit + "s",
	}[c.Start])}
	weeks := func(v float64) string {
		switch {
		case v == -1:
			return "a week before the last frost"
		case v == 1:
			return "a week after the last frost"
		case v < 0:
			return fmt.Sprintf("%.0f weeks before the last frost", -v)
		case v > 0:
			return fmt.Sprintf("%.0f weeks after the last frost", v)
		}
		return "at the last frost"
	}
	if c.DirectWeeks.Known {
		out = append(out, "earliest in the bed: "+weeks(c.DirectWeeks.Value))
	}
	if c.PlantOutWeeks.Known {
		out = append(out, "earliest planting out: "+weeks(c.PlantOutWeeks.Value))
	}
	if c.Start == book.Transplanted || c.Start == book.SownEither {
		out = append(out, "young plants are set "+c.DepthSet())
	}
	if c.RaiseWeeks.Known {
		out = append(out, fmt.Sprintf("indoors for %.0f weeks", c.RaiseWeeks.Value))
	}
	switch c.Winter {
	case book.MayWinter:
		out = append(out, "may grow on through the winter")
	case book.MustHaveWinter:
		out = append(out, "must grow through a winter first")
	}
	if c.BoltHours.Known {
		out = append(out, fmt.Sprintf("after winter it runs to seed when the day is %.4g hours long", c.BoltHours.Value))
	}
	out = append(out, map[book.Harvest]string{book.Once: "picked once", book.Pick: "picked again and again", book.Cut: "cut and grows again"}[c.Harvest])
	if c.GoesOn {
		out = append(out, "goes on until frost or heat ends it")
	}
	if c.HeatMax.Known {
		out = append(out, "suffers on days above "+amount.Mark(c.HeatMax.Value, amount.Celsius))
	}
	if !c.Perennial() && c.Dense == nil {
		out = append(out, "freezes at "+amount.Mark(c.FrostKill, amount.Celsius))
	}
	if c.Store != book.NoStorage && c.StoreWeeks.Value > 0 {
		out = append(out, map[string]string{"cool-moist": "keeps cool and moist", "cool-dry": "keeps cool and dry", "warm-dry": "keeps warm and dry", "dry": "keeps dry", "ground": "keeps in the bed"}[string(c.Store)])
	}
	if c.RotationYears.Known && c.RotationYears.Value > 0 {
		out = append(out, fmt.Sprintf("back in the same bed after %.0f years", c.RotationYears.Value))
	}
	if p := c.Patch; p != nil {
		out = append(out, fmt.Sprintf("lasts %.0f years, full-grown from year %.0f", p.StandYears, p.FullBearingYear))
	}
	return out
}
