package reckon

import (
	"math"
	"slices"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/wish"
	"inventory/internal/core/working"
)

// Part is what one wish asks of a sowing.
type Part struct {
	Need       Need // of the whole lot where Of is more than one
	Confidence float64
	Share      float64 // share of a plant's full harvest that is gathered for it
	Of         int     // how many equal sowings share the need
}

// Given is what a part has of a sowing: its share of the plants, of the ground
// and of what an average year gives.
type Given struct {
	Need    float64 // kg or pieces, of this sowing
	Plants  int
	Area    float64
	Average float64
}

// class is the parts of a sowing that are reckoned together: they are met with
// the same confidence from the same picking, so their needs add up.
type class struct {
	Part
	parts  []int
	plants int
	per    float64 // what a plant gives, of this class's picking
}

func classes(parts []Part) (out []class) {
	for i, p := range parts {
		k := slices.IndexFunc(out, func(c class) bool {
			return c.Confidence == p.Confidence && math.Abs(c.Share-p.Share) < 1e-12 && c.Of == p.Of
		})
		if k < 0 {
			k = len(out)
			out = append(out, class{Part: Part{Need{p.Need.Pieces, 0}, p.Confidence, p.Share, p.Of}})
		}
		out[k].Need.Amount += p.Need.Amount
		out[k].parts = append(out[k].parts, i)
	}
	return out
}

// Ask is all that is asked of one sowing.
type Ask struct {
	Raised  bool // planted out as starts
	Bought  bool // which are bought
	Parts   []Part
	Least   int     // fewest plants worth growing
	Bearing float64 // share of a full crop that it gives this year: less than 1 for a young patch
	Counted int     // plants counted by hand; 0: as many as are reckoned
	Beside  bool    // beside a patch that stands, for what that does not give
}

// share gives each part its plants, ground and harvest: plants in whole ones, by
// rounding their running sum.
func (z *Size) share(all []class, parts []Part) {
	weight := make([]float64, len(parts))
	var total float64
	for _, k := range all {
		for _, i := range k.parts {
			of := 1 / float64(len(k.parts))
			if k.Need.Amount > 0 {
				of = parts[i].Need.Amount / k.Need.Amount
			}
			if weight[i] = float64(k.plants) * of; z.Stand.Layout == "" { // a tray has no plants: each has what it is sized for
				weight[i] = z.Given[i].Need
			}
			total += weight[i]
		}
	}
	if total <= 0 {
		return
	}
	var sum float64
	given := 0
	for i, w := range weight {
		sum += w
		upTo := int(math.Round(float64(z.Plants) * sum / total))
		z.Given[i].Plants, given = upTo-given, upTo
		z.Given[i].Area = z.Area * w / total
		z.Given[i].Average = z.Average * w / total
	}
}

// Stands sizes a patch that stands already: so many plants that bear as much as
// a number in full bearing, sized against what the whole need would take. share
// is how much of that need it is counted for.
func (d *Desk) Stands(base string, c *book.Crop, layout wish.Layout, plants int, bearing float64, whole Size, share float64) Size {
	z := Size{Need: Need{whole.Need.Pieces, whole.Need.Amount * share}, Plants: plants, Stand: whole.Stand, PerPlant: whole.PerPlant, Bearing: bearing / float64(plants)}
	f := figures{base}
	s := d.Recorder.Open(f.base, "plants", c.Short(), "plants")
	s.Do(working.Start, "Growing already", float64(plants), amount.Plant, working.Household).Close(amount.Plant)
	s = d.Recorder.Open(f.base, "need", c.Short(), "harvest needed")
	s.Do(working.Start, "Harvest needed, all of it", whole.Need.Amount, unitOf(z.Need), working.Reckoned)
	s.Do(working.Times, "Share of it that this patch gives when full-grown", share, amount.Share, working.Reckoned)
	s.Is("Harvest needed", unitOf(z.Need)).Close(unitOf(z.Need))
	d.ground(f, c, &z)
	d.harvest(f, c, &z, float64(plants), amount.Plant, "plants")
	z.Given = make([]Given, len(whole.Given))
	upTo, sum := 0, 0.0
	for i, g := range whole.Given {
		of := 1 / float64(len(whole.Given))
		if whole.Need.Amount > 0 {
			of = g.Need / whole.Need.Amount
		}
		sum += of
		now := int(math.Round(float64(plants) * sum))
		z.Given[i] = Given{g.Need * share, now - upTo, z.Area * of, z.Average * of}
		upTo = now
	}
	return z
}

func unitOf(n Need) amount.Unit {
	if n.Pieces {
		return amount.Piece
	}
	return amount.Kilogram
}
