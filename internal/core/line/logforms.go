package line

import (
	"cmp"
	"maps"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/record"
	"inventory/internal/core/wish"
)

const (
	shareWords = `half|all|most|some|a third|a quarter`
	places     = `freezer|cellar|shelf|storage|store|pantry|loft|root cellar|attic`
	ordinals   = `first|second|third|fourth|fifth|last`
)

// harms are the words for what harms a planting, each with the cause of losses that it is.
var harms = map[string]record.Cause{
	"frost": "frost", "hail": "other", "drought": "drought", "heat": "drought", "wind": "other", "storm": "other", "rain": "wet", "flood": "wet",
	"aphids": "pests", "slugs": "pests", "snails": "pests", "caterpillars": "pests", "beetles": "pests", "flea beetles": "pests", "blight": "pests",
	"mildew": "pests", "rust": "pests", "whitefly": "pests", "bugs": "pests", "ants": "pests", "rot": "wet",
	"deer": "animals", "rabbits": "animals", "pigeons": "animals", "mice": "animals", "voles": "animals", "birds": "animals", "moles": "animals",
	"bolted": "bolted", notUp: "seed",
}

// notUp is the reason where nothing came of a sowing.
const notUp = "did not come up"

// CauseOf returns the cause of a loss that a reason of a line stands for; something else where no
// word for it is known.
func CauseOf(reason string) record.Cause {
	if c, known := harms[reason]; known || reason == "" {
		return c
	}
	return "other"
}

// harmWords is a pattern of all words for what harms, the longest first.
var harmWords = func() string {
	words := slices.Collect(maps.Keys(harms))
	slices.SortFunc(words, func(a, b string) int { return cmp.Or(cmp.Compare(len(b), len(a)), cmp.Compare(a, b)) })
	return strings.Join(words, "|")
}()

var shares = map[string]float64{"half": 0.5, "all": 1, "most": 0.8, "some": 0.5, "a third": 0.33, "a quarter": 0.25, "": 1}
var ordinalOf = map[string]string{"first": "1", "second": "2", "third": "3", "fourth": "4", "fifth": "5", "last": "last"}

// work says which task a word is, and what is noted beside it.
var work = map[string][2]string{
	"thinned": {"thin", ""}, "weeded": {"weed", ""}, "watered": {"water", ""}, "hilled": {"hill", ""}, "earthed up": {"hill", ""},
	"netted": {"cover on", "net"}, "covered": {"cover on", ""}, "fleeced": {"cover on", "fleece"}, "mulched": {"mulch", ""},
	"staked": {"stake", ""}, "pruned": {"prune", ""}, "hardened off": {"harden off", ""}, "uncovered": {"cover off", ""},
}

// formOf is how each word for putting up has it.
var formOf = map[string]wish.Form{
	"put up": wish.Canned, "canned": wish.Canned, "bottled": wish.Canned, "jarred": wish.Canned, "froze": wish.Frozen, "frozen": wish.Frozen,
	"dried": wish.Dried, "pickled": wish.Pickled, "fermented": wish.Fermented, "started": wish.Fermented, "juiced": wish.Juiced, "made": wish.Canned,
}

func re(pattern string) *regexp.Regexp { return regexp.MustCompile(`^` + pattern + `$`) }

