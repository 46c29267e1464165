<script setup lang="ts">
import { vStack } from '../drawing/stacks.ts'
import { backupName, dateOfDay } from '@ambrel/core'
import { useDesign } from '../stores/design.ts'
import { usePrefs } from '../stores/prefs.ts'
import { useWinter } from '../stores/winter.ts'

/** The strip's figures week by week, as a table. */
defineProps<{ open: boolean }>()
const emit = defineEmits<{ close: [] }>()
const design = useDesign()
const prefs = usePrefs()
const winter = useWinter()
function dateOf(startDay: number): string {
  const { day, month } = dateOfDay(startDay)
  return `${day} ${month}`
}
</script>

<template>
  <el-dialog
    :model-value="open"
    width="min(640px, 94vw)"
    title="The coming winter, week by week"
    @close="emit('close')"
  >
    <div class="scroll" tabindex="0" role="group" aria-label="Weeks of the coming winter">
      <table v-if="open && winter.winters" v-stack class="sheet" data-winter-table>
        <thead>
          <tr>
            <th>week from</th>
            <th class="n">lowest charge, typical</th>
            <th class="n">1 winter in 10</th>
            <th class="n">{{ design.document ? backupName(design.document) : 'backup' }}, mean</th>
            <th class="n">short, 1 in 10</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="week in winter.winters.summary.weeks" :key="week.startDay">
            <td>{{ dateOf(week.startDay) }}</td>
            <td class="n">{{ prefs.show(week.lowTypical, 'share') }}</td>
            <td class="n">{{ prefs.show(week.lowOneInTen, 'share') }}</td>
            <td class="n">{{ prefs.show(week.generatorMean, 'h') }}</td>
            <td class="n">{{ prefs.show(week.shortOneInTen, 'h') }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </el-dialog>
</template>

<style scoped>
.scroll {
  max-height: 60vh;
  overflow: auto;
}

.sheet th {
  white-space: normal;
}
</style>
