package book

import (
	"strings"

	"inventory/internal/core/amount"
)

var cropColumns = strings.Fields(`id name food botanical family group life start unit frost direct_weeks
	plant_out_weeks raise_weeks soil_min_c soil_opt_c germ_days_min germ_days_max heat_max_c frost_kill_c
	t_base_c t_cap_c t_ref_c dtm_min dtm_typ dtm_max dtm_from harvest harvest_days hold_days keep_days
	in_row_cm row_cm block_cm depth_cm per_station seeds_per_m yield_min yield_typ yield_max piece_g
	yield_cv fail_prob height_cm support sun feed rotation_years seeds_per_g piece_plant_g germ_rate
	seed_life_years min_plants edible store store_ideal_c store_weeks store_loss_month cure_days water_mm_week
	store_when root_depth_cm sprawls goes_on latest_weeks winter bolt_h block hill basis`)

func (b *Book) readCrop(s *sheet) {
	c := &Crop{
		ID: s.key("id"), Food: s.must("food"), Name: s.must("name"), Botanical: s.must("botanical"), Family: s.must("family"),
		Group: Group(s.word("group", "root", "tuber", "bulb", "stem", "leaf", "head", "fruit", "legume", "grain", "herb", "flower", "berry", "perennial", "shoots", "craft")),
		Life:  s.word("life", "annual", "biennial", "perennial"),
		Start: Start(s.word("start", "direct", "transplant", "either", "vegetative")),
		Unit:  s.word("unit", "seed", "clove", "set", "tuber", "slip", "crown", "plant"),
		Frost: Frost(s.word("frost", "hardy", "half-hardy", "tender", "very-tender")),

		DirectWeeks: s.maybe("direct_weeks", -40, 30), PlantOutWeeks: s.maybe("plant_out_weeks", -40, 30), RaiseWeeks: s.maybe("raise_weeks", 0, 20),
		SoilMin: s.maybe("soil_min_c", -5, 40), SoilOpt: s.maybe("soil_opt_c", -5, 45),
		GermDaysMin: s.maybe("germ_days_min", 0, 200), GermDaysMax: s.maybe("germ_days_max", 0, 200),
		HeatMax: s.maybe("heat_max_c", 10, 50), FrostKill: s.number("frost_kill_c", -50, 5),
		TBase: s.number("t_base_c", -5, 20), TCap: s.number("t_cap_c", 10, 45), TRef: s.number("t_ref_c", 0, 35),
		DTMMin: s.number("dtm_min", 1, 2000), DTM: s.number("dtm_typ", 1, 2000), DTMMax: s.number("dtm_max", 1, 2000),
		DTMFrom: s.word("dtm_from", "sow", "plant"),
		Harvest: Harvest(s.word("harvest", "once", "pick", "cut")), HarvestDays: s.number("harvest_days", 1, 365),
		HoldDays: s.number("hold_days", 0, 365), KeepDays: s.maybe("keep_days", 0, 365),
		InRow: s.maybe("in_row_cm", 0.5, 500), RowGap: s.maybe("row_cm", 0.5, 500), Block: s.maybe("block_cm", 0.5, 500),
		Depth: s.maybe("depth_cm", 0, 50), PerStation: s.maybe("per_station", 1, 50), SeedsPerMetre: s.maybe("seeds_per_m", 1, 1000),
		YieldMin: s.maybe("yield_min", 0, 200), Yield: s.maybe("yield_typ", 0, 200), YieldMax: s.maybe("yield_max", 0, 200),
		Piece: s.maybe("piece_g", 0.1, 50000), YieldCV: s.maybe("yield_cv", 0, 2), FailProb: s.number("fail_prob", 0, 0.9),
		Height: s.number("height_cm", 1, 1000), Support: Support(s.word("support", "none", "stake", "cage", "trellis", "ridge-string")),
		Sun: Sunlight(s.word("sun", "full", "part")), Feed: s.word("feed", "light", "medium", "heavy", "fixer"),
		RotationYears: s.maybe("rotation_years", 0, 20), SeedsPerGram: s.maybe("seeds_per_g", 0.01, 100000), StockGram: s.maybe("piece_plant_g", 0.1, 5000),
		Germination: s.maybe("germ_rate", 0.01, 1), SeedLife: s.maybe("seed_life_years", 0.5, 20), MinPlants: s.number("min_plants", 1, 1000),
		Edible: s.number("edible", 0, 1), Store: Storage(s.word("store", "none", "cool-moist", "cool-dry", "warm-dry", "dry", "ground")),
		StoreIdeal: s.maybe("store_ideal_c", -5, 30),
		StoreWeeks: s.maybe("store_weeks", 0, 520), StoreLoss: s.maybe("store_loss_month", 0, 0.9), CureDays: s.maybe("cure_days", 0, 120),
		WaterMM: s.maybe("water_mm_week", 0, 200), StoreWhen: s.word("store_when", "", "late", "own"), RootDepth: s.maybe("root_depth_cm", 1, 300),
		Sprawls: s.word("sprawls", "", "yes") == "yes", GoesOn: s.word("goes_on", "", "yes") == "yes", Hill: s.word("hill", "", "yes") == "yes",
		LatestWeeks: s.maybe("latest_weeks", -52, 52), Winter: Winter(s.word("winter", "", "yes", "must")), BoltHours: s.maybe("bolt_h", 8, 18),
		LeastRows: s.maybe("block", 1, 20), Basis: s.must("basis"),
		Survive: 0.95, Closeness: 1,
	}
	if c.DTMMin > c.DTM || c.DTM > c.DTMMax {
		s.fail("dtm_typ", s.text("dtm_typ"), "days between dtm_min and dtm_max are wanted")
	}
	if c.Yield.Known && (c.YieldMin.Value > c.Yield.Value || c.Yield.Value > c.YieldMax.Value) {
		s.fail("yield_typ", s.text("yield_typ"), "a yield between yield_min and yield_max is wanted")
	}
	// Planting stock other than rooted plants survives at the book's germ_rate.
	if c.Start == Vegetative && c.Unit != "plant" {
		c.Survive = c.Germination.Or(0.95)
	}
	if b.byCrop[c.ID] != nil {
		s.fail("id", c.ID, "each crop once; it is listed further up already")
		return
	}
	b.crops = append(b.crops, c)
	b.byCrop[c.ID] = c
	b.foods[c.Food] = append(b.foods[c.Food], c)
}

