// Changes of review sheets, as values. A version that is in use is never changed: what is made of it is the next one.
import { latestSheets, type Sheet, type SheetQuestion } from '@/core/reviews'
import type { SetUp } from '@/core/set-up'
import { freeId, slug } from '@/screens/set-up'

/** The sheet takes the place of its draft; of the version in use it becomes the next one. */
export function withSheet(setUp: SetUp, inUse: readonly Sheet[], sheet: Sheet): SetUp {
  const used = inUse.filter((s) => s.id === sheet.id).map((s) => s.version)
  const version = used.length === 0 ? 1 : Math.max(...used) + 1
  const others = setUp.reviewSheets.filter((s) => s.id !== sheet.id || used.includes(s.version))
  return { ...setUp, reviewSheets: [...others, { ...sheet, version }] }
}

/** Without an id until it is kept: it gets one from its label. */
export const newQuestion = (): SheetQuestion => ({ id: '', label: '', kind: 'scale', weight: 1, mustHave: false })

export function withQuestion(sheet: Sheet, before: SheetQuestion, after: SheetQuestion): Sheet {
  if (before.id !== '') return { ...sheet, questions: sheet.questions.map((q) => (q.id === before.id ? { ...after, id: before.id } : q)) }
  const id = freeId(
    slug(after.label) || 'question',
    sheet.questions.map((q) => q.id),
  )
  return { ...sheet, questions: [...sheet.questions, { ...after, id }] }
}

export const withoutQuestion = (sheet: Sheet, id: string): Sheet => ({ ...sheet, questions: sheet.questions.filter((q) => q.id !== id) })

/** One place up or down; at the end it stays. */
export function moved(sheet: Sheet, id: string, by: 1 | -1): Sheet {
  const from = sheet.questions.findIndex((q) => q.id === id)
  const to = from + by
  if (from < 0 || to < 0 || to >= sheet.questions.length) return sheet
  const questions = [...sheet.questions]
  const [question] = questions.splice(from, 1)
  if (question !== undefined) questions.splice(to, 0, question)
  return { ...sheet, questions }
}

export function addSheet(setUp: SetUp, inUse: readonly Sheet[]): { readonly setUp: SetUp; readonly id: string } {
  const id = freeId(
    'sheet_new',
    [...setUp.reviewSheets, ...inUse].map((s) => s.id),
  )
  const names = latestSheets(setUp.reviewSheets).map((s) => s.name)
  const name = ['New sheet', ...Array.from({ length: names.length + 1 }, (_, i) => `New sheet ${i + 2}`)].find((n) => !names.includes(n)) ?? 'New sheet'
  const questions = [{ ...newQuestion(), id: 'greeting', label: 'Was the caller greeted as agreed?', kind: 'yesNo' as const }]
  return { id, setUp: withSheet(setUp, inUse, { id, version: 1, name, questions, retired: false }) }
}
