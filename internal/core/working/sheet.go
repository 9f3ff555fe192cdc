package working

import (
	"fmt"

	"inventory/internal/core/amount"
)

// Recorder keeps the workings that are asked for while a plan is reckoned, so
// that the sum shown is the very one that was done. A nil Recorder keeps none.
type Recorder struct {
	want  func(figure string) bool
	Found []*Working
}

// Record makes a recorder of the figures for which want is true.
func Record(want func(figure string) bool) *Recorder { return &Recorder{want: want} }

// Open begins the sum of the figure base/name of a subject. The parts are put
// together only where the sum is written down: most are not.
func (r *Recorder) Open(base, name, subject, title string) *Sheet {
	if r == nil { // short enough to be inlined, so that a sheet nobody reads is not allocated
		return &Sheet{}
	}
	return r.open(base, name, subject, title)
}

func (r *Recorder) open(base, name, subject, title string) *Sheet {
	if !r.want(base + "/" + name) {
		return &Sheet{}
	}
	if subject != "" {
		title = subject + ": " + title
	}
	w := &Working{Figure: base + "/" + name, Title: title, Lines: []Line{}}
	r.Found = append(r.Found, w)
	return &Sheet{w: w}
}

// Resume goes on with a sum that is written down already.
func Resume(w *Working) *Sheet { return &Sheet{v: w.Value, w: w} }

// Sheet is a sum being done: it carries the running value and, where the figure
// is asked for, writes each step down.
type Sheet struct {
	v float64
	w *Working
}

// On reports whether the steps are written down.
func (s *Sheet) On() bool { return s.w != nil }

// Value returns the running value, in SI.
func (s *Sheet) Value() float64 { return s.v }

// Do does one step with a value in its unit and writes it down.
func (s *Sheet) Do(op Op, name string, value float64, unit amount.Unit, source Source) *Sheet {
	s.v = apply(op, s.v, si(value, unit))
	if s.w != nil {
		s.w.Lines = append(s.w.Lines, Line{Op: op, Name: name, Value: value, Unit: unit, Source: source})
	}
	return s
}

// Is says the running value out loud.
func (s *Sheet) Is(name string, unit amount.Unit) *Sheet {
	return s.Do(Equals, name, s.v, unit, Reckoned)
}

// Up rounds the running value up to whole ones.
func (s *Sheet) Up(name string, unit amount.Unit) *Sheet {
	return s.Do(RoundUp, name, apply(RoundUp, s.v, 0), unit, Reckoned)
}

// Note says more about the step just done.
func (s *Sheet) Note(format string, args ...any) *Sheet {
	if l := s.last(); l != nil {
		l.Note = fmt.Sprintf(format, args...)
	}
	return s
}

// Link names the figure base/name that the value of the step just done is.
func (s *Sheet) Link(base, name string) *Sheet {
	if l := s.last(); l != nil {
		l.Figure = base + "/" + name
	}
	return s
}

// Called names the step just done.
func (s *Sheet) Called(format string, args ...any) *Sheet {
	if l := s.last(); l != nil {
		l.Name = fmt.Sprintf(format, args...)
	}
	return s
}

// May says that the value of the step just done may be overruled there.
func (s *Sheet) May(o Overrule) *Sheet {
	if l := s.last(); l != nil {
		l.Overrule = &o
	}
	return s
}

// Close ends the sum and returns its value.
func (s *Sheet) Close(unit amount.Unit) float64 {
	if s.w != nil {
		s.w.Value, s.w.Unit = s.v, unit
	}
	return s.v
}

func (s *Sheet) last() *Line {
	if s.w == nil || len(s.w.Lines) == 0 {
		return nil
	}
	return &s.w.Lines[len(s.w.Lines)-1]
}
