import { defineStore } from 'pinia'
import { useLocalStorage, useMediaQuery, usePreferredDark } from '@vueuse/core'
import { computed, ref } from 'vue'
import { quantity, type UnitSystem } from '@ambrel/core/units'

/** A browser that keeps nothing forgets the choice with the page, and that is all. */
const forgetful = { onError: () => {} }

/** What a reader prefers; kept in this browser, never in a design. */
export const usePrefs = defineStore('prefs', () => {
  const chosenTheme = useLocalStorage<'day' | 'night' | 'system'>('ambrel.theme', 'system', forgetful)
  const units = useLocalStorage<UnitSystem>('ambrel.units', 'metric', forgetful)
  const paneOpen = useLocalStorage('ambrel.findings', true, forgetful)
  /** on a narrow screen the findings are a drawer over the bench, closed until asked for */
  const narrow = useMediaQuery('(max-width: 900px)')
  const drawerOpen = ref(false)
  const findingsOpen = computed({
    get: () => (narrow.value ? drawerOpen.value : paneOpen.value),
    set: (open: boolean) => ((narrow.value ? drawerOpen : paneOpen).value = open),
  })
  const systemDark = usePreferredDark()
  const theme = computed(() =>
    chosenTheme.value === 'system' ? (systemDark.value ? 'night' : 'day') : chosenTheme.value,
  )
  return {
    theme,
    units,
    findingsOpen,
    toggleTheme: () => (chosenTheme.value = theme.value === 'night' ? 'day' : 'night'),
    toggleUnits: () => (units.value = units.value === 'metric' ? 'imperial' : 'metric'),
    /** a stored value in the reader's units */
    show: (value: number | null | undefined, unit: string) => quantity(value, unit, units.value),
  }
})
