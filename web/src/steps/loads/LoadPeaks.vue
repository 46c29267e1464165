<script setup lang="ts">
import { computed } from 'vue'
import { legsOfService, onLegsOf, serviceOf, type Schools, setField } from '@ambrel/core'
import { useDesign } from '../../stores/design.ts'
import { usePrefs } from '../../stores/prefs.ts'

/** How much is on at once by both schools, and how it lies on the legs; the chosen school sizes the inverter. */
const design = useDesign()
const prefs = usePrefs()
const NAMES: Record<Schools['peak'], { name: string; says: string }> = {
  coincidence: {
    name: 'Realistic coincidence',
    says: 'the worst hour of the load day with its largest load at full watts',
  },
  everything: {
    name: 'Everything at once + 20 %',
    says: 'all running watts together, for those who never want to think of it',
  },
}
const schools = computed(() => {
  const { peak, otherPeak } = design.derived!
  return [peak, otherPeak].sort((a, b) => a.school.localeCompare(b.school))
})
const service = computed(() => serviceOf(design.document!.inverter))
const legs = computed(() => {
  const { legAW, legBW, legCW } = design.derived!.legs
  const watts = { A: legAW, B: legBW, C: legCW }
  return legsOfService(service.value).map((leg) => ({ leg, watts: watts[leg] }))
})
const across = computed(() =>
  onLegsOf(design.document!)
    .loads.filter((load) => (load.leg === 'AB' || load.leg === 'ABC') && load.supply === 'electric')
    .reduce((sum, load) => sum + load.runningW * load.quantity, 0),
)
const dc = computed(() =>
  design
    .document!.loads.filter((load) => load.leg === 'DC' && load.supply === 'electric')
    .reduce((sum, load) => sum + load.runningW * load.quantity, 0),
)
</script>

<template>
  <section v-if="design.derived" class="card peaks">
    <div class="schools" role="radiogroup" aria-label="Method of coincidence">
      <button
        v-for="each in schools"
        :key="each.school"
        role="radio"
        :aria-checked="design.document!.schools.peak === each.school"
        :class="{ on: design.document!.schools.peak === each.school }"
        :data-peak="each.school"
        @click="design.change('how the peak is reckoned', setField('schools.peak', each.school))"
      >
        <b>{{ prefs.show(each.continuousW, 'W') }}</b>
        <span>{{ NAMES[each.school].name }}</span>
        <small
          >{{ NAMES[each.school].says }}; with the start of {{ each.starter || 'nothing' }}
          {{ prefs.show(each.surgeW, 'W') }}</small
        >
      </button>
    </div>
    <dl>
      <template v-if="legs.length > 1">
        <template v-for="{ leg, watts } in legs" :key="leg">
          <dt>{{ service === 'three-phase' ? 'phase' : 'leg' }} {{ leg }}</dt>
          <dd>{{ prefs.show(watts, 'W') }}</dd>
        </template>
        <dt>of these, across {{ service === 'three-phase' ? 'all three' : 'both at 240 V' }}</dt>
        <dd>{{ prefs.show(across, 'W') }}</dd>
      </template>
      <template v-else>
        <dt>on the one leg</dt>
        <dd>{{ prefs.show(design.derived.legs.legAW, 'W') }}</dd>
      </template>
      <dt>DC, beside the inverter</dt>
      <dd>{{ prefs.show(dc, 'W') }}</dd>
    </dl>
  </section>
</template>

<style scoped>
.peaks {
  display: grid;
  align-items: start;
  gap: 16px;
  grid-template-columns: 2fr 1fr;
}

.schools {
  display: grid;
  gap: 8px;
  grid-template-columns: 1fr 1fr;
}

.schools button {
  padding: 8px 10px;
  border: 1px solid var(--rule);
  border-radius: 4px;
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}

.schools .on {
  border-color: var(--spruce);
  background: var(--wash);
  box-shadow: inset 3px 0 var(--spruce);
}

b {
  display: block;
  font: 600 17px/1.2 var(--heading);
}

span,
small {
  display: block;
}

small {
  color: var(--soft);
  line-height: 1.25;
}

dl {
  display: grid;
  gap: 3px 10px;
  grid-template-columns: 1fr auto;
  margin: 0;
}

dt {
  color: var(--soft);
}

dd {
  margin: 0;
  text-align: right;
}
</style>
