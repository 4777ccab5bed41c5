export { opinionScore, qualityOf, ratingFactor } from './e-model'
export { SOUND_CAUSES, type SoundCause } from './rating'
export { type LineQuality, LineQualitySchema, SoundCauseSchema } from './schema'
