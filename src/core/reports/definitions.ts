// The definition of every figure, in the words of MEASURES.md: the tooltip beside it and the documentation.
export const DEFINITIONS = {
  offered: 'Inbound calls that entered the queue in the interval. A call belongs to the interval in which it entered.',
  answered: 'Offered calls in which an agent and the caller heard each other.',
  abandoned: 'Offered calls ended by the caller before an agent answered.',
  abandonRatio: 'Abandoned without short abandons (within 5 s) ÷ offered without short abandons.',
  serviceLevel: 'Answered within the queue’s time ÷ offered without short abandons.',
  speedOfAnswer: 'From entering the queue to the answer, over answered calls.',
  aht: 'Average handle time: talk + hold + wrap-up of the agent’s leg, mean over handled legs.',
  occupancy: 'Handle time ÷ (handle time + ready time).',
  utilisation: 'Handle time ÷ shift time.',
  uncoded: 'Handled calls still without an outcome 10 minutes after their end.',
  disagreement: 'Coded calls whose script answers speak against the code ÷ coded calls that ran a script.',
  outcomes: 'Calls by the outcome they were coded with.',
} as const
