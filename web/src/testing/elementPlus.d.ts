import type { InjectionKey } from 'vue'

/**
 * What tests use of Element Plus by name; views have its components by their tags. Its own types are a thousand files,
 * which every check would read: `paths` in `tsconfig.json` leads here instead.
 */
export const ID_INJECTION_KEY: InjectionKey<{ prefix: number; current: number }>
export const ZINDEX_INJECTION_KEY: InjectionKey<{ current: number }>
