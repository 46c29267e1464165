import { describe, expect, it } from 'vitest'
import type { LabelKind } from './fromLabel.ts'
import { fromSheet } from './fromSheet.ts'

const read = (kind: LabelKind, text: string) =>
  Object.fromEntries(fromSheet(kind, text).map(({ key, value }) => [key, value]))

const MODULE = `Electrical data (STC)                       410      415
Maximum power (Pmax) [W]                      410      415
Open circuit voltage (Voc) [V]                37.2     37.4
Short circuit current (Isc) [A]               13.89    13.98
Voltage at maximum power (Vmp) [V]            31.1     31.3
Current at maximum power (Imp) [A]            13.19    13.26
Maximum system voltage                        1500 V DC
Maximum series fuse rating                    25 A
Temperature coefficient of Pmax               -0.34 %/°C
Temperature coefficient of Voc                −0.26 %/°C
Temperature coefficient of Isc                +0.046 %/°C
NOCT                                          45 ± 2 °C
Number of cells                               108 (6×18)
Dimensions                                    1722 × 1134 × 30 mm
Weight                                        21.5 kg`

describe('a module’s sheet as text', () => {
  it('gives its figures, the first column of several', () => {
    expect(read('module', MODULE)).toEqual({
      ratedW: 410,
      vocV: 37.2,
      iscA: 13.89,
      vmpV: 31.1,
      impA: 13.19,
      maxSystemV: 1500,
      seriesFuseA: 25,
      gammaPctPerK: -0.34,
      betaVocPctPerK: -0.26,
      alphaIscPctPerK: 0.046,
      noctC: 45,
      cells: 108,
      lengthM: 1.722,
      widthM: 1.134,
      weightKg: 21.5,
    })
  })
  it('reads cells of a table that stand below each other, decimal commas and pounds', () => {
    const text = 'Pmax\n250 W\nVoc\n37,8 V\nIsc\n8,83 A\nVmp\n30,6 V\nImp\n8,17 A\nWeight\n40.8 lbs\n60 cells'
    const found = read('module', text)
    expect(found).toMatchObject({ ratedW: 250, vocV: 37.8, iscA: 8.83, vmpV: 30.6, impA: 8.17, cells: 60 })
    expect(found.weightKg).toBeCloseTo(18.51, 2)
  })
  it('makes of millivolts per kelvin per cent of Voc', () => {
    const found = read('module', 'Voc 40 V\nTemperature coefficient of Voc: -120 mV/°C')
    expect(found).toEqual({ vocV: 40, betaVocPctPerK: -0.3 })
  })
  it('shows of each the words it was taken from', () => {
    const voc = fromSheet('module', MODULE).find(({ key }) => key === 'vocV')!
    expect(voc.from).toContain('Open circuit voltage')
  })
})

describe('other sheets as text', () => {
  it.each<[LabelKind, string, Record<string, unknown>]>([
    [
      'battery',
      'LiFePO4 battery\nNominal voltage: 51.2 V\nRated capacity: 100 Ah\nMax. continuous charge current 50 A\nMax. continuous discharge current 100 A\nPeak discharge current 150 A (10 s)\nCharging temperature 0 to 45 °C\nDischarging temperature -20 to 60 °C\nInternal resistance ≤ 20 mΩ\n6000 cycles @ 80% DOD\nWeight 45 kg\nUp to 16 in parallel\nUp to 4 in series\nSelf-discharge < 3 % / month',
      {
        chemistry: 'lfp',
        nominalV: 51.2,
        ampHours: 100,
        maxChargeA: 50,
        maxDischargeA: 100,
        surgeA: 150,
        minChargeC: 0,
        minDischargeC: -20,
        seriesLimit: 4,
        resistanceMilliohm: 20,
        cycles: [{ depth: 0.8, cycles: 6000 }],
        weightKg: 45,
        parallelLimit: 16,
        selfDischargePctPerMonth: 3,
      },
    ],
    [
      'battery',
      'Flooded deep cycle\nNominal voltage 6 V\nCapacity 20 h rate 225 Ah\nCapacity C5 185 Ah\nCapacity 100 hr 250 Ah',
      {
        chemistry: 'flooded',
        nominalV: 6,
        capacities: [
          { hours: 5, ampHours: 185 },
          { hours: 20, ampHours: 225 },
          { hours: 100, ampHours: 250 },
        ],
      },
    ],
    ['battery', 'Voltage 25.6 V\n200 Ah', { nominalV: 25.6, ampHours: 200, chemistry: 'lfp' }],
    [
      'inverter',
      'Continuous output power 6000 W\nSurge power 12 000 W for 5 s\nBattery voltage 48 VDC\nOutput 120/240 V split phase, pure sine wave\nMax. efficiency 93 %\nNo-load power < 60 W\nMax. charging current 80 A\nLow battery shut down 42 V\nHigh battery shut down 64 V\nWeight 35 kg',
      {
        ratedW: 6000,
        surgeW: 12000,
        bankV: 48,
        topology: 'split-phase',
        waveform: 'sine',
        peakEfficiency: 0.93,
        idleW: 60,
        chargerA: 80,
        lowCutV: 42,
        highCutV: 64,
        weightKg: 35,
      },
    ],
    [
      'controller',
      'MPPT solar charge controller\nMaximum PV open circuit voltage 150 V\nRated charge current 60 A\nBattery voltage 12/24 V auto\nPV short circuit current max 50 A\nMPPT voltage range 20-140 V\nPeak efficiency 98 %\nSelf-consumption 1.2 W',
      {
        kind: 'tracker',
        maxInputV: 150,
        outputA: 60,
        leastBankV: 12,
        mostBankV: 24,
        maxInputA: 50,
        minTrackV: 20,
        maxTrackV: 140,
        efficiency: 0.98,
        selfW: 1.2,
      },
    ],
    [
      'generator',
      'Starting watts 8000\nRunning watts (propane) 6400 W',
      { ratedW: 6400, fuel: 'propane', ratedOn: 'own' },
    ],
    ['generator', 'Rated power 2.2 kW\nUnleaded petrol', { ratedW: 2200, fuel: 'petrol' }],
    ['generator', 'Rated power 2.2 kW\nVoltage 120 V, 12 V DC outlet', { ratedW: 2200, output: 'single' }],
    ['generator', 'Running watts 6500\nAC voltage 120/240 V', { ratedW: 6500, output: 'split' }],
    ['generator', 'Rated power 8 kW\nThree-phase 230/400 V', { ratedW: 8000, output: 'three-phase' }],
    ['generator', 'Rated power 8 kW\nFrequency 50 Hz', { ratedW: 8000, frequencyHz: 50 }],
    ['generator', 'Rated power 8 kW\n60Hz, 3600 rpm', { ratedW: 8000, frequencyHz: 60 }],
    ['generator', 'Rated power 8 kW\nFrequency 50/60 Hz', { ratedW: 8000 }],
    ['generator', 'Rated power 8 kW\nFrequency 60 Hz or 50 Hz', { ratedW: 8000 }],
    ['inverter', 'Output frequency 50 Hz', { frequencyHz: 50 }],
    ['module', 'nothing of use', {}],
    ['controller', '', {}],
  ])('%s: %s', (kind, text, expected) => {
    expect(read(kind, text)).toEqual(expected)
  })
})
