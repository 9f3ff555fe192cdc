package api

import (
	"reflect"
	"testing"
)

// Everything that an edit may say reaches the application: a field that nobody carries over
// would be a control that does nothing.
func TestEveryFieldOfAnEditIsCarried(t *testing.T) {
	from := reflect.TypeFor[Edit]()
	for i := range from.NumField() {
		var e Edit
		field := reflect.ValueOf(&e).Elem().Field(i)
		switch field.Kind() {
		case reflect.Pointer:
			field.Set(reflect.New(field.Type().Elem()))
			if of := field.Elem(); of.Kind() == reflect.Slice {
				of.Set(reflect.MakeSlice(of.Type(), 1, 1))
			} else if of.Kind() == reflect.String {
				of.SetString("x")
			} else if of.Kind() == reflect.Int {
				of.SetInt(2)
			}
		case reflect.String:
			field.SetString("x")
		case reflect.Int:
			field.SetInt(2)
		default:
			t.Fatalf("%s is a %s, which this test does not fill", from.Field(i).Name, field.Kind())
		}
		if reflect.ValueOf(carried(e)).IsZero() {
			t.Errorf("%s is lost on its way", from.Field(i).Name)
		}
	}
}
