<!-- A book as text: its lines numbered, those with a fault or with a right example marked. -->
<script lang="ts">
	type Props = {
		yaml: string;
		wrong: ReadonlySet<number>;
		right: ReadonlySet<number>;
		/** The line one is at. */
		at: number;
	};
	let { yaml = $bindable(), wrong, right, at = $bindable() }: Props = $props();
	let area = $state<HTMLTextAreaElement>();
	let gutter = $state<HTMLElement>();
	const lines = $derived(yaml.split('\n').length);
	const LINE_HEIGHT = 19;

	/** Brings a line into sight, and marks it. */
	export function show(line: number) {
		if (!area) return;
		const before = yaml.split('\n').slice(0, line - 1);
		const start = before.join('\n').length + (line > 1 ? 1 : 0);
		area.focus();
		area.setSelectionRange(start, start + (yaml.split('\n')[line - 1] ?? '').length);
		area.scrollTop = (line - 6) * LINE_HEIGHT;
	}
	const where = () => {
		if (area) at = yaml.slice(0, area.selectionStart).split('\n').length;
	};
</script>

<div class="editor">
	<div class="gutter" bind:this={gutter} aria-hidden="true">
		{#each { length: lines }, index (index)}
			<span class:bad={wrong.has(index + 1)} class:good={right.has(index + 1)}>{index + 1}</span>
		{/each}
	</div>
	<textarea
		bind:this={area}
		bind:value={yaml}
		spellcheck="false"
		wrap="off"
		aria-label="The book in YAML"
		aria-invalid={wrong.size ? 'true' : undefined}
		aria-describedby="book-faults"
		onscroll={() => {
			if (gutter && area) gutter.scrollTop = area.scrollTop;
		}}
		onkeyup={where}
		onclick={where}></textarea>
</div>

<style>
	.editor {
		display: grid;
		grid-template-columns: 46px minmax(0, 1fr);
		height: min(66vh, 620px);
		border: 1px solid var(--color-edge);
		border-radius: 5px;
		background: var(--color-white);
		overflow: hidden;
	}
	.gutter {
		overflow: hidden;
		background: var(--color-mist);
		border-right: 1px solid var(--color-rule-2);
		text-align: right;
		padding: 8px 0;
		font:
			12px/19px ui-monospace,
			'DejaVu Sans Mono',
			monospace;
		color: var(--color-ink-3);
	}
	.gutter span {
		display: block;
		padding: 0 7px;
	}
	.gutter .bad {
		background: var(--color-madder);
		color: var(--color-white);
		font-weight: 600;
	}
	.gutter .good {
		color: var(--color-spruce);
		font-weight: 600;
	}
	textarea {
		border: 0;
		outline-offset: -2px;
		padding: 8px 10px;
		resize: none;
		font:
			12.5px/19px ui-monospace,
			'DejaVu Sans Mono',
			monospace;
		color: var(--color-ink);
		background: transparent;
		tab-size: 2;
		white-space: pre;
		overflow: auto;
	}
</style>
