export { type AnswerValue, AnswerValueSchema, type Page, pageOf, type Question, type Script, ScriptSchema } from './document'
export {
  checkAnswer,
  evolveRun,
  type MergeValues,
  mergeFields,
  nextPage,
  previousPage,
  type ScriptEvent,
  ScriptEventSchema,
  type ScriptRefusal,
  type ScriptRun,
} from './run'
