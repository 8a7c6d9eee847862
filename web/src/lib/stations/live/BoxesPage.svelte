<script lang="ts">
	import '$lib/shell/sheet.css';
	import { onMount } from 'svelte';
	import Button from '$lib/sheet/fields/Button.svelte';
	import { ask, saidOf } from '$lib/keeping/ask';
	import type { StandIn } from '$lib/model/standIn';
	import { deskWire } from '$lib/shell/deskWire.svelte';
	import BoxFace from './BoxFace.svelte';

	/** The simulated heads as boxes in a room: a face each, a switch, a forget button, and what can go wrong with a cable. */
	interface Props {
		boxes: readonly StandIn[];
		/** There is a process of simulated heads beside this application, whether it answers just now or not. */
		run: boolean;
	}
	let { boxes, run }: Props = $props();
	// svelte-ignore state_referenced_locally
	let seen = $state.raw(boxes);
	let trouble = $state('');
	onMount(() => {
		const endWire = deskWire.begin(false);
		let gone = false;
		const look = async () => {
			// Of what is not there nothing is asked.
			if (gone || !run) return;
			const outcome = await ask<readonly StandIn[]>('GET', '/api/live/stand-ins');
			if (outcome.ok) [seen, trouble] = [outcome.value, ''];
			else trouble = outcome.error.message;
			setTimeout(look, 700);
		};
		void look();
		return () => {
			gone = true;
			endWire();
		};
	});
	async function handle(id: string, handling: Readonly<Record<string, unknown>>) {
		const outcome = await ask<StandIn>('POST', `/api/live/stand-ins/${id}`, handling);
		trouble = outcome.ok ? '' : saidOf(outcome.error);
	}
	const links = [
		{ name: 'a sound cable', link: { delayMs: 0, jitterMs: 0, lossPart: 0, burst: 1, duplicatePart: 0 } },
		{ name: 'a poor one', link: { delayMs: 8, jitterMs: 30, lossPart: 0.1, burst: 3, duplicatePart: 0.02 } },
		{ name: 'a slow one', link: { delayMs: 90, jitterMs: 20, lossPart: 0, burst: 1, duplicatePart: 0 } },
		{ name: 'none', link: { delayMs: 0, jitterMs: 0, lossPart: 1, burst: 1, duplicatePart: 0 } }
	] as const;
	const sameLink = (one: StandIn['link'], other: StandIn['link']) =>
		one.delayMs === other.delayMs && one.lossPart === other.lossPart;
</script>

<div class="sheet">
	<p><a class="back" href="/live">To the desk</a></p>
	<h1>The simulated heads</h1>
	<p class="lead">
		They stand in for hardware: each moves as a head moves, over a real link, and can be switched off, unplugged or held
		fast.
	</p>
	{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
	<div class="cards">
		{#each seen as box (box.id)}
			<article class="card" data-testid="box" data-box={box.id} data-code={box.code ?? ''}>
				<BoxFace {box} at={deskWire.heads.find(({ id, link }) => id === box.id && link === 'here')?.at ?? {}} />
				<div class="knobs">
					<Button class="second" onclick={() => handle(box.id, { powered: !box.powered })} data-testid="power"
						>{box.powered ? 'Switch off' : 'Switch on'}</Button
					>
					<Button
						class="second"
						onclick={() => handle(box.id, { forget: true })}
						disabled={!box.powered || !box.claimed}
						data-testid="forget">Forget its desk</Button
					>
				</div>
				<div class="knobs" role="group" aria-label="Its cable">
					<span class="quiet">cable:</span>
					{#each links as { name, link } (name)}
						<Button class="chip" aria-pressed={sameLink(box.link, link)} onclick={() => handle(box.id, { link })}
							>{name}</Button
						>
					{/each}
				</div>
				<div class="knobs">
					<Button
						class="chip"
						aria-pressed={box.stuck !== null}
						onclick={() => handle(box.id, { stuck: box.stuck === null ? 'panRad' : null })}
						>{box.stuck === null ? 'Hold its pan fast' : 'Let its pan go'}</Button
					>
				</div>
			</article>
		{:else}
			<p class="hint">
				{run
					? 'They run, and have not answered yet. This page asks again by itself.'
					: 'None run beside this application: the demo starts them.'}
			</p>
		{/each}
	</div>
</div>

<style>
	.knobs {
		display: flex;
		margin-top: 8px;
		flex-wrap: wrap;
		gap: 6px;
		align-items: center;
	}
	.knobs :global(button) {
		min-height: 44px;
		padding: 0 12px;
		border: 1.5px solid var(--edge);
		border-radius: 6px;
		font-size: 14px;
	}
	.knobs :global(.chip[aria-pressed='true']) {
		background: var(--press);
		color: var(--press-ink);
	}
	.quiet {
		color: var(--quiet);
		font-size: 14px;
	}
	.back {
		min-height: 44px;
		display: inline-flex;
		align-items: center;
	}
</style>
