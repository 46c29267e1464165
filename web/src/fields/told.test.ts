import { describe, expect, it } from 'vitest'
import { gannetSkerry, larkspurBench } from '@ambrel/core'
import { editOf } from './told.ts'

describe('what an edit is called', () => {
  it.each([
    ['loads.1.runningW', 'Running watts of Chest freezer'],
    ['arrays.0.module.vocV', 'Voc of Ground array'],
    ['controllers.0.part.outputA', 'Output of Controller 1'],
    ['bank.part.surgeA', 'Surge of the bank'],
    ['place.elevationM', 'Elevation of the place'],
    ['budget.taxPct', 'Tax of the budget'],
    ['loads.1.name', 'Name'],
  ])('at %s is %s', (path, told) => {
    expect(editOf(larkspurBench(), path)).toBe(told)
  })
  it('of a list without names is told by its section', () => {
    expect(editOf(gannetSkerry(), 'household.away.0.fromDay')).toMatch(/ of the household$/)
  })
})
