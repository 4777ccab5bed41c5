'use client'
// What may be carried at once, as rows of one number for each channel: the centre's, or an account's own.
import type { FieldErrors, FieldValues, Path, UseFormRegister } from 'react-hook-form'
import * as z from 'zod'
import { CHANNELS, type Load } from '@/core/channels'
import { CHANNEL_WORDS } from '@/parts/words'
import { ROW_INPUT, RowsField } from './rows-field'

const most = (limit: number) => z.number({ error: 'Type a number.' }).int('A whole number.').min(0, 'Not less than none.').max(limit, `${limit} is the most.`)
export const LoadRowsSchema = z.array(z.object({ call: most(1), chat: most(20), mail: most(50), text: most(50) }))
export const ONE_OF_EACH: Load = { call: 0, chat: 1, mail: 1, text: 1 }

export const loadWords = (load: Load): string =>
  CHANNELS.filter((c) => load[c] > 0)
    .map((c) => `${load[c]} ${CHANNEL_WORDS[c].toLowerCase()}${load[c] === 1 ? '' : 's'}`)
    .join(' and ') || 'nothing'

interface Props<F extends FieldValues & { readonly carries: z.infer<typeof LoadRowsSchema> }> {
  readonly label: string
  readonly hint: string
  readonly rows: readonly (Load & { readonly id: string })[]
  readonly register: UseFormRegister<F>
  readonly errors: FieldErrors<F>['carries']
  readonly onAdd: () => void
  readonly onRemove: (index: number) => void
}

export function LoadsField<F extends FieldValues & { readonly carries: z.infer<typeof LoadRowsSchema> }>({ register, errors, ...rows }: Props<F>) {
  return (
    <RowsField {...rows} add="Add a row" problem={firstProblem(errors)}>
      {(_, i) =>
        CHANNELS.map((channel) => (
          <label key={channel} className="flex items-center gap-1">
            <input
              type="number"
              aria-label={`${CHANNEL_WORDS[channel]}s at once, row ${i + 1}`}
              className={`${ROW_INPUT} w-16`}
              {...register(`carries.${i}.${channel}` as Path<F>, { valueAsNumber: true } as never)}
            />
            {CHANNEL_WORDS[channel].toLowerCase()}s
          </label>
        ))
      }
    </RowsField>
  )
}

/** Of the list, or of the first field of it that has one. */
export function firstProblem(errors: unknown): string | undefined {
  if (typeof errors !== 'object' || errors === null) return undefined
  if ('message' in errors && typeof errors.message === 'string') return errors.message
  for (const [key, inner] of Object.entries(errors)) {
    const found = key === 'ref' ? undefined : firstProblem(inner)
    if (found !== undefined) return found
  }
  return undefined
}
