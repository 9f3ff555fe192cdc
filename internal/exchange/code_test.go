package exchange

import (
	"fmt"
	"regexp"
	"strconv"
	"strings"
	"testing"

	"inventory/internal/core/invalid"
)

// modules reads the dark modules of a drawn code, by column and row.
func modules(t *testing.T, svg string) (dark map[[2]int]bool, side int) {
	t.Helper()
	size := regexp.MustCompile(`viewBox="0 0 (\d+) (\d+)"`).FindStringSubmatch(svg)
	if size == nil || size[1] != size[2] {
		t.Fatalf("no square: %.80s", svg)
	}
	side, _ = strconv.Atoi(size[1])
	dark = map[[2]int]bool{}
	for _, m := range regexp.MustCompile(`M(\d+) (\d+)h(\d+)v1h-(\d+)z`).FindAllStringSubmatch(svg, -1) {
		x, _ := strconv.Atoi(m[1])
		y, _ := strconv.Atoi(m[2])
		n, _ := strconv.Atoi(m[3])
		for i := range n {
			dark[[2]int{x + i, y}] = true
		}
	}
	return dark, side
}

// A code has the three marks that readers look for in its corners, a margin of four modules, and
// another text is another code.
func TestACodeCanBeFound(t *testing.T) {
	one, err := Code("http://homestead:8580/shelves?lot=l7x2")
	if err != nil {
		t.Fatal(err)
	}
	dark, side := modules(t, one)
	if (side-2*quiet-17)%4 != 0 {
		t.Errorf("a code of %d modules", side-2*quiet)
	}
	mark := []string{"1111111", "1000001", "1011101", "1011101", "1011101", "1000001", "1111111"}
	far := side - quiet - 7
	for _, corner := range [][2]int{{quiet, quiet}, {far, quiet}, {quiet, far}} {
		for y, row := range mark {
			for x, c := range row {
				if dark[[2]int{corner[0] + x, corner[1] + y}] != (c == '1') {
					t.Fatalf("no mark at %v", corner)
				}
			}
		}
	}
	for at := range dark {
		if min(at[0], at[1]) < quiet || max(at[0], at[1]) >= side-quiet {
			t.Fatalf("something is drawn in the margin, at %v", at)
		}
	}
	if two, _ := Code("http://homestead:8580/shelves?lot=l7x3"); two == one {
		t.Error("two texts, one code")
	}
	if _, err := Code(strings.Repeat("long ", 2000)); len(invalid.All(err)) != 1 {
		t.Errorf("too long: %v", fmt.Sprint(err))
	}
}
