<script lang="ts">
	/* eslint-disable max-lines -- one drawing: arms, motors, rules and marks share its one scale. */
	import type { AxisState, Vec3 } from '@poise/core';
	import CgMark from '$lib/sheet/drawing/CgMark.svelte';
	import StandingGlyph from '$lib/sheet/drawing/StandingGlyph.svelte';
	import { boundsOf, depth, layOut, onSheet, project, type View, type ViewPlace } from '$lib/sheet/drawing/projection';
	import SheetFrame from '$lib/sheet/drawing/SheetFrame.svelte';
	import type { StandingPart } from '$lib/model/payload';
	import type { UnitSystem } from '$lib/model/person';
	import type { Positions, Gimbal, RigSlide, RigStroke } from './model';
	import { completePositions } from './figures';
	import type { Hunt } from './looks';
	import { carriedBy, cornersOfPart, cornersOfStroke, payloadOriginM, strokesAt } from './gimbalShapes';
	import type { Pull } from '$lib/sheet/drawing/pull.svelte';
	import SlideRule from './SlideRule.svelte';

	interface Props {
		rig: Gimbal;
		parts: readonly StandingPart[];
		/** How each axis stands; its centre of gravity is marked beside it. */
		axes: readonly AxisState[];
		positionsM: Positions;
		targetsM: Positions | null;
		nextId: string | null;
		units: UnitSystem;
		width: number;
		height: number;
		/** Without rules: only the gimbal. */
		plain?: boolean;
		/** Searches for the middle of a holding band, shown on their rules. */
		hunts?: readonly Hunt[];
		onread?: (slideId: string, positionM: number) => void;
		onsettle?: () => void;
		/** Given where its marks can be pulled. */
		pulls?: typeof Pull;
	}
	let {
		rig,
		parts,
		axes,
		positionsM,
		targetsM,
		nextId,
		units,
		width,
		height,
		hunts = [],
		plain = false,
		onread,
		onsettle,
		pulls
	}: Props = $props();

	const uid = $props.id();
	const views: View[] = ['side', 'front'];
	const names = { side: 'Side, lens to the right', front: 'Front', top: '' };
	const plateM = $derived(parts.find(({ id }) => id === 'plate')?.part.shape.sizeM[2] ?? 0);
	const originM = $derived(payloadOriginM(rig, positionsM, plateM));
	const strokes = $derived(strokesAt(rig, positionsM));

	const alongOf = (slide: RigSlide) => slide.direction.findIndex((part) => Math.abs(part) > 0.7);
	const foreAft = $derived(rig.geometry.slides.filter((slide) => alongOf(slide) === 0));
	const sideways = $derived(rig.geometry.slides.filter((slide) => alongOf(slide) === 1));
	const vertical = $derived(rig.geometry.slides.filter((slide) => alongOf(slide) === 2));

	/** What never turns, the handle, is drawn broken off: its length says nothing about the balance. */
	const held = $derived(new Set(rig.geometry.parts.filter(({ hangsOn }) => hangsOn === null).map(({ id }) => id)));

	/** The sheet has room for the gimbal at mid-travel and in balance, and stands still while the slides move. */
	const bounds = $derived.by(() => {
		const middle = completePositions(rig, {});
		return boundsOf(
			[middle, { ...middle, ...targetsM }].flatMap((at) => [
				...strokesAt(rig, at)
					.filter(({ partId }) => !held.has(partId))
					.flatMap(cornersOfStroke),
				...parts.flatMap((part) => cornersOfPart(part, payloadOriginM(rig, at, plateM)))
			])
		);
	});
	const lane = 48;
	/** Where a broken-off handle ends, past the frame of its view, px. */
	const stub = 34;
	const narrow = $derived(width < 600);
	/** A picture the size of a stamp: no names, no bar. */
	const bare = $derived(plain && width < 420);
	const footer = $derived(plain ? (bare ? 0 : 26) : narrow ? 96 : 62);
	const lanes = $derived(
		plain ? 0 : narrow ? foreAft.length + sideways.length : Math.max(foreAft.length, sideways.length)
	);
	const margins = $derived({
		left: narrow ? 20 : 40,
		right: narrow ? 20 : 40,
		top: 26 + stub,
		bottom: stub + 14 + lane * lanes + footer,
		between: bare ? 34 : vertical.length > 0 ? (narrow ? 84 : 104) : 40
	});
	const sheet = $derived(layOut(bounds, views, width, height, margins));
	const placeOf = (view: View) => sheet.places.find((each) => each.view === view) as ViewPlace;
	const foot = $derived(placeOf('side').box.y + placeOf('side').box.height);

	/** All rules share one scale, large enough to read and to drag. */
	const rulePxPerM = $derived.by(() => {
		const longest = (slides: readonly RigSlide[]) =>
			Math.max(0.01, ...slides.map(({ rangeM }) => rangeM[1] - rangeM[0]));
		const along = Math.min(210, width * (narrow ? 0.5 : 0.27)) / longest([...foreAft, ...sideways]);
		const up = Math.max(90, placeOf('side').box.height - 30) / longest(vertical);
		return Math.min(along, vertical.length === 0 ? along : up);
	});
	/** The page position of a slide's 0 that centres its rule at `middle`. */
	const centred = (slide: RigSlide, middle: number, sign: 1 | -1) =>
		middle - (sign * (slide.rangeM[0] + slide.rangeM[1]) * rulePxPerM) / 2;
	const ruleTop = $derived(height - footer - lane * lanes + 22);
	/** The rules keep to their half of the sheet, clear of each other and of their names. */
	const ruleX = (slide: RigSlide, view: View) =>
		centred(slide, narrow ? width / 2 + 34 : width * (view === 'side' ? 0.31 : 0.765), 1);

	/** Every rule and where its 0 stands: fore and aft under the side view, sideways under the front, upright between. */
	const rules = $derived.by(() => {
		const under = (view: View, first: number) => (slide: RigSlide, index: number) => ({
			slide,
			at: { x: ruleX(slide, view), y: ruleTop + (first + index) * lane },
			upright: false
		});
		const { box } = placeOf('side');
		return [
			...foreAft.map(under('side', 0)),
			...sideways.map(under('front', narrow ? foreAft.length : 0)),
			...vertical.map((slide, index) => ({
				slide,
				at: { x: box.x + box.width + 42 + index * 44, y: centred(slide, box.y + box.height / 2, -1) },
				upright: true
			}))
		];
	});

	type Item = { readonly key: string; readonly far: number } & (
		{ readonly stroke: RigStroke } | { readonly standing: StandingPart; readonly atM: Vec3 }
	);
	/** Far things first, so that near ones cover them. */
	function items(view: View): Item[] {
		const middle = (points: readonly Vec3[]): number =>
			points.reduce((sum, point) => sum + depth(point, view), 0) / points.length;
		const rigItems = strokes.map((stroke, index) => ({
			key: `s${index}`,
			stroke,
			far: middle(cornersOfStroke(stroke))
		}));
		const partItems = parts.map((standing) => {
			const atM = standing.positionM.map((value, k) => value + (originM[k] as number)) as unknown as Vec3;
			return { key: standing.id, standing, atM, far: middle(cornersOfPart(standing, originM)) };
		});
		return [...rigItems, ...partItems].sort((a, b) => b.far - a.far);
	}

	/** The centre of gravity of everything an axis carries, as far as it lies off that axis. */
	function carriedCg(id: string): Vec3 | null {
		const state = axes.find((axis) => axis.id === id);
		if (state === undefined) return null;
		const pivot = axisAt(id);
		return state.offsetM.map((value, k) => value + (pivot[k] as number)) as unknown as Vec3;
	}
	const marks = $derived(
		(
			[
				['tilt', 'side'],
				['roll', 'front']
			] as const
		).flatMap(([id, view]) => {
			const cgM = carriedCg(id);
			return cgM === null ? [] : [{ id, at: px(cgM, view) }];
		})
	);

	const px = (pointM: Vec3, view: View) => onSheet(pointM, placeOf(view), sheet.pxPerM);
	const polyline = (pointsM: readonly Vec3[], view: View) =>
		pointsM
			.map((point, index) => {
				const { x, y } = px(point, view);
				return `${index === 0 ? 'M' : 'L'}${x.toFixed(1)} ${y.toFixed(1)}`;
			})
			.join('');
	/** Width and height of a box or motor on the page, px. */
	function extent(stroke: Exclude<RigStroke, { kind: 'tube' }>, view: View) {
		const [least, greatest] = cornersOfStroke(stroke) as [Vec3, Vec3];
		const [a, b] = [project(least, view), project(greatest, view)];
		return { w: Math.abs(b.x - a.x) * sheet.pxPerM, h: Math.abs(b.y - a.y) * sheet.pxPerM };
	}
	const faces = (axis: string, view: View) => (view === 'side' ? axis === 'y' : axis === 'x');
	const axisAt = (id: string): Vec3 => {
		const axis = rig.geometry.axes.find((each) => each.id === id);
		const by = carriedBy(rig, id, positionsM);
		return (axis?.pivotM ?? [0, 0, 0]).map((value, k) => value + (by[k] as number)) as unknown as Vec3;
	};