// logForms are the ways of saying what happened, the surest first. What is none of them came in.
var logForms = []logForm{
	{re(`([\d.,]+) ?(mm|inches|inch|in) (?:of )?rain`), (*logReader).rain},
	{re(`(?:the )?(?:first |hard |light |a |late )*frost`), func(*logReader, []string) ([]Logged, error) {
		return []Logged{{Act: LogNote, Note: "frost"}}, nil
	}},
	{re(`nothing came (?:up )?of (?:the )?(.+)`), func(r *logReader, m []string) ([]Logged, error) {
		return r.share(LogLost, m[1], "", notUp)
	}},
	{re(`(?:nothing|none) from (?:the )?(.+)`), func(r *logReader, m []string) ([]Logged, error) {
		l, err := r.of(m[1], LogNote)
		l.Note = "nothing came in"
		return []Logged{l}, err
	}},
	{re(`(?:a|an|one|1) (\S+) (?:of )?(.+?) (?:is|are|weighs|holds|makes|=) (?:about )?([\d.,]+) ?(\S+)`), (*logReader).measure},
	{re(`(\d+) of (?:the )?(\d+) (.+?)( cells| stations)? (?:are |came )?up`), (*logReader).cameUp},
	{re(`(?:only )?(?:(` + shareWords + `) )?(?:of )?(?:the )?(.+?) (?:came |are |is )?up`), func(r *logReader, m []string) ([]Logged, error) {
		return r.share(LogUp, m[2], m[1], "")
	}},
	{re(`(?:the )?(.+?) (?:are |is )?(\S+) (days?|weeks?) (behind|late|ahead|early)`), (*logReader).behind},
	{re(`(?:the )?(.+?) (?:are |is )?(?:ready|ripe)`), func(r *logReader, m []string) ([]Logged, error) {
		l, err := r.of(m[1], LogSeen)
		l.What = "ready"
		return []Logged{l}, err
	}},
	{re(`(?:the )?(.+?) (?:has |have )?(?:bolted|run to seed|ran to seed)`), func(r *logReader, m []string) ([]Logged, error) {
		return r.share(LogEnded, m[1], "", "bolted")
	}},
	{re(`cleared (?:out )?(?:the )?(.+)`), func(r *logReader, m []string) ([]Logged, error) { return r.share(LogEnded, m[1], "", "") }},
	{re(`(?:the )?(.+?) (?:are|is) (?:over|done|finished)`), func(r *logReader, m []string) ([]Logged, error) { return r.share(LogEnded, m[1], "", "") }},
	{re(`(` + harmWords + `) (?:ate|got|took|had|killed) (?:(` + shareWords + `) )?(?:of )?(?:the )?(.+)`), lostTo(1, 2, 3)},
	{re(`(` + harmWords + `), ?(?:(` + shareWords + `) )?(?:of )?(?:the )?(.+?) (?:are |is )?(?:gone|lost|dead)`), lostTo(1, 2, 3)},
	{re(`lost (?:the |all the |all )?(?:(` + ordinals + `) )?(.+?)(?: to (?:the )?(.+))?`), (*logReader).lost},
	{re(`(` + harmWords + `) (?:on|in|at) (?:the )?(.+)`), func(r *logReader, m []string) ([]Logged, error) {
		l, err := r.of(m[2], LogNote)
		l.Note = "pest " + m[1]
		return []Logged{l}, err
	}},
	{re(`took (?:the )?(fleece|row cover|cover|net|netting|tunnel) off (?:the )?(.+)`), func(r *logReader, m []string) ([]Logged, error) {
		l, err := r.of(m[2], LogDone)
		l.What, l.Note = "cover off", m[1]
		return []Logged{l}, err
	}},
	{re(`(thinned|weeded|watered|hilled|earthed up|netted|covered|fleeced|mulched|staked|pruned|hardened off|uncovered) (?:up )?(?:the )?(.+)`), (*logReader).done},
	{re(`(?:sowed|sown|seeded|direct sowed) (.+)`), func(r *logReader, m []string) ([]Logged, error) { return r.begun(LogSown, m[1]) }},
	{re(`(?:the )?(?:(` + ordinals + `) )?(.+?) (?:were |was )?sown`), func(r *logReader, m []string) ([]Logged, error) {
		out, err := r.share(LogSown, m[2], "", "")
		if err == nil {
			out[0].Which = ordinalOf[m[1]]
		}
		return out, err
	}},
	{re(`(?:planted out|set out|planted|put in|transplanted) (.+)`), func(r *logReader, m []string) ([]Logged, error) { return r.begun(LogPlanted, m[1]) }},
	{re(`potted (?:on|up) (.+)`), func(r *logReader, m []string) ([]Logged, error) { return r.begun(LogPottedOn, m[1]) }},
	{re(`counted (.+?)(?: (?:in|on) (?:the )?(?:` + places + `))?`), func(r *logReader, m []string) ([]Logged, error) { return r.drawn(LogCount, m[1], "", "") }},
	{re(`(.+?) (?:are |is )?left(?: (?:in|on) (?:the )?(?:` + places + `))?`), func(r *logReader, m []string) ([]Logged, error) { return r.drawn(LogCount, m[1], "", "") }},
	{re(`(put up|canned|bottled|jarred|froze|frozen|dried|pickled|fermented|started|juiced|made) (.+)`), func(r *logReader, m []string) ([]Logged, error) {
		return r.putUp(formOf[m[1]], m[2])
	}},
	{re(`(?:threw|tossed|thrown) (?:out|away) (.+)`), func(r *logReader, m []string) ([]Logged, error) { return r.drawn(LogDraw, m[1], record.Lost, "") }},
	{re(`(.+?) (?:have |has )?(spoiled|spoilt|rotted|went off|gone off|went mouldy)`), func(r *logReader, m []string) ([]Logged, error) {
		return r.drawn(LogDraw, m[1], record.Lost, "spoiled")
	}},
	{re(`(?:took|opened|used|used up|fetched|got out) (.+?)(?: (?:out|from the (?:` + places + `)))?`), func(r *logReader, m []string) ([]Logged, error) { return r.drawn(LogDraw, m[1], record.Table, "") }},
	{re(`(.+?) (?:from|out of) the (?:` + places + `)`), func(r *logReader, m []string) ([]Logged, error) { return r.drawn(LogDraw, m[1], record.Table, "") }},
	{re(`gave (?:away )?(?:(?:the )?(?:mum|mom|mother|dad|neighbours?|neighbors?|friends|grandma|family) )?(.+)`), (*logReader).gave},
	{re(`composted (.+)`), func(r *logReader, m []string) ([]Logged, error) { return r.went(m[1], record.Compost) }},
	{re(`(?:ate|we ate|eaten) (.+)`), func(r *logReader, m []string) ([]Logged, error) { return r.went(m[1], record.Table) }},
	{re(`fed (.+) to (?:the )?(?:` + animals + `)`), func(r *logReader, m []string) ([]Logged, error) { return r.went(m[1], record.Animals) }},
}

