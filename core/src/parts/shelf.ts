import type { BatteryPart, ControllerPart, GeneratorPart, InverterPart, ModulePart } from '../document/types.ts'

/** Generic parts with plausible data-sheet values; brand-neutral, prices made up, in no particular currency. */
const module = (
  id: string,
  name: string,
  ratedW: number,
  vocV: number,
  iscA: number,
  vmpV: number,
  impA: number,
  cells: number,
  lengthM: number,
  widthM: number,
  weightKg: number,
  price: number,
  more: Partial<ModulePart> = {},
): ModulePart => ({
  id,
  name,
  ratedW,
  vocV,
  iscA,
  vmpV,
  impA,
  betaVocPctPerK: -0.26,
  alphaIscPctPerK: 0.046,
  gammaPctPerK: -0.34,
  cells,
  noctC: 45,
  seriesFuseA: 25,
  maxSystemV: 1500,
  lengthM,
  widthM,
  weightKg,
  price,
  estimated: [],
  ...more,
})
/** What a year older kind of cell does in heat, and the fuse its label names. */
const POLY = { betaVocPctPerK: -0.32, gammaPctPerK: -0.42, alphaIscPctPerK: 0.055, seriesFuseA: 15, maxSystemV: 1000 }
/** Sold singly, for roofs of boats and sheds. */
const SMALL = { seriesFuseA: 15, maxSystemV: 600 }

// oxfmt-ignore
export const moduleParts: ModulePart[] = [
  module('mono-415', 'Mono 415 W, 108 half-cells', 415, 37.4, 13.98, 31.3, 13.26, 108, 1.722, 1.134, 21.5, 145),
  module('mono-450', 'Mono 450 W, 120 half-cells', 450, 41.5, 13.75, 34.7, 12.97, 120, 1.909, 1.134, 24.5, 165),
  module('mono-545', 'Mono 545 W, 144 half-cells', 545, 49.8, 13.92, 41.8, 13.04, 144, 2.279, 1.134, 28.6, 195),
  module('mono-200', 'Mono 200 W, 72 small cells', 200, 45.2, 5.6, 37.5, 5.33, 72, 1.58, 0.808, 15, 120),
  module('poly-250', 'Poly 250 W, 60 cells', 250, 37.8, 8.83, 30.6, 8.17, 60, 1.65, 0.992, 18.5, 70, POLY),
  module('mono-100', 'Mono 100 W, 36 cells', 100, 22.5, 5.86, 18.6, 5.38, 36, 1.02, 0.67, 7, 75, SMALL),
  module('mono-320', 'Mono 320 W, 60 cells, of earlier years', 320, 40.1, 10.15, 33.3, 9.61, 60, 1.665, 1.002, 18.6, 95, { betaVocPctPerK: -0.28, gammaPctPerK: -0.37, seriesFuseA: 20, maxSystemV: 1000 }),
  module('poly-300', 'Poly 300 W, 72 cells, of earlier years', 300, 44.6, 8.85, 36.2, 8.29, 72, 1.956, 0.992, 23, 80, POLY),
  module('poly-140', 'Poly 140 W, 36 cells', 140, 22, 8.5, 17.8, 7.87, 36, 1.48, 0.67, 11.5, 85, POLY),
  module('mono-180', 'Mono 180 W, 36 cells', 180, 22.4, 10.2, 18.5, 9.73, 36, 1.49, 0.67, 11, 110, { seriesFuseA: 20, maxSystemV: 600 }),
]

