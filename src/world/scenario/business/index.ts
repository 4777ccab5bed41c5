export { BUSINESS, OTHER_BUSINESS } from './business'
