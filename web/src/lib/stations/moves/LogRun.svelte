<script lang="ts">
	import { v7 as newId } from 'uuid';
	import { ask } from '$lib/keeping/ask';
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import TextArea from '$lib/sheet/fields/TextArea.svelte';
	import { refresh } from '$lib/shell/refresh';
	import { runSeen, type RunSeen } from './model';
	import { sharedMove } from './moveBench.svelte';
	import { seenWords, seconds } from './words';

	/** What ran, and what was seen, for the logbook. */
	interface Props {
		open: boolean;
	}
	let { open = $bindable() }: Props = $props();
	const bench = sharedMove();
	let seen = $state<RunSeen>('asPlanned');
	let note = $state('');
	let trouble = $state('');
	let busy = $state(false);
	let logged = $state('');
	let id = newId();

	async function log() {
		busy = true;
		trouble = '';
		const saved = await bench.document.save();
		if (!saved) {
			trouble = 'The move itself is not saved yet: what runs is logged as it is saved.';
			busy = false;
			return;
		}
		const outcome = await ask('POST', `/api/moves/${bench.id}/runs`, {
			id,
			version: bench.document.version,
			note,
			seen
		});
		busy = false;
		if (!outcome.ok) {
			trouble = outcome.error.message;
			return;
		}
		id = newId();
		note = '';
		logged = 'It is in the logbook.';
		open = false;
		await refresh('poise:shelf');
	}
	const lasts = $derived(bench.figures === null ? '' : seconds(bench.figures.lastsS));
	const nearest = $derived(bench.clear?.findings[0] ?? null);
</script>

{#if logged !== ''}<p class="logged" role="status"><a href="/logbook">{logged}</a></p>{/if}
{#if open}
	<section class="run" aria-label="Log a run">
		<h2>What ran</h2>
		<dl>
			<div>
				<dt>Expected</dt>
				<dd>{lasts}{nearest === null ? '' : `, nearest to ${nearest.label}`}</dd>
			</div>
			<div>
				<dt>Seen</dt>
				<dd>
					<Choice bind:value={seen} aria-label="What was seen" data-testid="run-seen">
						{#each runSeen as each (each)}<option value={each}>{seenWords[each]}</option>{/each}
					</Choice>
				</dd>
			</div>
			<div>
				<dt>Reckoned now</dt>
				<dd>
					{seen === 'asPlanned' || seen === 'lostSubject' || seen === 'late'
						? 'As drawn.'
						: 'The plan is wrong somewhere: measure it there, and ask for more room until then.'}
				</dd>
			</div>
		</dl>
		<label
			>Note
			<TextArea bind:value={note} rows={3} maxlength={2000} data-testid="run-note" /></label
		>
		{#if trouble !== ''}<p class="problem" role="alert">{trouble}</p>{/if}
		<div class="actions">
			<Button class="go" onclick={log} disabled={busy} data-testid="run-log">Log it</Button>
			<Button class="second" onclick={() => (open = false)}>Not now</Button>
		</div>
	</section>
{/if}

<style>
	.run {
		border-top: 2px solid var(--rule);
		padding: 8px 0;
		min-width: 0;
		display: grid;
		grid-template-columns: minmax(0, 1fr);
		gap: 8px;
	}
	.run :global(select),
	.run :global(textarea) {
		width: 100%;
		min-width: 0;
	}
	h2 {
		font-size: 16px;
	}
	dl div {
		display: grid;
		grid-template-columns: 116px minmax(0, 1fr);
		align-items: center;
		min-height: 40px;
	}
	dt {
		color: var(--quiet);
	}
	label {
		display: grid;
		gap: 4px;
	}
	.actions {
		display: flex;
		gap: 10px;
		margin-top: 12px;
	}
	.actions > :global(button) {
		min-height: 48px;
		padding: 0 18px;
		border-radius: 6px;
		font-weight: 700;
	}
	.actions > :global(.go) {
		background: var(--press);
		color: var(--press-ink);
	}
	.problem {
		color: var(--clay);
	}
	.logged {
		padding: 6px 18px;
		background: var(--press-wash);
	}
</style>
