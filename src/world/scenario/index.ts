export { CUSTOMERS, type CustomerRecord, customerById, customersByNumber, toCustomer } from './customers'
export { ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS } from './people'
export { NOT_ON_THE_MENU, PLACES, type Place, placeByNumber, SOUND_LINE } from './places'
export { FENNHOLM } from './set-up'
