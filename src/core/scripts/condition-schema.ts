// The schema of conditions and of the values they ask about.
import * as z from 'zod'
import type { AnswerValue, Condition } from './condition'

export const AnswerValueSchema: z.ZodType<AnswerValue, AnswerValue> = z.union([z.string(), z.boolean(), z.number(), z.array(z.string()).readonly()])

const field = z.string().min(1)
const value = z.union([z.string(), z.boolean(), z.number()])
const bound = z.union([z.number(), z.string()])

export const ConditionSchema: z.ZodType<Condition, Condition> = z.lazy(() =>
  z.union([
    z.strictObject({ field, is: value }).readonly(),
    z.strictObject({ field, isNot: value }).readonly(),
    z.strictObject({ field, atLeast: bound }).readonly(),
    z.strictObject({ field, atMost: bound }).readonly(),
    z.strictObject({ field, answered: z.boolean() }).readonly(),
    z.strictObject({ all: z.array(ConditionSchema).min(1).readonly() }).readonly(),
    z.strictObject({ any: z.array(ConditionSchema).min(1).readonly() }).readonly(),
  ]),
)
