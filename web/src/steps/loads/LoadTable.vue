<script setup lang="ts">
import { vStack } from '../../drawing/stacks.ts'
import { computed, ref, shallowRef, watch } from 'vue'
import { legChoices, serviceOf, type Leg, type Load, copyLoad, removeLoads, moveIn } from '@ambrel/core'
import { dragLists } from '../../drag/lists.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import LoadBulk from './LoadBulk.vue'
import LoadRow from './LoadRow.vue'
import { useLongTable } from './useLongTable.ts'

const props = defineProps<{ byRoom: boolean }>()
const design = useDesign()
const prefs = usePrefs()
/** none once the design is let go of: what reckons the rows of a long list looks once more before it goes */
const loads = computed<readonly Load[]>(() => design.document?.loads ?? [])
const opened = ref('')
const LEG_WORDS: Partial<Record<Leg, string>> = { AB: '240', ABC: 'all 3' }
/** the same list as long as the service is the same, so that an edit of one load draws one row */
const service = computed(() => serviceOf(design.document!.inverter))
const legs = computed<{ value: Leg; label: string }[]>(() =>
  legChoices(service.value).map((value) => ({ value, label: LEG_WORDS[value] ?? value })),
)

/** Rows as they stand: in the order of the list, or room by room with what each room draws. */
const groups = computed(() => {
  const rows = loads.value.map((load, index) => ({ load, index }))
  if (!props.byRoom) return [{ room: '', wh: 0, rows }]
  const rooms = new Map<string, typeof rows>()
  for (const row of rows) rooms.set(row.load.room, [...(rooms.get(row.load.room) ?? []), row])
  return [...rooms]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([room, list]) => ({
      room,
      wh: list.reduce((sum, { index }) => sum + (design.derived?.loadCosts[index]?.dayWh ?? 0), 0),
      rows: list,
    }))
})

/** The rows as they follow each other, rooms between them. */
const lines = computed(() =>
  groups.value.flatMap(({ room, wh, rows }) => [
    ...(props.byRoom ? [{ key: `room ${room}`, room, wh, row: null }] : []),
    ...rows.map((row) => ({ key: row.load.id, room, wh, row })),
  ]),
)
const scroll = shallowRef<HTMLElement>()
const long = useLongTable(scroll, lines)

const selected = ref<ReadonlySet<string>>(new Set())
let lastSelected = ''
function select(id: string, shift: boolean): void {
  const next = new Set(selected.value)
  const ids = groups.value.flatMap(({ rows }) => rows.map(({ load }) => load.id))
  const on = !next.has(id)
  const from = shift ? ids.indexOf(lastSelected) : -1
  const to = ids.indexOf(id)
  const range = from < 0 ? [id] : ids.slice(Math.min(from, to), Math.max(from, to) + 1)
  for (const each of range) {
    if (on) next.add(each)
    else next.delete(each)
  }
  lastSelected = id
  selected.value = next
}
const allSelected = computed(() => loads.value.length > 0 && selected.value.size === loads.value.length)
function selectAll(): void {
  selected.value = allSelected.value ? new Set() : new Set(loads.value.map(({ id }) => id))
}
watch(loads, (now) => {
  const ids = new Set(now.map(({ id }) => id))
  if ([...selected.value].some((id) => !ids.has(id)))
    selected.value = new Set([...selected.value].filter((id) => ids.has(id)))
})

function copy(from: Load, i: number): void {
  design.change(`copy ${from.name}`, copyLoad(i))
}
function move(from: number, to: number): void {
  if (to < 0 || to >= loads.value.length || to === from) return
  design.change(`move ${loads.value[from].name}`, moveIn('loads', from, to))
}

const vDragRows = dragLists({
  draggable: 'tbody.load',
  handle: '.grip',
  disabled: () => props.byRoom,
  dropped: ({ fromIndex, toIndex }) => {
    const first = long.shown.value[0]?.line.row?.index ?? 0
    move(first + fromIndex, first + toIndex)
  },
})
const ownWh = computed(() =>
  design.derived
    ? design.derived.worked['loads.battery-day'].value - design.derived.worked['loads.worst-day'].value
    : 0,
)
</script>

<template>
  <p v-if="design.problemAt.get('loads')" class="error" role="alert">{{ design.problemAt.get('loads') }}</p>
  <LoadBulk v-if="selected.size > 0" :selected="selected" :legs="legs" @clear="selected = new Set()" />
  <div ref="scroll" class="scroll">
    <table v-stack v-drag-rows class="sheet">
      <thead>
        <tr>
          <th>
            <input type="checkbox" :checked="allSelected" aria-label="Select every load" @click="selectAll" />
          </th>
          <th>load</th>
          <th class="n">×</th>
          <th>stated by</th>
          <th class="n">running</th>
          <th class="n">hours</th>
          <th>leg</th>
          <th>priority</th>
          <th class="n">worst month</th>
          <th><span class="unseen">copy, remove</span></th>
        </tr>
      </thead>
      <tbody v-if="long.above.value > 0" aria-hidden="true">
        <tr :style="{ height: `${long.above.value}px` }" />
      </tbody>
      <template v-for="{ line, at } in long.shown.value" :key="line.key">
        <tbody v-if="!line.row" class="room">
          <tr>
            <td colspan="8">{{ line.room || 'No room named' }}</td>
            <td class="n">{{ prefs.show(line.wh, 'Wh') }}</td>
            <td />
          </tr>
        </tbody>
        <LoadRow
          v-else
          :ref="opened === line.row.load.id ? long.measure : undefined"
          :data-index="at"
          :load="line.row.load"
          :index="line.row.index"
          :legs="legs"
          :opened="opened === line.row.load.id"
          :selected="selected.has(line.row.load.id)"
          :fixed="byRoom"
          @open="opened = opened === line.row.load.id ? '' : line.row.load.id"
          @select="select(line.row.load.id, $event)"
          @copy="copy(line.row.load, line.row.index)"
          @remove="design.change(`remove ${line.row.load.name}`, removeLoads(new Set([line.row.load.id])))"
          @move="move(line.row.index, line.row.index + $event)"
        />
      </template>
      <tbody v-if="long.below.value > 0" class="below" aria-hidden="true">
        <tr :style="{ height: `${long.below.value}px` }" />
      </tbody>
      <tbody class="own">
        <tr v-if="design.derived">
          <td />
          <td colspan="7">The inverter’s own draw and conversion, and the controllers: always there</td>
          <td class="n">{{ prefs.show(ownWh, 'Wh') }}</td>
          <td />
        </tr>
      </tbody>
    </table>
  </div>
  <p class="quiet">
    <kbd>n</kbd> adds a row, <kbd>Alt ↑</kbd> <kbd>Alt ↓</kbd> move it; a dashed frame marks a nameplate guess.
  </p>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}

.own td {
  padding: 6px 4px 4px 0;
  color: var(--soft);
}

.room td {
  padding: 8px 4px 3px 0;
  font: 600 14px var(--heading);
}

.error {
  color: var(--clay);
  font-weight: 600;
}
</style>
