<script lang="ts">
	import type { CraneRoom } from './model';
	import type { Reach } from './reach';

	/** Everything the nose and lens sweep over the boom range, from the side, with what stands about it. */
	interface Props {
		reach: Reach;
		room: CraneRoom;
		pivotHeightM: number;
		boomRad: number;
		width: number;
		height: number;
		metres: (value: number) => string;
	}
	let { reach, room, pivotHeightM, boomRad, width, height, metres }: Props = $props();

	const top = $derived(
		Math.max(reach.lensHighM + 0.5, Math.min(room.ceilingM ?? 0, reach.lensHighM + 2), pivotHeightM + 0.5)
	);
	const out = $derived(Math.max(reach.keepOutM + 0.3, Math.min(room.wallM ?? 0, reach.keepOutM + 3)));
	const low = $derived(Math.min(0, reach.lensLowM - 0.3));
	const px = $derived(Math.min((width - 40) / (out + reach.tailM + 0.7), (height - 50) / (top - low)));
	const x0 = $derived(20 + (reach.tailM + 0.6) * px);
	const floor = $derived(height - 30 + low * px);
	const at = (x: number, z: number) => `${x0 + x * px} ${floor - z * px}`;
	const lens = $derived(`M${reach.samples.map(({ lensM }) => at(lensM[0], lensM[1])).join('L')}`);
	const sweep = $derived(
		`M${reach.samples.map((each) => at(each.outM, each.highestM)).join('L')}L${[...reach.samples]
			.reverse()
			.map((each) => at(each.lensM[0] - 0.2, each.lowestM))
			.join('L')}Z`
	);
	const now = $derived(
		reach.samples.reduce((best, each) =>
			Math.abs(each.boomRad - boomRad) < Math.abs(best.boomRad - boomRad) ? each : best
		)
	);
	const free = $derived(
		reach.samples.filter(
			({ boomRad: boom }) => reach.keep !== null && boom >= reach.keep[0] - 1e-9 && boom <= reach.keep[1] + 1e-9
		)
	);
	const freePath = $derived(free.length === 0 ? '' : `M${free.map(({ lensM }) => at(lensM[0], lensM[1])).join('L')}`);
</script>

<svg {width} {height} viewBox="0 0 {width} {height}" role="img" aria-label="What the crane reaches, from the side">
	<path class="sweep" d={sweep} />
	<path class="lens" d={lens} />
	<path class="free" d={freePath} />
	<path class="floor" d="M6 {floor}H{width - 6}" />
	<path class="column" d="M{x0} {floor}V{floor - pivotHeightM * px}" />
	<path class="arm" d="M{x0} {floor - pivotHeightM * px}L{x0 + now.lensM[0] * px} {floor - now.lensM[1] * px}" />
	<circle class="now" cx={x0 + now.lensM[0] * px} cy={floor - now.lensM[1] * px} r="6" />
	<path class="keep" d="M{x0 + reach.keepOutM * px} {floor}V14M{x0 - (reach.tailM + 0.5) * px} {floor}V14" />
	<text x={x0 + reach.keepOutM * px - 6} y="26" text-anchor="end">nobody within {metres(reach.keepOutM)}</text>
	{#if room.ceilingM !== null}
		<path class="solid" d="M6 {floor - room.ceilingM * px}H{width - 6}" />
		<text x="14" y={floor - room.ceilingM * px - 6}>ceiling {metres(room.ceilingM)}</text>
	{/if}
	{#if room.wallM !== null}
		<path class="solid" d="M{x0 + room.wallM * px} {floor}V6" />
		<text x={x0 + room.wallM * px - 6} y="44" text-anchor="end">wall</text>
	{/if}
	{#if room.rowsFromM !== null}
		<path class="people" d="M{x0 + room.rowsFromM * px} {floor}V{floor - room.headsM * px}H{width - 6}V{floor}Z" />
		<text x={x0 + room.rowsFromM * px + 6} y={floor - room.headsM * px + 18}>people</text>
	{/if}
	<text x={x0 + 8} y={floor - reach.lensHighM * px + 4}>lens up to {metres(reach.lensHighM)}</text>
</svg>

<style>
	svg {
		display: block;
	}
	.sweep {
		fill: var(--press-wash);
		stroke: none;
	}
	.lens {
		fill: none;
		stroke: var(--clay);
		stroke-width: 2;
		stroke-dasharray: 5 4;
	}
	.free {
		fill: none;
		stroke: var(--press);
		stroke-width: 4;
	}
	.floor,
	.solid {
		stroke: var(--ink);
		stroke-width: 2;
	}
	.solid {
		stroke-width: 4;
	}
	.column {
		stroke: var(--ink);
		stroke-width: 8;
	}
	.arm {
		stroke: var(--ink);
		stroke-width: 5;
		stroke-linecap: round;
	}
	.now {
		fill: var(--panel);
		stroke: var(--press);
		stroke-width: 2.4;
	}
	.keep {
		stroke: var(--clay);
		stroke-width: 1.4;
		stroke-dasharray: 8 5;
	}
	.people {
		fill: url(#hatch);
		stroke: var(--clay);
		stroke-width: 1.4;
	}
	text {
		font-size: 13px;
		fill: var(--ink);
		paint-order: stroke;
		stroke: var(--ground);
		stroke-width: 4px;
	}
</style>
