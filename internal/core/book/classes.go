package book

// Harvest says how a crop is gathered.
type Harvest string

// The ways of gathering.
const (
	Once Harvest = "once" // one gathering
	Pick Harvest = "pick" // repeated picking over a window
	Cut  Harvest = "cut"  // cut and come again
)

// Frost says how much cold a growing crop bears.
type Frost string

// The classes of frost hardiness, from the hardiest.
const (
	Hardy      Frost = "hardy"
	HalfHardy  Frost = "half-hardy"
	Tender     Frost = "tender"
	VeryTender Frost = "very-tender"
)

// Start says how a crop is usually started.
type Start string

// The usual practices.
const (
	SownDirect   Start = "direct"     // sown in the bed
	Transplanted Start = "transplant" // sown indoors and planted out
	SownEither   Start = "either"     // either of these
	Vegetative   Start = "vegetative" // planted as cloves, sets, tubers or slips
)

// Group says what of a crop is eaten, and so how it grows and is gathered.
type Group string

// The groups.
const (
	Root      Group = "root"
	Tuber     Group = "tuber"
	Bulb      Group = "bulb"
	Stem      Group = "stem"
	Leaf      Group = "leaf"
	Head      Group = "head"
	Fruit     Group = "fruit"
	Legume    Group = "legume"
	Grain     Group = "grain"
	Herb      Group = "herb"
	Flower    Group = "flower"
	Berry     Group = "berry"
	PatchCrop Group = "perennial"
	Shoots    Group = "shoots"
	Craft     Group = "craft"
)

// Storage is what a crop needs to keep whole.
type Storage string

// The ways of keeping whole.
const (
	NoStorage     Storage = "none"
	GroundStorage Storage = "ground" // it is left in the bed and dug as it is needed
	CoolMoist     Storage = "cool-moist"
	CoolDry       Storage = "cool-dry"
	WarmDry       Storage = "warm-dry"
	DryStorage    Storage = "dry"
)

// Support is what holds a crop up.
type Support string

// The supports.
const (
	NoSupport   Support = "none"
	Stake       Support = "stake"
	Cage        Support = "cage"
	Trellis     Support = "trellis"
	RidgeString Support = "ridge-string"
)

// Sunlight is how much sun a crop wants.
type Sunlight string

// FullSun is the most.
const FullSun Sunlight = "full"
