<script setup lang="ts">
import type { NoteLine } from '@tadka/core/sheet'
import { noteWords } from '@tadka/words/sheet'
import { useTeller } from '../site/teller.ts'

/** What else happened at a station: out of service, back again, a duty closed with a reason. */
defineProps<{ line: NoteLine }>()
const tell = useTeller()
</script>

<template>
  <li>
    <div class="line">
      <span class="time">{{ tell.clock(line.at) }}</span>
      <span class="what">{{ noteWords(tell, line) }}</span>
      <span class="who">{{ tell.person(line.by) }}</span>
      <span class="verdict" />
    </div>
  </li>
</template>

<style scoped src="./rows.css" />
