import { larkspurBench, type Design } from '@ambrel/core'

/** As large a house as anybody may plan: the demo's loads and arrays, many times over. */
export function largeDesign(loadCount = 500, arrayCount = 60): Design {
  const design = larkspurBench()
  const { loads, arrays, controllers } = design
  design.name = 'Large'
  design.loads = Array.from({ length: loadCount }, (_, i) => ({
    ...structuredClone(loads[i % loads.length]),
    id: `load-${i + 1}`,
    name: `${loads[i % loads.length].name} ${i + 1}`,
    runningW: 2 + (i % 5),
    startKind: 'none',
    basis: 'rated',
  }))
  design.controllers = Array.from({ length: arrayCount }, (_, i) => ({ ...controllers[0], id: `controller-${i + 1}` }))
  design.arrays = Array.from({ length: arrayCount }, (_, i) => ({
    ...structuredClone(arrays[0]),
    id: `array-${i + 1}`,
    name: `Field ${i + 1}`,
    controllerId: `controller-${i + 1}`,
  }))
  return design
}
