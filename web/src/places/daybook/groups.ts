// What is to be caught up with, by month or by bed.
import { computed, ref } from 'vue'
import type { Undone } from '../../lib/daybook'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { byMonth } from '../../lib/words'

export function useGroups(lines: () => Undone[]) {
  const store = useHousehold()
  const ground = useGround()
  const by = ref<'day' | 'bed'>('day')
  const orders: { value: 'day' | 'bed'; words: string }[] = [
    { value: 'day', words: 'by day' },
    { value: 'bed', words: 'by bed' },
  ]
  /** The bed of each sowing: where the layout has it, else where it was held. */
  const beds = computed(() => {
    const of = new Map<string, string>()
    const held = store.household?.customs?.arranged
    if (held && held.year === store.household?.year) for (const x of held.laid) of.set(x.sowing, ground.bedName(x.bed))
    for (const p of ground.layout?.pieces ?? []) of.set(p.planting, ground.bedName(p.bed))
    return of
  })
  const groups = computed(() => {
    if (by.value === 'day') return byMonth(lines(), (l) => l.date).map((m) => ({ name: m.month, entries: m.entries }))
    const of = new Map<string, Undone[]>()
    for (const l of lines()) {
      const bed = beds.value.get(l.id) || 'No bed yet'
      of.set(bed, [...(of.get(bed) ?? []), l])
    }
    const names = [...(store.household?.beds ?? []).map((b) => b.name), 'No bed yet']
    return names.flatMap((name) => (of.has(name) ? [{ name, entries: of.get(name) ?? [] }] : []))
  })
  return { by, orders, beds, groups }
}
