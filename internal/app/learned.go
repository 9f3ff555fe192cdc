package app

import (
	"reflect"
	"sync"

	"inventory/internal/core/learn"
	"inventory/internal/core/plan"
	"inventory/internal/core/record"
)

// teaching keeps what the record teaches, until something changes that it follows from.
type teaching struct {
	mu      sync.Mutex
	of      taughtBy
	learned *learn.Learned
	taught  plan.Input // its Taught alone is used
}

// taughtBy is what is learned from: the record, the plantings, where they stood, the years that have
// ended, and the figures that the household has set.
type taughtBy struct {
	record *record.Record
	in     plan.Input
}

// same reports whether two records teach the same.
func (a taughtBy) same(b taughtBy) bool {
	x, y := a.in.Household, b.in.Household
	return a.record == b.record && a.in.AsOf == b.in.AsOf && x.Year == y.Year && x.Place == y.Place &&
		reflect.DeepEqual(x.Plantings, y.Plantings) && reflect.DeepEqual(x.Past, y.Past) && reflect.DeepEqual(x.Learning, y.Learning) &&
		reflect.DeepEqual(x.Placements, y.Placements) && reflect.DeepEqual(x.Overrules, y.Overrules) && reflect.DeepEqual(x.OwnCrops, y.OwnCrops) && reflect.DeepEqual(x.OwnPreparations, y.OwnPreparations)
}

// teach puts what the record teaches into an input. It is worked out anew where the record, or what it is
// held against, has changed.
func (l *teaching) teach(in plan.Input, rec *record.Record) (plan.Input, *learn.Learned, error) {
	l.mu.Lock()
	defer l.mu.Unlock()
	now := taughtBy{rec, in}
	if l.learned == nil || !l.of.same(now) {
		learned, taught, err := plan.Learned(in, rec)
		if err != nil {
			return in, nil, err
		}
		l.of, l.learned, l.taught = now, learned, taught
	}
	in.Taught = l.taught.Taught
	return in, l.learned, nil
}
