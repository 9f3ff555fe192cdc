package plan

import (
	"inventory/internal/core/say"
)

// notes are what a step has to say of wishes, in the order in which it says it.
type notes []noteOf

type noteOf struct {
	wish int
	fact say.Fact
}

func (n *notes) add(wish int, fact say.Fact) { *n = append(*n, noteOf{wish, fact}) }

// tell adds notes to the wishes that they are of.
func tell(wishes []Wish, said notes) {
	for _, n := range said {
		wishes[n.wish].Notes = append(wishes[n.wish].Notes, say.That(n.fact))
	}
}
