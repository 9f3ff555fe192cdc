// Package ground fits plantings into beds over time: no two on the same ground at once,
// rotation kept, in few pieces, each where it does best. Fit is the line of steps; site is
// what the rules say, laying the layout being made, search how it is made better.
//
// Lengths inside are whole tenths of a millimetre, so that inches are whole in them; days are
// dates. The same Input gives the same Layout, to the byte.
package ground

import (
	"context"
)

// Fit fits plantings into beds. The same input gives the same layout.
func Fit(in Input) Layout {
	f := fitted(context.Background(), in)
	return f.layout()
}

// fitted makes a layout. It is not to be used where the context ended before it came back.
func fitted(ctx context.Context, in Input) *laying {
	f := newLaying(newSite(in))
	f.hold(in.Placed) // what is fixed by hand, or grows there
	f.goHome()        // what the kept plan had there
	s := newSearch(ctx, f)
	order := f.order()
	s.putAll(order)
	s.improve(order)
	s.putParts(order)
	return f
}
