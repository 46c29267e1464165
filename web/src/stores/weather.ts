import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'
import type { WeatherFile, WeatherUpload } from '@ambrel/contract'
import type { PlaceHours } from '@ambrel/core'
import { api, ApiRefusal } from './api.ts'

/** What a design keeps of a weather file. */
export function placeHoursOf({ id, name, years, utcOffsetH, fitted }: WeatherFile): PlaceHours {
  // files kept from before do not say how their winters differ
  return { fileId: id, name, years, utcOffsetH, ...fitted, interannualPct: fitted.interannualPct ?? null }
}

/** The weather files of the server, read when first asked for. */
export const useWeather = defineStore('weather', () => {
  const files = shallowRef<WeatherFile[]>([])
  const loaded = ref(false)

  async function load(): Promise<void> {
    files.value = await api.weather()
    loaded.value = true
  }

  async function add(upload: WeatherUpload): Promise<WeatherFile> {
    const file = await api.addWeather(upload)
    await load()
    return file
  }

  async function remove(id: string): Promise<void> {
    await api.removeWeather(id)
    await load()
  }

  /** The packed hours of a file. @throws Error in words where they are not on this server */
  async function hoursOf(id: string) {
    if (!files.value.some((file) => file.id === id)) await load()
    const shape = files.value.find((file) => file.id === id)
    if (!shape)
      throw new Error('its imported hours are not on this server; import the file again or choose other weather')
    try {
      return { shape: { ...shape, channels: [...shape.channels] }, bytes: await api.weatherHours(id) }
    } catch (error) {
      if (error instanceof ApiRefusal) throw new Error(`its imported hours: ${error.message}`, { cause: error })
      throw error
    }
  }

  return { files, loaded, load, add, remove, hoursOf }
})
