'use client'
// What may be done with a campaign as a whole, said on the buttons; what is refused stands beside them.
import { useState } from 'react'
import { Button, Problem } from '@/parts/ui'
import type { CampaignView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'

export function StateButtons({ view, name, all = false }: { readonly view: CampaignView; readonly name: string; readonly all?: boolean }) {
  const command = useCommand()
  const [problem, setProblem] = useState<string | null>(null)
  const give = async (kind: 'startCampaign' | 'pauseCampaign' | 'finishCampaign') => {
    const reply = await command({ kind, campaignId: view.id })
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
  }
  return (
    <span className="inline-flex flex-wrap items-center gap-2">
      {view.state === 'running' ? (
        <Button aria-label={`Pause campaign ${name}`} onClick={() => void give('pauseCampaign')}>
          Pause campaign
        </Button>
      ) : (
        <Button tone="primary" aria-label={`Start campaign ${name}`} onClick={() => void give('startCampaign')}>
          {view.state === 'paused' ? 'Go on' : 'Start campaign'}
        </Button>
      )}
      {all && (view.state === 'running' || view.state === 'paused') && (
        <Button tone="quiet" aria-label={`Finish campaign ${name}`} onClick={() => void give('finishCampaign')}>
          Finish campaign
        </Button>
      )}
      {problem !== null && <Problem>{problem}</Problem>}
    </span>
  )
}
