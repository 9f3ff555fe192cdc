// What is built for the tests alone: the modules of substance that need no page. The Go
// tests in e2e load them in the browser and hold them to tables.
export { merged } from './lib/parts'
export { entryOf, fixed, plainNumber, preciseOf, quantityOf, readOf, rendered, sayOf } from './lib/numbers'
export { readDay } from './lib/dates'
export { timeScale } from './lib/timescale'
export { firstRows } from './lib/late'
export { coverSaid, day, dayNumber, fullDay, isoDay, weekday, yearDay } from './lib/words'
export { across, spots } from './places/ground/spacing'
export { fieldsOf, wishOf } from './places/table/wishfields'
export { weekly } from './places/year/ledger'
