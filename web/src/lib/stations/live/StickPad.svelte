<script lang="ts">
	/* eslint-disable max-lines -- everything that steers, side by side. */
	import { onMount } from 'svelte';
	import Button from '$lib/sheet/fields/Button.svelte';
	import Range from '$lib/sheet/fields/Range.svelte';
	import { Pull } from '$lib/sheet/drawing/pull.svelte';
	import { isTyping } from '$lib/sheet/keys';
	import { centred, type Deflection, fromKeys, onPad, readPads } from '$lib/sheet/pad';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { noJog } from './jog';
	import { sharedLive, stickEveryMs } from './liveBench.svelte';
	import { shapes, shapeWords } from './runs';
	import { Grip } from './grip.svelte';
	import { Surface } from './surface.svelte';
	import { axisWords, placeWords } from './words';

	/** What steers while it is held: stick, arrow keys, controller, MIDI surface, a phone; and beside it every other axis. */
	const bench = sharedLive();
	const head = $derived(bench.head);
	let byHand = $state.raw<Deflection>(centred);
	let shown = $state.raw<Deflection>(centred);
	let padId = $state<string | null>(null);
	const down = new Set<string>();
	const padRings = { zoom: 0, focus: 0 };
	const grip = new Grip(bench);
	const surface = new Surface(bench);
	const radius = 62;
	const pull = new Pull<'stick'>({
		pull: (_, { by }) => {
			byHand = onPad(by.x / radius, -by.y / radius);
			bench.stick('hand', byHand);
		},
		settle: () => {
			byHand = centred;
			bench.stick('hand', centred);
		}
	});
	function keyed(event: KeyboardEvent, isDown: boolean) {
		if (!event.key.startsWith('Arrow') || (isDown && isTyping(event))) return;
		if (isDown) {
			down.add(event.key);
			event.preventDefault();
		} else down.delete(event.key);
		bench.stick('keys', fromKeys(down, event.shiftKey));
	}
	function letGo() {
		down.clear();
		byHand = centred;
		bench.letGo();
	}
	onMount(() => {
		const step = () => {
			const read = readPads(navigator.getGamepads?.() ?? []);
			if (read?.id !== padId) padId = read?.id ?? null;
			bench.stick('pad', read?.at ?? centred);
			// Its right stick: up and down zooms, across pulls focus.
			const right = readPads(navigator.getGamepads?.() ?? [], 2)?.at ?? centred;
			for (const [axis, value] of [
				['zoom', right.y],
				['focus', right.x]
			] as const)
				if (value !== padRings[axis]) {
					padRings[axis] = value;
					bench.ring(axis, value);
				}
			const at = [byHand, read?.at ?? centred, fromKeys(down, false)].find(({ x, y }) => x !== 0 || y !== 0) ?? centred;
			// Drawn anew only where it has gone somewhere: every drawing takes time from the hold.
			if (at.x !== shown.x || at.y !== shown.y) shown = at;
		};
		// By the clock and not by frames: looking at the controller is no reason to draw.
		const looks = setInterval(step, stickEveryMs);
		return () => {
			clearInterval(looks);
			surface.end();
			grip.end();
		};
	});
	const others = $derived(
		head === null ? [] : Object.keys(head.axes).filter((axis) => axis !== 'panRad' && axis !== 'tiltRad')
	);
	let springs = $state<Record<string, number>>({});
	function spring(axis: string, value: number) {
		springs[axis] = value;
		bench.ring(axis, value);
	}
	const carried = $derived(['arm', 'rail'].includes(bench.kept?.settings.place.stands ?? ''));
	/** Metres a second. */
	const jogMPerS = 0.25;
	const arm = [
		{ words: 'left', sets: { right: -jogMPerS } },
		{ words: 'right', sets: { right: jogMPerS } },
		{ words: 'up', sets: { up: jogMPerS } },
		{ words: 'down', sets: { up: -jogMPerS } },
		{ words: 'in', sets: { forward: jogMPerS } },
		{ words: 'out', sets: { forward: -jogMPerS } },
		{ words: 'round left', sets: { orbit: -jogMPerS } },
		{ words: 'round right', sets: { orbit: jogMPerS } }
	];
	const ways = $derived(bench.kept?.settings.place.stands === 'arm' ? arm : arm.slice(0, 2));
	const lensRings = ['focus', 'zoom', 'iris'];
</script>

<svelte:window onkeydown={(event) => keyed(event, true)} onkeyup={(event) => keyed(event, false)} onblur={letGo} />

