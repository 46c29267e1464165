import type { Design } from '../document/types.ts'
import { CHEMISTRIES } from '../bank/chemistry.ts'
import { coldVoltage } from '../array/voltage.ts'
import { ONE_PERSON_KG } from '../cautions/cautions.ts'
import { amount, celsius } from '../units/say.ts'
import { joined, say, type Words } from '../units/words.ts'

export interface BuildTask {
  id: string
  phase: 'Before' | 'Wire' | 'Prove' | 'Switch on' | 'Hand over'
  says: Words
  why: Words
}

const LITHIUM_ORDER = 'Batteries of unequal charge push large currents into each other the moment they are joined.'

const BACKUP_ON = {
  generator: {
    says: 'Generator input tried: outside, far from openings, carbon-monoxide alarm in the house.',
    why: 'Exhaust kills without smell.',
  },
  shore: {
    says: 'Shore power tried through its inlet and breaker; the charger keeps to what the cord carries.',
    why: 'A cord that runs warm under load burns at its plug first.',
  },
  vehicle: {
    says: 'Charging from the vehicle tried in the open, a fuse at each end of the cable.',
    why: 'An unfused cable across a bank welds, and exhaust kills without smell.',
  },
} as const

/**
 * What to do, in order, from a dark box to a running house, for this design: tasks that do not apply are left out.
 * Shutting down is the reverse. The maker's manual, local code and a licensed electrician outrank the list.
 */
export function checklist(design: Design): BuildTask[] {
  const { bank, arrays, generator, inverter } = design
  const { vents, watered } = CHEMISTRIES[bank.part.chemistry]
  const heavy = [
    { words: say`the units of ${amount(bank.part.weightKg, 'kg')}`, kg: bank.part.weightKg },
    { words: say`the inverter of ${amount(inverter.part.weightKg, 'kg')}`, kg: inverter.part.weightKg },
  ]
    .filter(({ kg }) => kg > ONE_PERSON_KG)
    .map(({ words }) => words)
  const tasks: (BuildTask | false)[] = [
    {
      id: 'permit',
      phase: 'Before',
      says: 'Permit and inspection arranged; makers’ manuals at hand.',
      why: 'Local code and the manual outrank this list.',
    },
    {
      id: 'tools',
      phase: 'Before',
      says: 'Rings and watches off, insulated tools, eye protection on.',
      why: 'A bank’s short circuit welds a wrench in an instant.',
    },
    vents && {
      id: 'vent',
      phase: 'Before',
      says: 'Bank room ventilated, eye wash and soda within reach.',
      why: 'Charging lead-acid gives off hydrogen; the acid burns.',
    },
    heavy.length > 0 && {
      id: 'lift',
      phase: 'Before',
      says: say`Two people or a hoist for ${joined(heavy, ' and ')}.`,
      why: 'Backs and fingers go first.',
    },
    {
      id: 'all-off',
      phase: 'Wire',
      says: 'Every switch and breaker off; covers over the array, leads apart.',
      why: 'Modules are live in any light.',
    },
    bank.inParallel > 1 && {
      id: 'equal',
      phase: 'Wire',
      says: say`Each of the ${bank.inParallel} strings rested and within 0.1 V before they are joined.`,
      why: LITHIUM_ORDER,
    },
    {
      id: 'ground',
      phase: 'Wire',
      says: 'Frames and cases grounded; neutral bonded to ground in one place only.',
      why: 'Two bonds put current on the ground wire.',
    },
    {
      id: 'bank-fuse',
      phase: 'Wire',
      says: 'Fuse of the fastest class at the bank’s positive, as near as it fits.',
      why: 'The bank can feed tens of thousands of amperes into a fault.',
    },
    {
      id: 'torque',
      phase: 'Wire',
      says: 'Every lug torqued to the maker’s figure and marked.',
      why: 'A loose lug heats, and burns.',
    },
    {
      id: 'dead',
      phase: 'Prove',
      says: 'Everything proven dead with a meter that was just proven live.',
      why: 'A meter with a flat battery shows zero as well.',
    },
    ...arrays.map((array): BuildTask => {
      const open = coldVoltage({
        inSeries: array.inSeries,
        vocV: array.module.vocV,
        betaVocPctPerK: array.module.betaVocPctPerK,
        coldestC: 25,
      })
      return {
        id: `string-${array.id}`,
        phase: 'Prove',
        says: say`${array.name}: polarity right and each string near ${amount(open, 'V', 0)} open (at ${celsius(25)} cells), within 5 %.`,
        why: 'One module’s worth low means one is missing or reversed.',
      }
    }),
    {
      id: 'inverter-end',
      phase: 'Switch on',
      says: 'Inverter end of the battery cables first, battery end last, through the pre-charge.',
      why: 'The inverter’s capacitors draw a spark that pits terminals.',
    },
    {
      id: 'bank-on',
      phase: 'Switch on',
      says: say`Bank on: ${amount(bank.systemV, 'V')} class at the inverter’s terminals, polarity right.`,
      why: 'Reversed polarity destroys the inverter at once.',
    },
    {
      id: 'inverter-on',
      phase: 'Switch on',
      says: say`${inverter.part.name} on with no load; output volts right on each leg.`,
      why: 'A fault shows before anything is plugged in.',
    },
    {
      id: 'settings',
      phase: 'Switch on',
      says: 'Charge settings entered from the battery maker’s sheet.',
      why: 'Wrong voltages shorten the bank’s life or stop its charging.',
    },
    {
      id: 'array-on',
      phase: 'Switch on',
      says: 'Array on; the controller charges.',
      why: 'The controller must see the bank before it sees the array.',
    },
    generator.present && {
      id: 'generator-on',
      phase: 'Switch on',
      ...BACKUP_ON[generator.kind],
    },
    {
      id: 'loads-on',
      phase: 'Switch on',
      says: 'Loads one at a time, the largest start last.',
      why: 'The one that trips names itself.',
    },
    generator.present &&
      generator.kind !== 'vehicle' && {
        id: 'transfer',
        phase: 'Switch on',
        says: 'Transfer tested both ways; no cord with two plugs anywhere.',
        why: 'Back-feed kills people on the line.',
      },
    {
      id: 'labels',
      phase: 'Hand over',
      says: 'Labels on every disconnect; shutdown order posted.',
      why: 'Whoever puts out a fire has to find the switch.',
    },
    { id: 'retorque', phase: 'Hand over', says: 'Lugs torqued again after a month.', why: 'Copper settles.' },
    watered && {
      id: 'water',
      phase: 'Hand over',
      says: 'Water and terminals every month; equalise every quarter, ventilated.',
      why: 'Dry plates are dead plates.',
    },
  ]
  return tasks.filter((task) => task !== false)
}
