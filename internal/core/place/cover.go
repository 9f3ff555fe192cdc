package place

import (
	"fmt"
	"slices"
	"strings"

	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

// Cover is what lies or stands over a sowing: a kind such as fleece, and where a
// household says so, when it lies. Written, it is the kind alone ("fleece"), a kind from
// a day to a day ("fleece 03-01 to 05-15"), until the picking begins ("net until
// picking") or from then on ("fleece from picking").
type Cover string

const (
	untilPicking = "until picking"
	fromPicking  = "from picking"
)

// Lying is when a cover lies. The zero Lying is whenever it helps.
type Lying struct {
	From, To     civil.MonthDay // both included; zero: not by days
	UntilPicking bool
	FromPicking  bool
}

// Kind returns what kind of cover it is, whenever it lies.
func (c Cover) Kind() Cover {
	kind, _, _ := strings.Cut(string(c), " ")
	return Cover(kind)
}

// Lying returns when a cover lies, and false where that is not written as it should be.
func (c Cover) Lying() (l Lying, ok bool) {
	_, when, found := strings.Cut(string(c), " ")
	switch {
	case !found:
		return l, true
	case c.Kind() == NoCover:
		return l, false
	case when == untilPicking:
		return Lying{UntilPicking: true}, true
	case when == fromPicking:
		return Lying{FromPicking: true}, true
	}
	from, to, _ := strings.Cut(when, " to ")
	var err1, err2 error
	l.From, err1 = civil.ParseMonthDay(from)
	l.To, err2 = civil.ParseMonthDay(to)
	return l, err1 == nil && err2 == nil && l.From.Valid() && l.To.Valid()
}

// has reports whether a cover lies on a year day, as far as days tell.
func (l Lying) has(d int) bool {
	if l.From.IsZero() {
		return true
	}
	return mod(d-l.From.YearDay(), Days) <= mod(l.To.YearDay()-l.From.YearDay(), Days)
}

// OnDay reports whether a cover lies on a year day of a sowing that is picked, or not yet.
func (l Lying) OnDay(d int, picked bool) bool {
	return l.has(d) && !(l.UntilPicking && picked) && !(l.FromPicking && !picked)
}

// ValidateCover looks at a cover as it is written.
func ValidateCover(c invalid.Check, field string, cover Cover) {
	if _, ok := cover.Lying(); ok {
		c.OneOf(field, string(cover.Kind()), CoverNames()...)
		return
	}
	c.Add(field, string(cover), fmt.Sprintf("one of %s, alone or with when it lies: fleece 03-01 to 05-15, fleece %s, fleece %s", strings.Join(CoverNames()[1:], ", "), untilPicking, fromPicking))
}

// The covers.
const (
	NoCover Cover = ""
	Fleece  Cover = "fleece"
	Net     Cover = "net"
	Frame   Cover = "frame"
	Tunnel  Cover = "tunnel"
	Shade   Cover = "shade"
)

// Covering says what a cover does to the air under it: degrees added to the
// daily maximum and minimum, and the degrees of frost it shields from.
type Covering struct{ Max, Min, Shields float64 }

// Coverings are the usual effects of the covers; a net does nothing to the air.
var Coverings = map[Cover]Covering{
	Fleece: {1, 1, 2}, Net: {}, Frame: {4, 4, 4}, Tunnel: {4, 4, 4}, Shade: {Max: -3},
}

// CoverNames lists the covers there are, none first.
func CoverNames() []string {
	return []string{"", string(Fleece), string(Net), string(Frame), string(Tunnel), string(Shade)}
}

// OpenAbove is the mean daily maximum in the open, °C, above which a warming
// cover is opened or taken off, and shade put up: left shut all summer, a tunnel
// would cook what it is to protect.
const OpenAbove = 18

// Under returns the year under a cover, which lies only while it helps. It moves the frost dates by the days in
// which the mean minimum changes by the degrees it shields from, and at most
// until the frosts meet in midwinter.
//
// One function, since each effect of a cover is one case.
func (y *Year) Under(cover Cover) *Year {
	c, ok := Coverings[cover.Kind()]
	lying, right := cover.Lying()
	if !ok || !right || c == (Covering{}) {
		return y
	}
	coldest := slices.Index(y.Min[:], slices.Min(y.Min[:]))
	// By the tables of the year nobody knows yet when it is picked: what lies until then
	// helps in the half of the year that grows warmer, what lies from then on in the other.
	lies := func(d int) bool {
		rising := mod(d-coldest, Days) < mod(y.Warmest-coldest, Days)
		return lying.OnDay(d, !rising)
	}
	out := *y
	out.heat, out.sums, out.hot, out.growth = nil, nil, nil, nil
	for d := range Days {
		if warm := y.Max[d] > OpenAbove; warm == (c.Max > 0) || !lies(d) {
			continue
		}
		out.Min[d] += c.Min
		out.Max[d] = max(y.Max[d]+c.Max, out.Min[d]+0.1)
		out.Mean[d] = (out.Min[d] + out.Max[d]) / 2
	}
	out.soil()
	if y.FrostFree || c.Shields == 0 {
		return &out
	}
	for d, n := y.Last, 0; n < Days; n++ { // back from the last frost towards midwinter
		if out.Last = d; y.Min[d] <= y.Min[y.Last]-c.Shields || d == coldest || !lies(mod(d-1, Days)) {
			break
		}
		d = mod(d-1, Days)
	}
	for d, n := y.First, 0; n < Days; n++ { // on from the first one
		if out.First = d; y.Min[d] <= y.Min[y.First]-c.Shields || mod(d+1, Days) == coldest || !lies(d) {
			break
		}
		d = mod(d+1, Days)
	}
	return &out
}
