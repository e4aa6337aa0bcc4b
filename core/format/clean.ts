/** Text that people typed or pasted, without what cannot be seen and only does harm. */

/**
 * Controls but tab and line feed (C0, DEL and C1), marks that change the direction of what follows
 * (UAX 9: embeddings, overrides, isolates and the three marks), the zero-width space and the byte
 * order mark. The joiners stay: scripts and pictographs need them.
 */
const UNSEEN =
	/[\u0000-\u0008\u000b-\u001f\u007f-\u009f\u061c\u200b\u200e\u200f\u202a-\u202e\u2066-\u2069\ufeff]/g;

/** @returns the text with line feeds as line ends, and without what is not seen */
export const cleanText = (text: string): string => text.replace(/\r\n?/g, '\n').replace(UNSEEN, '');
