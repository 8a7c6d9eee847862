<script lang="ts">
	import CraneDrawing from './CraneDrawing.svelte';
	import { lineInWords, linesBetween, platesInWords } from './slip';
	import { armOf, settledOn } from './standing';
	import type { BalanceChange } from '$lib/model/balance';
	import type { CraneRecord } from '$lib/supports/crane/model';
	import type { CraneBenchState, CraneRig } from './model';
	import type { Part } from '$lib/model/part';
	import { mountedBodies, type Payload } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import { showMass, showMove, together } from '$lib/sheet/units/display';
	import { craneSetUp, craneThenToNow } from './craneCompare';
	import { recordParts } from '$lib/supports/log/twoUp';
	import RecordFrame from '$lib/supports/log/RecordFrame.svelte';
	import { setBench } from '$lib/supports/log/setBench';

	interface Props {
		data: {
			readonly record: CraneRecord;
			readonly changes: readonly BalanceChange[];
			/** As it is today; null: deleted since. */
			readonly support: CraneRig | null;
			readonly present: Payload | null;
			readonly bench: CraneBenchState | null;
			readonly shelf: readonly Part[];
			readonly payloads: readonly { readonly id: string; readonly name: string }[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	const units = $derived(data.person.units);
	const record = $derived(data.record);
	const crane = $derived(data.support ?? record.support);
	const bodies = $derived(mountedBodies(recordParts(record)));
	const target = $derived(data.present === null ? null : craneThenToNow(record, crane, data.present, data.shelf));
	const lines = $derived(
		target === null ? null : linesBetween(crane.geometry, settledOn(crane.geometry, record.setting), target, units)
	);
	const kg = (mass: number) => together(showMass(Math.abs(mass), units));
	const facts = $derived([
		{ name: 'Plates', value: platesInWords(record.support.geometry, record.setting.hung, units) },
		{ name: 'Trim', value: `${together(showMove(-record.setting.trimU, units))} behind the pivot` },
		{
			name: 'Nose',
			value: `${kg(record.figures.noseKg)} ${record.figures.noseKg >= 0 ? 'heavy' : 'light'}, wanted ${kg(record.noseBiasKg)} ${record.noseBiasKg >= 0 ? 'heavy' : 'light'}`
		},
		{ name: 'Reserve', value: `${(record.figures.reserve * 100).toFixed(0)} % against tipping, as drawn then` }
	]);

	async function setUp(): Promise<string> {
		if (data.support === null || data.present === null || target === null) return '';
		const words = ['From the logbook', ...(lines ?? []).map(lineInWords)];
		const state = craneSetUp(data.support, data.bench, record, target, words);
		return setBench({ kind: 'crane', supportId: data.support.id, payloadId: data.present.id }, state);
	}
</script>

<RecordFrame
	{record}
	kind="crane"
	verb="Hang"
	changes={data.changes}
	there={data.support !== null}
	presentId={data.present?.id ?? null}
	payloads={data.payloads}
	{lines}
	{facts}
	onsetup={setUp}
>
	{#snippet drawing(width, height)}
		<CraneDrawing
			geometry={record.support.geometry}
			setting={record.setting}
			payload={bodies}
			arm={armOf(record.support.geometry, record.setting, bodies)}
			{units}
			{width}
			{height}
		/>
	{/snippet}
</RecordFrame>
