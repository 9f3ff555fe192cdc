package ground

import "testing"

// A layout is judged by what is placed, by priority, then by what lies where it was agreed to
// lie, then by faults, pieces, and over how many beds the families are spread: each decides
// only where all before it are equal.
func TestWhatALayoutIsJudgedBy(t *testing.T) {
	order := []worth{ // the best first
		{placed: [3]int{3, 1, 0}, spread: 9},
		{placed: [3]int{2, 4, 6}, home: 5, faults: 9, spread: 9},
		{placed: [3]int{2, 5, 0}, home: 4, spread: 9},
		{placed: [3]int{2, 4, 7}, home: 4, faults: 9, spread: 9},
		{placed: [3]int{2, 4, 6}, home: 4, faults: 1, pieces: 9, spread: 9},
		{placed: [3]int{2, 4, 6}, home: 4, faults: 2, pieces: 1, spread: 9},
		{placed: [3]int{2, 4, 6}, home: 4, faults: 2, pieces: 2, spread: 3},
		{placed: [3]int{2, 4, 6}, home: 4, faults: 2, pieces: 2, spread: 4},
	}
	for i, a := range order {
		for k, b := range order {
			if got := a.better(b); got != (i < k) {
				t.Errorf("%+v is better than %+v: %v", a, b, got)
			}
		}
	}
}
