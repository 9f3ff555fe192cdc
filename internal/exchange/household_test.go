package exchange

import (
	"bytes"
	"io"
	"strings"
	"testing"

	"inventory/demo"
	"inventory/internal/core/book"
)

func TestTheDemoIsAnOrdinaryFile(t *testing.T) {
	h, err := ReadHousehold(bytes.NewReader(demo.MillHouse))
	if err != nil {
		t.Fatal(err)
	}
	if err := h.Validate(book.Usual()); err != nil {
		t.Fatal(err)
	}
	var once, twice bytes.Buffer
	if err := WriteHousehold(&once, h); err != nil {
		t.Fatal(err)
	}
	again, err := ReadHousehold(bytes.NewReader(once.Bytes()))
	if err != nil {
		t.Fatal(err)
	}
	if err := WriteHousehold(&twice, again); err != nil {
		t.Fatal(err)
	}
	if once.String() != twice.String() {
		t.Error("a household written, read and written again is another one")
	}
}

func TestFilesThatCannotBeRead(t *testing.T) {
	whole := string(demo.MillHouse)
	for name, c := range map[string]struct{ body, want string }{
		"empty":            {"", "is empty"},
		"blank":            {" \n ", "is empty"},
		"truncated":        {whole[:len(whole)/2], "stops early"},
		"not JSON":         {"Dear diary,\nwe planted beans", "not JSON, line 1"},
		"no format":        {`{"name": "x"}`, `"format"`},
		"another version":  {strings.Replace(whole, "household/1", "household/9", 1), `"inventory.household/9"`},
		"an unknown field": {strings.Replace(whole, `"risk"`, `"rosk"`, 1), `line 5: there is no field "rosk"`},
		"a wrong type":     {strings.Replace(whole, `"latitude": 47.5`, `"latitude": "north"`, 1), "latitude cannot be a string; a number is wanted"},
		"a wrong date":     {strings.Replace(whole, `"04-28"`, `"28 April"`, 1), `"28 April" is not a day of the year`},
		"more behind it":   {whole + "{}", "line 62"},
	} {
		_, err := ReadHousehold(strings.NewReader(c.body))
		if name == "more behind it" {
			if err == nil {
				t.Errorf("%s: was taken", name)
			}
			continue
		}
		if err == nil || !strings.Contains(err.Error(), c.want) {
			t.Errorf("%s: got %v, want it to say %s", name, err, c.want)
		}
	}
	large := io.MultiReader(strings.NewReader(`{"format":"inventory.household/1","name":"`), io.LimitReader(endless('x'), 50<<20))
	if _, err := ReadHousehold(large); err == nil || !strings.Contains(err.Error(), "larger than") {
		t.Errorf("50 MB: got %v", err)
	}
}

type endless byte

func (e endless) Read(p []byte) (int, error) {
	for i := range p {
		p[i] = byte(e)
	}
	return len(p), nil
}

func FuzzReadHousehold(f *testing.F) {
	f.Add(demo.MillHouse)
	f.Add([]byte(`{"format":"inventory.household/1"}`))
	f.Add([]byte(`{"format":"inventory.household/1","wishes":[{}],"members":null}`))
	f.Fuzz(func(t *testing.T, body []byte) {
		h, err := ReadHousehold(bytes.NewReader(body))
		if err != nil {
			return
		}
		_ = h.Validate(book.Usual()) // must not panic, whatever was read
	})
}
