export { CUSTOMERS, type CustomerRecord, customerById, customerByNumber, toCustomer } from './customers'
export { ASSISTANCE, DISRUPTION, FREIGHT, SAILINGS } from './people'
export { FENNHOLM } from './set-up'
