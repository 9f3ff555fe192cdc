// Package exchange reads and writes the open formats of Inventory.
package exchange

import (
	"bytes"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"strings"

	"inventory/internal/core/bed"
	"inventory/internal/core/household"
	"inventory/internal/core/invalid"
	"inventory/internal/core/place"
	"inventory/internal/core/season"
)

// HouseholdFormat names the household file and its version.
const HouseholdFormat = "inventory.household/1"

// LargestHousehold bounds a household file, bytes. The largest sensible one is
// a few hundred kB, and some 200 bytes more for each entry of its record.
const LargestHousehold = 32 << 20

// householdFile is the file: its format, and the household's own fields.
type householdFile struct {
	Format string `json:"format"`
	household.Household
}

// ReadHousehold reads a household file. What the file may leave out is filled
// in: ids, the usual risk, a wish's priority, season and stagger. An error says
// what is wrong and where; the household itself is not yet validated.
func ReadHousehold(r io.Reader) (household.Household, error) {
	body, err := io.ReadAll(io.LimitReader(r, LargestHousehold+1))
	switch {
	case err != nil:
		return household.Household{}, fmt.Errorf("the household file cannot be read: %w", err)
	case len(body) > LargestHousehold:
		return household.Household{}, fmt.Errorf("the household file is larger than %d MB; no household is", LargestHousehold>>20)
	case len(bytes.TrimSpace(body)) == 0:
		return household.Household{}, errors.New("the household file is empty")
	}
	var head struct {
		Format string `json:"format"`
	}
	if err := json.Unmarshal(body, &head); err != nil {
		return household.Household{}, fmt.Errorf("the household file: %w", located(body, err))
	}
	if head.Format != HouseholdFormat {
		if head.Format == "" {
			return household.Household{}, fmt.Errorf("the file does not say what it is; a household file has \"format\": %q", HouseholdFormat)
		}
		return household.Household{}, fmt.Errorf("the file's format is %q; this version of Inventory reads %q", head.Format, HouseholdFormat)
	}
	if err := twelveMonths(body); err != nil {
		return household.Household{}, err
	}
	var f householdFile
	if err := DecodeStrictly(body, &f); err != nil {
		return household.Household{}, fmt.Errorf("the household file: %w", err)
	}
	Clean(&f.Household)
	fill(&f.Household)
	return f.Household, nil
}

// twelveMonths looks whether the climate has twelve months, and names the list that
// has not.
func twelveMonths(body []byte) error {
	var f struct {
		Place map[string]json.RawMessage `json:"place"`
	}
	if json.Unmarshal(body, &f) != nil {
		return nil // told when it is read strictly
	}
	for _, name := range []string{"mean_max", "mean_min", "rain"} {
		var months place.Months
		var wrong *invalid.Field
		if list, there := f.Place[name]; there && errors.As(json.Unmarshal(list, &months), &wrong) {
			wrong.Field = "place." + name
			return wrong
		}
	}
	return nil
}

// WriteHousehold writes a household file.
func WriteHousehold(w io.Writer, h household.Household) error {
	e := json.NewEncoder(w)
	e.SetIndent("", "  ")
	e.SetEscapeHTML(false)
	return e.Encode(householdFile{HouseholdFormat, h})
}

// DecodeStrictly reads one JSON document and nothing besides; a field that is
// not known or that is given twice is an error, and every error says on which line
// it lies.
func DecodeStrictly(body []byte, into any) error {
	if err := givenTwice(body); err != nil {
		return err
	}
	d := json.NewDecoder(bytes.NewReader(body))
	d.DisallowUnknownFields()
	if err := d.Decode(into); err != nil {
		return located(body, err)
	}
	if _, err := d.Token(); !errors.Is(err, io.EOF) {
		return fmt.Errorf("line %d: something follows the end of the document", 1+bytes.Count(body[:d.InputOffset()], []byte("\n")))
	}
	return nil
}

// givenTwice looks for a field that a group of fields has twice: the JSON reader
// would take the last one and say nothing. What is no JSON is told by the reader.
func givenTwice(body []byte) error {
	type group struct {
		fields map[string]bool // nil in a list
		named  bool            // the next token is a value
	}
	var in []group
	d := json.NewDecoder(bytes.NewReader(body))
	for {
		token, err := d.Token()
		if err != nil {
			return nil
		}
		top := len(in) - 1
		if name, ok := token.(string); ok && top >= 0 && in[top].fields != nil && !in[top].named {
			if in[top].fields[name] {
				return fmt.Errorf("line %d: %q is given twice", 1+bytes.Count(body[:d.InputOffset()], []byte("\n")), name)
			}
			in[top].fields[name], in[top].named = true, true
			continue
		}
		if top >= 0 {
			in[top].named = false
		}
		switch token {
		case json.Delim('{'):
			in = append(in, group{fields: map[string]bool{}})
		case json.Delim('['):
			in = append(in, group{})
		case json.Delim('}'), json.Delim(']'):
			in = in[:top]
		}
	}
}

