export { opinionScore, qualityOf, ratingFactor } from './e-model'
export { SOUND_CAUSES, type SoundCause, SoundCauseSchema } from './rating'
export { type LineQuality, LineQualitySchema } from './schema'
