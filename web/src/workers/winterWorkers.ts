import { wrap, type Remote } from 'comlink'
import { firstRest } from '../drawing/useIdle.ts'
import type { Design } from '@ambrel/core'
import type { WinterService } from './winter.worker.ts'

/** Fetches the packed hours of a weather file and their shape. */
export type HoursOf = (fileId: string) => Promise<{ shape: Parameters<WinterService['provide']>[1]; bytes: Uint8Array }>

let lastRun = 0
/** A number by which a run is called off. */
export const nextRun = (): number => ++lastRun

let shown: WinterWorker | null = null
/** The worker of what is looked at, the open design or the shelf: a design opened from there meets compiled code. */
export const shownWorker = (hoursOf: HoursOf): WinterWorker => (shown ??= new WinterWorker(hoursOf))

/** A worker that runs winters, made once the first screen stands, and handed the weather files its designs refer to. */
export class WinterWorker {
  private made: Remote<WinterService> | null = null
  private readonly given = new Map<string, Promise<void>>()

  constructor(private readonly hoursOf: HoursOf) {}

  get service(): Remote<WinterService> {
    this.made ??= wrap<WinterService>(new Worker(new URL('./winter.worker.ts', import.meta.url), { type: 'module' }))
    return this.made
  }

  /**
   * Waits until the hours a design needs are there.
   * @param everySource also where another source rules now, to compare them
   */
  async ready({ place }: Pick<Design, 'place'>, everySource = false): Promise<void> {
    await firstRest()
    if (!place.hours || (place.source !== 'hours' && !everySource)) return
    const { fileId } = place.hours
    if (!this.given.has(fileId)) this.given.set(fileId, this.give(fileId))
    await this.given.get(fileId)
  }

  private async give(fileId: string): Promise<void> {
    try {
      const { shape, bytes } = await this.hoursOf(fileId)
      await this.service.provide(fileId, shape, bytes)
    } catch (error) {
      this.given.delete(fileId)
      throw error
    }
  }
}
