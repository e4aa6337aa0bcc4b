<!--
	Circle with a dot = hearing, square = task, nib = signature, slip with an edge = appointment.
-->
<script lang="ts">
	type Props = {
		kind: 'hearing' | 'task' | 'signing' | 'appointment';
		size?: number;
		color?: string;
		done?: boolean;
	};
	let { kind, size = 14, color = 'var(--color-ink)', done = false }: Props = $props();
</script>

<svg width={size} height={size} viewBox="0 0 16 16" aria-hidden="true">
	{#if kind === 'hearing'}<circle
			cx="8"
			cy="8"
			r="6"
			fill="var(--color-white)"
			stroke={color}
			stroke-width="1.6"
		/><circle cx="8" cy="8" r="2.4" fill={color} />
	{:else if kind === 'task'}<rect
			x="2"
			y="2"
			width="12"
			height="12"
			rx="2"
			fill={done ? color : 'var(--color-white)'}
			stroke={color}
			stroke-width="1.5"
		/>
	{:else if kind === 'appointment'}<rect
			x="2"
			y="4"
			width="12"
			height="8"
			fill="var(--color-white)"
			stroke={color}
			stroke-width="1.2"
		/><path d="M3 4v8" stroke={color} stroke-width="2.6" />
	{:else}<path
			d="M3 13 5 6l5-4 4 4-4 5Z"
			fill="var(--color-white)"
			stroke={color}
			stroke-width="1.4"
			stroke-linejoin="round"
		/><path d="M3 13l4.2-4.2" stroke={color} stroke-width="1.3" /><circle
			cx="8"
			cy="8"
			r="1.2"
			fill={color}
		/>{/if}
</svg>
