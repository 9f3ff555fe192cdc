package say

import (
	"strings"
	"testing"
)

// Within a tenth of what was expected by now a food goes as expected.
func TestTheSideOfASeason(t *testing.T) {
	for _, c := range []struct {
		picked, byNow float64
		want          Side
		says          string
	}{
		{91, 100, AsExpected, "As expected: {91|kg} picked"}, {109, 100, AsExpected, "As expected"}, {89, 100, Behind, "Behind: {89|kg} picked, {100|kg} expected by now; it is nearly sure"},
		{112, 100, Ahead, "Ahead"}, {3, 0, Ahead, "Earlier than expected"},
	} {
		x := SeasonSoFar{Picked: c.picked, ByNow: c.byNow, Sure: Sure}
		if x.Side() != c.want || !strings.HasPrefix(x.String(), c.says) {
			t.Errorf("%+v: %s, %q", c, x.Side(), x)
		}
		if short := x.Short(); strings.Contains(short, "kg") || c.want == Behind && short != "behind; it is nearly sure to stay so" {
			t.Error(short)
		}
	}
}
