import { DESIGN_FORMAT, DESIGN_VERSION, type Problem } from './types.ts'

/**
 * Brings a document of an earlier version to the present one. There is one version so far; each later one adds a step.
 *
 * @param value anything read from a file or a request
 * @returns the document, still to be validated, or the problem that keeps it from being read at all
 */
export function migrate(value: unknown): { document: unknown } | { problem: Problem } {
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    return { problem: { path: '', value, message: 'a design is a JSON object' } }
  const { format, version } = value as { format?: unknown; version?: unknown }
  if (format !== DESIGN_FORMAT)
    return { problem: { path: 'format', value: format, message: `format must be “${DESIGN_FORMAT}”` } }
  if (typeof version !== 'number' || !Number.isInteger(version) || version < 1)
    return { problem: { path: 'version', value: version, message: 'version must be a whole number of at least 1' } }
  if (version > DESIGN_VERSION)
    return {
      problem: {
        path: 'version',
        value: version,
        message: `version ${version} was written by a newer Ambrel; this one reads up to version ${DESIGN_VERSION}`,
      },
    }
  return { document: value }
}
