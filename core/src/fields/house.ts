import type { House } from '../document/types.ts'
import { choice, flag, type FieldTable } from './field.ts'

export const NEW_HOUSE: House = { bond: '', inverterBondOff: false, bypass: false, meter: false, regulator: false }

export const HOUSE: FieldTable<House> = {
  bond: choice(
    'Neutral and ground joined',
    [
      { value: '', label: 'where the inverter asks for it' },
      { value: 'panel', label: 'in the house panel' },
      { value: 'inverter', label: 'in the inverter alone' },
      { value: 'bypass', label: 'in the changeover' },
    ],
    'At one place only, whatever source feeds the house. An inverter that joins them itself asks for none elsewhere.',
  ),
  inverterBondOff: flag(
    'the inverter’s own is off',
    'By a screw or a setting, as its manual says; then the bond stands elsewhere.',
  ),
  bypass: flag(
    'a changeover',
    'Gives the house the backup or the grid while the inverter is off or broken, never both at once.',
  ),
  meter: flag('an energy meter', 'Before the panel: it counts the kilowatt-hours the house takes.'),
  regulator: flag(
    'a voltage regulator',
    'Before the inverter: it steadies the volts of a weak grid or a small generator, which the inverter would refuse.',
  ),
}
