import { DESIGN, eachField, valueAt, type Design, type Field, type Step } from '@ambrel/core'
import { stepOfPath } from '../frame/steps.ts'

/** Something that is chosen in a design, in the words of its field. */
export interface Choice {
  step: Step
  label: string
  value: string
}

/** What stands elsewhere in a report, or is no choice of anybody's. */
const NOT_TOLD =
  /^(format|version|name|variant|notes|touched|build|loads|runs|budget\.(owned|extras|priced|kits|phases)|place\.(monthly|hours|horizon))|\.(id|estimated|capacities|cycles|battery|tiltSeasons)\b/
const LISTS: readonly Field['kind'][] = ['rows', 'part', 'numbers', 'texts']

/** The places that a path through lists stands for: `arrays[].tiltDeg` is one for each array. */
function placesOf(design: Design, path: string): string[] {
  const at = path.indexOf('[]')
  if (at < 0) return [path]
  const list = valueAt(design, path.slice(0, at))
  return Array.isArray(list)
    ? list.flatMap((_, i) => placesOf(design, `${path.slice(0, at)}.${i}${path.slice(at + 2)}`))
    : []
}
/** The thing of a list that a place belongs to, by its name. */
function ownerOf(design: Design, place: string): string {
  const thing = /^\w+\.\d+(?=\.)/.exec(place)?.[0]
  const name = thing === undefined ? undefined : valueAt(design, `${thing}.name`)
  return typeof name === 'string' ? `${name}: ` : ''
}

/**
 * A value of a field in words.
 *
 * @param show a figure in the reader's units
 */
export function valueInWords(field: Field, value: unknown, show: (value: number, unit: string) => string): string {
  if (value === null || value === '') return ('empty' in field && field.empty) || '—'
  if (field.kind === 'number') return show(value as number, field.unit.startsWith('money') ? '' : field.unit)
  if (field.kind === 'choice') return field.options.find((option) => option.value === value)?.label ?? String(value)
  if (field.kind === 'flag') return value === true ? 'yes' : 'no'
  return String(value)
}

/** All that is chosen in a design, step by step in the order of its fields. */
export function choicesOf(design: Design, show: (value: number, unit: string) => string): Choice[] {
  return eachField(DESIGN)
    .filter(({ path, field }) => !LISTS.includes(field.kind) && !NOT_TOLD.test(path))
    .flatMap(({ path, field }) =>
      placesOf(design, path).flatMap((place) => {
        const value = valueAt(design, place)
        if (value === undefined) return []
        return [
          {
            step: stepOfPath(place),
            label: `${ownerOf(design, place)}${field.label}`,
            value: valueInWords(field, value, show),
          },
        ]
      }),
    )
}
