import type { Budget, BudgetLine, OwnedPart, PricedItem } from '../document/types.ts'
import { choice, code, flag, key, named, number, rows, since, words, type FieldTable } from './field.ts'
import { COUNTS } from './limits.ts'

const LINE: FieldTable<BudgetLine> = {
  id: key('Key', 'By which it is found.'),
  name: named('Line', 'What it is.'),
  quantity: number('Count', '', 0, 100000, 'How many.'),
  unitPrice: number('Each', 'money', 0, 1e7, 'Price of one, as quoted.'),
}

const OWNED: FieldTable<OwnedPart> = {
  key: key('Of', 'bank, inverter, generator, or the key of an array, a controller or a source.'),
  partId: key('Part', 'The key of the part that is there.'),
  quantity: number('How many', '', 0, 1e6, 'Of it are there.'),
}

const PRICED: FieldTable<PricedItem> = {
  key: words('Of', 120, 'The key of a part, or what a material is and its size.'),
  unitPrice: number('Each', 'money', 0, 1e7, 'Price of one, or of a metre, as you were quoted it.', {
    empty: 'sample',
  }),
  discountPct: number('Less', '%', 0, 100, 'Taken off the price of this line.'),
  freight: number('Its freight', 'money', 0, 1e7, 'Of this line alone.', { step: 10 }),
  taxed: flag('taxed', 'Tax is paid on it.'),
  eligible: flag('counts for incentives', 'An incentive that is a share counts it.'),
  status: choice(
    'Bought',
    [
      { value: 'buy', label: 'to buy' },
      { value: 'owned', label: 'owned' },
      { value: 'later', label: 'later' },
    ],
    'What is owned costs nothing now; what comes later is summed by itself.',
  ),
}

export const BUDGET: FieldTable<Budget> = {
  currency: code('Currency code', 'Three capitals. It is a name only; nothing is converted.'),
  taxPct: number('Tax', '%', 0, 100, 'On parts.'),
  freight: number('Freight', 'money', 0, 1e7, 'To the end of the road.', { step: 50 }),
  labour: number('Labour', 'money', 0, 1e7, 'What you pay others; an electrician’s visit too.', { step: 50 }),
  discount: number('Discount', 'money', 0, 1e7, 'Taken off the whole.', { step: 50 }),
  contingencyPct: number('Contingency', '%', 0, 100, 'For what nobody thought of, 10 to 15 %.'),
  incentivePct: number('Incentive', '%', 0, 100, 'Given back, of what is eligible with its tax.', {
    since: since(9, 0),
  }),
  incentive: number('Incentive, a sum', 'money', 0, 1e7, 'Given back, whatever it costs.', {
    step: 100,
    since: since(9, 0),
  }),
  priced: rows(
    'Prices known',
    PRICED,
    { most: COUNTS.priced, unique: 'key' },
    'What somebody was quoted, owns or puts off, by line of the bill.',
    since(9, []),
  ),
  cablePerMm2M: number(
    'Cable, each mm²',
    'money/m',
    0,
    1000,
    'Price of a metre of copper cable for each square millimetre of it: that of one you know, divided by its area.',
    { step: 0.05, since: since(9, 0.28) },
  ),
  kWhWorth: number(
    'A lost kilowatt-hour',
    'money/kWh',
    0,
    1000,
    'What it is worth, where copper is weighed against what it loses.',
    { step: 0.05, empty: 'what it costs otherwise', since: since(9, null) },
  ),
  owned: rows(
    'Owned',
    OWNED,
    { most: COUNTS.owned, unique: 'key' },
    'Parts that are there already and cost nothing now; another part in their place, and more of them, are to buy.',
    since(6, []),
  ),
  extras: rows(
    'Other lines',
    LINE,
    { most: COUNTS.extras },
    'What the parts list cannot know: racking, trench, permits.',
  ),
}
