package daybook

import (
	"inventory/internal/core/book"
	"inventory/internal/core/record"
	"inventory/internal/core/say"
	"inventory/internal/core/stock"
)

// LotName is how a lot is called: by what was put up, or by its food.
func LotName(l stock.Lot, b *book.Book) string { return (&desk{book: b}).called(l) }

// Words says an entry in words; quantities are marked.
func Words(e record.Entry, b *book.Book, lots []stock.Lot) string {
	d := &desk{book: b}
	what := e.Food
	for _, l := range lots {
		if l.ID == e.Lot {
			what = d.called(l)
		}
	}
	name := d.named(e.Food, e.Crop)
	switch e.Act {
	case record.Harvest, record.Bought, record.Unweighed:
		return say.CameIn{Food: name, Gram: e.Gram, Pieces: e.Pieces, Measure: e.Measure, Last: e.Last, Bought: e.Act == record.Bought}.String()
	case record.Use:
		return say.Went{Food: name, Gram: e.Gram, To: string(e.To), Reason: e.Reason}.String()
	case record.PutUp:
		if p := b.Preparation(e.Preparation); p != nil {
			what = p.Name
		}
		return say.PutUpNow{Preparation: what, Filled: e.Jars, Failed: e.Failed, Gram: e.Gram}.String()
	case record.Draw:
		return say.Drawn{What: what, Jars: e.Jars, Gram: e.Gram, To: string(e.To), Reason: e.Reason}.String()
	case record.Count:
		return say.ShelfCounted{What: what, Jars: e.Jars, Gram: e.Gram}.String()
	}
	if e.Said != "" {
		return say.SaidOfFood{Food: e.Food, RanOut: e.Said == record.SaidRanOut, TooMuch: e.Said == record.SaidTooMuch}.String()
	}
	return say.Noted{Text: e.Note, Photographs: len(e.Photos)}.String()
}
