<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import '$lib/shell/bench.css';
	import { ask } from '$lib/keeping/ask';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { CraneStanding, Span } from './model';
	import type { Venue } from '$lib/model/venue';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { fieldText, showDistance, showLength, together, unbroken } from '$lib/sheet/units/display';
	import { kindWords } from '$lib/places/plan';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { onMount } from 'svelte';
	import { sharedCraneBench } from './craneBench.svelte';
	import { roomBubble } from '$lib/places/roomBubble';
	import { boomsLeft, freshStanding, readVenue, venueQuestion } from './inVenue';
	import { flexWords } from '$lib/model/flex';
	import { reachAround } from './reach';
	import { craneFlex } from './standing';
	import { VenueTrial } from './venueTrial.svelte';
	import VenuePlanDrawing from './VenuePlanDrawing.svelte';

	interface Props {
		data: {
			readonly venues: readonly { readonly id: string; readonly name: string }[];
			readonly venue: Venue | null;
		};
	}
	let { data }: Props = $props();
	const bench = sharedCraneBench();
	const units = $derived(bench.units);
	const geometry = $derived(bench.support.geometry);
	/** Of its own, so that a step of the history that changes nothing here asks nothing anew. */
	const setting = $derived(bench.setting);
	// svelte-ignore state_referenced_locally
	let venue = $state.raw(data.venue);
	let trouble = $state('');
	const standing = $derived(venue !== null && bench.state.standing?.venueId === venue.id ? bench.state.standing : null);
	const plan = $derived(venue?.plan ?? null);
	const around = $derived(
		reachAround(geometry, setting, bench.bodies, {
			ceilingM: plan?.ceilingM ?? null,
			wallM: null,
			rowsFromM: null,
			headsM: 1.9,
			lineM: null
		})
	);
	const left = $derived(plan === null ? null : boomsLeft(geometry, setting, bench.bodies, plan));
	const question = $derived(
		plan === null || standing === null ? null : venueQuestion(geometry, setting, bench.bodies, plan, standing)
	);

	let width = $state(740);
	let height = $state(520);
	let trial = $state.raw<VenueTrial | null>(null);
	const found = $derived(trial?.found ?? null);
	onMount(() => {
		const made = new VenueTrial(new Worker(new URL('./venue.worker.ts', import.meta.url), { type: 'module' }));
		trial = made;
		return () => made.stop();
	});
	$effect(() => {
		const [on, at, letBe] = [plan, standing, booms ?? geometry.boomRangeRad];
		trial?.ask(on === null || at === null ? null : question, (answer) =>
			readVenue(answer, on!, at!, letBe, craneFlex(geometry, setting).m)
		);
	});

	async function choose(id: string) {
		trouble = '';
		if (id === '') return bench.change({ standing: null });
		const outcome = await ask<Venue>('GET', `/api/venues/${id}`);
		if (!outcome.ok) {
			trouble = outcome.error.message;
			return;
		}
		venue = outcome.value;
		if (bench.state.standing?.venueId !== id) bench.change({ standing: freshStanding(id, venue.plan) });
	}
	const stand = (next: Partial<CraneStanding>, about: string | null = null) => {
		if (standing !== null) bench.change({ standing: { ...standing, ...next } }, about);
	};
	const settle = () => bench.document.settle();
	const far = (metres: number) => together(showDistance(metres, units));
	const tenths = (radians: number) => fieldText(radians, 'angle', units);
	const leaning = (radians: number) => `${tenths(Math.abs(radians))}° ${radians >= 0 ? 'up' : 'down'}`;
	const ends = ([from, to]: Span) => unbroken(`${leaning(from)} to ${leaning(to)}`);
	/** Swings go on over the half turn: 171° to 213°. */
	const turned = ([from, to]: Span) => unbroken(`${tenths(from)}° to ${tenths(to)}°`.replaceAll('-', '−'));
	const stops = $derived<Span>(standing?.stopsRad ?? [-Math.PI, Math.PI]);
	const booms = $derived<Span | null>(standing?.boomsRad ?? left);
	const inside =
		([low, high]: Span, words: string) =>
		(value: number) =>
			value >= low - 1e-9 && value <= high + 1e-9 ? null : words;
	/** One end of a range: on its own side of the other, and no more than a turn from it. */
	const end = (other: number, way: 1 | -1, words: string) => (value: number) =>
		(value - other) * way > 0 && Math.abs(value - other) <= 2 * Math.PI + 1e-9 ? null : words;
	interface Field {
		readonly label: string;
		readonly value: number;
		readonly quantity: 'distance' | 'angle';
		readonly check: (value: number) => string | null;
		readonly put: (value: number) => void;
		readonly testId: string;
	}
	const fields = $derived.by((): readonly Field[] => {
		if (standing === null) return [];
		const { atM, headingRad } = standing;
		const onPlan = inside([-500, 500], 'Within 500 m.');
		const own = inside(geometry.boomRangeRad, 'Out of the crane’s own range.');
		const place = (label: string, k: 0 | 1, testId: string): Field => ({
			label,
			value: atM[k],
			quantity: 'distance',
			check: onPlan,
			put: (value) => stand({ atM: k === 0 ? [value, atM[1]] : [atM[0], value] }, 'place'),
			testId
		});
		const angle = (testId: string, label: string, value: number, check: Field['check'], put: Field['put']): Field => ({
			label,
			value,
			quantity: 'angle',
			check,
			put,
			testId
		});
		const heading = inside([-Math.PI, Math.PI], '−180° to 180°; 0 is to the right.');
		const before = end(stops[1], -1, 'Before the other stop, and within a turn of it.');
		const after = end(stops[0], 1, 'After the other stop, and within a turn of it.');
		const stopped = (from: number, to: number) => stand({ stopsRad: [from, to] }, 'stops');
		const boomed = (from: number, to: number) => stand({ boomsRad: [from, to] }, 'booms');
		const [low, high] = booms ?? [0, 0];
		return [
			place('across', 0, 'at-x'),
			place('up the sheet', 1, 'at-y'),
			angle('heading', 'swing 0 points to', headingRad, heading, (value) => stand({ headingRad: value }, 'heading')),
			angle('stop-from', 'stop, clockwise', stops[0], before, (value) => stopped(value, stops[1])),
			angle('stop-to', 'stop, counter-clockwise', stops[1], after, (value) => stopped(stops[0], value)),
			...(booms === null
				? []
				: [
						angle(
							'boom-from',
							'boom from',
							low,
							(value) => (value > high ? 'Not over the highest.' : own(value)),
							(value) => boomed(value, high)
						),
						angle(
							'boom-to',
							'boom to',
							high,
							(value) => (value < low ? 'Not under the lowest.' : own(value)),
							(value) => boomed(low, value)
						)
					])
		];
	});
