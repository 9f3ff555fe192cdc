package plan

import (
	"inventory/internal/core/civil"
	"inventory/internal/core/place"
	"inventory/internal/core/say"
)

// CropWindows is when a crop may be begun here: runs of days with the reason at each
// edge.
type CropWindows struct {
	Crop    string   `json:"crop"`
	Cover   string   `json:"cover,omitempty"`
	Warmer  float64  `json:"warmer,omitempty"` // °C than the place
	Windows []Window `json:"windows"`
}

// Window is a run of permitted days.
type Window struct {
	First    civil.Date `json:"first"` // to sow, indoors or in place, or to plant stock
	Last     civil.Date `json:"last"`
	FirstWhy say.Note   `json:"first_why"`
	LastWhy  say.Note   `json:"last_why"`
	Picked   civil.Date `json:"picked"` // the first harvest of the first of them
	Until    civil.Date `json:"until"`  // the end of the last one's picking
}

// air returns the air that a sowing grows in.
func (s *Sowing) air() place.Air { return place.Air{Cover: place.Cover(s.Cover), Warmer: s.Warmer} }

// windowsOf returns when each crop of the sowings can be started, in the order in which
// they first are.
func windowsOf(b *basis, all []*sown) []CropWindows {
	out := []CropWindows{}
	seen := map[grownIn]bool{}
	for _, s := range all {
		key := grownIn{b.desk.Book.Crop(s.Crop), s.air()}
		if seen[key] || !s.Method.OneYear() {
			continue
		}
		seen[key] = true
		f := CropWindows{Crop: s.Crop, Cover: s.Cover, Warmer: s.Warmer, Windows: []Window{}}
		for _, w := range b.wholeSeason(key.crop, key.air).Windows {
			first, last := w.First, w.Last
			if last.Sow < first.Sow { // it runs on past the end of the table year
				last.Sow, last.End = last.Sow+place.Days, last.End+place.Days
			}
			f.Windows = append(f.Windows, Window{b.date(first.Sow), b.date(last.Sow), w.FirstWhy, w.LastWhy, b.date(first.Ready), b.date(last.End)})
		}
		out = append(out, f)
	}
	return out
}
