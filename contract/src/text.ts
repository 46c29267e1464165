import Joi from 'joi'

/** A NUL, or half of a surrogate pair: JSON may hold them, a database may not. */
// eslint-disable-next-line no-control-regex -- it is the letter that is looked for
const UNKEEPABLE = /\u0000|\p{Cs}/u

/** Text that can be kept. */
export const plainText = () => Joi.string().pattern(UNKEEPABLE, { name: 'letters', invert: true })
