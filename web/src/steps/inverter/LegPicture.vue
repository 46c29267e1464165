<script setup lang="ts">
import { computed } from 'vue'
import {
  continuousShare,
  inverterRating,
  legsOfService,
  inWeek,
  legLevel,
  legLoads,
  MONTH_NAMES,
  onLegsOf,
  serviceOf,
  worstLegHour,
  type Load,
  type LiveLeg,
  moveToLeg,
  spreadOverLegs,
} from '@ambrel/core'
import { dragLists } from '../../drag/lists.ts'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** The legs with what hangs on each and is on at once, the neutral between them, and the hour in which one carries most. */
const design = useDesign()
const prefs = usePrefs()
const service = computed(() => serviceOf(design.document!.inverter))
const names = computed(() => legsOfService(service.value))
const several = computed(() => names.value.length > 1)
const rating = computed(() => inverterRating(design.document!))
const balance = computed(() => design.derived!.legs)
/** as this inverter would carry them, whatever legs were named */
const wired = computed(() => onLegsOf(design.document!))
const worst = computed(() => worstLegHour(inWeek(wired.value).loads, service.value))
const drawing = computed(() => wired.value.loads.filter(({ supply, leg }) => supply === 'electric' && leg !== 'DC'))
const watts = (load: Load) => load.runningW * load.quantity
const on = (legs: string[]) => drawing.value.filter(({ leg }) => legs.includes(leg)).sort((a, b) => watts(b) - watts(a))
const share = computed(() => continuousShare(design.derived!.worked).value)
/** By the school that rules, as the finding judges it. */
const columns = computed(() =>
  legLoads(inWeek(wired.value)).map(({ leg, watts: onceW, share: filled }) => ({
    leg,
    loads: on([leg]),
    watts: onceW,
    filled,
    allW: { A: balance.value.legAW, B: balance.value.legBW, C: balance.value.legCW }[leg],
    day: worst.value.day[leg],
  })),
)
/** The bar is as long as the leg's rating, or longer where more is on. */
const barOf = (filled: number) => Math.max(1, filled)
const across = computed(() => on(['AB', 'ABC']))
const topDay = computed(() => Math.max(1, ...columns.value.flatMap(({ day }) => day)))

function put(id: string, leg: LiveLeg): void {
  const load = design.document!.loads.find((each) => each.id === id)
  if (!load || load.leg === leg) return
  design.change(`${load.name} on leg ${leg}`, moveToLeg(id, leg))
}
function spread(): void {
  design.change('spread over the legs', spreadOverLegs)
}
const vDragLoads = dragLists({
  group: 'legs',
  draggable: 'li[data-load]',
  sort: false,
  disabled: () => !several.value,
  dropped: ({ item, to }) => put(item.dataset.load!, to.parentElement!.dataset.leg as LiveLeg),
})
/** Alt with an arrow carries a load to the next leg. */
function carry(load: Load, leg: LiveLeg, by: number): void {
  const to = names.value[names.value.indexOf(leg) + by]
  if (to) put(load.id, to)
}
const hourWords = computed(() => `${MONTH_NAMES[worst.value.month]}, ${worst.value.hour}–${worst.value.hour + 1} h`)
</script>

