<script lang="ts">
	import { degFromRad, radFromDeg } from '@poise/core';
	import type { PassSample, Vec3 } from '@poise/core';
	import Board from '$lib/sheet/drawing/Board.svelte';
	import Handle from '$lib/sheet/drawing/Handle.svelte';
	import { arrowStep, Pull } from '$lib/sheet/drawing/pull.svelte';
	import { countedFrom } from './passKeys';

	/** The lens's way past the subject, from above; pull the subject, and the poses round the pivot. */
	interface Props {
		samples: readonly PassSample[];
		subjectM: Vec3;
		width: number;
		height: number;
		/** Of the lens at each pose: when, and how far round. */
		keys?: readonly { readonly share: number; readonly swingRad: number }[];
		chosen?: number;
		onkey?: (index: number, swingRad: number) => void;
		onchoose?: (index: number) => void;
		onsubject: (x: number, y: number) => void;
		onsettle: () => void;
	}
	let {
		samples,
		subjectM,
		width,
		height,
		keys = [],
		chosen = -1,
		onkey = undefined,
		onchoose = undefined,
		onsubject,
		onsettle
	}: Props = $props();

	/** A pose by its number, or the subject. */
	const pull = new Pull<number | 'subject'>({
		start: (what) => {
			if (what !== 'subject') onchoose?.(what);
			held = { px: view.px, x: view.x, y: view.y };
		},
		pull: (what, { at: { x, y } }) => {
			if (what === 'subject')
				onsubject(Math.round(((x - view.x) / view.px) * 100) / 100, Math.round(((view.y - y) / view.px) * 100) / 100);
			else {
				const swing = degFromRad(Math.atan2(view.y - y, x - view.x));
				onkey?.(what, countedFrom(radFromDeg(Math.round(swing)), keys[what]!.swingRad));
			}
		},
		settle: () => {
			held = null;
			onsettle();
		}
	});
	/** While something is pulled the plan stands still under the hand. */
	let held = $state.raw<{ readonly px: number; readonly x: number; readonly y: number } | null>(null);
	const view = $derived.by(() => {
		if (held !== null) return held;
		const points = [...samples.map(({ lensM }) => lensM), subjectM, [0, 0, 0] as const];
		const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
		const [left, right] = [Math.min(...xs) - 0.8, Math.max(...xs) + 0.8];
		const [low, high] = [Math.min(...ys) - 0.8, Math.max(...ys) + 0.8];
		const px = Math.min((width - 30) / (right - left), (height - 30) / (high - low));
		return { px, x: width / 2 - ((left + right) / 2) * px, y: height / 2 + ((low + high) / 2) * px };
	});
	const at = ([x, y]: readonly number[]) => ({ x: view.x + (x ?? 0) * view.px, y: view.y - (y ?? 0) * view.px });
	const path = $derived(`M${samples.map(({ lensM }) => `${at(lensM).x} ${at(lensM).y}`).join('L')}`);
	const subject = $derived(at(subjectM));
	const pivot = $derived(at([0, 0]));
	const poses = $derived(
		samples.length === 0 ? [] : keys.map(({ share }) => samples[Math.round(share * (samples.length - 1))]!.lensM)
	);
	function swingKeys(event: KeyboardEvent, index: number) {
		const by = event.key === 'ArrowLeft' ? 1 : event.key === 'ArrowRight' ? -1 : 0;
		if (by === 0) return;
		event.preventDefault();
		onkey?.(index, keys[index]!.swingRad + radFromDeg(by * (event.shiftKey ? 5 : 1)));
	}
	const marks = $derived(samples.filter((_, index) => index % 80 === 0));
	function subjectKeys(event: KeyboardEvent) {
		const by = arrowStep(event, 0.1, 0.5);
		if (by === null) return;
		event.preventDefault();
		onsubject(subjectM[0] + by[0], subjectM[1] + by[1]);
	}
</script>

<Board {width} {height} label="Plan of the pass">
	{#each marks as { lensM } (lensM)}
		<path class="aim" d="M{at(lensM).x} {at(lensM).y}L{subject.x} {subject.y}" />
	{/each}
	{#if samples.length > 0}<path class="way" d={path} />{/if}
	{#each marks as { lensM, panRad } (lensM)}
		<path
			class="camera"
			transform="translate({at(lensM).x} {at(lensM).y}) rotate({degFromRad(-panRad)})"
			d="M-7 -6h10v12h-10zM3 -3l7 -3v12l-7 -3"
		/>
	{/each}
	<path class="pivot" d="M{pivot.x - 8} {pivot.y}h16M{pivot.x} {pivot.y - 8}v16" />
	{#each onkey === undefined ? [] : poses as lensM, index (index)}
		<path class="arm" d="M{pivot.x} {pivot.y}L{at(lensM).x} {at(lensM).y}" />
		<Handle
			x={at(lensM).x}
			y={at(lensM).y}
			chosen={index === chosen}
			label="Pose {index + 1}, swing {degFromRad(keys[index]!.swingRad).toFixed(0)} degrees"
			testId="pose-{index}"
			slider={{ now: Math.round(degFromRad(keys[index]!.swingRad)), least: -360, most: 360 }}
			hold={pull.hold(() => index)}
			onfocus={() => onchoose?.(index)}
			onkeydown={(event) => swingKeys(event, index)}
			{onsettle}
		/>
	{/each}
	<g
		class="subject"
		role="button"
		tabindex="0"
		aria-label="Subject, arrow keys move it"
		data-testid="subject"
		transform="translate({subject.x} {subject.y})"
		{@attach pull.hold(() => 'subject' as const)}
		onkeydown={subjectKeys}
		onkeyup={() => onsettle()}
	>
		<circle class="touch" r="24" />
		<circle class="body" r="9" />
		<circle class="dot" r="3" />
		<text x="14" y="5">subject</text>
	</g>
</Board>

<style>
	.way {
		fill: none;
		stroke: var(--press);
		stroke-width: 3;
	}
	.aim {
		stroke: var(--rule);
		stroke-width: 1;
	}
	.camera {
		fill: var(--panel);
		stroke: var(--ink);
		stroke-width: 1.3;
	}
	.pivot {
		stroke: var(--ink);
		stroke-width: 2;
	}
	.arm {
		stroke: var(--ink);
		stroke-width: 1;
		stroke-dasharray: 2 5;
	}
	.subject {
		cursor: grab;
		touch-action: none;
	}
	.subject:focus {
		outline: none;
	}
	.subject:focus-visible .body {
		stroke-width: 5;
	}
	.touch {
		fill: transparent;
	}
	.body {
		fill: var(--panel);
		stroke: var(--clay);
		stroke-width: 2.4;
	}
	.dot {
		fill: var(--clay);
	}
	text {
		font-size: 13px;
		font-weight: 700;
		fill: var(--ink);
	}
</style>
