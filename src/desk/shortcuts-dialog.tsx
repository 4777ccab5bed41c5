import { Dialog } from '@/ui'
import { SHORTCUTS } from './shortcuts'

export function ShortcutsDialog({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title="Keyboard" description="All of these work while you type. Hold Alt to see them on the controls.">
      <table className="w-full">
        <tbody>
          {Object.values(SHORTCUTS).map(({ keys, does }) => (
            <Row key={keys} keys={keys} does={does} />
          ))}
          <Row keys="Alt+1 … 9" does="Choose the outcome with that key" />
        </tbody>
      </table>
    </Dialog>
  )
}

function Row({ keys, does }: { keys: string; does: string }) {
  return (
    <tr className="border-line border-t">
      <th scope="row" className="tabular w-36 py-1.5 text-left font-semibold">
        {keys}
      </th>
      <td>{does}</td>
    </tr>
  )
}
