// Keys that work everywhere, and those that a place adds while it is shown.
import { useEventListener, useTimeoutFn } from '@vueuse/core'
import { onBeforeUnmount, onMounted } from 'vue'

export interface Key {
  keys: string
  does: string
  run?: (e: KeyboardEvent) => void
}

const stack: Key[][] = []
/** Whether g was pressed just now: the next key says where to go. */
const leader = useTimeoutFn(() => undefined, 1500, { immediate: false })

function typing(e: KeyboardEvent): boolean {
  const t = e.target as HTMLElement
  return t.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(t.tagName)
}

function onKey(e: KeyboardEvent) {
  if (e.defaultPrevented || e.ctrlKey || e.metaKey || e.altKey) return
  if (typing(e) && e.key !== 'Escape') return
  if (e.key === 'Enter' && (e.target as HTMLElement).closest('button, a')) return // it presses what has the focus
  if (document.querySelector('.el-overlay:not([style*="display: none"])') && e.key !== 'Escape') return
  const pressed = leader.isPending.value ? 'g ' + e.key : e.key
  if (leader.isPending.value) leader.stop()
  else if (e.key === 'g') return leader.start()
  for (let i = stack.length - 1; i >= 0; i--) {
    const hit = stack[i]?.find((k) => k.keys === pressed && k.run)
    if (hit?.run) {
      e.preventDefault()
      hit.run(e)
      return
    }
  }
}

useEventListener(window, 'keydown', onKey)

/** Adds keys for as long as the component lives. */
export function useKeys(keys: Key[]) {
  onMounted(() => stack.push(keys))
  onBeforeUnmount(() => stack.splice(stack.indexOf(keys), 1))
}

/** All keys there are now, in the order they were added. */
export function allKeys(): Key[] {
  return stack.flat()
}
