package app

import (
	"context"
	"encoding/json"
	"strings"
	"testing"

	"inventory/demo"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
	"inventory/internal/core/record"
	"inventory/internal/store"
)

// write enters a line of the daybook.
func (s *lived) write(text string) *Planned {
	s.t.Helper()
	d, err := s.WriteLine(context.Background(), s.by(), text, nil)
	if err != nil {
		s.t.Fatalf("%q: %v", text, err)
	}
	return d.Planned
}

// standsOnShelf returns how much of a food stands on the shelf, in its own units.
func (p *Planned) standsOnShelf(food string) (sum float64) {
	for _, l := range p.Input.Household.Lots {
		if l.Food == food {
			sum += l.Amount()
		}
	}
	return sum
}

// A day is written down by lines: what came in, where it went, what was put up and taken from the
// shelf; each is one edit, and with all undone the household is as it was, to the byte.
func TestADayWrittenDownByLines(t *testing.T) {
	s := inSeason(t, civil.Of(2027, 8, 1))
	if events := demo.Begun(s.now().Plan); len(events) > 0 {
		s.done(s.LogAll(context.Background(), s.by(), events))
	}
	before, err := json.Marshal(s.now().Snapshot.File())
	if err != nil {
		t.Fatal(err)
	}
	shelf := s.now().standsOnShelf("snap bean")

	p := s.write("picked 8 kg beans, 1 kg to the neighbour")
	all := p.Snapshot.Record.Entries()
	if len(all) != 2 || all[0].Gram+all[1].Gram != 9000 || all[0].Day != s.day || all[0].Who != "t" {
		t.Fatalf("%+v %+v", *all[0], *all[1])
	}
	for _, e := range all {
		if e.Act == record.Harvest && (e.Sowing == "" || e.Crop == "") {
			t.Errorf("it is not known what it was picked from: %+v", *e)
		}
	}
	if words := p.Snapshot.Words; !strings.Contains(words, ": {8|kg} came in") || !strings.Contains(words, "given away") {
		t.Errorf("words %q", words)
	}
	p = s.write("put up 7 quarts of beans, one did not seal")
	if got := p.standsOnShelf("snap bean") - shelf; got < 6*0.946 || got > 6*0.947 {
		t.Errorf("%g L more on the shelf, want six quarts", got)
	}
	p = s.write("took 2 jars of beans")
	if got := p.standsOnShelf("snap bean") - shelf; got < 4*0.946 || got > 4*0.947 {
		t.Errorf("%g L more on the shelf, want four quarts", got)
	}
	p = s.write("3 jars of beans left")
	if got := p.standsOnShelf("snap bean"); got < 3*0.946 || got > 3*0.947 {
		t.Errorf("%g L stand there, three quarts were counted", got)
	}
	p = s.write("deer ate half the chard")
	ended := 0
	for _, x := range p.Snapshot.Household.Plantings {
		if x.Crop == "chard" && len(x.Losses) > 0 && x.Losses[0].Left == 50 && x.Losses[0].Cause == "animals" {
			ended++
		}
	}
	if ended != 1 {
		t.Errorf("%d plantings of chard lost half", ended)
	}
	for range 5 {
		s.undo()
	}
	if after, _ := json.Marshal(s.now().Snapshot.File()); string(after) != string(before) {
		t.Error("with all undone, the household is not as it was")
	}
}

// What cannot be is refused in a sentence at the line, and changes nothing.
func TestLinesThatCannotBe(t *testing.T) {
	s := inSeason(t, civil.Of(2027, 8, 1))
	if events := demo.Begun(s.now().Plan); len(events) > 0 {
		s.done(s.LogAll(context.Background(), s.by(), events))
	}
	revision := s.now().Snapshot.Revision
	for text, want := range map[string]string{
		"-2 kg beans":                      "less than nothing",
		"2 kg beans tomorrow":              "still to come",
		"3 kg plums":                       "not understood",
		"5 kg":                             "Say of what",
		"picked beans":                     "Say how much",
		"a bucket of beans":                "What a bucket of snap bean weighs is not known",
		"gave mum 2 kg of beans":           "so much snap bean came in",
		"took 400 jars of sauce":           "only 12",
		"took 2 jars of salsa":             "on the shelf. Add it",
		"9000 kg beans":                    "500000",
		"the seventh lettuce sown":         "not understood",
		"canned 21 qts tomatoes":           "Say which it is",
		"potted on 3 carrots":              "Choose a task",
		"fed the thinnings to the rabbits": "Say which food",
	} {
		_, err := s.WriteLine(context.Background(), s.by(), text, nil)
		all := invalid.All(err)
		if len(all) == 0 || !strings.Contains(all[0].Allowed, want) {
			t.Errorf("%q: %v, want %q", text, err, want)
		}
	}
	if s.now().Snapshot.Revision != revision {
		t.Error("what was refused has changed something")
	}
}

