<script setup lang="ts">
import { NButton } from 'naive-ui'
import { ref } from 'vue'
import { onBeforeRouteLeave, useRouter } from 'vue-router'
import DialogCard from './DialogCard.vue'

/** Asks before a place is left whose work would be lost by it. */
const props = defineProps<{ asks: boolean; title: string; leave: string; stay: string }>()
const router = useRouter()
/** Where it is gone to, once it is said that it may. */
const to = ref<string | null>(null)
let isSure = false
onBeforeRouteLeave((next) => {
  // What goes wrong of a sudden waits for no question.
  if (isSure || !props.asks || next.path.startsWith('/shift/wrong')) return true
  to.value = next.fullPath
  return false
})
function go(): void {
  isSure = true
  if (to.value !== null) void router.push(to.value)
}
</script>

<template>
  <dialog-card :show="to !== null" :title="title" width="min(460px, 94vw)" @update:show="to = null">
    <div class="sure">
      <n-button size="large" @click="go">{{ leave }}</n-button>
      <n-button type="primary" size="large" @click="to = null">{{ stay }}</n-button>
    </div>
  </dialog-card>
</template>

<style scoped>
.sure {
  display: flex;
  gap: 12px;
}
</style>
