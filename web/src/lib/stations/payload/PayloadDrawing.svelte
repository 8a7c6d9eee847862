<script lang="ts">
	/* eslint-disable max-lines -- one drawing: three views, their dimensions and what is pulled share its one scale. */
	import { Pull } from '$lib/sheet/drawing/pull.svelte';
	import type { CombinedBody, Vec3 } from '@poise/core';
	import CgMark from '$lib/sheet/drawing/CgMark.svelte';
	import Dimension from '$lib/sheet/drawing/Dimension.svelte';
	import { laid } from '$lib/sheet/drawing/standing';
	import StandingGlyph from '$lib/sheet/drawing/StandingGlyph.svelte';
	import {
		arrowMove,
		boundsOf,
		depth,
		layOut,
		onSheet,
		type Sheet,
		unproject,
		type View,
		type ViewPlace
	} from '$lib/sheet/drawing/projection';
	import SheetFrame from '$lib/sheet/drawing/SheetFrame.svelte';
	import { cornersM, middleM, type StandingPart } from '$lib/model/payload';
	import type { UnitSystem } from '$lib/model/person';
	import { showLength, together } from '$lib/sheet/units/display';

	interface Props {
		parts: readonly StandingPart[];
		totals: CombinedBody | null;
		units: UnitSystem;
		selectedId?: string | null;
		width: number;
		height: number;
		onselect?: (id: string | null) => void;
		onmove?: (id: string, positionM: Vec3, about: string) => void;
		onsettle?: () => void;
	}
	let { parts, totals, units, selectedId = null, width, height, onselect, onmove, onsettle }: Props = $props();

	const views: View[] = ['side', 'top', 'front'];
	const names = { side: 'Side', top: 'Top', front: 'Front' };
	const narrow = $derived(width < 600);
	const margins = $derived({
		left: narrow ? 66 : 84,
		right: narrow ? 16 : 46,
		top: 34,
		bottom: 92,
		between: narrow ? 34 : 58
	});

	const built = $derived(parts.some(({ id }) => id !== 'plate'));
	/** An empty plate is drawn with room for a camera on it. */
	const room: readonly Vec3[] = [
		[-0.08, -0.07, 0],
		[0.14, 0.07, 0.1]
	];
	const bounds = $derived(boundsOf([...parts.flatMap((standing) => cornersM(standing)), ...(built ? [] : room)]));

	interface Held {
		readonly id: string;
		readonly view: View;
		readonly startM: Vec3;
		readonly sheet: Sheet;
	}
	/** How far the hand is by now; a screen is drawn once a frame, however often it tells. */
	let far: { readonly held: Held; readonly x: number; readonly y: number } | null = null;
	let frame = 0;
	function follow() {
		cancelAnimationFrame(frame);
		frame = 0;
		if (far === null) return;
		const { id, view, startM, sheet } = far.held;
		const [dx, dy, dz] = unproject({ x: far.x / sheet.pxPerM, y: far.y / sheet.pxPerM }, view);
		far = null;
		const [x, y, z] = startM;
		// A hand drags in half millimetres.
		const step = (value: number) => Math.round(value * 2000) / 2000;
		onmove?.(id, [step(x + dx), step(y + dy), step(z + dz)], `drag ${id}`);
	}
	const pull = new Pull<Held>({
		pull: (held, { by }) => {
			far = { held, ...by };
			frame ||= requestAnimationFrame(follow);
		},
		settle: () => {
			follow();
			onsettle?.();
		}
	});
	/** While a part is dragged the sheet stands still under the pointer. */
	const sheet = $derived(pull.pulled?.sheet ?? layOut(bounds, views, width, height, margins));

	const shown = (metres: number) => together(showLength(metres, units));
	const ordered = (view: View) =>
		[...parts].sort((a, b) => depth(middleM(b), view) - depth(middleM(a), view) || b.part.massKg - a.part.massKg);

	function take({ id, positionM }: StandingPart, view: View): Held | null {
		onselect?.(id === 'plate' ? null : id);
		return id === 'plate' || onmove === undefined ? null : { id, view, startM: positionM, sheet };
	}

	function keys(event: KeyboardEvent, { id, positionM }: StandingPart, view: View) {
		if (event.key === 'Enter' || event.key === ' ') {
			event.preventDefault();
			event.stopPropagation();
			return onselect?.(id === 'plate' ? null : id);
		}
		const move = arrowMove(event.key, view, event.shiftKey ? 0.01 : 0.001);
		if (move === null || id === 'plate' || onmove === undefined) return;
		event.preventDefault();
		onselect?.(id);
		onmove(id, [positionM[0] + move[0], positionM[1] + move[1], positionM[2] + move[2]], `keys ${id}`);
	}

	const placeOf = (view: View) => sheet.places.find((each) => each.view === view) as ViewPlace;
	const cg = (view: View) => onSheet(totals?.cgM ?? [0, 0, 0], placeOf(view), sheet.pxPerM);
	const zero = (view: View) => onSheet([0, 0, 0], placeOf(view), sheet.pxPerM);
	const corner = (view: View, which: 'leastM' | 'greatestM') => onSheet(bounds[which], placeOf(view), sheet.pxPerM);
	const plateFoot = $derived(corner('side', 'leastM').y);
	const selected = $derived(parts.find(({ id }) => id === selectedId));
	/** The part in hand and whatever moves with it. */
	const chosen = $derived(
		new Set(
			parts
				.filter(
					({ id, attitude: { group } }) => id === selectedId || (group !== null && group === selected?.attitude.group)
				)
				.map(({ id }) => id)
		)
	);
	const tagAt = $derived(selected && cornersM(selected)[1][2]);
