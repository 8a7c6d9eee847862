<script lang="ts">
	import Unreadable from '$lib/sheet/Unreadable.svelte';
	import '../app.css';
	import { goto, invalidateAll } from '$app/navigation';
	import { navigating, page } from '$app/state';
	import { ask } from '$lib/keeping/ask';
	import DayLine from '$lib/shell/DayLine.svelte';
	import HoldBand from '$lib/shell/HoldBand.svelte';
	import KeyCard from '$lib/shell/KeyCard.svelte';
	import { pageKeys } from '$lib/sheet/keys';
	import { lamp } from '$lib/shell/lamp.svelte';
	import { type StationKey, stations } from '$lib/shell/stations';
	import Hatching from '$lib/sheet/drawing/Hatching.svelte';
	import type { Person } from '$lib/model/person';
	import { kindOf } from '$lib/supports/registry';

	import Away from '$lib/shell/Away.svelte';
	import { onMount } from 'svelte';

	let { data, children } = $props();
	let keysOpen = $state(false);
	let trouble = $state('');
	let hydrated = $state(false);
	onMount(() => {
		lamp.restore();
		hydrated = true;
	});
	/** Said for a while and then gone. */
	let notice = $state('');
	let noticeTimer: ReturnType<typeof setTimeout> | undefined;
	function say(words: string) {
		clearTimeout(noticeTimer);
		notice = words;
		noticeTimer = setTimeout(() => (notice = ''), 6000);
	}

	/** Taken at the press; the server's word follows, in the order of the presses. */
	let taken = $state.raw<Partial<Pick<Person, 'units' | 'theme'>>>({});
	let sent: Promise<unknown> = Promise.resolve();
	const person = $derived({ ...data.person, ...taken });
	const current = $derived(page.url.pathname.split('/')[1] ?? '');
	const hrefs = $derived<Record<StationKey, string>>({
		payload: person.payloadId === null ? '/payload' : `/payload/${person.payloadId}`,
		balance:
			person.payloadId === null || person.supportId === null || person.supportKind === null
				? '/balance'
				: `/balance/${person.supportKind}/${person.supportId}/${person.payloadId}`,
		feel:
			person.payloadId === null || person.supportId === null || kindOf(person.supportKind ?? '')?.follows !== true
				? '/feel'
				: `/feel/${person.supportId}/${person.payloadId}`,
		moves: '/moves',
		live: '/live',
		logbook: '/logbook'
	});

	async function changeMe(change: Partial<Pick<Person, 'units' | 'theme'>>) {
		const mine = (taken = { ...taken, ...change });
		document.documentElement.dataset.theme = person.theme;
		const answer = sent.then(() => ask<Person>('PATCH', '/api/me', change));
		sent = answer;
		const outcome = await answer;
		trouble = outcome.ok ? '' : outcome.error.message;
		// Asking for the page anew would call off a way to another that is being opened.
		await navigating.complete;
		if (outcome.ok) await invalidateAll();
		// A page that is none is not read anew: what was chosen there stands until another is opened.
		if (taken !== mine || (outcome.ok && page.error !== null)) return;
		taken = {};
		document.documentElement.dataset.theme = person.theme;
	}

	async function becomePerson(personId: string) {
		const outcome = await ask<Person>('PUT', '/api/me', { personId });
		trouble = outcome.ok ? '' : outcome.error.message;
		if (!outcome.ok) return;
		document.documentElement.dataset.theme = outcome.value.theme;
		await invalidateAll();
	}

	const turnLamp = (way: -1 | 1) => {
		if (person.theme === 'blackout') lamp.turn(way);
		else say('[ and ] turn the lamp of the blackout lights. Choose those at the top right first.');
	};
	const goTo = (href: string) => void goto(href);
	const keys = pageKeys({
		outsideFields: {
			...Object.fromEntries(stations.map(({ key }, index) => [index + 1, () => goTo(hrefs[key])])),
			s: () => goTo('/balance?choose'),
			g: () => goTo('/shelf'),
			'[Shift]+/': () => goTo('/logbook?find'),
			'[': () => turnLamp(-1),
			']': () => turnLamp(1),
			'[Shift]+?': () => void (keysOpen = true),
			u: () => void changeMe({ units: person.units === 'metric' ? 'imperial' : 'metric' })
		}
	});
</script>

<svelte:window onkeydown={keys} />

<Hatching />
<a class="skip" href="#main">Skip to the work</a>
<DayLine
	{current}
	{hrefs}
	{person}
	units={page.error === null ? data.person.units : person.units}
	states={data.stations}
	people={data.people}
	onunits={(units) => changeMe({ units })}
	ontheme={(theme) => changeMe({ theme })}
	onperson={becomePerson}
	onkeys={() => (keysOpen = true)}
/>
{#if data.liveHeads > 0 || current === 'live'}<HoldBand within={page.url.pathname === '/live'} />{/if}
<p class="notice" role="status" class:empty={notice === ''} data-testid="notice">{notice}</p>
{#if trouble !== ''}<p class="trouble" role="alert">{trouble}</p>{/if}
<main id="main" tabindex="-1" data-hydrated={hydrated}>
	<Unreadable rows={page.data.unreadable ?? []} />
	{@render children()}
</main>
<Away />
<KeyCard bind:open={keysOpen} />

<style>
	main {
		flex: 1;
		display: flex;
		flex-direction: column;
		min-height: 0;
	}
	main:focus {
		outline: none;
	}
	.skip {
		position: absolute;
		left: -999px;
		top: 4px;
		z-index: 10;
		background: var(--panel);
		padding: 10px 16px;
	}
	.skip:focus {
		left: 8px;
	}
	.notice {
		background: var(--press-wash);
		padding: 8px 26px;
	}
	.notice.empty {
		display: none;
	}
	.trouble {
		background: var(--clay-wash);
		color: var(--clay);
		padding: 8px 26px;
	}
</style>
