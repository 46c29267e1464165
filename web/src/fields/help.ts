import { shallowRef } from 'vue'
import { fieldAt, type Words } from '@ambrel/core'

/** The help that is open: of one field at a time, beside the field. */
export const openHelp = shallowRef<{
  path: string
  label: string
  words: Words
  beside: HTMLElement
  /** the design as it stands does not ask for it */
  absent?: boolean
} | null>(null)

/** What the table of fields says of a place, for whoever stands before it. */
export const helpOf = (path: string | undefined): Words | null => (path ? (fieldAt(path)?.help ?? null) : null)

/** Says what a field is that the design does not ask for as it stands. */
export function tellAbsent(path: string, beside: HTMLElement): void {
  const field = fieldAt(path)
  if (field) openHelp.value = { path, label: field.label, words: field.help, beside, absent: true }
}

/** Opens the help of a place beside its field, or closes it where it is open. */
export function toggleHelp(path: string, beside: HTMLElement): void {
  const field = fieldAt(path)
  openHelp.value =
    !field || openHelp.value?.path === path ? null : { path, label: field.label, words: field.help, beside }
}
