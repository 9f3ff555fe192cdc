// Package demo holds the made-up demo households, as ordinary household files.
package demo

import _ "embed"

// MillHouse is the household file of the five people in the old mill house.
//
//go:embed mill-house.json
var MillHouse []byte
