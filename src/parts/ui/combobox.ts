'use client'
// A field with a list of what is found under it: the first is marked, arrows go round, and the field keeps the focus and what was typed. What Enter does
// is the caller's, because there is more to do with somebody found than to choose them.
import { type UseComboboxState, type UseComboboxStateChangeOptions, useCombobox } from 'downshift'
import { type ComponentProps, type FormEvent, type KeyboardEvent, type Ref, useEffect } from 'react'

interface Options<T> {
  readonly items: readonly T[]
  readonly typed: string
  readonly onTyped: (typed: string) => void
  readonly keyOf: (item: T) => string
  /** The list is there whatever is typed. */
  readonly alwaysOpen?: boolean
  readonly id: string
}

interface InputProps {
  readonly id: string
  readonly ref: Ref<HTMLInputElement>
  readonly onKeyDown?: (event: KeyboardEvent) => void
  readonly onFocus?: () => void
}

export interface Finder<T> {
  /** What is marked; undefined when nothing is found. */
  readonly marked: T | undefined
  readonly mark: (index: number) => void
  /** The list is shown. */
  readonly listed: boolean
  readonly open: () => void
  readonly close: () => void
  readonly inputProps: (props: InputProps) => ComponentProps<'input'>
  readonly listProps: (label: string) => ComponentProps<'div'>
  readonly optionProps: (item: T, index: number) => ComponentProps<'div'>
}

const { InputKeyDownEnter, InputKeyDownEscape, InputBlur, ItemClick, ItemMouseMove, MenuMouseLeave } = useCombobox.stateChangeTypes

export function useFinder<T>({ items, typed, onTyped, keyOf, alwaysOpen = false, id }: Options<T>): Finder<T> {
  const box = useCombobox<T>({
    id,
    items: [...items],
    itemToString: () => typed,
    itemToKey: (item) => (item === null ? null : keyOf(item)),
    inputValue: typed,
    selectedItem: null,
    defaultHighlightedIndex: 0,
    initialHighlightedIndex: 0,
    ...(alwaysOpen ? { isOpen: true } : {}),
    stateReducer,
  })
  const { highlightedIndex, setHighlightedIndex } = box
  // While the list is short of where the mark was, its last is meant; an empty list that fills again begins at the first.
  const at = items.length === 0 ? -1 : Math.max(0, Math.min(highlightedIndex, items.length - 1))
  useEffect(() => {
    if (at >= 0 && at !== highlightedIndex) setHighlightedIndex(at)
  }, [at, highlightedIndex, setHighlightedIndex])
  const listed = alwaysOpen || (box.isOpen && items.length > 0)
  return {
    marked: items[at],
    mark: setHighlightedIndex,
    listed,
    open: box.openMenu,
    close: box.closeMenu,
    // The text is the caller's: taken as it is typed, so that the caret stays where it is.
    inputProps: (props) => {
      const onInput = (event: FormEvent<HTMLInputElement>) => onTyped(event.currentTarget.value)
      const onKeyDown = (event: KeyboardEvent & { nativeEvent: { preventDownshiftDefault?: boolean } }) => {
        // In a field of text these go to its ends, and with Alt keys are shortcuts.
        if (event.altKey || event.key === 'Home' || event.key === 'End') event.nativeEvent.preventDownshiftDefault = true
        props.onKeyDown?.(event)
      }
      // Field and list are named by what stands beside them, not by a label of the library's.
      return { ...box.getInputProps({ ...props, onInput, onKeyDown }), 'aria-expanded': listed, 'aria-labelledby': undefined }
    },
    listProps: (label) => ({ ...box.getMenuProps({ 'aria-label': label }), 'aria-labelledby': undefined }),
    optionProps: (item, index) => ({ ...box.getItemProps({ item, index }), 'aria-selected': index === at, tabIndex: -1 }),
  }
}

/** What would choose, and put what was chosen into the field, is left to the caller. */
function stateReducer<T>(state: UseComboboxState<T>, { type, changes }: UseComboboxStateChangeOptions<T>): Partial<UseComboboxState<T>> {
  switch (type) {
    case InputKeyDownEnter:
    case ItemClick:
    case ItemMouseMove:
    case MenuMouseLeave:
      return state
    case InputKeyDownEscape:
    case InputBlur:
      return { ...state, isOpen: false }
    default:
      return changes
  }
}
