import { describe, expect, it } from 'vitest'
import { noteOf, withNote } from './notes.ts'

const NOTES = 'Made up.\n\n## Bank\n\nNorth wall.\n\n## Array\n\n- snow\n- trees'

describe('notes of a design and its steps', () => {
  it('are read and written by their headings, the others left as they are', () => {
    expect(noteOf(NOTES, 'Bank')).toBe('North wall.')
    expect(noteOf(NOTES, 'Array')).toBe('- snow\n- trees')
    expect(noteOf(NOTES, 'Loads')).toBe('')
    const next = withNote(NOTES, 'Bank', 'South wall.\n')
    expect(noteOf(next, 'Bank')).toBe('South wall.')
    expect(noteOf(next, 'Array')).toBe('- snow\n- trees')
    expect(next.startsWith('Made up.')).toBe(true)
  })

  it('lose a heading with its text, and gain one at the end', () => {
    expect(withNote(NOTES, 'Bank', ' ')).toBe('Made up.\n\n## Array\n\n- snow\n- trees')
    expect(withNote('', 'Cost', 'Ask twice.')).toBe('## Cost\n\nAsk twice.')
    expect(withNote('', 'Cost', '')).toBe('')
  })

  it('keep whatever is written of a step, headings a level down', () => {
    expect(noteOf(withNote(NOTES, 'Bank', '## Array\nmine'), 'Bank')).toBe('### Array\nmine')
    expect(noteOf(withNote(NOTES, 'Bank', '## Array\nmine'), 'Array')).toBe('- snow\n- trees')
  })
})
