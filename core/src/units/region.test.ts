import { describe, expect, it } from 'vitest'
import { usualService, usualUnits } from './region.ts'

describe('what is usual at a place', () => {
  it.each([
    [46.9, -114, 'imperial', 'single-120'],
    [61.2, -149.9, 'imperial', 'single-120'],
    [19.7, -155.1, 'imperial', 'single-120'],
    [53.5, -113.5, 'metric', 'single-120'],
    [19.4, -99.1, 'metric', 'single-120'],
    [57.1, -4.7, 'metric', 'single-230'],
    [-43.5, 172.6, 'metric', 'single-230'],
  ])('%d, %d', (latitudeDeg, longitudeDeg, units, service) => {
    expect(usualUnits(latitudeDeg, longitudeDeg)).toBe(units)
    expect(usualService(longitudeDeg)).toBe(service)
  })
})
