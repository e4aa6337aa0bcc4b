/** The sign-off is read in a worker: whose word is wanting is counted over all dates. */
import { reading } from '../app/reading.ts';

export const readSignOff = reading('sign-off', async () => (await import('./page.ts')).showSignOff);
