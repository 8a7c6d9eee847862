<script lang="ts">
	/* eslint-disable max-lines -- one drawing: what stands in the room, and what a hand takes hold of. */
	import { frameOf, type Vec3 } from '@poise/core';
	import PlanLayer from '$lib/places/PlanLayer.svelte';
	import { planBar, type PlanView, toPlan, toScreen, viewOf } from '$lib/places/view';
	import ScaleBar from '$lib/sheet/drawing/ScaleBar.svelte';
	import Button from '$lib/sheet/fields/Button.svelte';
	import { Pull } from '$lib/sheet/drawing/pull.svelte';
	import type { HeadSeen } from '@poise/desk/messages';
	import type { LiveHead } from '$lib/model/liveHead';
	import { deskWire } from '$lib/shell/deskWire.svelte';
	import { sharedLive } from './liveBench.svelte';
	import { armOf, focalOf, livePose } from './stand';
	import { wayTo } from './reach';

	/** The venue's plan: heads where they stand, their wedges as they turn, poses as flags on threads. */
	interface Props {
		width: number;
		height: number;
	}
	let { width, height }: Props = $props();
	const bench = sharedLive();
	const plan = $derived(bench.venue?.plan ?? null);
	const here = $derived(
		bench.data.heads
			.filter(({ venueId }) => venueId === bench.venueId)
			.flatMap((kept) => {
				const head = bench.heads.find(({ id }) => id === kept.boxId);
				return head === undefined ? [] : [{ kept, head }];
			})
	);
	const view = $derived.by((): PlanView => {
		const points = [
			...(plan?.shapes.flatMap(({ pointsM }) => pointsM) ?? []),
			...here.flatMap(({ kept, head }) => [kept.settings.place.atM, ...(railEnds(kept, head) ?? [])])
		];
		if (points.length === 0) return { middleM: [3, 3], pxPerM: 50 };
		const of = (k: 0 | 1) => points.map((point) => point[k]);
		return viewOf(
			[
				[Math.min(...of(0)), Math.min(...of(1))],
				[Math.max(...of(0)), Math.max(...of(1))]
			],
			width,
			height
		);
	});
	const at = (point: readonly number[]) => toScreen(view, width, height, [point[0]!, point[1]!]);
	const line = (points: readonly (readonly number[])[], closed = false) =>
		`M${points
			.map((point) => {
				const { x, y } = at(point);
				return `${x.toFixed(1)} ${y.toFixed(1)}`;
			})
			.join('L')}${closed ? 'Z' : ''}`;
	/** What is drawn of a view ends at the plan's own edge. */
	const frame = $derived.by(() => {
		const points = plan?.shapes.flatMap(({ pointsM }) => pointsM) ?? [];
		if (points.length === 0) return { x: 0, y: 0, w: width, h: height };
		const all = points.map((point) => at(point));
		const [xs, ys] = [all.map(({ x }) => x), all.map(({ y }) => y)];
		const [x, y] = [Math.min(...xs), Math.min(...ys)];
		return { x, y, w: Math.max(...xs) - x, h: Math.max(...ys) - y };
	});
	const valuesOf = (head: HeadSeen) => deskWire.newest[head.id]?.at ?? head.at;

	/** How far a wedge is drawn: to the wall, or five metres. */
	const reachM = 4.6;
	function wedge(kept: LiveHead, head: HeadSeen) {
		const values = valuesOf(head);
		const { camera } = kept.settings;
		const pose = livePose(kept.settings, values);
		const focalM = focalOf(camera.focalM, head.ready.includes('zoom') ? values.zoom : undefined);
		const half = Math.atan(camera.sensorWidthM / 2 / focalM);
		const [x, y] = pose.centreM;
		const flat = Math.max(0.25, Math.cos(pose.elevationRad));
		const arc = Array.from({ length: 9 }, (_, k) => {
			const turn = pose.headingRad + half * (1 - k / 4);
			return [x + reachM * flat * Math.cos(turn), y + reachM * flat * Math.sin(turn)];
		});
		return { pose, path: line([[x, y], ...arc], true) };
	}
	/** Where a pose looks, on the plan: what its camera's axis meets at a metre and a half, or four metres out. */
	function outOf(kept: LiveHead, values: Readonly<Record<string, number>>): number {
		const pose = livePose(kept.settings, values);
		const slope = Math.tan(pose.elevationRad);
		return slope < -0.05 ? Math.min(14, Math.max(0.8, (pose.centreM[2] - 1.4) / -slope)) : 5;
	}
	function looksAt(kept: LiveHead, values: Readonly<Record<string, number>>, out = outOf(kept, values)): Vec3 {
		const pose = livePose(kept.settings, values);
		const [x, y] = pose.centreM;
		return [x + out * Math.cos(pose.headingRad), y + out * Math.sin(pose.headingRad), 1.4];
	}
	/** Flags and their words beside each other: one that would lie on another, on a head or past the edge gives way. */
	function placed<T extends { readonly atM: Vec3; readonly pose: { readonly name: string } }>(
		all: readonly T[],
		heads: readonly { readonly x: number; readonly y: number }[]
	) {
		const [tall, side] = [19, 16];
		const taken: { readonly x: number; readonly y: number; readonly w: number }[] = heads.map(({ x, y }) => ({
			...{ x: x - 17, y, w: 34 }
		}));
		return all.map((each) => {
			const { x, y } = at(each.atM);
			const words = 7.6 * each.pose.name.length + 4;
			const left = x + side + words > width - 4;
			const [from, w] = left ? [x - words - 6, words + side + 4] : [x - 3, side + words];
			const free = (down: number) =>
				taken.every((one) => one.x > from + w || one.x + one.w < from || Math.abs(one.y - (y + down)) >= tall);
			const inside = (down: number) => y + down > 20 && y + down < height - 4;
			const down =
				[0, -1, 1, -2, 2, -3, 3].map((steps) => steps * tall).find((each_) => free(each_) && inside(each_)) ?? 0;
			taken.push({ x: from, y: y + down, w });
			return { ...each, down, left };
		});
	}
	const flags = $derived.by(() => {
		const { head, kept } = bench;
		if (head === null || kept === null) return [];
		return placed(
			bench.offered.map((each) => ({ ...each, atM: looksAt(kept, { ...bench.at, ...each.pose.values }) })),
			here.map(({ kept: one, head: of }) => at(livePose(one.settings, valuesOf(of)).centreM))
		);
	});
	/** The way that the next hold goes, or that this one is on, as its picture goes over the plan: the headline's own. */
	const thread = $derived.by(() => {
		const { head, kept } = bench;
		const underway = head?.task != null && head.task.phase !== 'done';
		const to = head?.next?.to ?? (underway ? head.task!.to : null);
		if (head === null || kept === null || to === null || Object.keys(to).length === 0) return '';
		const way = wayTo(head, bench.at, to, null);
		if (way === null) return '';
		const ends = [bench.at, { ...bench.at, ...to }] as const;
		const outs = ends.map((values) => outOf(kept, values));
		const points = Array.from({ length: 25 }, (_, k) => {
			const part = k / 24;
			const values = Object.fromEntries(
				Object.entries(bench.at).map(([axis, from]) => [axis, from + ((to[axis] ?? from) - from) * part])
			);
			return looksAt(kept, values, outs[0]! + (outs[1]! - outs[0]!) * part);
		});
		return line(points);
	});
	const look = new Pull<'look'>({
		pull: (_, { at: { x, y } }) => aim(x, y),
		settle: () => {}
	});
	function aim(x: number, y: number) {
		const [a, b] = toPlan(view, width, height, x, y);
		bench.lookTo([a, b, 1.4]);
	}
	/** Where its rail begins and ends; null: it is on none. */
	function railEnds(kept: LiveHead, head: HeadSeen): readonly (readonly [number, number])[] | null {
		const { place } = kept.settings;
		const range = head.axes.trackM?.range;
		if (place.stands !== 'rail' || range === undefined) return null;
		return range.map((u): [number, number] => [
			place.atM[0] + u * Math.cos(place.headingRad),
			place.atM[1] + u * Math.sin(place.headingRad)
		]);
	}
	const slide = new Pull<LiveHead>({
		pull: (kept, { at: { x, y } }) => {
			const { place } = kept.settings;
			const [a, b] = toPlan(view, width, height, x, y);
			const range = bench.head?.axes.trackM?.range;
			if (range === undefined) return;
			const u = (a - place.atM[0]) * Math.cos(place.headingRad) + (b - place.atM[1]) * Math.sin(place.headingRad);
			bench.slideTo(Math.min(range[1], Math.max(range[0], u)));
		},
		settle: () => {}
	});
	const bar = $derived(planBar(view.pxPerM, width / 4, bench.data.person.units));
	/** Whether what a flag stands at is in the picture of the head in hand now. */
	const inPicture = (pointM: Vec3): boolean => {
		const { kept, head } = bench;
		if (kept === null || head === null) return false;
		const { camera } = kept.settings;
		const focalM = focalOf(camera.focalM, head.ready.includes('zoom') ? bench.at.zoom : undefined);
		const { sensorWidthM, sensorHeightM } = camera;
		return frameOf({ pose: livePose(kept.settings, bench.at), pointM, focalM, sensorWidthM, sensorHeightM }).inFrame;
	};
