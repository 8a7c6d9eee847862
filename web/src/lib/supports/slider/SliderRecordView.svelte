<script lang="ts">
	import type { BalanceChange } from '$lib/model/balance';
	import { mountedBodies, type Payload, standingParts } from '$lib/model/payload';
	import type { Part } from '$lib/model/part';
	import type { Person } from '$lib/model/person';
	import { showForce, showMass, together } from '$lib/sheet/units/display';
	import RecordFrame from '../log/RecordFrame.svelte';
	import { setBench } from '../log/setBench';
	import { tryFigures } from '../tryFigures';
	import { sliderFigures } from './figures';
	import type { Slider, SliderBenchState, SliderRecord } from './model';
	import { benchAsLogged, linesBack } from './sliderCompare';
	import SliderRecordDrawing from './SliderRecordDrawing.svelte';
	import { lineInWords, troubleInWords } from './slip';
	import { freshSliderState } from './state';

	interface Props {
		data: {
			readonly record: SliderRecord;
			readonly changes: readonly BalanceChange[];
			/** As it is today; null: deleted since. */
			readonly support: Slider | null;
			readonly present: Payload | null;
			readonly bench: SliderBenchState | null;
			readonly shelf: readonly Part[];
			readonly payloads: readonly { readonly id: string; readonly name: string }[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	const units = $derived(data.person.units);
	const record = $derived(data.record);
	const now = $derived((data.bench ?? freshSliderState(record.support.geometry)).setting);
	const lines = $derived(data.present === null ? null : linesBack(record, now, units));
	const force = (n: number) => `${n < 0 ? '−' : ''}${together(showForce(Math.abs(n), units))}`;
	/** The present payload on the rail as it was logged. */
	const today = $derived.by(() => {
		const { present, shelf } = data;
		if (present === null) return null;
		const bodies = mountedBodies(standingParts(present, new Map(shelf.map((part) => [part.id, part]))));
		return tryFigures(() => sliderFigures(data.support ?? record.support, bodies, record.setting, []));
	});
	const facts = $derived([
		{ name: 'On the rail', value: together(showMass(record.figures.carriedKg, units)) },
		{ name: 'Supports', value: `${force(record.figures.leastN)} to ${force(record.figures.mostN)}` },
		{ name: 'Along it', value: `${force(record.figures.holdN)} to hold` },
		...(today === null
			? []
			: [
					{
						name: 'Present payload',
						value:
							today.wrong.length === 0
								? 'would stay so too, as computed'
								: today.wrong
										.map((each) => troubleInWords(each, record.setting, record.support.geometry, units))
										.join(' ')
					}
				])
	]);

	async function setUp(): Promise<string> {
		if (data.support === null || data.present === null) return '';
		const words = ['From the logbook', ...(lines ?? []).map(lineInWords)];
		const bench = { kind: 'slider', supportId: data.support.id, payloadId: data.present.id };
		return setBench(bench, benchAsLogged(record, data.bench, words));
	}
</script>

<RecordFrame
	{record}
	kind="slider"
	changes={data.changes}
	there={data.support !== null}
	presentId={data.present?.id ?? null}
	payloads={data.payloads}
	{lines}
	{facts}
	onsetup={setUp}
>
	{#snippet drawing(width, height)}<SliderRecordDrawing {record} {units} {width} {height} />{/snippet}
</RecordFrame>
