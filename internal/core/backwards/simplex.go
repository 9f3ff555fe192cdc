package backwards

import "math"

// program is a linear program: the greatest sum of worth·x over 0 ≤ x ≤ most, where for every
// row the sum of its takes·x is at most its room. Rooms and mosts are not negative, so that
// x = 0 is allowed.
type program struct {
	worth []float64   // of each column
	most  []float64   // of each column
	takes [][]float64 // of each row, by column
	room  []float64   // of each row
}

// solution is what a program comes to.
type solution struct {
	x     []float64 // of each column
	value float64
	price []float64 // of each row: what a unit more of its room is worth; 0 where it is not scarce
}

// How near to nothing a number counts as nothing, and after how many steps the first column
// that helps is taken instead of the best one, so that no circle of steps goes on for ever
// (Bland 1977).
const (
	tiny    = 1e-9
	patient = 400
)

// tableau is a program being solved by the simplex method with bounded variables (Dantzig
// 1955): columns that are at 0, rows that hold what the others then are. A variable at its
// most is turned round, so that it counts from there.
type tableau struct {
	d      [][]float64 // rows, then the worth; the last column is the right side
	column []int       // the variable of each column
	row    []int       // the variable of each row
	most   []float64   // of each variable; slack has no bound
	turned []bool      // it counts down from its most
	n      int         // columns of the program
}

// solve returns the best solution. The same program gives the same solution.
func (p *program) solve() solution {
	t := p.tableau()
	for step := 0; ; step++ {
		j := t.entering(step > patient)
		if j < 0 {
			return t.solution(len(p.room))
		}
		t.enter(j)
	}
}

func (p *program) tableau() *tableau {
	n, m := len(p.worth), len(p.room)
	t := &tableau{n: n, column: make([]int, n), row: make([]int, m), most: make([]float64, n+m), turned: make([]bool, n+m)}
	for j := range n {
		t.column[j], t.most[j] = j, p.most[j]
	}
	for i := range m {
		t.row[i], t.most[n+i] = n+i, math.Inf(1)
		t.d = append(t.d, append(append(make([]float64, 0, n+1), p.takes[i]...), p.room[i]))
	}
	t.d = append(t.d, append(append(make([]float64, 0, n+1), p.worth...), 0))
	return t
}

// entering returns the column whose growth helps most, or the first that helps; -1: none does.
func (t *tableau) entering(first bool) int {
	best, by := -1, tiny
	for j, gain := range t.d[len(t.row)][:t.n] {
		if gain > by && (best < 0 || !first || t.column[j] < t.column[best]) {
			best = j
			if !first {
				by = gain
			}
		}
	}
	return best
}

// enter lets a column grow until it is at its most, or a row is at 0 or at its most.
func (t *tableau) enter(j int) {
	leaves, upward, by := -1, false, t.most[t.column[j]]
	for i, v := range t.row {
		a, right := t.d[i][j], t.d[i][t.n]
		limit, up := math.Inf(1), false
		if a > tiny {
			limit = right / a
		} else if a < -tiny {
			limit, up = (t.most[v]-right)/-a, true
		}
		if limit < by-tiny || limit <= by && leaves >= 0 && v < t.row[leaves] {
			leaves, upward, by = i, up, limit
		}
	}
	switch {
	case leaves < 0:
		t.turnColumn(j)
	default:
		if upward {
			t.turnRow(leaves)
		}
		t.pivot(leaves, j)
	}
}

// turnColumn counts the variable of a column from its most down.
func (t *tableau) turnColumn(j int) {
	v := t.column[j]
	for i := range t.d {
		t.d[i][t.n] -= t.d[i][j] * t.most[v]
		t.d[i][j] = -t.d[i][j]
	}
	t.turned[v] = !t.turned[v]
}

// turnRow counts the variable of a row from its most down.
func (t *tableau) turnRow(i int) {
	v := t.row[i]
	for j := range t.n {
		t.d[i][j] = -t.d[i][j]
	}
	t.d[i][t.n] = t.most[v] - t.d[i][t.n]
	t.turned[v] = !t.turned[v]
}

// pivot puts the variable of a column into a row, and that of the row into the column.
func (t *tableau) pivot(r, j int) {
	by := t.d[r][j]
	for k := range t.d[r] {
		t.d[r][k] /= by
	}
	t.d[r][j] = 1 / by
	for i := range t.d {
		if f := t.d[i][j]; i != r && f != 0 {
			for k := range t.d[i] {
				if k != j {
					t.d[i][k] -= f * t.d[r][k]
				}
			}
			t.d[i][j] = -f * t.d[r][j]
		}
	}
	t.row[r], t.column[j] = t.column[j], t.row[r]
}

func (t *tableau) solution(rows int) solution {
	out := solution{x: make([]float64, t.n), price: make([]float64, rows), value: -t.d[len(t.row)][t.n]}
	put := func(v int, value float64) {
		if v < t.n {
			if t.turned[v] {
				value = t.most[v] - value
			}
			out.x[v] = math.Max(0, math.Min(t.most[v], value))
		}
	}
	for j, v := range t.column {
		put(v, 0)
		if v >= t.n {
			out.price[v-t.n] = math.Max(0, -t.d[len(t.row)][j])
		}
	}
	for i, v := range t.row {
		put(v, t.d[i][t.n])
	}
	return out
}
