import { ref } from 'vue'

/** Edits of designs that are not open here and wait to be sent, or for somebody to choose. */
export interface Waiting {
  design: string
  name: string
  why: 'unsent' | 'choose' | 'gone'
}
export const waiting = ref<Waiting[]>([])

/** The courier is loaded after the first screen; until then it is asked in vain, and looks by itself when it comes. */
export const courier = {
  /** Sends what waits. */
  send: (): Promise<void> => Promise.resolve(),
  /** the design that is open in this tab, whose drafts are its own saver's */
  openHere: '',
}
