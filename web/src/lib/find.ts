// What a place is asked to find: typed there, or brought by a link (?find=words).
import { ref, watch, type Ref } from 'vue'
import { useRoute } from 'vue-router'

export function useFind(): Ref<string> {
  const route = useRoute()
  const find = ref('')
  watch(
    () => route.query['find'],
    (asked) => {
      if (typeof asked === 'string') find.value = asked
    },
    { immediate: true },
  )
  return find
}
