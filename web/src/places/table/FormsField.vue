<script setup lang="ts">
// In which forms a food is eaten, and in which order: a week takes the first
// that can feed it. What counted plants give is eaten in a single form, or by nobody.
import { ElCheckbox, ElOption, ElSelect } from 'element-plus'
import type { Form, Reference } from '../../lib/api'
import { formChoice } from '../../lib/facts'

const props = defineProps<{ possible: Form[]; options: Reference['preparations']; single?: boolean }>()
const forms = defineModel<Form[]>('forms', { required: true })
const preparations = defineModel<Partial<Record<Form, string>>>('preparations', { required: true })

const of = (f: Form) => props.options.filter((p) => p.form === f)

const chosen = (f: Form) => (props.single ? forms.value[0] === f : forms.value.includes(f))

function toggle(f: Form) {
  if (chosen(f)) {
    forms.value = props.single ? [] : forms.value.filter((x) => x !== f)
    return
  }
  forms.value = props.single ? [f] : [...forms.value, f]
  const first = of(f)[0]
  if (first && !preparations.value[f]) preparations.value = { ...preparations.value, [f]: first.id }
}

function earlier(i: number) {
  const next = [...forms.value]
  const moved = next.splice(i, 1)
  next.splice(i - 1, 0, ...moved)
  forms.value = next
}

function prepare(f: Form, id: string) {
  preparations.value = { ...preparations.value, [f]: id }
}
</script>

<template>
  <div class="forms">
    <span v-for="f in possible" :key="f" class="form">
      <ElCheckbox :model-value="chosen(f)" @change="toggle(f)">{{ formChoice(f) }}</ElCheckbox>
      <ElSelect
        v-if="chosen(f) && of(f).length > 1"
        :model-value="preparations[f]"
        size="small"
        :aria-label="'Eaten as ' + formChoice(f)"
        @update:model-value="(id: string) => prepare(f, id)"
      >
        <ElOption v-for="p in of(f)" :key="p.id" :value="p.id" :label="p.name" />
      </ElSelect>
    </span>
    <p v-if="single && !forms.length" class="order small quiet">
      Not for eating. They take bed space and feed no week.
    </p>
    <p v-if="!single && forms.length > 1" class="order small">
      <span class="quiet">Each week uses the first of these that is available:</span>
      <template v-for="(f, i) in forms" :key="f">
        <span v-if="i" class="quiet">then</span>
        <span class="one"
          >{{ formChoice(f)
          }}<button
            v-if="i"
            type="button"
            class="link"
            :aria-label="formChoice(f) + ' used sooner'"
            @click="earlier(i)"
          >
            ◂ use sooner
          </button></span
        >
      </template>
    </p>
  </div>
</template>

<style scoped>
.forms {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 var(--space-6);
}
.form {
  display: inline-flex;
  align-items: center;
}
.form .el-select {
  width: 14rem;
  margin-left: var(--space-4);
}
.order {
  flex-basis: 100%;
  display: flex;
  flex-wrap: wrap;
  gap: var(--space-1) var(--space-4);
}
.one .link {
  margin-left: var(--space-3);
  font-size: 0.92em;
}
</style>
