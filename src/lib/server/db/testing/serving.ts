/** The stand-in for a service in a process of its own: a replica holds up the one that it is opened in. */
import { StandIn } from './standIn.js';

const [, , file] = process.argv;
const standIn = new StandIn(file ?? '');
// Tells its replicas nothing from then on, or again.
process.on('SIGUSR2', () => (standIn.tells = !standIn.tells));
console.log(await standIn.start());