// crop returns the crop a column names, or a throw-away one after reporting it.
func (b *Book) crop(s *sheet, column string) *Crop {
	id := s.text(column)
	if c := b.byCrop[id]; c != nil {
		return c
	}
	s.fail(column, id, "the id of a crop in crops.csv is wanted")
	return &Crop{}
}

func (b *Book) cropList(s *sheet, column string) []string {
	ids := s.list(column)
	if len(ids) == 0 {
		s.fail(column, "", "one or more crop ids are wanted")
	}
	for _, id := range ids {
		if b.byCrop[id] == nil {
			s.fail(column, id, "the id of a crop in crops.csv is wanted")
		}
	}
	return ids
}

func (b *Book) readPatch(s *sheet) {
	c := b.crop(s, "crop")
	c.Patch = &Patch{
		FirstPickWeeks: s.number("first_pick_weeks", -52, 52), PickWeeks: s.number("pick_weeks", 1, 52),
		FullBearingYear: s.number("full_bearing_year", 1, 20), StandYears: s.number("stand_years", 1, 100),
		Share: [3]float64{s.number("share_year1", 0, 1), s.number("share_year2", 0, 1), s.number("share_year3", 0, 1)},
	}
}

func (b *Book) readDense(s *sheet) {
	c := b.crop(s, "crop")
	c.Dense = &Dense{
		ID: s.key("id"), SeedGram: s.number("seed_g_per_m2", 1, 10000), SoakHours: s.number("soak_hours", 0, 48),
		DaysMin: s.number("days_min", 1, 60), DaysMax: s.number("days_max", 1, 60), YieldKg: s.number("yield_kg_per_m2", 0.01, 20), Notes: s.text("notes"),
	}
}

