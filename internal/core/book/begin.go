package book

// Beginning is one food of the list that a household ticks on its first evening.
type Beginning struct {
	Habit    string  // the meal habit that it is listed under, such as Salads
	Words    string  // what it is called there
	Line     string  // the wish as a line; {n} stands for the number
	PerAdult float64 // of what {n} counts, for one adult in a year; 0 where the line has no {n}
}

func (b *Book) readBeginning(s *sheet) {
	b.beginnings = append(b.beginnings, Beginning{Habit: s.must("habit"), Words: s.must("words"), Line: s.must("line"), PerAdult: s.maybe("per_adult", 0, 200).Or(0)})
}

// Beginnings returns the foods to begin with, in the order of the list.
func (b *Book) Beginnings() []Beginning { return b.beginnings }