<div class="sticks" data-testid="sticks">
	<div class="stick">
		<svg width="150" height="150" viewBox="-75 -75 150 150" role="group" aria-label="Stick: pan and tilt">
			<circle class="rim" r={radius + 8} />
			<path class="cross" d="M-{radius} 0H{radius}M0 -{radius}V{radius}" />
			<circle
				class="ball"
				cx={shown.x * radius}
				cy={-shown.y * radius}
				r="22"
				data-testid="stick-ball"
				{@attach pull.hold(() => (bench.mine ? 'stick' : null))}
			/>
		</svg>
		<p>
			{padId === null
				? 'Pull it, or the arrow keys; with Shift half.'
				: 'A controller is here: left stick turns, right one zooms and focuses.'}
		</p>
	</div>
	<div class="axes">
		{#each others as axis (axis)}
			{@const ready = head?.ready.includes(axis) === true}
			{@const ring = lensRings.includes(axis)}
			<div class="axis">
				<span class="name">{axisWords(axis)}</span>
				{#if ready}
					<Range
						min={-1}
						max={1}
						step={0.02}
						value={springs[axis] ?? 0}
						aria-label="{axisWords(axis)}: slower and faster, springs back"
						oninput={(event) => spring(axis, Number(event.currentTarget.value))}
						onpointerup={() => spring(axis, 0)}
						onpointercancel={() => spring(axis, 0)}
						onkeyup={() => spring(axis, 0)}
						onblur={() => spring(axis, 0)}
						data-testid="spring-{axis}"
					/>
					<span class="at">{placeWords(axis, bench.at[axis] ?? 0, bench.data.person.units)}</span>
				{:else if ring}
					<Button
						class="find"
						onclick={() => (bench.homing = axis)}
						aria-pressed={bench.homing === axis}
						data-testid="home-{axis}">Find its ends</Button
					>
					<span class="at">not known</span>
				{/if}
			</div>
		{/each}
	</div>
	<div class="feel">
		<label
			>taken up in <Range
				min={0}
				max={2}
				step={0.1}
				bind:value={bench.rampS}
				oninput={() => bench.shape()}
				data-testid="ramp"
			/><span>{bench.rampS.toFixed(1)} s</span></label
		>
		<label
			>of its speed <Range
				min={0.1}
				max={1}
				step={0.05}
				bind:value={bench.trim}
				oninput={() => bench.shape()}
				data-testid="trim"
			/><span>{Math.round(bench.trim * 100)} %</span></label
		>
		<label
			>dead zone <Range min={0} max={0.4} step={0.02} bind:value={bench.deadZone} /><span
				>{Math.round(bench.deadZone * 100)} %</span
			></label
		>
		<label
			>curve <Range min={0} max={1} step={0.05} bind:value={bench.curve} /><span>{Math.round(bench.curve * 100)} %</span
			></label
		>
		{#if carried}
			<div class="jog" role="group" aria-label="Carry the camera">
				{#each ways as { words, sets } (words)}
					<Button
						class="find"
						onpointerdown={() => bench.jog(sets)}
						onpointerup={() => bench.jog(noJog)}
						onpointercancel={() => bench.jog(noJog)}
						onkeydown={(event: KeyboardEvent) => event.key === 'Enter' && bench.jog(sets)}
						onkeyup={() => bench.jog(noJog)}
						onblur={() => bench.jog(noJog)}
						data-testid="jog-{words}">{words}</Button
					>
				{/each}
				<label class="line"
					><Tick checked={bench.keepsLook} onchange={(event) => (bench.keepsLook = event.currentTarget.checked)} /> keeps
					looking there</label
				>
			</div>
		{/if}
		{#if head?.axes.trackM !== undefined}
			<label
				>runs <Choice bind:value={bench.shapeOfRun} data-testid="shape"
					>{#each shapes as each (each)}<option value={each}>{shapeWords[each]}</option>{/each}</Choice
				></label
			>
			<div class="jog">
				<Button class="find" onclick={() => bench.slideTo(head.axes.trackM?.range[0] ?? 0)} data-testid="to-start"
					>To its start</Button
				>
				<Button class="find" onclick={() => bench.slideTo(head.axes.trackM?.range[1] ?? 0)} data-testid="to-end"
					>To its end</Button
				>
			</div>
		{/if}
		<div class="more">
			<Button class="find" onclick={() => surface.begin()} data-testid="midi">{surface.words}</Button>
			<Button
				class="find"
				onpointerdown={() => grip.press()}
				onpointerup={() => grip.release()}
				onpointercancel={() => grip.release()}
				data-testid="grip">{grip.words}</Button
			>
			<label
				>hand : head
				<Range min={0.25} max={3} step={0.25} bind:value={grip.ratio} /><span>{grip.ratio.toFixed(2)}</span></label
			>
		</div>
	</div>
</div>

<style>
	.sticks {
		display: grid;
		grid-template-columns: 178px minmax(200px, 1fr) minmax(220px, 1fr);
		gap: 8px 20px;
		padding: 10px 18px;
		border-top: 2px solid var(--rule);
	}
	.stick {
		display: grid;
		justify-items: center;
	}
	.stick p {
		font-size: 13px;
		color: var(--quiet);
		text-align: center;
	}
	svg {
		touch-action: none;
	}
	.rim {
		fill: var(--panel);
		stroke: var(--edge);
		stroke-width: 1.5;
	}
	.cross {
		stroke: var(--rule);
		fill: none;
	}
	.ball {
		fill: var(--press);
		cursor: grab;
	}
	.axis,
	.feel label {
		display: grid;
		grid-template-columns: 84px minmax(90px, 1fr) 76px;
		gap: 10px;
		align-items: center;
		min-height: 44px;
		font-size: 14px;
	}
	.feel label {
		color: var(--quiet);
	}
	.at,
	.feel span {
		font-variant-numeric: tabular-nums;
		font-size: 14px;
	}
	.name {
		font-weight: 700;
		font-size: 15px;
	}
	.sticks :global(.find) {
		min-height: 44px;
		padding: 0 12px;
		border: 1.5px solid var(--press);
		color: var(--press);
		border-radius: 6px;
		font-size: 14px;
		touch-action: manipulation;
	}
	.axis :global(.find) {
		white-space: nowrap;
		padding: 0 6px;
	}
	.sticks :global(.find[aria-pressed='true']) {
		background: var(--press);
		color: var(--press-ink);
	}
	.jog {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
	}
	.jog .line {
		display: flex;
	}
	.more {
		display: grid;
		gap: 6px;
	}
	@media (max-width: 1000px) {
		.sticks {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
