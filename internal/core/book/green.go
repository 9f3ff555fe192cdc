package book

// GreenManure is what is sown to cover the ground and worked into it. It feeds no week.
// Temperatures are °C.
type GreenManure struct {
	ID, Name, Botanical, Family string
	Frost                       Frost
	FrostKill, TBase, SoilMin   float64
	SowFromWeeks                float64 // earliest sowing, weeks from the median last frost
	SeedGram                    float64 // g of seed per m²
	WeeksToWorth, WeeksMax      float64 // how long it should, and may, grow
	WaitWeeks                   float64 // between working it in and the next crop
	Nitrogen                    float64 // g per m² that it fixes, once it is worth its ground
	Winter                      bool    // it stands through the winter
	Undersow                    bool    // it may be sown under a standing crop
	Note                        string
}

func (b *Book) readGreenManure(s *sheet) {
	b.GreenManures = append(b.GreenManures, GreenManure{
		ID: s.key("id"), Name: s.must("name"), Botanical: s.must("botanical"), Family: s.must("family"),
		Frost:     Frost(s.word("frost", "hardy", "half-hardy", "tender", "very-tender")),
		FrostKill: s.number("frost_kill_c", -50, 5), TBase: s.number("t_base_c", -5, 20), SoilMin: s.number("soil_min_c", -5, 40),
		SowFromWeeks: s.number("sow_from_weeks", -40, 30), SeedGram: s.number("seed_g_per_m2", 0.1, 100),
		WeeksToWorth: s.number("weeks_to_worth", 1, 52), WeeksMax: s.number("weeks_max", 1, 200), WaitWeeks: s.number("wait_weeks_after", 0, 20),
		Nitrogen: s.maybe("fixes_n_g_per_m2", 0, 50).Value, Winter: s.word("winter", "", "yes") == "yes", Undersow: s.word("undersow", "no", "yes") == "yes", Note: s.must("note"),
	})
}

// GreenManure returns a green manure by its id, or nil.
func (b *Book) GreenManure(id string) *GreenManure {
	for i := range b.GreenManures {
		if b.GreenManures[i].ID == id {
			return &b.GreenManures[i]
		}
	}
	return nil
}
