import { fieldAt, valueAt, type Design } from '@ambrel/core'

/** Parts of the document that are told by their own names. */
const SECTIONS: Record<string, string> = {
  place: 'the place',
  bank: 'the bank',
  inverter: 'the inverter',
  generator: 'the backup',
  grid: 'the grid',
  household: 'the household',
  budget: 'the budget',
  winter: 'the winter run',
  wall: 'the wall',
}

/** What an edit of a place in the document is called, as undo tells it: “Running watts of Chest freezer”. */
export function editOf(design: Design, path: string, label = fieldAt(path)?.label ?? path): string {
  const keys = path.split('.')
  // the nearest thing around it that has a name of its own, a list's item or the section
  for (let depth = keys.length - 1; depth > 0; depth--) {
    if (!/^\d+$/.test(keys[depth - 1]) && depth > 1) continue
    const name = valueAt(design, [...keys.slice(0, depth), 'name'].join('.'))
    if (typeof name === 'string' && name !== '' && keys[depth] !== 'name') return `${label} of ${name}`
  }
  const section = SECTIONS[keys[0]]
  return section ? `${label} of ${section}` : label
}
