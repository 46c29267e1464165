<script setup lang="ts">
import {
  cableName,
  circuitSheet,
  conduitNames,
  CONDUCTORS,
  DEVICE_NAMES,
  levelOfCircuit,
  usualCircuit,
  type WorkedCircuit,
} from '@ambrel/core'
import { decimal } from '@ambrel/core/units'
import { ChevronDown, ChevronRight } from '@lucide/vue'
import { computed } from 'vue'
import StateMark from '../../drawing/StateMark.vue'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'
import { useWorking } from '../../stores/working.ts'
import CircuitField from './CircuitField.vue'
import { shownCircuit } from './shown.ts'

/** A circuit with what it is asked, what is laid and what protects it; opened, everything that can be chosen about it. */
const props = defineProps<{ worked: WorkedCircuit }>()
const design = useDesign()
const prefs = usePrefs()
const circuit = computed(() => props.worked.circuit)
const working = useWorking()
const sheet = computed(() => circuitSheet(props.worked, design.document!))
const open = computed(() => shownCircuit.value === circuit.value.id)
const toggle = () => (shownCircuit.value = open.value ? '' : circuit.value.id)

const cable = computed(() => {
  const { conductor } = props.worked
  if (circuit.value.within) return 'in the unit'
  if (!conductor) return 'no cable does'
  return circuit.value.quantity > 1
    ? `${circuit.value.quantity} of ${prefs.say(cableName(conductor))}`
    : prefs.say(cableName(conductor))
})
const device = computed(() => {
  const { device: found } = props.worked
  if (!found) return '—'
  if (found.amps === null) return 'none is made for it'
  return `${prefs.show(found.amps, 'A')} ${DEVICE_NAMES[found.kind]}`
})
const sizes = computed(() => {
  const best = props.worked.own ? 'thinnest that does' : `thinnest: ${cable.value}`
  return [
    { value: '', label: best },
    ...CONDUCTORS.filter(
      ({ basis, size }) => basis === design.document!.place.wiringBasis || size === props.worked.choice.size,
    ).map(({ size }) => ({ value: size, label: size.replace('mm2', 'mm²') })),
  ]
})
const conduits = computed(() => [
  { value: '', label: 'smallest that does' },
  ...conduitNames(design.document!.place.wiringBasis, props.worked.choice.conduit).map((value) => ({
    value,
    label: value,
  })),
])
const chosen = computed(() => design.document!.circuits.some(({ id }) => id === circuit.value.id))

const money = (value: number) => prefs.show(Math.abs(value), design.document!.budget.currency)
/** What the copper of a long line costs, and what other copper would. */
const copper = computed(() => {
  const { economy, atTwiceTheVolts, conductor } = props.worked
  if (!economy || !conductor) return []
  const { laid, best } = economy
  const told: [string, string][] = [['its cable', money(laid.copper)]]
  told.push([
    'cheapest over its life',
    best.size === laid.size && best.parallel === laid.parallel
      ? 'this one'
      : `${prefs.say(cableName(best))}: ${money(best.copper - laid.copper)} ${best.copper > laid.copper ? 'more' : 'less'}, ${money(laid.yearly - best.yearly)} a year ${best.yearly < laid.yearly ? 'saved' : 'lost'}`,
  ])
  if (atTwiceTheVolts && atTwiceTheVolts.size !== conductor.size)
    told.push([
      'at twice the volts',
      `${prefs.say(cableName(atTwiceTheVolts))}, ${money(laid.copper - atTwiceTheVolts.copper)} less`,
    ])
  return told
})

/** What there is to know about it, in pairs. */
const facts = computed(() => {
  const { conductor, groundSize, conduit, lossKWh, studMm, device: found } = props.worked
  const { quantity, correctedA, designA, workingA, volts, highestV } = circuit.value
  const wires: [string, string][] = [
    ['flows while it works', prefs.show(workingA, 'A')],
    ['at the terminals', prefs.show(designA, 'A')],
    ['where it lies', prefs.show(correctedA, 'A')],
    ['works at', `${prefs.show(volts, 'V')}, ${prefs.show(highestV, 'V')} at most`],
  ]
  if (quantity > 1) wires.unshift(['alike', String(quantity)])
  if (conductor)
    wires.push(['carries', prefs.show(conductor.ampacityA, 'A')], ['drop', `${prefs.show(conductor.dropV, 'V')}`])
  if (groundSize) wires.push(['ground beside it', prefs.say([{ size: groundSize }])])
  if (conduit) wires.push(['conduit', `${conduit.name}, ${prefs.show(conduit.share * 100, '%')} full`])
  if (studMm) wires.push(['lugs for a stud of', `${studMm} mm`])
  if (lossKWh !== null) wires.push(['lost in a year, if all is used', prefs.show(lossKWh, 'kWh')])
  wires.push(...copper.value)
  if (found && circuit.value.current === 'dc')
    wires.push([
      'device for at least',
      `${prefs.show(found.leastV, 'V')} DC${found.leastKA > 0 ? `, breaking ${prefs.show(found.leastKA, 'kA')}` : ''}`,
    ])
  return wires
})
</script>

