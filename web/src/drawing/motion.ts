/** Whether the reader asked their system for less motion: nothing then slides to its place. */
export const isStill = (): boolean => window.matchMedia('(prefers-reduced-motion: reduce)').matches
