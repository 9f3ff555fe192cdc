package backwards

import (
	"math"
	"math/rand/v2"
	"testing"
)

// certified checks that a solution is allowed and that no better one can be: what the rooms
// are worth at its prices, with what the columns then still gain, is its own value. That is
// an upper bound of every solution (duality; Dantzig 1963).
func certified(t *testing.T, p *program, s solution) {
	t.Helper()
	const near = 1e-6
	var value, bound float64
	for j, x := range s.x {
		if x < -near || x > p.most[j]+near {
			t.Fatalf("column %d is %g of at most %g", j, x, p.most[j])
		}
		value += p.worth[j] * x
		gain := p.worth[j]
		for i := range p.room {
			gain -= s.price[i] * p.takes[i][j]
		}
		bound += math.Max(0, gain) * p.most[j]
	}
	for i, room := range p.room {
		var taken float64
		for j, x := range s.x {
			taken += p.takes[i][j] * x
		}
		if taken > room+near {
			t.Fatalf("row %d takes %g of %g", i, taken, room)
		}
		if s.price[i] < 0 {
			t.Fatalf("row %d has the price %g", i, s.price[i])
		}
		bound += s.price[i] * room
	}
	if math.Abs(value-s.value) > near*(1+value) || math.Abs(bound-value) > near*(1+value) {
		t.Fatalf("value %g, said %g, bound %g", value, s.value, bound)
	}
}

func TestTheBestOfSmallPrograms(t *testing.T) {
	for _, c := range []struct {
		name  string
		p     program
		value float64
		x     []float64
	}{
		{"room for all", program{[]float64{3, 2}, []float64{1, 1}, [][]float64{{4, 4}}, []float64{10}}, 5, []float64{1, 1}},
		{"the one worth more for its room goes first", program{[]float64{3, 2}, []float64{1, 1}, [][]float64{{6, 3}}, []float64{6}}, 3.5, []float64{0.5, 1}},
		{"no room", program{[]float64{3, 2}, []float64{1, 1}, [][]float64{{6, 3}}, []float64{0}}, 0, []float64{0, 0}},
		{"what takes none is always there", program{[]float64{1, 2}, []float64{1, 1}, [][]float64{{0, 3}}, []float64{0}}, 1, []float64{1, 0}},
		{"two rows bind", program{[]float64{5, 4, 3}, []float64{9, 9, 9}, [][]float64{{2, 3, 1}, {4, 1, 2}, {3, 4, 2}}, []float64{5, 11, 8}}, 13, []float64{2, 0, 1}},
		{"no column", program{nil, nil, [][]float64{{}}, []float64{3}}, 0, nil},
	} {
		s := c.p.solve()
		certified(t, &c.p, s)
		for j := range c.x {
			if math.Abs(s.x[j]-c.x[j]) > 1e-9 || math.Abs(s.value-c.value) > 1e-9 {
				t.Errorf("%s: %v worth %g, want %v worth %g", c.name, s.x, s.value, c.x, c.value)
			}
		}
	}
}

// The solutions of random programs carry their proof; some are degenerate on purpose.
func TestRandomProgramsAreSolvedToTheBest(t *testing.T) {
	r := rand.New(rand.NewPCG(1, 14))
	for range 400 {
		n, m := 1+r.IntN(60), 1+r.IntN(50)
		p := program{worth: make([]float64, n), most: make([]float64, n), takes: make([][]float64, m), room: make([]float64, m)}
		for j := range n {
			p.worth[j], p.most[j] = float64(r.IntN(60)), []float64{0, 0.1, 0.9, 1}[r.IntN(4)]
		}
		for i := range m {
			p.takes[i] = make([]float64, n)
			for j := range n {
				if r.IntN(3) > 0 {
					p.takes[i][j] = float64(r.IntN(12))
				}
			}
			p.room[i] = float64(r.IntN(40))
			if i > 0 && r.IntN(4) == 0 { // the same row again: a tie at every step
				p.takes[i], p.room[i] = p.takes[i-1], p.room[i-1]
			}
		}
		certified(t, &p, p.solve())
	}
}

func BenchmarkSolve(b *testing.B) {
	r := rand.New(rand.NewPCG(2, 14))
	p := program{worth: make([]float64, 80), most: make([]float64, 80), takes: make([][]float64, 90), room: make([]float64, 90)}
	for j := range p.worth {
		p.worth[j], p.most[j] = r.Float64()*50, 1
	}
	for i := range p.takes {
		p.takes[i] = make([]float64, 80)
		for j := range p.takes[i] {
			p.takes[i][j] = r.Float64() * 10
		}
		p.room[i] = 100
	}
	for b.Loop() {
		p.solve()
	}
}
