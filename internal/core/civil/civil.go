// Package civil has dates without clock or zone, counted in whole days.
package civil

import (
	"fmt"
	"time"
)

// Date is a day of the proleptic Gregorian calendar, counted in days from
// 1 January 1800, which no household can name: the zero Date is no day at all.
// Differences of dates are days.
type Date int

// epoch is the zero Date in days before 1 January 1970.
const epoch = 62091

// Of returns the date of a year, month (1 to 12) and day; what lies outside
// the month runs over into its neighbours, as in package time.
func Of(year, month, day int) Date {
	t := time.Date(year, time.Month(month), day, 0, 0, 0, 0, time.UTC)
	return Date(t.Unix()/86400 + epoch)
}

// Parse reads an ISO 8601 date such as 2027-04-28.
func Parse(s string) (Date, error) {
	t, err := time.ParseInLocation(time.DateOnly, s, time.UTC)
	if err != nil {
		return 0, fmt.Errorf("%q is not a date such as 2027-04-28", s)
	}
	if y := t.Year(); y < 1900 || y > 2200 {
		return 0, fmt.Errorf("%q lies outside the years 1900 to 2200", s)
	}
	return Of(t.Year(), int(t.Month()), t.Day()), nil
}

// Midnight returns the beginning of the day in UTC.
func (d Date) Midnight() time.Time { return time.Unix((int64(d)-epoch)*86400, 0).UTC() }

// Split returns year, month (1 to 12) and day of the month.
func (d Date) Split() (year, month, day int) {
	t := d.Midnight()
	return t.Year(), int(t.Month()), t.Day()
}

// Monday returns the Monday on the day or before it.
func (d Date) Monday() Date { return d - Date((d.Midnight().Weekday()+6)%7) }

// String writes the date in ISO 8601, and nothing for no day.
func (d Date) String() string {
	if d == 0 {
		return ""
	}
	return d.Midnight().Format(time.DateOnly)
}

// Words writes the date as "28 Apr 2027".
func (d Date) Words() string { return d.Midnight().Format("2 Jan 2006") }

// Short writes the date as "28 Apr".
func (d Date) Short() string { return d.Midnight().Format("2 Jan") }

// MarshalText writes the date in ISO 8601, and nothing for no day.
func (d Date) MarshalText() ([]byte, error) { return []byte(d.String()), nil }

// UnmarshalText reads an ISO 8601 date; an empty text is no day.
func (d *Date) UnmarshalText(text []byte) (err error) {
	if len(text) == 0 {
		*d = 0
		return nil
	}
	*d, err = Parse(string(text))
	return err
}

// MonthDay is a day that comes round every year, such as a median frost date.
// The zero value is no day at all.
type MonthDay struct{ Month, Day int }

// ParseMonthDay reads "04-28". A day that no year has, such as 04-31, is read
// too, so that whoever looks at the field it stands in can say so; see Valid.
func ParseMonthDay(s string) (MonthDay, error) {
	var m MonthDay
	if n, err := fmt.Sscanf(s, "%2d-%2d", &m.Month, &m.Day); err != nil || n != 2 || len(s) != 5 || m.Month < 0 || m.Day < 0 {
		return MonthDay{}, fmt.Errorf("%q is not a day of the year such as 04-28", s)
	}
	return m, nil
}

// Valid reports whether some year has such a day.
func (m MonthDay) Valid() bool {
	if m.Month < 1 || m.Month > 12 || m.Day < 1 {
		return false
	}
	_, month, day := m.In(2000).Split()
	return month == m.Month && day == m.Day
}

// IsZero reports whether there is no such day.
func (m MonthDay) IsZero() bool { return m == MonthDay{} }

// In returns the day's date in a year.
func (m MonthDay) In(year int) Date { return Of(year, m.Month, m.Day) }

// YearDay counts the day from 0 (1 January) in a year of 365 days; 29 February
// counts as the 28th.
func (m MonthDay) YearDay() int {
	if m.Month == 2 && m.Day == 29 {
		m.Day = 28
	}
	if m.Month < 1 || m.Month > 12 {
		return int(Of(2001, m.Month, m.Day) - Of(2001, 1, 1))
	}
	return daysBefore[m.Month-1] + m.Day - 1
}

// daysBefore are the days of a year of 365 before each month.
var daysBefore = [12]int{0, 31, 59, 90, 120, 151, 181, 212, 243, 273, 304, 334}

// String writes "04-28", or nothing for no day.
func (m MonthDay) String() string {
	if m.IsZero() {
		return ""
	}
	return fmt.Sprintf("%02d-%02d", m.Month, m.Day)
}

// MarshalText writes "04-28".
func (m MonthDay) MarshalText() ([]byte, error) { return []byte(m.String()), nil }

// UnmarshalText reads "04-28"; an empty text is no day.
func (m *MonthDay) UnmarshalText(text []byte) (err error) {
	if len(text) == 0 {
		*m = MonthDay{}
		return nil
	}
	*m, err = ParseMonthDay(string(text))
	return err
}

// YearDay counts a date from 0 (1 January) in a year of 365 days; 29 February
// counts as the 28th.
func (d Date) YearDay() int {
	_, m, day := d.Split()
	return MonthDay{m, day}.YearDay()
}

// Short writes a month and a day, such as 14 Oct.
func (m MonthDay) Short() string { return m.In(2000).Short() } // a year with a 29 February
