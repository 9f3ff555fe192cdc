// Package caution says which of the book's warnings belongs where.
package caution

import (
	"slices"

	"inventory/internal/core/book"
)

// Setting is where a warning may belong; fields that do not apply stay empty.
type Setting struct {
	Crop   string // crop id
	Group  string // of the crop
	Store  string // kind of store it is kept in: cool-moist, cool-dry …
	Task   string // such as apply-manure
	Screen string
}

// OfPreparation returns the ids of the warnings that belong to a preparation:
// its own list, and for one of the household's own those that its form, method
// and acidity call for as well.
func OfPreparation(b *book.Book, p *book.Preparation) (ids []string) {
	ids = slices.Clone(p.Cautions)
	if !p.Own {
		return ids
	}
	values := map[string]string{"form": p.Form, "method": p.Method, "acidity": p.Acidity, "prep": p.From}
	for _, c := range b.Cautions {
		for _, alternative := range c.When {
			holds := len(alternative) > 0
			for _, k := range alternative {
				holds = holds && slices.Contains(k.Values, values[k.Kind])
			}
			if holds && !slices.Contains(ids, c.ID) {
				ids = append(ids, c.ID)
			}
		}
	}
	return ids
}

// Of returns the setting of a crop as it is grown and eaten fresh.
func Of(c *book.Crop) Setting { return Setting{Crop: c.ID, Group: string(c.Group)} }

// For returns the ids of the warnings that belong to a setting, in the book's
// order. A preparation's warnings are its own list and are not looked for here.
func For(b *book.Book, s Setting) (ids []string) {
	for _, c := range b.Cautions {
		if Fits(c.When, s) {
			ids = append(ids, c.ID)
		}
	}
	return ids
}

// Fits reports whether a "when" of the book holds in a setting.
func Fits(when [][]book.Condition, s Setting) bool {
	for _, alternative := range when {
		holds := len(alternative) > 0
		for _, c := range alternative {
			holds = holds && slices.Contains(c.Values, s.value(c.Kind))
		}
		if holds {
			return true
		}
	}
	return false
}

// value returns what a setting has of a kind of condition; forms, methods and
// preparations belong to preparations, so nothing fits them here.
func (s Setting) value(kind string) string {
	switch kind {
	case "crop":
		return s.Crop
	case "group":
		return s.Group
	case "store":
		return s.Store
	case "task":
		return s.Task
	case "screen":
		return s.Screen
	}
	return ""
}
