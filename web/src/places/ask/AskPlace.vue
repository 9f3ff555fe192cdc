<script setup lang="ts">
// Ask: plain questions with their answers, and what could be done with what is at hand. Nothing is changed by asking.
import PlainQuestions from './PlainQuestions.vue'
import WhatHave from './WhatHave.vue'
</script>

<template>
  <section class="ask">
    <h2 tabindex="-1">Ask</h2>
    <PlainQuestions />
    <WhatHave />
  </section>
</template>
