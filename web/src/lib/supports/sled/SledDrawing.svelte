<script lang="ts">
	/* eslint-disable max-lines -- one drawing: what hides what, what is pulled and what the slip points at share its one scale. */
	import { degFromRad } from '@poise/core';
	import { Pull } from '$lib/sheet/drawing/pull.svelte';
	import type { SledReport, Vec3 } from '@poise/core';
	import CgMark from '$lib/sheet/drawing/CgMark.svelte';
	import Dimension from '$lib/sheet/drawing/Dimension.svelte';
	import {
		arrowMove,
		depth,
		onSheet,
		type Sheet,
		unproject,
		type View,
		type ViewPlace
	} from '$lib/sheet/drawing/projection';
	import SheetFrame from '$lib/sheet/drawing/SheetFrame.svelte';
	import StandingGlyph from '$lib/sheet/drawing/StandingGlyph.svelte';
	import { cornersM, middleM, type StandingPart } from '$lib/model/payload';
	import type { UnitSystem } from '$lib/model/person';
	import type { SledGeometry, SledItem, SledSetting } from './model';
	import { showLength, showMove, together } from '$lib/sheet/units/display';
	import { layOutSled, sledBounds } from './drawing';
	import SledItemGlyph from './SledItemGlyph.svelte';
	import { itemAt, middlesOf, mountM, postLengthM, sectionsStanding } from './standing';

	/** A sled to scale from the side, from before the lens, and from above; everything on it can be pulled where it goes. */
	interface Props {
		geometry: SledGeometry;
		setting: SledSetting;
		/** What stands on the camera plate. */
		parts: readonly StandingPart[];
		report: SledReport | null;
		units: UnitSystem;
		width: number;
		height: number;
		/** Where the slip wants things. */
		target?: SledSetting | null;
		selectedId?: string | null;
		/** Without names, scale and dimensions. */
		bare?: boolean;
		onselect?: (id: string | null) => void;
		onstand?: (next: Partial<SledSetting>, about: string) => void;
		onsettle?: () => void;
	}
	let {
		geometry,
		setting,
		parts,
		report,
		units,
		width,
		height,
		target = null,
		selectedId = null,
		bare = false,
		onselect = undefined,
		onstand = undefined,
		onsettle = undefined
	}: Props = $props();

	const names = { side: 'Side, lens to the right', front: 'Front', top: 'Top' };
	const plateM = $derived(parts.find(({ id }) => id === 'plate')?.part.shape.sizeM[2] ?? 0);
	const mount = $derived(mountM(geometry, setting));
	/** The payload as it stands in the sled's frame. */
	const standing = $derived(
		parts.map((part) => ({
			...part,
			positionM: [
				part.positionM[0] + mount[0],
				part.positionM[1] + mount[1],
				part.positionM[2] + mount[2] + plateM
			] as const
		}))
	);
	const bounds = $derived(
		sledBounds(
			geometry,
			setting,
			standing.flatMap((part) => cornersM(part))
		)
	);
	interface Held {
		readonly id: string;
		readonly view: View;
		readonly start: SledSetting;
		readonly sheet: Sheet;
	}
	const pull = new Pull<Held>({
		pull: ({ id, view, start, sheet: { pxPerM } }, { by }) =>
			onstand?.(moved(id, start, unproject({ x: by.x / pxPerM, y: by.y / pxPerM }, view)), `drag ${id}`),
		settle: () => onsettle?.()
	});
	/** While something is dragged the sheet stands still under the pointer. */
	const sheet = $derived(pull.pulled?.sheet ?? layOutSled(bounds, width, height));
	const px = $derived(sheet.pxPerM);
	const placeOf = (view: View) => sheet.places.find((each) => each.view === view) as ViewPlace;
	const at = (point: Vec3, view: View) => onSheet(point, placeOf(view), px);
	const post = $derived(sectionsStanding(geometry, setting.pulledOutM));
	const topM = $derived(postLengthM(geometry, setting.pulledOutM));

	const half = (value: number) => Math.round(value * 2000) / 2000;
	/** The setting after something was moved by so much from where it stood. */
	function moved(id: string, start: SledSetting, [dx, dy, dz]: Vec3): Partial<SledSetting> {
		if (id === 'gimbal') return { gimbalM: half(start.gimbalM + dz) };
		if (id === 'camera') return { coarseForeM: half(start.coarseForeM + dx), fineSideM: half(start.fineSideM + dy) };
		if (id === 'stage') return { pulledOutM: half(start.pulledOutM + dz) };
		const was = itemAt(start, id);
		const next = { ...was, foreM: half(was.foreM + dx), sideM: half(was.sideM + dy), upM: half(was.upM + dz) };
		return { items: { ...start.items, [id]: next } };
	}
	function take(id: string, view: View): Held | null {
		onselect?.(id);
		return onstand === undefined ? null : { id, view, start: setting, sheet };
	}
	function keys(event: KeyboardEvent, id: string, view: View) {
		if (event.key === 'Enter' || event.key === ' ') {
			event.preventDefault();
			event.stopPropagation();
			return onselect?.(id);
		}
		const move = arrowMove(event.key, view, event.shiftKey ? 0.01 : 0.001);
		if (move === null || onstand === undefined) return;
		event.preventDefault();
		onselect?.(id);
		onstand(moved(id, setting, move), `keys ${id}`);
	}

	interface Arrow {
		readonly view: View;
		readonly from: Vec3;
		readonly to: Vec3;
		readonly text: string;
	}
	/** Where the slip wants to send what: an arrow as long as the move, or long enough to be seen. */
	const arrows = $derived.by<Arrow[]>(() => {
		if (target === null) return [];
		const list: Arrow[] = [];
		const add = (view: View, from: Vec3, by: Vec3, metres: number) => {
			if (Math.abs(metres) < 0.0004) return;
			const longest = Math.max(...by.map(Math.abs));
			const stretch = Math.max(1, 22 / px / longest);
			const to: Vec3 = [from[0] + by[0] * stretch, from[1] + by[1] * stretch, from[2] + by[2] * stretch];
			list.push({ view, from, to, text: together(showMove(metres, units)) });
		};
		for (const item of geometry.items) {
			const [was, is] = [itemAt(setting, item.id), itemAt(target, item.id)];
			const [middle] = middlesOf(item, was);
			if (middle === undefined) continue;
			add('side', middle, [is.foreM - was.foreM, 0, 0], is.foreM - was.foreM);
			add('front', middle, [0, is.sideM - was.sideM, 0], is.sideM - was.sideM);
		}
		const fore = target.coarseForeM + target.fineForeM - setting.coarseForeM - setting.fineForeM;
		const stage: Vec3 = [mount[0], mount[1], mount[2] - geometry.stage.sizeM[2] / 6];
		add('side', stage, [fore, 0, 0], fore);
		const side = target.fineSideM - setting.fineSideM;
		add('front', stage, [0, side, 0], side);
		const up = target.gimbalM - setting.gimbalM;
		add('side', [0.075, 0, setting.gimbalM], [0, 0, up], up);
		return list;
	});

	interface Thing {
		readonly id: string;
		readonly name: string;
		readonly middleM: Vec3;
		readonly item: SledItem | null;
	}
	const things = $derived<Thing[]>([
		...geometry.items.map((item) => ({
			id: item.id,
			name: item.label,
			middleM: middlesOf(item, itemAt(setting, item.id))[0] as Vec3,
			item
		})),
		{ id: 'stage', name: 'Stage, pulls out of the post', middleM: [0, 0, topM], item: null },
		{ id: 'camera', name: 'Camera on its plate', middleM: mount, item: null },
		{ id: 'gimbal', name: 'Gimbal', middleM: [0, -0.001, setting.gimbalM], item: null }
	]);
	const order = (view: View) => [...things].sort((a, b) => depth(b.middleM, view) - depth(a.middleM, view));
	const selected = $derived(things.find(({ id }) => id === selectedId));
	const { sizeM: stageM } = $derived(geometry.stage);
	const foot = $derived(at([0, 0, bounds.leastM[2]], 'side').y);
