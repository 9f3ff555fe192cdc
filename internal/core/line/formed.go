package line

import (
	"slices"
	"strings"

	"inventory/internal/core/book"
	"inventory/internal/core/wish"
)

// formed gives a wish its forms and preparations: several wishes where a form can be
// had in several ways.
func (r *reader) formed(s *said, m subject, w wish.Wish, a amounts) ([]wish.Wish, error) {
	w.Forms = []wish.Form{}
	if w.Amount.Kind.Unweighed() {
		return r.plantsFor(s, m, w)
	}
	if m.prep != nil {
		w.Forms, w.Preparations = []wish.Form{wish.Form(m.prep.Form)}, []string{m.prep.ID}
		return []wish.Wish{w}, nil
	}
	forms := slices.Clone(s.forms)
	if slices.Contains(forms, wish.Dried) && len(r.ways(m, wish.Dried)) == 0 && r.gatheredDry(m) {
		forms = slices.DeleteFunc(forms, func(f wish.Form) bool { return f == wish.Dried }) // "10 lb dry": they are so
	}
	if s.shelved && w.Amount.Kind.Weekly() {
		if !slices.Contains(forms, wish.Fresh) {
			forms = append([]wish.Form{wish.Fresh}, forms...)
		}
		w.Season = wish.Season{Kind: wish.AllYear} // fresh while it is, put up for the rest
	}
	if a.jars && !slices.ContainsFunc(forms, wish.Form.PutUp) {
		return r.made(s, m, w)
	}
	if a.jars {
		forms = slices.DeleteFunc(forms, func(f wish.Form) bool { return !f.PutUp() })
	}
	if len(forms) == 0 {
		forms = wish.UsualForms(r.book, m.food, m.kind)
	}
	w.Forms = forms
	return r.prepared(s, m, w)
}

// plantsFor says what so many plants are for: eaten as the line says; where it does not say,
// eaten fresh where a portion of their food is known, or else plants alone, that feed nobody.
func (r *reader) plantsFor(s *said, m subject, w wish.Wish) ([]wish.Wish, error) {
	if m.prep != nil {
		w.Forms, w.Preparations = []wish.Form{wish.Form(m.prep.Form)}, []string{m.prep.ID}
		return []wish.Wish{w}, nil
	}
	if len(s.forms) > 0 {
		w.Forms = s.forms[:1]
		return r.prepared(s, m, w)
	}
	if !slices.ContainsFunc(r.kinds(m), func(c *book.Crop) bool { return c.Portion.Known && !c.Perennial() && c.Dense == nil }) {
		return []wish.Wish{w}, nil
	}
	eaten := w
	eaten.Forms = []wish.Form{wish.Fresh}
	if wish.UsualForms(r.book, m.food, m.kind)[0] == wish.Cellar {
		eaten.Forms = []wish.Form{wish.Cellar}
	}
	return []wish.Wish{eaten, w}, nil
}

// prepared names the preparation of each form that is put up; each way of having it
// is a wish of its own.
func (r *reader) prepared(s *said, m subject, w wish.Wish) ([]wish.Wish, error) {
	out := []wish.Wish{w}
	for _, f := range w.Forms {
		if !f.PutUp() {
			continue
		}
		ways := r.ways(m, f)
		if len(ways) == 0 {
			word := s.formText(f)
			return nil, refuse(word, "“%s” is not understood of %s: the book has no way of having it %s. It has %s.", word, m.food, f, r.madeOf(m))
		}
		var more []wish.Wish
		for _, prep := range ways {
			for _, w := range out {
				w.Preparations = append(slices.Clone(w.Preparations), prep.ID)
				if prep.Unit == "kg" && w.Amount.Kind == wish.WeightYear && !r.freshWeight(s) {
					w.Amount.Kind = wish.DriedKg
				}
				if w.Amount.Kind.PutUp() && len(r.kinds(m)) > 0 && m.kind != "" && !slices.Contains(prep.Crops, m.kind) {
					continue
				}
				more = append(more, w)
			}
		}
		out = more
	}
	return out, nil
}

// freshWeight reports whether a weight is of the fresh food: "a lug of tomatoes for
// drying" is, "1 kg dried tomatoes" is not.
func (r *reader) freshWeight(s *said) bool {
	for _, q := range s.quantities {
		for _, w := range q.unit {
			if kind, _, _ := parse(w.Means[0]); kind == "weight" || kind == "share" {
				return true
			}
		}
	}
	return slices.Contains(s.purposes, wish.Dried)
}

// ways returns the preparations that a food is had in by a form. Where several are
// made of it, those with other crops of the garden in them (salsa, ketchup) are meant
// only where they are named.
func (r *reader) ways(m subject, f wish.Form) (out []*book.Preparation) {
	for _, p := range r.book.Preparations() {
		if p.Form == string(f) && r.isOf(p, m) {
			out = append(out, p)
		}
	}
	if plain := slices.DeleteFunc(slices.Clone(out), func(p *book.Preparation) bool { return f == wish.Canned && len(p.Parts) > 0 }); len(plain) > 0 {
		return plain
	}
	return out
}

func (r *reader) isOf(p *book.Preparation, m subject) bool {
	return slices.ContainsFunc(p.Crops, func(id string) bool {
		c := r.book.Crop(id)
		return c.Food == m.food && (m.kind == "" || m.kind == id)
	})
}

// made offers what jars of a food may hold: the preparations of a kind alone, where it
// has some of its own ("gherkins, 12 jars").
func (r *reader) made(s *said, m subject, w wish.Wish) ([]wish.Wish, error) {
	var own, all []*book.Preparation
	for _, p := range r.book.Preparations() {
		if !r.isOf(p, m) || p.Unit != "litre" {
			continue
		}
		all = append(all, p)
		if m.kind != "" && len(p.Crops) == 1 {
			own = append(own, p)
		}
	}
	if len(own) > 0 {
		all = own
	}
	if len(all) == 0 {
		word := s.quantities[0].text
		return nil, refuse(word, "Nothing of %s is put up by the jar; the book has %s.", m.food, r.madeOf(m))
	}
	var out []wish.Wish
	for _, p := range all {
		v := w
		v.Forms, v.Preparations = []wish.Form{wish.Form(p.Form)}, []string{p.ID}
		if len(p.Crops) == 1 {
			v.Variety = ""
		}
		out = append(out, v)
	}
	return out, nil
}

func (r *reader) madeOf(m subject) string {
	var names []string
	for _, p := range r.book.Preparations() {
		if r.isOf(p, m) {
			names = append(names, strings.ToLower(p.Name))
		}
	}
	if len(names) == 0 {
		return "nothing that is put up of it"
	}
	return strings.Join(names[:min(4, len(names))], "; ")
}

// gatheredDry reports whether a food is gathered dry, as dry beans are.
func (r *reader) gatheredDry(m subject) bool {
	return slices.ContainsFunc(r.kinds(m), func(c *book.Crop) bool { return c.Store == book.DryStorage })
}

func (s *said) formText(f wish.Form) string {
	if text := s.formTexts[f]; text != "" {
		return text
	}
	return string(f)
}
