'use client'
// The groups people are listed by, with how many are in each: one Tab stop, arrows inside.
import { ToggleGroup } from 'radix-ui'
import type { PeoplePage } from '@/services/exchange/people'

interface Props {
  readonly groups: PeoplePage['groups']
  readonly group: string
  readonly onGroup: (key: string) => void
}

export function Groups({ groups, group, onGroup }: Props) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label="Groups"
      value={group}
      onValueChange={(key) => key !== '' && onGroup(key)}
      className="mt-3 flex max-h-24 flex-wrap gap-x-4 gap-y-1 overflow-auto border-line border-b pb-2"
    >
      {groups.map(({ key, label, count }) => (
        <ToggleGroup.Item
          key={key}
          value={key}
          className="border-transparent border-b-2 py-0.5 text-soft data-[state=on]:border-green data-[state=on]:font-semibold data-[state=on]:text-ink"
        >
          {label} <span className="tabular">{count}</span>
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  )
}
