// What every part of a page's editor is given.
import type { OutcomeCode } from '@/core/outcomes'
import type { Page, Question, Script } from '@/core/scripts'

export interface PageEditorProps {
  readonly script: Script
  readonly page: Page
  /** Codes of the outcome sets that calls with this script are coded by. */
  readonly codes: readonly Pick<OutcomeCode, 'code' | 'label'>[]
  readonly questions: readonly Question[]
  /** `of` names what was changed, so that typing is undone by the field and not by the letter. */
  readonly onChange: (page: Page, of: string | null) => void
  readonly onStart: () => void
  readonly onRemove: () => void
  readonly onAdd: () => void
  readonly onSelect: (pageId: string) => void
}
