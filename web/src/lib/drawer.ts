// The working drawer: which figure it shows, and how one came there.
import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { api } from './api'
import { useAnswer } from './ask'

export const useDrawer = defineStore('drawer', () => {
  const figure = ref('')
  const trail = ref<string[]>([])
  // A figure open in the drawer follows every edit.
  const asked = useAnswer(
    'working',
    () => figure.value || undefined,
    (wanted, signal) => api.GET('/working', { params: { query: { figure: wanted } }, signal }),
  )
  const problem = computed(() =>
    asked.problem.value?.status === 404 ? 'The plan changed and no longer has this number.' : asked.wrong.value,
  )
  const working = computed(() => (problem.value ? undefined : asked.data.value))
  let opener: HTMLElement | null = null

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
    opener?.focus()
    opener = null
  }

  return { figure, trail, working, problem, open, deeper, back, close }
})
