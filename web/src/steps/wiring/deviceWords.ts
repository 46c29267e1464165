import type { WorkedDevice } from '@ambrel/core'

/** What a fuse or breaker is called in a table. */
export const DEVICE_WORDS: Record<WorkedDevice['kind'], string> = {
  'class-t': 'class T fuse',
  'pv-fuse': 'PV fuse',
  'dc-fuse': 'DC fuse',
  'dc-breaker': 'DC breaker',
  'ac-breaker': 'AC breaker',
}
