// What the accounts of the demonstration sign in with, as it is kept: a salt and a hash for each, made by `makePinSecret` of the exchange.
import { type AgentId, toAgentId } from '@/core/ids'

type Secret = readonly [agent: string, salt: string, hash: string]

/** Their PINs stand on the sign-in page for everybody to read: a hash that is slow to try would protect nothing and make each sign-in wait. */
const PUBLISHED: readonly Secret[] = [
  ['agent_eluned-tarnow', '97adbcfbd8af0fad94ce4c4ae4fc9064', 'c20b94709a4810b81a43fcdb8e21a7da9a5723865a702edf5f48e2c03305488b'],
  ['agent_kester-oddersey', '108d508f09ef7bd76dc0a401ca40629a', '36d0a663823e73de5ab02d3772652c2c36f062de95f87a2b7a4c746bfc82f238'],
  ['agent_sunniva-merrowby', '73e8cc7aeba38cea0456adf0b1c52e7d', '909dc9adffafa7cd473024a0b9932a855b7f722e5434d4672da37a601ae300f7'],
  ['agent_linnea-wickerby', 'b44edec0dcfde0bbef5c129ee4131e1a', '68ee29861e01a86eb20c120d0d44adc552b6e491e83b6b1db0652a7997c36351'],
]
const PUBLISHED_ROUNDS = 1_000

/** As in a real centre, which hands PINs out in person. */
const SECRETS: readonly Secret[] = [
  ['agent_bevan-skarrow', 'f5247b94358ff8dfa17f1a4573634049', '063cec769f77a6747d79ab07d0615c626f674658af5523b35c3a06b8837965df'],
  ['agent_marit-lundeby', '4f94a228b457c87ae5e65c9bbcfdd92b', '1c6b34603e4806760ee7db135ed37330c11607d12d5d876c3200f5d30c3c94b0'],
  ['agent_hollis-varrick', '4c211002ec025b22bda913f77cc1bab0', '0219aab747bfb70688b020d694db5795fe6b69e7efc5e23297c24219aa1a080d'],
  ['agent_idony-penhallis', '0b654a7ae011c0599fdcf712bae3fd34', '42f3b13adb6568808a788ade825a372526246149eedba77e94864efb577bbc95'],
  ['agent_jorun-strandby', '348e3024ad8f82a9470a6052f61d84c4', '34fd12f783bcca7c3dc12cc494ff8e0fb74e90c70c1f8ea4a117d6f1fc102cb8'],
  ['agent_wrenna-corrieshaw', '6f870629b1fd3693459f3116ad68fd23', 'b0d8f89baf1ca82eeb2fe6a773ef1d979fb27440bb927de1e68deb8256f0648d'],
  ['agent_ulric-grunvik', '00598fc3fdda96bf25a863aab4c0e24d', 'f45b735271fd2b353587f0e7d6923ece59bc69fef659b618f3ba98aaa0e4d3df'],
  ['agent_fenella-eddystane', '2fd7044119c8773b6f4a0efb9327ac79', 'edfe6ff486969d8cbb439b1d2e485cfe73c19dd7508ad3d4d4843657dd79a8a5'],
  ['agent_torin-kellowick', 'b2c41c95fda48a4a375ae85f05c15651', 'cdda21c20b0d717c292c2ea3098a8a8509290eff11c2b2e894eaaa5fc00335cd'],
  ['agent_yrsa-tidesley', 'bc63b969f5a8335e2c06b85f9be365a0', '03455ef7513c56942d13865e2b1694a9a25172e059fb072c2834c7e5dfafdbb5'],
  ['agent_odhran-saltergate', 'a0a8186e01f131b353335b0b54f176ac', 'b32f94b6d43118a370a423bfac034a9a34939d71abdcc7ac2969ceef414371b2'],
]

const ROUNDS = 600_000

const kept = (secrets: readonly Secret[], rounds: number) => secrets.map(([agent, salt, hash]) => [toAgentId(agent), { salt, hash, rounds }] as const)

export const DEMO_SECRETS: ReadonlyMap<AgentId, { readonly salt: string; readonly hash: string; readonly rounds: number }> = new Map([
  ...kept(PUBLISHED, PUBLISHED_ROUNDS),
  ...kept(SECRETS, ROUNDS),
])
