package line

import (
	"regexp"
	"slices"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/record"
	"inventory/internal/core/wish"
)

// LogAct is what a line of the daybook says happened: an act of the record, or of a sowing.
type LogAct string

// The acts. Those of the record have its names.
const (
	LogHarvest  LogAct = "harvest"
	LogUse      LogAct = "use"
	LogPutUp    LogAct = "put-up"
	LogDraw     LogAct = "draw"
	LogCount    LogAct = "count"
	LogNote     LogAct = "note"
	LogSown     LogAct = "sown"
	LogPlanted  LogAct = "planted"
	LogPottedOn LogAct = "potted-on"
	LogUp       LogAct = "up"
	LogLost     LogAct = "lost"
	LogEnded    LogAct = "ended"
	LogDone     LogAct = "done"
	LogSeen     LogAct = "seen"
	LogWeather  LogAct = "weather"
	LogMeasure  LogAct = "measure" // what one measure of a food holds: Unit, Food, Kg
)

// Logged is one thing that a line of the daybook says happened.
type Logged struct {
	Act          LogAct     `json:"act"`
	Day          civil.Date `json:"day"`
	Food         string     `json:"food,omitempty"`
	Kind         string     `json:"kind,omitempty"`
	Preparations []string   `json:"preparations,omitempty"` // several: it may be any of them
	Number       float64    `json:"number,omitempty"`
	Unit         string     `json:"unit,omitempty"` // kg, lb, piece, bunch, jar, share, plant, station, cell, tray, mm, days or a measure of the household
	Of           float64    `json:"of,omitempty"`   // of how many, where so many of them came up
	Kg           float64    `json:"kg,omitempty"`   // 0: not said, or by count
	Litre        float64    `json:"litre,omitempty"`
	Failed       int        `json:"failed,omitempty"`
	To           record.To  `json:"to,omitempty"`
	Which        string     `json:"which,omitempty"` // 2, 3 …: which sowing by its order; half; or a bed
	Reason       string     `json:"reason,omitempty"`
	What         string     `json:"what,omitempty"` // the work that was done, or what was seen
	Last         bool       `json:"last,omitempty"`
	Hours        float64    `json:"hours,omitempty"`
	RawKg        float64    `json:"raw_kg,omitempty"`     // taken for what was put up
	RawPieces    float64    `json:"raw_pieces,omitempty"` // the same, counted
	Note         string     `json:"note,omitempty"`
	Ask          string     `json:"ask,omitempty"` // what must be said first

	spent bool // all of what came in went somewhere, as the same piece of the line says
}

// logReader reads lines of the daybook.
type logReader struct {
	*reader
	today civil.Date
	beds  []string // names of the household's beds
	day   civil.Date
}

// logForm is one way of saying what happened: a pattern, and what its parts mean.
type logForm struct {
	pattern *regexp.Regexp
	read    func(r *logReader, m []string) ([]Logged, error)
}

// Log reads what a household writes of a day: "2.4 kg slicing tomatoes", "sowed carrots", "took 2
// jars of sauce". One line may hold several things. A line that cannot be understood gives an
// invalid.Field named "line", as Wish does. Nothing is entered for a day that is still to come.
func Log(text string, b *book.Book, today civil.Date, beds []string) ([]Logged, error) {
	out, err := readLog(text, b, today, beds)
	if err != nil {
		return nil, asField(err)
	}
	return out, nil
}

func readLog(text string, b *book.Book, today civil.Date, beds []string) ([]Logged, error) {
	clean := strings.Join(strings.Fields(strings.ToLower(strings.NewReplacer("’", "'", "!", " ", ".  ", " ").Replace(text))), " ")
	clean = strings.TrimRight(clean, " .")
	switch {
	case clean == "":
		return nil, refuse("", `Say what happened, such as “2.4 kg tomatoes”, “sowed carrots” or “took 2 jars of sauce”.`)
	case len([]rune(clean)) > Longest:
		return nil, refuse(string([]rune(clean)[:20])+"…", "A line has at most %d characters.", Longest)
	}
	if m := negative.FindString(clean); m != "" {
		return nil, refuse(strings.TrimSpace(m), "“%s” is less than nothing. Enter what came in. To correct an earlier entry, remove it.", strings.TrimSpace(m))
	}
	r := &logReader{reader: &reader{b, LexiconOf(b), Where{}}, today: today, day: today, beds: beds}
	clean, err := r.takeDay(clean)
	if err != nil {
		return nil, err
	}
	for _, f := range logForms {
		if m := f.pattern.FindStringSubmatch(clean); m != nil {
			out, err := f.read(r, m)
			if err != nil {
				return nil, err
			}
			if out != nil {
				return r.dated(out), nil
			}
		}
	}
	out, err := r.cameIn(clean)
	return r.dated(out), err
}

