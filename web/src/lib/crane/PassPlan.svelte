<script lang="ts">
	import type { PassSample, Vec3 } from '@poise/core';
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

	let dragging = $state.raw<{ px: number; x: number; y: number } | null>(null);
	/** While the subject is pulled the plan stands still under the hand. */
	const view = $derived.by(() => {
		if (dragging !== null) return dragging;
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
	let pulled = $state<number | null>(null);
	function swingKeys(event: KeyboardEvent, index: number) {
		const by = event.key === 'ArrowLeft' ? 1 : event.key === 'ArrowRight' ? -1 : 0;
		if (by === 0) return;
		event.preventDefault();
		onkey?.(index, keys[index]!.swingRad + by * (event.shiftKey ? 5 : 1) * (Math.PI / 180));
	}
	const marks = $derived(samples.filter((_, index) => index % 80 === 0));
	let svg = $state<SVGSVGElement>();
	function pull(event: PointerEvent) {
		if (dragging === null) return;
		const box = svg!.getBoundingClientRect();
		if (pulled !== null) {
			const swing = Math.atan2(view.y - (event.clientY - box.top), event.clientX - box.left - view.x);
			onkey?.(pulled, countedFrom(Math.round((swing * 180) / Math.PI) * (Math.PI / 180), keys[pulled]!.swingRad));
			return;
		}
		onsubject(
			Math.round(((event.clientX - box.left - view.x) / view.px) * 100) / 100,
			Math.round(((view.y - (event.clientY - box.top)) / view.px) * 100) / 100
		);
	}
	function letGo() {
		if (dragging === null) return;
		dragging = pulled = null;
		onsettle();
	}
	function subjectKeys(event: KeyboardEvent) {
		const step = event.shiftKey ? 0.5 : 0.1;
		const by = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, step], ArrowDown: [0, -step] }[event.key];
		if (by === undefined) return;
		event.preventDefault();
		onsubject(subjectM[0] + by[0]!, subjectM[1] + by[1]!);
	}
</script>

<svg
	bind:this={svg}
	{width}
	{height}
	viewBox="0 0 {width} {height}"
	role="group"
	aria-label="Plan of the pass"
	onpointermove={pull}
	onpointerup={letGo}
	onpointercancel={letGo}
>
	{#each marks as { lensM } (lensM)}
		<path class="aim" d="M{at(lensM).x} {at(lensM).y}L{subject.x} {subject.y}" />
	{/each}
	{#if samples.length > 0}<path class="way" d={path} />{/if}
	{#each marks as { lensM, panRad } (lensM)}
		<path
			class="camera"
			transform="translate({at(lensM).x} {at(lensM).y}) rotate({(-panRad * 180) / Math.PI})"
			d="M-7 -6h10v12h-10zM3 -3l7 -3v12l-7 -3"
		/>
	{/each}
	<path class="pivot" d="M{pivot.x - 8} {pivot.y}h16M{pivot.x} {pivot.y - 8}v16" />
	{#each onkey === undefined ? [] : poses as lensM, index (index)}
		<g
			class="key"
			class:chosen={index === chosen}
			role="slider"
			tabindex="0"
			aria-label="Pose {index + 1}, swing {((keys[index]!.swingRad * 180) / Math.PI).toFixed(0)} degrees"
			aria-valuenow={Math.round((keys[index]!.swingRad * 180) / Math.PI)}
			aria-valuemin={-360}
			aria-valuemax={360}
			data-testid="pose-{index}"
			onpointerdown={(event) => {
				if (event.button !== 0) return;
				onchoose?.(index);
				pulled = index;
				dragging = { px: view.px, x: view.x, y: view.y };
				svg!.setPointerCapture(event.pointerId);
				event.preventDefault();
			}}
			onfocus={() => onchoose?.(index)}
			onkeydown={(event) => swingKeys(event, index)}
			onkeyup={() => onsettle()}
		>
			<path class="arm" d="M{pivot.x} {pivot.y}L{at(lensM).x} {at(lensM).y}" />
			<circle class="touch" cx={at(lensM).x} cy={at(lensM).y} r="20" />
			<circle class="pose" cx={at(lensM).x} cy={at(lensM).y} r="8" />
		</g>
	{/each}
	<g
		class="subject"
		role="button"
		tabindex="0"
		aria-label="Subject, arrow keys move it"
		data-testid="subject"
		transform="translate({subject.x} {subject.y})"
		onpointerdown={(event) => {
			(event.currentTarget as SVGGElement).setPointerCapture(event.pointerId);
			dragging = { px: view.px, x: view.x, y: view.y };
			event.preventDefault();
		}}
		onkeydown={subjectKeys}
		onkeyup={() => onsettle()}
	>
		<circle class="touch" r="24" />
		<circle class="body" r="9" />
		<circle class="dot" r="3" />
		<text x="14" y="5">subject</text>
	</g>
</svg>

<style>
	svg {
		display: block;
		touch-action: pan-y;
	}
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
	.key {
		cursor: grab;
		touch-action: none;
	}
	.key:focus {
		outline: none;
	}
	.arm {
		stroke: var(--ink);
		stroke-width: 1;
		stroke-dasharray: 2 5;
	}
	.pose {
		fill: var(--panel);
		stroke: var(--press);
		stroke-width: 2.4;
	}
	.chosen .pose {
		fill: var(--spirit);
	}
	.key:focus-visible .pose {
		stroke-width: 5;
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
