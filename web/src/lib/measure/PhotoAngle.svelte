<script lang="ts">
	/** An angle read off a photo: tap the rear end of the thing, then its front end. The photo stays in this browser. */
	let { onangle }: { onangle: (turnRad: number) => void } = $props();

	const uid = $props.id();
	let address = $state<string | null>(null);
	let points = $state.raw<readonly { x: number; y: number }[]>([]);
	let trouble = $state('');
	const mostBytes = 40 * 1024 * 1024;

	function load(event: Event) {
		const file = (event.currentTarget as HTMLInputElement).files?.[0];
		if (address !== null) URL.revokeObjectURL(address);
		address = null;
		points = [];
		trouble = '';
		if (file === undefined) return;
		if (!file.type.startsWith('image/')) trouble = `“${file.name}” is not a picture.`;
		else if (file.size > mostBytes) trouble = 'That picture is larger than 40 MB. Take a smaller one.';
		else address = URL.createObjectURL(file);
	}
	function tap(event: MouseEvent) {
		const box = (event.currentTarget as HTMLElement).getBoundingClientRect();
		const point = { x: event.clientX - box.left, y: event.clientY - box.top };
		points = points.length >= 2 ? [point] : [...points, point];
		const [rear, front] = points;
		if (rear !== undefined && front !== undefined)
			// The page's y runs down; a turn is positive anticlockwise.
			onangle(Math.atan2(-(front.y - rear.y), front.x - rear.x));
	}
</script>

<div class="photo">
	<label for={uid}>Or read it off a photo, held level</label>
	<input id={uid} type="file" accept="image/*" onchange={load} />
	{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
	{#if address !== null}
		<p>
			{points.length === 0
				? 'Tap its rear end.'
				: points.length === 1
					? 'Now its front end.'
					: 'Read. Tap again to begin anew.'}
		</p>
		<button type="button" class="picture" onclick={tap} aria-label="The photo: tap rear, then front">
			<img
				src={address}
				alt="What hangs"
				onerror={() => ((trouble = 'This browser cannot read that picture.'), (address = null))}
			/>
			<svg aria-hidden="true">
				{#each points as { x, y }, index (index)}<circle cx={x} cy={y} r="6" />{/each}
				{#if points.length === 2}<line x1={points[0]?.x} y1={points[0]?.y} x2={points[1]?.x} y2={points[1]?.y} />{/if}
			</svg>
		</button>
	{/if}
</div>

<style>
	.photo {
		font-size: 14px;
		display: grid;
		gap: 6px;
	}
	.picture {
		position: relative;
		max-width: 420px;
		cursor: crosshair;
		touch-action: manipulation;
	}
	img {
		width: 100%;
		display: block;
	}
	svg {
		position: absolute;
		inset: 0;
		width: 100%;
		height: 100%;
	}
	circle,
	line {
		stroke: var(--spirit);
		stroke-width: 3;
		fill: none;
	}
	.problem {
		color: var(--clay);
	}
</style>