const lfpCycles = [
  { depth: 0.5, cycles: 9000 },
  { depth: 0.8, cycles: 6000 },
  { depth: 1, cycles: 3500 },
]
const lfp = (
  id: string,
  name: string,
  nominalV: number,
  ampHours: number,
  weightKg: number,
  price: number,
): BatteryPart => ({
  id,
  name,
  chemistry: 'lfp',
  nominalV,
  capacities: [{ hours: 5, ampHours }],
  resistanceMilliohm: (nominalV / 51.2) * (100 / ampHours) * 18,
  maxChargeA: 0.5 * ampHours,
  maxDischargeA: ampHours,
  surgeA: 1.5 * ampHours,
  cycles: lfpCycles,
  calendarYears: 15,
  parallelLimit: 16,
  // as many as stand in a 48 V bank: its management unit cuts no more
  seriesLimit: Math.round(51.2 / nominalV),
  weightKg,
  heaterW: 0,
  selfDischargePctPerMonth: 2,
  minChargeC: 0,
  minDischargeC: -20,
  price,
  estimated: [],
})
const leadCycles = (factor: number) => [
  { depth: 0.2, cycles: 3200 * factor },
  { depth: 0.5, cycles: 1500 * factor },
  { depth: 0.8, cycles: 850 * factor },
]
/** Shares of the 20-hour capacity at faster rates, resistance of a 6 V 400 Ah unit, and what it bears. Source: typical sheets. */
const LEAD_KINDS = {
  flooded: { in5h: 0.765, in10h: 0.885, milliohm: 1.6, chargeShare: 0.2, lossPctPerMonth: 5 },
  agm: { in5h: 0.86, in10h: 0.94, milliohm: 1.1, chargeShare: 0.25, lossPctPerMonth: 3 },
  gel: { in5h: 0.86, in10h: 0.94, milliohm: 1.1, chargeShare: 0.25, lossPctPerMonth: 3 },
}
const lead = (
  id: string,
  name: string,
  chemistry: keyof typeof LEAD_KINDS,
  nominalV: number,
  ah20: number,
  weightKg: number,
  price: number,
  life: number,
  years: number,
): BatteryPart => ({
  id,
  name,
  chemistry,
  nominalV,
  capacities: [
    { hours: 5, ampHours: Math.round(ah20 * LEAD_KINDS[chemistry].in5h) },
    { hours: 10, ampHours: Math.round(ah20 * LEAD_KINDS[chemistry].in10h) },
    { hours: 20, ampHours: ah20 },
    { hours: 100, ampHours: Math.round(ah20 * 1.11) },
  ],
  resistanceMilliohm: (nominalV / 6) * (400 / ah20) * LEAD_KINDS[chemistry].milliohm,
  maxChargeA: ah20 * LEAD_KINDS[chemistry].chargeShare,
  maxDischargeA: ah20 * 0.5,
  surgeA: ah20 * 1.5,
  cycles: leadCycles(life),
  calendarYears: years,
  parallelLimit: 4,
  seriesLimit: null,
  weightKg,
  heaterW: 0,
  selfDischargePctPerMonth: LEAD_KINDS[chemistry].lossPctPerMonth,
  minChargeC: null,
  minDischargeC: null,
  price,
  estimated: [],
})

// oxfmt-ignore
export const batteryParts: BatteryPart[] = [
  lfp('lfp-51-100', 'LFP 51.2 V 100 Ah rack unit', 51.2, 100, 45, 1450),
  lfp('lfp-51-150', 'LFP 51.2 V 150 Ah rack unit', 51.2, 150, 66, 2050),
  lfp('lfp-51-200', 'LFP 51.2 V 200 Ah wall unit', 51.2, 200, 92, 2600),
  lfp('lfp-51-280', 'LFP 51.2 V 280 Ah floor unit', 51.2, 280, 118, 3300),
  lfp('lfp-51-300', 'LFP 51.2 V 300 Ah floor unit', 51.2, 300, 126, 3550),
  lfp('lfp-25-100', 'LFP 25.6 V 100 Ah case', 25.6, 100, 23, 800),
  lfp('lfp-25-200', 'LFP 25.6 V 200 Ah case', 25.6, 200, 46, 1500),
  lfp('lfp-12-100', 'LFP 12.8 V 100 Ah case', 12.8, 100, 11.5, 420),
  lead('flooded-6-225', 'Flooded 6 V 225 Ah cart size', 'flooded', 6, 225, 28, 190, 0.6, 7),
  lead('flooded-6-420', 'Flooded 6 V 420 Ah deep case', 'flooded', 6, 420, 54, 410, 0.9, 10),
  lead('flooded-2-1100', 'Flooded 2 V 1100 Ah industrial cell', 'flooded', 2, 1100, 82, 520, 1.4, 15),
  lead('flooded-12-105', 'Flooded 12 V 105 Ah block', 'flooded', 12, 105, 28, 160, 0.4, 5),
  lead('flooded-12-155', 'Flooded 12 V 155 Ah block', 'flooded', 12, 155, 39, 240, 0.55, 6),
  lead('flooded-12-230', 'Flooded 12 V 230 Ah block', 'flooded', 12, 230, 60, 390, 0.65, 7),
  lead('agm-12-100', 'AGM 12 V 100 Ah block', 'agm', 12, 100, 30, 230, 0.5, 7),
  lead('agm-12-150', 'AGM 12 V 150 Ah block', 'agm', 12, 150, 44, 330, 0.5, 7),
  lead('agm-12-200', 'AGM 12 V 200 Ah block', 'agm', 12, 200, 60, 430, 0.55, 8),
  lead('agm-12-250', 'AGM 12 V 250 Ah block', 'agm', 12, 250, 73, 560, 0.55, 8),
  lead('agm-6-400', 'AGM 6 V 400 Ah tall case', 'agm', 6, 400, 56, 480, 0.7, 9),
  lead('agm-2-1000', 'AGM 2 V 1000 Ah cell', 'agm', 2, 1000, 66, 590, 0.9, 12),
  lead('gel-2-1000', 'Gel 2 V 1000 Ah cell', 'gel', 2, 1000, 70, 640, 1.2, 14),
  lead('gel-12-180', 'Gel 12 V 180 Ah block', 'gel', 12, 180, 58, 470, 0.8, 10),
]

