export { ENTITLEMENT_WORDS, type NotEntitled, RIGHTS_WORDS, type RightsRefusal } from './refusals'
export { barred, noAccount, openAccount, unentitled, unentitledToDial } from './rights'
