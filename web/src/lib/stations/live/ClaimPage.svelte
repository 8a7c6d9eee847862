<script lang="ts">
	import '$lib/shell/sheet.css';
	import { onMount } from 'svelte';
	import { invalidateAll } from '$app/navigation';
	import Button from '$lib/sheet/fields/Button.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import type { HeadSeen } from '@poise/desk/messages';
	import { ask } from '$lib/keeping/ask';
	import type { StandIn } from '$lib/model/standIn';
	import BoxFace from './BoxFace.svelte';
	import { deskWire } from '$lib/shell/deskWire.svelte';

	/** One at a time: switch on only this one, it shows seven digits, you type them. Then it is this crew's and nobody else's. */
	interface Props {
		/** Simulated heads run beside this application: what a box shows can be read here. */
		standIns: boolean;
	}
	let { standIns }: Props = $props();
	onMount(() => deskWire.begin(false));
	let asked = $state<string | null>(null);
	const byId = (one: HeadSeen, other: HeadSeen) => one.id.localeCompare(other.id);
	/** In the order of their names, however lately each was heard: no card goes elsewhere under a hand. */
	const free = $derived(deskWire.heads.filter(({ link }) => link === 'free' || link === 'claiming').sort(byId));
	const ours = $derived(deskWire.heads.filter(({ headId, link }) => headId !== null && link !== 'free'));
	/** When each was here last: one that is silent for a moment is not gone. */
	const seenMs = new Map<string, number>();
	const patienceMs = 4000;
	const openedMs = performance.now();
	const hereWords = ({ id, link }: HeadSeen): string => {
		const nowMs = performance.now();
		if (link === 'here') {
			seenMs.set(id, nowMs);
			return 'here';
		}
		const last = seenMs.get(id);
		if (last !== undefined && nowMs - last < patienceMs) return 'here';
		return last === undefined && nowMs - Math.max(openedMs, claimedMs) < patienceMs
			? 'getting to know it …'
			: 'not heard';
	};
	let claimedMs = -Infinity;
	/** What the box shows that is being claimed, where it is a simulated one: looked at only as long as it is asked for. */
	let box = $state.raw<StandIn | null>(null);
	$effect(() => {
		const id = asked;
		box = null;
		if (id === null || !standIns) return;
		let gone = false;
		const look = async () => {
			if (gone) return;
			const outcome = await ask<readonly StandIn[]>('GET', '/api/live/stand-ins');
			if (gone) return;
			if (outcome.ok) box = outcome.value.find((each) => each.id === id) ?? null;
			// A head that is none of them is nobody's to look at here.
			if (outcome.ok && box === null) return;
			setTimeout(look, 700);
		};
		void look();
		return () => (gone = true);
	});
	const answer = $derived(deskWire.claimed);
	$effect(() => {
		if (answer?.ok !== true) return;
		asked = null;
		claimedMs = performance.now();
		void invalidateAll();
	});
	let code = $state('');
	const digits = $derived(code.replace(/\D/g, ''));
	let problem = $state('');
	function claim(id: string) {
		deskWire.claimed = null;
		[asked, code, problem] = [id, '', ''];
		deskWire.say({ type: 'claim', head: id });
	}
	function confirm(event: SubmitEvent, id: string) {
		event.preventDefault();
		problem =
			digits.length === 7 && /^[\d\s]*$/.test(code)
				? ''
				: `That is ${digits.length} ${digits.length === 1 ? 'digit' : 'digits'}${/[^\d\s]/.test(code) ? ' and other signs' : ''}; the box shows seven digits. Read them again.`;
		if (problem !== '') return;
		deskWire.claimed = null;
		if (!deskWire.say({ type: 'confirm', head: id, code: digits }))
			problem = 'There is no link to the desk just now. Send them again.';
	}
</script>

