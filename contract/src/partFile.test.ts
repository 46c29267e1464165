import { describe, expect, it } from 'vitest'
import { batteryParts, controllerParts, generatorParts, inverterParts, moduleParts } from '@ambrel/core'
import { said } from '@ambrel/core/units'
import { partsAsCsv, partsAsJson, readPartFile } from './partFile.ts'
import { PART_KINDS, type OwnPart } from './partTables.ts'

const SHELVES = { battery: batteryParts, module: moduleParts, controller: controllerParts, inverter: inverterParts }
const all: OwnPart[] = Object.entries({ ...SHELVES, generator: generatorParts }).flatMap(([kind, parts]) =>
  parts.map((part): OwnPart => ({ kind: kind as OwnPart['kind'], part: { ...part, id: 'own' } })),
)
const told = (text: string) => readPartFile(text).problems.map(({ message }) => said(message))

describe('a file of parts', () => {
  it('has every kind in it', () => {
    expect(new Set(all.map(({ kind }) => kind))).toEqual(new Set(PART_KINDS))
  })
  it('comes back from JSON as it went', () => {
    expect(readPartFile(partsAsJson(all))).toEqual({ items: all, problems: [] })
  })
  it('comes back from CSV as it went, but for what is built into a unit', () => {
    const alone = all.filter(({ part }) => !part.controller && !part.battery)
    expect(alone.length).toBeGreaterThan(50)
    expect(readPartFile(partsAsCsv(alone))).toEqual({ items: alone, problems: [] })
  })
  it('keeps which figures are estimates', () => {
    const part = { ...moduleParts[0], id: 'own', estimated: ['noctC', 'weightKg'] }
    const own: OwnPart = { kind: 'module', part }
    for (const text of [partsAsCsv([own]), partsAsJson([own])]) {
      const [back] = readPartFile(text).items
      expect(new Set(back.part.estimated as string[])).toEqual(new Set(part.estimated))
    }
  })
  it('completes a part from its label, and marks what it made', () => {
    const { items, problems } = readPartFile(
      'partKind,name,ratedW,vocV,iscA,cells\nmodule,Barn roof,250,37.8,8.83,60\n',
    )
    expect(problems).toEqual([])
    expect(items[0].part).toMatchObject({ name: 'Barn roof', ratedW: 250, vocV: 37.8 })
    expect(items[0].part.estimated).toContain('vmpV')
    expect(items[0].part.estimated).not.toContain('vocV')
  })
  it('reads a part of an earlier version with what came since', () => {
    const { estimated: _estimated, noctC: _noct, ...older } = moduleParts[0]
    const text = JSON.stringify({ format: 'ambrel-parts', version: 1, parts: [{ kind: 'module', part: older }] })
    expect(readPartFile(text).items[0].part).toMatchObject({ noctC: 45, estimated: [] })
  })
  it.each([
    ['', 'the file is empty'],
    ['{"format":"shoes"}', 'format must be “ambrel-parts”; this is another kind of file'],
    ['{', 'not JSON'],
    [
      '{"format":"ambrel-parts","version":99,"parts":[]}',
      'version 99 was written by a newer Ambrel; this one reads up to version 13',
    ],
    ['{"format":"ambrel-parts","version":7,"parts":[]}', 'there are no parts in this file'],
    [
      '{"format":"ambrel-parts","version":7,"parts":[{"kind":"shoe"}]}',
      'part 1: kind "shoe" is not one of battery, module, controller, inverter, generator',
    ],
    ['name,vocV\nx,3', 'the first line must name the columns, “partKind” among them'],
    ['partKind,volts\nmodule,3', 'column “volts” is not one of'],
    ['partKind,vocV,iscA\nmodule,many,9', 'line 2, Voc: “many” is not a number'],
    ['partKind,vocV\nmodule,37', 'line 2: iscA is missing; the label of a module says vocV, iscA'],
    ['partKind,vocV,iscA,vmpV\nmodule,37,9,40', 'line 2: Vmp 40 V must lie below Voc 37 V'],
    ['partKind,vocV,iscA\nmodule,3700,9', 'line 2: Voc: 3700 V is too large; at most 300 V'],
    ['partKind,nominalV,chemistry,capacities\nbattery,12,agm,100', 'must be pairs as in “20:225; 100:250”'],
  ])('says of %j what is wrong', (text, problem) => {
    expect(told(text).join('\n')).toContain(problem)
    expect(readPartFile(text).items).toEqual([])
  })
  it('takes the sound parts beside others', () => {
    const { items, problems } = readPartFile('partKind,ratedW\ngenerator,2200\ngenerator,-5\ngenerator,3500')
    expect(items).toHaveLength(2)
    expect(problems).toHaveLength(1)
    expect(said(problems[0].message)).toMatch(/^line 3: Rating, sea level: .5 W is too small; at least /)
  })
})
