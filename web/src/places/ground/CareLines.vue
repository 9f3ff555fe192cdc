<script setup lang="ts">
// Drip lines, trellises, stakes and cages, bed by bed.
import { computed } from 'vue'
import type { Needs } from '../../lib/api'
import { useCustoms } from '../../lib/customs'
import { useUnits } from '../../lib/units'
import { count, day } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'

const props = defineProps<{ needs: Needs }>()
const { customs, set, refused } = useCustoms()
const { say } = useUnits()
const relays = computed(() =>
  props.needs.lines
    .flatMap((l) => l.relays.map((r) => ({ ...r, bed: l.name })))
    .sort((a, b) => a.day.localeCompare(b.day)),
)
</script>

<template>
  <section aria-label="Lines and supports">
    <h3>Lines and supports</h3>
    <p class="fields small">
      <label class="field"
        ><span>emitters apart</span
        ><NumberInput
          :model-value="customs.emitters"
          unit="m"
          suffix
          label="Emitters apart"
          @update:model-value="(v) => v && set({ emitters: v })"
      /></label>
      <label class="field"
        ><span>posts apart</span
        ><NumberInput
          :model-value="customs.posts"
          unit="m"
          suffix
          label="Posts apart"
          @update:model-value="(v) => v && set({ posts: v })"
      /></label>
      <span
        ><b>{{ say(needs.drip, 'm') }}</b> of drip line with {{ count(needs.emitters, 'emitter') }};
        <b>{{ say(needs.trellis, 'm') }}</b> of trellis on {{ count(needs.posts, 'post') }};
        {{ count(needs.stakes, 'stake') }}, {{ count(needs.cages, 'cage') }}</span
      >
    </p>
    <div class="wide" tabindex="0" role="region" aria-label="Lines and supports by bed">
      <table class="small">
        <thead>
          <tr>
            <th>bed</th>
            <th class="n">drip line</th>
            <th class="n">emitters</th>
            <th class="n">trellis</th>
            <th class="n">posts</th>
            <th class="n">stakes</th>
            <th>for</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in needs.lines" :key="l.bed">
            <th>{{ l.name }}</th>
            <td class="n">{{ say(l.drip, 'm') }}</td>
            <td class="n">{{ l.emitters || '–' }}</td>
            <td class="n">{{ l.trellis ? say(l.trellis, 'm') : '–' }}</td>
            <td class="n">{{ l.posts || '–' }}</td>
            <td class="n">{{ l.stakes || '–' }}</td>
            <td class="quiet">{{ l.for.join(', ').toLowerCase() }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <details v-if="relays.length" class="small">
      <summary>Drip lines to move, {{ relays.length }} times in the year</summary>
      <p v-for="r in relays" :key="r.day + r.bed + r.crop">
        {{ day(r.day) }}: {{ r.bed }}, {{ r.crop.toLowerCase() }}: {{ count(r.to, 'line') }} where
        {{ r.from === 1 ? 'once' : r.from + ' lay' }}
      </p>
    </details>
    <p v-if="refused" class="wrong" role="alert">{{ refused }}</p>
  </section>
</template>
