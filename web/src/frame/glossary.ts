/** A word of the field, told in a sentence or two to somebody who meets it for the first time. */
export interface Word {
  word: string
  /** what else it is called, to be found by */
  also?: string
  says: string
}

/** The field's words as this program uses them, in the order of the alphabet. */
export const GLOSSARY: readonly Word[] = [
  {
    word: '1 in 10',
    also: 'one in ten percentile',
    says: 'Of all the winters in the run, nine go better than this figure and one goes worse. A system that holds “9 in 10” is short in one winter of ten.',
  },
  {
    word: 'Absorption',
    also: 'absorb bulk float charging stage',
    says: 'The second stage of charging: the voltage is held and the current falls as the bank fills. Lead wants hours of it, lithium little.',
  },
  {
    word: 'AC coupled',
    says: 'An array whose own inverter feeds the house directly; what is left over charges the bank through the main inverter.',
  },
  {
    word: 'Albedo',
    also: 'ground reflects',
    says: 'The share of sunlight that the ground throws back: grass 20 %, fresh snow 80 %. Steep modules catch some of it.',
  },
  {
    word: 'Ampacity',
    also: 'wire current',
    says: 'The current a conductor may carry for good in its place: it depends on size, insulation, heat around it and what runs beside it.',
  },
  {
    word: 'Ampere-hours',
    also: 'Ah capacity',
    says: 'Current times hours. Times the bank’s volts it is watt-hours. For lead it depends on how fast it is drawn.',
  },
  {
    word: 'Autonomy',
    also: 'days without sun',
    says: 'Days the bank alone carries the loads, from full to the depth that is allowed.',
  },
  {
    word: 'AWG',
    also: 'wire gauge',
    says: 'American wire gauge: a smaller number is a thicker wire; below 1 come 1/0 to 4/0.',
  },
  {
    word: 'Azimuth',
    also: 'faces direction',
    says: 'The compass bearing an array faces, from true north: 180 is south. A magnetic compass is off by the local declination.',
  },
  {
    word: 'Backup',
    also: 'generator shore vehicle',
    says: 'Whatever charges the bank when the sun does not: a generator, a shore cord or a vehicle.',
  },
  {
    word: 'C-rate',
    also: 'charge rate',
    says: 'Current as a share of the bank’s ampere-hours: 0.2 C charges 100 Ah with 20 A.',
  },
  { word: 'Charge', also: 'state of charge soc', says: 'What is in the bank, as a share of what it holds when full.' },
  {
    word: 'Class T fuse',
    also: 'interrupting rating arc',
    says: 'A fast fuse that can break the tens of kiloamperes a lithium bank puts into a short circuit, where a common one may explode.',
  },
  {
    word: 'Cold Voc',
    also: 'open circuit voltage dawn record low',
    says: 'Volts of a string with nothing drawn on the coldest dawn on record. It is the highest it ever makes: over the controller’s limit destroys the controller.',
  },
  {
    word: 'Curtailed',
    also: 'thrown away surplus',
    says: 'Sun that could have been had but was not, because the bank was full.',
  },
  {
    word: 'Cut-out',
    also: 'low voltage disconnect',
    says: 'The charge or voltage at which the inverter or the battery lets go, and the house is dark.',
  },
  {
    word: 'Discount rate',
    also: 'interest present value net life cycle',
    says: 'What money could earn elsewhere in a year. What is paid later weighs less by it; here it is over and above inflation, so all sums are money of today.',
  },
  {
    word: 'Dark spell',
    says: 'Days in a row with next to no sun. How long they get decides bank and backup, not the mean.',
  },
  {
    word: 'De-rating',
    also: 'altitude heat',
    says: 'What an engine or inverter loses of its rating in thin or hot air.',
  },
  {
    word: 'Depth',
    also: 'depth of discharge dod',
    says: 'How far a bank is emptied. Lead lives long at a half or less, lithium at 80 to 90 %.',
  },
  {
    word: 'Equalising',
    says: 'A long overcharge that mixes the acid of a flooded bank and evens its cells; vented, and as the maker says.',
  },
  {
    word: 'Idle draw',
    also: 'own draw standby',
    says: 'What an inverter takes with nothing on. Day and night it is often among the largest loads of a house.',
  },
  {
    word: 'Isc',
    also: 'short circuit current',
    says: 'Current of a module whose leads are joined, in full sun. Fuses and cables are sized by it.',
  },
  {
    word: 'Kit',
    also: 'bundle package price together',
    says: 'Several lines of the bill at one price. What each would cost by itself is kept, because that is what replacing it takes.',
  },
  {
    word: 'Leg',
    also: 'split phase 240 line',
    says: 'One of the two 120 V halves of a split-phase output. Each carries half of the rating; 240 V loads stand across both.',
  },
  {
    word: 'Must run, should run, can wait',
    also: 'priority shedding',
    says: 'What goes off first when the bank runs low: what can wait, then what should run. Short hours are counted for each.',
  },
  {
    word: 'Neutral–ground bond',
    also: 'grounding earth',
    says: 'The one place where the neutral is joined to ground. None lets a fault go unnoticed, two put current on cases.',
  },
  {
    word: 'Parallel strings',
    also: 'bank strings',
    says: 'Rows of batteries side by side. Many of them share current badly and want a fuse each.',
  },
  {
    word: 'Payback',
    also: 'pays for itself return',
    says: 'The year from which all that was paid for this design, with what is replaced, stays below what another way would have taken. Where there is no such year, it never pays.',
  },
  {
    word: 'Persistence',
    says: 'How much one day’s cloud is like the day before. High where dull weather stays for weeks.',
  },
  {
    word: 'Phase',
    also: 'later next year step of buying',
    says: 'A time of buying. What comes in a later phase is left out of the winters until then, with the wire and boxes it takes.',
  },
  {
    word: 'Power factor',
    also: 'VA volt-amperes apparent',
    says: 'Watts over volt-amperes. Motors and cheap supplies draw more current than their watts say, and the inverter must carry it.',
  },
  {
    word: 'Search mode',
    says: 'The inverter sleeps and looks for a load now and then. Small things such as clocks may never wake it.',
  },
  { word: 'Short', also: 'unmet blackout', says: 'Energy or hours that were wanted and not had.' },
  {
    word: 'Split phase',
    also: '120/240',
    says: 'The North American house supply: two 120 V legs against one neutral, 240 V across them.',
  },
  {
    word: 'String',
    also: 'series',
    says: 'Modules one after the other: their volts add up, the current is that of one.',
  },
  {
    word: 'Sun hours',
    also: 'peak sun hours psh',
    says: 'Energy of a day’s sun on a surface, as hours of full sun of 1,000 W/m².',
  },
  {
    word: 'Surge',
    also: 'start inrush motor',
    says: 'What a motor draws for the second it starts: three to eight times its running watts.',
  },
  { word: 'Tilt', says: 'Angle of a module from level. Steep catches the low sun and sheds snow.' },
  {
    word: 'Tracker input',
    also: 'mppt power point',
    says: 'Finds the voltage at which its strings give most. Each controller has one or several, each with limits of its own.',
  },
  {
    word: 'Transfer relay',
    also: 'transfer switch bypass',
    says: 'Passes the backup through to the house while it runs, in place of the inverter.',
  },
  { word: 'Typical', also: 'median', says: 'The middle one of all the years of the run: half go better, half worse.' },
  {
    word: 'Usable energy',
    says: 'What the bank gives from full to the depth that is allowed, at the rate it is drawn and as warm as it is.',
  },
  {
    word: 'Vmp',
    also: 'maximum power voltage',
    says: 'Volts of a module where it gives most. On hot days it falls and may drop under what the tracker needs.',
  },
  {
    word: 'Voltage drop',
    also: 'cable loss',
    says: 'Volts lost along a cable, both ways. Two or three per cent is usual.',
  },
  {
    word: 'Worst month',
    says: 'The month with the least sun on the array against what the loads want. What is sized by it holds in the others.',
  },
]
