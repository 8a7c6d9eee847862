<script lang="ts">
	import { invalidateAll } from '$app/navigation';
	import { combineMeasurements, periodFromTaps, radFromDeg, type Vec3 } from '@poise/core';
	import { ask } from '$lib/api';
	import QuantityField from '$lib/fields/QuantityField.svelte';
	import { when } from '$lib/logbook/when';
	import type { BalanceRecord } from '$lib/model/balance';
	import { type GearChange, type Measurement, type MeasuringWay, measuringWays } from '$lib/model/measurement';
	import { cgSigmaOf, type Part } from '$lib/model/part';
	import { bodyOf, type Payload, type PayloadDraft, standingParts } from '$lib/model/payload';
	import type { Person } from '$lib/model/person';
	import { fieldText, fieldUnit, type Quantity, showLength, together } from '$lib/units/display';
	import { combineBodies } from '@poise/core';
	import { evaluate, type Plane, type Readings } from './evaluate';
	import { fromBalance } from './fromBalance';
	import MeasureDrawing from './MeasureDrawing.svelte';
	import PhotoAngle from './PhotoAngle.svelte';
	import { partSubject, payloadSubject } from './subject';

	interface Props {
		data: {
			readonly payload: Payload;
			readonly parts: readonly Part[];
			readonly part: Part | null;
			readonly measurements: readonly Measurement[];
			readonly records: readonly BalanceRecord[];
			readonly changes: readonly GearChange[];
			readonly person: Person;
		};
	}
	let { data }: Props = $props();
	const units = $derived(data.person.units);
	const standing = $derived(
		standingParts({ ...data.payload, correction: null }, new Map(data.parts.map((part) => [part.id, part])))
	);
	const subject = $derived(data.part === null ? payloadSubject(data.payload.name, standing) : partSubject(data.part));

	const wayWords: Readonly<Record<MeasuringWay, string>> = {
		rod: 'On a rod',
		scales: 'On two scales',
		hang: 'Hung from two points',
		swing: 'Swung on a pin',
		balance: 'From a logged balance'
	};
	const axisWords = ['fore-aft', 'sideways', 'height'] as const;
	const plusMinus = [
		['forward', 'back'],
		['left', 'right'],
		['up', 'down']
	] as const;
	const endWords = ['its rear end', 'its right side', 'its underside'] as const;

	let way = $state<MeasuringWay>('rod');
	let axis = $state<0 | 1 | 2>(0);
	let plane = $state<Plane>('side');
	/** Repeated readings of one thing, and the one being typed. */
	let list = $state.raw<readonly number[]>([]);
	let reading = $state(0);
	let pairs = $state.raw<readonly (readonly [number, number])[]>([]);
	let pair = $state<[number, number]>([0, 0]);
	let edgeA = $state(0);
	let span = $state(0.1);
	let hangs = $state([
		{ acrossM: 0, upM: 0.04, turns: [] as number[], turn: 0 },
		{ acrossM: -0.04, upM: 0, turns: [] as number[], turn: 0 }
	]);
	let pin = $state({ acrossM: 0, upM: 0.04 });
	let amplitude = $state(radFromDeg(20));
	let periods = $state.raw<readonly number[]>([]);
	let period = $state(0);
	let taps = $state.raw<readonly number[]>([]);
	let recordId = $state('');
	let trouble = $state('');
	let busy = $state(false);

	const withTyped = (values: readonly number[], typed: number) =>
		typed !== 0 || values.length === 0 ? [...values, typed] : values;
	const readings = $derived.by((): Readings | null => {
		if (way === 'rod')
			return { way, axis, fromEndM: list.length === 0 && reading === 0 ? [] : withTyped(list, reading) };
		if (way === 'scales')
			return {
				way,
				axis,
				edgeAFromEndM: edgeA,
				spanM: span,
				pairsKg: pair[0] + pair[1] > 0 ? [...pairs, pair] : pairs
			};
		if (way === 'hang') {
			const [first, second] = hangs.map(({ acrossM, upM, turns, turn }) => ({
				acrossM,
				upM,
				turnsRad: withTyped(turns, turn)
			}));
			return first === undefined || second === undefined ? null : { way, plane, first, second };
		}
		if (way === 'swing')
			return {
				way,
				plane,
				pinAcrossM: pin.acrossM,
				pinUpM: pin.upM,
				turnsRad: withTyped(list, reading),
				periodsS: period > 0 ? [...periods, period] : periods,
				amplitudeRad: amplitude
			};
		return null;
	});
	const record = $derived(data.records.find(({ id }) => id === recordId));
	const result = $derived(
		way === 'balance'
			? record === undefined
				? { problem: data.records.length === 0 ? 'No logged balance holds this yet.' : 'Pick a logged balance.' }
				: fromBalance(record, data.part?.id ?? null)
			: readings === null
				? { problem: '' }
				: evaluate(subject, readings)
	);

	const place = (which: number, valueM: number) => {
		const [plus, minus] = plusMinus[which as 0 | 1 | 2];
		return `${together(showLength(valueM, units))} ${valueM >= 0 ? plus : minus}`;
	};
	const sure = (sigmaM: number) => `± ${together(showLength(sigmaM, units))}`;
	const readingWords = $derived.by(() => {
		const show = (value: number, quantity: Quantity) =>
			`${fieldText(value, quantity, units)} ${fieldUnit(quantity, units)}`;
		if (readings === null) return record === undefined ? '' : `${record.payloadName} on ${record.rigName}`;
		if (readings.way === 'rod')
			return `${readings.fromEndM.map((each) => show(each, 'length')).join(', ')} from ${endWords[readings.axis]}`;
		if (readings.way === 'scales')
			return `${readings.pairsKg.map(([a, b]) => `${show(a, 'mass')} | ${show(b, 'mass')}`).join(', ')} over ${show(readings.spanM, 'length')}`;
		if (readings.way === 'hang')
			return [readings.first, readings.second]
				.map(({ turnsRad }) => turnsRad.map((each) => show(each, 'angle')).join(', '))
				.join(' and ');
		return `${readings.periodsS.map((each) => show(each, 'time')).join(', ')} at ${readings.turnsRad.map((each) => show(each, 'angle')).join(', ')}`;
	});

	async function save() {
		if (!('found' in result)) return;
		busy = true;
		const outcome = await ask('POST', '/api/measurements', {
			partId: data.part?.id ?? null,
			payloadId: data.part === null ? data.payload.id : null,
			way,
			found: result.found,
			readings: readingWords || wayWords[way]
		});
		busy = false;
		trouble = outcome.ok ? '' : outcome.error.message;
		if (!outcome.ok) return;
		list = [];
		pairs = [];
		periods = [];
		taps = [];
		reading = period = 0;
		pair = [0, 0];
		await invalidateAll();
	}

	/** What the measurements of each direction say together. */
	const byAxis = $derived(
		([0, 1, 2] as const).flatMap((which) => {
			const entries = data.measurements.flatMap((entry) =>
				entry.found.filter((each) => each.axis === which).map((each) => ({ entry, ...each }))
			);
			if (entries.length === 0) return [];
			const told = combineMeasurements({
				measurements: entries.map(({ valueM, sigmaM }) => ({ value: valueM, sigma: sigmaM }))
			});
			return [{ which, entries, told }];
		})
	);

	/** Which measurement speaks for a direction: one of them, or all together (null). */
	let picked = $state<Record<number, string | null>>({});
	const chosenFor = (which: number) => {
		const group = byAxis.find((each) => each.which === which);
		const entry = group?.entries.find(({ entry }) => entry.id === picked[which]);
		if (group === undefined) return null;
		return entry === undefined
			? { valueM: group.told.value, sigmaM: group.told.sigma }
			: { valueM: entry.valueM, sigmaM: entry.sigmaM };
	};

	async function write() {
		const now = data.part?.shape.cgFromMiddleM ?? null;
		const sigmas = data.part === null ? null : cgSigmaOf(data.part);
		const today = new Date().toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
		const ways = [...new Set(data.measurements.map((entry) => wayWords[entry.way].toLowerCase()))].join(', ');
		const from = `${ways}, ${today}, ${data.person.name}`.slice(0, 200);
		busy = true;
		if (data.part !== null) {
			const assumed = data.part.shape.extensionM / 2;
			const pick = (which: 0 | 1 | 2) => chosenFor(which)?.valueM ?? now?.[which] ?? (which === 0 ? assumed : 0);
			const unsure = (which: 0 | 1 | 2) => Math.max(1e-5, chosenFor(which)?.sigmaM ?? sigmas?.[which] ?? 0.002);
			const outcome = await ask('POST', '/api/gear', {
				about: 'part',
				partId: data.part.id,
				from,
				figure: {
					cgFromMiddleM: [pick(0), pick(1), pick(2)],
					cgSigmaM: [unsure(0), unsure(1), unsure(2)],
					cgFrom: from
				}
			});
			trouble = outcome.ok ? '' : outcome.error.message;
		} else {
			const { cgM } = combineBodies({ bodies: standing.map((each) => bodyOf(each)) });
			const shift = (which: 0 | 1 | 2) => (chosenFor(which)?.valueM ?? cgM[which]) - cgM[which];
			const unsure = (which: 0 | 1 | 2) => Math.max(1e-5, chosenFor(which)?.sigmaM ?? 0.005);
			const { id, version, updatedAt: _at, familyId: _family, ...draft } = data.payload;
			const saved: PayloadDraft & { version: number } = {
				...draft,
				version,
				correction: {
					shiftM: [shift(0), shift(1), shift(2)] satisfies Vec3,
					sigmaM: [unsure(0), unsure(1), unsure(2)],
					from
				}
			};
			const outcome = await ask('PUT', `/api/payloads/${id}`, saved);
			trouble = outcome.ok ? '' : outcome.error.message;
		}
		busy = false;
		if (trouble === '') await invalidateAll();
	}
	async function takeBack(id: string) {
		const outcome = await ask('DELETE', `/api/gear/${id}`);
		trouble = outcome.ok ? '' : outcome.error.message;
		await invalidateAll();
	}
	async function forget(id: string) {
		await ask('DELETE', `/api/measurements?id=${id}`);
		await invalidateAll();
	}
	function tap() {
		const now = performance.now() / 1000;
		taps = [...taps, now];
		if (taps.length >= 3) period = periodFromTaps({ tapsS: taps }).periodS;
	}
	const now = $derived(data.part?.shape.cgFromMiddleM ?? null);
