import { wrap, type Remote } from 'comlink'
import { firstRest, hasRested } from '../drawing/useIdle.ts'
import type { Design } from '@ambrel/core'
import type { WinterService } from './winter.worker.ts'

/** Fetches the packed hours of a weather file and their shape. */
export type HoursOf = (fileId: string) => Promise<{ shape: Parameters<WinterService['provide']>[1]; bytes: Uint8Array }>

/** A worker that runs winters, made once the first screen stands, and handed the weather files its designs refer to. */
export class WinterWorker {
  private made: Remote<WinterService> | null = null
  private readonly given = new Map<string, Promise<void>>()
  private readonly held = new Set<string>()

  constructor(private readonly hoursOf: HoursOf) {}

  get service(): Remote<WinterService> {
    this.made ??= wrap<WinterService>(new Worker(new URL('./winter.worker.ts', import.meta.url), { type: 'module' }))
    return this.made
  }

  /**
   * What has to be waited for before a design's winters can be asked for; nothing, where the page has rested and the
   * hours of its weather were handed over, so that the run begins beside the drawing of an edit and not after it.
   *
   * @param everySource also where another source rules now, to compare them
   */
  ready({ place }: Pick<Design, 'place'>, everySource = false): Promise<void> | null {
    const fileId = place.hours && (place.source === 'hours' || everySource) ? place.hours.fileId : null
    return hasRested() && (fileId === null || this.held.has(fileId)) ? null : this.prepare(fileId)
  }

  private async prepare(fileId: string | null): Promise<void> {
    await firstRest()
    if (fileId === null) return
    if (!this.given.has(fileId)) this.given.set(fileId, this.give(fileId))
    await this.given.get(fileId)
  }

  private async give(fileId: string): Promise<void> {
    try {
      const { shape, bytes } = await this.hoursOf(fileId)
      await this.service.provide(fileId, shape, bytes)
      this.held.add(fileId)
    } catch (error) {
      this.given.delete(fileId)
      throw error
    }
  }
}
