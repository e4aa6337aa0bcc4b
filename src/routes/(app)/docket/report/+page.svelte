<!--
	The docket report: chosen at the top, read below, and taken along as PDF, XLSX, CSV, ICS or by
	mail.
-->
<script lang="ts">
	import DocketTabs from '$lib/docket/DocketTabs.svelte';
	import Empty from '$lib/ui/Empty.svelte';
	import { formatTotal } from '#core/format/words.ts';
	import CalendarAddresses from './CalendarAddresses.svelte';
	import MailReport from './MailReport.svelte';
	import ReportDates from './ReportDates.svelte';
	import ReportForm from './ReportForm.svelte';
	let { data } = $props();
	let mailing = $state(false);
	const FILES = ['pdf', 'xlsx', 'csv', 'ics'];
</script>

<svelte:head><title>Docket report · Kite Pen</title></svelte:head>

<div class="px-5 py-4">
	<div class="flex flex-wrap items-baseline gap-3">
		<h1>Docket report</h1>
		<span class="sub grow"
			>{data.text}: {formatTotal(data.total)} {data.total === 1 ? 'date' : 'dates'}</span
		>
		<DocketTabs />
	</div>
	<ReportForm {data} />
	{#if data.bad}<p class="fault mt-2">{data.bad}</p>{/if}
	<div class="no-print mt-3 flex flex-wrap items-center gap-3">
		{#each FILES as type (type)}
			<a class="act" href="/docket/report/export?{data.query}&as={type}">{type.toUpperCase()}</a>
		{/each}
		<button class="act" onclick={() => (mailing = true)}>By mail</button>
		<button class="act" onclick={() => window.print()}>Print</button>
	</div>
	{#if data.missedBefore}
		<p class="mt-3 font-semibold text-madder" data-missed-before>
			{data.missedBefore.words}
			<a class="act no-print" href="/docket/report?{data.missedBefore.query}">Read them</a>
		</p>
	{/if}
	{#if data.total === 0}<Empty>No date fits. Give a longer span, or all dates.</Empty>{/if}
	<ReportDates {data} />
	{#if data.total > data.shown}
		<p class="sub mt-3">
			The first {data.shown} of {formatTotal(data.total)} are shown here; the files hold all of them,
			up to 5,000.
		</p>
	{/if}
	<CalendarAddresses {data} />
</div>
<MailReport {data} bind:open={mailing} />
