/**
 * Notes are one Markdown text of the design. What is written of a step stands under a heading of its name, so that the
 * file reads by itself and no step's note can be lost by another's.
 */
const headingOf = (step: string) => `## ${step}`
const isHeading = (line: string) => /^## /.test(line)

/** What is written of a step. */
export function noteOf(notes: string, step: string): string {
  const lines = notes.split('\n')
  const from = lines.findIndex((line) => line.trim() === headingOf(step))
  if (from < 0) return ''
  const to = lines.findIndex((line, i) => i > from && isHeading(line))
  return lines
    .slice(from + 1, to < 0 ? undefined : to)
    .join('\n')
    .trim()
}

/** The notes with another text of a step; an empty one takes its heading away. Headings within it go a level down. */
export function withNote(notes: string, step: string, text: string): string {
  const lines = notes.split('\n')
  const from = lines.findIndex((line) => line.trim() === headingOf(step))
  const next = from < 0 ? -1 : lines.findIndex((line, i) => i > from && isHeading(line))
  const before = (from < 0 ? notes : lines.slice(0, from).join('\n')).trim()
  const after = next < 0 ? '' : lines.slice(next).join('\n').trim()
  const body = text.trim().replace(/^(#{1,2}) /gm, '### ')
  const own = body === '' ? '' : `${headingOf(step)}\n\n${body}`
  return [before, own, after].filter((part) => part !== '').join('\n\n')
}
