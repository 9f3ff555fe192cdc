<script setup lang="ts">
// What the crop book does not know: kept, left out of the plan, mended or removed.
import { ElButton, ElOption, ElSelect } from 'element-plus'
import { computed, ref } from 'vue'
import type { Problem, Unknown } from '../lib/api'
import { useHousehold } from '../lib/household'
import { wordsOf } from '../lib/problems'
import { count } from '../lib/words'

const store = useHousehold()
const chosen = ref<Record<string, string>>({})
const problem = ref<Problem>()

const unknown = computed(() => store.plan?.unknown)

/** The entries by the name that is not known. */
const groups = computed(() => {
  const out = new Map<string, { of: string; name: string; entries: Unknown[] }>()
  for (const u of unknown.value ?? []) {
    const key = u.of + '/' + u.name
    const g = out.get(key) ?? { of: u.of, name: u.name, entries: [] }
    g.entries.push(u)
    out.set(key, g)
  }
  return [...out].map(([key, g]) => ({ key, ...g }))
})

/** The names of the book that may take the place of one. */
function names(of: string): { id: string; label: string }[] {
  if (of === 'food') return (store.reference?.foods ?? []).map((f) => ({ id: f.name, label: f.name }))
  if (of === 'crop') return store.crops.map((c) => ({ id: c.id, label: c.name }))
  if (of === 'preparation') return (store.reference?.preparations ?? []).map((p) => ({ id: p.id, label: p.name }))
  return []
}

async function callIt(of: string, unknown: string, known: string) {
  problem.value = await store.edit({
    command: 'call-it',
    call: { of: of as 'crop' | 'food' | 'preparation', unknown, known },
  })
}
async function remove(name: string) {
  problem.value = await store.edit({ command: 'remove-unknown', target: name })
}
</script>

<template>
  <section v-if="groups.length" class="unknown no-print" aria-label="Not in the crop book">
    <h3>{{ count(unknown?.length ?? 0, 'entry is', 'entries are') }} not in the crop book</h3>
    <p class="small">
      They come from another version of the crop book. They are saved but not planned. Choose the new name for each, or
      remove it.
    </p>
    <div v-for="g in groups" :key="g.key" class="name" :data-unknown="g.name">
      <p>
        <b>“{{ g.name || '–' }}”</b>
        <span class="small"> in {{ g.entries.map((e) => e.words).join('; ') }}</span>
        <span v-if="!names(g.of).length" class="small quiet">. {{ g.entries[0]?.allowed }}</span>
      </p>
      <div class="mend">
        <template v-if="names(g.of).length">
          <ElSelect
            v-model="chosen[g.key]"
            size="small"
            filterable
            :placeholder="`choose a ${g.of} of the book`"
            :aria-label="`New name for ${g.name}`"
          >
            <ElOption v-for="n in names(g.of)" :key="n.id" :value="n.id" :label="n.label" />
          </ElSelect>
          <ElButton size="small" :disabled="!chosen[g.key]" @click="callIt(g.of, g.name, chosen[g.key] ?? '')">
            Use this name
          </ElButton>
        </template>
        <button type="button" class="link small warn" @click="remove(g.name)">
          Remove {{ g.entries.length === 1 ? 'it' : `all ${g.entries.length}` }}
        </button>
      </div>
    </div>
    <p v-if="problem" class="wrong" role="alert">{{ wordsOf(problem) }}</p>
  </section>
</template>

<style scoped>
.unknown {
  border-left: 4px solid var(--accent);
  background: var(--wash);
  padding: var(--space-4) var(--space-6) var(--space-4);
  margin-bottom: var(--space-5);
}
h3 {
  font-size: var(--type-large);
}
.name {
  margin-top: var(--space-4);
}
.mend {
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-4) var(--space-5);
  align-items: center;
}
.mend .el-select {
  width: 16rem;
}
</style>
