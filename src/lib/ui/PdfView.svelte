<!--
	A PDF in the page. Fields or marks can be laid over each page by the snippet; places are parts of
	the page.
-->
<script lang="ts">
	import type { Snippet } from 'svelte';
	import type { PDFDocumentProxy } from 'pdfjs-dist';
	import worker from 'pdfjs-dist/build/pdf.worker.min.mjs?url';
	type Props = {
		src: string;
		over?: Snippet<[number]>;
		onpage?: (page: number, x: number, y: number) => void;
		width?: number;
	};
	let { src, over, onpage, width = 760 }: Props = $props();
	let pages = $state<number[]>([]);
	let fault = $state('');
	let loading = $state(true);
	let pdf: PDFDocumentProxy | undefined;

	$effect(() => {
		const from = src;
		let gone = false;
		loading = true;
		void (async () => {
			try {
				const pdfjs = await import('pdfjs-dist');
				pdfjs.GlobalWorkerOptions.workerSrc = worker;
				const doc = await pdfjs.getDocument({ url: from, isEvalSupported: false }).promise;
				if (gone) return void doc.destroy();
				pdf = doc;
				pages = Array.from({ length: Math.min(doc.numPages, 60) }, (_, i) => i);
			} catch {
				fault = 'This PDF cannot be shown. Download it instead.';
			}
			loading = false;
		})();
		return () => {
			gone = true;
			void pdf?.destroy();
			pdf = undefined;
			pages = [];
		};
	});

	function draw(canvas: HTMLCanvasElement, n: number) {
		void (async () => {
			if (!pdf) return;
			const page = await pdf.getPage(n + 1);
			const base = page.getViewport({ scale: 1 });
			const view = page.getViewport({
				scale: (width / base.width) * Math.min(2, window.devicePixelRatio || 1)
			});
			canvas.width = view.width;
			canvas.height = view.height;
			await page.render({ canvas, viewport: view }).promise.catch(() => {});
			canvas.dataset.drawn = 'yes';
		})();
	}
</script>

{#if fault}<p class="fault py-4">{fault}</p>{:else if loading}<p class="sub py-4" role="status">
		Opening the document…
	</p>{/if}
<div class="flex flex-col gap-3">
	{#each pages as n (n)}
		<div class="relative border border-rule bg-white" style="width:{width}px; max-width:100%">
			<canvas use:draw={n} class="block h-auto w-full" aria-label="Page {n + 1}"></canvas>
			{#if onpage}<button
					type="button"
					class="absolute inset-0 cursor-crosshair"
					aria-label="Place the field on page {n + 1}"
					onclick={(e) => {
						const r = e.currentTarget.getBoundingClientRect();
						const by = e.detail > 0;
						onpage(
							n,
							by ? (e.clientX - r.left) / r.width : 0.12,
							by ? (e.clientY - r.top) / r.height : 0.75
						);
					}}
				></button>{/if}
			{@render over?.(n)}
		</div>
	{/each}
</div>
