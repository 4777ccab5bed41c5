export { type AnswerValue, AnswerValueSchema, type Page, type Question, type Script, ScriptSchema } from './document'
export { type MergeValues, mergeFields, pageOf } from './read'
export {
  checkAnswer,
  evolveRun,
  nextPage,
  previousPage,
  type ScriptEvent,
  ScriptEventSchema,
  type ScriptRefusal,
  type ScriptRun,
} from './run'
