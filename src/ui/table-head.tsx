// The head of a table of fixed columns: what each is called, and how wide it is.
import clsx from 'clsx'

/** Heading and width class; an empty heading stands over buttons. */
export type Heading = readonly [heading: string, width: string]

export function TableHead({ headings, className }: { headings: readonly Heading[]; className?: string }) {
  return (
    <thead>
      <tr className={clsx('border-line-strong border-b text-left', className)}>
        {headings.map(([heading, width]) => (
          <th key={heading} scope="col" className={`eyebrow py-1 pr-3 ${width}`}>
            {heading}
          </th>
        ))}
      </tr>
    </thead>
  )
}
