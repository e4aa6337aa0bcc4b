/** What was just done is said at one place of the screen, where it lies over nothing. */

type Act = { label: string; onClick: () => void };
type Said = { words: string; action?: Act | undefined; cancel?: Act | undefined };

/** Long enough to read a line and to take it back. */
const SHOWN_MS = 9000;

class Saying {
	said = $state.raw<Said | null>(null);
	#end: ReturnType<typeof setTimeout> | undefined;

	say(said: Said): void {
		this.said = said;
		this.keep();
		this.letGo();
	}
	/** It stays while somebody is at it. */
	keep(): void {
		clearTimeout(this.#end);
	}
	letGo(): void {
		this.#end = setTimeout(() => this.clear(), SHOWN_MS);
	}
	clear(): void {
		this.keep();
		this.said = null;
	}
}
export const saying = new Saying();

/** Says what was done, with what leads on from it or takes it back. */
export const say = (words: string, acts: Omit<Said, 'words'> = {}): void =>
	saying.say({ words, ...acts });
