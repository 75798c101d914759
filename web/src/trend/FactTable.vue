<script setup lang="ts">
/** Rows under named columns; on a phone it is moved sideways, by keyboard too. */
defineProps<{
  columns: readonly {
    readonly name: string
    /** Stands to the right, digit under digit. */ readonly isNumber?: boolean
  }[]
  rows: readonly (readonly string[])[]
}>()
</script>

<template>
  <div class="wide" tabindex="0">
    <table>
      <thead>
        <tr>
          <th v-for="c in columns" :key="c.name" scope="col" :class="{ number: c.isNumber }">{{ c.name }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(row, i) in rows" :key="i">
          <td v-for="(cell, k) in row" :key="k" :class="{ number: columns[k]?.isNumber }">{{ cell }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.wide {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  min-width: 520px;
}
th {
  text-align: left;
  font-weight: 600;
  color: var(--ink-2);
}
th,
td {
  padding: 8px 22px 8px 0;
  border-bottom: 1px solid var(--line-soft);
  vertical-align: top;
}
.number {
  text-align: right;
  font-variant-numeric: tabular-nums;
  white-space: nowrap;
}
</style>
