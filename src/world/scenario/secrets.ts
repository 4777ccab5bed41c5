// What the accounts of the demonstration sign in with, as it is kept: a salt and a hash for each. The PINs themselves are in the README; a
// real centre hands them out in person. Made by `makePinSecret` of the exchange, in its number of rounds.
import { type AgentId, toAgentId } from '@/core/ids'

const ROUNDS = 600_000

const SECRETS: readonly (readonly [agent: string, salt: string, hash: string])[] = [
  ['agent_eluned-tarnow', '73cdaf7ef5391659a28c41bdfa92be20', 'f7866c8c178a74bc07572a8651371c045c7e66b6615dd9f5cc90b95574d3fe6f'],
  ['agent_kester-oddersey', 'd01e34db0d711925e4a80ef9d7c18bb0', '1aa1b431d1ed1a46b632076c7a6463d54a3bcc006c96db8b0783d7beb4cf0ace'],
  ['agent_sunniva-merrowby', '6fada39ff8dd8510b2f13441ca632209', 'ab8100205da62481b2fb7c8b955edbcf94085a6b82dc939e0a63e738089ed422'],
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
  ['agent_linnea-wickerby', '5235bb753e2d0bb839d35429bfe788ac', '6b9cdbaf1a80ee7f0068fa173d8f886290e359a4579cc15bb6b656cafcf0300e'],
]

export const DEMO_SECRETS: ReadonlyMap<AgentId, { readonly salt: string; readonly hash: string; readonly rounds: number }> = new Map(
  SECRETS.map(([agent, salt, hash]) => [toAgentId(agent), { salt, hash, rounds: ROUNDS }]),
)