// readFamily names the family of every crop as gardeners call it.
func (b *Book) readFamily(s *sheet) {
	latin, name := s.text("family"), s.text("name")
	for _, c := range b.crops {
		if c.Family == latin {
			c.FamilyName = name
		}
	}
}

func (b *Book) readNutrition(s *sheet) {
	c := b.crop(s, "crop")
	c.Portion, c.Energy, c.Protein = s.maybe("portion_g", 0, 1000), s.maybe("kcal_per_100g", 0, 900), s.maybe("protein_g_per_100g", 0, 100)
}

// containers are the words of default_container that name a size, in litres; the first
// that is in it counts.
var containers = []struct {
	words string
	litre float64
}{
	{"half-pint", amount.JarNamed("half-pint")}, {"pint", amount.JarNamed("pint")}, {"quart jar", amount.JarNamed("quart")}, {"gallon", amount.JarNamed("gallon")},
	{"0.946 L", amount.JarNamed("quart")}, {"0.473 L", amount.JarNamed("pint")}, {"0.25 L", 0.25},
}

func (b *Book) readPreparation(s *sheet) {
	p := &Preparation{
		ID: s.key("id"), Crops: b.cropList(s, "crop_ids"), Name: s.must("name"),
		Form:   s.word("form", "canned", "juiced", "frozen", "dried", "pickled", "fermented", "jam"),
		Method: s.word("method", "boiling-water", "pressure-canner", "dehydrator", "air-dry", "freezer", "crock", "refrigerator"),
		Unit:   s.word("unit", "litre", "kg"), Raw: s.number("raw_kg_per_unit", 0.01, 50), Jar: s.must("default_container"),
		KeepsMonths: s.number("keeps_months", 0.1, 120), ReadyWeeks: s.number("ready_weeks", 0, 52), Acidity: s.word("acidity", "low", "acidified", "high"),
		Minutes: s.number("hands_on_minutes_per_batch", 0, 1000), BatchUnits: s.number("batch_units", 0.01, 100),
		Cautions: s.list("caution_ids"), Basis: s.must("basis"),
	}
	if p.Unit == "litre" {
		for _, j := range containers {
			if strings.Contains(p.Jar, j.words) {
				p.JarLitre = j.litre
				break
			}
		}
		if p.JarLitre == 0 { // "ice-cube tray, then freezer bag"
			p.JarLitre = amount.JarNamed("pint")
		}
	}
	if b.byPrep[p.ID] != nil {
		s.fail("id", p.ID, "each preparation once; it is listed further up already")
		return
	}
	b.preparations = append(b.preparations, p)
	b.byPrep[p.ID] = p
}

func (b *Book) readPart(s *sheet) {
	p := b.byPrep[s.text("preparation")]
	if p == nil {
		s.fail("preparation", s.text("preparation"), "the id of a preparation in preparations.csv is wanted")
		return
	}
	p.Parts = append(p.Parts, Part{Crops: b.cropList(s, "crop_ids"), Raw: s.number("raw_kg_per_unit", 0.001, 50), Note: s.text("note")})
}

func (b *Book) readPairing(s *sheet) {
	b.Pairings = append(b.Pairings, Pairing{
		ID: s.key("id"), Long: b.crop(s, "long_crop").ID, Short: b.crop(s, "short_crop").ID,
		WeeksTogether: s.number("weeks_together", 0, 52), RoomFraction: s.number("room_fraction", 0, 1), Why: s.must("why"), Timing: s.word("timing", "easy", "tricky", "tight"),
	})
}

func (b *Book) readCaution(s *sheet) {
	when, ok := ParseWhen(s.must("when"))
	if !ok {
		s.fail("when", s.text("when"), "conditions such as crop:carrot,beet are wanted")
	}
	b.Cautions = append(b.Cautions, Caution{ID: s.key("id"), Topic: s.must("topic"), Level: s.word("level", "danger", "care", "info"), When: when, Text: s.must("text")})
}