// located says on which line of the file an error of the JSON reader lies.
func located(body []byte, err error) error {
	line := func(offset int64) int {
		return 1 + bytes.Count(body[:min(int64(len(body)), max(0, offset))], []byte("\n"))
	}
	var syntax *json.SyntaxError
	var kind *json.UnmarshalTypeError
	switch {
	case errors.As(err, &syntax) && int(syntax.Offset) >= len(body), errors.Is(err, io.ErrUnexpectedEOF):
		return fmt.Errorf("the file stops early, on line %d", line(int64(len(body))))
	case errors.As(err, &syntax):
		return fmt.Errorf("it is not JSON, line %d: %w", line(syntax.Offset), err)
	case errors.As(err, &kind):
		return fmt.Errorf("line %d: %s cannot be a %s; a %s is wanted", line(kind.Offset), kind.Field, kind.Value, plainType(kind.Type.String()))
	case strings.HasPrefix(err.Error(), "json: unknown field "):
		name := strings.TrimPrefix(err.Error(), "json: unknown field ")
		at := bytes.Index(body, []byte(name))
		return fmt.Errorf("line %d: there is no field %s", line(int64(at)), name)
	}
	return err
}

func plainType(t string) string {
	switch {
	case strings.HasPrefix(t, "float"), strings.HasPrefix(t, "int"):
		return "number"
	case strings.HasPrefix(t, "[]"), strings.HasPrefix(t, "["):
		return "list"
	case t == "bool":
		return "true or false"
	case t == "string", strings.Contains(t, "civil"):
		return "text"
	}
	return "group of fields"
}

// fill puts in what a file may leave out.
func fill(h *household.Household) {
	if h.Risk == "" {
		h.Risk = season.UsualRisk
	}
	if h.Place.FrostSpread == 0 && !h.Place.FrostFree {
		h.Place.FrostSpread = 10
	}
	h.Members, h.Guests, h.Storage = listed(h.Members), listed(h.Guests), listed(h.Storage)
	h.Wishes, h.Overrules = listed(h.Wishes), listed(h.Overrules)
	h.Measures, h.Care, h.Chores = listed(h.Measures), listed(h.Care), listed(h.Chores)
	h.Sightings = listed(h.Sightings)
	h.Lots, h.Patches, h.OwnCrops, h.OwnPreparations = listed(h.Lots), listed(h.Patches), listed(h.OwnCrops), listed(h.OwnPreparations)
	h.Habits, h.Plantings, h.Weather = listed(h.Habits), listed(h.Plantings), listed(h.Weather)
	h.Beds, h.Placements = listed(h.Beds), listed(h.Placements)
	if h.Customs != nil {
		usual := bed.UsualCustoms()
		if h.Customs.Number(); h.Customs.Emitters == 0 {
			h.Customs.Emitters = usual.Emitters
		}
		if h.Customs.Posts == 0 {
			h.Customs.Posts = usual.Posts
		}
	}
	for i := range h.Beds {
		h.Beds[i] = h.Beds[i].Filled()
		if h.Beds[i].ID == "" {
			h.Beds[i].ID = fmt.Sprintf("b%d", i+1)
		}
	}
	for i := range h.Plantings {
		h.Plantings[i].For = listed(h.Plantings[i].For)
	}
	for i := range h.OwnPreparations {
		h.OwnPreparations[i].Crops = listed(h.OwnPreparations[i].Crops)
	}
	number := func(id *string, letter string, i int) {
		if *id == "" {
			*id = fmt.Sprintf("%s%d", letter, i+1)
		}
	}
	for i := range h.Members {
		number(&h.Members[i].ID, "m", i)
	}
	for i := range h.Guests {
		number(&h.Guests[i].ID, "g", i)
	}
	for i := range h.Storage {
		number(&h.Storage[i].ID, "s", i)
	}
	for i := range h.Lots {
		number(&h.Lots[i].ID, "l", i)
	}
	for i := range h.Measures {
		number(&h.Measures[i].ID, "m", i)
	}
	for i := range h.Care {
		number(&h.Care[i].ID, "c", i)
	}
	for i := range h.Chores {
		number(&h.Chores[i].ID, "j", i)
		h.Chores[i].Fill()
	}
	for i := range h.Sightings {
		number(&h.Sightings[i].ID, "s", i)
	}
	for i := range h.Plots {
		number(&h.Plots[i].ID, "plot", i)
	}
	for i := range h.Patches {
		number(&h.Patches[i].ID, "p", i)
	}
	for i := range h.OwnCrops {
		number(&h.OwnCrops[i].ID, "own", i)
	}
	for i := range h.OwnPreparations {
		number(&h.OwnPreparations[i].ID, "ownprep", i)
	}
	for i := range h.Wishes {
		w := &h.Wishes[i]
		number(&w.ID, "w", i)
		w.Fill()
	}
}

// listed makes an empty list of none, so that it is written as one.
func listed[T any](list []T) []T {
	if list == nil {
		return []T{}
	}
	return list
}
