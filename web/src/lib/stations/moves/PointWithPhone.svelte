<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import { onDestroy } from 'svelte';
	import { sharedMove } from './moveBench.svelte';
	import { backOf, type Pointing, pointedAt } from './pointing';

	/** The phone as a pointing stick: held at the subject first, then where the lens should look. */
	const bench = sharedMove();
	let step = $state<'off' | 'subject' | 'lens'>('off');
	let now = $state.raw<Pointing | null>(null);
	let atSubject: Pointing | null = null;
	let told = $state('');
	let timer: ReturnType<typeof setTimeout> | undefined;

	function hear({ alpha, beta, gamma }: DeviceOrientationEvent) {
		if (alpha === null || beta === null || gamma === null) return;
		now = backOf({ alphaDeg: alpha, betaDeg: beta, gammaDeg: gamma });
	}
	const stop = () => {
		clearTimeout(timer);
		if (typeof window !== 'undefined') window.removeEventListener('deviceorientation', hear);
	};
	onDestroy(stop);
	/** Some phones ask their owner first. */
	async function allowed(): Promise<boolean> {
		const asks = (
			globalThis.DeviceOrientationEvent as unknown as { requestPermission?: () => Promise<string> } | undefined
		)?.requestPermission;
		return asks === undefined ? true : (await asks().catch(() => 'denied')) === 'granted';
	}
	async function begin() {
		told = '';
		if (!(await allowed())) {
			told = 'The phone does not let its motion be read: allow it in its settings, and press again.';
			return;
		}
		now = null;
		window.addEventListener('deviceorientation', hear);
		step = 'subject';
		timer = setTimeout(() => {
			if (now === null) told = 'No motion is heard: this works on a phone, over a secure link.';
		}, 2000);
	}
	function press() {
		const knot = bench.chosen;
		if (now === null) return;
		if (step === 'subject') {
			atSubject = now;
			step = 'lens';
			return;
		}
		if (knot !== null && atSubject !== null) {
			bench.set(pointedAt(bench.move, knot, atSubject, now));
			bench.settle();
		}
		stop();
		step = 'off';
	}
	function leave() {
		stop();
		step = 'off';
		told = '';
	}
</script>

{#if step === 'off'}
	<Button class="chip" onclick={begin} data-testid="point-phone">Point with the phone</Button>
{:else}
	<span class="point" role="status">
		{#if bench.chosen === null}Choose a knot first.
		{:else if step === 'subject'}Hold its back at {bench.move.subject.name}, and press.
		{:else}Hold its back where the lens should look at {bench.chosen.name}, and press.{/if}
		<Button class="chip" onclick={press} disabled={now === null || bench.chosen === null} data-testid="point-press"
			>Press</Button
		>
		<Button class="chip" onclick={leave}>Leave it</Button>
	</span>
{/if}
{#if told !== ''}<span class="told" role="status">{told}</span>{/if}

<style>
	.point {
		display: inline-flex;
		flex-wrap: wrap;
		gap: 6px;
		align-items: center;
		font-size: 15px;
	}
	.told {
		color: var(--clay);
		font-size: 14px;
	}
</style>
