package work

import (
	"strings"
	"testing"

	"inventory/internal/core/amount"
	"inventory/internal/core/book"
	"inventory/internal/core/civil"
)

func names(ts []Task) (out []string) {
	for _, t := range ts {
		out = append(out, t.What)
	}
	return out
}

// Each way into the ground has its own work, in the order of the days.
func TestTheWorkOfEachWay(t *testing.T) {
	b, r := book.Usual(), book.UsualRules()
	day := civil.Of(2027, 3, 1)
	for _, c := range []struct {
		name string
		job  Job
		want string
	}{
		{"raised for long", Job{Crop: b.Crop("tomato-paste"), Method: "raised", Date: day, Harden: day + 42, Out: day + 49, Up: day + 12, First: day + 120, Last: day + 150, Clear: day + 158, Cells: 60, SetOut: 50, Each: 2, Plants: 48, Area: 17, Gives: 90, Unit: amount.Kilogram},
			"sow up-by pot-on harden-off plant-out support pick last-pick clear"},
		{"bought", Job{Crop: b.Crop("lettuce-head"), Method: "bought", Date: day, Out: day, First: day + 50, Last: day + 60, Clear: day + 68, SetOut: 12, Plants: 11, Gives: 10, Unit: amount.Piece}, "plant-out pick clear"},
		{"a drill", Job{Crop: b.Crop("carrot"), Method: "direct", Date: day, Up: day + 21, First: day + 80, Last: day + 80, Clear: day + 88, Drill: 9, Plants: 200, Area: 3, Gives: 12, Unit: amount.Kilogram}, "sow up-by thin lift clear"},
		{"potatoes", Job{Crop: b.Crop("potato-main"), Method: "stock", Stock: "tubers", Date: day, Out: day, Up: day + 30, First: day + 120, Last: day + 120, Clear: day + 128, SetOut: 100, Plants: 95, Area: 25, Gives: 80, Unit: amount.Kilogram, Kept: true}, ""},
		{"under fleece", Job{Crop: b.Crop("radish"), Method: "direct", Date: day, Cover: "fleece", Covers: []Covered{{day, day + 40}}, Up: day + 8, First: day + 45, Last: day + 45, Clear: day + 53, Drill: 2, Plants: 60, Area: 1, Gives: 1, Unit: amount.Kilogram}, "sow cover-on up-by thin cover-off lift clear"},
	} {
		if c.job.Crop == nil {
			continue // the book calls it otherwise
		}
		got := Tasks(c.job, r)
		if have := strings.Join(names(got), " "); c.want != "" && have != c.want {
			t.Errorf("%s: %s, want %s", c.name, have, c.want)
		}
		for i, task := range got {
			if i > 0 && task.Day < got[i-1].Day || task.Do == "" || task.Minutes < 0 {
				t.Errorf("%s: %+v", c.name, task)
			}
		}
	}
}

func TestWordsOfATask(t *testing.T) {
	say := func(v float64, u amount.Unit) string { return amount.Format(v, u, amount.Metric) }
	for _, c := range []struct {
		task Task
		want string
	}{
		{Task{}, ""},
		{Task{Count: 24, Unit: amount.Cell, Each: 2}, "24 cells, 2 seeds to each"},
		{Task{Count: 24, Unit: amount.Station, Each: 1}, "24 stations, 1 seed to each"},
		{Task{Count: 200, Unit: amount.Start, Noun: "tubers"}, "200 tubers"},
		{Task{Count: 2.84, Unit: amount.Metre, Noun: "of row"}, "2.8 m of row"},
		{Task{What: Pick, Count: 12, Unit: amount.Kilogram, Day: 10, Until: 40, Every: 3}, "likely 12 kg; every 3 days until 10 Feb"},
	} {
		if got := c.task.Words(say); got != c.want {
			t.Errorf("%+v: %q, want %q", c.task, got, c.want)
		}
	}
	if Between(book.Usual().Crop("zucchini")) > 4 || Between(book.Usual().Crop("lettuce-leaf")) != 7 {
		t.Error("pickings lie too far apart")
	}
	if n := Trays(100, book.Rules{TrayCells: 40}); n != 2.5 {
		t.Errorf("%g trays", n)
	}
}