var negative = regexp.MustCompile(`(?:^|\s)[-−]\d[\d.,]*`)

// dated gives all that a line says its day.
func (r *logReader) dated(all []Logged) []Logged {
	for i := range all {
		all[i].Day = r.day
	}
	return all
}

// monday is one: 4 January 2027.
var monday = civil.Of(2027, 1, 4)

const monthNames = `january|february|march|april|may|june|july|august|september|october|november|december|jan|feb|mar|apr|jun|jul|aug|sept|sep|oct|nov|dec`

var (
	ahead    = regexp.MustCompile(`\b(tomorrow|next (?:week|month|year|monday|tuesday|wednesday|thursday|friday|saturday|sunday))\b`)
	dayWords = regexp.MustCompile(`\b(yesterday|last night|today|this morning|tonight|this evening)\b`)
	weekday  = regexp.MustCompile(`\b(?:on |last )?(monday|tuesday|wednesday|thursday|friday|saturday|sunday)\b`)
	dayMonth = regexp.MustCompile(`\b(?:on )?(?:the )?(\d{1,2})(?:st|nd|rd|th)?(?: of)? (` + monthNames + `)(?:,? ((?:19|20)\d\d))?\b`)
	monthDay = regexp.MustCompile(`\b(?:on )?(` + monthNames + `) (\d{1,2})(?:st|nd|rd|th)?(?:,? ((?:19|20)\d\d))?\b`)
)

// takeDay takes the day out of a line: the last day of that name that has been.
func (r *logReader) takeDay(text string) (string, error) {
	if m := ahead.FindString(text); m != "" {
		return "", refuse(m, "“%s” is still to come: only what has happened is entered.", m)
	}
	cut := func(re *regexp.Regexp) { text = strings.Join(strings.Fields(re.ReplaceAllString(text, " ")), " ") }
	if m := dayWords.FindString(text); m != "" {
		if m == "yesterday" || m == "last night" {
			r.day--
		}
		cut(dayWords)
		return text, nil
	}
	if m := weekday.FindStringSubmatch(text); m != nil {
		want := slices.Index(weekdays, m[1])
		for r.day--; int(((r.day-monday)%7+7)%7) != want; {
			r.day--
		}
		cut(weekday)
		return text, nil
	}
	d, name, of := "", "", ""
	if m := dayMonth.FindStringSubmatch(text); m != nil {
		d, name, of = m[1], m[2], m[3]
		cut(dayMonth)
	} else if m := monthDay.FindStringSubmatch(text); m != nil {
		d, name, of = m[2], m[1], m[3]
		cut(monthDay)
	}
	if d == "" {
		return text, nil
	}
	return text, r.onDay(d, name, of)
}

// onDay takes the day of a line, in words: its number, its month, and the year or nothing for the last
// such day.
func (r *logReader) onDay(d, name, of string) error {
	month := slices.IndexFunc(months, func(n string) bool { return n[:3] == name[:3] }) + 1
	year, _, _ := r.today.Split()
	if of != "" {
		year = digits(of)
	}
	n := digits(d)
	r.day = civil.Of(year, month, n)
	if _, m, was := r.day.Split(); n < 1 || m != month || was != n {
		return refuse(d+" "+name, "“%s %s” is no day of %d.", d, name, year)
	}
	switch {
	case r.day <= r.today:
	case of != "":
		return refuse(d+" "+name+" "+of, "“%s %s %s” is still to come: only what has happened is entered.", d, name, of)
	default:
		r.day = civil.Of(year-1, month, n)
	}
	return nil
}

func digits(s string) (n int) {
	for _, d := range s {
		n = 10*n + int(d-'0')
	}
	return n
}

// thing is an amount of something, as a piece of a line names it.
type thing struct {
	food, kind string
	preps      []string
	number     float64 // 0: none is said
	unit       string
	kg, litre  float64
	said       *said
}

