<script lang="ts">
	/* eslint-disable max-lines -- one sheet: the modes, the way to one of them and its words are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import TextArea from '$lib/sheet/fields/TextArea.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { allowed } from '$lib/sheet/units/allowed';
	import Edits from '$lib/shell/Edits.svelte';
	import type { Person } from '$lib/model/person';
	import { turningAxes } from '$lib/model/turning';
	import AxisDoing from './AxisDoing.svelte';
	import { sharedFeel } from './feelBench.svelte';
	import { freshSheet } from './fresh';
	import { feelLimits, most } from './limits';
	import { type AxisDoes, axisDoings, type Mode, type ModeKind, modeKinds, type ModeSheet } from './model';
	import { doesWords, modeKindWords, modePatterns, reachWords, wayWords, whyNoMode } from './modes';
	import { startSchools } from './which';

	interface Props {
		person: Person;
	}
	let { person }: Props = $props();
	const bench = sharedFeel();
	const sheet = $derived(bench.sheet);
	const { modes } = $derived(sheet);
	let chosenId = $state<string | null>(null);
	const chosen = $derived(modes.find(({ id }) => id === chosenId) ?? null);
	let wantedId = $state<string | null>(null);
	const wanted = $derived(modes.find(({ id }) => id === wantedId) ?? null);
	/** A kind that the gimbal has no motor for, said at its field and not taken. */
	let kindProblem = $state<string | null>(null);

	const change = (id: string, next: Partial<Mode>, about: string | null = null) =>
		bench.changeSheet({ modes: modes.map((mode) => (mode.id === id ? { ...mode, ...next } : mode)) }, about);
	function takeKind(mode: Mode, kind: ModeKind) {
		kindProblem = whyNoMode(kind, bench.motors);
		if (kindProblem !== null) return;
		const { name, does, goodFor } = modeKindWords[kind];
		const wasUsual = mode.name === modeKindWords[mode.kind].name;
		change(mode.id, { kind, does, goodFor, ...(wasUsual ? { name } : {}) });
	}
	function add() {
		let number = modes.length + 1;
		while (modes.some(({ id }) => id === `mode${number}`)) number += 1;
		const { does, goodFor } = modeKindWords.holds;
		const mode: Mode = {
			id: `mode${number}`,
			kind: 'holds',
			name: 'New mode',
			does,
			goodFor,
			control: 'the mode button',
			presses: 1,
			held: false,
			fromId: null,
			stick: 'pan and tilt',
			wheel: ''
		};
		bench.changeSheet({ modes: [...modes, mode] });
		chosenId = mode.id;
	}
	function drop(id: string) {
		bench.changeSheet({
			modes: modes
				.filter((mode) => mode.id !== id)
				.map((mode) => (mode.fromId === id ? { ...mode, fromId: null } : mode)),
			startsId: sheet.startsId === id ? null : sheet.startsId
		});
		chosenId = null;
	}
	function pattern(key: string) {
		const fresh = freshSheet(bench.motors, key);
		const { modes: made, startsId, resets, byHand, calibration } = fresh;
		bench.changeSheet({ pattern: key, modes: made, startsId, resets, byHand, calibration });
		chosenId = wantedId = null;
	}
	const startName = $derived(modes.find(({ id }) => id === sheet.startsId)?.name ?? 'nobody has said');
	const notes: readonly (readonly [key: 'resets' | 'byHand' | 'calibration', label: string])[] = [
		['byHand', 'How an angle is set by hand'],
		['resets', 'What resets it'],
		['calibration', 'Its quick calibration']
	];
	const spins = $derived(wanted !== null && Object.values(wanted.does).includes('spins'));
</script>

