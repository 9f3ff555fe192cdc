package civil

import (
	"testing"
)

func TestDates(t *testing.T) {
	d, err := Parse("2028-02-29")
	if err != nil || d.String() != "2028-02-29" || d.Words() != "29 Feb 2028" || d.YearDay() != 58 {
		t.Errorf("%v %v %d", d, err, d.YearDay())
	}
	if d+1 != Of(2028, 3, 1) || Of(2028, 12, 31)-Of(2028, 1, 1) != 365 {
		t.Error("days do not follow each other")
	}
	for _, s := range []string{"", "2027-13-01", "27-01-01", "2027-02-30", "1066-10-14", "0000-01-01"} {
		if d, err := Parse(s); err == nil {
			t.Errorf("%q was read as %v", s, d)
		}
	}
}

func TestMonthDays(t *testing.T) {
	m, err := ParseMonthDay("04-28")
	if err != nil || m.String() != "04-28" || m.In(2027) != Of(2027, 4, 28) || m.YearDay() != 117 {
		t.Errorf("%v %v", m, err)
	}
	var none MonthDay
	if err := none.UnmarshalText(nil); err != nil || !none.IsZero() || none.String() != "" {
		t.Error("no text is no day")
	}
	for s, want := range map[string]bool{"02-29": true, "12-31": true, "02-30": false, "13-01": false, "04-00": false} {
		if err := none.UnmarshalText([]byte(s)); err != nil || none.Valid() != want {
			t.Errorf("%q: %v, valid %v", s, err, none.Valid())
		}
	}
	for _, s := range []string{"4-28", "x", "04-2", "04-289", "-4-28"} {
		if err := none.UnmarshalText([]byte(s)); err == nil {
			t.Errorf("%q was read as %v", s, none)
		}
	}
}

// The zero Date is no day: every day that can be written comes back, the first of
// 1970 too, and a day that was left out is not taken for one.
func TestNoDayIsNoDate(t *testing.T) {
	for _, text := range []string{"1970-01-01", "1900-01-01", "2027-04-28", "2200-12-31", ""} {
		var d Date
		if err := d.UnmarshalText([]byte(text)); err != nil || d.String() != text || (d == 0) != (text == "") {
			t.Errorf("%q is read as %d and written %q: %v", text, d, d, err)
		}
	}
	if Of(1970, 1, 1).Midnight().Unix() != 0 || Of(2000, 3, 1)-Of(2000, 2, 28) != 2 {
		t.Error("days are counted wrong")
	}
}

// A week begins on Monday.
func TestTheMondayOfAWeek(t *testing.T) {
	monday := Of(2027, 4, 19)
	for d := monday; d < monday+7; d++ {
		if d.Monday() != monday {
			t.Errorf("%s is in the week of %s", d, d.Monday())
		}
	}
	if (monday-1).Monday() != monday-7 || Of(1960, 1, 1).Monday() != Of(1959, 12, 28) {
		t.Error("the day before is in the week before")
	}
}
