package app

import (
	"bytes"
	"reflect"
	"strings"
	"sync"
	"unsafe"

	"inventory/internal/core/say"
)

// compared says whether the two values at two addresses show the same in JSON.
type compared func(a, b unsafe.Pointer) bool

// comparisons holds how the types that were compared so far are compared: reflect.Type →
// compared. It hangs on the types alone, so that all may share it.
var comparisons sync.Map

// same says whether two values of one type show the same in JSON: fields that JSON leaves out
// are not looked at, and nil and empty lists are told apart. Both values must have an address
// and no cycles; a household and its plan have none.
//
// An edit compares some hundred thousand values. reflect.DeepEqual keeps a list of all that
// it has visited and takes a fifth of the time of an edit; here the way to compare a type is
// worked out once, and values that lie side by side in memory are compared as bytes.
func same(a, b reflect.Value) bool {
	return comparisonOf(a.Type())(a.Addr().UnsafePointer(), b.Addr().UnsafePointer())
}

func comparisonOf(t reflect.Type) compared {
	if f, known := comparisons.Load(t); known {
		return f.(compared)
	}
	f := compile(t)
	comparisons.Store(t, f)
	return f
}

// compile works out how two values of a type are compared.
func compile(t reflect.Type) compared {
	if n := flat(t); n > 0 {
		return sameBytes(n)
	}
	switch {
	case t == reflect.TypeFor[say.Note]():
		return sameNotes
	case t.Kind() == reflect.String:
		return func(a, b unsafe.Pointer) bool { return *(*string)(a) == *(*string)(b) }
	case t.Kind() == reflect.Struct:
		return sameStructs(t)
	case t.Kind() == reflect.Slice:
		return sameLists(t.Elem())
	case t.Kind() == reflect.Pointer:
		return samePointers(t.Elem())
	}
	return func(a, b unsafe.Pointer) bool {
		return reflect.DeepEqual(reflect.NewAt(t, a).Elem().Interface(), reflect.NewAt(t, b).Elem().Interface())
	}
}

// flat returns the size of a type of which every byte counts and equal values have equal
// bytes: numbers, and structs and arrays of them without gaps between; 0 of any other. Zero
// and minus zero, which JSON also tells apart, are not the same.
func flat(t reflect.Type) uintptr {
	switch t.Kind() {
	case reflect.Bool, reflect.Int, reflect.Int8, reflect.Int16, reflect.Int32, reflect.Int64,
		reflect.Uint, reflect.Uint8, reflect.Uint16, reflect.Uint32, reflect.Uint64, reflect.Float32, reflect.Float64:
		return t.Size()
	case reflect.Array:
		return flat(t.Elem()) * uintptr(t.Len())
	case reflect.Struct:
		var sum uintptr
		for f := range fields(t) {
			n := flat(f.Type)
			if n == 0 {
				return 0
			}
			sum += n
		}
		if sum == t.Size() { // no gaps, and nothing that JSON leaves out
			return sum
		}
	}
	return 0
}

// fields goes through the fields of a struct that JSON shows.
func fields(t reflect.Type) func(yield func(reflect.StructField) bool) {
	return func(yield func(reflect.StructField) bool) {
		for i := range t.NumField() {
			f := t.Field(i)
			if key, _, _ := strings.Cut(f.Tag.Get("json"), ","); key != "-" && !yield(f) {
				return
			}
		}
	}
}

func sameBytes(n uintptr) compared {
	return func(a, b unsafe.Pointer) bool {
		return bytes.Equal(unsafe.Slice((*byte)(a), n), unsafe.Slice((*byte)(b), n))
	}
}

// sameStructs compares field by field; flat fields that lie side by side at once.
func sameStructs(t reflect.Type) compared {
	type step struct {
		offset uintptr
		size   uintptr // of flat fields; else 0
		as     compared
	}
	var steps []step
	for f := range fields(t) {
		n := flat(f.Type)
		if k := len(steps) - 1; n > 0 && k >= 0 && steps[k].size > 0 && steps[k].offset+steps[k].size == f.Offset {
			steps[k].size += n
			continue
		}
		s := step{offset: f.Offset, size: n}
		if n == 0 {
			s.as = comparisonOf(f.Type)
		}
		steps = append(steps, s)
	}
	for k := range steps {
		if steps[k].size > 0 {
			steps[k].as = sameBytes(steps[k].size)
		}
	}
	return func(a, b unsafe.Pointer) bool {
		for _, s := range steps {
			if !s.as(unsafe.Add(a, s.offset), unsafe.Add(b, s.offset)) {
				return false
			}
		}
		return true
	}
}

// list is what a slice of any type is in memory.
type list struct {
	first unsafe.Pointer
	n     int
	room  int
}

// sameLists compares element by element.
func sameLists(of reflect.Type) compared {
	each := flat(of)
	// A type may hold a list of itself: how it is compared is asked for when it is needed.
	element := sync.OnceValue(func() compared { return comparisonOf(of) })
	return func(a, b unsafe.Pointer) bool {
		x, y := (*list)(a), (*list)(b)
		switch {
		case x.n != y.n || (x.first == nil) != (y.first == nil):
			return false
		case x.n == 0 || x.first == y.first:
			return true
		case each > 0:
			n := each * uintptr(x.n)
			return bytes.Equal(unsafe.Slice((*byte)(x.first), n), unsafe.Slice((*byte)(y.first), n))
		}
		as := element()
		for i := range uintptr(x.n) {
			if !as(unsafe.Add(x.first, i*of.Size()), unsafe.Add(y.first, i*of.Size())) {
				return false
			}
		}
		return true
	}
}

// samePointers compares what is pointed at.
func samePointers(to reflect.Type) compared {
	held := sync.OnceValue(func() compared { return comparisonOf(to) })
	return func(a, b unsafe.Pointer) bool {
		x, y := *(*unsafe.Pointer)(a), *(*unsafe.Pointer)(b)
		if x == nil || y == nil || x == y {
			return x == y
		}
		return held()(x, y)
	}
}

// facts holds of each type of fact whether Go compares it by itself: reflect.Type → bool.
var facts sync.Map

// sameNotes compares what is said.
func sameNotes(a, b unsafe.Pointer) bool {
	x, y := (*say.Note)(a).Fact, (*say.Note)(b).Fact
	t := reflect.TypeOf(x)
	if t != reflect.TypeOf(y) || t == nil {
		return t == reflect.TypeOf(y)
	}
	byItself, known := facts.Load(t)
	if !known {
		byItself = always(t)
		facts.Store(t, byItself)
	}
	if byItself == true {
		return x == y
	}
	return reflect.DeepEqual(x, y)
}

// always says whether Go compares every value of a type by itself. An interface may hold
// something that it does not.
func always(t reflect.Type) bool {
	switch t.Kind() {
	case reflect.Struct:
		for i := range t.NumField() {
			if !always(t.Field(i).Type) {
				return false
			}
		}
		return true
	case reflect.Array:
		return always(t.Elem())
	case reflect.Interface, reflect.Pointer:
		return false
	}
	return t.Comparable()
}
