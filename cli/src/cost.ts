import { derive, type Design } from '@ambrel/core'
import { said } from '@ambrel/core/units'

/** Everything a design takes, beside its major parts, as plain JSON. */
export function materialList(design: Design) {
  const { bill } = derive(design)
  return bill.rows.map(({ key, group, name, unit, quantity, unitPrice, status, sample }) => ({
    key,
    group,
    what: said(name),
    unit: unit || 'piece',
    quantity,
    unitPrice,
    status,
    sample,
  }))
}

/** What a design costs, line by line and in all. */
export function cost(design: Design) {
  const { rows, partsSum, tax, freight, contingency, incentives, total, later } = derive(design).bill
  return {
    currency: design.budget.currency,
    lines: rows.map(({ key, group, name, quantity, owned, unitPrice, status, sum }) => ({
      key,
      group,
      what: said(name),
      quantity,
      owned,
      unitPrice,
      status,
      sum,
    })),
    partsSum,
    discount: design.budget.discount,
    tax,
    freight,
    labour: design.budget.labour,
    contingency,
    incentives,
    total,
    later,
    unquoted: rows.filter(({ sample, status }) => sample && status === 'buy').length,
  }
}
