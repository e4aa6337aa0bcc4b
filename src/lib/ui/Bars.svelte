<!--
	A bar chart whose bars open the list behind them. Beneath it the same figures as links, for those
	who cannot see or point.
-->
<script lang="ts">
	import { tokenValue } from './tokens.ts';
	import { goto } from '$app/navigation';
	import {
		BarController,
		BarElement,
		CategoryScale,
		Chart,
		LinearScale,
		Tooltip,
		type ChartEvent,
		type ActiveElement
	} from 'chart.js';
	type Slice = { name: string; n: number; href: string };
	type Series = { label: string; color: string; slices: Slice[] };
	let {
		title,
		series,
		across = false,
		height = 220,
		names
	}: {
		title: string;
		series: Series[];
		across?: boolean;
		height?: number;
		names: string[];
	} = $props();
	Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip);
	const total = $derived(series.flatMap((s) => s.slices).reduce((a, s) => a + s.n, 0));
	type Given = { series: Series[]; names: string[]; across: boolean };
	function draw(canvas: HTMLCanvasElement, given: Given) {
		const make = (g: Given) =>
			new Chart(canvas, {
				type: 'bar',
				data: {
					labels: g.names,
					datasets: g.series.map((s) => ({
						label: s.label,
						data: s.slices.map((x) => x.n),
						backgroundColor: tokenValue(s.color),
						hoverBackgroundColor: tokenValue('--color-saffron'),
						barPercentage: 0.7,
						categoryPercentage: 0.86
					}))
				},
				options: {
					indexAxis: g.across ? 'y' : 'x',
					responsive: true,
					maintainAspectRatio: false,
					animation: false,
					onClick: (_: ChartEvent, hit: ActiveElement[]) => {
						const h = hit[0];
						if (h) void goto(g.series[h.datasetIndex]!.slices[h.index]!.href);
					},
					onHover: (e: ChartEvent, hit: ActiveElement[]) => {
						(e.native?.target as HTMLElement | null)?.style.setProperty(
							'cursor',
							hit.length ? 'pointer' : 'default'
						);
					},
					plugins: { tooltip: { displayColors: false } },
					scales: {
						[g.across ? 'x' : 'y']: {
							beginAtZero: true,
							ticks: {
								precision: 0,
								color: tokenValue('--color-ink-2'),
								font: { family: 'Hanken Grotesk', size: 12 }
							},
							grid: { color: tokenValue('--color-rule-2') },
							border: { display: false }
						},
						[g.across ? 'y' : 'x']: {
							ticks: {
								color: tokenValue('--color-ink'),
								font: { family: 'Hanken Grotesk', size: 12.5 },
								autoSkip: false
							},
							grid: { display: false },
							border: { color: tokenValue('--color-ink'), width: 1.5 }
						}
					}
				}
			});
		let chart = make(given);
		return {
			update: (g: Given) => {
				chart.destroy();
				chart = make(g);
			},
			destroy: () => chart.destroy()
		};
	}
</script>

{#if total === 0}<p class="sub py-4">Nothing to show yet.</p>{:else}
	<div style="height:{height}px" class="relative mt-3 overflow-hidden">
		<canvas
			use:draw={{ series, names, across }}
			aria-label="{title}: {series
				.map((s) => s.slices.map((x, i) => `${names[i]} ${x.n}`).join(', '))
				.join('; ')}"
		></canvas>
	</div>
	<ul class="mt-2 flex flex-wrap gap-x-4 gap-y-1 text-note">
		{#each series as s (s.label)}{#each s.slices.filter((x) => x.n > 0) as x (x.href)}<li>
					<a class="inline-block py-1 hover:underline" href={x.href}
						>{series.length > 1 ? `${s.label} ` : ''}{x.name} <b class="font-semibold">{x.n}</b></a
					>
				</li>{/each}{/each}
	</ul>
{/if}