const animals = `hens|chickens|rabbits|pigs?|goats?|ducks|geese|animals|sheep|cows?`

func (r *logReader) rain(m []string) ([]Logged, error) {
	v, _ := amount.ParseNumber(m[1])
	if m[2] != "mm" {
		v *= 25.4
	}
	return []Logged{{Act: LogWeather, Number: v, Unit: "mm"}}, nil
}

// measure reads what one measure of a food holds: "a bucket of beans is 3.1 kg".
func (r *logReader) measure(m []string) ([]Logged, error) {
	n, isNumber := amount.ParseNumber(m[3])
	name, weighed := r.unitWord(m[1], "kg")
	_, each := r.unitWord(m[4], "kg")
	if !isNumber || n <= 0 || name == "" || weighed > 0 || each == 0 {
		return nil, nil // another way of saying something
	}
	l, err := r.of(m[2], LogMeasure)
	if err != nil {
		return nil, err
	}
	l.Unit, l.Kg = name, n*each
	return []Logged{l}, nil
}

// unitWord looks a word for a unit up: how it is called, and how much one is of a kind of unit, such
// as kg.
func (r *logReader) unitWord(text, kind string) (name string, each float64) {
	for _, w := range r.lex.find(text) {
		if w.Kind != book.UnitWord {
			continue
		}
		if name == "" {
			name = w.Text
		}
		if k, _, v := parse(w.Means[0]); k == kind {
			each = v
		}
	}
	return name, each
}

// share reads what happened to a share of a sowing; to all of it where none is said.
func (r *logReader) share(act LogAct, of, share, reason string) ([]Logged, error) {
	l, err := r.of(of, act)
	l.Number, l.Unit, l.Reason = shares[share], "share", reason
	return []Logged{l}, err
}

func (r *logReader) cameUp(m []string) ([]Logged, error) {
	l, err := r.of(m[3], LogUp)
	n, _ := strconv.ParseFloat(m[1], 64)
	of, _ := strconv.ParseFloat(m[2], 64)
	l.Number, l.Of, l.Unit = n, of, "station"
	if strings.Contains(m[4], "cell") {
		l.Unit = "cell"
	}
	if err == nil && n > of {
		err = refuse(m[1], "%s of %s cannot have come up.", m[1], m[2])
	}
	return []Logged{l}, err
}

func (r *logReader) behind(m []string) ([]Logged, error) {
	l, err := r.of(m[1], LogSeen)
	if err != nil {
		return nil, err
	}
	n, err := r.number(m[2])
	if err != nil {
		return nil, err
	}
	if strings.HasPrefix(m[3], "week") {
		n *= 7
	}
	if m[4] == "behind" || m[4] == "late" {
		n = -n
	}
	l.Number, l.Unit = n, "days"
	return []Logged{l}, nil
}

// number reads a number in figures or words.
func (r *logReader) number(text string) (float64, error) {
	s, err := r.gather(Scan(text, r.lex))
	if err == nil && len(s.quantities) > 0 {
		return s.quantities[0].number, nil
	}
	return 0, refuse(text, "“%s” is no number.", text)
}

