import { softStarter } from './softStarter.ts'
import type { Rule } from '../rule.ts'

export const starts: Rule = {
  id: 'inverter.starts',
  step: 'inverter',
  check: ({ design, derived: { start } }) => {
    const { level, says, because } = start
    if (!start.start) return []
    const remedy = level === 'sound' ? {} : softStarter(design, start.start.load.name)
    return [{ level, subject: 'inverter', says, because, working: 'inverter.surge-share', ...remedy }]
  },
}
