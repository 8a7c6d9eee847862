<script lang="ts">
	import type { MeasuringWay } from '$lib/model/measurement';

	/** How it is done, as a workshop drawing without figures. */
	let { way }: { way: MeasuringWay } = $props();
</script>

<svg viewBox="0 0 360 190" role="img" aria-label="How to measure: {way}">
	<defs>
		<pattern id="measure-hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
			<path d="M0 0V6" stroke="var(--edge)" stroke-opacity="0.5" stroke-width="1" />
		</pattern>
	</defs>
	<path class="ground" d="M10 172H350" />
	{#if way === 'rod'}
		<path class="body" d="M80 92h150v-40h-52l-8 -14h-40l-8 14h-42z" /><path class="body" d="M230 62h60v22h-60z" />
		<circle class="rod" cx="186" cy="99" r="7" />
		<path class="line" d="M186 106V172M166 172l20 -26l20 26z" />
		<path class="dim" d="M80 136H186M80 126v20M186 126v20" /><text x="120" y="130">this</text>
		<path class="turn" d="M60 70q-14 26 4 52M306 58q16 24 -2 48" />
		<text x="14" y="18">Roll it over a round rod until it tips neither way.</text>
	{:else if way === 'scales'}
		<path class="body" d="M70 88h190v-36h-60l-8 -14h-46l-8 14h-68z" /><path class="body" d="M260 60h50v22h-50z" />
		<path class="line" d="M96 88l-8 22h16zM254 88l-8 22h16z" />
		<path class="body" d="M62 110h68v22h-68zM220 110h68v22h-68z" />
		<text x="84" y="126">A</text><text x="242" y="126">B</text>
		<path class="line" d="M62 132V172M130 132V172M220 132V172M288 132V172" />
		<path class="dim" d="M96 150H254M96 142v16M254 142v16" /><text x="158" y="166">span</text>
		<text x="14" y="18">Rest it on two edges, one on each scale, level.</text>
	{:else if way === 'hang'}
		{#each [{ x: 96, turn: 18 }, { x: 258, turn: -52 }] as { x, turn } (x)}
			<path class="line" d="M{x} 24V44" /><path class="ground" d="M{x - 28} 24h56" />
			<g transform="translate({x} 44) rotate({-turn})">
				<path class="body" d="M-34 0h70v62h-70zM36 18h26v30h-26z" />
				<circle class="rod" cx="0" cy="2" r="4" />
			</g>
			<path class="plumb" d="M{x} 44V168" />
		{/each}
		<text x="120" y="16">Hang it from one point, then another: the plumb lines</text>
		<text x="120" y="186">cross at the centre.</text>
	{:else if way === 'swing'}
		<path class="ground" d="M150 30h60" /><circle class="rod" cx="180" cy="40" r="5" />
		<g transform="rotate(16 180 40)" opacity="0.35"><path class="body" d="M146 40h70v84h-70z" /></g>
		<g transform="rotate(-16 180 40)"><path class="body" d="M146 40h70v84h-70z" /></g>
		<path class="plumb" d="M180 40V164" />
		<path class="turn" d="M120 148q60 22 120 0" />
		<text x="14" y="20">Let it swing on a pin; tap each time it comes back.</text>
	{:else}
		<path class="line" d="M60 150h240M60 150v-60h30M300 150v-96" />
		<path class="body" d="M110 84h120v-42h-120zM230 52h44v24h-44z" />
		<circle class="rod" cx="180" cy="63" r="5" /><path class="plumb" d="M180 63V150" />
		<path class="dim" d="M90 162H210M90 154v16M210 154v16" /><text x="132" y="184">the reading</text>
		<text x="14" y="20">A gimbal in balance has the centre on its axes.</text>
	{/if}
</svg>

<style>
	svg {
		width: 100%;
		max-width: 420px;
		height: auto;
		background: var(--panel);
		border: 1px solid var(--rule);
	}
	.body {
		fill: url(#measure-hatch);
		stroke: var(--ink);
		stroke-width: 1.4;
		stroke-linejoin: round;
	}
	.rod {
		fill: var(--spirit);
		stroke: var(--ink);
		stroke-width: 1.3;
	}
	.line {
		stroke: var(--ink);
		stroke-width: 1.2;
		fill: none;
	}
	.ground {
		stroke: var(--edge);
		stroke-width: 1.4;
	}
	.plumb {
		stroke: var(--press);
		stroke-width: 1.4;
		stroke-dasharray: 12 3 2 3;
	}
	.dim {
		stroke: var(--press);
		stroke-width: 1.2;
		fill: none;
	}
	.turn {
		stroke: var(--quiet);
		stroke-width: 1.2;
		fill: none;
		stroke-dasharray: 4 3;
	}
	text {
		font-size: 13px;
		fill: var(--ink);
	}
</style>