// lostTo reads a loss with its cause, the share and the food in their places.
func lostTo(cause, share, food int) func(*logReader, []string) ([]Logged, error) {
	return func(r *logReader, m []string) ([]Logged, error) { return r.share(LogLost, m[food], m[share], m[cause]) }
}

func (r *logReader) lost(m []string) ([]Logged, error) {
	t, err := r.thing(m[2])
	if err != nil {
		return nil, err
	}
	l := t.logged(LogLost)
	l.Which, l.Reason = ordinalOf[m[1]], m[3]
	if l.Unit = "plant"; l.Number == 0 {
		l.Number, l.Unit = 1, "share"
	}
	return []Logged{l}, nil
}

var minutes = regexp.MustCompile(` ?\b(?:for )?(\d+ (?:minutes|minute|min|hours|hour|h))\b`)

func (r *logReader) done(m []string) ([]Logged, error) {
	l := Logged{Act: LogDone, What: work[m[1]][0], Note: work[m[1]][1]}
	rest := m[2]
	if time := minutes.FindStringSubmatch(rest); time != nil {
		l.Note, rest = strings.TrimSpace(l.Note+" "+time[1]), strings.TrimSpace(minutes.ReplaceAllString(rest, ""))
	}
	if rest == "" || rest == "everything" || rest == "all" || rest == "the beds" || rest == "garden" {
		return []Logged{l}, nil
	}
	for _, bed := range r.beds {
		if strings.EqualFold(bed, rest) {
			l.Which = bed
			return []Logged{l}, nil
		}
	}
	t, err := r.thing(rest)
	if err != nil {
		return nil, err
	}
	l.Food, l.Kind = t.food, t.kind
	return []Logged{l}, nil
}

var (
	fewer    = regexp.MustCompile(`,? (\w+) (?:short|fewer|too few)$`)
	partOf   = regexp.MustCompile(`^(` + shareWords + `) (?:of )?(?:the )?(.+)$`)
	stockOf  = regexp.MustCompile(`\bseed (potato|potatoes|garlic|onions?)\b`)
	cloves   = regexp.MustCompile(`\b(garlic|shallot|onion|potato)s? (cloves|bulbs|sets|tubers)\b`)
	traysOf  = regexp.MustCompile(`^(\w+) (trays?|pots?|modules?) (?:of )?(.+)$`)
	indoors  = regexp.MustCompile(` (indoors|inside|in the greenhouse|on the windowsill)$`)
	whichRow = regexp.MustCompile(`^(?:the )?(` + ordinals + `) (.+)$`)
)

// begun reads what was sown or planted: a share of what was due, so many plants, a weight of
// tubers, so many trays.
func (r *logReader) begun(act LogAct, text string) ([]Logged, error) {
	l := Logged{Act: act}
	if m := indoors.FindString(text); m != "" {
		text, l.Note = strings.TrimSuffix(text, m), "indoors"
	}
	if m := fewer.FindStringSubmatch(text); m != nil {
		text, l.Note = strings.TrimSuffix(text, m[0]), m[1]+" fewer than planned"
	}
	share := ""
	if m := partOf.FindStringSubmatch(text); m != nil {
		share, text = m[1], m[2]
	}
	if m := whichRow.FindStringSubmatch(text); m != nil {
		l.Which, text = ordinalOf[m[1]], m[2]
	}
	text = cloves.ReplaceAllString(stockOf.ReplaceAllString(text, "$1"), "$1")
	if m := traysOf.FindStringSubmatch(text); m != nil {
		n, err := r.number(m[1])
		if err == nil {
			t, err := r.thing(m[3])
			l.Food, l.Kind, l.Number, l.Unit = t.food, t.kind, n, strings.TrimSuffix(m[2], "s")
			return []Logged{l}, err
		}
	}
	t, err := r.thing(text)
	if err != nil {
		return nil, err
	}
	l.Food, l.Kind, l.Number, l.Unit = t.food, t.kind, t.number, t.unit
	switch {
	case t.number == 0:
		l.Number, l.Unit = shares[share], "share"
	case t.unit == "piece":
		l.Unit = "plant"
	}
	return []Logged{l}, nil
}

var (
	notSealed = regexp.MustCompile(`,? (?:and )?(\w+) (?:did not seal|didn't seal|failed|broke|unsealed)$`)
	took      = regexp.MustCompile(`,? (?:in )?([\d.,½¼¾]+) (?:hours?|h)$`)
	madeFrom  = regexp.MustCompile(` from (.+)$`)
)

