package ground

import (
	"fmt"
	"math"
	"slices"

	"inventory/internal/core/bed"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

// hold lays what was put by hand, or really stands, where it is. What no longer fits
// there, the bed having shrunk or two having been put on one ground, finds its own
// bed. What stands is laid first.
func (f *laying) hold(placed []bed.Placement) {
	for _, stands := range []bool{true, false} {
		for _, p := range placed {
			if p.Stands == stands {
				f.holdOne(p)
			}
		}
	}
}

func (f *laying) holdOne(p bed.Placement) {
	i := f.planting(p.Sowing)
	if i < 0 || f.held[i] {
		return
	}
	parts := p.Parts
	if len(parts) == 0 {
		parts = []bed.Laid{{Bed: p.Bed, At: p.At, Planted: f.in.Plantings[i].Planted}}
	}
	rest, bend := f.in.Plantings[i].Planted, p.Exception || p.Stands
	for n, part := range parts {
		k, plants := f.bedOf(part.Bed), min(rest, part.Planted)
		if n == len(parts)-1 {
			plants = rest
		}
		if plants <= 0 {
			break
		}
		if k < 0 || f.whole[i][k] == 0 || !f.may[i][k] && !bend {
			break
		}
		at, length := int(part.At*tenths+0.5), f.takes(i, k, plants)
		if len(parts) == 1 {
			length = f.whole[i][k]
		}
		to, ok := f.roomFor(i, k, at, length, bend)
		if !ok {
			break
		}
		f.layUntil(i, k, at, length, plants, to)
		rest -= plants
	}
	if rest > 0 {
		f.lift(i)
		return
	}
	f.held[i] = true
}

// StandsAt returns where a sowing really stands once it is sown or planted: where the
// layout has it. It returns nil where it has no ground, or stays put already.
func StandsAt(in Input, l Layout, sowing string) *bed.Placement {
	if slices.ContainsFunc(in.Placed, func(p bed.Placement) bool { return p.Sowing == sowing && p.Stands }) {
		return nil
	}
	out := bed.Placement{Sowing: sowing, Stands: true}
	for _, p := range l.Pieces {
		if p.Planting == sowing {
			out.Parts = append(out.Parts, bed.Laid{Sowing: sowing, Bed: p.Bed, At: p.At, Planted: p.Planted})
			out.Exception = out.Exception || p.Exception > 0
		}
	}
	if len(out.Parts) == 0 {
		return nil
	}
	out.Bed, out.At = out.Parts[0].Bed, out.Parts[0].At
	if len(out.Parts) == 1 {
		out.Parts = nil
	}
	return &out
}

// goHome lays what was agreed to where it was agreed to stand, as far as it still
// can: a planting that has grown or shrunk keeps its place where there is room.
//
// One function, since what the kept plan had is found and laid in one order.
func (f *laying) goHome() {
	number := map[string]int{}
	for i := range f.in.Plantings {
		number[f.in.Plantings[i].ID] = i
	}
	var turn []int
	parts := map[int][]bed.Laid{}
	for _, a := range f.in.Baseline {
		i, there := number[a.Sowing]
		if !there {
			continue
		}
		if a.Bed == "" {
			f.known[i] = true
			continue
		}
		k := f.bedOf(a.Bed)
		if k < 0 || f.whole[i][k] == 0 || !f.may[i][k] || f.held[i] {
			continue
		}
		if len(parts[i]) == 0 {
			turn = append(turn, i)
		}
		parts[i] = append(parts[i], a)
		f.home[i] = append(f.home[i], spot{k, int(math.Round(a.At * tenths))})
	}
	if f.pairs != nil { // what stands below others comes after them
		low := func(i int) int {
			return order(slices.ContainsFunc(f.pairs[i], func(pair int) bool { return pair > 0 }))
		}
		slices.SortStableFunc(turn, func(a, b int) int { return low(a) - low(b) })
	}
	lay := func(i int) bool {
		rest := f.in.Plantings[i].Planted
		for n, at := range f.home[i] {
			plants := min(rest, parts[i][n].Planted)
			if n == len(f.home[i])-1 {
				plants = rest
			}
			length := f.takes(i, at.bed, plants)
			if plants < f.in.Plantings[i].Planted {
				length = f.partLength(i, at.bed, at.at, plants)
			}
			if plants <= 0 {
				break
			}
			to, ok := f.roomFor(i, at.bed, at.at, length, false)
			if !ok {
				break
			}
			f.layUntil(i, at.bed, at.at, length, plants, to)
			rest -= plants
		}
		if rest > 0 {
			f.lift(i)
		}
		return rest <= 0
	}
	var again []int
	for _, i := range turn {
		if !lay(i) {
			again = append(again, i)
		}
	}
	for _, i := range again { // what grows below another one waits for it
		lay(i)
	}
}

// atHome reports whether a piece lies where it was agreed to lie.
func (f *laying) atHome(k int, q piece) bool {
	return slices.Contains(f.home[q.planting], spot{k, q.at})
}

// roomFor reports whether a stretch of a bed is free for a planting, or shares the
// ground of one that it may stand below; and until when it then stands there. The rotation is
// kept unless it is bent.
func (f *laying) roomFor(i, k, at, length int, bend bool) (to civil.Date, ok bool) {
	p := &f.in.Plantings[i]
	if !bend && !f.open(i, k, at, length) {
		return 0, false
	}
	if slices.ContainsFunc(f.empty(k, p.From, p.To, nil), func(g gapIn) bool { return g.at <= at && at+length <= g.at+g.length }) {
		return p.To, true
	}
	if f.pairs == nil || length != f.whole[i][k] {
		return 0, false
	}
	for _, q := range f.beds[k] {
		if q.planting >= 0 && f.pairs[i][q.planting] > 0 {
			if a, ok := f.below(i, k, q); ok && a == at {
				return f.until(i, q.planting), true
			}
		}
	}
	return 0, false
}

// free reports whether a planting may lie at a place of a bed.
func (f *laying) free(i, k, at int, bend bool) bool {
	_, ok := f.roomFor(i, k, at, f.whole[i][k], bend)
	return ok
}

// Put looks whether a sowing may be put in a bed by hand, beside what else was
// put there by hand, and where: at the first free stretch, or at the one asked for
// (at ≥ 0, m). Everything else makes room. What cannot be is an invalid.Field that
// says what would be right.
func Put(in Input, sowing, to string, at float64, bend bool) (bed.Placement, error) {
	i := slices.IndexFunc(in.Plantings, func(q Planting) bool { return q.ID == sowing })
	if i < 0 {
		return bed.Placement{}, &invalid.Field{Field: "sowing", Value: sowing, Allowed: "Choose a sowing that grows in a bed. The plan may have changed since."}
	}
	k := slices.IndexFunc(in.Beds, func(b bed.Bed) bool { return b.ID == to })
	if k < 0 {
		return bed.Placement{}, &invalid.Field{Field: "bed", Value: to, Allowed: "Choose one of your beds. This one may have been removed."}
	}
	stands := slices.ContainsFunc(in.Placed, func(p bed.Placement) bool { return p.Sowing == sowing && p.Stands })
	in.Placed = slices.DeleteFunc(slices.Clone(in.Placed), func(p bed.Placement) bool { return p.Sowing == sowing })
	f := newLaying(newSite(in))
	f.hold(in.Placed)
	b, p := in.Beds[k], &in.Plantings[i]
	if _, _, cannot := standIn(p, b, in.Edge); cannot != nil {
		return bed.Placement{}, &invalid.Field{Field: "bed", Value: b.Name, Allowed: "Choose another bed: " + cannot.String()}
	}
	if last := Rotation(b, p.Crop, in.Year); last > 0 && !bend && !f.may[i][k] {
		return bed.Placement{}, tooLately(b, p, last)
	}
	if f.whole[i][k] > f.long(k) {
		return bed.Placement{}, &invalid.Field{Field: "bed", Value: b.Name, Allowed: fmt.Sprintf("Choose a longer bed: it needs %s, this one has %s.", metres(float64(f.whole[i][k])/tenths), metres(b.Length))}
	}
	out := bed.Placement{Sowing: sowing, Bed: to, At: at, Exception: bend, Stands: stands}
	if at >= 0 {
		if f.free(i, k, int(at*tenths+0.5), bend) {
			return out, nil
		}
		if f.free(i, k, int(at*tenths+0.5), true) { // but for the rotation
			return bed.Placement{}, tooLately(b, p, RotationOn(b, p.Crop, in.Year, at, float64(f.whole[i][k])/tenths))
		}
		return bed.Placement{}, &invalid.Field{Field: "at", Value: metres(at), Allowed: "Choose a place where nothing fixed by you grows at that time."}
	}
	if free := f.firstRoom(i, k, bend); free >= 0 {
		out.At = float64(free) / tenths
		return out, nil
	}
	return bed.Placement{}, &invalid.Field{Field: "bed", Value: b.Name, Allowed: fmt.Sprintf("a bed with %s free of crops placed by you at that time", metres(float64(f.whole[i][k])/tenths))}
}

// firstRoom returns where in a bed a planting first finds room for all of it, the rotation kept
// unless it is bent; -1: nowhere.
func (f *laying) firstRoom(i, k int, bend bool) int {
	p := &f.in.Plantings[i]
	room := f.gaps(i, k, p.From, p.To, nil)
	if bend {
		room = f.empty(k, p.From, p.To, nil)
	}
	for _, g := range room {
		if g.length >= f.whole[i][k] {
			return g.at
		}
	}
	return -1
}

// tooLately is the mistake of putting a planting where its family stood too lately.
func tooLately(b bed.Bed, p *Planting, last int) *invalid.Field {
	return &invalid.Field{Field: "bend", Value: b.Name, Allowed: fmt.Sprintf("Choose another bed: the %s grew here in %d and may return in %d. Or allow it here this year.", p.Crop.FamilyName, last, last+int(p.Crop.RotationYears.Or(0))+1)}
}