const controller = (
  id: string,
  name: string,
  maxInputV: number,
  minTrackV: number,
  maxTrackV: number,
  maxInputA: number,
  outputA: number,
  price: number,
  more: Partial<ControllerPart> = {},
): ControllerPart => ({
  id,
  name,
  kind: 'tracker',
  trackers: 1,
  startV: minTrackV,
  maxInputV,
  minTrackV,
  maxTrackV,
  aboveBankV: 2,
  startAboveBankV: 5,
  maxInputA,
  maxOperatingA: null,
  maxTrackerW: null,
  maxArrayW: null,
  outputA,
  leastBankV: 12,
  mostBankV: 48,
  outputAcW: null,
  disconnect: false,
  efficiency: 0.97,
  selfW: 2.5,
  price,
  estimated: [],
  ...more,
})

/** Which banks it charges. */
const SMALL_BANKS = { mostBankV: 24 } as const
const ONLY_24 = { leastBankV: 24, mostBankV: 24 } as const
const ONLY_48 = { leastBankV: 48, mostBankV: 48 } as const
/** It also raises the voltage, so how far a bank is charged does not matter to it. */
const RAISES = { aboveBankV: 0, startAboveBankV: 0 }

// oxfmt-ignore
export const controllerParts: ControllerPart[] = [
  controller('track-450-100', 'Tracking 450 V, 100 A out, two inputs', 450, 80, 400, 44, 100, 980, { trackers: 2, leastBankV: 24 }),
  controller('in-unit-500-120', 'Built into an all-in-one unit, 500 V, two trackers, 120 A out', 500, 120, 430, 52, 120, 0, { trackers: 2, disconnect: true, ...RAISES, ...ONLY_48, maxOperatingA: 44 }),
  controller('in-unit-450-100', 'Built into an all-in-one unit, 450 V, one tracker, 100 A out', 450, 90, 430, 30, 100, 0, { ...RAISES, ...ONLY_48, maxOperatingA: 22, maxArrayW: 5500 }),
  controller('in-unit-450-80', 'Built into an all-in-one unit, 450 V, one tracker, 80 A out', 450, 60, 420, 22, 80, 0, { ...RAISES, ...ONLY_24, maxOperatingA: 16, maxArrayW: 4000 }),
  controller('track-250-85', 'Tracking 250 V, 85 A out', 250, 0, 245, 70, 85, 720),
  controller('track-150-100', 'Tracking 150 V, 100 A out', 150, 0, 145, 70, 100, 640),
  controller('track-150-85', 'Tracking 150 V, 85 A out', 150, 0, 145, 70, 85, 560),
  controller('track-150-60', 'Tracking 150 V, 60 A out', 150, 0, 145, 50, 60, 430),
  controller('track-150-45', 'Tracking 150 V, 45 A out', 150, 0, 145, 50, 45, 330),
  controller('track-150-35', 'Tracking 150 V, 35 A out', 150, 0, 145, 40, 35, 270),
  controller('track-150-30', 'Tracking 150 V, 30 A out', 150, 0, 145, 35, 30, 235),
  controller('track-100-30', 'Tracking 100 V, 30 A out, 12/24 V', 100, 0, 95, 35, 30, 160, SMALL_BANKS),
  controller('pulse-55-45', 'Pulse-width 12/24 V, 45 A', 55, 12, 55, 45, 45, 85, { kind: 'pulse-width', efficiency: 0.98, selfW: 0.4, ...SMALL_BANKS }),
  controller('ac-5k', 'AC-coupled array inverter, 5 kW', 600, 100, 550, 30, 21, 780, { kind: 'ac-coupled', outputAcW: 5000, trackers: 2, selfW: 2 }),
  controller('pulse-55-20', 'Pulse-width 12/24 V, 20 A', 55, 12, 55, 20, 20, 40, { kind: 'pulse-width', efficiency: 0.98, selfW: 0.2, ...SMALL_BANKS }),
]

