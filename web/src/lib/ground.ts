// The layout of the ground: fetched after the plan, and told as old until the new
// one is there.
import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import { answer, api, Refused, type Layout } from './api'
import { useHousehold } from './household'

export const useGround = defineStore('ground', () => {
  const layout = shallowRef<Layout>()
  const store = useHousehold()
  let asked = 0

  async function fetchLayout() {
    const mine = ++asked
    try {
      const l = await answer(() => api.GET('/layout'))
      if (mine === asked) layout.value = l
    } catch (e) {
      if (!(e instanceof Refused)) throw e
    }
  }
  watch(() => store.state?.revision, fetchLayout, { immediate: true })

  return {
    layout,
    /** Whether the layout is of the plan before: it is being fitted anew. */
    old: computed(() => layout.value?.revision !== store.state?.revision),
  }
})
