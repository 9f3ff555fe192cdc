package place

import "slices"

// Cover is what lies or stands over a sowing.
type Cover string

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
func (y *Year) Under(cover Cover) *Year {
	c, ok := Coverings[cover]
	if !ok || c == (Covering{}) {
		return y
	}
	out := *y
	out.heat, out.sums, out.hot = nil, nil, nil
	for d := range Days {
		if warm := y.Max[d] > OpenAbove; warm == (c.Max > 0) {
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
	coldest := slices.Index(y.Min[:], slices.Min(y.Min[:]))
	for d, n := y.Last, 0; n < Days; n++ { // back from the last frost towards midwinter
		if out.Last = d; y.Min[d] <= y.Min[y.Last]-c.Shields || d == coldest {
			break
		}
		d = mod(d-1, Days)
	}
	for d, n := y.First, 0; n < Days; n++ { // on from the first one
		if out.First = d; y.Min[d] <= y.Min[y.First]-c.Shields || mod(d+1, Days) == coldest {
			break
		}
		d = mod(d+1, Days)
	}
	return &out
}