const inverter = (
  id: string,
  name: string,
  topology: InverterPart['topology'],
  bankV: InverterPart['bankV'],
  ratedW: number,
  surgeFactor: number,
  surgeS: number,
  idleW: number,
  chargerA: number,
  transferA: number,
  weightKg: number,
  price: number,
  more: Partial<InverterPart> = {},
): InverterPart => ({
  id,
  name,
  topology,
  frequencyHz: topology === 'single-230' ? 50 : 60,
  waveform: 'sine',
  bankV,
  ratedW,
  ratedVA: null,
  surgeW: ratedW * surgeFactor,
  surgeS,
  idleW,
  searchW: Math.round(idleW / 5),
  searchWakeW: 25,
  peakEfficiency: 0.945,
  peakAtFraction: 0.25,
  fullLoadEfficiency: 0.9,
  derateAboveC: 25,
  deratePctPerK: 0.8,
  derateAboveM: 2000,
  deratePctPer100M: 1,
  chargerA,
  chargerEfficiency: 0.9,
  transferA,
  bond: 'none',
  lowCutV: (bankV / 12) * 11,
  highCutV: (bankV / 12) * 16.5,
  controller: null,
  battery: null,
  weightKg,
  price,
  estimated: [],
  ...more,
})

/** An inverter alone: charging from a backup takes a charger of its own. */
const NO_CHARGER = { searchW: null }
const inUnit = (id: string): ControllerPart => controllerParts.find((part) => part.id === id)!
const builtIn = inUnit('in-unit-500-120')

/** What a power box has inside beside its inverter: a battery, and an input for a module or two. */
const inBox = (ampHours: number, nominalV: number, ratedW: number): BatteryPart => ({
  ...lfp(
    `in-box-${Math.floor(nominalV)}-${ampHours}`,
    `Inside a power box, LFP ${nominalV} V ${ampHours} Ah`,
    nominalV,
    ampHours,
    0,
    0,
  ),
  parallelLimit: 1,
  seriesLimit: 1,
  calendarYears: 10,
  // its maker sizes the cells for its own inverter, low and cold
  maxDischargeA: Math.ceil((ratedW / nominalV) * 1.4),
  surgeA: Math.ceil((ratedW / nominalV) * 3),
  resistanceMilliohm: Math.round((nominalV ** 2 / ratedW) * 25),
})
const boxInput = (maxArrayW: number, outputA: number, bankV: 24 | 48): ControllerPart =>
  controller(
    `in-box-60-${maxArrayW}`,
    `Inside a power box, 60 V, ${maxArrayW} W of modules`,
    60,
    12,
    58,
    16,
    outputA,
    0,
    {
      ...RAISES,
      startV: 12,
      maxOperatingA: 12,
      maxArrayW,
      selfW: 0,
      leastBankV: bankV,
      mostBankV: bankV,
    },
  )
