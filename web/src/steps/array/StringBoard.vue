<script setup lang="ts">
import { computed, ref } from 'vue'
import { boardRows, moveModule, moveString, type BoardString, type Change } from '@ambrel/core'
import { dragLists } from '../../drag/lists.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/**
 * Every string as a row of module tiles under its controller. A tile is dragged into another string, a string by its
 * name onto another controller; by keys Alt ↑ ↓ send a module on, Alt ← → send the string.
 */
const design = useDesign()
const prefs = usePrefs()
const MOST_TILES = 24
const refused = ref('')

const strings = computed(() => boardRows(design.document!, design.derived!.chargeV))
const sections = computed(() =>
  design.document!.controllers.map((controller) => ({
    controller,
    rows: strings.value.filter(({ controllerId }) => controllerId === controller.id),
  })),
)

function apply(label: string, make: Change): void {
  refused.value = ''
  try {
    design.change(label, make)
  } catch (error) {
    refused.value = (error as Error).message
  }
}
const moveTo = (from: string, to: string) => from !== to && apply('move a module', moveModule(from, to))
const vDragModules = dragLists({
  group: 'modules',
  draggable: 'i',
  sort: false,
  dropped: ({ from, to }) => moveTo(from.dataset.tiles!, to.dataset.tiles!),
})
const vDragStrings = dragLists({
  group: 'strings',
  draggable: '.string',
  handle: '.name',
  sort: false,
  dropped: ({ item, from, to }) =>
    from !== to && apply('move a string', moveString(item.dataset.string!, to.dataset.board!)),
})
function keys(string: BoardString, event: KeyboardEvent): void {
  if (!event.altKey) return
  const along = { ArrowUp: -1, ArrowDown: 1 }[event.key]
  const across = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
  if (along !== undefined) {
    const at = strings.value.findIndex(({ key }) => key === string.key)
    const to = strings.value[at + along]
    if (to) moveTo(string.key, to.key)
  } else if (across !== undefined) {
    const ids = design.document!.controllers.map(({ id }) => id)
    const to = ids[ids.indexOf(string.controllerId) + across]
    if (to) apply('move a string', moveString(string.key, to))
  } else return
  event.preventDefault()
}
</script>

<template>
  <section class="card">
    <div class="row">
      <h2>Strings</h2>
      <p class="quiet grow">
        drag a module into another string, a string by its name onto another controller; Alt ↑ ↓ and Alt ← → do the same
      </p>
    </div>
    <p v-if="refused" class="error" role="alert">{{ refused }}</p>
    <div
      v-for="{ controller, rows } in sections"
      :key="controller.id"
      v-drag-strings
      class="section"
      :data-board="controller.id"
    >
      <h3>{{ controller.name }} <span class="quiet">{{ controller.part.name }}</span></h3>
      <div
        v-for="string in rows"
        :key="string.key"
        class="string"
        tabindex="0"
        role="group"
        :aria-label="`${string.name}: ${string.inSeries} of ${string.module}`"
        :data-string="string.key"
        @keydown="keys(string, $event)"
      >
        <span class="name">{{ string.name }}</span>
        <div v-drag-modules class="tiles" :data-tiles="string.key">
          <i v-for="tile in Math.min(string.inSeries, MOST_TILES)" :key="tile" :title="string.module" data-tile />
          <span v-if="string.inSeries > MOST_TILES" class="quiet">and {{ string.inSeries - MOST_TILES }} more</span>
        </div>
        <span class="figures">
          <b :class="{ bad: string.tooHigh }" data-cold>{{ prefs.show(string.coldV, 'V') }}</b> cold
          <b :class="{ bad: string.tooLow }">{{ prefs.show(string.hotV, 'V') }}</b> hot
          <b>{{ prefs.show(string.amps, 'A') }}</b>
        </span>
      </div>
      <p v-if="rows.length === 0" class="quiet">No string on it.</p>
    </div>
  </section>
</template>

<style scoped>
.section {
  margin-top: 8px;
  padding: 6px 8px;
  border: 1px solid var(--rule);
  border-radius: 4px;
}

h3 span {
  font: 13px var(--text);
}

.string {
  display: flex;
  align-items: center;
  gap: 10px;
  margin-top: 5px;
  padding: 3px 4px;
  border-radius: 3px;
}

.name {
  width: 130px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  cursor: grab;
}

.tiles {
  display: flex;
  flex: 1;
  flex-wrap: wrap;
  gap: 3px;
  border-top: 1.5px solid var(--ink);
  padding-top: 3px;
}

.tiles i {
  width: 18px;
  height: 26px;
  border: 1px solid var(--ink);
  border-radius: 2px;
  background:
    linear-gradient(90deg, transparent 48%, var(--card) 48% 52%, transparent 52%),
    linear-gradient(transparent 48%, var(--card) 48% 52%, transparent 52%), var(--slate);
  cursor: grab;
}

.figures {
  color: var(--soft);
  font-size: 13px;
  white-space: nowrap;
}

.figures b {
  color: var(--ink);
}

.figures .bad {
  color: var(--clay);
}

.error {
  color: var(--clay);
}
</style>
