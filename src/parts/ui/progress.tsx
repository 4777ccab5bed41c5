import { useId } from 'react'

interface Props {
  /** What is done, and how far. */
  readonly label: string
  readonly done: number
  readonly of: number
}

/** Long work, by word and bar; browsers paint their own bar in colours of no token, which is why the parts are named. */
export function Progress({ label, done, of }: Props) {
  const id = useId()
  return (
    <div className="max-w-96">
      <label htmlFor={id} className="eyebrow">
        {label}
      </label>
      <progress
        id={id}
        value={done}
        max={of}
        className="mt-1 block h-2 w-full appearance-none rounded-sm border border-line-strong bg-raised [&::-moz-progress-bar]:bg-green [&::-webkit-progress-bar]:bg-raised [&::-webkit-progress-value]:bg-green"
      />
    </div>
  )
}
