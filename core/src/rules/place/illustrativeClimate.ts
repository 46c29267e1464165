import { open, type Rule } from '../rule.ts'

export const illustrativeClimate: Rule = {
  id: 'place.illustrative-climate',
  step: 'place',
  check: ({ design: { place } }) =>
    place.climate === 'own' || place.source !== 'monthly'
      ? []
      : [
          open(
            'place',
            'The climate is a rounded illustration.',
            'It stands for no station. Put in monthly figures of your own place before you buy anything.',
            {
              working: 'place.worst-month-sun',
            },
          ),
        ],
}