<h1 class="sr-only">Modes of {bench.data.support.name}</h1>
<div class="bench modes">
	<section class="work" aria-label="The modes of this gimbal">
		<div class="head screen">
			<label
				>Start from
				<Choice
					value={sheet.pattern}
					onchange={(event) => pattern(event.currentTarget.value)}
					data-testid="mode-pattern"
				>
					{#each modePatterns as { key, words } (key)}<option value={key}>{words}</option>{/each}
					{#if !modePatterns.some(({ key }) => key === sheet.pattern)}<option value={sheet.pattern}
							>{sheet.pattern}</option
						>{/if}
				</Choice></label
			>
			<Button class="chip" onclick={() => window.print()} data-testid="print-modes">Print the card</Button>
		</div>
		{#if bench.data.modesBefore.length > 0}
			<p class="before screen">Written on the gimbal before: {bench.data.modesBefore.join('; ')}.</p>
		{/if}
		<h2 class="card-title">{bench.data.support.name}</h2>
		<table>
			<thead>
				<tr
					><th scope="col">Mode</th>{#each turningAxes as axis (axis)}<th scope="col">{axis}</th>{/each}<th scope="col"
						>How to get there</th
					></tr
				>
			</thead>
			<tbody>
				{#each modes as mode (mode.id)}
					<tr class:in-it={mode.id === bench.state.modeId} class:chosen={mode.id === chosenId} data-mode={mode.kind}>
						<th scope="row">
							<Button
								class="name"
								aria-expanded={mode.id === chosenId}
								onclick={() => (chosenId = chosenId === mode.id ? null : mode.id)}>{mode.name}</Button
							>
							<small>{mode.goodFor}</small>
						</th>
						{#each turningAxes as axis (axis)}
							<td class="doing">
								{#if bench.motors.includes(axis)}<AxisDoing does={mode.does[axis]} />{:else}<small>by hand</small>{/if}
							</td>
						{/each}
						<td>
							{reachWords(mode)}{#if mode.fromId !== null}<small
									>from {modes.find(({ id }) => id === mode.fromId)?.name ?? '?'}</small
								>{/if}
							<small
								>{mode.stick === '' ? '' : `Stick: ${mode.stick}. `}{mode.wheel === ''
									? ''
									: `Wheel: ${mode.wheel}.`}</small
							>
						</td>
					</tr>
					{#if chosen !== null && chosen.id === mode.id}
						<tr class="editing screen"
							><td colspan="5">
								<div class="fields" data-testid="mode-fields">
									<label
										>Its name
										<TextInput
											value={chosen.name}
											maxlength={60}
											aria-invalid={chosen.name.trim() === ''}
											oninput={(event) => change(chosen.id, { name: event.currentTarget.value }, 'mode name')}
											onblur={bench.settle}
										/></label
									>
									<label
										>Kind
										<Choice
											value={chosen.kind}
											onchange={(event) => takeKind(chosen, event.currentTarget.value as ModeKind)}
											data-testid="mode-kind"
										>
											{#each modeKinds as kind (kind)}<option value={kind}>{modeKindWords[kind].name}</option>{/each}
										</Choice>
										{#if kindProblem !== null}<span class="problem" role="alert">{kindProblem}</span>{/if}
									</label>
									<label
										>Reached with
										<TextInput
											value={chosen.control}
											maxlength={80}
											aria-invalid={chosen.control.trim() === ''}
											oninput={(event) => change(chosen.id, { control: event.currentTarget.value }, 'mode control')}
											onblur={bench.settle}
										/></label
									>
									<QuantityField
										label="Presses (0: chosen)"
										quantity="count"
										units="metric"
										value={chosen.presses}
										check={(value) =>
											Number.isInteger(value) ? allowed(feelLimits.presses, 'count')(value) : 'Whole presses only.'}
										onvalue={(presses) => change(chosen.id, { presses }, 'presses')}
										oncommit={bench.settle}
									/>
									<label class="tick"
										><Tick
											checked={chosen.held}
											onchange={(event) => change(chosen.id, { held: event.currentTarget.checked })}
										/> The last press is held</label
									>
									<label
										>From which mode
										<Choice
											value={chosen.fromId ?? ''}
											onchange={(event) =>
												change(chosen.id, {
													fromId: event.currentTarget.value === '' ? null : event.currentTarget.value
												})}
										>
											<option value="">from any</option>
											{#each modes.filter(({ id }) => id !== chosen.id) as other (other.id)}<option value={other.id}
													>{other.name}</option
												>{/each}
										</Choice></label
									>
									{#each turningAxes.filter((axis) => bench.motors.includes(axis)) as axis (axis)}
										<label
											>{axis.charAt(0).toUpperCase()}{axis.slice(1)}
											<Choice
												value={chosen.does[axis]}
												onchange={(event) =>
													change(chosen.id, {
														does: { ...chosen.does, [axis]: event.currentTarget.value as AxisDoes }
													})}
											>
												{#each axisDoings as doing (doing)}<option value={doing}>{doesWords[doing]}</option>{/each}
											</Choice></label
										>
									{/each}
									{#each [['goodFor', 'Good for', 300], ['stick', 'The thumb stick', 120], ['wheel', 'The wheel', 120]] as const as [key, label, longest] (key)}
										<label
											>{label}
											<TextInput
												value={chosen[key]}
												maxlength={longest}
												oninput={(event) => change(chosen.id, { [key]: event.currentTarget.value }, `mode ${key}`)}
												onblur={bench.settle}
											/></label
										>
									{/each}
									<Button class="chip" onclick={() => drop(chosen.id)}>Take “{chosen.name}” off the sheet</Button>
								</div>
							</td></tr
						>
					{/if}
				{/each}
			</tbody>
		</table>
		<div class="screen row">
			<Button class="chip" onclick={add} disabled={modes.length >= most.modes} data-testid="add-mode"
				>Another mode</Button
			>
		</div>
		<dl>
			<div>
				<dt>It wakes up in</dt>
				<dd>{startName}</dd>
			</div>
			{#each notes as [key, label] (key)}
				<div>
					<dt>{label}</dt>
					<dd>
						<TextArea
							rows={1}
							value={sheet[key]}
							maxlength={300}
							aria-label={label}
							oninput={(event) =>
								bench.changeSheet(
									{ [key]: event.currentTarget.value.replaceAll('\n', ' ') } as Partial<ModeSheet>,
									`note ${key}`
								)}
							onblur={bench.settle}
						></TextArea>
					</dd>
				</div>
			{/each}
		</dl>
		<div class="screen">
			<Edits
				document="feel/sheet/{bench.data.support.id}"
				onback={(content) => {
					bench.settle();
					bench.changeSheet(content as ModeSheet);
				}}
			/>
		</div>
	</section>
	<section class="answer-column screen" aria-label="The way to a mode">
		<Slip heading="How do I get to …?">
			{#snippet answer()}
				{#if wanted === null}Which mode do you want?{:else}<span data-testid="way"
						>{wayWords(modes, bench.mode, wanted)}</span
					>{/if}
			{/snippet}
			<p class="detail">
				It is in <strong>{bench.mode?.name ?? 'a mode nobody has named'}</strong> now{bench.mode?.held === true
					? `, as long as ${bench.mode.control} is held`
					: ''}.
			</p>
			<div class="chips" role="group" aria-label="The mode you want">
				{#each modes as mode (mode.id)}
					<Button
						class="chip"
						aria-pressed={mode.id === wantedId}
						onclick={() => (wantedId = mode.id)}
						data-want={mode.kind}>{mode.name}</Button
					>
				{:else}
					<p>No modes yet: start from a pattern, or add one.</p>
				{/each}
			</div>
			{#if spins}
				<p class="caution">
					Keep fingers, cables and strap clear before it spins, and stop it with the button, never by hand.
				</p>
			{/if}
			{#if wanted !== null && wanted.id !== bench.state.modeId}
				<Button
					class="go"
					onclick={() => {
						bench.change({ modeId: wanted.id });
						wantedId = null;
					}}
					data-testid="in-mode">It is in {wanted.name.toLowerCase()} now</Button
				>
			{/if}
			<label class="stack"
				>It wakes up in
				<Choice
					value={sheet.startsId ?? ''}
					onchange={(event) =>
						bench.changeSheet({ startsId: event.currentTarget.value === '' ? null : event.currentTarget.value })}
					data-testid="starts"
				>
					<option value="">nobody has said</option>
					{#each modes as mode (mode.id)}<option value={mode.id}>{mode.name}</option>{/each}
				</Choice></label
			>
			<div class="schools">
				<strong>Crews differ on how a gimbal should wake up</strong>
				{#each startSchools as { kind, why }, index (kind)}
					<p>{modeKindWords[kind].name}{index === 0 ? ', the default' : ''}: {why}</p>
				{/each}
			</div>
			<p class="caution">
				Power on only with the camera on and balanced; {person.name}, keep fingers clear of the arms.
			</p>
		</Slip>
	</section>
</div>

<style>
	.work {
		overflow-y: auto;
		scrollbar-width: thin;
		padding: 10px 18px 16px 26px;
		gap: 10px;
	}
	.head {
		display: flex;
		flex-wrap: wrap;
		gap: 8px 14px;
		align-items: end;
	}
	label {
		display: grid;
		gap: 3px;
		font-size: 14px;
	}
	label :global(select),
	label :global(input[type='text']) {
		min-height: 44px;
		font-size: 16px;
	}
	.before {
		font-size: 14px;
		color: var(--quiet);
	}
	.card-title {
		display: none;
	}
	table {
		border-collapse: collapse;
		width: 100%;
		font-size: 15px;
	}
	th,
	td {
		text-align: left;
		vertical-align: top;
		padding: 6px 8px 6px 0;
		border-top: 1px solid var(--rule);
	}
	thead th {
		border-top: 0;
		font-size: 13px;
		font-weight: 400;
		color: var(--quiet);
	}
	tbody th {
		width: 36%;
	}
	.in-it > th {
		border-left: 4px solid var(--spirit);
		padding-left: 10px;
	}
	th > :global(.name) {
		min-height: 36px;
		text-align: left;
		font-size: 17px;
		font-weight: 700;
		color: var(--press);
	}
	small {
		display: block;
		font-size: 13px;
		font-weight: 400;
		color: var(--quiet);
	}
	.doing {
		width: 76px;
	}
	.fields {
		display: grid;
		grid-template-columns: repeat(auto-fill, minmax(180px, 1fr));
		gap: 10px 14px;
		align-items: end;
		background: var(--panel);
		border: 1px solid var(--rule);
		padding: 12px;
	}
	.tick {
		display: flex;
		align-items: center;
		gap: 8px;
		min-height: 44px;
	}
	.problem {
		color: var(--clay);
		font-size: 13px;
	}
	dl {
		display: grid;
		gap: 4px;
	}
	dl div {
		display: grid;
		grid-template-columns: 190px 1fr;
		align-items: center;
	}
	dt {
		font-size: 14px;
		color: var(--quiet);
	}
	dd :global(textarea) {
		field-sizing: content;
		resize: none;
		width: 100%;
		background: transparent;
		border-color: transparent;
		font-size: 16px;
	}
	dd :global(textarea:hover),
	dd :global(textarea:focus) {
		border-color: var(--edge);
		background: var(--panel);
	}
	.schools {
		border-left: 4px solid var(--spirit);
		padding-left: 12px;
		font-size: 14px;
	}
	@media (max-width: 700px) {
		.work {
			padding: 10px 14px;
		}
		thead {
			display: none;
		}
		tbody tr {
			display: flex;
			flex-wrap: wrap;
			border-top: 1px solid var(--rule);
			padding: 6px 0;
		}
		tbody th,
		tbody td {
			border: 0;
			padding: 2px 10px 2px 0;
		}
		tbody th,
		tbody td:last-child {
			width: 100%;
		}
		dl div {
			grid-template-columns: 1fr;
		}
	}
	@media print {
		.screen {
			display: none !important;
		}
		.bench {
			display: block;
			height: auto !important;
		}
		.work {
			border: 0;
			overflow: visible;
			padding: 0;
		}
		.card-title {
			display: block;
			font-size: 20px;
		}
	}
</style>
