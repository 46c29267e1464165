import { describe, expect, it } from 'vitest'
import { emptyHistory, record, stepBack, stepForward } from './history.ts'

describe('undo and redo', () => {
  it('goes back and forth through every state', () => {
    const history = emptyHistory<number>()
    record(history, 1, 'to two', '', 0)
    record(history, 2, 'to three', '', 0)
    expect(stepBack(history, 3)).toEqual({ document: 2, label: 'to three' })
    expect(stepBack(history, 2)).toEqual({ document: 1, label: 'to two' })
    expect(stepBack(history, 1)).toBeNull()
    expect(stepForward(history, 1)!.document).toBe(2)
    expect(stepForward(history, 2)!.document).toBe(3)
    expect(stepForward(history, 3)).toBeNull()
  })

  it('merges edits of one field within a moment, not across fields or pauses', () => {
    const history = emptyHistory<number>()
    record(history, 1, 'a', 'field', 0)
    record(history, 2, 'a', 'field', 500)
    record(history, 3, 'a', 'other', 600)
    record(history, 4, 'a', 'other', 9000)
    expect(history.past.map((step) => step.document)).toEqual([1, 3, 4])
  })

  it('a new edit forgets what was undone', () => {
    const history = emptyHistory<number>()
    record(history, 1, 'a', '', 0)
    stepBack(history, 2)
    record(history, 1, 'b', '', 0)
    expect(history.future).toEqual([])
  })
})
