<script lang="ts">
	import type { SpinRun, SpinSample } from '@poise/core';
	import { onMount } from 'svelte';
	import { boxFaces, exaggeration, rotationOf, type SceneBox, turned } from './spinScene';

	/** The whole sled turning on its gimbal, as computed, seen from a little above. */
	interface Props {
		scene: readonly SceneBox[];
		run: SpinRun | null;
		width: number;
		height: number;
		playing: boolean;
		/** 1: as it would be; less: slower. */
		speed: number;
		/** A lean held still instead of a run. */
		still?: Pick<SpinSample, 'foreLeanRad' | 'sideLeanRad' | 'headingRad'> | null;
	}
	let { scene, run, width, height, playing, speed, still = null }: Props = $props();

	let canvas = $state<HTMLCanvasElement>();
	/** Into the run. */
	let atS = 0;
	let fps = $state(0);
	const times = $derived(still !== null || run === null ? 1 : exaggeration(run.greatestLeanRad));
	$effect(() => {
		// Another run begins at its beginning.
		void run;
		atS = 0;
	});

	const reach = $derived.by(() => {
		const corners = scene.flatMap(({ cornersM }) => cornersM);
		const flat = Math.max(0.1, ...corners.map(([x, y]) => Math.hypot(x, y)));
		return {
			flat,
			high: Math.max(0.1, ...corners.map(([, , z]) => z)),
			low: Math.min(-0.1, ...corners.map(([, , z]) => z))
		};
	});
	/** The eye stands this far above level. */
	const eyeRad = 0.2;
	const [eyeCos, eyeSin] = [Math.cos(eyeRad), Math.sin(eyeRad)];

	interface Colours {
		readonly ink: string;
		readonly quiet: string;
		readonly panel: string;
		readonly press: string;
		readonly clay: string;
		readonly wash: string;
		readonly rule: string;
	}
	let colours: Colours | null = null;
	const css = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim();
	function readColours(): Colours {
		return {
			ink: css('--ink'),
			quiet: css('--quiet'),
			panel: css('--panel'),
			press: css('--press'),
			clay: css('--clay'),
			wash: css('--press-wash'),
			rule: css('--rule')
		};
	}

	function sampleAt(seconds: number): SpinSample | null {
		if (run === null) return null;
		const step = run.samples[1]?.atS ?? 1;
		return run.samples[Math.min(run.samples.length - 1, Math.floor(seconds / step))] ?? null;
	}

	function paint() {
		const context = canvas?.getContext('2d');
		if (!context || canvas === undefined) return;
		colours ??= readColours();
		const c = colours;
		const ratio = window.devicePixelRatio || 1;
		if (canvas.width !== Math.round(width * ratio)) canvas.width = Math.round(width * ratio);
		if (canvas.height !== Math.round(height * ratio)) canvas.height = Math.round(height * ratio);
		context.setTransform(ratio, 0, 0, ratio, 0, 0);
		context.clearRect(0, 0, width, height);

		const scale = Math.min(
			(height - 50) / (reach.high - reach.low + 2 * reach.flat * eyeSin),
			(width - 40) / (2.3 * reach.flat)
		);
		const middleX = width / 2;
		const middleY = 22 + (reach.high + reach.flat * eyeSin) * scale;
		const flat = (point: readonly [number, number, number]): [number, number, number] => [
			middleX + point[0] * scale,
			middleY - (point[2] * eyeCos + point[1] * eyeSin) * scale,
			point[2] * eyeSin - point[1] * eyeCos
		];
		const now = still ?? sampleAt(atS);
		const rotation = rotationOf(now ?? { foreLeanRad: 0, sideLeanRad: 0, headingRad: 0 }, times);

		// Where the foot would stand: a ring on the floor with eight marks.
		const floor = reach.low - 0.02;
		context.strokeStyle = c.rule;
		context.lineWidth = 1;
		context.beginPath();
		for (let step = 0; step <= 64; step += 1) {
			const angle = (step / 64) * 2 * Math.PI;
			const [x, y] = flat([reach.flat * Math.cos(angle), reach.flat * Math.sin(angle), floor]);
			if (step === 0) context.moveTo(x, y);
			else context.lineTo(x, y);
		}
		for (let step = 0; step < 8; step += 1) {
			const angle = (step / 8) * 2 * Math.PI;
			const [x, y] = flat([reach.flat * 0.9 * Math.cos(angle), reach.flat * 0.9 * Math.sin(angle), floor]);
			const [u, v] = flat([reach.flat * Math.cos(angle), reach.flat * Math.sin(angle), floor]);
			context.moveTo(x, y);
			context.lineTo(u, v);
		}
		context.stroke();

		// The plumb line through the gimbal.
		context.strokeStyle = c.clay;
		context.lineWidth = 1.2;
		context.setLineDash([6, 4]);
		context.beginPath();
		context.moveTo(...(flat([0, 0, reach.high + 0.06]).slice(0, 2) as [number, number]));
		context.lineTo(...(flat([0, 0, floor]).slice(0, 2) as [number, number]));
		context.stroke();
		context.setLineDash([]);

		const faces: { depth: number; points: [number, number, number][]; kind: SceneBox['kind']; side: number }[] = [];
		for (const each of scene) {
			const corners = each.cornersM.map((corner) => flat(turned(rotation, corner)));
			const middle = corners.reduce((sum, corner) => sum + corner[2], 0) / 8;
			boxFaces.forEach((face, side) => {
				const points = face.map((place) => corners[place] as [number, number, number]);
				const [p, q, r] = points as [[number, number, number], [number, number, number], [number, number, number]];
				// Only what looks this way.
				if ((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]) >= 0) return;
				const own = points.reduce((sum, point) => sum + point[2], 0) / 4;
				faces.push({ depth: middle + 0.2 * (own - middle), points, kind: each.kind, side });
			});
		}
		faces.sort((a, b) => a.depth - b.depth);
		context.lineJoin = 'round';
		for (const { points, kind, side } of faces) {
			context.beginPath();
			points.forEach(([x, y], index) => (index === 0 ? context.moveTo(x, y) : context.lineTo(x, y)));
			context.closePath();
			context.fillStyle = kind === 'item' ? c.wash : c.panel;
			context.fill();
			// The camera's front is told from its back.
			if (kind === 'camera' && side === 1) {
				context.globalAlpha = 0.18;
				context.fillStyle = c.ink;
				context.fill();
				context.globalAlpha = 1;
			}
			context.strokeStyle = c.ink;
			context.lineWidth = 1.15;
			context.stroke();
		}

		// Where the top of the post has been.
		if (run !== null && still === null) {
			const step = run.samples[1]?.atS ?? 1;
			const last = Math.floor(atS / step);
			context.strokeStyle = c.press;
			context.lineWidth = 2;
			context.beginPath();
			for (let index = Math.max(0, last - 360); index <= last; index += 2) {
				const sample = run.samples[index];
				if (sample === undefined) break;
				const [x, y] = flat(turned(rotationOf(sample, times), [0, 0, reach.high + 0.03]));
				if (index === Math.max(0, last - 360)) context.moveTo(x, y);
				else context.lineTo(x, y);
			}
			context.stroke();
		}
		const [gx, gy] = flat([0, 0, 0]);
		context.strokeStyle = c.press;
		context.lineWidth = 3;
		context.beginPath();
		context.ellipse(gx, gy, 0.05 * scale, 0.05 * scale * (eyeSin + 0.15), 0, 0, 2 * Math.PI);
		context.stroke();
	}

	onMount(() => {
		let before = performance.now();
		let counted = before;
		let frames = 0;
		let frame = requestAnimationFrame(function beat(now) {
			const last = run?.samples[run.samples.length - 1]?.atS ?? 0;
			if (playing && run !== null) {
				atS += (Math.min(100, now - before) / 1000) * speed;
				if (atS > last) atS = 0;
			}
			before = now;
			paint();
			frames += 1;
			if (now - counted >= 1000) {
				fps = (frames * 1000) / (now - counted);
				[counted, frames] = [now, 0];
			}
			frame = requestAnimationFrame(beat);
		});
		const themed = new MutationObserver(() => (colours = null));
		themed.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] });
		return () => {
			cancelAnimationFrame(frame);
			themed.disconnect();
		};
	});
</script>

<div
	role="img"
	aria-label={still === null ? 'The sled turning on its gimbal' : 'The sled at rest, leaning'}
	data-testid="spin-stage"
	data-fps={fps.toFixed(1)}
	data-times={times}
>
	<canvas bind:this={canvas} style:width="{width}px" style:height="{height}px"></canvas>
</div>
{#if times > 1}<p class="times">leans drawn {times} times as large</p>{/if}

<style>
	canvas {
		display: block;
	}
	.times {
		position: absolute;
		left: 26px;
		bottom: 8px;
		font-size: 13px;
		color: var(--quiet);
	}
</style>