// logged returns the thing as what happened to it.
func (t thing) logged(act LogAct) Logged {
	return Logged{Act: act, Food: t.food, Kind: t.kind, Preparations: t.preps, Number: t.number, Unit: t.unit, Kg: t.kg, Litre: t.litre}
}

var leading = regexp.MustCompile(`^(?:the|of|some|my|our|all the|rest of the)\s+`)

// thing reads an amount of something: "3 heads lettuce", "1 lb 4 oz raspberries". A number
// without a unit counts pieces.
func (r *logReader) thing(text string) (thing, error) {
	text = strings.TrimSuffix(leading.ReplaceAllString(strings.TrimSpace(text), ""), " in the pod")
	s, err := r.gather(Scan(text, r.lex))
	if err != nil {
		return thing{}, err
	}
	t := thing{said: s}
	about, err := r.subjects(s)
	if err != nil {
		return thing{}, err
	}
	r.name(&t, about)
	qs := s.quantities
	if len(qs) > 1 {
		if sum, ok := sameKind(qs); ok {
			qs = sum
		}
	}
	if s.times > 0 && len(qs) == 0 {
		qs = []quantity{{number: s.times}}
	}
	if len(qs) == 0 {
		return t, nil
	}
	return t, r.measured(&t, s, qs[0])
}

// name says what a thing is of: the food, its kind where there is one reading, and what it may
// have been made into.
func (r *logReader) name(t *thing, about []subject) {
	for i, m := range about {
		switch {
		case i == 0:
			t.food, t.kind = m.food, m.kind
		case m.food != t.food && m.prep != nil && about[0].prep != nil:
			t.food = "" // jam of which fruit?
		}
		if m.kind != t.kind {
			t.kind = ""
		}
		if m.prep != nil && !slices.Contains(t.preps, m.prep.ID) {
			t.preps = append(t.preps, m.prep.ID)
		}
	}
	if len(t.preps) > 2 {
		t.preps = nil // it must be asked which
	}
}

// measured reads the number of a thing and what it counts.
//
// One function, since each unit is one case.
func (r *logReader) measured(t *thing, s *said, q quantity) error {
	t.number, t.unit = q.number, "piece"
	if q.unit == nil {
		return nil
	}
	m := subject{food: t.food, kind: t.kind}
	if len(t.preps) > 0 {
		m.prep = r.book.Preparation(t.preps[0])
	}
	w := r.unitFor(q.unit, s, m)
	kind, of, v := parse(w.Means[0])
	t.unit = w.Text
	switch kind {
	case "kg":
		t.kg = round(q.number * v)
		t.unit = "kg"
		switch {
		case w.Text == "lb" || w.Text == "lbs" || w.Text == "pound":
			t.unit = "lb"
		default:
			t.number = t.kg
		}
		if strings.Contains(q.text, " oz") || len(s.quantities) > 1 {
			t.unit, t.number = "kg", t.kg
		}
	case "weight":
		t.kg = round(q.number * w.Kg)
	case "share":
		if whole, ok := r.weightOf(of, subject{food: t.food, kind: t.kind}); ok {
			t.kg = round(q.number * v * whole.Kg)
		}
	case "piece":
		t.unit, t.number = "piece", q.number*v
		if t.food == "" && (w.Text == "ear" || w.Text == "cob") {
			t.food = "sweet corn"
		}
	case "jar", "litre":
		t.unit, t.litre = "jar", v
		if q.of > 0 {
			t.litre = q.of
		}
	case "plant":
		t.unit = "plant"
	}
	return nil
}

// of names the food that a piece of a line is about, without an amount.
func (r *logReader) of(text string, act LogAct) (Logged, error) {
	t, err := r.thing(text)
	if err != nil {
		return Logged{}, err
	}
	return Logged{Act: act, Food: t.food, Kind: t.kind}, nil
}

// made chooses what a food was made into, by the word for it; canned where only jars are said.
func (r *logReader) made(t *thing, form wish.Form) {
	if len(t.preps) > 0 || t.food == "" {
		return
	}
	ways := r.ways(subject{food: t.food, kind: t.kind}, form)
	named := slices.DeleteFunc(slices.Clone(ways), func(p *book.Preparation) bool { return !strings.HasSuffix(p.ID, "-"+string(form)) })
	if len(named) > 0 {
		ways = named
	}
	for _, p := range ways {
		t.preps = append(t.preps, p.ID)
	}
}
