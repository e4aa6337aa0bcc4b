/**
 * What a browser receives for the Day sheet, as it travels: page, script, stylesheets, typefaces.
 */
import { openBrowser, openHouse, sit } from '../e2e/house.ts';

const KILOBYTE = 1024;
type Sort = 'Document' | 'Script' | 'Stylesheet' | 'Font';
const SORTS: readonly [sort: Sort, label: string, goal: string][] = [
	['Document', 'page', 'at most 60'],
	['Script', 'script', 'at most 120'],
	['Stylesheet', 'stylesheets', ''],
	['Font', 'typefaces', 'under 158']
];

/** Kilobytes on the wire, by what they are. */
async function weighDaySheet(): Promise<Map<string, number>> {
	const house = await openHouse('demo');
	const browser = await openBrowser();
	try {
		const desk = await sit(browser, house.origin, 'okafor');
		await desk.page.setCacheEnabled(false);
		const session = await desk.page.createCDPSession();
		await session.send('Network.enable');
		const sorts = new Map<string, string>();
		const bytes = new Map<string, number>();
		session.on('Network.responseReceived', ({ requestId, type }) => sorts.set(requestId, type));
		session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
			const sort = sorts.get(requestId) ?? '';
			bytes.set(sort, (bytes.get(sort) ?? 0) + encodedDataLength);
		});
		await desk.go('/');
		await new Promise((resolve) => setTimeout(resolve, 1000));
		return bytes;
	} finally {
		await browser.close();
		await house.stop();
	}
}

/** Prints what is sent for the Day sheet. */
export async function printSent(): Promise<void> {
	const bytes = await weighDaySheet();
	for (const [sort, label, goal] of SORTS)
		console.log(
			`the Day sheet's ${label} as it travels, in KB`.padEnd(78),
			((bytes.get(sort) ?? 0) / KILOBYTE).toFixed(1).padStart(8),
			'',
			goal
		);
}
