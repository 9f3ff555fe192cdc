<script setup lang="ts">
// One food over the year. Weeks with the same source are drawn as one run; the
// lines between the weeks are laid over all of them.
import { computed } from 'vue'
import type { PlanWish } from '../../lib/api'
import { useGround } from '../../lib/ground'
import { useHousehold } from '../../lib/household'
import { sourceWords, texture } from '../../lib/facts'
import { count, day } from '../../lib/words'

const props = defineProps<{ plan: PlanWish; source: string[]; open: boolean }>()
defineEmits<{ mend: [] }>()
const store = useHousehold()
const ground = useGround()
const bare = computed(() => new Set(ground.shortOf(props.plan.id)?.without))

const runs = computed(() => {
  const out: { s: string; from: number; to: number; bare: boolean }[] = []
  props.source.forEach((source, i) => {
    const s = source ? texture(source) : 'none'
    const lacks = bare.value.has(i)
    const last = out[out.length - 1]
    if (last && last.s === s && last.bare === lacks) last.to = i + 1
    else out.push({ s, from: i, to: i + 1, bare: lacks })
  })
  return out.filter((r) => r.s !== 'none')
})
const gaps = computed(() => props.source.filter((s, i) => s === 'gap' || bare.value.has(i)).length)

/** The runs in words, for those who do not see them. */
const words = computed(() =>
  runs.value
    .map(
      (r) =>
        `from ${day(store.plan?.weeks[r.from])} ${sourceWords(props.source[r.from] ?? r.s)}${r.bare ? ', no room' : ''}`,
    )
    .join(', '),
)
</script>

<template>
  <div class="year-grid row" role="group" :aria-label="plan.title" :data-food="plan.id">
    <span class="food" :title="plan.words">{{ plan.title }}</span>
    <svg data-weeks viewBox="0 0 520 18" preserveAspectRatio="none" role="img" :aria-label="plan.title + ': ' + words">
      <rect
        v-for="r in runs"
        :key="r.from"
        :x="r.from * 10"
        y="1"
        :width="(r.to - r.from) * 10"
        height="16"
        :class="['w', r.s, { 'w-gap-box': r.s === 'gap', bare: r.bare }]"
        :data-source="r.s"
        :data-weeks-run="r.to - r.from"
      />
    </svg>
    <button
      v-if="gaps"
      type="button"
      class="plain warn n"
      :aria-expanded="open"
      :aria-label="`${plan.title}: ${count(gaps, 'gap week')}; how to fill them`"
      @click.stop="$emit('mend')"
      @keydown.enter.stop
    >
      {{ gaps }}
    </button>
    <span v-else class="n quiet">–</span>
  </div>
</template>

<style scoped>
.row {
  align-items: center;
  border-bottom: 1px solid var(--hair);
  min-height: 21px;
  content-visibility: auto; /* rows below the fold wait until they are scrolled to */
  contain-intrinsic-size: auto 21px;
}
.row:hover {
  background: color-mix(in srgb, var(--wash) 55%, transparent);
}
.food {
  font-family: var(--serif);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  line-height: 1.25;
}
svg {
  display: block;
  width: 100%;
  height: 18px;
  background: repeating-linear-gradient(to right, var(--hair) 0 1px, transparent 1px calc(100% / 52)) 0 0 / 100% 100%;
}
svg :deep(.w-gap-box) {
  fill: color-mix(in srgb, var(--gap) 9%, var(--paper));
}
.n {
  text-align: right;
  font-family: var(--serif);
  font-variant-numeric: tabular-nums lining-nums;
  font-weight: 650;
}
.n.warn {
  color: var(--accent);
}
</style>
