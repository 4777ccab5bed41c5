export { guarded, type Right, type Rights } from './guarded'
export { houseKey, newHouseKey, sharedKey } from './house-key'
export { callSealed, serveSealed } from './sealed'
export { tooMuch } from './size'
