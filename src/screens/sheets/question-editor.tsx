'use client'
// The form of a question of a sheet.
import { zodResolver } from '@hookform/resolvers/zod'
import { useForm } from 'react-hook-form'
import * as z from 'zod'
import type { SheetQuestion } from '@/core/reviews'
import { SelectField, TextField } from '@/parts/ui'
import { EditorDialog } from '@/screens/set-up'

const FormSchema = z.object({
  label: z.string().trim().min(1, 'The question needs its words.'),
  kind: z.enum(['scale', 'yesNo']),
  weight: z.number({ error: 'Type a number.' }).positive('It must weigh more than nothing.').max(100, 'A hundred is the most.'),
  mustHave: z.boolean(),
})
type Form = z.infer<typeof FormSchema>

interface Props {
  readonly question: SheetQuestion
  readonly onSave: (question: SheetQuestion) => void
  readonly onClose: () => void
}

export function QuestionEditor({ question, onSave, onClose }: Props) {
  const { id, ...rest } = question
  const { register, handleSubmit, formState } = useForm<Form>({ resolver: zodResolver(FormSchema), defaultValues: rest })
  const { errors } = formState
  return (
    <EditorDialog
      title={id === '' ? 'New question' : 'Question'}
      dirty={formState.isDirty}
      onClose={onClose}
      onSubmit={handleSubmit((form) => {
        onSave({ ...form, id })
        onClose()
      })}
    >
      <TextField label="Question" problem={errors.label?.message ?? null} {...register('label')} />
      <div className="grid grid-cols-2 gap-3">
        <SelectField label="Answered by" {...register('kind')}>
          <option value="scale">1 to 5</option>
          <option value="yesNo">yes or no</option>
        </SelectField>
        <TextField label="Weight" type="number" min={0} step="any" problem={errors.weight?.message ?? null} {...register('weight', { valueAsNumber: true })} />
      </div>
      <label className="flex items-center gap-2">
        <input type="checkbox" className="size-4 accent-green" {...register('mustHave')} /> a must: failed, the whole review scores nothing
      </label>
    </EditorDialog>
  )
}
