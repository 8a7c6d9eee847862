<script lang="ts">
	import { beforeNavigate, goto } from '$app/navigation';
	import { mFromMm, mmFromM, type Vec3 } from '@poise/core';
	import { ask } from '$lib/api';
	import RigDrawing from '$lib/balance/RigDrawing.svelte';
	import { isTyping } from '$lib/dayline/keys';
	import QuantityField from '$lib/fields/QuantityField.svelte';
	import type { Part } from '$lib/model/part';
	import { type Payload, standingParts } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import type { Rig, RigSlide } from '$lib/model/rig';
	import { forget } from '$lib/state/kept';
	import SheetLinks from '$lib/state/SheetLinks.svelte';
	import { onMount } from 'svelte';
	import { lengthsOf, orderOf, withLength, withOrder } from './lengths';
	import { axisOrders } from './patterns';
	import { RigKeeper } from './rigKeeper.svelte';

	interface Props {
		data: {
			readonly rig: Rig;
			readonly payloads: readonly Payload[];
			readonly shelf: readonly Part[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	// The page mounts a new editor for another rig.
	// svelte-ignore state_referenced_locally
	const keeper = new RigKeeper(data.rig);
	const units = $derived(data.person.units);
	const draft = $derived(keeper.draft);
	const geometry = $derived(draft.geometry);
	const lengths = $derived(lengthsOf(geometry));
	const order = $derived(orderOf(geometry));
	let width = $state(700);
	let confirmDelete = $state(false);
	/** A payload drawn in the cradle, so that the arms can be judged by eye. */
	const byId = $derived(new Map(data.shelf.map((part) => [part.id, part])));
	const carried = $derived(
		data.payloads.filter((payload) => {
			const kg = standingParts(payload, byId).reduce((sum, { part }) => sum + part.massKg, 0);
			return kg >= draft.leastPayloadKg && kg <= draft.greatestPayloadKg;
		})
	);
	const shown = $derived(carried.find(({ id }) => id === data.person.payloadId) ?? carried[0] ?? data.payloads[0]);
	const parts = $derived(shown === undefined ? [] : standingParts(shown, byId));

	onMount(() => {
		keeper.restore();
		return () => keeper.stop();
	});
	beforeNavigate(() => void keeper.save());

	const lengthWords = [
		['reachM', 'Roll motor behind the tilt axis'],
		['halfWidthM', 'Arm beside the payload'],
		['baseM', 'Base below the tilt axis'],
		['dropM', 'Pan joint from the tilt axis']
	] as const;
	const orderWords = {
		'pan-roll-tilt': 'pan, roll, tilt',
		'pan-tilt-roll': 'pan, tilt, roll',
		'two-axis': 'roll, tilt (two-axis)'
	};
	const saveWords = {
		saved: 'Saved',
		unsaved: 'Saving …',
		refused: 'Not saved',
		stale: 'Not saved',
		away: 'Kept here'
	};

	/** A scale's ends as it is printed; changing one changes the travel. */
	const readingEnds = (slide: RigSlide) =>
		slide.rangeM.map((end) => slide.scale.readingAtZeroM + slide.scale.sense * end).sort((a, b) => a - b) as [
			number,
			number
		];
	function setTravel(slide: RigSlide, which: 0 | 1, metres: number) {
		const rangeM: [number, number] = [slide.rangeM[0], slide.rangeM[1]];
		rangeM[which] = metres;
		if (rangeM[0] <= rangeM[1]) keeper.slide(slide.id, { rangeM }, `range ${slide.id} ${which}`);
	}
	const within = (least: number, greatest: number, words: string) => (value: number) =>
		value >= least && value <= greatest ? null : words;
	const positive = (value: number) => (value > 0 ? null : 'More than 0.');

	function setKnob(slide: RigSlide, value: string) {
		const knobPitchM = value === 'hand' ? null : (slide.knobPitchM ?? mFromMm(2));
		keeper.slide(slide.id, { knobPitchM }, `knob ${slide.id}`);
	}
	const modes = $derived(geometry.modes ?? []);
	const alternatives = $derived(geometry.alternatives ?? []);
	function addHole() {
		const count = alternatives.length + 1;
		keeper.shape({
			alternatives: [
				...alternatives,
				{
					id: `other${count}${Math.round(mmFromM(lengths.reachM))}`,
					kind: 'useHole',
					label: `another hole, 20 mm further back`,
					shiftM: [-0.02, 0, 0],
					moves: ['payload']
				}
			]
		});
	}
	const setShift = (index: number, shiftM: Vec3) =>
		keeper.shape(
			{ alternatives: alternatives.map((each, k) => (k === index ? { ...each, shiftM } : each)) },
			`hole ${index}`
		);

	async function remove() {
		keeper.stop();
		const outcome = await ask('DELETE', `/api/rigs/${keeper.id}`);
		if (!outcome.ok) {
			keeper.message = outcome.error.message;
			return;
		}
		forget(`rig.${keeper.id}`);
		await goto('/rigs', { invalidateAll: true });
	}
	function keys(event: KeyboardEvent) {
		if (!(event.ctrlKey || event.metaKey) || isTyping(event)) return;
		if (event.key.toLowerCase() === 'z') {
			if (event.shiftKey) keeper.redo();
			else keeper.undo();
			event.preventDefault();
		}
	}
</script>

<svelte:window onkeydown={keys} />

<SheetLinks
	label="Sheets of this rig"
	links={[
		{ href: '/rigs', words: 'All rigs' },
		{ href: `/rigs/${keeper.id}`, words: 'Rig' },
		{ href: `/rigs/${keeper.id}/horizon`, words: 'Horizon' },
		...(shown === undefined ? [] : [{ href: `/balance/${keeper.id}/${shown.id}`, words: 'Bench' }])
	]}
/>
<div class="sheet">
	<div class="top">
		<label class="stack grow"
			><span class="sr-only">Name of the rig</span>
			<input
				class="name"
				type="text"
				value={draft.name}
				maxlength={120}
				aria-invalid={draft.name.trim() === ''}
				oninput={(event) => keeper.set({ name: event.currentTarget.value }, 'name')}
				onblur={() => keeper.settle()}
				data-testid="rig-name"
			/>
		</label>
		<span class="state" data-testid="rig-save" data-state={keeper.state}>{saveWords[keeper.state]}</span>
		<button type="button" class="tool" onclick={() => keeper.undo()} disabled={!keeper.canUndo}>Undo</button>
		<button type="button" class="tool" onclick={() => keeper.redo()} disabled={!keeper.canRedo}>Redo</button>
	</div>
	{#if keeper.message !== ''}<p class="problem" role="alert">{keeper.message}</p>{/if}
	{#if keeper.state === 'stale'}
		<p class="caution" role="alert">
			Somebody else has changed this rig since you opened it. Yours is kept here until you choose.
			<button type="button" class="tool" onclick={() => keeper.settleWith('theirs')}>Show theirs</button>
			<button type="button" class="tool" onclick={() => keeper.settleWith('mine')}>Save mine over it</button>
		</p>
	{/if}
	<div class="two">
		<div class="drawn" bind:clientWidth={width}>
			<RigDrawing
				rig={keeper.rig}
				{parts}
				axes={[]}
				positionsM={Object.fromEntries(geometry.slides.map(({ id, rangeM }) => [id, (rangeM[0] + rangeM[1]) / 2]))}
				targetsM={null}
				nextId={null}
				{units}
				{width}
				height={430}
				plain
			/>
			{#if shown}<p class="quiet small">Drawn with {shown.name}, every slide in the middle of its travel.</p>{/if}
		</div>
		<div>
			<h2>Arms</h2>
			<label class="stack"
				>Axes, outermost first
				<select
					value={order}
					onchange={(event) =>
						keeper.shape(withOrder(geometry, event.currentTarget.value as (typeof axisOrders)[number]))}
					data-testid="axis-order"
				>
					{#each axisOrders as each (each)}<option value={each}>{orderWords[each]}</option>{/each}
				</select>
			</label>
			<div class="grid">
				{#each lengthWords as [which, words] (which)}
					<QuantityField
						label={words}
						value={lengths[which]}
						quantity="length"
						{units}
						check={within(0.01, 1.5, 'Between 10 mm and 1.5 m.')}
						onvalue={(value) => keeper.shape(withLength(geometry, which, value), `length ${which}`)}
						oncommit={() => keeper.settle()}
						testId="length-{which}"
					/>
				{/each}
			</div>
			<h2>Carries</h2>
			<div class="grid">
				<QuantityField
					label="At least"
					value={draft.leastPayloadKg}
					quantity="mass"
					{units}
					check={(value) =>
						value >= 0 && value < draft.greatestPayloadKg ? null : 'From 0, and less than the greatest.'}
					onvalue={(leastPayloadKg) => keeper.set({ leastPayloadKg }, 'least')}
					oncommit={() => keeper.settle()}
					testId="least-payload"
				/>
				<QuantityField
					label="At most"
					value={draft.greatestPayloadKg}
					quantity="mass"
					{units}
					check={(value) =>
						value > draft.leastPayloadKg && value <= 200 ? null : 'More than the least, up to 200 kg.'}
					onvalue={(greatestPayloadKg) => keeper.set({ greatestPayloadKg }, 'greatest')}
					oncommit={() => keeper.settle()}
					testId="greatest-payload"
				/>
				{#each ['width', 'height', 'depth back'] as words, k (words)}
					{@const opening = geometry.openingM ?? [2 * lengths.halfWidthM, 2 * lengths.halfWidthM, lengths.reachM]}
					<QuantityField
						label="Clear {words}"
						value={opening[k] as number}
						quantity="length"
						{units}
						check={within(0.01, 3, 'Between 10 mm and 3 m.')}
						onvalue={(value) =>
							keeper.shape(
								{ openingM: opening.map((old, i) => (i === k ? value : old)) as unknown as Vec3 },
								`opening ${k}`
							)}
						oncommit={() => keeper.settle()}
					/>
				{/each}
			</div>
			<p class="quiet small">The maker’s manual has the last word on what a rig may carry.</p>
		</div>
	</div>

	<h2>Slides, in the order they are set</h2>
	<div class="scroll">
		<table>
			<thead>
				<tr
					><th>Slide</th><th>from</th><th>to</th><th>scale there</th><th>counts up</th><th>lines every</th><th
						>set by</th
					><th>a turn is</th><th>held by</th><th>extension adds</th></tr
				>
			</thead>
			<tbody>
				{#each geometry.slides as slide (slide.id)}
					<tr data-slide={slide.id}>
						<th
							>{slide.label}<small class="quiet"
								>{slide.purpose}; reads {readingEnds(slide)
									.map((end) => Math.round(mmFromM(end) * 10) / 10)
									.join(' to ')} mm</small
							></th
						>
						{#each [0, 1] as const as which (which)}
							<td
								><QuantityField
									hideLabel
									label="{slide.label}, {which === 0 ? slide.minusWord : slide.plusWord} end"
									value={slide.rangeM[which]}
									quantity="length"
									{units}
									check={(value) =>
										Math.abs(value) > 1
											? 'Within 1 m.'
											: (which === 0 ? value <= slide.rangeM[1] : value >= slide.rangeM[0])
												? null
												: 'The ends have changed places.'}
									onvalue={(value) => setTravel(slide, which, value)}
									oncommit={() => keeper.settle()}
									testId="{slide.id}-end-{which}"
								/></td
							>
						{/each}
						<td
							><QuantityField
								hideLabel
								label="{slide.label}, scale at 0"
								value={slide.scale.readingAtZeroM}
								quantity="length"
								{units}
								onvalue={(readingAtZeroM) =>
									keeper.slide(slide.id, { scale: { ...slide.scale, readingAtZeroM } }, `zero ${slide.id}`)}
								oncommit={() => keeper.settle()}
								testId="{slide.id}-zero"
							/></td
						>
						<td
							><select
								value={slide.scale.sense}
								aria-label="{slide.label}, its scale runs"
								onchange={(event) =>
									keeper.slide(
										slide.id,
										{ scale: { ...slide.scale, sense: Number(event.currentTarget.value) === 1 ? 1 : -1 } },
										`sense ${slide.id}`
									)}><option value={1}>{slide.plusWord}</option><option value={-1}>{slide.minusWord}</option></select
							></td
						>
						<td
							><QuantityField
								hideLabel
								label="{slide.label}, graduation"
								value={slide.graduationM ?? 0.001}
								quantity="length"
								{units}
								check={within(0.0001, 0.1, 'Between 0.1 and 100 mm.')}
								onvalue={(graduationM) => keeper.slide(slide.id, { graduationM }, `graduation ${slide.id}`)}
								oncommit={() => keeper.settle()}
							/></td
						>
						<td
							><select
								value={slide.knobPitchM === null ? 'hand' : 'knob'}
								aria-label="{slide.label} is set by"
								onchange={(event) => setKnob(slide, event.currentTarget.value)}
								data-testid="{slide.id}-set-by"
								><option value="hand">hand</option><option value="knob">a knob</option></select
							></td
						>
						<td
							>{#if slide.knobPitchM !== null}<QuantityField
									hideLabel
									label="{slide.label}, travel of one turn"
									value={slide.knobPitchM}
									quantity="length"
									{units}
									check={within(0.0001, 0.1, 'Between 0.1 and 100 mm.')}
									onvalue={(knobPitchM) => keeper.slide(slide.id, { knobPitchM }, `pitch ${slide.id}`)}
									oncommit={() => keeper.settle()}
									testId="{slide.id}-pitch"
								/>{:else}<span class="quiet">–</span>{/if}</td
						>
						<td
							><input
								type="text"
								class="lock"
								value={slide.lock ?? ''}
								maxlength={80}
								aria-label="{slide.label} is held by"
								oninput={(event) => keeper.slide(slide.id, { lock: event.currentTarget.value }, `lock ${slide.id}`)}
							/></td
						>
						<td
							><QuantityField
								hideLabel
								label="{slide.label}, reach an extension adds each way"
								value={slide.extension?.moreM ?? 0}
								quantity="length"
								{units}
								check={within(0, 1, 'Between 0 and 1 m.')}
								onvalue={(metres) =>
									keeper.slide(
										slide.id,
										{
											extension:
												metres === 0
													? null
													: { label: `the ${slide.label.toLowerCase()}’s extension`, lessM: metres, moreM: metres }
										},
										`extension ${slide.id}`
									)}
								oncommit={() => keeper.settle()}
								testId="{slide.id}-extension"
							/></td
						>
					</tr>
				{/each}
			</tbody>
		</table>
	</div>

	<div class="two">
		<div>
			<h2>Motors and friction</h2>
			<table>
				<thead><tr><th>Axis</th><th>motor holds</th><th>friction, power off</th></tr></thead>
				<tbody>
					{#each geometry.axes as axis (axis.id)}
						<tr>
							<th>{axis.label}</th>
							<td
								><QuantityField
									hideLabel
									label="{axis.label}, motor torque"
									value={axis.motorTorqueNm ?? 0}
									quantity="torque"
									{units}
									check={positive}
									onvalue={(motorTorqueNm) => keeper.axis(axis.id, { motorTorqueNm }, `torque ${axis.id}`)}
									oncommit={() => keeper.settle()}
									testId="{axis.id}-torque"
								/></td
							>
							<td
								><QuantityField
									hideLabel
									label="{axis.label}, friction"
									value={axis.frictionNm ?? 0}
									quantity="torque"
									{units}
									check={within(0, 50, 'Between 0 and 50 N·m.')}
									onvalue={(frictionNm) => keeper.axis(axis.id, { frictionNm }, `friction ${axis.id}`)}
									oncommit={() => keeper.settle()}
								/></td
							>
						</tr>
					{/each}
				</tbody>
			</table>
			<h2>Other holes, and the cradle turned</h2>
			{#each alternatives as alternative, index (alternative.id)}
				<div class="row">
					<label class="stack grow"
						>{alternative.kind === 'useHole' ? 'Hole' : 'Cradle turned'}
						<input
							type="text"
							value={alternative.label}
							maxlength={80}
							oninput={(event) =>
								keeper.shape(
									{
										alternatives: alternatives.map((each, k) =>
											k === index ? { ...each, label: event.currentTarget.value } : each
										)
									},
									`hole name ${index}`
								)}
						/>
					</label>
					{#each ['forward', 'left', 'up'] as words, k (words)}
						<QuantityField
							label={words}
							value={alternative.shiftM[k] as number}
							quantity="length"
							{units}
							check={within(-1, 1, 'Within 1 m.')}
							onvalue={(value) =>
								setShift(index, alternative.shiftM.map((old, i) => (i === k ? value : old)) as unknown as Vec3)}
							oncommit={() => keeper.settle()}
						/>
					{/each}
					<button
						type="button"
						class="tool"
						onclick={() => keeper.shape({ alternatives: alternatives.filter((_, k) => k !== index) })}>Take out</button
					>
				</div>
			{/each}
			<button type="button" class="tool" onclick={addHole} data-testid="add-hole">Another hole</button>
		</div>
		<div>
			<h2>Masses</h2>
			<table>
				<thead><tr><th>Part</th><th>mass</th></tr></thead>
				<tbody>
					{#each geometry.parts as part (part.id)}
						<tr>
							<th
								>{part.label}<small class="quiet"
									>{part.hangsOn === null ? 'never turns' : `turns with ${part.hangsOn}`}</small
								></th
							>
							<td
								><QuantityField
									hideLabel
									label="{part.label}, mass"
									value={part.body.massKg}
									quantity="mass"
									{units}
									check={within(0.001, 60, 'Between 1 g and 60 kg.')}
									onvalue={(massKg) => keeper.part(part.id, { body: { ...part.body, massKg } }, `mass ${part.id}`)}
									oncommit={() => keeper.settle()}
								/></td
							>
						</tr>
					{/each}
				</tbody>
			</table>
			<h2>Modes</h2>
			{#each modes as mode, index (index)}
				<div class="row">
					<label class="stack"
						>Mode
						<input
							type="text"
							value={mode.name}
							maxlength={80}
							oninput={(event) =>
								keeper.shape(
									{
										modes: modes.map((each, k) => (k === index ? { ...each, name: event.currentTarget.value } : each))
									},
									`mode ${index}`
								)}
						/>
					</label>
					<label class="stack"
						>reached by
						<input
							type="text"
							value={mode.presses}
							maxlength={200}
							oninput={(event) =>
								keeper.shape(
									{
										modes: modes.map((each, k) =>
											k === index ? { ...each, presses: event.currentTarget.value } : each
										)
									},
									`presses ${index}`
								)}
						/>
					</label>
					<button
						type="button"
						class="tool"
						onclick={() => keeper.shape({ modes: modes.filter((_, k) => k !== index) })}>Take out</button
					>
				</div>
			{/each}
			<button
				type="button"
				class="tool"
				onclick={() => keeper.shape({ modes: [...modes, { name: 'New mode', presses: '' }] })}>Another mode</button
			>
		</div>
	</div>
	<div class="actions">
		{#if confirmDelete}
			<span>Delete “{draft.name}” with its benches and its horizon log? The logbook keeps its copies.</span>
			<button type="button" class="second" onclick={remove}>Delete it</button>
			<button type="button" class="tool" onclick={() => (confirmDelete = false)}>Keep it</button>
		{:else}
			<button type="button" class="tool" onclick={() => (confirmDelete = true)}>Delete this rig …</button>
		{/if}
	</div>
</div>

<style>
	.top {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 8px 12px;
	}
	.grow {
		flex: 1;
		min-width: 220px;
	}
	.name {
		font-size: 24px;
		font-weight: 700;
		width: 100%;
		border-color: transparent !important;
		background: transparent !important;
		padding-left: 0;
	}
	.name:focus,
	.name:hover {
		border-color: var(--edge) !important;
	}
	.state {
		font-size: 14px;
		color: var(--quiet);
	}
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1.3fr) minmax(0, 1fr);
		gap: 10px 32px;
		align-items: start;
	}
	.drawn {
		border: 1px solid var(--rule);
	}
	.small {
		font-size: 13px;
		padding: 2px 8px;
	}
	.grid {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 8px 14px;
		margin-top: 8px;
	}
	small {
		display: block;
		font-size: 12.5px;
		font-weight: 400;
	}
	td :global(.field) {
		width: 98px;
	}
	td select {
		font-size: 15px;
	}
	.lock {
		width: 110px;
	}
	.row :global(.field) {
		width: 88px;
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
