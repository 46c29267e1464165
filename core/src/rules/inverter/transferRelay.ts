import { stop, type Rule } from '../rule.ts'
import { percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

export const transferRelay: Rule = {
  id: 'inverter.transfer',
  step: 'inverter',
  check: ({ design: { generator, grid }, derived: { worked } }) => {
    const pushes = grid.present ? (generator.present ? 'Grid or backup' : 'The grid') : 'The backup'
    const share = worked['inverter.transfer-share']?.value ?? 0
    return share > 1
      ? [
          stop(
            'inverter',
            say`${pushes} can push ${percent(share)} of what the transfer relay carries.`,
            'The relay welds or burns. A breaker of the relay’s rating before it, or a larger relay.',
            { working: 'inverter.transfer-share' },
          ),
        ]
      : []
  },
}
