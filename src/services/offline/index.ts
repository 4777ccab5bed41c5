export { KeptForOffline } from './kept-for-offline'
