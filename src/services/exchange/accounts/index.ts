export { type Accounts, type AccountsOptions, KEY_LASTS_MS, openAccounts, ownPinWords, type SignInRefusal, signInWords, type Verified } from './accounts'
export { makePinSecret, type PinSecret } from './secret'
