/**
 * What a password must not be: short, one that everybody tries first, or made of who one is.
 * (NIST SP 800-63B, 5.1.1.2: length and a list of common ones; no rules of composition.)
 */
import { COMMON_PASSWORDS } from './common-passwords.ts';

const SHORTEST_PASSWORD = 12;
export const LONGEST_PASSWORD = 200;

/** Without what people put around a common word: digits and signs at its ends. */
const core = (password: string): string =>
	password
		.toLowerCase()
		.replace(/^[^a-z]+|[^a-z]+$/g, '')
		.replace(/[@4]/g, 'a')
		.replace(/0/g, 'o')
		.replace(/[$5]/g, 's')
		.replace(/3/g, 'e')
		.replace(/[1!|]/g, 'i')
		.replace(/[^a-z]/g, '');

/** "abcabcabcabc", "aaaaaaaaaaaa" */
const isRepeated = (password: string): boolean => /^(.{1,4})\1{2,}.{0,3}$/i.test(password);

const RUNS = ['abcdefghijklmnopqrstuvwxyz', '01234567890123456789', 'qwertyuiopasdfghjklzxcvbnm'];
/** "123456789012", "qwertyuiopas": a run of the alphabet, of digits or of the keyboard. */
function isRun(password: string): boolean {
	const text = password.toLowerCase();
	const back = [...text].reverse().join('');
	return RUNS.some((run) => run.includes(text) || run.includes(back));
}

/**
 * What is wrong with a new password, in words; undefined where nothing is.
 * @param own the words that name whose it is: login, name, department
 */
export function findPasswordFault(password: string, own: readonly string[]): string | undefined {
	if (password.length < SHORTEST_PASSWORD)
		return `The password has fewer than ${SHORTEST_PASSWORD} characters.`;
	if (password.length > LONGEST_PASSWORD)
		return `The password has more than ${LONGEST_PASSWORD} characters.`;
	if (isRepeated(password) || isRun(password))
		return 'This password is a run of letters or digits. Take several words instead.';
	const bare = core(password);
	if (COMMON_PASSWORDS.has(password.toLowerCase()) || COMMON_PASSWORDS.has(bare))
		return 'Everybody tries this password first. Take another.';
	const words = own.flatMap((name) => name.toLowerCase().split(/[^a-z0-9]+/));
	const left = words
		.filter((word) => word.length > 2)
		.reduce((rest, word) => rest.replaceAll(word, ''), password.toLowerCase());
	if (left.length < SHORTEST_PASSWORD / 2)
		return 'The password is made of your name. Take another.';
	return undefined;
}
