<script lang="ts">
	/* eslint-disable max-lines -- one sheet: the curve, the stick that is tried and its figures are read together. */
	import { degFromRad, radFromDeg } from '@poise/core';
	import Button from '$lib/sheet/fields/Button.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import Picture from '$lib/sheet/picture/Picture.svelte';
	import { Pull } from '$lib/sheet/drawing/pull.svelte';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { allowed } from '$lib/sheet/units/allowed';
	import { isTyping } from '$lib/sheet/keys';
	import type { Person } from '$lib/model/person';
	import { turningAxes } from '$lib/model/turning';
	import { onMount } from 'svelte';
	import { sharedFeel } from './feelBench.svelte';
	import { feelLimits, most } from './limits';
	import type { StickSetting } from './model';
	import { centred, type Deflection, fromKeys, onPad, readPads } from '$lib/sheet/pad';
	import { eyeM, lensOf, roomFor } from './room';
	import { stickAt, stickFrom, stickToCsv, stickToJson, topSpeeds } from './stick';
	import { degrees, focalWords } from './words';

	interface Props {
		person: Person;
	}
	let { person }: Props = $props();
	const bench = sharedFeel();
	const stick = $derived(bench.sheet.stick);
	const lens = $derived(lensOf(bench.state));
	const change = (next: Partial<StickSetting>, about: string | null = null) =>
		bench.changeSheet({ stick: { ...stick, ...next } }, about);

	const top = $derived(stickAt(stick, 1, lens));
	const speeds = $derived(topSpeeds(stick, lens.sensorWidthM));
	const perS = (rate: number) => `${degrees(rate)}/s`;

	/** The curve: deflection to the right, speed up. */
	const [w, h, pad] = [420, 230, 34];
	const most_ = $derived(Math.max(stick.maxRateRadPerS, 1e-6));
	const px = (x: number) => pad + x * (w - pad - 10);
	const py = (rate: number) => h - pad + 6 - (rate / most_) * (h - pad - 8);
	const points = $derived(Array.from({ length: 61 }, (_, k) => [k / 60, stickAt(stick, k / 60, lens)] as const));
	const drawn = $derived(
		points.map(([x, y], k) => `${k === 0 ? 'M' : 'L'}${px(x).toFixed(1)} ${py(y).toFixed(1)}`).join('')
	);

	// The stick that is tried: finger or mouse, arrow keys, a controller; whichever is off its middle.
	let byHand = $state.raw<Deflection>(centred);
	let byKeys = $state.raw<Deflection>(centred);
	let byPad = $state.raw<Deflection>(centred);
	let padId = $state<string | null>(null);
	const at = $derived([byHand, byKeys, byPad].find(({ x, y }) => x !== 0 || y !== 0) ?? centred);
	const rates = $derived({ pan: -stickAt(stick, at.x, lens), tilt: stickAt(stick, at.y, lens) });
	let head = $state.raw({ pan: 0, tilt: 0 });
	const down = new Set<string>();
	const pull = new Pull<'stick'>({
		pull: (_, { by }) => (byHand = onPad(by.x / 70, -by.y / 70)),
		settle: () => (byHand = centred)
	});
	function keyed(event: KeyboardEvent, isDown: boolean) {
		if (!event.key.startsWith('Arrow') || (isDown && isTyping(event))) return;
		if (isDown) {
			down.add(event.key);
			event.preventDefault();
		} else down.delete(event.key);
		byKeys = fromKeys(down, event.shiftKey);
	}
	/** A window that is left hears no key come up: the stick goes to its middle by itself. */
	function letGo() {
		down.clear();
		byKeys = byHand = centred;
	}
	onMount(() => {
		let frame = 0;
		let last = performance.now();
		const step = (time: number) => {
			const passed = Math.min(0.1, (time - last) / 1000);
			last = time;
			const read = readPads(navigator.getGamepads?.() ?? []);
			if (read?.id !== padId) padId = read?.id ?? null;
			if (read?.at.x !== byPad.x || read.at.y !== byPad.y) byPad = read?.at ?? centred;
			if (rates.pan !== 0 || rates.tilt !== 0)
				head = {
					pan: head.pan + rates.pan * passed,
					tilt: Math.max(-1.2, Math.min(1.2, head.tilt + rates.tilt * passed))
				};
			frame = requestAnimationFrame(step);
		};
		frame = requestAnimationFrame(step);
		return () => cancelAnimationFrame(frame);
	});
	const scene = roomFor(0);

	let problem = $state('');
	let said = $state('');
	function save(kind: 'json' | 'csv') {
		const text = kind === 'json' ? stickToJson(stick) : stickToCsv(stick);
		const link = document.createElement('a');
		link.href = URL.createObjectURL(new Blob([text], { type: kind === 'json' ? 'application/json' : 'text/csv' }));
		link.download = `stick of ${bench.data.support.name}.${kind}`;
		link.click();
		setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
	}
	async function read(input: HTMLInputElement) {
		const file = input.files?.[0];
		input.value = '';
		if (file === undefined) return;
		said = '';
		problem = file.size > 100_000 ? 'This file is too large for a stick.' : '';
		if (problem !== '') return;
		const told = stickFrom(await file.text());
		if ('problem' in told) problem = told.problem;
		else {
			change(told.stick);
			bench.settle();
			said = `Taken from ${file.name}. Undo takes it back.`;
		}
	}
	let added = $state(0.07);
