<script lang="ts">
	import { sledReport } from '@poise/core';
	import { tryFigures } from '$lib/supports/tryFigures';
	import type { BalanceChange } from '$lib/model/balance';
	import type { SledRecord } from '$lib/supports/sled/model';
	import type { Part } from '$lib/model/part';
	import { mountedBodies, type Payload } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import type { SledBenchState, SledRig } from './model';
	import SledDrawing from './SledDrawing.svelte';
	import { degrees, lineInWords, linesBetween, seconds } from './slip';
	import { itemAt, settledOn, sledOf } from './standing';
	import { usualMovers } from './state';
	import { showInertia, showMass, showMove, together } from '$lib/sheet/units/display';
	import { benchSetUp, sledThenToNow } from './sledCompare';
	import { recordParts } from '$lib/supports/log/twoUp';
	import RecordFrame from '$lib/supports/log/RecordFrame.svelte';
	import { setBench } from '$lib/supports/log/setBench';

	interface Props {
		data: {
			readonly record: SledRecord;
			readonly changes: readonly BalanceChange[];
			/** As it is today; null: deleted since. */
			readonly support: SledRig | null;
			readonly present: Payload | null;
			readonly bench: SledBenchState | null;
			readonly shelf: readonly Part[];
			readonly payloads: readonly { readonly id: string; readonly name: string }[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	const units = $derived(data.person.units);
	const record = $derived(data.record);
	const parts = $derived(recordParts(record));
	const sled = $derived(data.support ?? record.support);
	const logged = $derived(settledOn(sled.geometry, record.setting));
	const report = $derived(
		tryFigures(() => sledReport({ sled: sledOf(record.support.geometry, record.setting, mountedBodies(parts)) }))
	);
	const target = $derived.by(() => {
		const { present, shelf, bench } = data;
		if (present === null) return null;
		const wishes = { shots: bench?.shots ?? [], movers: bench?.movers ?? usualMovers(sled) };
		return tryFigures(() => sledThenToNow(record, sled, present, shelf, wishes));
	});
	const lines = $derived(target === null ? null : linesBetween(sled.geometry, logged, target, units));
	const places = $derived([
		{ id: 'clamp', words: 'Plate, clamp', of: (s: typeof logged) => s.coarseForeM },
		{ id: 'knob', words: 'Plate, fore-aft knob', of: (s: typeof logged) => s.fineForeM },
		{ id: 'side', words: 'Plate, side knob', of: (s: typeof logged) => s.fineSideM },
		{ id: 'gimbal', words: 'Gimbal above the foot', of: (s: typeof logged) => s.gimbalM },
		...sled.geometry.items.flatMap((item) =>
			(['foreM', 'sideM', 'upM'] as const)
				.filter((field) => item[field] !== null)
				.map((field) => ({
					id: `${item.id}-${field}`,
					words: `${item.label}, ${{ foreM: 'forward', sideM: 'left', upM: 'up' }[field]}`,
					of: (s: typeof logged) => itemAt(s, item.id)[field]
				}))
		)
	]);
	const mm = (metres: number) => `${metres < -0.00025 ? '−' : ''}${together(showMove(metres, units))}`;
	const facts = $derived([
		{ name: 'On the gimbal', value: together(showMass(record.figures.massKg, units)) },
		{ name: 'Drop', value: `${seconds(record.figures.dropForeS)}, wanted ${seconds(record.dropTimeS)}` },
		{
			name: 'Spin',
			value: `${degrees(record.figures.foreLeanRad)} fore-aft, ${degrees(record.figures.sideLeanRad)} side`
		},
		{ name: 'Pan inertia', value: showInertia(record.figures.panInertiaKgM2, units) }
	]);

	async function setUp(): Promise<string> {
		if (data.support === null || data.present === null || target === null) return '';
		const state = benchSetUp(data.support, data.bench, record, target, [
			'From the logbook',
			...(lines ?? []).map(lineInWords)
		]);
		return setBench({ kind: 'sled', supportId: data.support.id, payloadId: data.present.id }, state);
	}
</script>

<RecordFrame
	{record}
	kind="sled"
	changes={data.changes}
	there={data.support !== null}
	presentId={data.present?.id ?? null}
	payloads={data.payloads}
	{lines}
	{facts}
	onsetup={setUp}
>
	{#snippet drawing(width, height)}
		<SledDrawing
			geometry={record.support.geometry}
			setting={record.setting}
			{parts}
			{report}
			{units}
			{width}
			{height}
			target={data.support === null ? null : target}
		/>
	{/snippet}
	{#snippet rows()}
		<table>
			<thead
				><tr><th>Where it stood</th><th class="number">logged</th><th class="number">for the present payload</th></tr
				></thead
			>
			<tbody>
				{#each places as { id, words, of } (id)}
					<tr data-row={id}
						><th>{words}</th><td class="number figure">{mm(of(logged))}</td><td class="number figure"
							>{target === null ? '–' : mm(of(target))}</td
						></tr
					>
				{/each}
			</tbody>
		</table>
	{/snippet}
</RecordFrame>

<style>
	table {
		width: 100%;
		border-collapse: collapse;
		margin: 4px 0 10px;
	}
	thead th {
		font-size: 13px;
		font-weight: 400;
		color: var(--quiet);
	}
	th {
		text-align: left;
		font-weight: 400;
		padding: 6px 10px 6px 26px;
	}
	td {
		padding: 6px 16px;
		font-size: 16px;
	}
	.number {
		text-align: right;
	}
	@media (max-width: 900px) {
		th {
			padding-left: 12px;
		}
	}
</style>
