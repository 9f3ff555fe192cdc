// The working drawer: which figure it shows, and how one came there.
import { defineStore } from 'pinia'
import { ref, shallowRef, watch } from 'vue'
import { answer, api, Refused, type Working } from './api'
import { useHousehold } from './household'

export const useDrawer = defineStore('drawer', () => {
  const figure = ref('')
  const trail = ref<string[]>([])
  const working = shallowRef<Working>()
  const problem = ref('')
  const store = useHousehold()
  let opener: HTMLElement | null = null

  async function fetchWorking() {
    const wanted = figure.value
    if (!wanted) return
    try {
      const w = await answer(() => api.GET('/working', { params: { query: { figure: wanted } } }))
      if (figure.value !== wanted) return // another figure was opened meanwhile
      working.value = w
      problem.value = ''
    } catch (e) {
      if (!(e instanceof Refused)) throw e
      if (figure.value !== wanted) return
      working.value = undefined
      problem.value = e.problem.status === 404 ? 'This figure is gone from the plan.' : e.problem.detail
    }
  }
  // A figure open in the drawer follows every edit.
  watch(() => [figure.value, store.state?.revision], fetchWorking)

  function open(name: string) {
    if (!figure.value) opener = document.activeElement as HTMLElement | null
    trail.value = []
    figure.value = name
  }
  function deeper(name: string) {
    trail.value.push(figure.value)
    figure.value = name
  }
  function back() {
    figure.value = trail.value.pop() ?? ''
  }
  function close() {
    figure.value = ''
    trail.value = []
    working.value = undefined
    opener?.focus()
    opener = null
  }

  return { figure, trail, working, problem, open, deeper, back, close }
})
