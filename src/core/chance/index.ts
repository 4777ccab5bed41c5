export { type Chance, createChance, seedFor } from './chance'
