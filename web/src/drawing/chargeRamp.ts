/** The one ramp charge is drawn on: quiet where the bank is full, dark where it is empty, so that trouble stands out. */
const STOPS: [number, number, number][] = [
  [58, 29, 20],
  [150, 66, 34],
  [196, 138, 28],
  [190, 198, 160],
  [221, 232, 234],
]
const NIGHT_STOPS: [number, number, number][] = [
  [240, 128, 84],
  [206, 104, 58],
  [176, 124, 44],
  [78, 98, 78],
  [44, 60, 62],
]
const EMPTY_AT = 0.12

/** Colour of a state of charge 0…1 as red, green, blue. */
export function chargeRgb(stateOfCharge: number, night = false): [number, number, number] {
  const stops = night ? NIGHT_STOPS : STOPS
  const x = Math.min(0.9999, Math.max(0, (stateOfCharge - EMPTY_AT) / (1 - EMPTY_AT))) * (stops.length - 1)
  const i = Math.floor(x)
  const t = x - i
  return stops[i].map((value, channel) => Math.round(value + t * (stops[i + 1][channel] - value))) as [
    number,
    number,
    number,
  ]
}

export function chargeColour(stateOfCharge: number, night = false): string {
  return `rgb(${chargeRgb(stateOfCharge, night).join(' ')})`
}
