import { CHEMISTRIES, ratedAh, type PartOfKind } from '@ambrel/core'
import type { PartKind } from '@ambrel/contract'

/** What a kind of part is called, one of it and many. */
export const KIND_WORDS: Record<PartKind, { one: string; many: string }> = {
  battery: { one: 'battery unit', many: 'Battery units' },
  module: { one: 'module', many: 'Modules' },
  controller: { one: 'charge controller', many: 'Charge controllers' },
  inverter: { one: 'inverter', many: 'Inverters' },
  generator: { one: 'generator', many: 'Generators' },
}

/** Figures that a label of each kind says: the first of them it must say, the others it often does. */
export const LABEL_FIELDS: Record<PartKind, { must: string[]; often: string[] }> = {
  battery: { must: ['chemistry', 'nominalV', 'ampHours'], often: ['maxChargeA', 'maxDischargeA'] },
  module: { must: ['vocV', 'iscA'], often: ['ratedW', 'vmpV', 'impA', 'cells'] },
  controller: { must: ['maxInputV', 'outputA'], often: ['kind', 'maxInputA'] },
  inverter: { must: ['ratedW', 'bankV'], often: ['topology', 'surgeW', 'chargerA'] },
  generator: { must: ['ratedW'], often: ['fuel', 'ratedOn', 'output', 'frequencyHz'] },
}

type Show = (value: number | null | undefined, unit: string) => string

/** One line that tells a part apart. @param show a figure in the reader's units */
export function partSays(kind: PartKind, part: Record<string, unknown>, show: Show): string {
  switch (kind) {
    case 'battery': {
      const { chemistry, nominalV, capacities } = part as unknown as PartOfKind['battery']
      return `${CHEMISTRIES[chemistry].name}, ${show(nominalV, 'V')}, ${show(ratedAh({ capacities }), 'Ah')}`
    }
    case 'module': {
      const { ratedW, vocV, iscA, cells } = part as unknown as PartOfKind['module']
      return `${show(ratedW, 'W')}, Voc ${show(vocV, 'V')}, Isc ${show(iscA, 'A')}, ${cells} cells`
    }
    case 'controller': {
      const { maxInputV, outputA, outputAcW, trackers } = part as unknown as PartOfKind['controller']
      return `${show(maxInputV, 'V')} in, ${outputAcW ? show(outputAcW, 'W') : show(outputA, 'A')} out${trackers > 1 ? `, ${trackers} trackers` : ''}`
    }
    case 'inverter': {
      const { ratedW, surgeW, bankV, controller, battery } = part as unknown as PartOfKind['inverter']
      const inside = battery ? ', a power box' : controller ? ', all in one' : ''
      return `${show(ratedW, 'W')}, surge ${show(surgeW, 'W')}, ${show(bankV, 'V')} bank${inside}`
    }
    case 'generator': {
      const { ratedW, fuel } = part as unknown as PartOfKind['generator']
      return `${show(ratedW, 'W')}, ${fuel.replace('-', ' ')}`
    }
  }
}
