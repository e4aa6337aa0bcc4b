/** Chance from a fixed seed (mulberry32), so that the demo is the same each time. */
export class Chance {
	#s: number;
	constructor(seed: number) {
		this.#s = seed >>> 0;
	}
	next(): number {
		this.#s = (this.#s + 0x6d2b79f5) >>> 0;
		let number = this.#s;
		number = Math.imul(number ^ (number >>> 15), number | 1);
		number ^= number + Math.imul(number ^ (number >>> 7), number | 61);
		return ((number ^ (number >>> 14)) >>> 0) / 4294967296;
	}
	/** A whole number from a to b, both included. */
	int(a: number, b: number): number {
		return a + Math.floor(this.next() * (b - a + 1));
	}
	pick<T>(list: readonly T[]): T {
		return list[Math.floor(this.next() * list.length)]!;
	}
	yes(number: number): boolean {
		return this.next() < number;
	}
}
