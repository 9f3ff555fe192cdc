<script setup lang="ts">
import { ElInput, ElOption, ElSelect } from 'element-plus'
import { nextTick, ref } from 'vue'
import { useHousehold } from '../../lib/household'
import { useRows } from '../../lib/rowedit'
import { bandWords, yearDay } from '../../lib/words'
import Figure from '../../parts/Figure.vue'
import NumberInput from '../../parts/NumberInput.vue'
import SpanEditor from './SpanEditor.vue'

const store = useHousehold()
const away = ref('')
const { rows, wrong, save, add, remove } = useRows('member', () => store.household?.members ?? [])

const usual = (band: string) => store.reference?.bands.find((b) => b.band === band)?.appetite ?? 1

function setAppetite(i: number, v: number | undefined) {
  const m = rows[i]?.value
  if (!m) return
  if (v === undefined || v === usual(m.band)) delete m.appetite
  else m.appetite = v
  void save(i)
}

async function fresh() {
  if (!(await add({ id: '', name: 'New person', band: 'adult' }))) return
  await nextTick()
  const names = document.querySelectorAll<HTMLInputElement>('[data-member-name] input')
  names[names.length - 1]?.select()
}
</script>

<template>
  <section aria-label="Who eats here">
    <h3>
      Who eats here
      <span class="aside"
        ><Figure :value="store.plan?.eaters ?? 0" unit="eaters" figure="house/eaters" label="to feed"
      /></span>
    </h3>
    <div class="rows members">
      <template v-for="(r, i) in rows" :key="r.value.id">
        <ElInput
          v-model="r.value.name"
          size="small"
          data-member-name
          :aria-label="`Name of person ${i + 1}`"
          @change="save(i)"
        />
        <ElSelect v-model="r.value.band" size="small" :aria-label="'Age of ' + r.value.name" @change="save(i)">
          <ElOption v-for="(words, band) in bandWords" :key="band" :value="band" :label="words" />
        </ElSelect>
        <NumberInput
          :model-value="r.value.appetite ?? usual(r.value.band)"
          :label="'Appetite of ' + r.value.name"
          @update:model-value="(v) => setAppetite(i, v)"
        />
        <button
          type="button"
          class="link small home"
          :aria-expanded="away === r.value.id"
          @click="away = away === r.value.id ? '' : r.value.id"
        >
          {{
            r.value.away?.length
              ? 'away ' + r.value.away.map((s) => `${yearDay(s.from)} – ${yearDay(s.to)}`).join(', ')
              : 'at home'
          }}
        </button>
        <button type="button" class="link small" :aria-label="'Remove ' + r.value.name" @click="remove(r.value.id)">
          Remove
        </button>
        <SpanEditor
          v-if="away === r.value.id"
          v-model="r.value.away"
          class="whole"
          :who="r.value.name"
          @update:model-value="save(i)"
        />
        <p v-if="r.wrong" class="wrong" role="alert">{{ r.wrong }}</p>
      </template>
    </div>
    <p v-if="wrong" class="wrong" role="alert">{{ wrong }}</p>
    <button type="button" class="link add" @click="fresh">Add a person</button>
    <p class="quiet small">Appetite 1 is what an average adult eats.</p>
  </section>
</template>

<style scoped>
.members {
  grid-template-columns: minmax(6rem, 1.3fr) minmax(7rem, 1fr) 3.6rem auto auto;
}
@container leaf (max-width: 620px) {
  .members {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) 4.2rem;
  }
  .home {
    grid-column: 1 / 3;
    justify-self: start;
  }
}
</style>
