<script setup lang="ts">
import AboutDialog from './AboutDialog.vue'
import CommandPalette from './CommandPalette.vue'
import ConflictDialog from './ConflictDialog.vue'
import GoneDialog from './GoneDialog.vue'
import HistoryDialog from './HistoryDialog.vue'
import KeysDialog from './KeysDialog.vue'
import ShowAround from './ShowAround.vue'
import VariantDialog from './VariantDialog.vue'
import WinterTable from './WinterTable.vue'
import WorkingSheet from './WorkingSheet.vue'
import type { Command } from './commands.ts'
import type { Overlay } from './stepViews.ts'

/** All that opens over the bench, in one file of its own: the first screen does without it. */
defineProps<{ shown: Overlay | null; commands: Command[] }>()
defineEmits<{ close: []; toured: [] }>()
</script>

<template>
  <WorkingSheet />
  <CommandPalette
    :open="shown === 'palette'"
    :commands="commands.filter(({ key }) => key !== 'Ctrl K')"
    @close="$emit('close')"
  />
  <KeysDialog :open="shown === 'keys'" :commands="commands" @close="$emit('close')" />
  <VariantDialog :open="shown === 'variant'" @close="$emit('close')" />
  <HistoryDialog :open="shown === 'history'" @close="$emit('close')" />
  <WinterTable :open="shown === 'winterTable'" @close="$emit('close')" />
  <AboutDialog v-if="shown === 'about'" @close="$emit('close')" />
  <ShowAround v-if="shown === 'around'" @close="$emit('toured')" />
  <ConflictDialog />
  <GoneDialog />
</template>