</script>

<SheetFrame
	{width}
	{height}
	{sheet}
	{units}
	{names}
	nameLift={stub + 12}
	barAt={{ x: 28, y: height - (narrow && !plain ? 68 : 16) }}
	{bare}
	label="Drawing of {rig.name} with the payload, side and front"
>
	<defs>
		{#each views as view (view)}
			{@const { box } = placeOf(view)}
			<linearGradient id="fade-{uid}-{view}" x1="0" x2="0" y1="0" y2="1">
				<stop offset="0" stop-color="#000" />
				<stop offset={16 / (box.height + 2 * stub)} stop-color="#fff" />
				<stop offset={1 - 16 / (box.height + 2 * stub)} stop-color="#fff" />
				<stop offset="1" stop-color="#000" />
			</linearGradient>
			<mask id="broken-{uid}-{view}" maskUnits="userSpaceOnUse" x="0" y="0" {width} {height}>
				<rect x="0" y={box.y - stub} {width} height={box.height + 2 * stub} fill="url(#fade-{uid}-{view})" />
			</mask>
		{/each}
	</defs>
	{#each views as view (view)}
		<g mask="url(#broken-{uid}-{view})">
			{#each items(view) as item (item.key)}
				{#if 'standing' in item}
					<StandingGlyph standing={item.standing} {view} pxPerM={sheet.pxPerM} at={px(item.atM, view)} />
				{:else if item.stroke.kind === 'tube'}
					<path
						class="tube"
						d={polyline(item.stroke.pointsM, view)}
						style:stroke-width="{item.stroke.widthM * sheet.pxPerM + 2.4}px"
					/>
					<path
						class="bore"
						d={polyline(item.stroke.pointsM, view)}
						style:stroke-width="{Math.max(1, item.stroke.widthM * sheet.pxPerM)}px"
					/>
				{:else if item.stroke.kind === 'motor' && faces(item.stroke.axis, view)}
					{@const at = px(item.stroke.atM, view)}
					{@const r = item.stroke.radiusM * sheet.pxPerM}
					<circle class="shape" cx={at.x} cy={at.y} {r} />
					<circle class="detail" cx={at.x} cy={at.y} r={r * 0.72} />
					<circle class="hub" cx={at.x} cy={at.y} r={r * 0.16} />
				{:else}
					{@const at = px(item.stroke.atM, view)}
					{@const { w, h } = extent(item.stroke, view)}
					<rect
						class="shape"
						x={at.x - w / 2}
						y={at.y - h / 2}
						width={w}
						height={h}
						rx={item.stroke.kind === 'motor' ? 4 : 2}
					/>
					{#if item.stroke.kind === 'motor'}
						<path
							class="detail"
							d={item.stroke.axis === 'z' || w < h === (item.stroke.axis === 'x')
								? `M${at.x - w / 2} ${at.y}h${w}`
								: `M${at.x} ${at.y - h / 2}v${h}`}
						/>
					{/if}
				{/if}
			{/each}
		</g>
	{/each}

	<!-- The axes the payload must hang in. -->
	{#each [['tilt', 'side'], ['roll', 'front']] as const as [id, view] (id)}
		{#if !bare && rig.geometry.axes.some((axis) => axis.id === id)}
			{@const at = px(axisAt(id), view)}
			<path class="axis" d="M{at.x - 13} {at.y}h26M{at.x} {at.y - 13}v26" />
			<text class="axis-name" x={at.x + 9} y={at.y - 9}>{id} axis</text>
		{/if}
	{/each}
	{#each marks as { id, at } (id)}
		<CgMark {at} plumbToY={Math.min(foot + stub, at.y + 130)} radius={8} />
	{/each}

	{#each plain ? [] : rules as { slide, at, upright } (slide.id)}
		<SlideRule
			{slide}
			{at}
			{upright}
			pxPerM={rulePxPerM}
			positionM={positionsM[slide.id] ?? 0}
			targetM={targetsM?.[slide.id] ?? null}
			active={nextId === slide.id}
			hunt={hunts.find(({ slideId }) => slideId === slide.id) ?? null}
			onread={onread && ((positionM) => onread(slide.id, positionM))}
			{onsettle}
			{pulls}
		/>
	{/each}
</SheetFrame>

<style>
	.shape {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.3;
		stroke-linejoin: round;
	}
	.detail {
		fill: none;
		stroke: var(--ink);
		stroke-width: 0.8;
		stroke-opacity: 0.6;
	}
	.tube {
		fill: none;
		stroke: var(--ink);
		stroke-linejoin: round;
		stroke-linecap: round;
	}
	.bore {
		fill: none;
		stroke: var(--panel);
		stroke-linejoin: round;
		stroke-linecap: round;
	}
	.hub {
		fill: var(--ink);
	}
	.axis {
		stroke: var(--press);
		stroke-width: 3;
		fill: none;
	}
	.axis-name {
		font-size: 13px;
		font-weight: 700;
		fill: var(--press);
		paint-order: stroke;
		stroke: var(--panel);
		stroke-width: 4px;
	}
</style>
