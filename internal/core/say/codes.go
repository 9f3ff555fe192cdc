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
	ChosenKind: "the kind you chose",
	OnlyKind:   "the only kind in the book",
	UsualKind:  "the usual kind",
	AllAtOnce:  "of its kinds it suits this best, and comes all at once",

	AnyTime:           "it can be begun at any time of the year here",
	TooEarlyForWinter: "too early for the winter: it would be too far on when the cold comes",
	TooSmallForWinter: "too small before the winter to stand through it",
	FreezesInWinter:   "it freezes in a usual winter here before it is ripe",
	TooEarlyForBulbs:  "planted earlier, it would make its bulbs too soon",
	OnATray:           "sown on a tray at any time",
	BeforeAutumnFrost: "two weeks before the first autumn frost",
	AfterAutumnFrost:  "six weeks after the first autumn frost",
	WarmFromJanuary:   "warm enough from the first of January",
	WarmFromMidwinter: "warm enough from midwinter on",
	NothingStopsIt:    "nothing stops it here",
	NeverCoolEnough:   "the mean never falls under 15 °C here, when it would be planted",
	NoWarmDay:         "no day of the year is warm enough",
	SownInPlaceFeeds:  "from then on, sown in place, it feeds the same weeks",
	RaisedLaterNoMore: "raised later, it feeds no week that is not fed already",
	PatchAtItsTime:    "a patch in full bearing is picked at its own time",
	FirstAutumnFrost:  "the first autumn frost",
	ColdShortDays:     "the cold, short days in which it stops growing",

	NobodyItIsFor:    "nobody in this household is one of those it is for",
	EnoughOnShelf:    "enough is left on the shelf: grow none for it this year",
	NoRain:           "the record has no rain; it stays as it was",
	FrostsAsTheyWere: "no year has 330 days or more; the frosts stay as they were",

	NoBedYet:        "there is no bed yet",
	FamilyTooLately: "its family stood in every bed too lately",
	BedsTaken:       "the beds that may have it are taken at that time",
	ForOpenGround:   "it is planned for open ground, not for a bed",
	LittleSun:       "it has less than 4 h of sun there",
	WantsFullSun:    "it wants full sun",
	NothingToClimb:  "there is nothing to climb",
	SownHere:        "It was sown or planted here.",
	PutByHand:       "It was put here by hand, and stays.",
	FillsTheStretch: "It fills the stretch to the end.",

	KeepInStore:      "keep some in the store",
	EatFresh:         "eat some fresh",
	KindForEachUse:   "let each use have the kind that suits it",
	SowAsNeeded:      "sow again as often as the table needs it",
	WantWhileItLasts: "want it only while it lasts",
	OneEveningMore:   "one putting-up evening more in every week",
	AQuarterLess:     "a quarter less",
	CloserTogether:   "closer, the same distance every way",
}
