package line

import (
	"strings"
	"testing"

	"inventory/internal/core/book"
	"inventory/internal/core/invalid"
	"inventory/internal/core/wish"
)

// Every line of the list to begin with is understood in one way, names what its words say, and can be wished.
func TestStartersAreWishes(t *testing.T) {
	b := book.Usual()
	all, err := Starters(b, Where{LastFrost: 4, FirstFrost: 10}, 4, false)
	if err != nil {
		t.Fatal(err)
	}
	habits := map[string]int{}
	for i, s := range all {
		habits[s.Habit]++
		c := invalid.NewCheck()
		s.Wish.Validate(c, b)
		if err := c.Err(); err != nil {
			t.Errorf("%s: %v", s.Words, err)
		}
		if readings, _ := Wish(strings.ReplaceAll(b.Beginnings()[i].Line, "{n}", "4"), b, Where{LastFrost: 4, FirstFrost: 10}); len(readings) != 1 {
			t.Errorf("%s can be read in %d ways", s.Words, len(readings))
		}
	}
	for _, habit := range []string{"Salads", "Roots and storage", "Sauce and canned", "Pickles", "Freezer", "Soups and dry food", "Fruit", "Herbs", "Summer vegetables"} {
		if habits[habit] < 4 {
			t.Errorf("%s has %d foods", habit, habits[habit])
		}
	}
}

// What is put up goes by the people who eat it; meals do not, since a portion is each person's own.
func TestStartersGoByThePeople(t *testing.T) {
	of := func(adults float64, while bool, words string) wish.Wish {
		all, err := Starters(book.Usual(), Where{}, adults, while)
		if err != nil {
			t.Fatal(err)
		}
		for _, s := range all {
			if s.Words == words {
				return s.Wish
			}
		}
		t.Fatalf("%s is not listed", words)
		return wish.Wish{}
	}
	if one, five := of(1, false, "Tomato sauce").Amount.Number, of(5, false, "Tomato sauce").Amount.Number; one != 6 || five != 30 {
		t.Errorf("%g quarts of sauce for one, %g for five", one, five)
	}
	if one, five := of(1, false, "Lettuce").Amount.Number, of(5, false, "Lettuce").Amount.Number; one != 3 || five != 3 {
		t.Errorf("%g meals of lettuce for one, %g for five", one, five)
	}
	if got := of(2, true, "Lettuce").Season.Kind; got != wish.While {
		t.Errorf("lettuce while it lasts is wished %s", got)
	}
	if got := of(2, true, "Potatoes").Season.Kind; got != wish.AllYear {
		t.Errorf("potatoes, which keep, are wished %s", got)
	}
	if got := of(0.2, false, "Salsa").Amount.Number; got != 1 {
		t.Errorf("%g jars of salsa for a small child alone", got)
	}
}
