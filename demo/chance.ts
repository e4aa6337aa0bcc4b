/** Chance from a fixed seed (mulberry32), so that the demo is the same each time. */
export class Chance {
	#s: number;
	constructor(seed: number) {
		this.#s = seed >>> 0;
	}
	next(): number {
		this.#s = (this.#s + 0x6d2b79f5) >>> 0;
		let t = this.#s;
		t = Math.imul(t ^ (t >>> 15), t | 1);
		t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
		return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
	}
	/** A whole number from a to b, both included. */
	int(a: number, b: number): number {
		return a + Math.floor(this.next() * (b - a + 1));
	}
	pick<T>(list: readonly T[]): T {
		return list[Math.floor(this.next() * list.length)]!;
	}
	yes(p: number): boolean {
		return this.next() < p;
	}
}
