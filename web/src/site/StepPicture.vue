<script setup lang="ts">
import type { Picture } from '@tadka/core/procedure'
import { useI18n } from 'vue-i18n'
import { usePicture } from './pictures.ts'

/** A site's own photo of a step or a part, and whether it shows it right or wrong: told in words and by a mark. */
const props = defineProps<{ picture: Picture; small?: boolean }>()
const { t } = useI18n()
const { src, missing } = usePicture(() => props.picture.sha256)
</script>

<template>
  <figure :class="[picture.shows, { small }]">
    <img v-if="src" :src="src" :alt="picture.says" />
    <p v-else class="none quiet small">{{ missing ? t('run.pictureMissing') : '' }}</p>
    <figcaption v-if="!small || picture.shows">
      <b v-if="picture.shows">{{ t(`run.shows.${picture.shows}`) }}</b>
      <template v-if="!small"> {{ picture.says }}</template>
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
  max-width: 340px;
}
img,
.none {
  display: block;
  width: 100%;
  aspect-ratio: 4 / 3;
  object-fit: cover;
  border-radius: var(--r);
  border: 2px solid var(--line);
  background: var(--sunk, var(--raised));
}
.none {
  display: grid;
  place-items: center;
  text-align: center;
  padding: 8px;
}
.right img {
  border-color: var(--in);
}
.wrong img {
  border-color: var(--out);
  border-style: dashed;
}
figcaption {
  font-size: 15px;
  color: var(--ink-2);
  padding-top: 4px;
}
figcaption b {
  color: var(--ink);
}
.small {
  width: 92px;
}
</style>
