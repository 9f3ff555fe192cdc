// What the core knows of amount kinds, forms and sources, as the reference tells it. The
// browser keeps no list of its own.
import type { Reference } from './api'
import { useHousehold } from './household'

type FormFacts = Reference['forms'][number]
export type Source = Reference['sources'][number]
export type AmountKind = Reference['amount_kinds'][number]['kind']

/** What is known of a form, or of a week that no form feeds: gap, bought. */
function form(name: string): FormFacts | undefined {
  return useHousehold().reference?.forms.find((f) => f.form === name)
}

/** Which source a week or an item is of; forms of one source have one texture. */
export function texture(source: string): string {
  return form(source)?.source ?? source
}

/** Where the food of a week comes from, in words. */
export function sourceWords(source: string): string {
  return form(source)?.words ?? source
}

/** What to tick for a form. */
export function formChoice(name: string): string {
  return form(name)?.choice ?? name
}

/** How food of a form is kept, in words. */
export function formKept(name: string): string {
  return form(name)?.kept ?? name
}

/** Every source, in the order of legends. */
export function sources(): Source[] {
  return useHousehold().reference?.sources ?? []
}

/** How a crop is started, in words; empty is what is usual for it. */
export function methodWords(name: string): string {
  return useHousehold().reference?.methods.find((m) => m.method === name)?.words ?? name
}

/** What is known of an amount kind. */
export function amountKind(kind: string) {
  return useHousehold().reference?.amount_kinds.find((k) => k.kind === kind)
}

/** Every amount kind, in the order of choices. */
export function amountKinds() {
  return useHousehold().reference?.amount_kinds ?? []
}
