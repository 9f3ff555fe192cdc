package exchange

import (
	"reflect"
	"strings"
	"unicode"
)

// Clean takes out of every text of a decoded document what nobody typed on purpose:
// spaces around it, control characters but for the ends of lines, and the marks that
// turn the direction of writing, which can make a text read as another one. It is
// given a pointer.
func Clean(document any) { clean(reflect.ValueOf(document)) }

func clean(v reflect.Value) {
	switch v.Kind() {
	case reflect.Pointer, reflect.Interface:
		if !v.IsNil() {
			clean(v.Elem())
		}
	case reflect.Struct:
		for i := range v.NumField() {
			if v.Type().Field(i).IsExported() {
				clean(v.Field(i))
			}
		}
	case reflect.Slice, reflect.Array:
		for i := range v.Len() {
			clean(v.Index(i))
		}
	case reflect.String:
		if v.CanSet() {
			v.SetString(CleanText(v.String()))
		}
	}
}

// CleanText returns a text without what Clean takes out.
func CleanText(s string) string {
	return strings.TrimSpace(strings.Map(func(r rune) rune {
		switch {
		case r == '\n':
			return r
		case r == '\t', r == '\u2028', r == '\u2029':
			return ' '
		case unicode.IsControl(r), r == '\uFEFF', r == '\u200E', r == '\u200F', r == '\u061C', r == unicode.ReplacementChar,
			'\u202A' <= r && r <= '\u202E', '\u2066' <= r && r <= '\u2069':
			return -1
		}
		return r
	}, s))
}