// putUp reads what was put up: containers filled, those that failed, what it took.
func (r *logReader) putUp(form wish.Form, text string) ([]Logged, error) {
	l := Logged{}
	if m := notSealed.FindStringSubmatch(text); m != nil {
		n, err := r.number(m[1])
		if err != nil {
			return nil, err
		}
		text, l.Failed = strings.TrimSuffix(text, m[0]), int(n)
	}
	if m := took.FindStringSubmatch(text); m != nil {
		text = strings.TrimSuffix(text, m[0])
		l.Hours, _ = amount.ParseNumber(m[1])
	}
	if m := madeFrom.FindStringSubmatch(text); m != nil {
		raw, err := r.thing(m[1])
		if err != nil {
			return nil, err
		}
		text = strings.TrimSuffix(text, m[0])
		if l.RawKg = raw.kg; raw.unit == "piece" {
			l.RawPieces = raw.number
		}
	}
	t, err := r.thing(text)
	if err != nil {
		return nil, err
	}
	if t.number == 0 {
		return nil, refuse("", "Say how many jars or bags were filled.")
	}
	if len(t.preps) == 0 {
		t.preps = nil
		r.made(&t, form)
	}
	out := t.logged(LogPutUp)
	out.Failed, out.Hours, out.RawKg, out.RawPieces = l.Failed, l.Hours, l.RawKg, l.RawPieces
	if out.Unit == "kg" {
		out.Kg, out.Ask = 0, "fresh or dried"
	}
	switch {
	case len(out.Preparations) > 1:
		out.Ask = "which"
	case out.Food == "":
		out.Ask = "of what"
	}
	return []Logged{out}, nil
}

var badState = regexp.MustCompile(`\b(rotten|mouldy|moldy|spoiled|spoilt|soft|shrivelled)\s+`)

// drawn reads what was taken from the shelf, or counted on it.
func (r *logReader) drawn(act LogAct, text string, to record.To, reason string) ([]Logged, error) {
	if m := badState.FindStringSubmatch(text); m != nil {
		reason, text = m[1], badState.ReplaceAllString(text, "")
	}
	t, err := r.thing(text)
	switch {
	case err != nil:
		return nil, err
	case t.number == 0:
		return []Logged{{Act: act, Food: t.food, Kind: t.kind, To: to, Ask: "how much"}}, nil
	}
	if t.unit == "jar" && len(t.preps) == 0 && t.food != "" {
		switch {
		case strings.Contains(text, "bag") || strings.Contains(text, "box"):
			r.made(&t, wish.Frozen)
		case r.plainlyNamed(t, text):
			r.made(&t, wish.Canned)
		}
	}
	l := t.logged(act)
	l.To, l.Reason = to, reason
	if to == record.Table {
		l.To = "" // what is taken is eaten, unless something else is said
	}
	return []Logged{l}, nil
}

// plainlyNamed reports whether a food was named by its own name, and not as pickles or jam.
func (r *logReader) plainlyNamed(t thing, text string) bool {
	return !strings.Contains(text, "pickle") && !strings.Contains(text, "jam") && len(r.ways(subject{food: t.food, kind: t.kind}, wish.Canned)) > 0
}

// gave reads what was given away: jars of the shelf, or of what came in.
func (r *logReader) gave(m []string) ([]Logged, error) {
	t, err := r.thing(strings.TrimSpace(regexp.MustCompile(` to (?:the )?\w+$`).ReplaceAllString(m[1], "")))
	if err != nil {
		return nil, err
	}
	if t.unit == "jar" {
		l := t.logged(LogDraw)
		l.To = record.Given
		return []Logged{l}, nil
	}
	return r.went(m[1], record.Given)
}

var bolted = regexp.MustCompile(`\bbolted\s+`)

// went reads where something of what came in went.
func (r *logReader) went(text string, to record.To) ([]Logged, error) {
	reason := ""
	if bolted.MatchString(text) {
		reason, text = "bolted", bolted.ReplaceAllString(text, "")
	}
	if strings.HasSuffix(text, "thinnings") || strings.HasSuffix(text, "tops") {
		return []Logged{{Act: LogUse, To: to, What: "thinnings", Ask: "which crop, how much"}}, nil
	}
	t, err := r.thing(regexp.MustCompile(` to (?:the )?\w+$`).ReplaceAllString(text, ""))
	if err != nil {
		return nil, err
	}
	l := t.logged(LogUse)
	l.To, l.Reason = to, reason
	if t.number == 0 {
		l.Ask = "how much"
	}
	return []Logged{l}, nil
}