// An entry is corrected and taken back whenever that is found out; not of a day to come, nor of a
// planting that was never begun.
func TestEntriesAreCorrectedLater(t *testing.T) {
	s := inSeason(t, civil.Of(2027, 8, 1))
	p := s.write("5 kg beans")
	e := *p.Snapshot.Record.Entries()[0]
	s.day += 40
	e.Gram, e.Note = 4200, "read wrongly"
	p = s.done(s.Record(context.Background(), s.by(), []record.Entry{e}))
	if got := p.Snapshot.Record.Find(e.ID); got.Gram != 4200 || got.Day != civil.Of(2027, 8, 1) {
		t.Errorf("%+v", *got)
	}
	told, err := s.Entries(context.Background(), Looked{From: e.Day, To: s.day, Find: "beans"})
	if err != nil || told.More || len(told.Entries) != 1 || told.Entries[0].Words != "Snap bean: {4.2|kg} came in" || told.Entries[0].Left != 4200 {
		t.Errorf("%+v %v", told, err)
	}
	by := s.by()
	p = s.done(s.Edit(context.Background(), store.Edit{Client: by.Client, ID: by.ID, Revision: by.Revision, Command: "remove-entry", Target: e.ID}))
	if len(p.Snapshot.Record.Entries()) != 0 {
		t.Error("it is there still")
	}
	late := e
	late.ID, late.Day = "", s.day+1
	never := e
	never.ID, never.Sowing = "", ""
	for i := range p.Plan.Sowings {
		if x := &p.Plan.Sowings[i]; !x.Begun && !x.Stands {
			never.Sowing = x.ID
		}
	}
	for field, x := range map[string]record.Entry{"entries[0].day": late, "entries[0].sowing": never} {
		_, err := s.Record(context.Background(), s.by(), []record.Entry{x})
		if all := invalid.All(err); len(all) != 1 || all[0].Field != field {
			t.Errorf("%s: %v", field, err)
		}
	}
}

// What an entry made is corrected with it: seven jars that were six, a weight that went into storage;
// not below what was taken from it since.
func TestALotIsCorrectedWithItsEntry(t *testing.T) {
	s := inSeason(t, civil.Of(2027, 8, 1))
	s.write("20 kg tomatoes")
	p := s.write("put up 7 quarts of thick tomato sauce from 14 kg tomatoes")
	s.write("took 14 jars of thick tomato sauce") // twelve are of last year's
	var put record.Entry
	for _, e := range p.Snapshot.Record.Entries() {
		if e.Act == record.PutUp {
			put = *e
		}
	}
	count := func(p *Planned) float64 {
		for _, l := range p.Snapshot.Household.Lots {
			if l.ID == put.Lot {
				return l.Count
			}
		}
		return 0
	}
	lots := len(p.Snapshot.Household.Lots)
	put.Failed = 1
	p = s.done(s.Record(context.Background(), s.by(), []record.Entry{put}))
	if count(p) != 6 || len(p.Snapshot.Household.Lots) != lots {
		t.Errorf("%g jars in the lot, %d lots", count(p), len(p.Snapshot.Household.Lots))
	}
	put.Jars = 2
	if _, err := s.Record(context.Background(), s.by(), []record.Entry{put}); err == nil {
		t.Error("two jars were taken of a lot that never held more than one")
	}
	pieces := record.Entry{Day: s.day, Act: record.Harvest, Food: "lettuce", Crop: "lettuce-head", Pieces: 3}
	p = s.done(s.Record(context.Background(), s.by(), []record.Entry{pieces}))
	if e := p.Snapshot.Record.Entries()[len(p.Snapshot.Record.Entries())-1]; e.Gram != 1020 {
		t.Errorf("three heads weigh %d g, want 3 x 340", e.Gram)
	}
}

// Jars that were put up this year and are eaten are not to be filled again; those that spoiled are.
func TestJarsThatAreEatenAreNotFilledAgain(t *testing.T) {
	s := inSeason(t, civil.Of(2027, 8, 20))
	s.done(s.LogAll(context.Background(), s.by(), demo.Begun(s.now().Plan)))
	toFill := func(p *Planned) int {
		for i := range p.Plan.Wishes {
			if w := &p.Plan.Wishes[i]; w.ID == "w3" {
				return w.ToFill
			}
		}
		return 0
	}
	for _, l := range s.now().Snapshot.Household.Lots { // last year's is of another wish's reckoning
		if l.Preparation == "tomato-sauce-thick" {
			by := s.by()
			s.done(s.Edit(context.Background(), store.Edit{Client: by.Client, ID: by.ID, Revision: by.Revision, Command: "remove-lot", Target: l.ID}))
		}
	}
	before := toFill(s.now())
	if filled := toFill(s.write("put up 10 quarts of thick tomato sauce")); before-filled != 10 {
		t.Fatalf("%d to fill, after ten were filled %d", before, filled)
	}
	if eaten := toFill(s.write("took 4 jars of thick tomato sauce")); before-eaten != 10 {
		t.Errorf("with four eaten %d are to be filled, ten of %d were", eaten, before)
	}
	if spoiled := toFill(s.write("2 jars of thick tomato sauce spoiled")); before-spoiled != 8 {
		t.Errorf("with two spoiled %d are to be filled, ten of %d were", spoiled, before)
	}
}
