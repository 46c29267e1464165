<script setup lang="ts">
/** Five stops on the real screen for whoever is new to it. */
const emit = defineEmits<{ close: [] }>()
const STOPS = [
  {
    target: '.rail',
    title: 'Eleven steps',
    says: 'Each with its key figure and a mark: sound, watch, stop or open. Keys 1 to 9, 0 and - go to them.',
    placement: 'right',
  },
  {
    target: '[data-bench] .figures',
    title: 'Figures with their working',
    says: 'Click a figure, or press W, to see how it was worked out, with its source.',
    placement: 'bottom',
  },
  {
    target: '[data-bench] .head',
    title: 'Suggest',
    says: 'Fills a step from the steps before, and says why. One step of undo takes it back.',
    placement: 'bottom',
  },
  {
    target: '.findings, .peek, [data-findings]',
    title: 'Findings',
    says: 'What the rules of practice say of this step, with reasons, numbers and remedies. They approve nothing.',
    placement: 'left',
  },
  {
    target: '.strip',
    title: 'The coming winter',
    says: 'The lowest charge of each week: a bar for the typical winter, a line for the bad one in ten. It is run anew after every edit.',
    placement: 'top',
  },
] as const
</script>

<template>
  <el-tour model-value data-tour @close="emit('close')" @finish="emit('close')">
    <el-tour-step
      v-for="stop in STOPS"
      :key="stop.title"
      :target="stop.target"
      :title="stop.title"
      :description="stop.says"
      :placement="stop.placement"
    />
  </el-tour>
</template>
