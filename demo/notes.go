package demo

import (
	"fmt"

	"inventory/internal/core/civil"
	"inventory/internal/core/record"
)

// noted is what the made-up household wrote down on a day of a year, 2025 or 2026.
type noted struct {
	year, month, day int
	food, bed, text  string
	lesson           bool
	pest             string
	photo            string // what is drawn; empty: nothing
}

// notebook is what the made-up household wrote down.
var notebook = []noted{
	{2025, 3, 29, "", "Mill bed", "Turned the compost; the lower half is ready. Six barrows on this bed.", false, "", ""},
	{2025, 4, 12, "carrot", "", "Sown with radish as a mark for the rows.", false, "", ""},
	{2025, 4, 24, "pepper", "", "The starts by the west window are longer than those under the lamp.", false, "", "starts"},
	{2025, 5, 2, "", "Reed bed", "Water stays in the wheel tracks for two days after rain. Everything here is a week behind.", true, "", "bed"},
	{2025, 5, 17, "cabbage", "", "Net by 20 June at the latest: the white butterflies come with the elder flower.", true, "cabbage white", ""},
	{2025, 6, 8, "potato", "", "First beetles, on the outer row. Picked off forty.", false, "potato beetle", "leaf"},
	{2025, 6, 21, "shelling pea", "", "Picked every second day now. The children eat half of them in the row.", false, "", ""},
	{2025, 7, 6, "snap bean", "", "Three pickings in eight days and the pot is full: two sowings at once were one too many.", true, "", ""},
	{2025, 7, 19, "cucumber", "", "The ones under the net have no beetles at all.", false, "", "rows"},
	{2025, 8, 3, "tomato", "", "Blight on the low leaves of the outer row; took them off and left the rest dry.", false, "late blight", "leaf"},
	{2025, 8, 16, "tomato", "", "Sauce until eleven. Two burners are too few for three loads.", true, "", "jars"},
	{2025, 9, 14, "winter squash", "", "Cured on the barn floor, ten days.", false, "", ""},
	{2025, 10, 11, "leek", "Barn bed", "Earthed up a second time.", false, "", "rows"},
	{2025, 11, 2, "carrot", "", "In sand, in layers that do not touch. Small ones on top, to be eaten first.", true, "", ""},
	{2026, 3, 20, "onion", "", "Sets in between two rains; the ground was warm by the hand.", false, "", ""},
	{2026, 4, 19, "", "Reed bed", "Half a barrow of sand and a drain of brushwood at the low end.", false, "", "bed"},
	{2026, 5, 9, "carrot", "", "Only half of the row is up after three weeks. The packet is from three years ago.", true, "", "rows"},
	{2026, 5, 23, "parsnip", "", "Thin, like the carrots: old seed again.", false, "", ""},
	{2026, 6, 6, "lettuce", "", "Slugs took the outer row in one wet night; boards laid out, thirty under them by morning.", true, "slugs", "leaf"},
	{2026, 6, 20, "cabbage", "", "Net was on in time this year. Not one hole.", false, "cabbage white", "rows"},
	{2026, 7, 11, "", "", "Coldest July that we know of. Nothing grows.", false, "", ""},
	{2026, 7, 26, "snap bean", "", "One load, and every jar sealed.", false, "", "jars"},
	{2026, 8, 15, "tomato", "", "Set the paste tomatoes deeper next year: the ones set to the first leaves stood the wind.", true, "", ""},
	{2026, 9, 5, "tomato", "", "Two loads of sauce, twelve quarts and a half for the evening meal.", false, "", "jars"},
	{2026, 9, 27, "potato", "", "Lifted dry. The row by the wall gave twice as much as the one by the path.", false, "", ""},
	{2026, 10, 18, "beet", "", "Smaller than last year, but sound.", false, "", ""},
	{2026, 12, 6, "", "", "Sorted the cellar: two soft squash, the rest is well.", false, "", ""},
	{2027, 2, 7, "", "", "Sauce will not last until June at this rate.", false, "", ""},
	{2027, 3, 21, "", "Mill bed", "First row of spinach is up under the fleece.", false, "", "bed"},
}

// notes writes the notebook, with its photographs.
func (w *writer) notes() {
	beds := map[string]string{}
	for _, b := range w.h.Beds {
		beds[b.Name] = b.ID
	}
	for i, n := range notebook {
		e := record.Entry{Day: civil.Of(n.year, n.month, n.day), Act: record.Note, Food: n.food, Bed: beds[n.bed], Note: n.text, Lesson: n.lesson, Pest: n.pest}
		if e.Lesson && e.Food == "" && e.Bed == "" && e.Pest == "" {
			e.Lesson = false // a household without the bed
		}
		if n.photo != "" && e.Day <= w.until {
			e.Photos = []string{fmt.Sprint("photo-", len(w.out.Photographs))}
			w.out.Photographs = append(w.out.Photographs, drawn(n.photo, uint64(i)))
		}
		w.enter(e)
	}
}
