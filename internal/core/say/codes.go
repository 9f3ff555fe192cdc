package say

// Facts without values: of kinds and seasons.
const (
	ChosenKind Code = "chosen-kind" // the household named the kind
	OnlyKind   Code = "only-kind"
	UsualKind  Code = "usual-kind"
	AllAtOnce  Code = "all-at-once" // the kind comes all at once, for putting up

	AnyTime           Code = "any-time"
	TooEarlyForWinter Code = "too-early-for-winter"
	TooSmallForWinter Code = "too-small-for-winter"
	FreezesInWinter   Code = "freezes-in-winter"
	TooEarlyForBulbs  Code = "too-early-for-bulbs"
	OnATray           Code = "on-a-tray"
	BeforeAutumnFrost Code = "before-autumn-frost"
	AfterAutumnFrost  Code = "after-autumn-frost"
	WarmFromJanuary   Code = "warm-from-january"
	WarmFromMidwinter Code = "warm-from-midwinter"
	NothingStopsIt    Code = "nothing-stops-it"
	NeverCoolEnough   Code = "never-cool-enough"
	NoWarmDay         Code = "no-warm-day"
	SownInPlaceFeeds  Code = "sown-in-place-feeds"
	RaisedLaterNoMore Code = "raised-later-no-more"
	PatchAtItsTime    Code = "patch-at-its-time"
	FirstAutumnFrost  Code = "first-autumn-frost"
	ColdShortDays     Code = "cold-short-days"
	NobodyItIsFor     Code = "nobody-it-is-for"
	EnoughOnShelf     Code = "enough-on-shelf"
	NoRain            Code = "no-rain"
	FrostsAsTheyWere  Code = "frosts-as-they-were"
	NoBedYet          Code = "no-bed-yet"
	FamilyTooLately   Code = "family-too-lately"
	BedsTaken         Code = "beds-taken"
	ForOpenGround     Code = "for-open-ground"
	LittleSun         Code = "little-sun"
	WantsFullSun      Code = "wants-full-sun"
	NothingToClimb    Code = "nothing-to-climb"
	SownHere          Code = "sown-here"
	PutByHand         Code = "put-by-hand"
	FillsTheStretch   Code = "fills-the-stretch"
	KeepInStore       Code = "keep-in-store"
	EatFresh          Code = "eat-fresh"
	KindForEachUse    Code = "kind-for-each-use"
	SowAsNeeded       Code = "sow-as-needed"
	WantWhileItLasts  Code = "want-while-it-lasts"
	OneEveningMore    Code = "one-evening-more"
	AQuarterLess      Code = "a-quarter-less"
	CloserTogether    Code = "closer-together"
)

var sentences = map[Code]string{
	ChosenKind: "the variety you chose",
	OnlyKind:   "the only variety in the book",
	UsualKind:  "the usual variety",
	AllAtOnce:  "the best variety for this; it ripens all at once",

	AnyTime:           "it can be started at any time of the year here",
	TooEarlyForWinter: "too early for the winter: it would be too big when the cold comes",
	TooSmallForWinter: "too small before the winter to survive it",
	FreezesInWinter:   "it freezes in a usual winter here before it is ripe",
	TooEarlyForBulbs:  "planted earlier, it would make its bulbs too soon",
	OnATray:           "sown on a tray at any time",
	BeforeAutumnFrost: "two weeks before the first autumn frost",
	AfterAutumnFrost:  "six weeks after the first autumn frost",
	WarmFromJanuary:   "warm enough from the first of January",
	WarmFromMidwinter: "warm enough from midwinter on",
	NothingStopsIt:    "nothing stops it here",
	NeverCoolEnough:   "the average temperature never falls below 15 °C here, when it would be planted",
	NoWarmDay:         "no day of the year is warm enough",
	SownInPlaceFeeds:  "from then on it feeds the same weeks when sown in the bed",
	RaisedLaterNoMore: "sown indoors later, it feeds no week that is not fed already",
	PatchAtItsTime:    "a full-grown patch is picked in its own season",
	FirstAutumnFrost:  "the first autumn frost",
	ColdShortDays:     "the cold, short days in which it stops growing",

	NobodyItIsFor:    "nobody in this household eats it",
	EnoughOnShelf:    "enough is on the shelf: grow none for it this year",
	NoRain:           "the file has no rain, so the rain stays as it was",
	FrostsAsTheyWere: "no year has 330 days or more, so the frost dates stay as they were",

	NoBedYet:        "there is no bed yet",
	FamilyTooLately: "every bed had this plant family too recently",
	BedsTaken:       "the beds that could take it are full at that time",
	ForOpenGround:   "it is planned for a plot without beds",
	LittleSun:       "less than 4 hours of sun there",
	WantsFullSun:    "too little sun",
	NothingToClimb:  "no trellis",
	SownHere:        "It was sown or planted here.",
	PutByHand:       "You placed it here.",
	FillsTheStretch: "It uses all the free space.",

	KeepInStore:      "eat some from storage",
	EatFresh:         "eat some fresh",
	KindForEachUse:   "use the best variety for each use",
	SowAsNeeded:      "sow again as often as needed for no gaps",
	WantWhileItLasts: "eat it only while it lasts",
	OneEveningMore:   "one more kitchen evening in every week",
	AQuarterLess:     "a quarter less",
	CloserTogether:   "plant in a staggered grid",
}
