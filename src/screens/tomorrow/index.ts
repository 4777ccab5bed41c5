export { Tomorrow } from './tomorrow'
export { WhatIf } from './what-if'
