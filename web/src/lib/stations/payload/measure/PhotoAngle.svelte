<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	/** An angle read off a photo: tap the rear end of the thing, then its front end. The photo stays in this browser. */
	let { onangle }: { onangle: (turnRad: number) => void } = $props();

	const uid = $props.id();
	/** Painted, not linked to: the page's policy lets no picture in but the server's own. */
	let canvas = $state<HTMLCanvasElement>();
	let photo = $state.raw<ImageBitmap | null>(null);
	let points = $state.raw<readonly { x: number; y: number }[]>([]);
	let trouble = $state('');
	const mostBytes = 40 * 1024 * 1024;
	/** As wide as it is shown, with dots to spare for a sharp screen. */
	const widestPx = 1260;

	async function load(event: Event) {
		const file = (event.currentTarget as HTMLInputElement).files?.[0];
		photo?.close();
		photo = null;
		points = [];
		trouble = '';
		if (file === undefined) return;
		if (file.size > mostBytes) return void (trouble = 'That picture is larger than 40 MB. Take a smaller one.');
		try {
			photo = await createImageBitmap(file);
		} catch {
			trouble = file.type.startsWith('image/')
				? `This browser cannot read “${file.name}”. Save it as JPEG or PNG, or type the angle.`
				: `“${file.name}” is not a picture.`;
		}
	}
	$effect(() => {
		if (photo === null || canvas === undefined) return;
		const shrink = Math.min(1, widestPx / photo.width);
		canvas.width = Math.max(1, Math.round(photo.width * shrink));
		canvas.height = Math.max(1, Math.round(photo.height * shrink));
		canvas.getContext('2d')?.drawImage(photo, 0, 0, canvas.width, canvas.height);
	});
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
	<TextInput id={uid} type="file" accept="image/*" onchange={load} />
	{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
	{#if photo !== null}
		<p>
			{points.length === 0
				? 'Tap its rear end.'
				: points.length === 1
					? 'Now its front end.'
					: 'Read. Tap again to begin anew.'}
		</p>
		<Button class="picture" onclick={tap} data-testid="photo" aria-label="The photo: tap rear, then front">
			<canvas bind:this={canvas} aria-hidden="true"></canvas>
			<svg aria-hidden="true">
				{#each points as { x, y }, index (index)}<circle cx={x} cy={y} r="6" />{/each}
				{#if points.length === 2}<line x1={points[0]?.x} y1={points[0]?.y} x2={points[1]?.x} y2={points[1]?.y} />{/if}
			</svg>
		</Button>
	{/if}
</div>

<style>
	.photo {
		font-size: 14px;
		display: grid;
		gap: 6px;
	}
	.photo > :global(.picture) {
		position: relative;
		max-width: 420px;
		cursor: crosshair;
		touch-action: manipulation;
	}
	canvas {
		width: 100%;
		height: auto;
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
