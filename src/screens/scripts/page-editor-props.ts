// What the parts of a page's editor are given. Each is drawn again only when what it shows has changed: in a large script a letter must
// not redraw every list of pages.
import type { Page, Question } from '@/core/scripts'

/** `of` names what was changed, so that typing is undone by the field and not by the letter. Always the same function. */
export type PutPage = (change: Partial<Page>, of: string | null) => void

/** The pages of the script by their titles; the same list while none of them changes. */
export type Titles = readonly { readonly id: string; readonly title: string }[]

export interface PartProps {
  readonly put: PutPage
  /** Every question of the script; the same list while none of them changes. */
  readonly questions: readonly Question[]
}
