'use client'
// Voicemail: the mailboxes one may open, what was left in them, and what they greet with. The message in front is heard and answered beside the list.
import { useSearchParams } from 'next/navigation'
import { useEffect, useState } from 'react'
import { folded, hasWords } from '@/core/people'
import { boxKey } from '@/core/voicemail'
import { PeoplePlaces } from '@/parts/frame'
import { Button, Choice, ListBeside, Problem, SelectField, TextField } from '@/parts/ui'
import { useNumberWords } from '@/parts/words'
import type { MessageView } from '@/services/exchange/protocol'
import { useAllSeen, useCommand } from '@/services/exchange/react'
import { GreetingDialog } from './greeting-dialog'
import { MessageEntry } from './message-entry'
import { MessagesList } from './messages-list'
import { useCallBack } from './use-call-back'
import { useMessages } from './use-messages'
import { fromWords, saidIn } from './words'

const ALL = 'all'

export function VoicemailScreen() {
  useNumberWords()
  const seen = useAllSeen(({ account, centre, seats }) => ({ account, centre, seats }))
  const page = useMessages()
  const command = useCommand()
  const callBack = useCallBack()
  const [typed, setTyped] = useState('')
  const [which, setWhich] = useState<'all' | 'new'>('all')
  const [boxId, setBoxId] = useState(ALL)
  /** The message that is asked for in the address, by its own name or that of the call it was left on, until another one is chosen. */
  const asked = useSearchParams()
  const [chosenId, setFrontId] = useState<string | null>(null)
  const [deleted, setDeleted] = useState<MessageView | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [greets, setGreets] = useState(false)
  useClearSounds(page?.soundsInUse ?? null)
  if (seen === null) return null
  const { account, centre, seats } = seen
  const isAsked = (m: MessageView) => m.id === asked.get('message') || m.callId === asked.get('call')
  const frontId = chosenId ?? page?.messages.find(isAsked)?.id ?? null
  const boxes = page?.boxes ?? []
  const box = boxes.find((b) => boxKey(b.box) === boxId) ?? null
  const words = folded(typed).split(/\s+/).filter(Boolean)
  const isNew = (m: MessageView) => !m.heard && m.deletedAtMs === null
  const inBox = (page?.messages ?? []).filter((m) => box === null || boxKey(m.box) === boxId)
  const shown = inBox.filter((m) => {
    if (which === 'new' && !isNew(m) && m.id !== frontId) return false
    const text = folded([fromWords(m), m.boxName, saidIn(m), m.forwarded?.note ?? ''].join(' '))
    return hasWords(words, text, m.number)
  })
  const front = shown.find((m) => m.id === frontId) ?? null
  const fresh = inBox.filter(isNew).length
  const bringBack = async (message: MessageView) => {
    const reply = await command({ kind: 'restoreMessage', messageId: message.id })
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
    if (reply.ok) setDeleted(null)
  }
  return (
    <>
      <PeoplePlaces here="/voicemail" />
      <main className="flex min-h-0 flex-1 flex-col">
        <ListBeside
          name="voicemail"
          accountId={account.id}
          label="Message"
          px={460}
          list={
            <>
              <div className="flex flex-wrap items-end gap-3">
                <h1 className="mr-2 self-center font-semibold text-2xl">Voicemail</h1>
                <TextField
                  label="Find a message"
                  className="min-w-44 flex-1"
                  type="search"
                  autoComplete="off"
                  placeholder="Name, number or words"
                  value={typed}
                  onChange={(e) => setTyped(e.target.value)}
                />
                <SelectField label="Mailbox" className="w-44" value={boxId} onChange={(e) => setBoxId(e.target.value)}>
                  <option value={ALL}>All of them</option>
                  {boxes.map((b) => (
                    <option key={boxKey(b.box)} value={boxKey(b.box)}>
                      {b.box.kind === 'agent' ? 'Yours' : b.name}
                    </option>
                  ))}
                </SelectField>
                <Choice
                  label="Which"
                  value={which}
                  options={[
                    { value: 'all', label: 'All' },
                    { value: 'new', label: 'Not heard' },
                  ]}
                  onChange={setWhich}
                />
                <Button onClick={() => setGreets(true)} disabled={boxes.length === 0}>
                  Greeting…
                </Button>
              </div>
              <p role="status" className="mt-3 min-h-6 text-soft">
                {page === null ? 'Looking…' : shown.length === 1 ? '1 message' : `${shown.length} messages`}
                {fresh > 0 && <strong className="ml-3 text-brass-text">{fresh} not heard</strong>}
                {deleted !== null && (
                  <>
                    <span className="ml-3">The message of {fromWords(deleted)} is deleted.</span>{' '}
                    <Button tone="quiet" className="!h-6 !px-1" onClick={() => void bringBack(deleted)}>
                      Bring it back
                    </Button>
                  </>
                )}
              </p>
              {problem !== null && <Problem>{problem}</Problem>}
              <MessagesList
                messages={shown}
                frontId={frontId}
                onFront={setFrontId}
                onEnter={(message) => void callBack.call(message)}
                timeZone={centre.timeZone}
                empty={page === null ? '' : emptyWords(typed.trim(), which === 'new')}
              />
            </>
          }
          beside={
            front === null ? (
              <p className="px-5 py-6 font-serif text-[1.0625rem] text-soft leading-7">
                The message you choose in the list stands here, to be heard and answered. What is deleted can be brought back for ten minutes.
              </p>
            ) : (
              <MessageEntry
                key={front.id}
                message={front}
                centre={centre}
                seats={seats}
                account={account}
                callBack={callBack}
                onDeleted={() => setDeleted(front)}
              />
            )
          }
        />
      </main>
      {greets && <GreetingDialog boxes={boxes} begins={box?.box ?? null} onClose={() => setGreets(false)} />}
    </>
  )
}

function emptyWords(search: string, onlyNew: boolean): string {
  if (search !== '') return `No message here has “${search}” in it.`
  return onlyNew ? 'Everything has been heard.' : 'No messages. Whoever finds nobody at the desk may leave one here.'
}

/** Sounds of messages that are gone for good go as well. */
function useClearSounds(inUse: readonly string[] | null): void {
  const key = inUse === null ? null : inUse.join(' ')
  useEffect(() => {
    if (key === null) return
    void import('@/services/exchange/recordings/forget').then(({ forgetAllBut }) => forgetAllBut(['rec_message_', 'rec_greeting_'], new Set(key.split(' '))))
  }, [key])
}
