// Package demo holds the made-up demo households, as ordinary household files.
package demo

import _ "embed"

// Household is a made-up household to look around in.
type Household struct {
	ID    string
	Words string // what it is, for a list to choose from
	File  []byte // a household file
}

// Households are the made-up households; the first is the one that is shown where
// nobody chooses.
var Households = []Household{
	{"mill-house", "Five people in an old mill house: cold winters, warm summers, eleven beds", MillHouse},
	{"garden-of-the-wells", "Four people in a hot lowland without frost: greens in winter, okra in summer", Wells},
	{"sheep-station", "Three people on a cool southern coast: long mild summers, July is winter", SheepStation},
}

// MillHouse is the household file of the five people in the old mill house.
//
//go:embed mill-house.json
var MillHouse []byte

// Wells is the household file of four people at 24° north, where it never freezes.
//
//go:embed garden-of-the-wells.json
var Wells []byte

// SheepStation is the household file of three people at 43° south.
//
//go:embed sheep-station.json
var SheepStation []byte