</script>

<SheetFrame
	{width}
	{height}
	{sheet}
	{units}
	{names}
	{bare}
	nameLift={10}
	label="Drawing of the sled: side, front and top"
	onpointerdown={(event) => {
		if ((event.target as Element).closest('.thing') === null) onselect?.(null);
	}}
>
	{#each ['side', 'front', 'top'] as const as view (view)}
		{@const axis = at([0, 0, 0], view)}
		{#if view !== 'top'}
			<path class="centre" d="M{axis.x} {placeOf(view).box.y - 6}V{foot + 8}" />
			{#each post as { section, fromM, toM } (section.id)}
				{@const low = at([0, 0, fromM], view)}
				{@const high = at([0, 0, toM], view)}
				<rect
					class="post"
					x={low.x - section.radiusM * px}
					y={high.y}
					width={2 * section.radiusM * px}
					height={low.y - high.y}
				/>
			{/each}
			{#if setting.pulledOutM > 0.001 && post[1]}
				{@const low = at([0, 0, post[0]?.toM ?? 0], view)}
				{@const high = at([0, 0, post[1].fromM], view)}
				<rect
					class="post"
					x={low.x - post[1].section.radiusM * px}
					y={high.y}
					width={2 * post[1].section.radiusM * px}
					height={low.y - high.y}
				/>
			{/if}
			{@const dock = at([0, 0, geometry.dockM], view)}
			<path class="dock" d="M{dock.x - 9} {dock.y}h18M{dock.x - 9} {dock.y - 3}v6M{dock.x + 9} {dock.y - 3}v6" />
		{:else}
			<path
				class="centre"
				d="M{placeOf('top').box.x - 8} {axis.y}h{placeOf('top').box.width + 16}M{axis.x} {placeOf('top').box.y -
					8}v{placeOf('top').box.height + 16}"
			/>
		{/if}
		{#each order(view) as thing (thing.id)}
			{@const fixed = onstand === undefined}
			<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
			<g
				class="thing"
				class:fixed
				class:chosen={selectedId === thing.id}
				role={fixed ? 'img' : 'button'}
				tabindex={fixed ? undefined : 0}
				aria-label="{thing.name}, {view} view{fixed ? '' : ', arrow keys move it'}"
				data-thing={thing.id}
				data-view={view}
				{@attach pull.hold(() => take(thing.id, view))}
				onkeydown={(event) => keys(event, thing.id, view)}
				onkeyup={() => onsettle?.()}
			>
				{#if thing.item !== null}
					{@const item = thing.item}
					{@const now = itemAt(setting, item.id)}
					{#each middlesOf(item, now) as middle, index (index)}
						{@const where = at(middle, view)}
						{@const root = at([0, 0, middle[2]], view)}
						{#if item.kind !== 'cable'}<path class="rail" d="M{root.x} {root.y}L{where.x} {where.y}" />{/if}
						<g transform="translate({where.x} {where.y})">
							<SledItemGlyph {item} {view} pxPerM={px} tiltRad={now.tiltRad} chosen={selectedId === item.id} />
						</g>
					{/each}
				{:else if thing.id === 'stage'}
					{@const low = at([0, 0, topM], view)}
					{@const wide = (view === 'front' ? stageM[1] : stageM[0]) * px}
					{#if view === 'top'}
						<rect
							class="stage"
							x={low.x - wide / 2}
							y={low.y - (stageM[1] * px) / 2}
							width={wide}
							height={stageM[1] * px}
						/>
					{:else}
						<rect
							class="stage"
							x={low.x - wide / 2}
							y={low.y - (stageM[2] * px * 2) / 3}
							width={wide}
							height={(stageM[2] * px * 2) / 3}
						/>
						<circle class="knob" cx={low.x - wide / 2 - 4} cy={low.y - (stageM[2] * px) / 3} r="4" />
					{/if}
				{:else if thing.id === 'camera'}
					{@const where = at(mount, view)}
					{@const wide = (view === 'front' ? stageM[1] * 0.8 : stageM[0] * 0.6) * px}
					{@const high = view === 'top' ? stageM[1] * 0.8 * px : (stageM[2] * px) / 3}
					<rect
						class="stage"
						x={where.x - wide / 2}
						y={view === 'top' ? where.y - high / 2 : where.y}
						width={wide}
						height={high}
					/>
					{#each [...standing].sort((a, b) => depth(middleM(b), view) - depth(middleM(a), view)) as part (part.id)}
						<StandingGlyph
							standing={part}
							{view}
							pxPerM={px}
							at={at(part.positionM, view)}
							chosen={selectedId === 'camera'}
						/>
					{/each}
				{:else}
					{@const where = at([0, 0, setting.gimbalM], view)}
					{#if view === 'top'}
						<circle class="ring" cx={where.x} cy={where.y} r={0.045 * px} />
						<path class="grip" d="M{where.x} {where.y + 0.05 * px}v{0.1 * px}" />
					{:else}
						<ellipse class="ring" cx={where.x} cy={where.y} rx={0.045 * px} ry={0.016 * px} />
						{#if view === 'front'}<path class="grip" d="M{where.x - 0.05 * px} {where.y}h{-0.1 * px}" />{:else}<circle
								class="grip-end"
								cx={where.x}
								cy={where.y}
								r={0.017 * px}
							/>{/if}
						<path class="axis" d="M{where.x - 5} {where.y}h10M{where.x} {where.y - 5}v10" />
					{/if}
				{/if}
			</g>
		{/each}
	{/each}

	{#each arrows as { view, from, to, text }, index (index)}
		{@const [a, b] = [at(from, view), at(to, view)]}
		{@const angle = degFromRad(Math.atan2(b.y - a.y, b.x - a.x))}
		<g class="arrow" aria-hidden="true">
			<path d="M{a.x} {a.y}L{b.x} {b.y}" />
			<path class="head" transform="translate({b.x} {b.y}) rotate({angle})" d="M2 0l-8 -4.5v9z" />
			<text
				x={Math.abs(b.x - a.x) > Math.abs(b.y - a.y) ? (a.x + b.x) / 2 : b.x + 7}
				y={Math.abs(b.x - a.x) > Math.abs(b.y - a.y) ? Math.min(a.y, b.y) - 9 : (a.y + b.y) / 2 + 4}
				text-anchor={Math.abs(b.x - a.x) > Math.abs(b.y - a.y) ? 'middle' : 'start'}>{text}</text
			>
		</g>
	{/each}
	{#if report !== null && !bare}
		{@const left = at([bounds.leastM[0], 0, 0], 'side').x - 20}
		<Dimension
			orientation="down"
			from={at([0, 0, setting.gimbalM], 'side').y}
			to={at([0, 0, 0], 'side').y}
			at={left}
			text={together(showLength(setting.gimbalM, units))}
			strong
		/>
		<CgMark at={at(report.cgM, 'side')} radius={7} plumbToY={foot + 14} />
		<CgMark at={at(report.cgM, 'front')} radius={7} plumbToY={foot + 14} />
		<CgMark at={at(report.cgM, 'top')} radius={7} />
	{/if}
	{#if selected && !bare}
		{@const where = at(selected.middleM, 'side')}
		<text class="tag" x={where.x + 14} y={where.y - 16}>{selected.name}</text>
	{/if}
</SheetFrame>

<style>
	.centre {
		stroke: var(--press);
		stroke-width: 1;
		stroke-dasharray: 12 3 2 3;
		fill: none;
		opacity: 0.6;
		pointer-events: none;
	}
	.post,
	.stage {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.3;
	}
	.knob {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.2;
	}
	.dock {
		stroke: var(--ink);
		stroke-width: 1.6;
		fill: none;
	}
	.rail {
		stroke: var(--ink);
		stroke-width: 2.4;
		stroke-opacity: 0.75;
	}
	.ring {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 2.6;
	}
	.grip {
		stroke: var(--ink);
		stroke-width: 8;
		stroke-linecap: round;
	}
	.grip-end {
		fill: var(--ink);
	}
	.axis {
		stroke: var(--press);
		stroke-width: 1.6;
	}
	.thing {
		cursor: grab;
		touch-action: none;
	}
	.thing.fixed {
		cursor: default;
		touch-action: pan-y;
	}
	.thing:active {
		cursor: grabbing;
	}
	.thing:focus {
		outline: none;
	}
	.thing:focus-visible :global(.shape),
	.thing:focus-visible .stage,
	.thing:focus-visible .ring,
	.chosen .stage,
	.chosen .ring {
		stroke: var(--press);
		stroke-width: 2.4;
	}
	.arrow {
		pointer-events: none;
	}
	.arrow path {
		stroke: var(--press);
		stroke-width: 2.6;
	}
	.arrow .head {
		fill: var(--press);
		stroke: none;
	}
	.arrow text,
	.tag {
		font-size: 13px;
		font-weight: 700;
		fill: var(--press);
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 5px;
		pointer-events: none;
	}
</style>
