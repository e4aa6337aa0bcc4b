/**
 * Keys of the screens: letters that work while nobody types, and arrows that walk from link to
 * link.
 */
import { tinykeys } from 'tinykeys';

type Bindings = Readonly<Record<string, (event: KeyboardEvent) => void>>;

const isTyping = ({ target }: KeyboardEvent): boolean =>
	target instanceof HTMLElement &&
	(target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** A key of the page is not for what stands over it. */
export const isDialogOpen = (): boolean => document.querySelector('[role="dialog"]') !== null;

/** Binds keys of the whole page; they rest while somebody types. Gives what unbinds them. */
export const bindKeys = (bindings: Bindings): (() => void) =>
	tinykeys(
		window,
		Object.fromEntries(
			Object.entries(bindings).map(([key, act]) => [
				key,
				(event: KeyboardEvent) => {
					if (!isTyping(event)) act(event);
				}
			])
		)
	);

/** How far a page key goes. */
const PAGE_STEP = 15;

/** Arrows walk from one link of a list to the next, and stay at its ends. */
export function walkLinks(list: HTMLElement, selector: string): { destroy(): void } {
	const step = (by: number) => (event: KeyboardEvent) => {
		const links = [...list.querySelectorAll<HTMLAnchorElement>(selector)];
		const at = links.findIndex((link) => link === document.activeElement);
		const next = links[Math.max(0, Math.min(links.length - 1, at + by))];
		if (at < 0 || !next) return;
		event.preventDefault();
		next.focus();
	};
	const destroy = tinykeys(list, {
		ArrowDown: step(1),
		ArrowUp: step(-1),
		PageDown: step(PAGE_STEP),
		PageUp: step(-PAGE_STEP),
		Home: step(-Infinity),
		End: step(Infinity)
	});
	return { destroy };
}

/** Escape leaves what has the focus within it, and nothing else. */
export function onEscape(element: HTMLElement, leave: () => void): { destroy(): void } {
	const destroy = tinykeys(element, {
		Escape(event) {
			event.stopPropagation();
			leave();
		}
	});
	return { destroy };
}
