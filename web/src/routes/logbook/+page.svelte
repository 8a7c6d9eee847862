<script lang="ts">
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import { afterNavigate, goto } from '$app/navigation';
	import { page } from '$app/state';
	import { stoodWords } from '$lib/supports/log/stood';
	import { when } from '$lib/sheet/when';
	import { showMass, together } from '$lib/sheet/units/display';
	import { seconds, seenWords } from '$lib/stations/moves/words';
	import { onMount } from 'svelte';

	let { data } = $props();
	let field = $state<HTMLInputElement>();
	let timer: ReturnType<typeof setTimeout> | undefined;
	const units = $derived(data.person.units);

	const count = (what: 'balance' | 'run') => data.lines.filter((each) => each[what] !== null).length;
	const to = (before: string | null) => {
		const asked = new URLSearchParams(data.search === '' ? {} : { search: data.search });
		if (before !== null) asked.set('before', before);
		return asked.size === 0 ? '/logbook' : `/logbook?${asked}`;
	};

	afterNavigate(() => {
		if (page.url.searchParams.has('find')) field?.focus();
	});
	onMount(() => () => clearTimeout(timer));

	function search(text: string) {
		clearTimeout(timer);
		const to = text.trim() === '' ? '/logbook' : `/logbook?search=${encodeURIComponent(text.trim())}`;
		timer = setTimeout(() => void goto(to, { keepFocus: true, replaceState: true, noScroll: true }), 180);
	}
</script>

<svelte:head><title>Logbook · Poise</title></svelte:head>

<section>
	<form class="head" role="search" action="/logbook" onsubmit={(event) => event.preventDefault()}>
		<h1>Logbook</h1>
		<span class="also">
			<a href="/logbook/compare">Lay two side by side</a>
			<a href="/learn">What they teach about the gear</a>
			<a href="/feel?recipes">How gimbals were set to feel</a>
		</span>
		<label class="sr-only" for="log-search">Search the logbook</label>
		<TextInput
			bind:element={field}
			id="log-search"
			name="search"
			type="search"
			value={data.search}
			placeholder="Lens, payload, support, person, “18 Nov”, “last sunday”"
			autocomplete="off"
			oninput={(event) => search(event.currentTarget.value)}
		/>
		<span class="quiet" role="status"
			>{data.isFirst ? '' : 'older: '}{count('balance')}
			{count('balance') === 1 ? 'balance' : 'balances'}{count('run') === 0
				? ''
				: `, ${count('run')} ${count('run') === 1 ? 'run' : 'runs'}`}{data.older === null ? '' : ', older below'}</span
		>
	</form>
	<ol>
		{#each data.lines as { balance: entry, run } (entry?.id ?? run?.id)}
			{#if run !== null}
				<li>
					<a href="/logbook/run/{run.id}" data-entry={run.moveName} class:struck={run.struck}>
						<span class="when figure">{when(run.at)}</span>
						<span class="what"
							><strong>{run.moveName}</strong> <span class="figure">{seconds(run.lastsS)}</span><br />
							<span class="quiet">{run.venueName === '' ? 'on an empty floor' : run.venueName}</span></span
						>
						<span class="note">{run.note}</span>
						<span class="who">{run.personName}</span>
						<span class="state" class:off={run.seen !== 'asPlanned' || run.struck}
							>{run.struck ? 'struck out' : seenWords[run.seen]}</span
						>
					</a>
				</li>
			{:else if entry !== null}
				<li>
					<a href="/logbook/{entry.id}" data-entry={entry.payloadName} class:struck={entry.struck}>
						<span class="when figure">{when(entry.loggedAt)}</span>
						<span class="what"
							><strong>{entry.payloadName}</strong>
							<span class="figure">{together(showMass(entry.payloadMassKg, units))}</span><br />
							<span class="quiet">on {entry.supportName}</span></span
						>
						<span class="note">{entry.note}</span>
						<span class="who">{entry.personName}</span>
						<span class="state" class:quiet={entry.placed && !entry.poised} class:off={!entry.placed || entry.struck}
							>{stoodWords(entry)}</span
						>
					</a>
				</li>
			{/if}
		{:else}
			<li class="empty">
				{#if data.search === ''}
					{#if !data.isFirst}Nothing older.{:else}Nothing logged yet. Balance a payload and press <strong
							>Log this balance</strong
						>; next week it is here.{/if}
				{:else}
					Nothing logged matches “{data.search}”. <a class="plain" href="/logbook">Show everything</a>
				{/if}
			</li>
		{/each}
	</ol>
	{#if !data.isFirst || data.older !== null}
		<nav class="pages" aria-label="Pages of the book">
			{#if !data.isFirst}<a href={to(null)}>Back to the newest</a>{/if}
			{#if data.older !== null}<a href={to(data.older)} data-testid="older">Older</a>{/if}
		</nav>
	{/if}
</section>

<style>
	.also {
		display: flex;
		flex-wrap: wrap;
		gap: 0 22px;
		font-size: 15px;
	}
	.also a {
		min-height: 44px;
		display: inline-flex;
		align-items: center;
	}
	section {
		padding: 20px 26px;
		max-width: 1400px;
		width: 100%;
	}
	.head {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 10px 22px;
		margin-bottom: 14px;
	}
	h1 {
		font-size: 32px;
		font-weight: 400;
	}
	.head > :global(input) {
		flex: 1;
		min-width: min(320px, 100%);
		max-width: 560px;
		font-size: 17px;
		min-height: 48px !important;
	}
	ol {
		background: var(--panel);
		border: 1px solid var(--rule);
	}
	li {
		border-bottom: 1px dashed var(--rule);
	}
	li:last-child {
		border-bottom: 0;
	}
	li a:not(.plain) {
		display: grid;
		grid-template-columns: 176px minmax(0, 1.2fr) minmax(0, 1.4fr) 130px 104px;
		gap: 4px 22px;
		align-items: center;
		padding: 12px 22px;
		color: var(--ink);
		text-decoration: none;
		min-height: 64px;
	}
	li a:not(.plain):hover {
		background: var(--hover);
	}
	.when {
		font-size: 14px;
		color: var(--quiet);
	}
	.what {
		font-size: 17px;
		line-height: 1.25;
	}
	.what .quiet {
		font-size: 14px;
	}
	.what .figure {
		white-space: nowrap;
		margin-left: 8px;
		font-size: 15px;
	}
	.note,
	.who {
		font-size: 15px;
	}
	.state {
		font-size: 14px;
		font-weight: 700;
		text-align: right;
	}
	.struck .what,
	.struck .note {
		text-decoration: line-through;
	}
	.off {
		color: var(--clay);
	}
	.pages {
		display: flex;
		justify-content: space-between;
		padding: 14px 22px;
		font-size: 17px;
	}
	.pages a {
		min-height: 48px;
		display: inline-flex;
		align-items: center;
	}
	.empty {
		padding: 26px;
		font-size: 18px;
	}
	@media (max-width: 800px) {
		section {
			padding: 14px 12px;
		}
		li a:not(.plain) {
			grid-template-columns: 1fr auto;
			padding: 10px 14px;
		}
		.what,
		.note {
			grid-column: 1 / 3;
		}
		.state {
			grid-row: 1;
			grid-column: 2;
		}
	}
</style>
