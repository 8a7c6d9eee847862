<script lang="ts">
	import { mmFromM } from '@poise/core';
	import type { StandingPart } from '$lib/model/payload';
	import type { UnitSystem } from '$lib/model/person';
	import Board from '$lib/sheet/drawing/Board.svelte';
	import { arrowStep, Pull } from '$lib/sheet/drawing/pull.svelte';
	import { scaleBarM } from '$lib/sheet/drawing/projection';
	import ScaleBar from '$lib/sheet/drawing/ScaleBar.svelte';
	import { showLength, together } from '$lib/sheet/units/display';
	import type { SliderGeometry, SliderSetting } from './model';
	import { boxesOn } from './boxes';
	import { roomFor } from './standing';
	import { supportName } from './slip';

	/** The rail from the side, to scale, on its supports, with the carriage and the camera's centre. Supports and carriage are pulled along it. */
	interface Props {
		geometry: SliderGeometry;
		setting: SliderSetting;
		/** Past the carriage along the rail, and off its line; null: nothing is carried. */
		centre: { readonly overhangM: number; readonly standoffM: number } | null;
		/** What stands on the carriage, drawn as its boxes. */
		parts?: readonly StandingPart[];
		/** Where the slip wants the supports; null: nowhere else. */
		targetM?: readonly number[] | null;
		units: UnitSystem;
		width: number;
		height: number;
		onmove?: ((next: Partial<SliderSetting>, about: string) => void) | undefined;
		onsettle?: () => void;
	}
	let {
		geometry,
		setting,
		centre,
		parts = [],
		targetM = null,
		units,
		width,
		height,
		onmove,
		onsettle = () => {}
	}: Props = $props();
	const { rail, carriage } = $derived(geometry);
	const [cos, sin] = $derived([Math.cos(setting.inclineRad), Math.sin(setting.inclineRad)]);
	const boxes = $derived(boxesOn(geometry, setting, parts));
	/** The rail's box on the page, with room for what stands on it and under it. */
	const roomM = $derived(
		Math.max(
			0.28,
			Math.abs(centre?.standoffM ?? 0) + 0.14,
			...boxes.map(({ toM, fromM }) => Math.max(Math.abs(toM[1]), Math.abs(fromM[1])) + 0.06)
		)
	);
	const wideM = $derived(rail.lengthM * Math.abs(cos) + 2 * roomM);
	const highM = $derived(rail.lengthM * Math.abs(sin) + 2 * roomM);
	const px = $derived(Math.min((width - 40) / wideM, (height - 70) / highM));
	const middle = $derived({ x: width / 2, y: height / 2 + 6 });
	const at = (u: number, v: number) => {
		const along = u - rail.lengthM / 2;
		return { x: middle.x + (along * cos - v * sin) * px, y: middle.y - (along * sin + v * cos) * px };
	};
	const line = (from: { x: number; y: number }, to: { x: number; y: number }) =>
		`M${from.x.toFixed(1)} ${from.y.toFixed(1)}L${to.x.toFixed(1)} ${to.y.toFixed(1)}`;
	const ways = $derived(setting.hung ? -1 : 1);
	const plate = $derived(at(setting.atM, ways * carriage.plateM));
	const heavy = $derived(centre === null ? null : at(setting.atM + centre.overhangM, centre.standoffM));
	/** Its rail is told by its length alone: drawn as thick as a hand is used to, and never thinner than can be seen. */
	const railM = $derived(Math.max(0.035, 7 / px));
	const outline = ({ fromM, toM }: Pick<(typeof boxes)[number], 'fromM' | 'toM'>) => {
		const corners = [at(fromM[0], fromM[1]), at(toM[0], fromM[1]), at(toM[0], toM[1]), at(fromM[0], toM[1])];
		return corners.map(({ x, y }) => `${x.toFixed(1)},${y.toFixed(1)}`).join(' ');
	};
	const floorY = $derived(height - 34);
	const barM = $derived(scaleBarM(px, 70, units === 'imperial'));

	type Held = { readonly kind: 'support'; readonly index: number } | { readonly kind: 'carriage' };
	const pull = new Pull<Held>({
		pull: (held, { at: { x, y } }) => {
			const u = rail.lengthM / 2 + ((x - middle.x) * cos - (y - middle.y) * sin) / px;
			moveTo(held, Math.round(u * 200) / 200);
		},
		settle: () => onsettle()
	});
	function moveTo(held: Held, u: number) {
		if (held.kind === 'carriage') onmove?.({ atM: u }, 'carriage');
		else {
			const [least, most] = roomFor(geometry, setting, held.index);
			const to = Math.min(most, Math.max(least, u));
			const supportsM = setting.supportsM.map((each, index) => (index === held.index ? to : each));
			onmove?.({ supportsM: supportsM as unknown as SliderSetting['supportsM'] }, `support ${held.index}`);
		}
	}
	function keys(event: KeyboardEvent, held: Held, fromM: number) {
		const step = arrowStep(event, 0.005, 0.05);
		if (step === null || onmove === undefined) return;
		event.preventDefault();
		moveTo(held, fromM + step[0]);
	}
	const told = (m: number) => together(showLength(m, units));
