import { MONTH_NAMES } from '../../calendar/calendar.ts'
import { sound, watch, type Rule } from '../rule.ts'
import { amount, percent } from '../../units/say.ts'
import { say } from '../../units/words.ts'

/** Short of what is wanted by less than this is none worth a word. */
const NEAR = 0.97

export const pumpWater: Rule = {
  id: 'loads.pump-water',
  step: 'loads',
  check: ({ design: { pumps }, derived: { pumpLitres } }) =>
    pumps.map((pump, i) => {
      const short = MONTH_NAMES.map((name, month) => ({
        name,
        litres: pumpLitres[i][month],
        wanted: pump.wantedLByMonth[month],
      })).filter(({ litres, wanted }) => litres < wanted * NEAR)
      if (short.length === 0) return sound(pump.id, say`${pump.name} brings the water wanted in every month.`, MEAN_DAY)
      const worst = short.reduce((least, each) =>
        each.litres / each.wanted < least.litres / least.wanted ? each : least,
      )
      return watch(
        pump.id,
        say`${pump.name} brings ${amount(worst.litres, 'L')} a day in ${worst.name}, ${percent(worst.litres / worst.wanted)} of what is wanted${short.length > 1 ? `; ${short.length} months are short` : ''}.`,
        say`More modules, a steeper tilt, or a tank that lasts longer. ${MEAN_DAY}`,
      )
    }),
}

const MEAN_DAY = 'It is a mean day: a tank of several days’ water carries the dull ones.'
