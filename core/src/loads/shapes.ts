/** Named hour-of-day shapes: 24 relative weights from the hour that begins at midnight. */
export const HOUR_SHAPES: Record<string, { name: string; weights: readonly number[] }> = {
  flat: { name: 'All day and night', weights: Array(24).fill(1) },
  morningEvening: {
    name: 'Morning and evening',
    weights: [0, 0, 0, 0, 0, 1, 3, 4, 2, 1, 1, 1, 1, 1, 1, 1, 2, 4, 5, 5, 4, 3, 1, 0],
  },
  evening: { name: 'Evening', weights: [0, 0, 0, 0, 0, 0, 1, 1, 0, 0, 0, 0, 0, 0, 0, 0, 2, 4, 5, 5, 5, 4, 2, 0] },
  daytime: { name: 'Daytime', weights: [0, 0, 0, 0, 0, 0, 0, 0, 2, 3, 4, 4, 4, 4, 4, 3, 2, 1, 0, 0, 0, 0, 0, 0] },
  meals: { name: 'Meals', weights: [0, 0, 0, 0, 0, 0, 2, 3, 1, 0, 0, 2, 3, 1, 0, 0, 1, 4, 4, 1, 0, 0, 0, 0] },
  night: { name: 'Night', weights: [3, 3, 3, 3, 3, 3, 2, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 1, 2, 3, 3, 3] },
}
