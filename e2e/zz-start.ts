import { writeFileSync } from 'node:fs';
import { openHouse } from './house.ts';
const house = await openHouse('demo');
writeFileSync('/tmp/zz/house.json', JSON.stringify({ origin: house.origin, data: house.data }));
console.log(house.origin);
setInterval(() => {}, 1000);
