// Package book is the household's reference: crops and kinds, preparations,
// pairings and cautions. The rows are usual home-garden figures, embedded as
// CSV and validated when loaded; what a household overrules lies on top.
package book

import (
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"slices"
	"sort"
	"strings"
	"sync"
)

//go:embed data/*.csv
var data embed.FS

// Book is the whole reference. It is not changed after loading; With makes a
// book with a household's own figures on top.
type Book struct {
	crops        []*Crop
	byCrop       map[string]*Crop
	preparations []*Preparation
	byPrep       map[string]*Preparation
	Pairings     []Pairing
	Cautions     []Caution
	GreenManures []GreenManure
	foods        map[string][]*Crop
	wordList     []Word
	beginnings   []Beginning
	care         []UsualCare
}

// Usual returns the embedded book. Its rows are checked by the tests, so it
// cannot fail at run time.
var Usual = sync.OnceValue(func() *Book {
	sub, err := fs.Sub(data, "data")
	if err != nil {
		panic(err)
	}
	b, err := Load(sub)
	if err != nil {
		panic(err)
	}
	return b
})

// Load reads a book from CSV files and validates every row; all bad rows are
// reported, each with file, line and column.
func Load(files fs.FS) (*Book, error) {
	b := &Book{byCrop: map[string]*Crop{}, byPrep: map[string]*Preparation{}, foods: map[string][]*Crop{}}
	var errs []error
	try := func(err error) { errs = append(errs, err) }
	try(readSheet(files, "crops.csv", cropColumns, b.readCrop))
	try(readSheet(files, "perennials.csv", strings.Fields("crop first_pick_weeks pick_weeks full_bearing_year share_year1 share_year2 share_year3 stand_years"), b.readPatch))
	try(readSheet(files, "dense.csv", strings.Fields("id crop seed_g_per_m2 soak_hours days_min days_max yield_kg_per_m2 notes"), b.readDense))
	try(readSheet(files, "nutrition.csv", strings.Fields("crop portion_g kcal_per_100g protein_g_per_100g"), b.readNutrition))
	try(readSheet(files, "preparations.csv", strings.Fields("id crop_ids name form method unit raw_kg_per_unit default_container keeps_months ready_weeks acidity hands_on_minutes_per_batch batch_units caution_ids basis"), b.readPreparation))
	try(readSheet(files, "preparation_parts.csv", strings.Fields("preparation crop_ids raw_kg_per_unit note"), b.readPart))
	try(readSheet(files, "interplant.csv", strings.Fields("id long_crop short_crop weeks_together room_fraction why timing"), b.readPairing))
	try(readSheet(files, "cautions.csv", strings.Fields("id topic level when text"), b.readCaution))
	try(readSheet(files, "green_manure.csv", strings.Fields("id name botanical family frost frost_kill_c t_base_c sow_from_weeks soil_min_c seed_g_per_m2 weeks_to_worth weeks_max wait_weeks_after fixes_n_g_per_m2 winter undersow note"), b.readGreenManure))
	try(readSheet(files, "words.csv", strings.Fields("word kind_of means note kg"), b.readWord))
	try(readSheet(files, "begin.csv", strings.Fields("habit words line per_adult"), b.readBeginning))
	try(readSheet(files, "care.csv", strings.Fields("id do suits from days every times until minutes per instead"), b.readCare))
	try(readSheet(files, "set_depth.csv", strings.Fields("food words"), b.readSetDepth))
	try(readSheet(files, "families.csv", strings.Fields("family name"), b.readFamily))
	if err := errors.Join(errs...); err != nil {
		return nil, err
	}
	return b, b.crossCheck()
}

// crossCheck looks at what one row alone cannot show.
//
// One function, since each rule between two columns is one case.
func (b *Book) crossCheck() error {
	known := map[string]bool{}
	for _, c := range b.Cautions {
		known[c.ID] = true
	}
	var errs []error
	for _, p := range b.preparations {
		for _, id := range p.Cautions {
			if !known[id] {
				errs = append(errs, fmt.Errorf("preparations.csv: %s names caution %q, which cautions.csv does not have", p.ID, id))
			}
		}
	}
	for _, c := range b.crops {
		switch {
		case c.FamilyName == "":
			errs = append(errs, fmt.Errorf("crops.csv: %s is of the family %s, which families.csv does not have", c.ID, c.Family))
		case c.Life == "perennial" && c.Patch == nil:
			errs = append(errs, fmt.Errorf("crops.csv: %s is perennial, but perennials.csv does not have it", c.ID))
		case c.Group == Shoots && c.Dense == nil:
			errs = append(errs, fmt.Errorf("crops.csv: %s are shoots, but dense.csv does not have them", c.ID))
		case c.Dense == nil && (!c.InRow.Known || !c.RowGap.Known || !c.Block.Known || !c.Yield.Known):
			errs = append(errs, fmt.Errorf("crops.csv: %s has no spacing or no yield", c.ID))
		case c.Store != NoStorage && (!c.StoreWeeks.Known || !c.StoreLoss.Known):
			errs = append(errs, fmt.Errorf("crops.csv: %s has a store but no weeks or loss in it", c.ID))
		}
	}
	return errors.Join(errs...)
}

// Crops lists every crop in the book's order.
func (b *Book) Crops() []*Crop { return b.crops }

// Crop returns the crop of an id, or nil.
func (b *Book) Crop(id string) *Crop { return b.byCrop[id] }

// Food returns the kinds that a household calls by one name, or nil.
func (b *Book) Food(name string) []*Crop { return b.foods[name] }

// Foods lists the foods in the order of the alphabet.
func (b *Book) Foods() []string {
	out := make([]string, 0, len(b.foods))
	for f := range b.foods {
		out = append(out, f)
	}
	sort.Strings(out)
	return out
}

// Kinds returns the crops that a wish for what could mean: the one crop of
// that id, or all kinds of that food.
func (b *Book) Kinds(what string) []*Crop {
	if c := b.byCrop[what]; c != nil {
		return []*Crop{c}
	}
	return b.foods[what]
}

// Preparations lists every preparation in the book's order.
func (b *Book) Preparations() []*Preparation { return b.preparations }

// Preparation returns the preparation of an id, or nil.
func (b *Book) Preparation(id string) *Preparation { return b.byPrep[id] }

// Families lists the botanical families of the book's crops, in alphabetical
// order.
func (b *Book) Families() (out []string) {
	for _, c := range b.Crops() {
		if i, found := slices.BinarySearch(out, c.Family); !found {
			out = slices.Insert(out, i, c.Family)
		}
	}
	return out
}
