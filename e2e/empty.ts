/** An empty house: people, business units and rates, no matter. */
import { openWorld, readSettings } from '#server/world.ts';
import { makeHouse } from '../demo/house.ts';

const world = openWorld(readSettings(process.env));
await makeHouse(world, false);
world.db.close();
