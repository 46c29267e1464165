import { DESIGN, DESIGN_FORMAT, DESIGN_VERSION, eachField, type Field } from '@ambrel/core'
import { said } from '@ambrel/core/units'

/** The page that publishes the file format, made from the table the schema is made from, so that the two cannot differ. */
export function formatPage(): string {
  return [
    '# The design file',
    '',
    `A design is one JSON object with \`format\` “${DESIGN_FORMAT}” and \`version\` ${DESIGN_VERSION}. Every field below must be there, no other may.`,
    'Names carry their units: `W`, `Wh`, `V`, `A`, `Ah`, `M` (metres), `C` (°C), `Deg`, `H` (hours); shares run from 0 to 1.',
    'Months and hours are lists in order from January and from midnight. Values that contradict each other are refused as well:',
    'an empty load list, units that do not divide the bank voltage, a start level above the stop level, an array on a controller that is not there.',
    'A field that came with a later version has in older files the value it then had in effect; such files are read as they are.',
    '',
    'This page is printed by `npx ambrel format`; a file to start from by `npx ambrel sample`.',
    '',
    '| field | what it may be | what it is |',
    '| --- | --- | --- |',
    ...eachField(DESIGN)
      .filter(({ field }) => field.kind !== 'part' || field.empty !== undefined)
      .map(
        ({ path, field }) => `| \`${path}\` | ${range(field)}${since(field)} | ${field.label}. ${said(field.help)} |`,
      ),
    '',
  ].join('\n')
}

const since = ({ since: brought }: Field) => (brought ? `; since version ${brought.version}` : '')
const orNull = (empty: string | undefined) => (empty === undefined ? '' : `, or null: ${empty}`)
const inUnit = (unit: string) => (unit === '' || unit === 'share' ? '' : `, ${unit}`)

/** What a field may hold, in a few words. */
function range(field: Field): string {
  switch (field.kind) {
    case 'number':
      return `${field.whole ? 'whole number' : 'number'}, ${field.min} to ${field.max}${inUnit(field.unit)}${orNull(field.empty)}`
    case 'choice':
      return `one of ${field.options.map(({ value }) => `\`${value}\``).join(', ')}`
    case 'flag':
      return 'true or false'
    case 'text':
      return `text, at most ${field.most} characters${orNull(field.empty)}`
    case 'texts':
      return `a list of at most ${field.most} texts of at most ${field.letters} characters`
    case 'numbers': {
      const count = field.count === undefined ? `at most ${field.most}` : String(field.count)
      const list = `a list of ${count} numbers, ${field.min} to ${field.max}${inUnit(field.unit)}`
      return `${field.rows === undefined ? '' : `${field.rows} times `}${list}${orNull(field.empty)}`
    }
    case 'rows':
      return field.least === field.most ? `a list of ${field.most}` : `a list of ${field.least} to ${field.most}`
    case 'part':
      return `all of these${orNull(field.empty)}`
  }
}
