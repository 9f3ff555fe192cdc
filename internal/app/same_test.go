package app

import (
	"bytes"
	"reflect"
	"testing"

	"inventory/demo"
	"inventory/internal/core/civil"
	"inventory/internal/core/household"
	"inventory/internal/core/plan"
	"inventory/internal/exchange"
)

func millHouse(t *testing.T) (household.Household, plan.Plan) {
	t.Helper()
	h, err := exchange.ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	p, err := plan.Compute(plan.Input{AsOf: civil.Of(2027, 1, 12), Household: h})
	if err != nil {
		t.Fatal(err)
	}
	return h, p
}

// changeEach changes every value that is reached from v, one after the other, and calls told
// after each change; then it puts the value back. What JSON leaves out is not changed. Of a
// list the first two and the last thing are taken.
func changeEach(v reflect.Value, path string, told func(path string)) {
	put := func(to reflect.Value, at string) {
		was := reflect.New(v.Type()).Elem()
		was.Set(v)
		v.Set(to)
		told(at)
		v.Set(was)
	}
	as := func(x any) reflect.Value { return reflect.ValueOf(x).Convert(v.Type()) }
	switch v.Kind() {
	case reflect.Struct:
		for i := range v.NumField() {
			f := v.Type().Field(i)
			if f.Tag.Get("json") != "-" && f.IsExported() {
				changeEach(v.Field(i), path+"."+f.Name, told)
			}
		}
	case reflect.Slice, reflect.Array:
		n := v.Len()
		for i := range n {
			if i < 2 || i == n-1 {
				changeEach(v.Index(i), path+"[]", told)
			}
		}
		if v.Kind() == reflect.Slice && n > 0 {
			put(v.Slice(0, n-1), path+" shorter")
		}
	case reflect.Pointer:
		if !v.IsNil() {
			changeEach(v.Elem(), path, told)
			put(reflect.Zero(v.Type()), path+" left out")
		}
	case reflect.Interface:
		if !v.IsNil() {
			put(reflect.Zero(v.Type()), path+" left out")
			inner := reflect.New(v.Elem().Type()).Elem()
			inner.Set(v.Elem())
			changeEach(inner, path, func(at string) { put(inner, at) })
		}
	case reflect.Bool:
		put(as(!v.Bool()), path)
	case reflect.Int, reflect.Int8, reflect.Int16, reflect.Int32, reflect.Int64:
		put(as(v.Int()+1), path)
	case reflect.Uint, reflect.Uint8, reflect.Uint16, reflect.Uint32, reflect.Uint64:
		put(as(v.Uint()+1), path)
	case reflect.Float32, reflect.Float64:
		put(as(v.Float()+0.001), path)
	case reflect.String:
		put(as(v.String()+"x"), path)
	}
}

// A household and a plan made twice are the same; with any one value changed they are not.
func TestSameNoticesEveryChange(t *testing.T) {
	h, p := millHouse(t)
	otherHousehold, otherPlan := millHouse(t)
	for _, c := range []struct {
		name  string
		a, b  reflect.Value
		least int // values that are changed
	}{
		{"household", reflect.ValueOf(&h).Elem(), reflect.ValueOf(&otherHousehold).Elem(), 200},
		{"plan", reflect.ValueOf(&p).Elem(), reflect.ValueOf(&otherPlan).Elem(), 500},
	} {
		if !same(c.a, c.b) {
			t.Fatalf("%s: made twice, it is not the same", c.name)
		}
		n := 0
		changeEach(c.b, c.name, func(path string) {
			n++
			if same(c.a, c.b) {
				t.Errorf("%s was changed and nothing was noticed", path)
			}
		})
		if n < c.least {
			t.Errorf("%s: only %d values were changed", c.name, n)
		}
		if !same(c.a, c.b) {
			t.Errorf("%s: put back, it is not the same", c.name)
		}
	}
}

// What JSON leaves out makes no difference, nil and empty lists do.
func TestSameFollowsJSON(t *testing.T) {
	type thing struct {
		Shown  int   `json:"shown"`
		Hidden int   `json:"-"`
		List   []int `json:"list"`
	}
	is := func(a, b thing) bool { return same(reflect.ValueOf(&a).Elem(), reflect.ValueOf(&b).Elem()) }
	if !is(thing{Shown: 1, Hidden: 2}, thing{Shown: 1, Hidden: 3}) {
		t.Error("a field that JSON leaves out was looked at")
	}
	if is(thing{}, thing{List: []int{}}) {
		t.Error("a list that is null and one that is empty are taken for the same")
	}
	if is(thing{Shown: 1}, thing{Shown: 2}) {
		t.Error("a change was not noticed")
	}
}

// The parts told of an edit name the one wish and leave the others out.
func TestPartsTellOnlyWhatIsOther(t *testing.T) {
	h, p := millHouse(t)
	after, again := millHouse(t)
	before := &Planned{Plan: p}
	now := &Planned{Plan: again}
	before.Snapshot.Household, now.Snapshot.Household = &h, &after
	if got := Parts(before, now); len(got) > 0 {
		t.Fatalf("of two alike: %+v", got)
	}
	after.Wishes[3].Amount.Number++
	got := Parts(before, now)
	if len(got) != 1 || got[0].Path != "household.wishes" || len(got[0].Items) != 1 || len(got[0].Names) != len(h.Wishes) {
		t.Errorf("%+v", got)
	}
}
