package words

import (
	"os"
	"regexp"
	"slices"
	"strings"
	"testing"
)

// root is the folder of the whole project, seen from here.
const root = "../.."

// glossary is where the words stand that are not to be read anywhere.
const glossary = root + "/docs/words.md"

// unwanted reads the list "Not on screen" of the glossary: each word or run of words, with an
// ellipsis for what may stand in between.
func unwanted(t *testing.T) []*regexp.Regexp {
	t.Helper()
	text, err := os.ReadFile(glossary)
	if err != nil {
		t.Fatal(err)
	}
	_, list, found := strings.Cut(string(text), "## Not on screen\n")
	if !found {
		t.Fatalf("%s has no part “Not on screen”", glossary)
	}
	list, _, _ = strings.Cut(list, "\n## ")
	var out []*regexp.Regexp
	for _, line := range strings.Split(list, "\n") {
		word, is := strings.CutPrefix(line, "- ")
		if !is {
			continue
		}
		word, _, _ = strings.Cut(word, " (")
		pattern := strings.ReplaceAll(regexp.QuoteMeta(word), " … ", `\b[^.:;]*\b`)
		out = append(out, regexp.MustCompile(`(?i)(?:^|[^\w-])`+pattern+`(?:[^\w-]|$)`))
	}
	if len(out) < 20 {
		t.Fatalf("only %d words are listed", len(out))
	}
	return out
}

// heard are texts of another kind: what people may type, which is understood whatever words they
// use, and the sources of the crop book.
var heard = []string{"internal/core/line/lexicon.go", "internal/core/line/log.go", "internal/core/line/logforms.go", "internal/core/line/camein.go"}

// Every text that somebody reads is written in the words of the glossary.
func TestNoTextHasAnUnwantedWord(t *testing.T) {
	texts, err := Find(root)
	if err != nil {
		t.Fatal(err)
	}
	if len(texts) < 2000 {
		t.Fatalf("only %d texts were found", len(texts))
	}
	list := unwanted(t)
	for _, text := range texts {
		if slices.Contains(heard, text.File) {
			continue
		}
		for _, word := range list {
			if found := word.FindString(text.Text); found != "" {
				t.Errorf("%s:%d: “%s” in “%s”", text.File, text.Line, strings.TrimSpace(found), text.Text)
			}
		}
	}
}

// The texts of a component are those between its elements, in what is read aloud, and in what it works out; not
// its code.
func TestTextsOfAComponent(t *testing.T) {
	source := `<script setup lang="ts">
// A comment with words.
import { say } from '../lib/say words'
const text = n > 1 ? 'Two gaps' : ` + "`One gap of ${name('the whole year')}`" + `
</script>
<template>
  <p class="two classes" :title="late ? 'Not yet sown' : ''">Nothing to sow. <!-- no text here -->
    It's {{ n }} weeks{{ more ? ' and some more' : '' }}.</p>
  <ElInput aria-label="Find a food" v-if="a > b" />
</template>`
	want := []string{"Not yet sown", "Nothing to sow.", " and some more", "It's … weeks….", "Find a food", "Two gaps", "One gap of …", "the whole year"}
	got := inVue(source)
	for _, text := range want {
		if !slices.ContainsFunc(got, func(x Text) bool { return x.Text == text || strings.Contains(x.Text, text) }) {
			t.Errorf("%q was not found in %v", text, got)
		}
	}
	for _, x := range got {
		if strings.Contains(x.Text, "comment") || strings.Contains(x.Text, "classes") || strings.Contains(x.Text, "lib/say") || strings.Contains(x.Text, "no text") {
			t.Errorf("%q is no text", x.Text)
		}
		if strings.Contains(x.Text, "Find a food") && x.Line != 9 {
			t.Errorf("%q stands on line 9, found on %d", x.Text, x.Line)
		}
	}
}

// The texts of a Go file are its strings that have words in them, with … for what is filled in.
func TestTextsOfAGoFile(t *testing.T) {
	got, err := inGo("package x\nimport \"a/b c\"\n// no text of it\nvar s = fmt.Sprintf(\"%d weeks of %s\", 1, `two`)\nvar q = `SELECT a FROM b`\ntype t struct { A int `json:\"a b\"` }\n")
	if err != nil {
		t.Fatal(err)
	}
	if len(got) != 1 || got[0] != (Text{Line: 4, Text: "… weeks of …"}) {
		t.Errorf("found %v", got)
	}
}
