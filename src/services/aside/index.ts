export { type Asking, askAside } from './ask-aside'
