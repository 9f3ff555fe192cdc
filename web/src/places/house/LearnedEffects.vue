<script setup lang="ts">
// What beds, or ways of growing, do to what is picked: more or less than others, how sure that is, and a
// way to switch it off or to say it oneself.
import { ref } from 'vue'
import type { LearnedEffect } from '../../lib/api'
import { count } from '../../lib/words'
import NumberInput from '../../parts/NumberInput.vue'
import { moreOrLess, sureness } from './learned'

defineProps<{ title: string; list: LearnedEffect[]; what: string }>()
const emit = defineEmits<{ tell: [effect: LearnedEffect, factor: number | undefined] }>()
const telling = ref('')
const share = ref<number>()
function say(e: LearnedEffect) {
  if (share.value !== undefined && !Number.isNaN(share.value)) emit('tell', e, 1 + share.value)
  telling.value = ''
}
</script>

<template>
  <section v-if="list.length" :aria-label="title">
    <h3>{{ title }}</h3>
    <ul>
      <li v-for="e in list" :key="e.of" class="small" :data-effect="e.name">
        <b>{{ e.name }}</b>
        <span v-if="e.known !== undefined" class="told">
          {{ e.known === 1 ? 'is switched off' : `gives ${moreOrLess(e.known, what)}, as you say` }}
        </span>
        <span v-else class="told">
          gives {{ moreOrLess(e.factor, what) }}
          <span class="quiet">({{ sureness(e) }}; {{ count(e.plantings, 'planting') }})</span>
        </span>
        <span class="acts no-print">
          <template v-if="telling === e.of">
            <NumberInput
              v-model="share"
              unit="share"
              suffix
              :label="`By how much ${e.name} gives more`"
              @done="say(e)"
            />
            <button type="button" class="link" @click="telling = ''">Cancel</button>
          </template>
          <template v-else>
            <button
              v-if="e.known !== undefined"
              type="button"
              class="link"
              :aria-label="`Learn it again: ${e.name}`"
              @click="emit('tell', e, undefined)"
            >
              Learn it again
            </button>
            <button v-else type="button" class="link" :aria-label="`Switch off: ${e.name}`" @click="emit('tell', e, 1)">
              Switch off
            </button>
            <button
              type="button"
              class="link"
              :aria-label="`Say it yourself: ${e.name}`"
              @click="((telling = e.of), (share = Math.round(100 * (e.factor - 1)) / 100))"
            >
              Say it yourself
            </button>
          </template>
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li b {
  min-width: 9rem;
}
.acts {
  display: inline-flex;
  gap: var(--space-5);
  align-items: baseline;
}
</style>
