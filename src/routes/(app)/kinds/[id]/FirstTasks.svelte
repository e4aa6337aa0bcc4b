<!-- The tasks a matter of this kind begins with: what, whose, and within how many days. -->
<script lang="ts">
	import Section from '$lib/ui/Section.svelte';
	type Task = { subject: string; who: 'responsible' | 'opener'; days: number };
	let { tasks = $bindable() }: { tasks: Task[] } = $props();
	let subject = $state('');
	function add() {
		tasks.push({ subject: subject.trim(), who: 'responsible', days: 3 });
		subject = '';
	}
</script>

<Section title="First tasks" about="when a matter is opened">
	{#each tasks as task, index (index)}
		<div class="row first-task">
			<input class="box" bind:value={task.subject} aria-label="Task {index + 1}" />
			<select class="box" bind:value={task.who} aria-label="Who does task {index + 1}">
				<option value="responsible">responsible lawyer</option>
				<option value="opener">who opens it</option>
			</select>
			<span class="flex items-center gap-1">
				<input
					class="box num w-16"
					value={task.days}
					onchange={({ currentTarget }) =>
						(task.days = Math.max(0, Math.round(Number(currentTarget.value) || 0)))}
					aria-label="Days until task {index + 1} is due"
				/>
				days
			</span>
			<button
				type="button"
				class="act"
				onclick={() => (tasks = tasks.filter((_, other) => other !== index))}
				aria-label="Remove task {index + 1}">remove</button
			>
		</div>
	{/each}
	<div class="mt-2 flex flex-wrap gap-2">
		<input
			class="box w-72"
			bind:value={subject}
			placeholder="A new first task"
			aria-label="A new first task"
		/>
		<button type="button" class="btn" disabled={!subject.trim()} onclick={add}>
			Add the task
		</button>
	</div>
</Section>

<style>
	.first-task {
		display: grid;
		grid-template-columns: repeat(2, minmax(0, 1fr));
		align-items: center;
		gap: 8px;
		padding-block: 6px;
	}
	@media (min-width: 760px) {
		.first-task {
			grid-template-columns: minmax(0, 1fr) 170px 120px auto;
		}
	}
</style>
