<!--
	What a date says beside its day: our own earlier date, time, place, link, descriptions, papers,
	exhibits, reminders.
-->
<script lang="ts">
	import ActionForm from '$lib/ui/ActionForm.svelte';
	import { page } from '$app/state';
	import ChooseMany from '$lib/ui/ChooseMany.svelte';
	import DateField from '$lib/ui/DateField.svelte';
	import { formatDay, formatInstant } from '$lib/ui/format.ts';
	import TextArea from '$lib/ui/TextArea.svelte';
	import TextField from '$lib/ui/TextField.svelte';
	import type { DateLinks } from '#server/docket/date-links.ts';
	import type { DateActProps, Exhibit } from './acts.ts';
	type Props = Omit<DateActProps, 'hanging' | 'went' | 'onmove'> & {
		linked: string[];
		exhibits: Exhibit[];
		ladder: string;
		/** What it points to, and what it could: the matter's folders and newest mail. */
		links: DateLinks;
		folders: readonly string[];
		mails: DateLinks['mails'];
	};
	let {
		deadline,
		documents,
		linked,
		exhibits,
		ladder,
		links,
		folders,
		mails,
		today,
		ondone
	}: Props = $props();
	// What is typed begins with what stands, and is not changed by what others do meanwhile.
	// svelte-ignore state_referenced_locally
	let form = $state<Record<string, string>>({
		internal: deadline.internal ?? '',
		time: deadline.handTime ?? '',
		place: deadline.place,
		link: deadline.link,
		short: deadline.short,
		long: deadline.long
	});
	// svelte-ignore state_referenced_locally
	let papers = $state([...linked]),
		shown = $state(exhibits.filter(({ dates }) => dates.includes(deadline.id)).map(({ id }) => id)),
		inFolders = $state([...links.folders]),
		inMails = $state(links.mails.map(({ id }) => id)),
		rungs = $state(ladder);
	const listField = (ids: readonly string[]) => JSON.stringify([...new Set(ids)].sort());
	// svelte-ignore state_referenced_locally
	const base = {
		...$state.snapshot(form),
		linked: listField(papers),
		exhibits: listField(shown),
		mails: listField(inMails),
		folders: listField(inFolders)
	};
	const offered = $derived(new Set(mails.map(({ id }) => id)));
	/** One of two people's values is chosen. */
	function take(field: string, value: string) {
		if (field === 'linked') papers = JSON.parse(value);
		else if (field === 'exhibits') shown = JSON.parse(value);
		else if (field === 'mails') inMails = JSON.parse(value);
		else if (field === 'folders') inFolders = JSON.parse(value);
		else form[field] = value;
	}
</script>

<ActionForm action="?/edit" class="flex flex-col gap-2.5" {ondone} {base} {take}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="deadlineId" value={deadline.id} />
		<DateField
			name="internal"
			label="Our own earlier date"
			bind:value={form.internal!}
			{today}
			error={errors.internal}
			hint="not after {formatDay(deadline.date, today)}"
		/>
		<div class="grid grid-cols-2 gap-3">
			<TextField
				label="Time"
				error={errors.time}
				name="time"
				bind:value={form.time}
				placeholder="time"
			/>
			<TextField label="Place" error={errors.place} name="place" bind:value={form.place} />
		</div>
		<TextField
			label="Link"
			error={errors.link}
			name="link"
			bind:value={form.link}
			placeholder="https://"
		/>
		<TextField
			label="Short description"
			error={errors.short}
			hint="for calendars; the title stays"
			name="short"
			bind:value={form.short}
		/>
		<TextArea
			label="Long description"
			error={errors.long}
			name="long"
			rows={4}
			bind:value={form.long}
		/>
		<ChooseMany
			label="Linked documents"
			name="linked"
			options={documents.map(({ id, name }) => ({ id, label: name }))}
			bind:chosen={papers}
			error={errors.linked}
		/>
		<ChooseMany
			label="Exhibits"
			name="exhibits"
			options={exhibits.map(({ id, number, title }) => ({ id, label: `${number} ${title}` }))}
			bind:chosen={shown}
			error={errors.exhibits}
		/>
		<ChooseMany
			label="Folders"
			name="folders"
			options={folders.map((folder) => ({ id: folder, label: folder }))}
			bind:chosen={inFolders}
			error={errors.folders}
		/>
		<ChooseMany
			label="Mail"
			name="mails"
			options={[...mails, ...links.mails.filter(({ id }) => !offered.has(id))].map(
				({ id, subject, at }) => ({
					id,
					label: subject,
					about: formatInstant(at, page.data.zone, today)
				})
			)}
			bind:chosen={inMails}
			error={errors.mails}
		/>
		<div class="mt-1.5"><button class="btn go" disabled={busy}>Keep</button></div>
	{/snippet}
</ActionForm>
<ActionForm action="?/ladder" class="mt-6 border-t border-rule pt-4" {ondone}>
	{#snippet children({ errors, busy })}
		<input type="hidden" name="matterId" value={deadline.matterId} />
		<input type="hidden" name="deadlineId" value={deadline.id} />
		<input type="hidden" name="was" value={ladder} />
		<TextField
			label="Reminder days of this date"
			error={errors.ladder}
			hint="like 30, 14, 7, 3, 1, 0, +1; empty: as the matter says"
			name="ladder"
			bind:value={rungs}
		/>
		<div class="mt-3"><button class="btn" disabled={busy}>Keep the reminder days</button></div>
	{/snippet}
</ActionForm>
