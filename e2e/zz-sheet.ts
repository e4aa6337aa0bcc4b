import { desk, browser, done } from './zz.ts';
import type { Desk } from './house.ts';
export { done };
const WIDTHS: [number, number][] = [[1280, 800], [1024, 768], [390, 844]];
export async function sheet(name: string, login: string, act: (d: Desk) => Promise<void>, scale = 0.55, widths = WIDTHS, full = false) {
	const parts: string[] = [];
	for (const [w, h] of widths) {
		const d = await desk(login, w, h);
		try { await act(d); await d.settled(); } catch (e) { console.log(name, w, String(e).slice(0, 300)); }
		const png = await d.page.screenshot({ encoding: 'base64', fullPage: full });
		parts.push(`<img src="data:image/png;base64,${png}" style="width:${Math.round(w * scale)}px;border:1px solid #888;vertical-align:top;margin:4px">`);
		await d.page.browserContext().close();
	}
	const p = await (await browser.createBrowserContext()).newPage();
	const total = widths.reduce((sum, [w]) => sum + Math.round(w * scale) + 12, 10);
	await p.setViewport({ width: total, height: Math.round(860 * scale) });
	await p.setContent(`<body style="margin:0;background:#ccc;white-space:nowrap">${parts.join('')}</body>`);
	await p.screenshot({ path: `/tmp/zz/${name}.png`, fullPage: true });
	await p.close();
}
