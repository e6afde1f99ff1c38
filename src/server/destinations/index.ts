export { refusedBy, type Rules } from './rules';
export { patiently, sendFile, type Pauses } from './send-file';
export { listDestinations, openDestination, type DestinationWords } from './settings';
export { lineTrouble } from './trouble';
