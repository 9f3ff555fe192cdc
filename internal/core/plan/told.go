package plan

import (
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/place"
	"inventory/internal/core/say"
	"inventory/internal/core/season"
	"inventory/internal/core/wish"
	"inventory/internal/core/work"
)

// Plan is what a household's wishes come to.
type Plan struct {
	AsOf             civil.Date    `json:"as_of"`
	Year             string        `json:"year"`        // such as 2027/28
	Weeks            []civil.Date  `json:"weeks"`       // first day of each week of the table year
	LastFrost        int           `json:"last_frost"`  // week of the median last spring frost; -1 where there is none
	FirstFrost       int           `json:"first_frost"` // week of the median first autumn frost; -1 where there is none
	AdultEquivalents float64       `json:"eaters"`      // mean over the year, an adult being 1
	Warmest          int           `json:"warmest"`     // week with the greatest mean daily maximum
	WarmestC         float64       `json:"warmest_c"`   // that maximum, °C
	EmptyShelf       bool          `json:"empty_shelf"` // nothing stands on the shelf: what is kept comes only with the first harvests
	Tally            Tally         `json:"tally"`
	Wishes           []Wish        `json:"wishes"`
	Sowings          []Sowing      `json:"sowings"`          // by date
	Over             []Over        `json:"over,omitempty"`   // what can be begun no more for this year
	Missed           []Missed      `json:"missed,omitempty"` // overdue for so long that they count no more, by date
	Green            []Green       `json:"green"`            // green manures, by date
	Chores           []work.Due    `json:"chores"`           // the household's own jobs, from a fortnight ago on, by day
	Windows          []CropWindows `json:"fields"`           // when each crop of the sowings may be begun
	Kitchen          Kitchen       `json:"kitchen"`
	Storage          []StorageUse  `json:"rooms"` // stores and freezer, against what they hold
	Goals            Goals         `json:"goals"`
	Shelf            []ShelfItem   `json:"shelf"`   // what stands on the shelf today, and how long
	Work             Work          `json:"work"`    // hours in the garden and trays on the raising shelf, by week
	Moons            []place.Moon  `json:"moons"`   // information only
	Changed          []Move        `json:"changed"` // what differs from the plan that was agreed

	Unknown []household.Unknown `json:"unknown"` // what the crop book does not know: kept, and left out of the plan
}

// Sowing returns a sowing by its name; nil where the plan has none of that name.
func (p *Plan) Sowing(id string) *Sowing {
	i := slices.IndexFunc(p.Sowings, func(s Sowing) bool { return s.ID == id })
	if i < 0 {
		return nil
	}
	return &p.Sowings[i]
}

// Tally is the whole table at a glance. Weeks are counted wish by wish.
type Tally struct {
	WeeksFed    int     `json:"weeks_fed"`
	WeeksWanted int     `json:"weeks_wanted"`
	Gaps        int     `json:"gaps"` // weeks wanted that nothing feeds and nobody buys for
	Plants      int     `json:"plants"`
	Sowings     int     `json:"sowings"`
	Area        float64 `json:"area"`      // m² of bed taken in the fullest week
	AreaWeek    int     `json:"area_week"` // that week
	Jars        int     `json:"jars"`      // to be filled
	Freezer     float64 `json:"freezer"`   // litres in the freezer when it is fullest
	Overloads   int     `json:"overloads"` // weeks in which the kitchen has more to do than it can
}

