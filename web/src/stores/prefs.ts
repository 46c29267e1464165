import { defineStore } from 'pinia'
import { useMediaQuery, usePreferredDark, useStorage } from '@vueuse/core'
import { computed, ref, type Ref } from 'vue'
import { keptTogether, quantity, said, type UnitSystem, type Words } from '@ambrel/core/units'

/** A choice kept in this browser; one that keeps nothing forgets it with the page, and that is all. */
function kept<T extends string | boolean>(key: string, initial: T): Ref<T> {
  try {
    return useStorage<T>(key, initial, window.localStorage, { onError: () => {} }) as Ref<T>
  } catch {
    return ref(initial) as Ref<T>
  }
}

/** What a reader prefers; kept in this browser, never in a design. */
export const usePrefs = defineStore('prefs', () => {
  const chosenTheme = kept<'day' | 'night' | 'system'>('ambrel.theme', 'system')
  const units = kept<UnitSystem>('ambrel.units', 'metric')
  const chosenPaper = kept<'' | 'A4' | 'letter'>('ambrel.paper', '')
  /** what drawings are printed on: what was chosen, or what goes with the units */
  const paper = computed({
    get: () => chosenPaper.value || (units.value === 'imperial' ? 'letter' : 'A4'),
    set: (to: 'A4' | 'letter') => (chosenPaper.value = to),
  })
  const paneOpen = kept('ambrel.findings', true)
  /** on a narrow screen the findings are a drawer over the bench, closed until asked for */
  const narrow = useMediaQuery('(max-width: 900px)')
  const drawerOpen = ref(false)
  const findingsOpen = computed({
    get: () => (narrow.value ? drawerOpen.value : paneOpen.value),
    set: (open: boolean) => ((narrow.value ? drawerOpen : paneOpen).value = open),
  })
  /** whether this reader has been shown around */
  const toured = kept<boolean>('ambrel.toured', false)
  const unfolded = kept<string>('ambrel.unfolded', '')
  const isUnfolded = (name: string) => unfolded.value.split(' ').includes(name)
  function unfold(name: string, open: boolean): void {
    const others = unfolded.value.split(' ').filter((each) => each !== '' && each !== name)
    unfolded.value = [...others, ...(open ? [name] : [])].join(' ')
  }
  const systemDark = usePreferredDark()
  const theme = computed(() =>
    chosenTheme.value === 'system' ? (systemDark.value ? 'night' : 'day') : chosenTheme.value,
  )
  return {
    theme,
    units,
    paper,
    narrow,
    toured,
    findingsOpen,
    /** whether fields that are folded away are to be seen, by the name of their fold */
    isUnfolded,
    unfold,
    toggleTheme: () => (chosenTheme.value = theme.value === 'night' ? 'day' : 'night'),
    toggleUnits: () => (units.value = units.value === 'metric' ? 'imperial' : 'metric'),
    /** a stored value in the reader's units */
    show: (value: number | null | undefined, unit: string) => keptTogether(quantity(value, unit, units.value)),
    /** a text with figures, in the reader's units */
    say: (words: Words) => said(words, units.value, true),
  }
})
