'use client'
// Quick texts of the centre: to be read, and edited in a dialog like the other lists.
import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { useFieldArray, useForm } from 'react-hook-form'
import * as z from 'zod'
import type { QueueId } from '@/core/ids'
import type { SetUp } from '@/core/set-up'
import { Button, nameIn } from '@/parts/ui'
import { EditorDialog } from './editor-dialog'
import { ROW_INPUT, RowsField } from './rows-field'

const FormSchema = z.object({
  texts: z.array(
    z.object({
      name: z.string().trim().min(1, 'Every text needs a name to be found by.'),
      queueId: z.string(),
      text: z.string().trim().min(1, 'Every text needs words.'),
    }),
  ),
})
type Form = z.infer<typeof FormSchema>

export function QuickTextsPart({ setUp, onSave }: { setUp: SetUp; onSave: (change: Partial<SetUp>) => void }) {
  const [editing, setEditing] = useState(false)
  return (
    <section aria-label="Quick texts" className="mt-8">
      <div className="flex items-baseline justify-between">
        <h2 className="font-semibold text-lg">Quick texts</h2>
        <Button aria-label="Edit quick texts" onClick={() => setEditing(true)}>
          Edit
        </Button>
      </div>
      <dl className="mt-1 grid grid-cols-[13.75rem_1fr] gap-y-1 border-line-strong border-t pt-2">
        {setUp.quickTexts.map(({ name, queueId, text }) => (
          <div key={name} className="contents">
            <dt className="min-w-0 break-words">
              {name}
              <span className="text-soft"> · {queueId === null ? 'all queues' : nameIn(setUp.queues, queueId)}</span>
            </dt>
            <dd className="min-w-0 break-words text-soft">{text}</dd>
          </div>
        ))}
      </dl>
      {setUp.quickTexts.length === 0 && <p className="text-soft">None yet. What agents write again and again can be written here once.</p>}
      {editing && <Editor setUp={setUp} onSave={onSave} onClose={() => setEditing(false)} />}
    </section>
  )
}

function Editor({ setUp, onSave, onClose }: { setUp: SetUp; onSave: (change: Partial<SetUp>) => void; onClose: () => void }) {
  const { register, control, handleSubmit, formState } = useForm<Form>({
    resolver: zodResolver(FormSchema),
    defaultValues: { texts: setUp.quickTexts.map((t) => ({ ...t, queueId: t.queueId ?? '' })) },
  })
  const { fields, append, remove } = useFieldArray({ control, name: 'texts' })
  const wrong = formState.errors.texts?.find?.((row) => row !== undefined)
  const problem = wrong?.name?.message ?? wrong?.text?.message
  return (
    <EditorDialog
      title="Quick texts"
      dirty={formState.isDirty}
      onClose={onClose}
      onSubmit={handleSubmit(({ texts }) => {
        onSave({ quickTexts: texts.map((t) => ({ ...t, queueId: t.queueId === '' ? null : (t.queueId as QueueId) })) })
        onClose()
      })}
    >
      <RowsField
        label="Texts"
        hint="{caller.firstName|there} stands for the first name, or “there” where it is not known; {agent.firstName} for who writes."
        rows={fields}
        add="Add a text"
        onAdd={() => append({ name: '', queueId: '', text: '' })}
        onRemove={remove}
        problem={problem}
      >
        {(_, i) => (
          <>
            <input
              aria-label={`Name of text ${i + 1}`}
              aria-invalid={wrong?.name !== undefined || undefined}
              className={`${ROW_INPUT} w-40`}
              {...register(`texts.${i}.name`)}
            />
            <select aria-label={`Queue of text ${i + 1}`} className={`${ROW_INPUT} w-32`} {...register(`texts.${i}.queueId`)}>
              <option value="">All queues</option>
              {setUp.queues
                .filter((q) => !q.retired)
                .map((q) => (
                  <option key={q.id} value={q.id}>
                    {q.name}
                  </option>
                ))}
            </select>
            <input
              aria-label={`Words of text ${i + 1}`}
              aria-invalid={wrong?.text !== undefined || undefined}
              className={`${ROW_INPUT} min-w-0 flex-1`}
              {...register(`texts.${i}.text`)}
            />
          </>
        )}
      </RowsField>
    </EditorDialog>
  )
}
