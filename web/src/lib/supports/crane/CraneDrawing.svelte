<script lang="ts">
	/* eslint-disable max-lines -- one drawing: tubes, linkage, hanger and base share its one scale. */
	import { type CraneArm, cranePose, degFromRad } from '@poise/core';
	import Board from '$lib/sheet/drawing/Board.svelte';
	import { Pull } from '$lib/sheet/drawing/pull.svelte';
	import ScaleBar from '$lib/sheet/drawing/ScaleBar.svelte';
	import { pxPerMetreFullSize, ratios, scaleBarM } from '$lib/sheet/drawing/projection';
	import type { CraneGeometry, CraneSetting } from './model';
	import type { UnitSystem } from '$lib/model/person';
	import { showLength, showMass, together } from '$lib/sheet/units/display';
	import { fittedSections, headSign, hungKg, noseU, reachOf, type MountedBody } from './standing';

	/** A crane to scale from the side, at any boom; pull the nose to raise it. */
	interface Props {
		geometry: CraneGeometry;
		setting: CraneSetting;
		payload: readonly MountedBody[];
		arm: CraneArm | null;
		units: UnitSystem;
		width: number;
		height: number;
		/** Where the weights are to stand. */
		target?: CraneSetting | null;
		bare?: boolean;
		onboom?: ((boomRad: number) => void) | undefined;
		onsettle?: (() => void) | undefined;
	}
	let {
		geometry,
		setting,
		payload,
		arm,
		units,
		width,
		height,
		target = null,
		bare = false,
		onboom = undefined,
		onsettle = undefined
	}: Props = $props();

	const uid = $props.id();
	const reach = $derived(noseU(geometry, setting));
	const hasLoad = $derived(payload.length > 0);
	const poseReach = $derived(
		hasLoad
			? reachOf(geometry, setting, payload)
			: {
					noseM: [reach, geometry.nose.vM] as const,
					tailM: [-geometry.rear.lengthM, geometry.tubeVM] as const,
					lensM: [0.1, headSign(geometry) * geometry.head.plateM] as const,
					keptLevel: geometry.nose.kept === 'level'
				}
	);
	interface Layout {
		readonly px: number;
		readonly ratio: number;
		readonly x: number;
		readonly floor: number;
	}
	/** While the nose is pulled the sheet stands still under the hand. */
	let frozen = $state.raw<Layout | null>(null);
	const layout = $derived.by<Layout>(() => {
		if (frozen !== null) return frozen;
		const up = reach * Math.sin(Math.max(0.2, setting.boomRad));
		const high = setting.pivotHeightM + up + 0.45;
		const ahead = reach + 0.45;
		const behind = Math.max(geometry.rear.lengthM + 0.25, ...geometry.base.feetM.map(([x]) => -x + 0.15));
		const fitting = Math.min((width - 48) / (ahead + behind), (height - 62) / Math.max(high, 1.6));
		const ratio = ratios.find((each) => pxPerMetreFullSize / each <= fitting) ?? 100;
		const scale = pxPerMetreFullSize / ratio;
		const spare = Math.max(0, width - 48 - (ahead + behind) * scale) / 2;
		return { px: scale, ratio, x: 26 + spare + behind * scale, floor: height - 38 };
	});
	const px = $derived(layout.px);
	const pivot = $derived({ x: layout.x, y: layout.floor - setting.pivotHeightM * px });
	const pose = $derived(
		cranePose({ reach: poseReach, pivotM: [0, 0, setting.pivotHeightM], swingRad: 0, boomRad: setting.boomRad })
	);
	const at = ([x, , z]: readonly [number, number, number]) => ({ x: layout.x + x * px, y: layout.floor - z * px });
	const nose = $derived(at(pose.noseM));
	const lens = $derived(at(pose.lensM));
	const turn = $derived(-degFromRad(setting.boomRad));
	/** On the arm as it lies level, about the pivot. */
	const u = (metres: number) => metres * px;
	const v = (metres: number) => -metres * px;
	const sections = $derived.by(() => {
		let from = 0;
		const fitted = fittedSections(geometry, setting.fitted);
		const pulls = fitted.reduce((sum, { pullsOutM }) => sum + (pullsOutM ?? 0), 0);
		return fitted.map((section, index) => {
			const out = pulls === 0 ? 0 : (setting.pulledOutM * (section.pullsOutM ?? 0)) / pulls;
			from += out;
			const start = from;
			from += section.lengthM;
			return { section, start, end: from, thick: geometry.tubeAcrossM * (1 - 0.16 * index), out };
		});
	});
	const plates = $derived(
		geometry.plates.flatMap(({ massKg }, kind) =>
			Array.from({ length: Math.min(12, setting.hung[kind] ?? 0) }, (_, index) => ({
				key: `${kind} ${index}`,
				size: 0.1 + 0.035 * Math.cbrt(massKg) * 2
			}))
		)
	);
	const hung = $derived(hungKg(geometry, setting.hung));
	const moving = $derived(target !== null && Math.abs(target.trimU - setting.trimU) > 0.002);
	const centre = $derived.by(() => {
		if (arm === null) return null;
		const mass = arm.parts.reduce((sum, { massKg }) => sum + massKg, 0);
		if (mass === 0) return null;
		return {
			u: arm.parts.reduce((sum, { massKg, uM }) => sum + massKg * uM, 0) / mass,
			v: arm.parts.reduce((sum, { massKg, vM }) => sum + massKg * vM, 0) / mass
		};
	});
	const feet = $derived([
		Math.min(...geometry.base.feetM.map(([x]) => x)),
		Math.max(...geometry.base.feetM.map(([x]) => x))
	]);
	const arc = $derived.by(() => {
		const [low, high] = geometry.boomRangeRad;
		const r = reach * px;
		const point = (angle: number) => `${pivot.x + r * Math.cos(angle)} ${pivot.y - r * Math.sin(angle)}`;
		return `M${point(low)}A${r} ${r} 0 0 0 ${point(high)}`;
	});
	const barM = $derived(scaleBarM(px, 70, units === 'imperial'));

	const pull = new Pull<'nose'>({
		start: () => (frozen = layout),
		pull: (_, { at: { x, y } }) => onboom?.(Math.atan2(pivot.y - y, x - pivot.x)),
		settle: () => {
			frozen = null;
			onsettle?.();
		}
	});
	function keys(event: KeyboardEvent) {
		const way = event.key === 'ArrowUp' ? 1 : event.key === 'ArrowDown' ? -1 : 0;
		if (way === 0 || onboom === undefined) return;
		event.preventDefault();
		onboom(setting.boomRad + way * (event.shiftKey ? 0.0873 : 0.01745));
	}