</script>

<svelte:window onkeydown={(event) => keyed(event, true)} onkeyup={(event) => keyed(event, false)} onblur={letGo} />

<h1 class="sr-only">The stick</h1>
<div class="bench stick">
	<section class="work" aria-label="The stick’s curve, and a stick to try it with">
		<div class="two">
			<figure>
				<figcaption>Deflection to speed, with <span data-printed>{focalWords(lens.focalM)}</span></figcaption>
				<svg viewBox="0 0 {w} {h}" role="img" aria-label="The stick’s curve: from nothing to {perS(top)}">
					<line class="axis" x1={pad} y1={py(0)} x2={w - 10} y2={py(0)} />
					<line class="axis" x1={pad} y1={py(0)} x2={pad} y2={py(most_)} />
					<rect class="zone" x={pad} y={py(most_)} width={px(stick.deadZone) - pad} height={py(0) - py(most_)} />
					<line class="top" x1={pad} y1={py(top)} x2={w - 10} y2={py(top)} />
					<text x={w - 12} y={py(top) - 6} text-anchor="end"
						>{perS(top)}{top < stick.maxRateRadPerS ? ' with this lens' : ''}</text
					>
					<text x={px(0)} y={h - 6}>middle</text>
					<text x={w - 10} y={h - 6} text-anchor="end">full</text>
					<path d={drawn} />
					{#each [at.x, at.y] as deflection, index (index)}
						{#if deflection !== 0}<circle
								cx={px(Math.abs(deflection))}
								cy={py(Math.abs(stickAt(stick, deflection, lens)))}
								r="6"
							/>{/if}
					{/each}
				</svg>
			</figure>
			<figure>
				<figcaption>Try it: pull, arrow keys{padId === null ? ', or a game controller' : ''}</figcaption>
				<svg
					class="pad"
					viewBox="-100 -100 200 200"
					role="application"
					aria-label="Stick: pull it, or hold the arrow keys"
					{@attach pull.hold(() => 'stick')}
					data-testid="stick-pad"
				>
					<circle class="rim" r="92" />
					<line class="cross" x1="-92" x2="92" y1="0" y2="0" /><line class="cross" y1="-92" y2="92" x1="0" x2="0" />
					<circle class="dead" r={stick.deadZone * 70} />
					<circle class="knob" cx={at.x * 70} cy={-at.y * 70} r="20" />
				</svg>
			</figure>
		</div>
		<p class="read" role="status" data-testid="stick-read">
			<span
				>pan <b class="figure">{rates.pan === 0 ? '0°/s' : `${perS(rates.pan)} ${rates.pan > 0 ? 'left' : 'right'}`}</b
				></span
			>
			<span
				>tilt <b class="figure">{rates.tilt === 0 ? '0°/s' : `${perS(rates.tilt)} ${rates.tilt > 0 ? 'up' : 'down'}`}</b
				></span
			>
			<span class="quiet" data-testid="pad-name"
				>{padId === null ? 'No controller: press one of its buttons' : padId}</span
			>
			<Button class="chip" onclick={() => (head = { pan: 0, tilt: 0 })}>Ahead again</Button>
		</p>
		<div class="window">
			<Picture
				{scene}
				{lens}
				pose={{ positionM: [0, 0, eyeM], headingRad: head.pan, elevationRad: head.tilt, rollRad: 0 }}
				label="What the lens sees as the stick turns it"
			/>
		</div>
	</section>
	<section class="answer-column" aria-label="The answer">
		<Slip heading="The stick">
			{#snippet answer()}
				Full stick turns <strong>{perS(top)}</strong>{top < stick.maxRateRadPerS ? ', held back by the lens' : ''}.
			{/snippet}
			<p class="detail">
				So the picture moves by {((top * lens.focalM) / lens.sensorWidthM).toFixed(2)} of its widths a second at most.
			</p>
			<div class="fields">
				<QuantityField
					label="Dead zone"
					quantity="share"
					units="metric"
					value={stick.deadZone}
					check={allowed(feelLimits.deadZone, 'share')}
					onvalue={(deadZone) => change({ deadZone }, 'dead zone')}
					oncommit={bench.settle}
					testId="stick-dead"
				/>
				<QuantityField
					label="Curve (0: straight)"
					quantity="share"
					units="metric"
					value={stick.expo}
					check={allowed(feelLimits.expo, 'share')}
					onvalue={(expo) => change({ expo }, 'expo')}
					oncommit={bench.settle}
					testId="stick-expo"
				/>
				<QuantityField
					label="Top speed, ° a second"
					quantity="count"
					units="metric"
					value={degFromRad(stick.maxRateRadPerS)}
					check={(value) =>
						value > 0 && value <= degFromRad(feelLimits.rate.most) ? null : 'More than 0, up to 720° a second.'}
					onvalue={(value) => change({ maxRateRadPerS: radFromDeg(value) }, 'rate')}
					oncommit={bench.settle}
					testId="stick-top"
				/>
				<QuantityField
					label="Picture, widths a second"
					quantity="count"
					units="metric"
					value={stick.widthsPerS}
					check={allowed(feelLimits.widthsPerS, 'count')}
					onvalue={(widthsPerS) => change({ widthsPerS }, 'widths')}
					oncommit={bench.settle}
					testId="stick-widths"
				/>
			</div>
			<table data-testid="top-speeds">
				<thead><tr><th scope="col">Lens</th><th scope="col" class="number">Top speed</th><th></th></tr></thead>
				<tbody>
					{#each speeds as { focalM, rateRadPerS, byPicture }, index (index)}
						<tr class:now={Math.abs(focalM - lens.focalM) < 1e-6}>
							<th scope="row" data-printed>{focalWords(focalM)}</th>
							<td class="number figure">{perS(rateRadPerS)}</td>
							<td
								><small>{byPicture ? 'by the picture' : 'by the head'}</small>
								{#if speeds.length > 1}<Button
										class="link"
										aria-label="Take {focalWords(focalM)} off the table"
										onclick={() => change({ focalsM: stick.focalsM.filter((_, k) => k !== index) })}>✕</Button
									>{/if}</td
							>
						</tr>
					{/each}
				</tbody>
			</table>
			<div class="fields">
				<QuantityField
					label="Another lens"
					quantity="length"
					units="metric"
					printed
					value={added}
					check={allowed(feelLimits.focal, 'length')}
					onvalue={(value) => (added = value)}
				/>
				<Button
					class="chip"
					disabled={stick.focalsM.length >= most.focals}
					onclick={() => change({ focalsM: [...stick.focalsM, added].sort((a, b) => a - b) })}>Add it</Button
				>
			</div>
			<div class="grip">
				<strong>The second operator’s grip</strong>
				<div class="fields">
					<QuantityField
						label="Head for a turn of the hand"
						quantity="count"
						units="metric"
						value={stick.gripRatio}
						check={allowed(feelLimits.gripRatio, 'count')}
						onvalue={(gripRatio) => change({ gripRatio }, 'grip')}
						oncommit={bench.settle}
						testId="grip-ratio"
					/>
					<span class="ticks">
						{#each turningAxes.filter((axis) => bench.motors.includes(axis)) as axis (axis)}
							<label
								><Tick
									checked={stick.gripAxes[axis]}
									onchange={(event) => change({ gripAxes: { ...stick.gripAxes, [axis]: event.currentTarget.checked } })}
								/>
								{axis}</label
							>
						{/each}
					</span>
				</div>
				<p>
					A quarter turn of the hand turns the head {degrees((Math.PI / 2) * stick.gripRatio)}; hold the grip so that
					ahead is ahead.
				</p>
				<label class="stack"
					>How it is recentred
					<TextInput
						value={stick.gripRecentre}
						maxlength={300}
						oninput={(event) => change({ gripRecentre: event.currentTarget.value }, 'recentre')}
						onblur={bench.settle}
					/></label
				>
			</div>
			<p class="caution">
				A head that is turned by a stick moves without warning: {person.name}, say so before you touch it.
			</p>
			<div class="chips">
				<Button class="chip" onclick={() => save('json')} data-testid="stick-json">Save as JSON</Button>
				<Button class="chip" onclick={() => save('csv')} data-testid="stick-csv">Save as CSV</Button>
				<label class="file"
					>Read a file <TextInput
						type="file"
						accept=".json,.csv"
						onchange={(event) => void read(event.currentTarget)}
						data-testid="stick-file"
					/></label
				>
			</div>
			{#if problem !== ''}<p class="warning" role="alert" data-testid="stick-problem">{problem}</p>{/if}
			{#if said !== ''}<p role="status">{said}</p>{/if}
		</Slip>
	</section>
</div>

<style>
	.work {
		overflow-y: auto;
		scrollbar-width: thin;
		padding: 12px 18px 16px 26px;
		gap: 8px;
	}
	.two {
		display: grid;
		grid-template-columns: 1.7fr 1fr;
		gap: 18px;
	}
	figcaption {
		font-size: 13px;
		font-weight: 700;
	}
	svg {
		width: 100%;
		max-height: 230px;
	}
	.axis {
		stroke: var(--edge);
	}
	.zone {
		fill: var(--rule);
	}
	.top {
		stroke: var(--clay);
		stroke-dasharray: 5 4;
	}
	text {
		font-size: 13px;
		fill: var(--quiet);
	}
	path {
		fill: none;
		stroke: var(--press);
		stroke-width: 3.4;
	}
	circle {
		fill: var(--clay);
	}
	.window {
		max-width: 560px;
	}
	.pad {
		touch-action: none;
		cursor: grab;
	}
	.rim {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 2;
	}
	.cross {
		stroke: var(--rule);
	}
	.dead {
		fill: var(--rule);
	}
	.knob {
		fill: var(--spirit);
		stroke: var(--spirit-line);
		stroke-width: 2;
	}
	.read {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 22px;
		align-items: center;
		font-size: 15px;
	}
	b {
		display: inline-block;
		min-width: 92px;
	}
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
		gap: 8px 14px;
		align-items: end;
	}
	table {
		border-collapse: collapse;
		width: 100%;
		font-size: 15px;
	}
	th,
	td {
		text-align: left;
		padding: 2px 8px 2px 0;
		border-top: 1px solid var(--rule);
	}
	thead th {
		border: 0;
		font-weight: 400;
		font-size: 13px;
		color: var(--quiet);
	}
	.number {
		text-align: right;
	}
	tr.now th {
		border-left: 4px solid var(--spirit);
		padding-left: 8px;
	}
	td :global(.link) {
		min-width: 44px;
	}
	.grip {
		display: grid;
		gap: 6px;
		font-size: 15px;
	}
	.ticks,
	.ticks label {
		display: flex;
		gap: 6px 14px;
		align-items: center;
		min-height: 44px;
	}
	.ticks label {
		gap: 6px;
	}
	.stack {
		display: grid;
		gap: 3px;
		font-size: 14px;
	}
	.file {
		font-size: 14px;
		display: grid;
	}
	.file :global(input) {
		max-width: 230px;
		font-size: 13px;
	}
	@media (max-width: 900px) {
		/* The thumb's part first. */
		.stick > .answer-column {
			order: 1;
		}
		.work {
			padding: 12px 14px;
		}
		.two {
			grid-template-columns: 1fr;
		}
		.two figure:last-child {
			order: -1;
		}
	}
</style>
