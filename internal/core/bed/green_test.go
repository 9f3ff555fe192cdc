package bed

import (
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/civil"
	"inventory/internal/core/invalid"
)

func TestGreenManuresThatCannotStand(t *testing.T) {
	day := civil.Of(2027, 8, 1)
	good := Green{Crop: "phacelia", Name: "Phacelia", Family: "Boraginaceae", At: 1, Length: 3, Sown: day, Until: day + 60, Ready: day + 74}
	for field, change := range map[string]func(*Green){
		"":                func(*Green) {},
		"green[0].name":   func(g *Green) { g.Name = " " },
		"green[0].at":     func(g *Green) { g.At = 5 },
		"green[0].length": func(g *Green) { g.Length = 3.5 },
		"green[0].until":  func(g *Green) { g.Until = day },
	} {
		g := good
		change(&g)
		c := invalid.NewCheck()
		Bed{Name: "A", Length: 4, Width: 1, Green: []Green{g}}.Validate(c, nil)
		fs := invalid.All(c.Err())
		if field == "" && len(fs) > 0 || field != "" && (len(fs) == 0 || fs[0].Field != field) {
			t.Errorf("%s: %v", field, c.Err())
		}
	}
}

// A household's own green manure has its own figures, and the rest of the row that it
// began from.
func TestGreenManuresOfOnesOwn(t *testing.T) {
	own := OwnGreen{ID: "own-mix", From: "winter-vetch", Name: "Vetch and rye", Seed: 14, Weeks: 12, Wait: 5, Nitrogen: 9}
	u := UsualCustoms()
	u.OwnGreen = []OwnGreen{own}
	from := book.Usual().GreenManure("winter-vetch")
	g := u.GreenManure(book.Usual(), "own-mix")
	if g == nil || g.SeedGram != 14 || g.WeeksToWorth != 12 || g.WaitWeeks != 5 || g.Nitrogen != 9 || g.Family != from.Family || g.FrostKill != from.FrostKill {
		t.Fatalf("%+v", g)
	}
	if len(u.GreenManures(book.Usual())) != len(book.Usual().GreenManures)+1 || (*Customs)(nil).GreenManure(book.Usual(), "phacelia") == nil || u.GreenManure(book.Usual(), "nothing") != nil {
		t.Error("the book's are not all there, or one too many")
	}
	for field, change := range map[string]func(*OwnGreen){
		"own_green[0].from": func(g *OwnGreen) { g.From = "dragon" },
		"own_green[0].id":   func(g *OwnGreen) { g.ID = "phacelia" },
		"own_green[0].seed": func(g *OwnGreen) { g.Seed = 0 },
		"own_green[0].name": func(g *OwnGreen) { g.Name = "" },
	} {
		g := own
		change(&g)
		u.OwnGreen = []OwnGreen{g}
		c := invalid.NewCheck()
		u.Validate(c, nil, nil)
		if fs := invalid.All(c.Err()); len(fs) != 1 || fs[0].Field != field {
			t.Errorf("%s: %v", field, c.Err())
		}
	}
}

// A divided bed keeps its green manures, each part its own stretch of them.
func TestAGreenManureIsDividedWithItsBed(t *testing.T) {
	day := civil.Of(2027, 8, 1)
	b := Bed{ID: "a", Name: "A", Length: 10, Width: 1, Green: []Green{{Crop: "phacelia", Name: "Phacelia", At: 2, Length: 5, Sown: day, Until: day + 60, Ready: day + 70}}}
	parts := b.Divided(2)
	if len(parts) != 2 || len(parts[0].Green) != 1 || len(parts[1].Green) != 1 || parts[0].Green[0].At != 2 || parts[0].Green[0].Length != 3 || parts[1].Green[0].At != 0 || parts[1].Green[0].Length != 2 {
		t.Errorf("%+v", parts)
	}
}
