// Questions to the binary whose answers belong to one revision of the household and to
// one day. An answer is fetched once, kept while it may be wanted again, and asked anew
// after an edit; a question that nobody waits for any longer is broken off.
import { QueryClient, useQuery, type Query } from '@tanstack/vue-query'
import { computed, type Ref } from 'vue'
import { answer, Refused, type Problem } from './api'
import { useHousehold } from './household'
import { wordsOf } from './problems'

/** The answers at hand. Inventory may run on this machine: it is asked without the internet too. */
export const answers = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: Infinity,
      gcTime: 120_000,
      retry: false,
      networkMode: 'always',
      refetchOnReconnect: false,
      refetchOnWindowFocus: false,
      structuralSharing: false,
      throwOnError: (e) => !(e instanceof Refused),
    },
  },
})

/** A question by its name, what it asks about, the revision and the day. */
type Key = readonly unknown[]

export interface Asked<T> {
  /** The answer; the one before until the new one is there. */
  data: Readonly<Ref<T | undefined>>
  /** Why there is no answer. */
  problem: Readonly<Ref<Problem | undefined>>
  /** The same in words. */
  wrong: Readonly<Ref<string>>
  /** Whether the answer shown is to an older question, or of an older revision. */
  old: Readonly<Ref<boolean>>
  asking: Readonly<Ref<boolean>>
  /** Asks once more, where it was refused or stopped. */
  again: () => void
  /** Breaks the question off. */
  stop: () => void
}

/** Asks what `about` returns, and anew whenever that or the household changes. Nothing
 * is asked while `about` returns undefined. While an answer is fetched, the one before
 * is shown where `keep` says that it may stand in for it; it may, where that is not given. */
export function useAnswer<A, T>(
  name: string,
  about: () => A | undefined,
  call: (about: A, signal: AbortSignal) => Promise<{ data?: T; error?: unknown }>,
  keep: (was: A, now: A) => boolean = () => true,
): Asked<T> {
  const store = useHousehold()
  const query = useQuery<unknown, Error, unknown, Key>(
    {
      queryKey: computed<Key>(() => [name, about(), store.state?.revision, store.plan?.as_of]),
      queryFn: ({ signal, queryKey }) => answer(() => call(queryKey[1] as A, signal)),
      enabled: () => about() !== undefined,
      placeholderData: (data: unknown, was?: Query<unknown, Error, unknown, Key>) => {
        const now = about()
        return was && now !== undefined && keep(was.queryKey[1] as A, now) ? data : undefined
      },
      shallow: true,
    },
    answers,
  )
  const problem = computed(() => (query.error.value instanceof Refused ? query.error.value.problem : undefined))
  return {
    data: computed(() => query.data.value as T | undefined),
    problem,
    wrong: computed(() => wordsOf(problem.value)),
    old: computed(() => query.isPlaceholderData.value),
    asking: computed(() => query.isFetching.value),
    again: () => void query.refetch(),
    stop: () => void answers.cancelQueries({ queryKey: [name] }),
  }
}
