<script setup lang="ts">
// A frost, hail or a flock takes all that stands in a bed at once. Of what stands in other beds
// too only a part is lost; that is put down in the Daybook.
import { computed, ref } from 'vue'
import type { Piece } from '../../lib/api'
import { useHousehold } from '../../lib/household'
import { count } from '../../lib/words'
import LossForm from '../../parts/LossForm.vue'

const props = defineProps<{ bed: string; pieces: Piece[] }>()
const store = useHousehold()
const losing = ref(false)
const standing = computed(() => {
  const beyond = new Set(props.pieces.filter((p) => p.bed !== props.bed).map((p) => p.planting))
  const here = new Set(
    props.pieces.filter((p) => p.bed === props.bed && p.stands && !beyond.has(p.planting)).map((p) => p.planting),
  )
  return (store.plan?.sowings ?? []).filter((s) => here.has(s.id) && s.in_bed && !s.stands)
})
</script>

<template>
  <p v-if="standing.length && !losing" class="small" data-bed-loss>
    {{ count(standing.length, 'planting') }} {{ standing.length === 1 ? 'stands' : 'stand' }} in this bed alone.
    <button type="button" class="link" @click="losing = true">the whole bed failed</button>
  </p>
  <LossForm v-if="losing" :sowings="standing" @done="losing = false" @leave="losing = false" />
</template>