</script>

<div class="bench">
	<section class="work" aria-label="The crane in the venue">
		<div class="drawing" bind:clientWidth={width} bind:clientHeight={height}>
			{#if venue !== null && standing !== null}
				{#key venue.id}
					<VenuePlanDrawing
						plan={venue.plan}
						venueId={venue.id}
						{geometry}
						{setting}
						{standing}
						reachM={around.keepOutM - 0.5}
						keepOutM={around.keepOutM}
						{found}
						{units}
						{width}
						{height}
						onplace={(atM) => stand({ atM }, 'place')}
						onswing={(swingRad) => bench.stands({ swingRad }, 'swing')}
						onsettle={settle}
					/>
				{/key}
				<p class="key" aria-hidden="true">
					<span class="clear">every boom clear</span><span class="some">some booms</span><span class="none">none</span>
				</p>
			{:else}
				<p class="empty">
					{data.venues.length === 0 ? 'No venue is drawn yet.' : 'Choose the venue, then drag the base to its place.'}
					<a href="/venues">{data.venues.length === 0 ? 'Draw the first one' : 'All venues'}</a>
				</p>
			{/if}
		</div>
		<div class="rows fields">
			<label class="pick"
				>Venue
				<Choice
					value={standing?.venueId ?? ''}
					onchange={(event) => choose(event.currentTarget.value)}
					data-testid="venue"
				>
					<option value="">none</option>
					{#each data.venues as { id, name } (id)}<option value={id}>{name}</option>{/each}
				</Choice></label
			>
			{#if standing !== null}
				{#each fields as { label, value, quantity, check, put, testId } (testId)}
					<QuantityField {label} {value} {quantity} {units} {check} onvalue={put} oncommit={settle} {testId} />
				{/each}
				<label class="over"
					><Tick
						checked={standing.overPeople}
						onchange={(event) => stand({ overPeople: event.currentTarget.checked })}
						data-testid="over-people"
					/> the house lets it pass over people</label
				>
				{#if standing.stopsRad !== null || standing.boomsRad !== null}
					<Button class="chip" onclick={() => stand({ stopsRad: null, boomsRad: null })} data-testid="no-stops"
						>All round, every boom</Button
					>
				{/if}
			{/if}
		</div>
	</section>
	<div class="answer-column">
		<Slip heading="On the venue’s plan">
			{#snippet answer()}
				{#if standing === null}Choose <strong data-testid="venue-strong">a venue</strong>
				{:else if question === null}No boom fits <strong data-testid="venue-strong">under this ceiling</strong>
				{:else if found === null}Trying every swing and boom …
				{:else if found.all}Clear <strong data-testid="venue-strong"
						>{standing.stopsRad === null ? 'all the way round' : 'between the stops'}</strong
					>
				{:else if found.keepTo !== null}
					{@const { swings, booms: band } = found.keepTo}
					<span data-testid="venue-strong"
						>{#if swings !== null}Swing <strong>{turned(swings)}</strong>{/if}{#if band !== null}{swings === null
								? 'Keep '
								: ' and keep '}the boom <strong>{ends(band)}</strong>{/if}</span
					>
				{:else}Nothing is <strong data-testid="venue-strong">clear from here</strong>{/if}
			{/snippet}
			{#if found !== null && standing !== null}
				{#if found.under.length > 0}
					<p class="danger" role="alert" data-testid="under">
						{found.under.join(', ')}: under the arm as far as it may go now. Set limits, move them or move the crane;
						else only with leave of the house, a second catch on the camera and a spotter.
					</p>
				{/if}
				{#if found.keepTo !== null}
					{@const { swings, booms: band } = found.keepTo}
					<Button
						class="go"
						disabled={trial?.pending}
						onclick={() =>
							stand({ ...(swings === null ? {} : { stopsRad: swings }), ...(band === null ? {} : { boomsRad: band }) })}
						data-testid="set-limits">Set the limits so</Button
					>
				{/if}
				{#each found.findings.slice(0, 7) as finding (finding.id)}
					<div class="near" data-finding={finding.id}>
						<span>{finding.label}</span>
						<Vial
							offset={roomBubble(finding.distanceM, finding.wantedM)}
							label="{finding.label}, {kindWords[finding.kind].toLowerCase()}: {finding.distanceM <= 0
								? 'strikes'
								: far(finding.distanceM)}"
						/>
						<span class="figure" class:bad={finding.distanceM < finding.wantedM}
							>{finding.distanceM <= 0 ? 'strikes' : far(finding.distanceM)}</span
						>
					</div>
				{/each}
				{#if booms !== null}
					<p class="quiet">
						Tried: swing {standing.stopsRad === null ? 'all round' : turned(standing.stopsRad)}, boom {ends(
							booms
						)}{standing.boomsRad === null
							? plan?.ceilingM === null
								? ', as the floor leaves it'
								: ', as floor and ceiling leave it'
							: ''}.
					</p>
				{/if}
				<p class="caution">Nobody under an arm. Walk it once, slowly, with a spotter, before anybody comes in.</p>
				{#if plan?.shapes.some(({ kind }) => kind === 'line')}<p class="caution">
						Ten metres from an overhead line unless its owner says otherwise in writing: a line need not be touched to
						kill.
					</p>{/if}
				<p class="quiet">
					Proven between the angles too, on a level floor as the plan shows it, with {far(0.3)} of room wanted and {flexWords(
						craneFlex(geometry, setting),
						(m) => together(showLength(m, units))
					)}. What is not on the plan is not kept from; nor is anything that moves.
				</p>
			{/if}
			{#if trial?.pending === true && trial.share !== null}
				<p class="quiet" role="status" data-testid="trying">
					<progress max="1" value={trial.share} aria-label="Trying the plan"></progress>
					Trying every pose: {Math.round(trial.share * 100)} %
				</p>
			{/if}
			{#if trial !== null && trial.problem !== ''}<p class="caution" role="alert">{trial.problem}</p>{/if}
			{#if trouble !== ''}<p class="caution" role="alert">{trouble}</p>{/if}
			{#if bench.document.linkLost}<p class="caution" role="status">
					No link to the server. Everything is kept here and sent when it is back.
				</p>{/if}
			<p>
				{#if venue !== null && standing !== null}<a href="/venues/{venue.id}">Change the plan</a>, or
				{/if}<a href="/balance/crane/{bench.support.id}/{bench.payloadId}/reach">Without a plan</a>
			</p>
		</Slip>
	</div>
</div>

<style>
	progress {
		display: block;
		width: 100%;
		height: 8px;
		accent-color: var(--spirit);
	}
	.key {
		position: absolute;
		right: 12px;
		bottom: 8px;
		display: flex;
		gap: 14px;
		font-size: 13px;
		color: var(--quiet);
	}
	.key span::before {
		content: '';
		display: inline-block;
		width: 14px;
		height: 14px;
		margin-right: 6px;
		vertical-align: -2px;
		border: 1px solid var(--edge);
		background: color-mix(in srgb, var(--spirit) 40%, var(--ground));
	}
	.key .some::before {
		background: color-mix(in srgb, var(--spirit) 14%, var(--ground));
	}
	.key .none::before {
		background: color-mix(in srgb, var(--clay) 24%, var(--ground));
	}
	.empty {
		padding: 26px;
		font-size: 18px;
	}
	.fields {
		display: flex;
		flex-wrap: wrap;
		gap: 6px 14px;
		padding: 8px 18px 12px 26px;
		align-items: end;
	}
	.fields :global(.field) {
		width: 108px;
		font-size: 13px;
	}
	.over {
		display: inline-flex;
		gap: 8px;
		align-items: center;
		min-height: 44px;
	}
	.pick {
		display: grid;
		gap: 3px;
		font-size: 13px;
	}
	@media (max-width: 900px) {
		.key {
			bottom: auto;
			top: 6px;
		}
		.drawing {
			min-height: 360px;
		}
	}
</style>
