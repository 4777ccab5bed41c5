export { type Accounts, type AccountsOptions, openAccounts, type SignInRefusal, signInWords, type Verified } from './accounts'
export { makePinSecret, type PinSecret } from './secret'
