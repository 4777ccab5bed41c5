export { CUSTOMERS, type CustomerRecord, customerById, customerByNumber, toCustomer } from './customers'
export { ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS } from './people'
export { NOT_ON_THE_MENU, PLACES, type Place, placeByNumber } from './places'
export { FENNHOLM } from './set-up'
