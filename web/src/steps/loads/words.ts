import { PRIORITY_WORDS, type Load } from '@ambrel/core'

export const BASIS_NAMES: Record<Load['basis'], string> = {
  rated: 'nameplate',
  metered: 'metered',
  cycle: 'per cycle',
  month: 'per month',
}
export const START_NAMES: Record<Load['startKind'], string> = {
  none: 'no surge',
  compressor: 'compressor',
  'submersible-pump': 'submersible pump',
  'soft-start-pump': 'soft-start pump',
  'induction-tool': 'induction motor',
  'universal-tool': 'universal motor',
}

export const SUPPLY_NAMES: Record<Load['supply'], string> = {
  electric: 'this system',
  propane: 'propane',
  out: 'nothing: taken out',
}

function optionsOf<K extends string>(names: Record<K, string>): { value: K; label: string }[] {
  return (Object.entries(names) as [K, string][]).map(([value, label]) => ({ value, label }))
}

/** Made once: a table that made them anew would redraw every row at every edit. */
export const PRIORITY_OPTIONS = optionsOf(PRIORITY_WORDS)
export const BASIS_OPTIONS = optionsOf(BASIS_NAMES)
export const START_OPTIONS = optionsOf(START_NAMES)
export const SUPPLY_OPTIONS = optionsOf(SUPPLY_NAMES)
