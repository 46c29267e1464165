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
  /** of the part it was said of: of another in its place nothing is known; empty for materials */
  partId: string
  /** of a material as it was quoted; null for a sample price, and for a part, whose price stands in its data sheet */
  unitPrice: number | null
  discountPct: number
  freight: number
  taxed: boolean
  /** counts for incentives */
  eligible: boolean
  /** to be bought, there already, bought whatever comes of this design, or bought in a later phase */
  status: 'buy' | 'owned' | 'anyway' | 'later'
  /** how many of it come later; null for all of it */
  laterCount: number | null
  /** id of the phase it comes in; empty for the first that there is */
  phase: string
  /** day of the quote, `2026-01-31`; null where nobody wrote it down */
  quotedOn: string | null
  /** days from the order to its coming; null where nobody asked */
  leadDays: number | null
}

/** A kit: several lines at one price together. What each costs when it is replaced stays its own. */
export interface BudgetKit {
  id: string
  name: string
  price: number
  /** how many of which lines are in it */
  of: KitItem[]
}

export interface KitItem {
  /** of a line of the bill */
  key: string
  quantity: number
}

/** A later time of buying. What is not put into one is bought now. */
export interface BudgetPhase {
  id: string
  name: string
  /** day on which it is bought; null where nobody said */
  buyOn: string | null
}

/** Hours of somebody who is paid for them, by what they are for. */
export interface PaidHours {
  array: number
  bank: number
  inverter: number
  generator: number
  wiring: number
  commissioning: number
}

/** By what a system is reckoned over its life. All money is that of today: rates are over and above inflation. */
export interface LifeTerms {
  years: number
  /** a year; what money could earn elsewhere */
  discountPct: number
  /** a year; fuel, tariffs */
  energyRisePct: number
  /** inverters and controllers; pumps; modules and other sources */
  electronicsYears: number
  pumpYears: number
  moduleYears: number
  /** hours a generator runs until it is worn out */
  generatorHours: number
  oilChange: number
  /** insurance, rent of a tank, batteries of a smoke alarm */
  yearly: number
  /** what is left of a part at the end counts, by the share of its life that is left */
  endValue: boolean
}

/** What the same house would cost otherwise; null for what nobody was quoted. */
export interface OtherWays {
  /** to bring in the grid, its standing charge a month, and a kilowatt-hour of it */
  gridQuote: number | null
  gridMonthly: number
  gridPerKWh: number
  /** hours a day that a generator alone would run */
  generatorHoursPerDay: number
  /** a bought power unit, what it gives on a day, and how long it lasts */
  unitPrice: number | null
  unitKWhPerDay: number
  unitYears: number
  /** what is paid in a year as things are: candles, fuel, trips; null for nobody said */
  nothingYearly: number | null
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
  /** price of an hour, and the hours by step; they come on top of `labour` */
  hourly: number
  hours: PaidHours
  /** what somebody said all of it comes to; null for nobody did */
  statedTotal: number | null
  /** day on which what comes now is bought; null where nobody said */
  buyOn: string | null
  /** days for which a quote holds */
  quoteDays: number
  kits: BudgetKit[]
  phases: BudgetPhase[]
  life: LifeTerms
  others: OtherWays
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