<template>
  <tr :data-circuit-row="circuit.id" :class="{ looked: open }">
    <td class="mark"><StateMark :level="levelOfCircuit(worked)" /></td>
    <td class="name">{{ circuit.name }}<small v-if="circuit.quantity > 1"> × {{ circuit.quantity }}</small></td>
    <td class="n">{{ circuit.within ? '' : prefs.show(circuit.designA, 'A') }}</td>
    <td class="length">
      <CircuitField v-if="circuit.asksLength" :worked="worked" field="oneWayM" />
      <span v-else class="n plain">{{ circuit.within ? '' : prefs.show(worked.choice.oneWayM, 'm') }}</span>
    </td>
    <td class="cable">{{ cable }}<small v-if="worked.own"> (chosen)</small></td>
    <td class="n">{{ worked.conductor && !circuit.within ? `${decimal(worked.conductor.dropPct, 1)} %` : '' }}</td>
    <td class="device">{{ circuit.within ? '' : device }}</td>
    <td>
      <button
        v-if="!circuit.within"
        class="icon-button"
        :aria-label="`Details of ${circuit.name}`"
        :aria-expanded="open"
        @click="toggle"
      >
        <component :is="open ? ChevronDown : ChevronRight" :size="14" />
      </button>
    </td>
  </tr>
  <tr v-if="open && !circuit.within" class="detail">
    <td />
    <td colspan="7">
      <p class="because">
        {{ prefs.say(circuit.because) }}.
        <button v-if="sheet" class="link" @click="working.show(sheet)">numbers</button>
      </p>
      <dl>
        <div v-for="[says, value] in facts" :key="says">
          <dt>{{ says }}</dt>
          <dd>{{ value }}</dd>
        </div>
      </dl>
      <div class="fields">
        <CircuitField v-if="!circuit.asksLength" :worked="worked" field="oneWayM" labelled />
        <CircuitField :worked="worked" field="size" labelled :options="sizes" />
        <CircuitField v-if="worked.own" :worked="worked" field="parallel" labelled />
        <CircuitField :worked="worked" field="laid" labelled />
        <CircuitField :worked="worked" field="insulationC" labelled />
        <CircuitField :worked="worked" field="terminalC" labelled />
        <CircuitField :worked="worked" field="ambientC" labelled />
        <CircuitField :worked="worked" field="conductors" labelled />
        <CircuitField :worked="worked" field="allowedDropPct" labelled />
        <CircuitField v-if="worked.conduit" :worked="worked" field="conduit" labelled :options="conduits" />
        <CircuitField v-if="circuit.asks.includes('disconnect')" :worked="worked" field="disconnect" labelled />
        <CircuitField v-if="circuit.asks.includes('arresters')" :worked="worked" field="withoutArresters" labelled />
        <template v-if="worked.device">
          <CircuitField :worked="worked" field="device" labelled />
          <CircuitField :worked="worked" field="deviceA" labelled />
          <CircuitField :worked="worked" field="deviceV" labelled />
          <CircuitField :worked="worked" field="deviceKA" labelled />
          <CircuitField :worked="worked" field="builtIn" labelled />
        </template>
        <CircuitField :worked="worked" field="unused" labelled />
      </div>
      <button v-if="chosen" class="link" @click="design.change(`${circuit.name} as usual`, usualCircuit(circuit.id))">
        all but its length as usual again
      </button>
    </td>
  </tr>
</template>

<style scoped>
td {
  padding-right: 6px;
  vertical-align: middle;
}

.mark {
  width: 20px;
}

.name {
  min-width: 150px;
}

.length {
  width: 78px;
}

.plain {
  display: block;
  text-align: right;
}

.looked td {
  background: var(--frost);
}

.detail td {
  padding: 4px 0 12px;
}

.because {
  margin: 0 0 6px;
  color: var(--soft);
}

dl {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  margin: 0 0 10px;
}

dt {
  color: var(--soft);
  font-size: 12.5px;
}

dd {
  margin: 0;
}

.fields {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(132px, 1fr));
  gap: 9px 12px;
  margin-bottom: 6px;
}

@media (max-width: 900px) {
  .name {
    min-width: 0;
    overflow-wrap: anywhere;
  }

  .plain {
    text-align: left;
  }
}
</style>
