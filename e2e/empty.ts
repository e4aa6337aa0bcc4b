import { openApplication } from '#server/open.ts';
import { readSettings } from '#server/settings.ts';
import { makeHouse } from '../demo/house.ts';

const world = openApplication(readSettings(process.env));
await makeHouse(world, false);
world.db.close();