const box = (
  id: string,
  name: string,
  topology: InverterPart['topology'],
  bankV: 24 | 48,
  ratedW: number,
  ampHours: number,
  arrayW: number,
  chargerA: number,
  price: number,
): InverterPart => {
  const nominalV = bankV === 24 ? 25.6 : 51.2
  const weightKg = Math.round((nominalV * ampHours) / 90)
  return inverter(
    id,
    name,
    topology,
    bankV,
    ratedW,
    2,
    1,
    Math.round(ratedW / 140),
    chargerA,
    topology === 'single-230' ? 10 : 15,
    weightKg,
    price,
    {
      searchW: null,
      controller: boxInput(arrayW, Math.ceil(arrayW / nominalV), bankV),
      battery: inBox(ampHours, nominalV, ratedW),
    },
  )
}
// oxfmt-ignore
export const inverterParts: InverterPart[] = [
  inverter('split-6k-48', 'Split-phase 6 kW, 48 V', 'split-phase', 48, 6000, 2.5, 5, 42, 90, 50, 42, 1900),
  inverter('split-8k-48', 'Split-phase 8 kW, 48 V', 'split-phase', 48, 8000, 2.2, 5, 60, 110, 60, 56, 2600),
  inverter('split-12k-48', 'Split-phase 12 kW, 48 V', 'split-phase', 48, 12000, 2, 5, 85, 160, 80, 74, 3600),
  inverter('split-4k-24', 'Split-phase 4 kW, 24 V', 'split-phase', 24, 4000, 2.5, 5, 30, 100, 50, 36, 1500),
  inverter('one20-3k-24', 'Single 120 V 3 kW, 24 V', 'single-120', 24, 3000, 2, 5, 22, 70, 30, 24, 950),
  inverter('one20-2k-12', 'Single 120 V 2 kW, 12 V', 'single-120', 12, 2000, 2, 5, 18, 80, 30, 18, 620),
  inverter('one30-3k-24', 'Single 230 V 3 kW, 24 V', 'single-230', 24, 3000, 2, 5, 18, 70, 32, 22, 980),
  inverter('one30-5k-48', 'Single 230 V 5 kW, 48 V', 'single-230', 48, 5000, 2, 5, 28, 70, 50, 30, 1450),
  inverter('one30-3k-48', 'Single 230 V 3 kW, 48 V', 'single-230', 48, 3000, 2, 5, 16, 35, 32, 21, 1050),
  inverter('one20-4k-48', 'Single 120 V 4 kW, 48 V, stacks in pairs', 'single-120', 48, 4000, 2, 5, 24, 60, 40, 26, 1250),
  inverter('one20-1k-12', 'Single 120 V 1 kW, 12 V, stepped wave', 'single-120', 12, 1000, 1.6, 1, 9, 0, 0, 4, 140, { waveform: 'stepped', searchW: null }),
  inverter('one20-600-12', 'Single 120 V 600 W, 12 V', 'single-120', 12, 600, 2, 2, 7, 0, 0, 3, 150, NO_CHARGER),
  inverter('one20-1k2-12', 'Single 120 V 1.2 kW, 12 V', 'single-120', 12, 1200, 2, 2, 10, 0, 0, 5, 290, NO_CHARGER),
  inverter('one20-1k2-24', 'Single 120 V 1.2 kW, 24 V', 'single-120', 24, 1200, 2, 2, 10, 0, 0, 5, 310, NO_CHARGER),
  inverter('one20-2k-24', 'Single 120 V 2 kW, 24 V', 'single-120', 24, 2000, 2, 5, 16, 50, 30, 17, 640),
  inverter('one30-600-12', 'Single 230 V 600 W, 12 V', 'single-230', 12, 600, 2, 2, 7, 0, 0, 3, 160, NO_CHARGER),
  inverter('one30-1k2-12', 'Single 230 V 1.2 kW, 12 V', 'single-230', 12, 1200, 2, 2, 10, 50, 16, 11, 480),
  inverter('one30-1k2-24', 'Single 230 V 1.2 kW, 24 V', 'single-230', 24, 1200, 2, 2, 10, 25, 16, 11, 480),
  inverter('one30-2k-24', 'Single 230 V 2 kW, 24 V', 'single-230', 24, 2000, 2, 5, 13, 50, 32, 17, 680),
  inverter('all-3k-24-120', 'All-in-one single 120 V 3 kW, 24 V', 'single-120', 24, 3000, 2, 5, 35, 80, 40, 12, 620, { controller: inUnit('in-unit-450-80'), searchW: null }),
  inverter('all-3k-24-230', 'All-in-one single 230 V 3 kW, 24 V', 'single-230', 24, 3000, 2, 5, 35, 80, 30, 10, 560, { controller: inUnit('in-unit-450-80'), searchW: null }),
  inverter('all-5k-48-230', 'All-in-one single 230 V 5 kW, 48 V', 'single-230', 48, 5000, 2, 5, 45, 80, 40, 13, 780, { controller: inUnit('in-unit-450-100'), searchW: null }),
  inverter('all-6k-48-120', 'All-in-one single 120 V 6 kW, 48 V, stacks in pairs', 'single-120', 48, 6000, 1.7, 3, 50, 100, 50, 17, 1050, { controller: inUnit('in-unit-450-100'), searchW: null }),
  inverter('all-8k-48', 'All-in-one split-phase 8 kW, 48 V', 'split-phase', 48, 8000, 1.6, 3, 70, 120, 60, 42, 2400, { controller: builtIn, searchW: null, bond: 'relay' }),
  inverter('all-10k-48', 'All-in-one split-phase 10 kW, 48 V', 'split-phase', 48, 10000, 1.6, 3, 80, 160, 70, 48, 2800, { controller: builtIn, searchW: null, bond: 'relay' }),
  inverter('all-12k-48', 'All-in-one split-phase 12 kW, 48 V', 'split-phase', 48, 12000, 1.6, 3, 95, 180, 80, 60, 3300, { controller: builtIn, searchW: null, bond: 'relay' }),
  inverter('all-6k-48', 'All-in-one single 230 V 6 kW, 48 V', 'single-230', 48, 6000, 1.7, 3, 55, 100, 50, 38, 1500, { controller: builtIn, searchW: null, bond: 'relay' }),
  box('box-1k-24-120', 'Portable power box 120 V, 1 kW, 1 kWh', 'single-120', 24, 1000, 40, 300, 20, 700),
  box('box-1k-24-230', 'Portable power box 230 V, 1 kW, 1 kWh', 'single-230', 24, 1000, 40, 300, 20, 700),
  box('box-2k-48-120', 'Portable power box 120 V, 2 kW, 2 kWh', 'single-120', 48, 2000, 40, 500, 20, 1400),
  box('box-2k-48-230', 'Portable power box 230 V, 2 kW, 2 kWh', 'single-230', 48, 2000, 40, 500, 20, 1400),
  box('box-4k-48-120', 'Portable power box 120 V, 3.6 kW, 3.6 kWh', 'single-120', 48, 3600, 70, 1000, 30, 2400),
  box('box-4k-48-230', 'Portable power box 230 V, 3.6 kW, 3.6 kWh', 'single-230', 48, 3600, 70, 1000, 30, 2400),
]

