<script lang="ts">
	/* eslint-disable max-lines -- one sheet: everything that is kept of one head. */
	import { onMount } from 'svelte';
	import { v7 as newId } from 'uuid';
	import { invalidateAll } from '$app/navigation';
	import { ask, saidOf } from '$lib/keeping/ask';
	import HeadPlan from './HeadPlan.svelte';
	import { keepHead, livePlace } from './keepHead';
	import PoseStill from './PoseStill.svelte';
	import {
		cableWays,
		type LiveHead,
		liveLimits,
		type LivePose,
		type LiveSettings,
		type LivePlace,
		liveStands,
		type Programme,
		type SoftAxis
	} from '$lib/model/liveHead';
	import type { DrawnCamera } from '$lib/model/drawnCamera';
	import type { Person } from '$lib/model/person';
	import type { Venue } from '$lib/model/venue';
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import GivesField from '$lib/sheet/fields/GivesField.svelte';
	import LensAtFields from '$lib/sheet/fields/LensAtFields.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { allowed } from '$lib/sheet/units/allowed';
	import GearFrame from '$lib/shell/GearFrame.svelte';
	import { deskWire } from '$lib/shell/deskWire.svelte';
	import { liveFlex } from './room';
	import { asPictured } from './stand';
	import { axisWords, lookWords, placeWords } from './words';

	interface Props {
		data: {
			readonly head: LiveHead;
			readonly poses: readonly LivePose[];
			readonly venues: readonly Venue[];
			readonly cameras: readonly DrawnCamera[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	// svelte-ignore state_referenced_locally
	const { id, boxId } = data.head;
	// svelte-ignore state_referenced_locally
	const kept = keepHead(data.head);
	onMount(() => deskWire.begin(false));
	const units = $derived(data.person.units);
	const settings = $derived(kept.value.settings);
	const seen = $derived(deskWire.heads.find((each) => each.id === boxId) ?? null);
	const set = (next: Partial<LiveSettings>, about: string | null = null) =>
		kept.set({ ...kept.value, settings: { ...settings, ...next } }, about);
	const put = (next: Partial<LivePlace>, about: string) => set({ place: { ...settings.place, ...next } }, about);
	const settle = () => kept.settle();
	const standWords: Readonly<Record<(typeof liveStands)[number], string>> = {
		stand: 'a stand or tripod',
		ceiling: 'the ceiling, hung',
		wall: 'a wall bracket',
		rail: 'a slider',
		arm: 'an arm'
	};
	const axes = $derived(Object.entries(seen?.axes ?? {}).filter(([, { ring }]) => !ring));
	const softOf = (axis: string): SoftAxis => settings.soft[axis] ?? seen!.axes[axis]!;
	const soften = (axis: string, next: Partial<SoftAxis>) =>
		set({ soft: { ...settings.soft, [axis]: { ...pick(softOf(axis)), ...next } } }, `${axis}`);
	const pick = ({ range, maxRate, maxAccel }: SoftAxis): SoftAxis => ({ range, maxRate, maxAccel });
	const quantityOf = (axis: string) => (axis.endsWith('Rad') ? ('angle' as const) : ('distance' as const));
	const rateOf = (axis: string) => (axis.endsWith('Rad') ? ('turnRate' as const) : ('speed' as const));

	let trouble = $state('');
	const body = ({ name, values, locked, ordinal, version }: LivePose) => ({ name, values, locked, ordinal, version });
	async function save(pose: LivePose, next: Partial<LivePose>) {
		const outcome = await ask('PUT', `/api/live/poses/${pose.id}`, { ...body(pose), ...next });
		trouble = outcome.ok ? '' : saidOf(outcome.error);
		await invalidateAll();
	}
	async function remove(pose: LivePose) {
		const outcome = await ask('DELETE', `/api/live/poses/${pose.id}`);
		trouble = outcome.ok ? '' : saidOf(outcome.error);
		await invalidateAll();
	}
	async function earlier(pose: LivePose) {
		const k = data.poses.indexOf(pose);
		const before = data.poses[k - 1];
		if (before === undefined) return;
		await save(before, { ordinal: pose.ordinal });
		await save(pose, { ordinal: before.ordinal });
	}
	const correct = (pose: LivePose) =>
		save(pose, {
			values: Object.fromEntries(Object.entries(seen!.at).filter(([axis]) => seen!.ready.includes(axis)))
		});
	const programmes = $derived(settings.programmes);
	const setProgramme = (programme: Programme, next: Partial<Programme>) =>
		set(
			{ programmes: programmes.map((each) => (each.id === programme.id ? { ...each, ...next } : each)) },
			'programme'
		);
	const addProgramme = () =>
		set({
			programmes: [
				...programmes,
				{
					id: newId(),
					name: `programme ${programmes.length + 1}`,
					laps: null,
					legs: data.poses.slice(0, 2).map(({ id: poseId }) => ({ poseId, restS: 1, wantedS: null }))
				}
			]
		});
</script>

<GearFrame
	place={livePlace}
	{id}
	document={kept}
	links={[]}
	wrong={settings.hold === 'watched' && settings.zoneBy === null
		? 'Say who has marked its zone, or let it move only while held.'
		: null}
	goesToo="its poses; the box keeps its key until its forget button is pressed"
>
	<p class="lead">
		{boxId}, {seen === null
			? 'not heard'
			: seen.link === 'here'
				? `here, battery ${Math.round(seen.batteryPart * 100)} %`
				: 'not heard'}. What is set here holds within what the head can do by itself.
	</p>
	<div class="row">
		<QuantityField
			label="number"
			value={kept.value.number}
			quantity="count"
			{units}
			check={allowed(liveLimits.number, 'count')}
			onvalue={(number) => kept.set({ ...kept.value, number }, 'number')}
			oncommit={settle}
			testId="live-number"
		/>
		<label class="stack"
			>venue
			<Choice
				value={kept.value.venueId ?? ''}
				onchange={(event) =>
					kept.set({ ...kept.value, venueId: event.currentTarget.value === '' ? null : event.currentTarget.value })}
				data-testid="live-venue"
			>
				<option value="">none</option>
				{#each data.venues as venue (venue.id)}<option value={venue.id}>{venue.name}</option>{/each}
			</Choice></label
		>
		<label class="stack"
			>it stands on
			<Choice
				value={settings.place.stands}
				onchange={(event) => put({ stands: event.currentTarget.value as LivePlace['stands'] }, 'stands')}
				data-testid="live-stands"
			>
				{#each liveStands as each (each)}<option value={each}>{standWords[each]}</option>{/each}
			</Choice></label
		>
	</div>
	<h2>Where it stands</h2>
	<HeadPlan
		place={settings.place}
		venue={data.venues.find((each) => each.id === kept.value.venueId) ?? null}
		railM={seen?.axes.trackM?.range ?? null}
		onput={put}
		onsettle={settle}
		within={(metres) => Math.min(liveLimits.place.most, Math.max(liveLimits.place.least, metres))}
	/>
	<div class="row">
		{#each ['x, to the right', 'y, up the plan', 'height'] as label, k (label)}
			<QuantityField
				{label}
				value={settings.place.atM[k]!}
				quantity="distance"
				{units}
				check={allowed(k === 2 ? liveLimits.height : liveLimits.place, 'distance')}
				onvalue={(value) =>
					put(
						{
							atM: settings.place.atM.map((each, index) => (index === k ? value : each)) as unknown as LivePlace['atM']
						},
						`at ${k}`
					)}
				oncommit={settle}
				testId="live-at-{k}"
			/>
		{/each}
		<QuantityField
			label={settings.place.stands === 'rail'
				? 'the rail runs'
				: settings.place.stands === 'arm'
					? 'swing 0 points'
					: 'pan 0 looks'}
			value={settings.place.headingRad}
			quantity="angle"
			{units}
			check={allowed(liveLimits.heading, 'angle')}
			onvalue={(headingRad) => put({ headingRad }, 'heading')}
			oncommit={settle}
			testId="live-heading"
		/>
		{#if settings.place.stands === 'rail'}
			<QuantityField
				label="pan 0 looks"
				value={settings.place.looksRad}
				quantity="angle"
				{units}
				check={allowed(liveLimits.heading, 'angle')}
				onvalue={(looksRad) => put({ looksRad }, 'looks')}
				oncommit={settle}
			/>
		{/if}
		{#if settings.place.stands === 'arm'}
			<QuantityField
				label="arm, pivot to nose"
				value={settings.place.armM}
				quantity="distance"
				{units}
				check={allowed(liveLimits.arm, 'distance')}
				onvalue={(armM) => put({ armM }, 'arm')}
				oncommit={settle}
			/>
		{/if}
	</div>
	<GivesField
		flex={liveFlex({ place: settings.place, axes: seen?.axes ?? {} })}
		{units}
		onvalue={(givesM) => put({ givesM }, 'gives')}
		oncommit={settle}
	/>
	<h2>Who holds it</h2>
	<label class="line"
		><Tick
			type="radio"
			name="hold"
			checked={settings.hold === 'held'}
			onchange={() => set({ hold: 'held' })}
			data-testid="live-held"
		/>
		it moves only while somebody holds: arms, anything that can hurt</label
	>
	<label class="line"
		><Tick
			type="radio"
			name="hold"
			checked={settings.hold === 'watched'}
			onchange={() => set({ hold: 'watched', zoneBy: data.person.name })}
			data-testid="live-watched"
		/>
		it may run a programme while the desk watches it: I, {data.person.name}, have marked its zone</label
	>
	{#if settings.hold === 'watched'}<p class="quiet">Zone marked by <strong>{settings.zoneBy}</strong>.</p>{/if}
	<p class="caution">
		A head moves without warning: mark its zone, keep hands and faces out of it. The maker’s manual decides.
	</p>
	<h2>Soft ends and speeds</h2>
	{#if axes.length === 0}<p class="quiet">Its own axes are known once it is heard.</p>{/if}
	{#each axes as [axis, own] (axis)}
		<div class="row">
			<strong class="axis">{axisWords(axis)}</strong>
			{#each [0, 1] as const as k (k)}
				<QuantityField
					label={k === 0 ? 'from' : 'to'}
					value={softOf(axis).range[k]}
					quantity={quantityOf(axis)}
					{units}
					check={(value) =>
						(k === 0 ? value < softOf(axis).range[1] : value > softOf(axis).range[0])
							? null
							: 'The one before the other.'}
					onvalue={(value) =>
						soften(axis, { range: k === 0 ? [value, softOf(axis).range[1]] : [softOf(axis).range[0], value] })}
					oncommit={settle}
					testId="soft-{axis}-{k}"
				/>
			{/each}
			<QuantityField
				label="at most"
				value={softOf(axis).maxRate}
				quantity={rateOf(axis)}
				{units}
				check={allowed(liveLimits.rate, rateOf(axis))}
				onvalue={(maxRate) => soften(axis, { maxRate })}
				oncommit={settle}
				testId="soft-{axis}-rate"
			/>
			<small class="quiet"
				>by itself {placeWords(axis, own.range[0], units)} to {placeWords(axis, own.range[1], units)}</small
			>
		</div>
	{/each}
	<label class="stack"
		>its cable winds up first
		<Choice
			value={settings.cable}
			onchange={(event) => set({ cable: event.currentTarget.value as LiveSettings['cable'] })}
		>
			{#each cableWays as way (way)}<option value={way}>{way === 'either' ? 'either way' : `to the ${way}`}</option
				>{/each}
		</Choice></label
	>
	<h2>Camera on it</h2>
	<div class="row">
		{#each [0, 1] as const as k (k)}
			<QuantityField
				label={k === 0 ? 'lens, short end' : 'lens, long end'}
				value={settings.camera.focalM[k]}
				quantity="length"
				printed
				{units}
				check={(value) =>
					allowed(liveLimits.focal, 'length')(value) ??
					((k === 0 ? value < settings.camera.focalM[1] : value > settings.camera.focalM[0])
						? null
						: 'The short end before the long.')}
				onvalue={(value) =>
					set(
						{
							camera: {
								...settings.camera,
								focalM: k === 0 ? [value, settings.camera.focalM[1]] : [settings.camera.focalM[0], value]
							}
						},
						`focal ${k}`
					)}
				oncommit={settle}
			/>
		{/each}
	</div>
	<LensAtFields
		lens={settings.camera.lens}
		drawn={data.cameras}
		{units}
		onlens={(lens, about) => set({ camera: { ...settings.camera, lens } }, about)}
		oncommit={settle}
	/>
	<h2>Poses</h2>
	{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
	<ul class="poses">
		{#each data.poses as pose, k (pose.id)}
			<li data-testid="pose-row">
				<PoseStill
					{settings}
					at={{}}
					values={pose.values}
					plan={data.venues.find((each) => each.id === kept.value.venueId)?.plan ?? null}
					name={pose.name}
				/>
				<TextInput
					value={pose.name}
					maxlength={120}
					disabled={pose.locked}
					aria-label="Name of the pose"
					onchange={(event) => save(pose, { name: event.currentTarget.value })}
				/>
				<span class="quiet"
					>{Object.entries(pose.values)
						.map(([axis, value]) => `${axisWords(axis)} ${lookWords(axis, value, units, asPictured(settings.place))}`)
						.join(', ')}</span
				>
				<Button class="small" onclick={() => earlier(pose)} disabled={k === 0} aria-label="{pose.name}: earlier"
					>↑</Button
				>
				<Button class="small" onclick={() => correct(pose)} disabled={pose.locked || seen?.link !== 'here'}
					>As it stands now</Button
				>
				<Button
					class="small"
					aria-pressed={pose.locked}
					onclick={() => save(pose, { locked: !pose.locked })}
					data-testid="lock">{pose.locked ? 'Locked' : 'Lock'}</Button
				>
				<Button class="small" onclick={() => remove(pose)} disabled={pose.locked}>Delete</Button>
			</li>
		{:else}
			<li class="quiet">None yet: drive it to one at the desk and keep it.</li>
		{/each}
	</ul>
	<h2>Programmes</h2>
	{#each programmes as programme (programme.id)}
		<div class="programme" data-testid="programme-row">
			<TextInput
				value={programme.name}
				maxlength={120}
				aria-label="Name of the programme"
				onchange={(event) => setProgramme(programme, { name: event.currentTarget.value })}
			/>
			<ol>
				{#each programme.legs as leg, k (k)}
					<li>
						<Choice
							value={leg.poseId}
							aria-label="Pose {k + 1}"
							onchange={(event) =>
								setProgramme(programme, {
									legs: programme.legs.map((each, index) =>
										index === k ? { ...each, poseId: event.currentTarget.value } : each
									)
								})}
						>
							{#each data.poses as pose (pose.id)}<option value={pose.id}>{pose.name}</option>{/each}
						</Choice>
						<QuantityField
							label="rests there"
							value={leg.restS}
							quantity="time"
							{units}
							check={allowed(liveLimits.rest, 'time')}
							onvalue={(restS) =>
								setProgramme(programme, {
									legs: programme.legs.map((each, index) => (index === k ? { ...each, restS } : each))
								})}
							oncommit={settle}
						/>
						<Button
							class="small"
							onclick={() => setProgramme(programme, { legs: programme.legs.filter((_, index) => index !== k) })}
							disabled={programme.legs.length < 2}>Out</Button
						>
					</li>
				{/each}
			</ol>
			<Button
				class="small"
				disabled={data.poses.length === 0}
				onclick={() =>
					setProgramme(programme, {
						legs: [...programme.legs, { poseId: data.poses[0]!.id, restS: 1, wantedS: null }]
					})}>One pose more</Button
			>
			<Button class="small" onclick={() => set({ programmes: programmes.filter((each) => each.id !== programme.id) })}
				>Delete the programme</Button
			>
		</div>
	{/each}
	<Button class="small" onclick={addProgramme} disabled={data.poses.length < 2} data-testid="add-programme"
		>A programme, there and back</Button
	>
</GearFrame>

<style>
	.line {
		display: flex;
		gap: 8px;
		align-items: center;
		min-height: 44px;
	}
	.row :global(.field) {
		width: 150px;
	}
	.axis {
		width: 120px;
		align-self: center;
	}
	.quiet {
		color: var(--quiet);
		font-size: 14px;
	}
	.poses li,
	.programme li {
		display: flex;
		flex-wrap: wrap;
		gap: 6px 10px;
		align-items: center;
		min-height: 56px;
		border-top: 1px solid var(--rule);
	}
	.poses :global(input),
	.programme :global(input) {
		min-height: 44px;
	}
	:global(.sheet .small) {
		min-height: 44px;
		padding: 0 12px;
		border: 1.5px solid var(--edge);
		border-radius: 6px;
		font-size: 14px;
	}
	.programme {
		border-left: 4px solid var(--spirit);
		padding-left: 14px;
		margin-bottom: 12px;
	}
	.caution {
		border-left: 4px solid var(--clay);
		color: var(--clay);
		padding: 2px 12px;
	}
</style>
