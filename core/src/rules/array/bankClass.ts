import { chargesBank, isBuiltIn, trackerInputs } from '../../array/controllers.ts'
import { stringFits } from '../../array/layouts.ts'
import { takeController } from '../../change/array.ts'
import type { Controller, Design } from '../../document/types.ts'
import { separateTrackers } from '../../parts/shelf.ts'
import { layoutQuestion } from '../../sizing/layoutQuestion.ts'
import { stop, type Remedy, type Rule } from '../rule.ts'
import { amount } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** The cheapest of the shelf that charges this bank from the strings that are there. */
function another(design: Design, controller: Controller): Remedy | null {
  if (isBuiltIn(design, controller)) return null
  const { id } = controller
  const on = design.arrays.filter(({ controllerId }) => controllerId === id)
  const [best] = separateTrackers()
    .filter((each) => chargesBank(each, design.bank.systemV))
    .filter((each) => trackerInputs({ id, part: each }, on).every(({ shortA }) => shortA <= each.maxInputA))
    .filter((each) =>
      on.every(({ module, inSeries }) => stringFits(layoutQuestion(design, module, each, inSeries), inSeries)),
    )
    .sort((a, b) => a.price - b.price)
  return best
    ? {
        label: say`“${best.name}”`,
        apply: (d) =>
          takeController(
            d.controllers.findIndex((c) => c.id === id),
            best,
          )(d),
      }
    : null
}

/** A controller that is not made for this bank. */
export const bankClass: Rule = {
  id: 'array.bank-class',
  step: 'array',
  check: ({ design }) => {
    const { systemV } = design.bank
    return design.controllers
      .filter(({ part, id }) => !chargesBank(part, systemV) && design.arrays.some((each) => each.controllerId === id))
      .map((controller) => {
        const { name, part } = controller
        const limit =
          systemV > part.mostBankV
            ? say`banks up to ${amount(part.mostBankV, 'V')}`
            : say`banks from ${amount(part.leastBankV, 'V')} on`
        return stop(
          controller.id,
          say`${name} is made for ${limit}; this one has ${amount(systemV, 'V')}.`,
          systemV > part.mostBankV
            ? say`“${part.name}” does not charge it, and the bank’s voltage can destroy it. Another controller.`
            : say`“${part.name}” does not charge it. Another controller.`,
          { remedy: () => another(design, controller) },
        )
      })
  },
}