// oxfmt-ignore
export const generatorParts: GeneratorPart[] = [
  { id: 'petrol-2k', name: 'Petrol inverter set 2.2 kW', fuel: 'petrol', ratedW: 2200, ratedOn: 'petrol', output: 'single', frequencyHz: 'unknown', price: 950, estimated: [] },
  { id: 'petrol-3k5', name: 'Petrol inverter set 3.5 kW', fuel: 'petrol', ratedW: 3500, ratedOn: 'petrol', output: 'single', frequencyHz: 'unknown', price: 1250, estimated: [] },
  { id: 'petrol-5k', name: 'Petrol inverter set 5 kW', fuel: 'petrol', ratedW: 5000, ratedOn: 'petrol', output: 'split', frequencyHz: 'unknown', price: 1900, estimated: [] },
  { id: 'propane-5k', name: 'Propane open-frame set 5 kW', fuel: 'propane', ratedW: 5000, ratedOn: 'petrol', output: 'split', frequencyHz: 'unknown', price: 1000, estimated: [] },
  { id: 'propane-7k', name: 'Propane open-frame set 7 kW', fuel: 'propane', ratedW: 7000, ratedOn: 'petrol', output: 'split', frequencyHz: 'unknown', price: 1400, estimated: [] },
  { id: 'propane-11k', name: 'Propane standby set 11 kW', fuel: 'propane', ratedW: 11000, ratedOn: 'petrol', output: 'split', frequencyHz: 'unknown', price: 3900, estimated: [] },
  { id: 'diesel-12k', name: 'Slow diesel set 12 kW', fuel: 'diesel', ratedW: 12000, ratedOn: 'petrol', output: 'split', frequencyHz: 'unknown', price: 8200, estimated: [] },
  { id: 'diesel-9k-3', name: 'Slow diesel set 9 kW, three phases', fuel: 'diesel', ratedW: 9000, ratedOn: 'petrol', output: 'three-phase', frequencyHz: 'unknown', price: 6900, estimated: [] },
  { id: 'diesel-8k', name: 'Slow diesel set 8 kW', fuel: 'diesel', ratedW: 8000, ratedOn: 'petrol', output: 'split', frequencyHz: 'unknown', price: 6200, estimated: [] },
]

/** Tracking controllers that can be bought by themselves; those built into a unit come with it. */
export const separateTrackers = (): ControllerPart[] =>
  controllerParts.filter(({ kind, price }) => kind === 'tracker' && price > 0)

/** A part of the shelf by its id. @throws RangeError for an unknown one */
export function partById<T extends { id: string }>(shelf: readonly T[], id: string): T {
  const part = shelf.find((candidate) => candidate.id === id)
  if (!part) throw new RangeError(`part ${JSON.stringify(id)} is not on the shelf`)
  return structuredCloneOf(part)
}

/** A deep copy of a plain JSON value. */
export function structuredCloneOf<T>(value: T): T {
  return JSON.parse(JSON.stringify(value)) as T
}
