'use client'
// Where menus and dialogs are put: a part of the page like any other, so that whoever goes from part to part finds what is open.
import { ABOVE_THE_PAGE } from './portal-home'

export const AboveThePage = () => <aside id={ABOVE_THE_PAGE} aria-label="Opened above the page" />
