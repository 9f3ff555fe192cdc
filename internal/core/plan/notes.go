package plan

// notes are what a step has to say of wishes, in the order in which it says it.
type notes []noteOf

type noteOf struct {
	wish int
	text string
}

func (n *notes) add(wish int, text string) { *n = append(*n, noteOf{wish, text}) }

// tell adds notes to the wishes that they are of.
func tell(wishes []Wish, said notes) {
	for _, n := range said {
		wishes[n.wish].Notes = append(wishes[n.wish].Notes, n.text)
	}
}
