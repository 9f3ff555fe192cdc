// The paper that sheets are printed on: its size is remembered, and said in a rule
// of the page for as long as the sheet is shown.
import { useEventListener, useStyleTag } from '@vueuse/core'
import { watchEffect, type Ref } from 'vue'
import { useGround } from './ground'
import { useStored } from './stored'

export type Paper = 'A4' | 'letter'

/** Sets the page's paper; margins as CSS has them. */
export function usePaper(turned: () => 'portrait' | 'landscape', margin: string): Ref<Paper> {
  const paper = useStored<Paper>('paper', ['A4', 'letter'])
  // The size of the paper can be said only in a rule of the page itself.
  const rule = useStyleTag('')
  watchEffect(() => (rule.css.value = `@page { size: ${paper.value} ${turned()}; margin: ${margin} }`))
  // Who carries a sheet into the garden relies on its beds: from then on they are held.
  const ground = useGround()
  useEventListener(window, 'beforeprint', () => void ground.holdOnce())
  return paper
}
