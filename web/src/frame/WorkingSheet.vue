<script setup lang="ts">
import { vStack } from '../drawing/stacks.ts'
import { useWorking } from '../stores/working.ts'
import { usePrefs } from '../stores/prefs.ts'

const working = useWorking()
const prefs = usePrefs()
</script>

<template>
  <el-dialog
    :model-value="!!working.sheet"
    :title="working.sheet ? `Working: ${working.sheet.label}` : ''"
    width="460"
    @close="working.close"
  >
    <template v-if="working.sheet">
      <p class="says">{{ prefs.say(working.sheet.says) }}</p>
      <table v-stack class="sheet">
        <tbody>
          <tr v-for="each in working.sheet.terms" :key="prefs.say(each.label)">
            <td>
              {{ prefs.say(each.label) }}<span v-if="each.from" class="quiet"> · {{ prefs.say(each.from) }}</span>
            </td>
            <td class="n">{{ prefs.show(each.value, each.unit) }}</td>
          </tr>
          <tr class="result">
            <td>{{ working.sheet.label }}</td>
            <td class="n">{{ prefs.show(working.sheet.value, working.sheet.unit) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet source">
        <template v-if="working.sheet.school">Method: {{ working.sheet.school }}. </template>Source:
        {{ working.sheet.source }}.
      </p>
    </template>
  </el-dialog>
</template>

<style scoped>
.says {
  margin-bottom: 8px;
  font: 400 15px/1.4 var(--text);
}

.result td {
  border-top: 1px solid var(--ink);
  font-weight: 600;
}

.source {
  margin-top: 10px;
}
</style>