// Wish is what one wish comes to.
type Wish struct {
	ID          string      `json:"id"`
	Title       string      `json:"title"`
	Words       string      `json:"words"`
	Unit        amount.Unit `json:"unit"`
	Number      float64     `json:"number"` // what is wished, as it is said, last year's story reckoned in
	Wanted      []float64   `json:"wanted"` // each of 52 weeks, in the wish's own unit
	Source      []wish.Form `json:"source"` // each of 52 weeks: a form, gap, or nothing wanted
	Coming      []wish.Form `json:"coming"` // the same for the year that comes, from the shelf as it stands
	WeeksFed    int         `json:"weeks_fed"`
	WeeksWanted int         `json:"weeks_wanted"`
	WeeksBought int         `json:"weeks_bought"` // gaps closed by buying
	OnShelf     bool        `json:"on_shelf"`     // something of it stands on the shelf today
	ToFill      int         `json:"to_fill"`      // jars to be filled
	Batches     float64     `json:"batches"`      // of putting up
	Hours       float64     `json:"hours"`        // hands on, putting up
	Frozen      float64     `json:"frozen"`       // litres into the freezer
	Uses        []Use       `json:"uses"`
	HarvestUnit amount.Unit `json:"harvest_unit"` // kg, or pieces
	Harvested   float64     `json:"harvested"`    // harvest needed
	Average     float64     `json:"average"`      // what an average year gives
	LeftOver    float64     `json:"left_over"`    // the surplus of an average year
	Plants      int         `json:"plants"`
	Area        float64     `json:"area"` // m² of all its sowings
	RowMetres   float64     `json:"row_metres"`
	SowingCount int         `json:"sowing_count"`
	Confidence  float64     `json:"confidence"` // of its first use; 0: a typical year
	JarLitre    float64     `json:"jar_litre,omitempty"`
	Load        *Load       `json:"load,omitempty"`
	Enough      bool        `json:"enough"` // what is left meets it: grow none this year
	Notes       []say.Note  `json:"notes"`
	Cautions    []string    `json:"cautions"`
}

// Load is a wish in jars against full loads of the canner or its like.
type Load struct {
	Jars  int `json:"jars"`  // jars to a full load
	Below int `json:"below"` // nearest count of full loads at or under the wish
	Above int `json:"above"` // nearest at or over it
}

// Use is what one form of a wish comes to.
type Use struct {
	Form        string      `json:"form"` // empty for plants nobody weighs
	Part        bool        `json:"part"` // another crop that a preparation takes
	Crop        string      `json:"crop"`
	CropName    string      `json:"crop_name"`
	Why         say.Note    `json:"why"`
	Store       string      `json:"store,omitempty"`
	Preparation string      `json:"preparation,omitempty"`
	Left        float64     `json:"left"` // of today's shelf, when the new crop comes
	LeftUnit    amount.Unit `json:"left_unit,omitempty"`
	LeftShare   float64     `json:"-"`              // Left as a share of what a year takes, 0 to 1
	Kept        *civil.Date `json:"kept,omitempty"` // when it is stored or put up
	Life        int         `json:"life,omitempty"` // weeks it keeps
	Weeks       int         `json:"weeks"`
	Unit        amount.Unit `json:"unit"` // of Harvested and Average
	Harvested   float64     `json:"harvested"`
	Average     float64     `json:"average"`
	Plants      int         `json:"plants"`
	Area        float64     `json:"area"`
	Figure      string      `json:"figure"`
	Short       say.Note    `json:"short,omitzero"` // why its confidence cannot be had
}

