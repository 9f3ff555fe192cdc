package api

import (
	"net/http"

	"github.com/labstack/echo/v5"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/plan"
	"inventory/internal/core/questions"
	"inventory/internal/core/wish"
)

// PostPreview says what one more wish would come to, and adds none.
func (s *Server) PostPreview(c *echo.Context) error {
	var w wish.Wish
	if err := decode(c, &w); err != nil {
		return err
	}
	now, err := s.app.Begun(c.Request().Context())
	if err != nil {
		return err
	}
	found, err := plan.PreviewWish(now.Input, w)
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, found)
}

// PostQuestion answers a plain question.
func (s *Server) PostQuestion(c *echo.Context) error {
	var q Question
	if err := decode(c, &q); err != nil {
		return err
	}
	facts, today, err := s.app.Facts(c.Request().Context())
	if err != nil {
		return err
	}
	var answer questions.Answer
	switch q.Ask {
	case Sowings:
		answer, err = facts.Sowings(orNothing(q.Food), orNothing(q.Number))
	case Next:
		answer, err = facts.Next(orNothing(q.Bed), today)
	case Last:
		answer, err = facts.Last(orNothing(q.Food), orNothing(q.Bed))
	default:
		var from, to civil.Date
		if from, err = dayOf("from", q.From); err != nil {
			return err
		}
		if to, err = dayOf("to", q.To); err != nil {
			return err
		}
		answer, err = facts.Needed(orNothing(q.Food), from, to)
	}
	if err != nil {
		return err
	}
	return c.JSON(http.StatusOK, answer)
}

// dayOf reads a day of a field; a mistake is an invalid.Field.
func dayOf(field string, text *string) (civil.Date, error) {
	day, err := civil.Parse(orNothing(text))
	if err != nil {
		return 0, &invalid.Field{Field: field, Value: orNothing(text), Allowed: "a day such as 2027-08-01"}
	}
	return day, nil
}

// orNothing returns what a field has, or its zero value.
func orNothing[T any](v *T) (zero T) {
	if v == nil {
		return zero
	}
	return *v
}