</script>

<Board {width} {height} label="Drawing of the crane from the side">
	<defs>
		<pattern id="grid-{uid}" width="20" height="20" patternUnits="userSpaceOnUse">
			<path d="M20 0H0V20" fill="none" stroke="var(--grid)" stroke-width="1" />
		</pattern>
	</defs>
	<rect {width} {height} fill="url(#grid-{uid})" />
	<path class="floor" d="M10 {layout.floor}H{width - 10}" />
	{#if !bare}<path class="arc" d={arc} />{/if}
	<!-- Base and column -->
	{#if geometry.base.kind === 'tripod'}
		{#each geometry.base.feetM as [x], index (index)}<path
				class="leg"
				d="M{layout.x} {pivot.y + 0.22 * px}L{layout.x + x * px} {layout.floor}"
			/>{/each}
	{:else}
		<rect
			class="solid"
			x={layout.x + feet[0]! * px}
			y={layout.floor - 0.24 * px}
			width={(feet[1]! - feet[0]!) * px}
			height={0.12 * px}
		/>
		{#each feet as x (x)}<circle
				class="solid"
				cx={layout.x + x * px}
				cy={layout.floor - 0.08 * px}
				r={0.08 * px}
			/>{/each}
		<rect
			class="solid"
			x={layout.x - 0.07 * px}
			y={pivot.y}
			width={0.14 * px}
			height={layout.floor - 0.24 * px - pivot.y}
		/>
	{/if}
	<!-- The arm, level, turned about its pivot -->
	<g transform="translate({pivot.x} {pivot.y}) rotate({turn})">
		<path
			class="rod"
			d="M{u(geometry.linkage.rearPivotM[0])} {v(geometry.linkage.rearPivotM[1])}L{u(reach)} {v(
				geometry.nose.vM + Math.sign(geometry.linkage.rearPivotM[1] || 1) * geometry.linkage.linkM
			)}"
		/>
		<rect
			class="tube"
			x={u(-geometry.rear.lengthM)}
			y={v(geometry.tubeVM + geometry.tubeAcrossM / 2)}
			width={u(geometry.rear.lengthM)}
			height={u(geometry.tubeAcrossM)}
		/>
		{#each sections as { section, start, end, thick } (section.id)}
			<rect class="tube" x={u(start)} y={v(geometry.tubeVM + thick / 2)} width={u(end - start)} height={u(thick)} />
		{/each}
		<!-- Hanger and plates -->
		<path
			class="hanger"
			d="M{u(geometry.hanger.uM)} {v(geometry.tubeVM)}V{v(geometry.hanger.vM)}{geometry.hanger.secondVM === null
				? ''
				: `V${v(geometry.hanger.secondVM)}`}"
		/>
		{#each plates as plate, index (plate.key)}
			<rect
				class="plate"
				x={u(geometry.hanger.uM) - u(0.03) * (plates.length / 2 - index)}
				y={v(geometry.hanger.vM) - u(plate.size) / 2}
				width={u(0.026)}
				height={u(plate.size)}
			/>
		{/each}
		<!-- Trim on its slide -->
		<path class="slide" d="M{u(geometry.trim.rangeU[0])} {v(geometry.trim.vM)}H{u(geometry.trim.rangeU[1])}" />
		<rect
			class="trim"
			x={u(setting.trimU) - u(0.05)}
			y={v(geometry.trim.vM) - u(0.045)}
			width={u(0.1)}
			height={u(0.09)}
		/>
		{#if moving && target !== null}
			<path
				class="want"
				d="M{u(setting.trimU)} {v(geometry.trim.vM) - 14}H{u(target.trimU)}"
				marker-end="url(#head-{uid})"
			/>
		{/if}
		<circle class="pivot" r={Math.max(5, u(0.06))} />
		{#if centre !== null && !bare}
			<g transform="translate({u(centre.u)} {v(centre.v)})">
				<circle class="cg" r="7" />
				<path class="quarter" d="M0 -7A7 7 0 0 1 7 0H0zM0 7A7 7 0 0 1 -7 0H0z" />
			</g>
		{/if}
	</g>
	<defs
		><marker id="head-{uid}" viewBox="0 0 8 8" refX="6" refY="4" markerWidth="3.4" markerHeight="3.4" orient="auto"
			><path d="M0 0L8 4L0 8z" fill="var(--press)" /></marker
		></defs
	>
	<!-- The nose: level or turning with the arm -->
	<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
	<g
		class="nose"
		class:still={onboom === undefined}
		role={onboom === undefined ? 'img' : 'slider'}
		tabindex={onboom === undefined ? undefined : 0}
		aria-label="Nose, boom {degFromRad(setting.boomRad).toFixed(0)} degrees"
		aria-valuenow={onboom === undefined ? undefined : Math.round(degFromRad(setting.boomRad))}
		aria-valuemin={onboom === undefined ? undefined : Math.round(degFromRad(geometry.boomRangeRad[0]))}
		aria-valuemax={onboom === undefined ? undefined : Math.round(degFromRad(geometry.boomRangeRad[1]))}
		data-testid="nose"
		transform="translate({nose.x} {nose.y}) rotate({geometry.nose.kept === 'level' ? 0 : turn})"
		{@attach pull.hold(() => (onboom === undefined ? null : 'nose'))}
		onkeydown={keys}
		onkeyup={() => onsettle?.()}
	>
		<circle class="touch" r="30" />
		<path class="hanger" d="M0 0V{-headSign(geometry) * geometry.head.plateM * px}" />
		<rect
			class="head"
			x={-0.07 * px}
			y={(geometry.nose.head === 'hung' ? geometry.head.cgM - 0.09 : -geometry.head.cgM - 0.09) * px}
			width={0.14 * px}
			height={0.18 * px}
		/>
		{#if hasLoad}
			<g transform="translate(0 {-headSign(geometry) * geometry.head.plateM * px})">
				<rect
					class="camera"
					x={-0.12 * px}
					y={(geometry.nose.head === 'hung' ? 0 : -0.15) * px}
					width={0.24 * px}
					height={0.15 * px}
				/>
				<rect
					class="camera"
					x={0.12 * px}
					y={(geometry.nose.head === 'hung' ? 0.03 : -0.12) * px}
					width={0.16 * px}
					height={0.09 * px}
				/>
			</g>
		{/if}
		<circle class="hinge" r="5" />
	</g>
	{#if !bare}
		<path class="lens" d="M{lens.x} {lens.y}V{layout.floor}" />
		<text class="label" x={lens.x - 6} y={layout.floor - 8} text-anchor="end"
			>{together(showLength(pose.lensM[2], units))} lens</text
		>
		<text class="angle" x={pivot.x + 12} y={pivot.y - 16 - geometry.tubeAcrossM * px}
			>{degFromRad(setting.boomRad) >= 0 ? '' : '−'}{Math.abs(degFromRad(setting.boomRad)).toFixed(0)}°</text
		>
		{#if hung > 0}<text
				class="label"
				x={pivot.x - geometry.rear.lengthM * px - 8}
				y={pivot.y + 0.5 * px}
				text-anchor="start"
				>{units === 'imperial' ? together(showMass(hung, units)) : `${Number(hung.toFixed(2))} kg`} hung</text
			>{/if}
		<ScaleBar
			x={24}
			y={height - 14}
			px={barM * px}
			words="{Number(showLength(barM, units).figure)} {showLength(barM, units).unit} · 1 : {layout.ratio}"
		/>
	{/if}
</Board>

<style>
	.floor {
		stroke: var(--ink);
		stroke-width: 1.6;
	}
	.arc {
		fill: none;
		stroke: var(--press);
		stroke-dasharray: 3 5;
		opacity: 0.6;
	}
	.leg {
		stroke: var(--ink);
		stroke-width: 5;
		stroke-linecap: round;
	}
	.solid,
	.tube {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.4;
	}
	.rod {
		stroke: var(--quiet);
		stroke-width: 1.6;
	}
	.hanger,
	.slide {
		stroke: var(--ink);
		stroke-width: 2.4;
		fill: none;
	}
	.slide {
		stroke-width: 1.2;
	}
	.plate,
	.camera {
		fill: url(#hatch);
		stroke: var(--ink);
		stroke-width: 1.1;
	}
	.head {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.3;
	}
	.trim {
		fill: var(--spirit);
		stroke: var(--spirit-line);
		stroke-width: 1.2;
	}
	.want {
		stroke: var(--press);
		stroke-width: 2.4;
		fill: none;
	}
	.pivot {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 2.6;
	}
	.cg {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.4;
	}
	.quarter {
		fill: var(--ink);
	}
	.touch {
		fill: transparent;
	}
	.nose {
		cursor: ns-resize;
		touch-action: none;
	}
	.nose.still {
		cursor: default;
		touch-action: pan-y;
	}
	.nose:focus {
		outline: none;
	}
	.nose:focus-visible .hinge {
		stroke-width: 4;
	}
	.hinge {
		fill: var(--panel);
		stroke: var(--press);
		stroke-width: 2.4;
	}
	.lens {
		stroke: var(--clay);
		stroke-width: 1;
		stroke-dasharray: 4 4;
	}
	.label,
	.angle {
		font-size: 13px;
		font-weight: 700;
		fill: var(--ink);
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 4px;
	}
	.angle {
		fill: var(--press);
		font-size: 15px;
	}
</style>