</script>

<p class="lead" data-testid="now">
	{#if data.part !== null}
		{now === null
			? 'Not measured: its middle is taken'
			: `Now ${[0, 1, 2].map((k) => place(k, now[k] ?? 0)).join(', ')}`}
		({subject.from}, {sure(Math.max(...cgSigmaOf(data.part)))}){data.part.shape.cgFrom
			? `: ${data.part.shape.cgFrom}`
			: ''}.
	{:else if data.payload.correction}
		Measured as a whole: {data.payload.correction.from}.
	{:else}Worked out from its parts, {subject.from}.{/if}
</p>
<div class="two">
	<div class="card">
		<div class="actions" role="group" aria-label="Way of measuring">
			{#each measuringWays as each (each)}
				<button
					type="button"
					class="tool"
					aria-pressed={way === each}
					onclick={() => (way = each)}
					data-testid="way-{each}">{wayWords[each]}</button
				>
			{/each}
		</div>
		<MeasureDrawing {way} />
		{#if way === 'rod' || way === 'scales'}
			<div class="actions" role="group" aria-label="Direction">
				{#each axisWords as words, which (words)}
					<button
						type="button"
						class="tool"
						aria-pressed={axis === which}
						onclick={() => (axis = which as 0 | 1 | 2)}
						data-testid="axis-{which}">{words}</button
					>
				{/each}
			</div>
		{:else if way !== 'balance'}
			<div class="actions" role="group" aria-label="Seen from">
				{#each ['side', 'front'] as const as each (each)}
					<button type="button" class="tool" aria-pressed={plane === each} onclick={() => (plane = each)}
						>seen from the {each}</button
					>
				{/each}
			</div>
		{/if}
		{#if way === 'rod'}
			<div class="row">
				<QuantityField
					label="Balances this far from {endWords[axis]}"
					value={reading}
					quantity="length"
					{units}
					check={(value) => (value >= 0 ? null : 'Counted from the end: not negative.')}
					onvalue={(value) => (reading = value)}
					testId="rod-reading"
				/>
				<button
					type="button"
					class="tool"
					onclick={() => ((list = [...list, reading]), (reading = 0))}
					data-testid="again">Take it again</button
				>
			</div>
			{#if list.length > 0}<p class="quiet">
					So far {list.map((each) => together(showLength(each, units))).join(', ')}
				</p>{/if}
		{:else if way === 'scales'}
			<div class="row">
				<QuantityField
					label="Edge A is from {endWords[axis]}"
					value={edgeA}
					quantity="length"
					{units}
					onvalue={(value) => (edgeA = value)}
				/>
				<QuantityField
					label="Edges apart"
					value={span}
					quantity="length"
					{units}
					check={(value) => (value > 0 ? null : 'More than 0.')}
					onvalue={(value) => (span = value)}
					testId="span"
				/>
				<QuantityField
					label="A shows"
					value={pair[0]}
					quantity="mass"
					{units}
					check={(value) => (value >= 0 ? null : 'Not below 0.')}
					onvalue={(value) => (pair = [value, pair[1]])}
					testId="scale-a"
				/>
				<QuantityField
					label="B shows"
					value={pair[1]}
					quantity="mass"
					{units}
					check={(value) => (value >= 0 ? null : 'Not below 0.')}
					onvalue={(value) => (pair = [pair[0], value])}
					testId="scale-b"
				/>
				<button type="button" class="tool" onclick={() => ((pairs = [...pairs, pair]), (pair = [0, 0]))}
					>Weigh again</button
				>
			</div>
			{#if pairs.length > 0}<p class="quiet">{pairs.length} weighed so far</p>{/if}
		{:else if way === 'hang'}
			{#each hangs as hang, index (index)}
				<div class="row">
					<QuantityField
						label="{index === 0 ? 'First' : 'Second'} point, {plane === 'side' ? 'forward' : 'left'}"
						value={hang.acrossM}
						quantity="length"
						{units}
						onvalue={(value) => (hang.acrossM = value)}
					/>
					<QuantityField
						label="and up"
						value={hang.upM}
						quantity="length"
						{units}
						onvalue={(value) => (hang.upM = value)}
					/>
					<QuantityField
						label="{plane === 'side' ? 'nose up' : 'left side up'} by"
						value={hang.turn}
						quantity="angle"
						{units}
						onvalue={(value) => (hang.turn = value)}
						testId="hang-{index}"
					/>
					<button
						type="button"
						class="tool"
						onclick={() => ((hang.turns = [...hang.turns, hang.turn]), (hang.turn = 0))}
						>Again{hang.turns.length > 0 ? ` (${hang.turns.length})` : ''}</button
					>
				</div>
				<PhotoAngle onangle={(turnRad) => (hang.turn = turnRad)} />
			{/each}
			<p class="quiet">Points {subject.from}. Hold the camera level for a photo.</p>
		{:else if way === 'swing'}
			<div class="row">
				<QuantityField
					label="Pin, {plane === 'side' ? 'forward' : 'left'}"
					value={pin.acrossM}
					quantity="length"
					{units}
					onvalue={(value) => (pin.acrossM = value)}
				/>
				<QuantityField
					label="and up"
					value={pin.upM}
					quantity="length"
					{units}
					onvalue={(value) => (pin.upM = value)}
				/>
				<QuantityField
					label="hangs {plane === 'side' ? 'nose up' : 'left side up'} by"
					value={reading}
					quantity="angle"
					{units}
					onvalue={(value) => (reading = value)}
				/>
				<QuantityField
					label="swings to each side"
					value={amplitude}
					quantity="angle"
					{units}
					check={(value) => (value > 0 && value < Math.PI ? null : 'More than 0°, less than 180°.')}
					onvalue={(value) => (amplitude = value)}
				/>
				<QuantityField
					label="there and back takes"
					value={period}
					quantity="time"
					{units}
					check={(value) => (value > 0 && value < 30 ? null : 'More than 0, less than 30 s.')}
					onvalue={(value) => (period = value)}
					testId="swing-period"
				/>
				<button type="button" class="tool" onclick={() => ((periods = [...periods, period]), (period = 0), (taps = []))}
					>Swing again{periods.length > 0 ? ` (${periods.length})` : ''}</button
				>
			</div>
			<button type="button" class="second tapper" onclick={tap}
				>{taps.length === 0 ? 'Tap in time with the swing' : `${taps.length} taps`}</button
			>
		{:else}
			<label class="stack"
				>Logged balance
				<select bind:value={recordId} data-testid="record">
					<option value="">pick one</option>
					{#each data.records as each (each.id)}
						<option value={each.id}>{each.payloadName} on {each.rigName}, {when(each.loggedAt)}</option>
					{/each}
				</select>
			</label>
		{/if}
		{#if 'found' in result}
			<p class="big" data-testid="found">
				{#each result.found as { axis: which, valueM, sigmaM } (which)}
					<span class="line"><strong>{place(which, valueM)}</strong> <small>{sure(sigmaM)}</small></span>
				{/each}
			</p>
			{#each result.notes as note (note)}<p class="quiet">{note}</p>{/each}
			<button type="button" class="go" onclick={save} disabled={busy} data-testid="keep-measurement"
				>Keep this measurement</button
			>
		{:else if result.problem !== ''}
			<p class="problem" role="status" data-testid="measure-problem">{result.problem}</p>
		{/if}
	</div>

	<div>
		<h2>What the measurements say</h2>
		{#if byAxis.length === 0}
			<p class="lead">Nothing measured yet. A rod and a ruler are enough for a lens.</p>
		{/if}
		{#each byAxis as { which, entries, told } (which)}
			<div class="card axis">
				<p>
					<strong>{axisWords[which]}</strong>
					{#if told.conflict}<span class="problem" data-testid="conflict"
							>These do not agree: pick one, or measure again.</span
						>{/if}
				</p>
				<ul>
					{#each entries as { entry, valueM, sigmaM }, index (entry.id)}
						<li>
							<label
								><input
									type="radio"
									name="pick-{which}"
									checked={picked[which] === entry.id}
									onchange={() => (picked[which] = entry.id)}
								/>
								<span class="figure">{place(which, valueM)}</span>
								<small>{sure(sigmaM)}</small></label
							>
							<small class="quiet"
								>{wayWords[entry.way].toLowerCase()}: {entry.readings}. {entry.personName}, {when(entry.at)}. Counts {Math.round(
									(told.weights[index] ?? 0) * 100
								)} %.</small
							>
							<button type="button" class="link" onclick={() => forget(entry.id)}>Throw away</button>
						</li>
					{/each}
					{#if entries.length > 1}
						<li>
							<label
								><input
									type="radio"
									name="pick-{which}"
									checked={(picked[which] ?? null) === null}
									onchange={() => (picked[which] = null)}
								/>
								<span class="figure">{place(which, told.value)}</span>
								<small>{sure(told.sigma)}, all together, each by what it is worth</small></label
							>
						</li>
					{/if}
				</ul>
			</div>
		{/each}
		{#if byAxis.length > 0}
			<button type="button" class="go" onclick={write} disabled={busy} data-testid="write-centre"
				>Write it to the {data.part === null ? 'build' : 'part'}</button
			>
		{/if}
		{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
		{#if data.changes.length > 0}
			<h2>Written before</h2>
			<ul class="changes">
				{#each data.changes as change (change.id)}
					<li class:undone={change.undone}>
						{change.from}
						{#if !change.undone}<button type="button" class="link" onclick={() => takeBack(change.id)}
								>Take it back</button
							>{/if}
					</li>
				{/each}
			</ul>
		{/if}
	</div>
</div>

<style>
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
		gap: 26px;
		align-items: start;
		margin-top: 10px;
	}
	.card {
		display: grid;
		gap: 8px;
	}
	.line {
		display: block;
	}
	small {
		font-size: 13px;
	}
	.big small {
		font-size: 18px;
		color: var(--quiet);
	}
	.row :global(.field) {
		width: 150px;
	}
	.tapper {
		width: 100%;
		min-height: 72px;
		touch-action: manipulation;
	}
	.axis {
		margin-bottom: 12px;
	}
	.axis li {
		display: grid;
		padding: 4px 0;
		border-top: 1px solid var(--rule);
	}
	.axis label {
		display: inline-flex;
		align-items: center;
		gap: 8px;
		min-height: 40px;
	}
	.link {
		text-align: left;
		text-decoration: underline;
		color: var(--press);
		font-size: 14px;
		min-height: 36px;
	}
	.undone {
		text-decoration: line-through;
		color: var(--quiet);
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
