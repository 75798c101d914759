<script setup lang="ts">
import { computed } from 'vue'

/** A machine in a few lines, so that families are told apart before they are read. */
const props = defineProps<{ family: string }>()

const ground = 'M6 43h36'
const drawings: Readonly<Record<string, readonly string[]>> = {
  espresso: [
    'M8 12h32v10H8z',
    'M8 34h32v7H8z',
    'M11 22v12M37 22v12',
    'M18 22v4h-3M30 22v4h3',
    'M16 30h4v4h-4zM28 30h4v4h-4z',
  ],
  grinder: ['M15 6h18l-4 12H19z', 'M17 18h14v23H17z', 'M31 24h6v4', 'M20 34h8'],
  urn: ['M14 12h20v26H14z', 'M16 12c0-6 16-6 16 0', 'M24 6V4', 'M34 31h5v4', 'M16 38v4M32 38v4', 'M19 18v12'],
  'soft-serve-gravity': ['M14 6h20v35H14z', 'M14 15h20', 'M22 22h4v5h-4z', 'M20 34l4 6 4-6c0-5-8-5-8 0z'],
  'soft-serve-pump': [
    'M12 5h24v36H12z',
    'M12 25h24',
    'M22 15h4v4h-4z',
    'M24 19v4',
    'M17 31h14v7H17z',
    'M31 34h3',
  ],
  'soft-serve-twin': [
    'M8 6h32v35H8z',
    'M8 15h32',
    'M15 21h4v5h-4zM29 21h4v5h-4z',
    'M24 15v26',
    'M14 34l3 5 3-5zM28 34l3 5 3-5z',
  ],
  slush: [
    'M8 8h14v18H8zM26 8h14v18H26z',
    'M8 30h32v11H8z',
    'M15 26v4M33 26v4',
    'M11 14c3 3 5-3 8 0M29 14c3 3 5-3 8 0',
    'M14 34h2v4M32 34h2v4',
  ],
  'cold-store': ['M12 5h24v36H12z', 'M12 20h24', 'M17 10v6M17 25v8', 'M15 41v3M33 41v3'],
  custard: [
    'M7 10h34v31H7z',
    'M18 10v31M30 10v31',
    'M10 16h5M21 16h5M33 16h5',
    'M10 28h5l-2 6zM21 28h5l-2 6zM33 28h5l-2 6z',
  ],
  batch: ['M9 9h30v32H9z', 'M24 25m-9 0a9 9 0 1 0 18 0a9 9 0 1 0-18 0', 'M24 16v18M15 25h18', 'M13 13h6'],
  blender: [
    'M15 8h18l-3 21H18z',
    'M19 29h10v3H19z',
    'M14 32h20v9H14z',
    'M19 5h10v3H19z',
    'M22 24l4 2M26 24l-4 2',
    'M33 13h4v9h-5',
  ],
  'flush-module': ['M9 14h22v20H9z', 'M31 20h8v18', 'M15 14V7h10v7', 'M14 24h12', 'M14 29h8'],
  'ice-cube': ['M10 6h28v16H10z', 'M8 22h32v19H8z', 'M15 10h5v5h-5zM27 12h5v5h-5z', 'M12 27h24'],
  'ice-nugget': [
    'M10 6h28v16H10z',
    'M8 22h32v19H8z',
    'M17 14a2 2 0 1 0 4 0a2 2 0 1 0-4 0M25 11a2 2 0 1 0 4 0a2 2 0 1 0-4 0M29 17a2 2 0 1 0 4 0a2 2 0 1 0-4 0',
    'M12 27h24',
  ],
  'ice-bin': ['M7 18h34v23H7z', 'M7 18l6-8h34', 'M15 24h5v5h-5zM25 27h5v5h-5zM16 33h5v5h-5z'],
  'dish-machine': [
    'M8 6h32v35H8z',
    'M8 14h32',
    'M14 30h20',
    'M16 30v-9M21 30v-9M27 30v-9M32 30v-9',
    'M12 10h4M33 10h3',
    'M14 36h20',
  ],
  conveyor: [
    'M4 14h40v18H4z',
    'M4 32v9M44 32v9',
    'M4 36h40',
    'M12 26v-6M17 26v-6M29 26v-6M34 26v-6',
    'M10 26h10M27 26h10',
  ],
  sink: ['M4 18h40', 'M6 18v14h11V18M19 18v14h10V18M31 18v14h11V18', 'M24 18V8h7v4', 'M8 32v9M40 32v9'],
  bucket: ['M11 16h26l-3 25H14z', 'M11 16c0-14 26-14 26 0', 'M15 24c4 3 7-3 10 0s6-2 8 0'],
  bottle: ['M17 20h14v21H17z', 'M20 20v-6h8v6', 'M20 10h12M20 14V8h7v6M32 10v4', 'M17 30h14'],
  nozzles: ['M8 8h32v10H8z', 'M13 18v7h5v-7M22 18v7h5v-7M31 18v7h5v-7', 'M13 32h8v9h-8zM28 32h8v9h-8z'],
  surface: ['M4 20h40v6H4z', 'M9 26v16M39 26v16', 'M16 20v-5h14v5', 'M10 12l3-3M34 10l3 3'],
  house: ['M10 42V20L24 8l14 12v22', 'M20 42V30h8v12', 'M6 23l4-3M42 23l-4-3'],
}
const lines = computed(() => {
  const [family = '', kind = ''] = props.family.split('.')
  return drawings[kind.startsWith('conveyor') ? 'conveyor' : family] ?? ['M10 10h28v31H10z', 'M16 18h16']
})
</script>

<template>
  <svg viewBox="0 0 48 48" width="52" height="52" aria-hidden="true">
    <path :d="ground" class="ground" />
    <path v-for="d in lines" :key="d" :d="d" />
  </svg>
</template>

<style scoped>
path {
  fill: none;
  stroke: var(--sea);
  stroke-width: 2;
  stroke-linejoin: round;
  stroke-linecap: round;
}
.ground {
  stroke: var(--line);
}
</style>