</script>

<SheetFrame
	{width}
	{height}
	{sheet}
	{units}
	{names}
	label="Drawing of the payload: side, top and front"
	onpointerdown={(event) => {
		if ((event.target as Element).closest('.part') === null) onselect?.(null);
	}}
>
	{#each views as view (view)}
		{@const place = placeOf(view)}
		{@const origin = zero(view)}
		<!-- The plate's middle: every figure counts from here. -->
		<path
			class="centre"
			d={view === 'side'
				? `M${origin.x} ${place.box.y - 8}V${plateFoot + 26}`
				: view === 'front'
					? `M${origin.x} ${place.box.y - 8}V${plateFoot + 26}`
					: `M${place.box.x - 12} ${origin.y}h${place.box.width + 24}M${origin.x} ${place.box.y - 8}v${place.box.height + 16}`}
		/>
		{#each ordered(view) as standing (standing.id)}
			{@const at = onSheet(standing.positionM, place, sheet.pxPerM)}
			{@const { box } = laid(standing, view, sheet.pxPerM)}
			{@const fixed = standing.id === 'plate' || onmove === undefined}
			<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
			<g
				class="part"
				class:fixed
				transform="translate({at.x} {at.y})"
				role={fixed ? 'img' : 'button'}
				tabindex={fixed ? undefined : 0}
				aria-label="{standing.part.name}, {names[view].toLowerCase()} view{fixed ? '' : ', arrow keys move it'}"
				data-part={standing.part.name}
				data-view={view}
				{@attach pull.hold(() => take(standing, view))}
				onkeydown={(event) => keys(event, standing, view)}
				onkeyup={() => onsettle?.()}
			>
				<StandingGlyph {standing} {view} pxPerM={sheet.pxPerM} chosen={chosen.has(standing.id)} />
				<rect class="reach" x={box.x} y={box.y} width={box.width} height={box.height} />
			</g>
		{/each}
	{/each}

	{#if totals !== null && built}
		<Dimension
			orientation="across"
			from={corner('side', 'leastM').x}
			to={corner('side', 'greatestM').x}
			at={plateFoot + 64}
			witnessFrom={plateFoot + 4}
			text={shown(bounds.greatestM[0] - bounds.leastM[0])}
		/>
		<Dimension
			orientation="down"
			from={corner('side', 'greatestM').y}
			to={plateFoot}
			at={corner('side', 'leastM').x - 34}
			witnessFrom={corner('side', 'leastM').x - 4}
			text={shown(bounds.greatestM[2] - bounds.leastM[2])}
		/>
		<Dimension
			orientation="across"
			from={corner('front', 'leastM').x}
			to={corner('front', 'greatestM').x}
			at={plateFoot + 64}
			witnessFrom={plateFoot + 4}
			text={shown(bounds.greatestM[1] - bounds.leastM[1])}
		/>
		<Dimension
			orientation="across"
			from={zero('side').x}
			to={cg('side').x}
			at={plateFoot + 20}
			text={shown(totals.cgM[0])}
			strong
		/>
		<Dimension
			orientation="across"
			from={zero('front').x}
			to={cg('front').x}
			at={plateFoot + 20}
			text={shown(totals.cgM[1])}
			strong
		/>
		<Dimension
			orientation="down"
			from={cg('side').y}
			to={zero('side').y}
			at={corner('side', 'leastM').x - 12}
			text={shown(totals.cgM[2])}
			strong
		/>
		<CgMark at={cg('side')} plumbToY={plateFoot + 42} />
		<CgMark at={cg('front')} plumbToY={plateFoot + 42} />
		<CgMark at={cg('top')} />
	{/if}
	{#if selected}
		{@const at = onSheet([selected.positionM[0], selected.positionM[1], tagAt ?? 0], placeOf('side'), sheet.pxPerM)}
		<!-- Clear of the name of the view, which stands over the top of it. -->
		{@const lifted = at.y - placeOf('side').box.y > 24}
		<text
			class="tag"
			x={lifted ? at.x : placeOf('side').box.x + 44}
			y={lifted ? at.y - 8 : at.y - 14}
			text-anchor={lifted ? 'middle' : 'start'}>{selected.part.name}</text
		>
	{/if}
</SheetFrame>

<style>
	.centre {
		stroke: var(--press);
		stroke-width: 1;
		stroke-dasharray: 12 3 2 3;
		fill: none;
		opacity: 0.7;
	}
	.part {
		cursor: grab;
		touch-action: none;
	}
	.part.fixed {
		cursor: default;
		touch-action: pan-y;
	}
	.part:active {
		cursor: grabbing;
	}
	.reach {
		fill: transparent;
	}
	.part:focus {
		outline: none;
	}
	.part:focus-visible .reach {
		stroke: var(--press);
		stroke-width: 2;
		stroke-dasharray: 4 3;
	}
	.tag {
		font-size: 13px;
		font-weight: 700;
		fill: var(--press);
		pointer-events: none;
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 5px;
	}
</style>
