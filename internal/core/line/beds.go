package line

import (
	"regexp"
	"strconv"
	"strings"

	"inventory/internal/core/bed"
	"inventory/internal/core/invalid"
)

// bedLine is one run of equal beds: how many, what they are, how long and how wide.
var bedLine = regexp.MustCompile(`^(?:(\d+|an?|one|two|three|four|five|six|seven|eight|nine|ten|twelve)\s+)?(?:(?:raised|garden|equal|new)\s+)*(bed|beds|plots?|rows?)?\s*(?:of|each|,|:)?\s*` +
	length + `?\s*(?:x|×|by|\*)\s*` + length + `\s*(?:each)?$`)

// length is a number with a unit or without: 8, 1.2 m, 25 ft, 30 in, 4'.
const length = `(\d+(?:[.,]\d+)?)\s*(m|metres?|meters?|cm|ft|feet|foot|'|in|inch|inches|")?`

// metresOf is what a unit of length is in metres.
var metresOf = map[string]float64{
	"m": 1, "metre": 1, "metres": 1, "meter": 1, "meters": 1, "cm": 0.01,
	"ft": 0.3048, "feet": 0.3048, "foot": 0.3048, "'": 0.3048, "in": 0.0254, "inch": 0.0254, "inches": 0.0254, `"`: 0.0254,
}

// counts are the numbers that people write as words before beds.
var counts = map[string]int{"": 1, "a": 1, "an": 1, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "seven": 7, "eight": 8, "nine": 9, "ten": 10, "twelve": 12}

// mostBeds is how many beds one line may bring.
const mostBeds = 60

// Beds reads beds typed as one line, such as "4 beds of 8 × 1.2 m, 2 of 25 ft by 30 in". A number without a
// unit is in metres, or in feet where feet says so. The longer side is the length. It returns the beds with the
// name, length and width of each, in the order of the line, without a place on the plot. A line that cannot be
// understood gives an invalid.Field named "line", whose Allowed is a sentence that says what would be right.
func Beds(text string, feet bool) ([]bed.Bed, error) {
	var out []bed.Bed
	wrong := func(value, advice string) ([]bed.Bed, error) {
		return nil, &invalid.Field{Field: "line", Value: value, Allowed: advice}
	}
	if strings.TrimSpace(text) == "" {
		return wrong("", "Type how many beds and how large, for example “4 beds of 8 × 1.2 m”.")
	}
	for _, part := range splitBeds(text) {
		m := bedLine.FindStringSubmatch(part)
		if m == nil {
			return wrong(part, "Say how many beds, how long and how wide, for example “4 beds of 8 × 1.2 m”.")
		}
		n, known := counts[m[1]]
		if !known {
			n, _ = strconv.Atoi(m[1])
		}
		if n < 1 || n > mostBeds-len(out) { // a number too large to read is the largest there is
			return wrong(part, "Enter 1 to "+strconv.Itoa(mostBeds)+" beds.")
		}
		long, wide := sides(m[3], m[4], m[5], m[6], feet)
		if long < wide {
			long, wide = wide, long
		}
		if wide < 0.2 || long > 200 {
			return wrong(part, "A bed is 0.2 to 200 m (8 in to 650 ft) long and wide. Is the unit right?")
		}
		for range n {
			out = append(out, bed.Bed{Length: long, Width: wide})
		}
	}
	return out, nil
}

// separated is what stands between two runs of beds; a comma between digits is a decimal comma.
var separated = regexp.MustCompile(`;|\n|,\s+|\s+and\s+|\s+\+\s+`)

// splitBeds returns the runs of beds of a line, in small letters.
func splitBeds(text string) (out []string) {
	for _, part := range separated.Split(strings.ToLower(text), -1) {
		if part = strings.Trim(part, " .\t\r"); part != "" {
			out = append(out, part)
		}
	}
	return out
}

// sides returns two lengths in metres. One without a unit takes that of the other.
func sides(a, unitA, b, unitB string, feet bool) (float64, float64) {
	usual := "m"
	if feet {
		usual = "ft"
	}
	if unitB == "" {
		unitB = usual
		if unitA != "" {
			unitB = unitA
		}
	}
	if unitA == "" {
		unitA = unitB
	}
	return decimal(a) * metresOf[unitA], decimal(b) * metresOf[unitB]
}

// decimal reads a number with a decimal point or comma.
func decimal(text string) float64 {
	v, err := strconv.ParseFloat(strings.Replace(text, ",", ".", 1), 64)
	if err != nil {
		return 0
	}
	return v
}
