package place

import (
	"testing"
)

func TestCoversWarmAndShield(t *testing.T) {
	y := Build(Examples()[0].Place)
	if y.Under(NoCover) != y || y.Under(Net) != y {
		t.Error("no cover, or a net, changes the air")
	}
	for cover, want := range map[Cover]float64{Fleece: 1, Tunnel: 4} {
		u := y.Under(cover)
		if u.Min[80] != y.Min[80]+want || u.Max[200] != y.Max[200] {
			t.Errorf("%s: %g in March, %g in July", cover, u.Min[80]-y.Min[80], u.Max[200]-y.Max[200])
		}
		if u.Last >= y.Last || u.First <= y.First {
			t.Errorf("%s: frosts from %d–%d to %d–%d", cover, y.Last, y.First, u.Last, u.First)
		}
		// By the days in which the mean minimum changes by the degrees shielded.
		if d := y.Min[y.Last] - y.Min[u.Last] - Coverings[cover].Shields; d < 0 || d > 0.3 {
			t.Errorf("%s: the last frost is moved by %g degrees", cover, y.Min[y.Last]-y.Min[u.Last])
		}
	}
	if a, b := y.Under(Fleece), y.Under(Tunnel); b.Last >= a.Last || b.First <= a.First {
		t.Error("a tunnel shields no more than fleece")
	}
	if s := y.Under(Shade); s.Max[200] != y.Max[200]-3 || s.Max[20] != y.Max[20] || s.Last != y.Last {
		t.Error("shade cools the summer alone")
	}
	if w := Build(Examples()[2].Place); w.Under(Tunnel).Last != w.Last {
		t.Error("where there is no frost a cover moves none")
	}
}
