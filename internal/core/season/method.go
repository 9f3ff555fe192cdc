package season

import (
	"slices"

	"inventory/internal/core/book"
)

// Method is how a crop is started. A household may choose among Direct, Indoors and Bought;
// the others follow from the crop.
type Method string

// The methods. UsualMethod stands for what the book says of the crop.
const (
	UsualMethod Method = ""
	Direct      Method = "direct" // sown in the bed
	Indoors     Method = "raised" // sown indoors and planted out
	Bought      Method = "bought" // bought as young plants and planted out
	Stock       Method = "stock"  // cloves, sets, tubers or slips planted in the bed
	Tray        Method = "tray"   // sown thickly on trays, as shoots
	Patch       Method = "patch"  // a perennial that stays for years
)

// MethodFacts is all that is known of a method.
type MethodFacts struct {
	Method   Method `json:"method"`
	Words    string `json:"words"`
	Chosen   bool   `json:"chosen"`    // a household may choose it
	InBed    bool   `json:"in_bed"`    // it takes bed space
	OneYear  bool   `json:"one_year"`  // it is sown or planted anew every season
	FromSeed bool   `json:"from_seed"` // its seedlings come up where it is sown
}

var methods = []MethodFacts{
	{UsualMethod, "usual for this crop", true, true, true, true},
	{Direct, "sown in the bed", true, true, true, true},
	{Indoors, "sown indoors", true, true, true, true},
	{Bought, "bought as young plants", true, true, true, false},
	{Stock, "planted", false, true, true, true},
	{Tray, "sown on trays", false, false, false, true},
	{Patch, "planted to stay", false, true, false, false},
}

// Methods returns the facts of every method.
func Methods() []MethodFacts { return slices.Clone(methods) }

// Facts returns what is known of a method; zero facts for one that there is not.
func (m Method) Facts() MethodFacts {
	for i := range methods {
		if methods[i].Method == m {
			return methods[i]
		}
	}
	return MethodFacts{}
}

// InBed reports whether what is started so takes bed space.
func (m Method) InBed() bool { return m != Tray }

// OneYear reports whether what is started so is sown or planted anew every season.
func (m Method) OneYear() bool { return m != Tray && m != Patch }

// Chosen lists the methods that a household may choose, as a file writes them; the empty
// one is what is usual.
func Chosen() (out []string) {
	for _, f := range methods {
		if f.Chosen {
			out = append(out, string(f.Method))
		}
	}
	return out
}

// MethodsFor returns the methods that a household may choose for a crop, the usual one
// aside.
func MethodsFor(c *book.Crop) []Method {
	out := []Method{}
	for _, f := range methods {
		if f.Chosen && f.Method != UsualMethod && MayBe(c, f.Method) {
			out = append(out, f.Method)
		}
	}
	return out
}

// MayBe reports whether a household may have a crop come into the ground in a way: what
// is grown from seed in any, whatever is usual.
func MayBe(c *book.Crop, w Method) bool {
	seed := !c.Perennial() && c.Start != book.Vegetative && c.Dense == nil
	return w == UsualMethod || seed || w == Direct && c.Dense != nil
}

// CanBe reports whether a crop can come into the ground in a way, by the figures that the
// book has for it.
func CanBe(c *book.Crop, w Method) bool {
	switch {
	case w == UsualMethod:
		return true
	case !MayBe(c, w):
		return false
	case w == Direct:
		return c.Dense != nil || c.DirectWeeks.Known
	}
	return c.PlantOutWeeks.Known && c.RaiseWeeks.Known
}

// waysOf returns the ways in which a crop's starts are looked for: the first for
// all weeks, a second only for those that the first cannot feed.
func methodsOf(c *book.Crop, w Method) []Method {
	switch {
	case w != UsualMethod && CanBe(c, w):
		return []Method{w}
	case c.Dense != nil || c.Perennial() || c.Start == book.Vegetative || c.Start == book.SownDirect:
		return []Method{Direct}
	case c.Start == book.SownEither && c.DirectWeeks.Known:
		if CanBe(c, Indoors) {
			return []Method{Direct, Indoors}
		}
		return []Method{Direct}
	}
	return []Method{Indoors}
}

// MethodOf returns how a sowing is started, and the method as the household may choose it.
func MethodOf(crop *book.Crop, st Start) (method, chosen Method) {
	switch {
	case crop.Perennial():
		method = Patch
	case crop.Dense != nil:
		method = Tray
	case st.Bought:
		method = Bought
	case st.Raised:
		method = Indoors
	case crop.Start == book.Vegetative:
		method = Stock
	default:
		method = Direct
	}
	switch {
	case st.Bought:
		chosen = Bought
	case st.Raised:
		chosen = Indoors
	case CanBe(crop, Direct):
		chosen = Direct
	}
	return method, chosen
}
