import type { Component } from 'vue'
import type { Step } from '@ambrel/core'
import { loadCheck } from '../stores/check.ts'
import { fetched } from './fetching.ts'

/** This file brings nothing of the core with it: the address alone is enough to begin fetching what it shows. */
const LOADERS: Record<Step, () => Promise<Component>> = {
  place: () => import('../steps/place/PlaceStep.vue'),
  loads: () => import('../steps/loads/LoadsStep.vue'),
  bank: () => import('../steps/bank/BankStep.vue'),
  array: () => import('../steps/array/ArrayStep.vue'),
  inverter: () => import('../steps/inverter/InverterStep.vue'),
  generator: () => import('../steps/generator/GeneratorStep.vue'),
  winter: () => import('../steps/winter/WinterStep.vue'),
  wiring: () => import('../steps/wiring/WiringStep.vue'),
  cost: () => import('../steps/cost/CostStep.vue'),
  build: () => import('../steps/build/BuildStep.vue'),
  log: () => import('../steps/log/LogStep.vue'),
}

/** What can open over the bench, one at a time. */
export type Overlay = 'palette' | 'keys' | 'variant' | 'history' | 'winterTable' | 'about' | 'around'

const loadDialogs = () => import('./FrameDialogs.vue')
export const FrameDialogs = fetched(loadDialogs)

const loadCautions = () => import('./StepCautions.vue')
export const StepCautions = fetched(loadCautions)

export const STEP_VIEWS = Object.fromEntries(
  Object.entries(LOADERS).map(([step, loader]) => [step, fetched(loader)]),
) as Record<Step, Component>

/** Brings in every step, the dialogs and the charts once the first is shown, so that steps change at once and work offline. */
export async function loadAhead(): Promise<void> {
  const all = [
    loadCheck,
    loadDialogs,
    loadCautions,
    ...Object.values(LOADERS),
    () => import('../steps/loads/LoadAdder.vue'),
    () => import('../steps/place/ImportDialog.vue'),
    () => import('@tanstack/vue-virtual'),
    () => import('sortablejs'),
    () => import('@ambrel/contract/weather'),
    () => import('@ambrel/contract/time-zone'),
    () => import('vue3-apexcharts'),
    async () => (await import('../workers/sheets.ts')).keepSheets(),
  ]
  for (const loader of all as (() => Promise<unknown>)[]) await loader().catch(() => undefined)
}

/** Begins to fetch the view of a step, together with the frame around it and not after it. */
export function fetchStep(step: string): void {
  const loader = (LOADERS as Record<string, (() => Promise<Component>) | undefined>)[step]
  void loader?.().catch(() => undefined)
}
