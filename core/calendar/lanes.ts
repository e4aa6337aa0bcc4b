/**
 * Appointments that overlap stand beside one another: each gets a lane, and knows how many there
 * are where it stands. Minutes after midnight of one day.
 */
export type Block = { from: number; to: number };
export type Placed<Item extends Block> = { item: Item; lane: number; lanes: number };

/** A shorter one is drawn as if it took so long, so that it can be read and hit. */
export const SHORTEST_MINUTES = 20;

/**
 * In order of time; of those that begin at once the longer one first.
 * @param shortest so many minutes each takes at least where it is drawn
 */
export function placeBlocks<Item extends Block>(
	items: readonly Item[],
	shortest = SHORTEST_MINUTES
): Placed<Item>[] {
	const endOf = ({ from, to }: Block): number => Math.max(to, from + shortest);
	const sorted = [...items].sort(
		(one, other) => one.from - other.from || endOf(other) - endOf(one)
	);
	const placed: Placed<Item>[] = [];
	let cluster: Placed<Item>[] = [];
	/** When each lane of the cluster is free again. */
	let ends: number[] = [];
	const close = () => {
		for (const one of cluster) one.lanes = ends.length;
		placed.push(...cluster);
		[cluster, ends] = [[], []];
	};
	for (const item of sorted) {
		if (ends.every((end) => end <= item.from)) close();
		const free = ends.findIndex((end) => end <= item.from);
		const lane = free === -1 ? ends.length : free;
		ends[lane] = endOf(item);
		cluster.push({ item, lane, lanes: 0 });
	}
	close();
	return placed;
}