</script>

<Board {width} {height} label="The rail from the side">
	<path class="floor" d="M8 {floorY}H{width - 8}" />
	{#each setting.supportsM as u, index (index)}
		{@const under = at(u, -0.03)}
		<rect class="solid" x={under.x - 5} y={under.y} width="10" height={Math.max(0, floorY - under.y)} />
		<path class="foot" d="M{under.x - 13} {floorY - 1.5}h26" />
	{/each}
	{#if targetM !== null}
		{#each targetM as u, index (index)}
			{@const to = at(u, -0.03)}
			<path class="target" d="M{to.x} {to.y}V{floorY}" />
		{/each}
	{/if}
	{#each boxes as box (box.id)}<polygon class="solid" points={outline(box)} />{/each}
	<polygon class="solid" points={outline({ fromM: [0, -railM / 2], toM: [rail.lengthM, railM / 2] })} />
	<path class="tube" d={line(at(0, 0), at(rail.lengthM, 0))} />
	<path class="travel" d={line(at(carriage.travelM[0], -0.045 * ways), at(carriage.travelM[1], -0.045 * ways))} />
	<path class="arm" d={line(at(setting.atM, ways * railM), plate)} />
	<path class="arm" d={line(plate, at(setting.atM + setting.reachM, ways * carriage.plateM))} />
	<polygon
		class="carriage"
		points={outline({
			fromM: [setting.atM - 0.06, Math.min(ways * railM * 0.5, ways * railM * 1.2)],
			toM: [setting.atM + 0.06, Math.max(ways * railM * 0.5, ways * railM * 1.2)]
		})}
	/>
	{#if heavy !== null}
		<path class="plumb" d="M{heavy.x} {heavy.y}V{floorY}" />
		<g transform="translate({heavy.x} {heavy.y})" class="centre">
			<circle r="9" /><path d="M0 -9A9 9 0 0 1 9 0H0ZM0 9A9 9 0 0 1 -9 0H0Z" />
		</g>
	{/if}
	<text class="end" x={at(0, 0).x} y={at(0, 0).y - 14} text-anchor="middle">start</text>
	<text class="end" x={at(rail.lengthM, 0).x} y={at(rail.lengthM, 0).y - 14} text-anchor="middle">far end</text>
	{#if onmove !== undefined}
		{#each setting.supportsM as u, index (index)}
			{@const knob = at(u, -0.03)}
			<circle
				class="handle"
				cx={knob.x}
				cy={knob.y}
				r="13"
				role="slider"
				tabindex="0"
				aria-label="The {supportName(index, setting.supportsM.length)}"
				aria-valuemin={0}
				aria-valuemax={Math.round(mmFromM(rail.lengthM))}
				aria-valuenow={Math.round(mmFromM(u))}
				aria-valuetext={told(u)}
				data-testid="pull-support-{index}"
				{@attach pull.hold(() => ({ kind: 'support', index }))}
				onkeydown={(event) => keys(event, { kind: 'support', index }, u)}
			/>
		{/each}
		{@const knob = at(setting.atM, ways * 0.02)}
		<circle
			class="handle"
			cx={knob.x}
			cy={knob.y}
			r="13"
			role="slider"
			tabindex="0"
			aria-label="The carriage"
			aria-valuemin={Math.round(mmFromM(carriage.travelM[0]))}
			aria-valuemax={Math.round(mmFromM(carriage.travelM[1]))}
			aria-valuenow={Math.round(mmFromM(setting.atM))}
			aria-valuetext={told(setting.atM)}
			data-testid="pull-carriage"
			{@attach pull.hold(() => ({ kind: 'carriage' }))}
			onkeydown={(event) => keys(event, { kind: 'carriage' }, setting.atM)}
		/>
	{/if}
	<ScaleBar x={18} y={height - 14} px={barM * px} words={told(barM)} />
</Board>

<style>
	path {
		fill: none;
		stroke: var(--ink);
	}
	.solid {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.4;
	}
	.floor {
		stroke-width: 1.6;
	}
	.foot {
		stroke-width: 3;
	}
	.tube {
		stroke: var(--quiet);
		stroke-width: 1;
	}
	.target {
		stroke: var(--press);
		stroke-width: 3;
		stroke-dasharray: 7 5;
	}
	.travel {
		stroke: var(--quiet);
		stroke-width: 1.5;
	}
	.carriage {
		fill: var(--spirit);
		stroke: var(--spirit-line);
		stroke-width: 1.3;
	}
	.arm {
		stroke-width: 2.4;
	}
	.plumb {
		stroke: var(--clay);
		stroke-width: 1.4;
		stroke-dasharray: 5 4;
	}
	.centre circle {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.6;
	}
	.centre path {
		fill: var(--ink);
		stroke: none;
	}
	.end {
		font-size: 13px;
		fill: var(--quiet);
	}
	.handle {
		fill: var(--panel);
		fill-opacity: 0.75;
		stroke: var(--press);
		stroke-width: 2.4;
		cursor: ew-resize;
		touch-action: none;
	}
	.handle:focus-visible {
		outline: 3px solid var(--press);
	}
</style>
