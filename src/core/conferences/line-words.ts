// What the conference line says.
export const ASKS_CODE = 'Welcome to the conference line. Please key in the code of your conference.'
export const WRONG_CODE = 'No conference that is open has this code. Please key it in again.'
export const GOOD_BYE = 'Please ask for the code, and call again. Good-bye.'
