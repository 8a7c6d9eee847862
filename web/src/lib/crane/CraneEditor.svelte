<script lang="ts">
	import { degFromRad } from '@poise/core';
	import { tryFigures } from '$lib/balance/figures';
	import FigureTable from '$lib/fields/FigureTable.svelte';
	import QuantityField from '$lib/fields/QuantityField.svelte';
	import { baseKinds, type CraneDraft, type CraneGeometry, type CraneRig, type Span } from '$lib/model/crane';
	import type { Part } from '$lib/model/part';
	import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import { editGear } from '$lib/state/editGear';
	import GearFrame from '$lib/state/GearFrame.svelte';
	import { showLength, together } from '$lib/units/display';
	import CraneDrawing from './CraneDrawing.svelte';
	import { footColumns, plateColumns, sectionColumns, wrongWith } from './craneColumns';
	import { armOf, bareSetting, noseU } from './standing';

	interface Props {
		data: {
			readonly crane: CraneRig;
			readonly payloads: readonly Payload[];
			readonly shelf: readonly Part[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	// The page mounts a new editor for another crane.
	// svelte-ignore state_referenced_locally
	const { id } = data.crane;
	// svelte-ignore state_referenced_locally
	const kept = editGear<CraneDraft>('crane', data.crane);

	const units = $derived(data.person.units);
	const draft = $derived(kept.value);
	const geometry = $derived(draft.geometry);
	const wrong = $derived(wrongWith(draft));
	let width = $state(760);
	let boomRad = $state(0.15);
	const byId = $derived(new Map(data.shelf.map((part) => [part.id, part])));
	const shown = $derived(
		data.payloads.find((payload) => {
			const kg = standingParts(payload, byId).reduce((sum, { part }) => sum + part.massKg, 0);
			return kg >= draft.leastPayloadKg && kg <= draft.greatestPayloadKg;
		})
	);
	const bodies = $derived(shown === undefined ? [] : mountedBodies(standingParts(shown, byId)));
	const setting = $derived({ ...bareSetting(geometry), boomRad });
	const arm = $derived(bodies.length < 2 ? null : tryFigures(() => armOf(geometry, setting, bodies)));

	const set = (next: Partial<CraneDraft>, about: string | null = null) => kept.set({ ...draft, ...next }, about);
	const shape = (next: Partial<CraneGeometry>, about: string | null = null) =>
		set({ geometry: { ...geometry, ...next } }, about);
	const settle = () => kept.settle();
	const within = (least: number, greatest: number, words: string) => (value: number) =>
		value >= least && value <= greatest ? null : words;
	const end = (span: Span, which: 0 | 1, value: number): Span => (which === 0 ? [value, span[1]] : [span[0], value]);
	const endRule = (span: Span, which: 0 | 1, least: number, most: number, words: string) => (value: number) =>
		value < least || value > most
			? words
			: (which === 0 ? value <= span[1] : value >= span[0])
				? null
				: 'The ends have changed places.';
	type Field = {
		readonly label: string;
		readonly value: number;
		readonly quantity: 'length' | 'mass' | 'angle';
		readonly check: (value: number) => string | null;
		readonly put: (value: number) => void;
		readonly testId?: string;
	};
	const groups = $derived.by((): readonly { readonly title: string; readonly fields: readonly Field[] }[] => {
		const { rear, nose, head, hanger, trim, boomRangeRad, pivotHeightM, base, linkage } = geometry;
		const length = (
			label: string,
			value: number,
			put: (v: number) => void,
			least = -2,
			most = 3,
			testId?: string
		): Field => ({
			label,
			value,
			quantity: 'length',
			check: within(
				least,
				most,
				`Between ${together(showLength(least, units))}${least < 0 ? ' the other way' : ''} and ${together(showLength(most, units))}.`
			),
			put,
			...(testId === undefined ? {} : { testId })
		});
		const mass = (label: string, value: number, put: (v: number) => void, most = 500, testId?: string): Field => ({
			label,
			value,
			quantity: 'mass',
			check: within(0, most, `Between 0 and ${most} kg.`),
			put,
			...(testId === undefined ? {} : { testId })
		});
		const angle = (
			label: string,
			value: number,
			put: (v: number) => void,
			check: (v: number) => string | null
		): Field => ({
			label,
			value,
			quantity: 'angle',
			check,
			put
		});
		const positive = (v: number) => (v > 0 ? null : 'More than 0.');
		return [
			{
				title: 'Behind the pivot',
				fields: [
					length(
						'rear tube',
						rear.lengthM,
						(lengthM) => shape({ rear: { ...rear, lengthM } }, 'rear'),
						0.1,
						5,
						'rear-length'
					),
					mass('its mass', rear.massKg, (massKg) => shape({ rear: { ...rear, massKg } }, 'rear kg'), 60),
					length(
						'hanger behind the pivot',
						-hanger.uM,
						(v) => shape({ hanger: { ...hanger, uM: -v } }, 'hanger u'),
						0.05,
						5
					),
					length(
						'weight line, up',
						hanger.vM,
						(vM) => shape({ hanger: { ...hanger, vM } }, 'hanger v'),
						-1.5,
						1.5,
						'weight-line'
					),
					mass('hanger’s mass', hanger.massKg, (massKg) => shape({ hanger: { ...hanger, massKg } }, 'hanger kg'), 80),
					mass('trim weight', trim.massKg, (massKg) => shape({ trim: { ...trim, massKg } }, 'trim kg'), 50),
					length(
						'trim travels from',
						-trim.rangeU[1],
						(v) => shape({ trim: { ...trim, rangeU: [trim.rangeU[0], -v] } }, 'trim near'),
						-2,
						5
					),
					length(
						'to, behind the pivot',
						-trim.rangeU[0],
						(v) => shape({ trim: { ...trim, rangeU: [-v, trim.rangeU[1]] } }, 'trim far'),
						-2,
						5
					),
					length(
						'trim’s graduation',
						trim.graduationM,
						(graduationM) => shape({ trim: { ...trim, graduationM } }, 'graduation'),
						0.001,
						0.2
					)
				]
			},
			{
				title: 'Nose and head',
				fields: [
					mass('nose’s mass', nose.massKg, (massKg) => shape({ nose: { ...nose, massKg } }, 'nose kg'), 50),
					length('hinge, up', nose.vM, (vM) => shape({ nose: { ...nose, vM } }, 'nose v'), -1, 1),
					mass('head’s mass', head.massKg, (massKg) => shape({ head: { ...head, massKg } }, 'head kg'), 80),
					length('its centre from the hinge', head.cgM, (cgM) => shape({ head: { ...head, cgM } }, 'head cg'), 0, 1.5),
					length(
						'camera plate from the hinge',
						head.plateM,
						(plateM) => shape({ head: { ...head, plateM } }, 'head plate'),
						0,
						1.5
					),
					...(
						[
							['panRadPerS', 'pans, a second'],
							['tiltRadPerS', 'tilts, a second'],
							['panRadPerS2', 'pan gathers, a second'],
							['tiltRadPerS2', 'tilt gathers, a second']
						] as const
					).map(([field, label]) =>
						angle(
							label,
							head.limits[field],
							(v) => shape({ head: { ...head, limits: { ...head.limits, [field]: v } } }, field),
							positive
						)
					)
				]
			},
			{
				title: 'Pivot, boom and levelling',
				fields: [
					...([0, 1] as const).map((which) =>
						length(
							which === 0 ? 'pivot above the floor, from' : 'to',
							pivotHeightM[which],
							(v) => shape({ pivotHeightM: end(pivotHeightM, which, v) }, `pivot ${which}`),
							0.2,
							6
						)
					),
					...([0, 1] as const).map((which) =>
						angle(
							which === 0 ? 'boom down to' : 'up to',
							boomRangeRad[which],
							(v) => shape({ boomRangeRad: end(boomRangeRad, which, v) }, `boom ${which}`),
							endRule(boomRangeRad, which, -1.4, 1.4, 'Within 80°.')
						)
					),
					length('tubes’ line, up', geometry.tubeVM, (tubeVM) => shape({ tubeVM }, 'tube v'), -1, 1),
					length('tube across', geometry.tubeAcrossM, (tubeAcrossM) => shape({ tubeAcrossM }, 'across'), 0.01, 0.6),
					length(
						'link on the nose',
						linkage.linkM,
						(linkM) => shape({ linkage: { ...linkage, linkM } }, 'link'),
						0.01,
						1
					),
					length(
						'rod’s rear pivot, forward',
						linkage.rearPivotM[0],
						(v) => shape({ linkage: { ...linkage, rearPivotM: [v, linkage.rearPivotM[1]] } }, 'rear x'),
						-1,
						1
					),
					length(
						'rod’s rear pivot, up',
						linkage.rearPivotM[1],
						(v) => shape({ linkage: { ...linkage, rearPivotM: [linkage.rearPivotM[0], v] } }, 'rear y'),
						-1,
						1
					),
					length(
						'rod longer than the arm',
						linkage.rodLongerM,
						(rodLongerM) => shape({ linkage: { ...linkage, rodLongerM } }, 'rod'),
						-0.5,
						0.5
					),
					length(
						'a turn of the adjuster',
						linkage.mPerTurn,
						(mPerTurn) => shape({ linkage: { ...linkage, mPerTurn } }, 'turn'),
						0.0001,
						0.02
					)
				]
			},
			{
				title: 'Base',
				fields: [
					mass('its mass', base.massKg, (massKg) => shape({ base: { ...base, massKg } }, 'base kg'), 2000, 'base-mass'),
					length('its centre, forward', base.cgM[0], (v) =>
						shape({ base: { ...base, cgM: [v, base.cgM[1], base.cgM[2]] } }, 'base x')
					),
					length('left', base.cgM[1], (v) =>
						shape({ base: { ...base, cgM: [base.cgM[0], v, base.cgM[2]] } }, 'base y')
					),
					length(
						'up',
						base.cgM[2],
						(v) => shape({ base: { ...base, cgM: [base.cgM[0], base.cgM[1], v] } }, 'base z'),
						0,
						3
					)
				]
			}
		];
	});
	const kindWords = { tripod: 'tripod', dolly: 'wheeled dolly', column: 'column on feet' };
</script>

<GearFrame
	kind="crane"
	{id}
	document={kept}
	links={shown === undefined ? [] : [{ href: `/balance/crane/${id}/${shown.id}`, words: 'Weights' }]}
	{wrong}
	goesToo="its benches"
>
	<div class="drawn" bind:clientWidth={width}>
		<CraneDrawing
			{geometry}
			{setting}
			payload={bodies}
			{arm}
			{units}
			{width}
			height={380}
			onboom={(boom) => (boomRad = Math.max(geometry.boomRangeRad[0], Math.min(geometry.boomRangeRad[1], boom)))}
		/>
	</div>
	<p class="quiet">
		{together(showLength(noseU(geometry, setting), units))} from pivot to nose with every section on, boom {degFromRad(
			boomRad
		).toFixed(0)}°; pull the nose.
	</p>
	<div class="row">
		<label class="stack"
			>What hangs on the nose
			<select
				value={geometry.nose.kept}
				onchange={(event) =>
					shape({ nose: { ...geometry.nose, kept: event.currentTarget.value as 'level' | 'fixed' } })}
				data-testid="nose-kept"
				><option value="level">is kept level</option><option value="fixed">turns with the arm</option></select
			>
		</label>
		<label class="stack"
			>Head
			<select
				value={geometry.nose.head}
				onchange={(event) =>
					shape({ nose: { ...geometry.nose, head: event.currentTarget.value as 'hung' | 'standing' } })}
				><option value="hung">hung</option><option value="standing">standing</option></select
			>
		</label>
		<label class="stack"
			>Base
			<select
				value={geometry.base.kind}
				onchange={(event) =>
					shape({ base: { ...geometry.base, kind: event.currentTarget.value as (typeof baseKinds)[number] } })}
				>{#each baseKinds as kind (kind)}<option value={kind}>{kindWords[kind]}</option>{/each}</select
			>
		</label>
		<QuantityField
			label="carries at least"
			value={draft.leastPayloadKg}
			quantity="mass"
			{units}
			check={(value) => (value >= 0 && value < draft.greatestPayloadKg ? null : 'From 0, and less than the greatest.')}
			onvalue={(leastPayloadKg) => set({ leastPayloadKg }, 'least')}
			oncommit={settle}
		/>
		<QuantityField
			label="at most"
			value={draft.greatestPayloadKg}
			quantity="mass"
			{units}
			check={(value) => (value > draft.leastPayloadKg && value <= 100 ? null : 'More than the least, up to 100 kg.')}
			onvalue={(greatestPayloadKg) => set({ greatestPayloadKg }, 'greatest')}
			oncommit={settle}
		/>
		<label class="line"
			><input
				type="checkbox"
				checked={geometry.hanger.secondVM !== null}
				onchange={(event) =>
					shape({ hanger: { ...geometry.hanger, secondVM: event.currentTarget.checked ? -geometry.hanger.vM : null } })}
			/> a second weight line</label
		>
		{#if geometry.hanger.secondVM !== null}
			<QuantityField
				label="second line, up"
				value={geometry.hanger.secondVM}
				quantity="length"
				{units}
				check={within(-1.5, 1.5, 'Within 1.5 m.')}
				onvalue={(secondVM) => shape({ hanger: { ...geometry.hanger, secondVM } }, 'second line')}
				oncommit={settle}
			/>
		{/if}
	</div>
	<div class="two">
		<div>
			<h2>Sections, pivot first</h2>
			<FigureTable
				rows={geometry.sections}
				columns={sectionColumns(geometry, (next, about) => shape(next, about))}
				{units}
				onsettle={settle}
				mayDrop={() => geometry.sections.length > 1}
				ondrop={({ id: gone }) => shape({ sections: geometry.sections.filter((section) => section.id !== gone) })}
			/>
			<button
				type="button"
				class="tool"
				disabled={geometry.sections.length >= 10}
				onclick={() => {
					let count = geometry.sections.length + 1;
					while (geometry.sections.some((section) => section.id === `section${count}`)) count += 1;
					shape({
						sections: [
							...geometry.sections,
							{ id: `section${count}`, label: `Section ${count}`, massKg: 3, lengthM: 1 }
						]
					});
				}}
				data-testid="add-section">Another section</button
			>
			<h2>Plates at hand</h2>
			<FigureTable
				rows={geometry.plates.map((plate, index) => ({ id: `plate${index}`, index, ...plate }))}
				columns={plateColumns(geometry, (next, about) => shape(next, about))}
				{units}
				onsettle={settle}
				mayDrop={() => geometry.plates.length > 1}
				ondrop={({ index: gone }) => shape({ plates: geometry.plates.filter((_, index) => index !== gone) })}
			/>
			<button
				type="button"
				class="tool"
				disabled={geometry.plates.length >= 8}
				onclick={() => shape({ plates: [...geometry.plates, { massKg: 2, count: 2 }] })}
				data-testid="add-plate">Another kind of plate</button
			>
		</div>
		<div>
			<h2>Feet or wheels, counter-clockwise from above</h2>
			<FigureTable
				rows={geometry.base.feetM.map((foot, index) => ({ id: `foot${index}`, index, foot }))}
				columns={footColumns(geometry, (next, about) => shape(next, about))}
				{units}
				onsettle={settle}
				mayDrop={() => geometry.base.feetM.length > 3}
				ondrop={({ index: gone }) =>
					shape({ base: { ...geometry.base, feetM: geometry.base.feetM.filter((_, index) => index !== gone) } })}
			/>
			<button
				type="button"
				class="tool"
				disabled={geometry.base.feetM.length >= 12}
				onclick={() => shape({ base: { ...geometry.base, feetM: [...geometry.base.feetM, [0.2, -0.8]] } })}
				>Another foot</button
			>
		</div>
	</div>
	{#each groups as { title, fields } (title)}
		<h2>{title}</h2>
		<div class="row fields">
			{#each fields as field (field.label)}
				<QuantityField
					label={field.label}
					value={field.value}
					quantity={field.quantity}
					{units}
					check={field.check}
					onvalue={field.put}
					oncommit={settle}
					testId={field.testId}
				/>
			{/each}
		</div>
	{/each}
	<p class="quiet">
		The maker’s manual has the last word on what a crane may carry and how high its weights may be stacked.
	</p>
</GearFrame>

<style>
	.drawn {
		border: 1px solid var(--rule);
	}
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
		gap: 10px 28px;
	}
	.row :global(.field) {
		width: 134px;
		font-size: 13px;
	}
	.line {
		display: inline-flex;
		gap: 8px;
		align-items: center;
		min-height: 44px;
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
