import type Joi from 'joi'
import { DESIGN_FORMAT, DESIGN_VERSION } from '@ambrel/core'
import { designSchema } from './design.ts'

/** The page that publishes the file format, made from the schema itself so that the two cannot differ. */
export function formatPage(): string {
  const rows = fieldsOf(designSchema.describe(), '')
  return [
    '# The design file',
    '',
    `A design is one JSON object with \`format\` “${DESIGN_FORMAT}” and \`version\` ${DESIGN_VERSION}. Every field below must be there, no other may.`,
    'Names carry their units: `W`, `Wh`, `V`, `A`, `Ah`, `M` (metres), `C` (°C), `Deg`, `H` (hours); shares run from 0 to 1.',
    'Months and hours are lists in order from January and from midnight. Values that contradict each other are refused as well:',
    'an empty load list, units that do not divide the bank voltage, a start level above the stop level, an array on a controller that is not there.',
    '',
    'This page is printed by `npx ambrel format`; a file to start from by `npx ambrel sample`.',
    '',
    '| field | what it may be |',
    '| --- | --- |',
    ...rows.map(([path, says]) => `| \`${path}\` | ${says} |`),
    '',
  ].join('\n')
}

function fieldsOf(schema: Joi.Description, path: string): [string, string][] {
  if (schema.type === 'object' && schema.keys) {
    const fields = Object.entries(schema.keys as Record<string, Joi.Description>).flatMap(([key, field]) =>
      fieldsOf(field, path ? `${path}.${key}` : key),
    )
    return (schema.allow as unknown[] | undefined)?.includes(null)
      ? [[path, 'null, or all of these'], ...fields]
      : fields
  }
  if (schema.type === 'array') {
    const [items] = (schema.items as Joi.Description[] | undefined) ?? []
    if (!items) return [[path, `a list${countOf(schema)} of numbers${orNull(schema)}`]]
    const inner = fieldsOf(items, `${path}[]`)
    return inner.length > 1
      ? [[`${path}[]`, `a list${countOf(schema)}`], ...inner]
      : [[path, `a list${countOf(schema)} of ${inner[0][1]}`]]
  }
  return [[path, describe(schema)]]
}

const rule = (schema: Joi.Description, name: string): number | undefined =>
  (schema.rules as { name: string; args?: { limit?: number } }[] | undefined)?.find((each) => each.name === name)?.args
    ?.limit

function countOf(schema: Joi.Description): string {
  const length = rule(schema, 'length')
  if (length !== undefined) return ` of ${length}`
  const most = rule(schema, 'max')
  return most === undefined ? '' : ` of at most ${most}`
}

const orNull = (schema: Joi.Description) => ((schema.allow as unknown[] | undefined)?.includes(null) ? ', or null' : '')

function describe(schema: Joi.Description): string {
  const allowed = (schema.allow as unknown[] | undefined) ?? []
  if ((schema.flags as { only?: boolean } | undefined)?.only)
    return `one of ${allowed.map((value) => `\`${String(value)}\``).join(', ')}`
  if (schema.type === 'number') {
    const whole = (schema.rules as { name: string }[]).some(({ name }) => name === 'integer')
    return `${whole ? 'whole number' : 'number'}, ${rule(schema, 'min')} to ${rule(schema, 'max')}${orNull(schema)}`
  }
  if (schema.type === 'boolean') return 'true or false'
  const most = rule(schema, 'max')
  return `text${most === undefined ? '' : `, at most ${most} characters`}${orNull(schema)}`
}
