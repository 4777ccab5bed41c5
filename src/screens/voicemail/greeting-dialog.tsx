'use client'
// What a mailbox greets with: as every one does, words of one's own, or one's own voice. Nothing is used before it was kept, and everything can be tried out.
import { useState } from 'react'
import { agentGreeting, type Box, boxKey, type Greeting, LONGEST_GREETING, PREPARED_GREETINGS, queueGreeting } from '@/core/voicemail'
import { Button, Choice, Dialog, Problem, SelectField, useDraft } from '@/parts/ui'
import type { BoxView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'
import { GreetingRecorder } from './greeting-recorder'
import { type Tried, useTryOut } from './use-try-out'

const MANNERS = [
  { value: 'usual', label: 'As every mailbox' },
  { value: 'words', label: 'Words' },
  { value: 'voice', label: 'Your voice' },
] as const
type Manner = (typeof MANNERS)[number]['value']

interface Props {
  readonly boxes: readonly BoxView[]
  readonly begins: Box | null
  readonly onClose: () => void
}

export function GreetingDialog({ boxes, begins, onClose }: Props) {
  const [key, setKey] = useState(() => (begins === null ? boxKey((boxes[0] as BoxView).box) : boxKey(begins)))
  const view = boxes.find((b) => boxKey(b.box) === key)
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Greeting" description="What callers hear before the tone.">
      {boxes.length > 1 && (
        <SelectField label="Of the mailbox" value={key} onChange={(e) => setKey(e.target.value)}>
          {boxes.map((b) => (
            <option key={boxKey(b.box)} value={boxKey(b.box)}>
              {b.box.kind === 'agent' ? `Yours (${b.name})` : b.name}
            </option>
          ))}
        </SelectField>
      )}
      {view !== undefined && <OfBox key={key} view={view} onClose={onClose} />}
    </Dialog>
  )
}

function OfBox({ view, onClose }: { view: BoxView; onClose: () => void }) {
  const command = useCommand()
  const { box, name, greeting, isOwn, mayGreet } = view
  const usual = box.kind === 'agent' ? agentGreeting(name) : queueGreeting(name)
  const [manner, setManner] = useState<Manner>(!isOwn ? 'usual' : greeting.recording === null ? 'words' : 'voice')
  const [text, setText, forget] = useDraft(`greeting ${boxKey(box)}`, isOwn ? greeting.text : usual.text)
  const [recording, setRecording] = useState(greeting.recording)
  const [problem, setProblem] = useState<string | null>(null)
  const tryOut = useTryOut(box)
  const chosen: Greeting = manner === 'usual' ? usual : { text: text.trim(), recording: manner === 'voice' ? recording : null }
  const wrong =
    manner === 'usual'
      ? null
      : chosen.text === ''
        ? 'There are no words. Write what is said: whoever cannot hear it reads it.'
        : manner === 'voice' && recording === null
          ? 'Nothing is recorded yet. Record your greeting first.'
          : null
  const keep = async () => {
    if (wrong !== null) return setProblem(wrong)
    const reply = await command({ kind: 'setGreeting', box, greeting: manner === 'usual' ? null : chosen })
    if (reply.ok) {
      forget()
      onClose()
    } else setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
  }
  return (
    <div className="mt-4 space-y-3">
      {!mayGreet && <p className="border-brass border-l-4 pl-2">The greeting of a queue is kept by whoever keeps the set-up. You can hear it.</p>}
      <Choice
        label="How it greets"
        value={manner}
        options={MANNERS}
        onChange={(next) => {
          setManner(next)
          setProblem(null)
        }}
      />
      {manner === 'usual' && <p className="font-serif text-[1.0625rem] leading-7">“{usual.text}”</p>}
      {manner !== 'usual' && (
        <>
          {manner === 'words' && (
            <SelectField label="Take ready words" value="" onChange={(e) => e.target.value !== '' && setText(e.target.value)}>
              <option value="">Choose…</option>
              {PREPARED_GREETINGS.map((ready) => (
                <option key={ready} value={ready}>
                  {ready}
                </option>
              ))}
            </SelectField>
          )}
          <label className="block">
            <span className="font-semibold">{manner === 'words' ? 'Words' : 'Its words, for who cannot hear it'}</span>
            <textarea
              name="greeting words"
              value={text}
              maxLength={LONGEST_GREETING}
              rows={3}
              onChange={(e) => {
                setText(e.target.value)
                setProblem(null)
              }}
              className="mt-1 w-full rounded-sm border border-line-strong bg-raised px-2 py-1"
            />
          </label>
        </>
      )}
      {manner === 'voice' && <GreetingRecorder recording={recording} onRecorded={setRecording} />}
      {problem !== null && <Problem of={chosen.text === '' ? 'greeting words' : undefined}>{problem}</Problem>}
      <p role="status" className="min-h-6 text-soft">
        {TRIED[tryOut.tried]}
      </p>
      <div className="flex justify-between gap-2">
        <Button disabled={wrong !== null} onClick={() => void tryOut.play(chosen)}>
          Try it out
        </Button>
        <Button tone="primary" disabled={!mayGreet} onClick={() => void keep()}>
          Use it
        </Button>
      </div>
    </div>
  )
}

const TRIED: Readonly<Record<Tried, string>> = {
  notYet: '',
  playing: 'Listen…',
  noVoice: 'No voice of the house has these words: callers read them in the caption. Take ready words, or record your voice.',
  noSound: 'This browser plays no sound.',
}
