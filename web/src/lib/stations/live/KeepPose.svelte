<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import { sharedLive } from './liveBench.svelte';

	/** Poses kept from where the head stands, or from where it is to go; and the ends of what it is to loop. */
	const bench = sharedLive();
	let name = $state('');
	let problem = $state('');
	const place = $derived(bench.head?.next?.kind === 'place' ? bench.head.next.to : null);
	async function mark(end: 'in' | 'out') {
		problem = (await bench.markEnd(end)) ?? '';
	}
	async function keep(given: Readonly<Record<string, number>> | null = null) {
		const wanted = name.trim() === '' ? `pose ${bench.offered.length + 1}` : name.trim();
		problem = (await bench.keepPose(wanted, given)) ?? '';
		if (problem === '') name = '';
	}
</script>

<form
	class="keep"
	onsubmit={(event) => {
		event.preventDefault();
		void keep();
	}}
>
	<label
		>As it stands now
		<TextInput bind:value={name} maxlength={120} placeholder="name of the pose" data-testid="pose-name" /></label
	>
	<Button class="second" type="submit" data-testid="keep-pose">Keep this pose</Button>
</form>
<div class="ends">
	{#if place !== null}
		<Button class="second" onclick={() => keep(place)} data-testid="keep-place">Keep that place</Button>
	{/if}
	<Button class="second" onclick={() => mark('in')} data-testid="mark-in">In point here</Button>
	<Button class="second" onclick={() => mark('out')} data-testid="mark-out">Out point here</Button>
</div>
{#if problem !== ''}<p class="warning" role="alert">{problem}</p>{/if}

<style>
	.keep {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 10px;
		align-items: end;
		font-size: 14px;
	}
	.keep :global(input) {
		width: 100%;
		min-height: 48px;
	}
	.ends {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	.ends :global(.second) {
		flex: 1;
		min-height: 44px;
		font-size: 15px;
	}
</style>
