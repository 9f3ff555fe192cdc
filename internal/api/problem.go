package api

import (
	"context"
	"encoding/json"
	"errors"
	"net/http"

	"github.com/labstack/echo/v5"

	"inventory/internal/app"
	"inventory/internal/core/invalid"
	"inventory/internal/store"
)

// refusal is a problem that is plain enough to be told as it is.
type refusal struct {
	status        int
	title, detail string
}

func (r *refusal) Error() string { return r.detail }

// problemOf says an error as a problem detail: what is wrong, where, and what
// would be right.
func problemOf(err error) Problem {
	p := Problem{Type: "about:blank", Title: "Something failed", Status: http.StatusInternalServerError, Detail: "Inventory could not do this; nothing was changed. Its log says more."}
	var (
		plain  *refusal
		clash  *store.Clash
		last   *store.NotLast
		file   *store.Unusable
		coder  echo.HTTPStatusCoder
		fields = invalid.All(err)
	)
	switch {
	case fields != nil:
		list := make([]FieldProblem, len(fields))
		for i, f := range fields {
			list[i] = FieldProblem{Field: f.Field, Value: f.Value, Allowed: f.Advice()}
		}
		p.Title, p.Status, p.Detail, p.Fields = "Please correct this", http.StatusUnprocessableEntity, fields[0].Error(), &list
	case errors.Is(err, app.ErrNoHousehold):
		p.Title, p.Status, p.Detail = "no household", http.StatusNotFound, err.Error()
	case errors.As(err, &plain):
		p.Title, p.Status, p.Detail = plain.title, plain.status, plain.detail
	case errors.As(err, &clash):
		p.Title, p.Status, p.Detail, p.Revision = "Somebody else changed this first", http.StatusConflict, clash.Error(), &clash.Revision
		var theirs any
		if json.Unmarshal(clash.Theirs, &theirs) == nil {
			p.Theirs = theirs
		}
	case errors.As(err, &last):
		p.Title, p.Status, p.Detail, p.Revision = "Something else was changed in between", http.StatusConflict, last.Error(), &last.Revision
	case errors.As(err, &file):
		p.Title, p.Status, p.Detail = "The file cannot be used", http.StatusInsufficientStorage, file.Error()
		if file.Busy {
			p.Status = http.StatusServiceUnavailable
		}
	case errors.Is(err, context.Canceled), errors.Is(err, context.DeadlineExceeded): // whoever asked has gone
		p.Title, p.Status, p.Detail = "Given up", http.StatusRequestTimeout, "nobody waited for the answer"
	case errors.Is(err, store.ErrFull):
		p.Title, p.Status, p.Detail = "The disk is full", http.StatusInsufficientStorage, store.ErrFull.Error()
	case errors.As(err, &coder):
		p.Status = coder.StatusCode()
		p.Title, p.Detail = http.StatusText(p.Status), err.Error()
	}
	return p
}
