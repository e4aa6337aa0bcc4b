import { overview } from '#server/matters/charts.ts';
import { only, theWorld } from '#server/web.ts';

export const load = (event) => ({ figures: overview(theWorld(), only(event, 'overview.read')) });
