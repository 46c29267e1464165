import type { Design } from '@ambrel/core'

type Box = Record<string, unknown>

const parts = (path: string) => path.split('.')

/** The value at a dotted place in a document, list items by index. */
export function valueAt(design: Design, path: string): unknown {
  return parts(path).reduce<unknown>((box, key) => (box as Box | undefined)?.[key], design)
}

/** Puts a value at a dotted place of a draft; everything above it must be there. */
export function putAt(draft: Design, path: string, value: unknown): void {
  const keys = parts(path)
  const last = keys.pop()!
  const box = keys.reduce<unknown>((each, key) => (each as Box)[key], draft)
  ;(box as Box)[last] = value
}
