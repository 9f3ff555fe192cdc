package amount

import (
	"math"
)

// JarSize is a size of jar that has a name.
type JarSize struct {
	Name  string  `json:"name"`
	Litre float64 `json:"litre"`
}

// Jars returns the usual sizes, those of the quart first. They are whole millionths of a
// litre, as they are written in files.
func Jars() []JarSize {
	quarts := func(n float64) float64 { return math.Round(LitresPerQuart*n*1e6) / 1e6 }
	return []JarSize{{"quart", quarts(1)}, {"pint", quarts(0.5)}, {"half-pint", quarts(0.25)}, {"gallon", quarts(4)}, {"1 litre", 1}, {"½ litre", 0.5}}
}

// JarNamed returns the litres of a jar that has a name; 0 where none has it.
func JarNamed(name string) float64 {
	for _, j := range Jars() {
		if j.Name == name {
			return j.Litre
		}
	}
	return 0
}