<template>
  <section class="card" data-legs>
    <div class="row">
      <h2>{{ several ? 'The legs' : 'The one leg' }}</h2>
      <p class="quiet grow">
        <template v-if="several">drag a load to another leg, or Alt with an arrow; each leg carries </template>
        <template v-else>carries </template>{{ prefs.show(rating.legW, 'W') }}
      </p>
      <button v-if="several" class="link" @click="spread">spread them evenly</button>
    </div>
    <div class="legs" :style="{ '--count': columns.length }">
      <div v-for="column in columns" :key="column.leg" class="leg" :data-leg="column.leg">
        <div class="row head">
          <b>{{ several ? `${service === 'three-phase' ? 'Phase' : 'Leg'} ${column.leg}` : 'Load' }}</b>
          <span class="grow" />
          <span :class="legLevel(column.filled)" data-at-once>{{ prefs.show(column.watts, 'W') }}</span>
        </div>
        <div class="track" :title="`on at once: ${prefs.show(column.watts, 'W')} of ${prefs.show(rating.legW, 'W')}`">
          <i :style="{ width: `${(100 * column.filled) / barOf(column.filled)}%` }" :class="legLevel(column.filled)" />
          <em :style="{ left: `${100 / barOf(column.filled)}%` }" />
        </div>
        <svg
          class="day"
          viewBox="0 0 96 24"
          preserveAspectRatio="none"
          role="img"
          :aria-label="`Leg ${column.leg} through the day in ${MONTH_NAMES[worst.month]}, highest ${prefs.show(Math.max(...column.day), 'W')}`"
        >
          <rect
            v-for="(watt, hour) in column.day"
            :key="hour"
            :x="hour * 4 + 0.4"
            :y="24 - (23 * watt) / topDay"
            width="3.2"
            :height="(23 * watt) / topDay"
            :class="{ worst: column.leg === worst.leg && hour === worst.hour }"
          />
        </svg>
        <ul v-drag-loads :class="{ several }">
          <li
            v-for="load in column.loads"
            :key="load.id"
            :tabindex="several ? 0 : undefined"
            :data-load="load.id"
            @keydown.alt.right.prevent="carry(load, column.leg, 1)"
            @keydown.alt.left.prevent="carry(load, column.leg, -1)"
          >
            <span class="name" :title="load.name">{{ load.name }}</span>
            <span>{{ prefs.show(watts(load), 'W') }}</span>
          </li>
          <li v-if="column.loads.length === 0" class="none quiet">nothing</li>
        </ul>
        <p class="all quiet">
          <b>{{ prefs.show(column.allW, 'W') }}</b> with everything on{{
            several ? ', its part of what is across included' : ''
          }}
        </p>
      </div>
      <div v-if="several" class="leg across">
        <div class="row head">
          <b>{{ service === 'three-phase' ? 'All three' : 'Across, 240 V' }}</b>
        </div>
        <ul>
          <li v-for="load in across" :key="load.id">
            <span class="name" :title="load.name">{{ load.name }}</span>
            <span>{{ prefs.show(watts(load), 'W') }}</span>
          </li>
          <li v-if="across.length === 0" class="none quiet">nothing</li>
        </ul>
        <p class="neutral"><b>{{ prefs.show(balance.neutralA, 'A') }}</b> in the neutral, everything on</p>
      </div>
    </div>
    <p class="quiet">
      Beside each {{ several ? 'leg' : 'load' }}’s name what of it is on at once by the method chosen under How big, and
      below it how far that fills the {{ several ? 'leg' : 'inverter' }};
      {{ several ? 'the heaviest leg' : 'the load' }} is at {{ prefs.show(share, 'share') }}. The small bars: a mean day
      of its worst month; the worst hour is {{ hourWords }} with {{ prefs.show(worst.watts, 'W')
      }}{{ several ? ` on leg ${worst.leg}` : '' }}.
    </p>
  </section>
</template>

<style scoped>
.legs {
  display: grid;
  gap: 12px;
  grid-template-columns: repeat(var(--count), 1fr) minmax(150px, 0.8fr);
  margin: 8px 0;
}

.leg {
  display: flex;
  flex-direction: column;
  min-width: 0;
  padding: 8px 10px;
  border: 1px solid var(--rule);
  border-radius: 4px;
}

.across {
  border-style: dashed;
}

.head {
  font: 600 15px/1.2 var(--heading);
}

.track {
  position: relative;
  height: 12px;
  margin: 6px 0;
  background: var(--frost);
}

.track i {
  display: block;
  height: 100%;
  background: var(--lichen);
}

.track i.watch {
  background: var(--ochre);
}

.track i.stop {
  background: var(--clay);
}

span.stop {
  color: var(--clay);
}

.track em {
  position: absolute;
  top: -3px;
  bottom: -3px;
  border-left: 2px solid var(--clay);
}

.day {
  width: 100%;
  height: 34px;
  border-bottom: 1px solid var(--rule);
}

.day rect {
  fill: var(--slate);
  fill-opacity: 0.55;
}

.day rect.worst {
  fill: var(--clay);
  fill-opacity: 1;
}

ul {
  flex: 1;
  min-height: 34px;
  margin: 6px 0 0;
  padding: 0;
  list-style: none;
}

li > span:last-child {
  flex: none;
}

li {
  display: flex;
  gap: 8px;
  justify-content: space-between;
  padding: 2px 4px;
  border-radius: 3px;
  line-height: 1.3;
}

ul.several > li[data-load] {
  cursor: grab;
}

ul.several > li[data-load]:hover,
li:focus-visible {
  background: var(--wash);
}

.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

/* on a phone two legs stand side by side, what is across them below, and a name takes the lines that it needs */
@media (max-width: 600px) {
  .legs {
    grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  }

  .across {
    grid-column: 1 / -1;
  }

  .name {
    min-width: 0;
    overflow-wrap: anywhere;
    white-space: normal;
  }
}

.all,
.neutral {
  margin-top: 8px;
  padding-top: 6px;
  border-top: 1px solid var(--rule);
}
</style>
