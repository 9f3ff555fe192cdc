package api

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"net/http"
	"net/url"
	"os"
	"strconv"
	"strings"

	"github.com/getkin/kin-openapi/openapi3"
	"github.com/labstack/echo/v5"

	contract "inventory/api"
	"inventory/internal/core/invalid"
	"inventory/internal/exchange"
)

// border holds every request against the contract before anything is made of it.
type border struct{ doc *openapi3.T }

func newBorder() (*border, error) {
	doc, err := openapi3.NewLoader().LoadFromData(contract.OpenAPI)
	if err != nil {
		return nil, fmt.Errorf("the contract: %w", err)
	}
	return &border{doc}, nil
}

// check is a middleware that refuses what the contract does not allow, with the
// field, and leaves the body to be read again.
func (b *border) check(next echo.HandlerFunc) echo.HandlerFunc {
	return func(c *echo.Context) error {
		req := c.Request()
		path := b.doc.Paths.Value(strings.TrimPrefix(c.RouteInfo().Path, "/api"))
		for _, name := range c.RouteInfo().Parameters { // Echo's :secret is the contract's {secret}
			if path == nil {
				path = b.doc.Paths.Value(strings.ReplaceAll(strings.TrimPrefix(c.RouteInfo().Path, "/api"), ":"+name, "{"+name+"}"))
			}
		}
		if path == nil || path.GetOperation(req.Method) == nil {
			return next(c)
		}
		op := path.GetOperation(req.Method)
		if err := checkQuery(op, req.URL.Query()); err != nil {
			return err
		}
		if op.RequestBody == nil || op.RequestBody.Value.Content.Get("application/json") == nil {
			return next(c) // nothing comes, or what its handler reads by itself
		}
		body, err := read(c)
		if err != nil {
			return err
		}
		var value any
		if err := json.Unmarshal(body, &value); err != nil {
			return next(withBody(c, body)) // what is no JSON is told by the decoder, with its line
		}
		if err := visit(op.RequestBody.Value.Content.Get("application/json").Schema.Value, value, ""); err != nil {
			return err
		}
		return next(withBody(c, body))
	}
}

func withBody(c *echo.Context, body []byte) *echo.Context {
	c.Request().Body = io.NopCloser(bytes.NewReader(body))
	return c
}

// checkQuery holds what stands behind the question mark against the contract.
func checkQuery(op *openapi3.Operation, query url.Values) error {
	for _, p := range op.Parameters {
		given, there := query[p.Value.Name]
		if p.Value.In != "query" || !there {
			continue
		}
		if len(given) > 1 {
			return &invalid.Field{Field: p.Value.Name, Value: strings.Join(given, ", "), Allowed: "one value"}
		}
		var value any = given[0]
		if n, err := strconv.ParseFloat(given[0], 64); err == nil && p.Value.Schema.Value.Type.Is("integer") {
			value = n
		}
		if b, err := strconv.ParseBool(given[0]); err == nil && p.Value.Schema.Value.Type.Is("boolean") {
			value = b
		}
		if err := visit(p.Value.Schema.Value, value, p.Value.Name); err != nil {
			return err
		}
	}
	return nil
}

// visit holds a value against a schema, and says the first mistake at its field.
func visit(schema *openapi3.Schema, value any, at string) error {
	err := schema.VisitJSON(value, openapi3.VisitAsRequest())
	if err == nil {
		return nil
	}
	var wrong *openapi3.SchemaError
	if !errors.As(err, &wrong) {
		return &refusal{http.StatusBadRequest, "not understood", err.Error()}
	}
	f := &invalid.Field{Field: at, Value: short(wrong.Value), Allowed: allowed(wrong)}
	for _, part := range wrong.JSONPointer() {
		if i, err := strconv.Atoi(part); err == nil {
			f.Field = invalid.Element(f.Field, i)
		} else {
			f.Field = strings.TrimPrefix(f.Field+"."+part, ".")
		}
	}
	if wrong.SchemaField == "required" {
		f.Value = ""
	}
	return f
}

// short writes a value of a request as text.
func short(value any) string {
	text, ok := value.(string)
	if !ok {
		body, _ := json.Marshal(value) // it came as JSON
		text = string(body)
	}
	if r := []rune(text); len(r) > 40 {
		return string(r[:40]) + "…"
	}
	return text
}

// allowed says what a schema would have taken.
func allowed(e *openapi3.SchemaError) string {
	s := e.Schema
	switch e.SchemaField {
	case "maxLength":
		return fmt.Sprintf("a text of at most %d characters", *s.MaxLength)
	case "minLength":
		return "a text that is not empty"
	case "enum":
		words := make([]string, len(s.Enum))
		for i, v := range s.Enum {
			words[i] = fmt.Sprint(v)
		}
		return "one of " + strings.Join(words, ", ")
	case "minItems", "maxItems":
		if s.MaxItems != nil && s.MinItems == *s.MaxItems {
			return fmt.Sprintf("a list of %d", s.MinItems)
		} else if e.SchemaField == "minItems" {
			return fmt.Sprintf("a list of at least %d", s.MinItems)
		}
		return fmt.Sprintf("a list of at most %d", *s.MaxItems)
	case "minimum":
		return "a number of at least " + invalid.FormatNumber(*s.Min)
	case "maximum":
		return "a number of at most " + invalid.FormatNumber(*s.Max)
	case "required":
		return "a value; it may not be left out"
	case "type":
		if s.Type != nil && len(*s.Type) > 0 {
			return map[string]string{"string": "a text", "number": "a number", "integer": "a whole number", "boolean": "true or false", "array": "a list", "object": "a group of fields"}[(*s.Type)[0]]
		}
	}
	return e.Reason
}

// largestBody bounds what an edit may carry, bytes.
const largestBody = exchange.LargestHousehold

// read reads a body whole.
func read(c *echo.Context) ([]byte, error) {
	body, err := io.ReadAll(http.MaxBytesReader(c.Response(), c.Request().Body, largestBody))
	var large *http.MaxBytesError
	if errors.As(err, &large) {
		return nil, &refusal{http.StatusRequestEntityTooLarge, "too large", "the request is larger than an edit can be"}
	}
	return body, brokenOff(err)
}

// brokenOff says why a body did not come whole; nil where it did.
func brokenOff(err error) error {
	switch {
	case err == nil:
		return nil
	case errors.Is(err, os.ErrDeadlineExceeded):
		return &refusal{http.StatusRequestTimeout, "too slow", "the request took too long to come; nothing was changed"}
	}
	return &refusal{http.StatusBadRequest, "cut short", "the request broke off; nothing was changed"}
}

// decodeFile reads a JSON body strictly and leaves its texts as they are, for what
// carries a file.
func decodeFile(c *echo.Context, into any) error {
	body, err := read(c)
	if err != nil {
		return err
	}
	if err := exchange.DecodeStrictly(body, into); err != nil {
		if fields := invalid.All(err); fields != nil {
			return fields
		}
		return &refusal{http.StatusBadRequest, "not understood", err.Error()}
	}
	return nil
}

// decode reads a JSON body strictly and cleans its texts.
func decode(c *echo.Context, into any) error {
	if err := decodeFile(c, into); err != nil {
		return err
	}
	exchange.Clean(into)
	return nil
}
