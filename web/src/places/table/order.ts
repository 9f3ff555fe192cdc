// The wishes of the table that fit what is looked for, in the order that is chosen.
import { computed, type Ref } from 'vue'
import type { PlanWish } from '../../lib/api'
import { useHousehold } from '../../lib/household'

export type Order = 'yours' | 'ground' | 'gaps'

export function useRowsInOrder(find: Ref<string>, order: Ref<Order>) {
  const store = useHousehold()
  return computed(() => {
    const plan = store.plan
    const wishes = store.household?.wishes ?? []
    if (!plan) return []
    const planned = new Map(plan.wishes.map((p) => [p.id, p]))
    const all = wishes.flatMap((wish) => {
      const p = planned.get(wish.id) // what the crop book does not know is not planned
      return p ? [{ wish, plan: p }] : []
    })
    const wanted = find.value.trim().toLowerCase()
    const shown = wanted
      ? all.filter((r) => (r.plan.words + ' ' + r.wish.food + ' ' + (r.wish.note ?? '')).toLowerCase().includes(wanted))
      : all
    const gaps = (p: PlanWish) => p.weeks_wanted - p.weeks_fed - p.weeks_bought
    if (order.value === 'ground') return [...shown].sort((a, b) => b.plan.area - a.plan.area)
    if (order.value === 'gaps') return [...shown].sort((a, b) => gaps(b.plan) - gaps(a.plan))
    return shown
  })
}
