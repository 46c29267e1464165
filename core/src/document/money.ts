export interface BudgetLine {
  id: string
  name: string
  quantity: number
  unitPrice: number
}

/** So many of a part that are there already: of another part in its place, and of more of it, nothing is owned. */
export interface OwnedPart {
  /** `bank`, `inverter`, `generator`, or the id of an array, a controller or a source */
  key: string
  partId: string
  quantity: number
}

/** What somebody knows of the price of a line of the bill. */
export interface PricedItem {
  /** of a part, or what a material is and its size */
  key: string
  /** as it was quoted; null for the data sheet's, or a sample price */
  unitPrice: number | null
  discountPct: number
  freight: number
  taxed: boolean
  /** counts for incentives */
  eligible: boolean
  status: 'buy' | 'owned' | 'later'
}

export interface Budget {
  currency: string
  taxPct: number
  freight: number
  labour: number
  discount: number
  contingencyPct: number
  /** what is given back: a share of what is eligible with its tax, and a sum */
  incentivePct: number
  incentive: number
  /** what somebody knows of prices of lines of the bill */
  priced: PricedItem[]
  /** price of a metre of copper cable for each mm² of it */
  cablePerMm2M: number
  /** what a kilowatt-hour lost in copper is worth; null for what making it costs otherwise */
  kWhWorth: number | null
  /** parts that are there already and cost nothing now */
  owned: OwnedPart[]
  /** what the parts list cannot know: racking, trench, permits */
  extras: BudgetLine[]
}