</script>

<div class="stage">
	<svg
		{width}
		{height}
		viewBox="0 0 {width} {height}"
		role="group"
		aria-label="Plan with the heads"
		data-testid="live-stage"
	>
		<PlanLayer
			plan={plan ?? { ceilingM: null, shapes: [], underlay: null }}
			venueId={bench.venue?.id ?? null}
			{view}
			{width}
			{height}
		/>
		<clipPath id="within-plan"><rect x={frame.x} y={frame.y} width={frame.w} height={frame.h} /></clipPath>
		<rect class="sheet" {width} {height} {@attach look.hold(() => (bench.mine ? 'look' : null))} />
		{#each here as { kept, head } (kept.id)}
			{@const drawn = wedge(kept, head)}
			{@const chosen = head.id === bench.chosenId}
			<path
				clip-path="url(#within-plan)"
				class="wedge"
				class:chosen
				class:away={head.link !== 'here'}
				class:moves={head.phase === 'armed'}
				d={drawn.path}
			/>
			{@const track = railEnds(kept, head)}
			{#if track !== null}<path class="rail" d={line(track)} />{/if}
			{@const arm = armOf(kept.settings, valuesOf(head))}
			{#if arm !== null}<path class="arm" d={line(arm)} />{/if}
		{/each}
		{#if thread !== ''}<path class="thread" clip-path="url(#within-plan)" d={thread} />{/if}
		{#each flags as { pose, atM, why, here: stands, down, left } (pose.id)}
			{@const { x, y } = at(atM)}
			<g
				class="flag"
				class:not={why !== null}
				class:stands={stands || inPicture(atM)}
				transform="translate({x} {y + down})"
			>
				<path d="M0 6V-14L13 -9L0 -4" />
				{#if down !== 0}<path class="leader" d="M0 6L0 {-down}" /><circle class="spot" cy={-down} r="2.5" />{/if}
				<text x={left ? -6 : 16} y="-4" text-anchor={left ? 'end' : 'start'}>{pose.name}</text>
			</g>
		{/each}
		{#each here as { kept, head } (kept.id)}
			{@const { pose } = wedge(kept, head)}
			{@const { x, y } = at(pose.centreM)}
			{@const chosen = head.id === bench.chosenId}
			<g
				class="head"
				class:chosen
				class:away={head.link !== 'here'}
				role="button"
				tabindex="0"
				aria-pressed={chosen}
				aria-label="{head.number ?? ''} {head.name}"
				transform="translate({x} {y})"
				onclick={() => bench.choose(head.id)}
				onkeydown={(event) => event.key === 'Enter' && bench.choose(head.id)}
				data-testid="stage-head"
				{@attach slide.hold(() => (chosen && bench.mine && kept.settings.place.stands === 'rail' ? kept : null))}
			>
				<circle class="touch" r="24" />
				<circle r="15" />
				<text text-anchor="middle" y="6">{head.number ?? '?'}</text>
				{#if head.recording}<circle class="tally" cx="13" cy="-13" r="5" />{/if}
			</g>
		{/each}
		<ScaleBar x={18} y={height - 16} px={bar.lengthM * view.pxPerM} words={bar.words} />
	</svg>
	{#if plan === null}<p class="hint">
			No plan yet. Say where a head stands on its own sheet, and choose its venue there.
		</p>{/if}
	{#if bench.mine && bench.next.does !== 'nothing' && plan !== null}<p class="hint">
			Press on the plan: {bench.head?.name} looks there with the next hold.
		</p>{/if}
	{#if bench.chosenId !== null}<Button class="leave" onclick={() => bench.leave()} data-testid="leave-head"
			>{bench.mine ? 'Leave it' : 'Look elsewhere'}</Button
		>{/if}
</div>

<style>
	.stage {
		position: relative;
	}
	svg {
		display: block;
		touch-action: none;
	}
	.sheet {
		fill: transparent;
	}
	.wedge {
		fill: var(--hover);
		fill-opacity: 0.55;
		stroke: var(--edge);
		stroke-width: 1;
	}
	.wedge.chosen {
		fill: var(--spirit);
		fill-opacity: 0.36;
		stroke: var(--press);
		stroke-width: 1.6;
	}
	.wedge.moves {
		stroke-width: 3;
	}
	.wedge.away {
		stroke-dasharray: 4 4;
		fill-opacity: 0.15;
	}
	.rail {
		stroke: var(--ink);
		stroke-width: 4;
		fill: none;
	}
	.arm {
		stroke: var(--ink);
		stroke-width: 6;
		stroke-linecap: round;
		fill: none;
	}
	.thread {
		fill: none;
		stroke: var(--press);
		stroke-width: 3.5;
		stroke-dasharray: 2 6;
		stroke-linecap: round;
	}
	.flag path {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
		stroke-linejoin: round;
	}
	.flag .spot {
		fill: var(--ink);
	}
	.flag .leader {
		stroke-width: 1;
		fill: none;
	}
	.flag.stands path:first-child {
		fill: var(--press);
	}
	.flag.not {
		opacity: 0.5;
	}
	text {
		font-size: 14px;
		fill: var(--ink);
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 3.5px;
		pointer-events: none;
	}
	.head {
		cursor: pointer;
	}
	.head:focus-visible {
		outline: none;
	}
	.head:focus-visible circle {
		stroke-width: 5;
	}
	.head circle {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 2;
	}
	.head .touch {
		fill: transparent;
		stroke: none;
	}
	.head text {
		font-weight: 700;
		font-size: 16px;
		stroke: none;
	}
	.head.chosen circle:not(.touch) {
		fill: var(--press);
	}
	.head.chosen text {
		fill: var(--press-ink);
	}
	.head.away circle {
		stroke-dasharray: 3 3;
	}
	.head .tally,
	.head.chosen .tally:not(.touch) {
		fill: var(--clay);
		stroke: var(--ground);
	}
	.hint {
		position: absolute;
		top: 10px;
		left: 16px;
		right: 150px;
		font-size: 14px;
		color: var(--quiet);
		pointer-events: none;
	}
	.stage :global(.leave) {
		position: absolute;
		top: 8px;
		right: 10px;
		min-height: 44px;
		padding: 0 14px;
		border: 1.5px solid var(--edge);
		border-radius: 6px;
		background: var(--panel);
		font-size: 15px;
	}
</style>