<div class="sheet">
	<p><a class="back" href="/live">To the desk</a></p>
	<h1>Claim a head</h1>
	<div class="beside">
		<div>
			<p class="lead">
				One at a time. Switch on only the head you stand before. It appears here, you claim it, and its box shows seven
				digits (one without a display blinks them one after the other, ten times for 0): type them here. From then on it
				heeds this crew alone, until its forget button is pressed.
			</p>
			<p class="caution">A head that is claimed can move when somebody holds it: mark its zone first.</p>
			{#if !deskWire.linked}<p role="status">Looking for the desk …</p>{/if}
			{#if free.length > 1 && asked === null}
				<p class="caution" role="status">
					{free.length} heads are free. Claim the one whose name is printed on the box before you: only that one shows digits.
				</p>
			{/if}
			<div class="cards">
				{#each free as head (head.id)}
					<div class="card" data-testid="free-head">
						<strong>{head.name}</strong>
						<span class="quiet">{head.id}, {Object.keys(head.axes).length} axes</span>
						{#if asked === head.id && box !== null}<BoxFace {box} at={{}} />{/if}
						{#if asked === head.id && (head.link === 'claiming' || answer?.head !== head.id)}
							<form class="row" onsubmit={(event) => confirm(event, head.id)}>
								<label
									>The seven digits it shows
									<TextInput
										bind:value={code}
										inputmode="numeric"
										autocomplete="off"
										maxlength={16}
										aria-invalid={problem !== ''}
										aria-describedby={problem === '' ? undefined : 'code-problem'}
										data-testid="code"
									/></label
								>
								<Button class="go" type="submit" data-testid="confirm">These it shows</Button>
							</form>
							{#if problem !== ''}<p class="problem" id="code-problem" role="alert">{problem}</p>{/if}
						{:else}
							<Button class="go" onclick={() => claim(head.id)} data-testid="claim">Claim it</Button>
						{/if}
						{#if answer !== null && answer.head === head.id && !answer.ok}<p class="problem" role="alert">
								{answer.words}
							</p>{/if}
					</div>
				{:else}
					<p class="hint">
						No free head is heard. Switch one on; a head that another desk has claimed forgets it by its button.
					</p>
				{/each}
			</div>
			<p><a class="back" href="/live/boxes" data-testid="to-boxes">The simulated heads, to read what they show</a></p>
		</div>
		<div>
			<h2>This crew’s heads</h2>
			<ul class="ours">
				{#each ours as head (head.id)}
					<li>
						<strong>{head.number}</strong>
						<span
							><a href="/live/heads/{head.headId}">{head.name}</a>
							<span class="quiet">{head.id}, {hereWords(head)}</span></span
						>
						<Button
							class="second"
							onclick={() => deskWire.say({ type: 'blink', head: head.id })}
							disabled={head.link !== 'here'}>Let it blink</Button
						>
					</li>
				{:else}
					<li class="quiet">None yet.</li>
				{/each}
			</ul>
		</div>
	</div>
</div>

<style>
	.card :global(.go),
	.ours :global(.second) {
		min-height: 48px;
		border-radius: 6px;
		padding: 0 16px;
		font-weight: 700;
	}
	.card :global(.go) {
		background: var(--press);
		color: var(--press-ink);
		margin-top: 8px;
	}
	.ours :global(.second) {
		border: 1.5px solid var(--press);
		color: var(--press);
	}
	.row {
		display: flex;
		flex-wrap: wrap;
		align-items: end;
		gap: 8px;
	}
	.row label {
		display: grid;
		font-size: 14px;
	}
	.row :global(input) {
		min-height: 48px;
		width: 11ch;
		font: 700 24px var(--font-mono);
		letter-spacing: 0.06em;
	}
	.ours li {
		display: grid;
		grid-template-columns: 24px minmax(0, 1fr) auto;
		max-width: 640px;
		align-items: center;
		gap: 0 12px;
		padding: 4px 0;
		min-height: 56px;
		border-top: 1px solid var(--rule);
	}
	.ours li.quiet {
		display: flex;
	}
	.quiet {
		color: var(--quiet);
		font-size: 14px;
	}
	.caution {
		border-left: 4px solid var(--clay);
		color: var(--clay);
		padding: 2px 12px;
		margin: 8px 0;
	}
	.back {
		min-height: 44px;
		display: inline-flex;
		align-items: center;
	}
</style>