// Sowing is one sowing with its dates and counts.
type Sowing struct {
	ID        string        `json:"id"`
	Wish      string        `json:"wish"`
	WishTitle string        `json:"wish_title"`
	Crop      string        `json:"crop"`
	CropName  string        `json:"crop_name"`
	Form      string        `json:"form"`
	Method    season.Method `json:"method"`
	Date      civil.Date    `json:"date"` // the first thing to do: sow, or plant stock
	HardenOff *civil.Date   `json:"harden_off,omitempty"`
	PlantOut  *civil.Date   `json:"plant_out,omitempty"`
	UpBy      *civil.Date   `json:"up_by,omitempty"`
	FirstPick *civil.Date   `json:"first_pick,omitempty"`
	LastPick  *civil.Date   `json:"last_pick,omitempty"`
	PlainPick *civil.Date   `json:"plain_pick,omitempty"` // the first pick by the catalogue's days alone
	SurePick  *civil.Date   `json:"sure_pick,omitempty"`  // the first pick with the slack that is planned for
	Frost     float64       `json:"frost"`                // chance of a killing frost after it stands in the open; tender crops only
	Clear     civil.Date    `json:"clear"`
	Days      int           `json:"days"`               // catalogue days from Date or planting out to the first harvest
	Late      bool          `json:"late"`               // its date is past
	Presumed  bool          `json:"presumed,omitempty"` // nobody recorded it, it is overdue, and counts as put down on its day for some days
	Feeds     []int         `json:"feeds"`
	Unit      amount.Unit   `json:"unit"` // of Need, Low, Likely, High: kg or pieces
	Need      float64       `json:"need"`
	Plants    int           `json:"plants"`
	SetOut    int           `json:"set_out"`
	Cells     int           `json:"cells"`
	Stations  int           `json:"stations"`
	Planted   int           `json:"-"` // places that it takes in the bed: plants or stations
	Seeds     int           `json:"seeds"`
	SeedGram  float64       `json:"seed_gram"`
	PerPlace  int           `json:"per_place"`           // seeds to a cell or station
	Depth     float64       `json:"depth_cm"`            // at which seed or planting stock is put; 0: not known
	SetDepth  string        `json:"set_depth,omitempty"` // how deep young plants are set, in words
	StockKg   float64       `json:"stock_kg"`
	StockUnit string        `json:"stock_unit,omitempty"`
	DrillM    float64       `json:"drill_m"`
	Layout    wish.Layout   `json:"layout,omitempty"`
	Rows      int           `json:"rows"`
	InRow     float64       `json:"in_row"` // cm
	RowGap    float64       `json:"row_gap"`
	RowMetres float64       `json:"row_metres"`
	BedLength float64       `json:"bed_length"`
	Area      float64       `json:"area"`
	Low       float64       `json:"low"`
	Likely    float64       `json:"likely"`
	High      float64       `json:"high"`
	LossShare float64       `json:"loss_chance"` // chance that it is lost outright
	FirstWhy  say.Note      `json:"first_why"`   // why not earlier
	LastWhy   say.Note      `json:"last_why"`    // why not later
	Cover     string        `json:"cover,omitempty"`
	Warmer    float64       `json:"warmer,omitempty"` // °C than the place, where it stands
	Stands    bool          `json:"stands"`           // a patch that stands already
	Choice    season.Method `json:"way,omitempty"`
	Early     bool          `json:"early"`            // a row risked before the season: nothing is counted on it
	Merged    say.Note      `json:"merged,omitzero"`  // what was sown with it, being too small for itself
	Set       bool          `json:"set"`              // set by hand, or really begun
	SetWhy    say.Note      `json:"set_why,omitzero"` // why it may not be begun then, where it was set all the same
	Begun     bool          `json:"begun"`            // really sown or planted
	InBed     bool          `json:"in_bed"`           // it grows in a bed today
	Behind    int           `json:"behind"`           // days later than reckoned, as seen in the bed
	Over      bool          `json:"over"`             // it has ended: cleared, bolted or lost
	Wants     int           `json:"wants"`            // plants the plan needs; Plants is then the user's count
	Spare     int           `json:"spare"`            // starts beyond those set out, in a middling year
	KeepBack  float64       `json:"keep_back"`        // g of seed to keep for the sowings that follow
	Crosses   say.Note      `json:"crosses,omitzero"` // with what it would cross, and what would avoid it
	Tasks     []work.Task   `json:"tasks"`
	For       []Served      `json:"for"` // the wishes it serves

	Day civil.Date `json:"day"` // on which it takes the ground
}

// Served is a wish's part of a sowing.
type Served struct {
	Wish    string  `json:"wish"`
	Title   string  `json:"title"`
	Form    string  `json:"form"`
	Part    bool    `json:"part"` // another crop that its preparation takes
	Need    float64 `json:"need"`
	Plants  int     `json:"plants"`
	Area    float64 `json:"area"`
	Average float64 `json:"average"`
}
