// The paper that sheets are printed on: its size is remembered, and said in a rule
// of the page for as long as the sheet is shown.
import { onBeforeUnmount, ref, watchEffect, type Ref } from 'vue'

export type Paper = 'A4' | 'letter'

/** Sets the page's paper; margins as CSS has them. */
export function usePaper(turned: () => 'portrait' | 'landscape', margin: string): Ref<Paper> {
  const paper = ref<Paper>(localStorage.getItem('inventory.paper') === 'letter' ? 'letter' : 'A4')
  // The size of the paper can be said only in a rule of the page itself.
  const rule = document.createElement('style')
  document.head.append(rule)
  onBeforeUnmount(() => rule.remove())
  watchEffect(() => {
    localStorage.setItem('inventory.paper', paper.value)
    rule.textContent = `@page { size: ${paper.value} ${turned()}; margin: ${margin} }`
  })
  return paper
}
