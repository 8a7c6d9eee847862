<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import '$lib/shell/bench.css';
	import { beforeNavigate, goto, invalidate } from '$app/navigation';
	import { page } from '$app/state';
	import { ask } from '$lib/keeping/ask';
	import { benchPath } from '$lib/supports/address';
	import Edits from '$lib/shell/Edits.svelte';
	import { putOnBench } from '$lib/supports/onBench';
	import { editingKeys, pageKeys } from '$lib/sheet/keys';
	import { showStation } from '$lib/shell/live.svelte';
	import { payloadStation } from '$lib/supports/states';
	import type { Part } from '$lib/model/part';
	import { PayloadEditor } from '$lib/stations/payload/payloadEditor.svelte';
	import PayloadAnswer from '$lib/stations/payload/PayloadAnswer.svelte';
	import PayloadDrawing from '$lib/stations/payload/PayloadDrawing.svelte';
	import PartTools from '$lib/stations/payload/PartTools.svelte';
	import PayloadRows from '$lib/stations/payload/PayloadRows.svelte';
	import { payloadSheets } from '$lib/stations/payload/sheets';
	import SheetLinks from '$lib/shell/SheetLinks.svelte';
	import { snappedToHoles, type PayloadDraft } from '$lib/model/payload';
	import type { Vec3 } from '@poise/core';
	import SaveState from '$lib/stations/payload/SaveState.svelte';
	import PartForm from '$lib/stations/payload/shelf/PartForm.svelte';
	import { forget } from '$lib/keeping/kept';
	import type { Payload } from '$lib/model/payload';
	import { onMount } from 'svelte';

	let { data } = $props();
	// Replaced, in the effect below, when the address names another payload.
	// svelte-ignore state_referenced_locally
	let editor = $state.raw(new PayloadEditor(data.payload, data.shelf));
	let newPart = $state(false);
	let width = $state(770);
	let height = $state(440);

	$effect(() => {
		if (editor.id === data.payload.id) return;
		editor.stop();
		editor = new PayloadEditor(data.payload, data.shelf);
		editor.restore();
		newPart = false;
	});
	$effect(() => editor.setShelf(data.shelf));
	onMount(() => {
		editor.restore();
		return () => editor.stop();
	});
	$effect(() => void putOnBench(data.person, { payloadId: data.payload.id }));

	const units = $derived(data.person.units);
	const totals = $derived(editor.totals);
	const placed = $derived(editor.parts.filter(({ id }) => id !== 'plate'));
	const plates = $derived(data.shelf.filter(({ kind }) => kind === 'plate'));
	const selected = $derived(placed.find(({ id }) => id === editor.selectedId));
	const plate = $derived(plates.find(({ id }) => id === editor.draft.platePartId));
	const holes = $derived(Boolean(plate?.shape.holePitchM));
	let snap = $state(true);
	/** A part that stands on a plate with holes is dragged from hole to hole; a typed figure stands as typed. */
	const snapped = (positionM: Vec3, about: string): Vec3 =>
		snap && about.startsWith('drag') && Math.abs(positionM[2]) < 0.002
			? snappedToHoles([positionM[0], positionM[1], 0], plate)
			: positionM;
	const station = $derived(payloadStation(placed.length, totals));
	$effect(() => showStation('payload', station));

	/** The support at hand when it carries this much; else the first that does, kind by kind and the lightest first. */
	const support = $derived.by(() => {
		const kg = totals?.massKg ?? 0;
		const carries = data.supports.filter(
			({ leastPayloadKg, greatestPayloadKg }) => kg >= leastPayloadKg && kg <= greatestPayloadKg
		);
		return carries.find(({ id }) => id === data.person.supportId) ?? carries[0] ?? null;
	});

	/** What the bench asked for when it sent the person here: everything on the plate so far forward; 0: nothing. */
	const askedForwardM = $derived.by(() => {
		const asked = Number(page.url.searchParams.get('forward') ?? 0);
		return Number.isFinite(asked) && Math.abs(asked) < 1 ? asked : 0;
	});
	async function moveAsAsked() {
		editor.moveAll(askedForwardM);
		await goto(page.url.pathname, { replaceState: true, noScroll: true, keepFocus: true });
	}

	/** Nothing leaves this page unsaved while the server answers; without it, the copy kept here waits. */
	beforeNavigate(() => void editor.save());

	async function balance() {
		if (support === null) return;
		await editor.save();
		await goto(benchPath({ kind: support.kind, supportId: support.id, payloadId: editor.id }));
	}

	async function addNew(part: Part) {
		newPart = false;
		editor.putOnShelf(part);
		if (part.kind === 'plate') editor.choosePlate(part.id);
		else editor.add(part);
		await invalidate('poise:shelf');
	}

	/** The same build under another name, as a variant: another lens, without the monitor. */
	async function makeVariant() {
		if (!(await editor.save())) return;
		const { draft } = editor;
		const taken = new Set(data.names.map(({ name }) => name));
		const base = `${draft.name}, variant`;
		const name = [base, ...[2, 3, 4, 5, 6, 7, 8, 9].map((count) => `${base} ${count}`)].find(
			(each) => !taken.has(each)
		);
		const outcome = await ask<Payload>('POST', '/api/payloads', { ...draft, name, variantOf: editor.id });
		if (!outcome.ok) {
			editor.refuse(outcome.error.message);
			return;
		}
		await goto(`/payload/${outcome.value.id}`, { invalidateAll: true });
	}

	async function remove() {
		editor.stop();
		const outcome = await ask('DELETE', `/api/payloads/${editor.id}`);
		if (!outcome.ok) {
			editor.refuse(outcome.error.message);
			return;
		}
		forget(`payload.${editor.id}`);
		await goto('/payload', { invalidateAll: true });
	}

	/** Side view: right is forward, up is up. */
	const nudges: Readonly<Record<string, readonly [axis: 0 | 2, way: 1 | -1]>> = {
		ArrowRight: [0, 1],
		ArrowLeft: [0, -1],
		ArrowUp: [2, 1],
		ArrowDown: [2, -1]
	};
	/** The part that is chosen in the list moves by a millimetre; with Shift by ten. A handle that has the focus moves itself. */
	function nudge(event: KeyboardEvent): boolean {
		const to = nudges[event.key];
		if (to === undefined || selected === undefined || event.defaultPrevented) return false;
		const [axis, way] = to;
		const by = way * (event.shiftKey ? 0.01 : 0.001);
		const positionM = selected.positionM.map((old, k) => (k === axis ? old + by : old)) as unknown as Vec3;
		editor.move(selected.id, positionM, `nudge ${selected.id} ${axis}`);
		return true;
	}

	const editing = editingKeys(() => editor);
	const keys = pageKeys({
		anywhere: editing.anywhere,
		outsideFields: {
			...editing.outsideFields,
			...Object.fromEntries(Object.keys(nudges).map((key) => [`[Shift]+${key}`, nudge])),
			Delete: () => (editor.selectedId === null ? false : editor.remove(editor.selectedId)),
			Escape: () => (editor.selectedId === null ? false : void (editor.selectedId = null)),
			Enter: () => (document.activeElement === document.body ? void balance() : false)
		}
	});
</script>

<svelte:head><title>{editor.draft.name || 'Payload'} · Poise</title></svelte:head>
<svelte:window onkeydown={keys} />

<div class="bench">
	<section class="work" aria-label="Payload">
		<div class="title">
			<label class="sr-only" for="payload-name">Name of the payload</label>
			<TextInput
				id="payload-name"
				class="name"
				value={editor.draft.name}
				maxlength={120}
				autocomplete="off"
				aria-invalid={editor.draft.name.trim() === '' || editor.fields.name !== undefined}
				aria-describedby="payload-name-problem"
				oninput={(event) => editor.rename(event.currentTarget.value)}
				onblur={() => editor.settle()}
			/>
			<label class="plate"
				>on
				<Choice value={editor.draft.platePartId} onchange={(event) => editor.choosePlate(event.currentTarget.value)}>
					{#each plates as plate (plate.id)}<option value={plate.id}>{plate.name}</option>{/each}
				</Choice>
			</label>
			{#if holes}
				<label class="snap"><Tick bind:checked={snap} data-testid="snap" /> snap to its holes</label>
			{/if}
			<SaveState {editor} />
			<span class="problem" id="payload-name-problem" role="alert">
				{editor.draft.name.trim() === ''
					? 'Give the payload a name; it is kept here until it has one.'
					: (editor.fields.name ?? (editor.state === 'refused' ? editor.message : ''))}
			</span>
		</div>
		<SheetLinks
			label="Sheets of this payload"
			heading={editor.draft.name || 'Payload'}
			links={payloadSheets(editor.id, data.checksLeft)}
		/>
		{#if editor.state === 'stale'}
			<div class="stale" role="alert">
				<div class="differ">
					<strong>Somebody else has saved this payload since you opened it.</strong>
					Yours has {editor.draft.placements.length} parts{editor.theirs === null
						? ''
						: `, theirs ${editor.theirs.placements.length}`}. Yours is kept here until you choose.
					<ul>
						{#each editor.theirDifferences as line (line)}<li>{line}</li>{/each}
					</ul>
					{#if editor.together !== null && editor.together.clashes.length > 0}
						<p>Both changed {editor.together.clashes.join(', ')}: putting together keeps yours there.</p>
					{/if}
				</div>
				<Button onclick={() => editor.putTogether()} data-testid="put-together">Put both together</Button>
				<Button onclick={() => editor.takeTheirs()}>Show theirs</Button>
				<Button onclick={() => editor.keepMine()}>Save mine over it</Button>
			</div>
		{/if}
		<div class="drawing" bind:clientWidth={width} bind:clientHeight={height}>
			<PayloadDrawing
				parts={editor.parts}
				{totals}
				{units}
				{width}
				{height}
				selectedId={editor.selectedId}
				onselect={(id) => (editor.selectedId = id)}
				onmove={(id, positionM, about) => editor.move(id, snapped(positionM, about), about)}
				onsettle={() => editor.settle()}
			/>
		</div>
		<div class="rows">
			{#if newPart}
				<PartForm
					part={null}
					{units}
					action="Add to the shelf and the plate"
					ondone={addNew}
					oncancel={() => (newPart = false)}
				/>
			{:else if placed.length > 0}
				{#if selected}<PartTools {editor} standing={selected} {units} />{/if}
				<PayloadRows
					parts={placed}
					{units}
					selectedId={editor.selectedId}
					onselect={(id) => (editor.selectedId = id)}
					onmove={(id, positionM, about) => editor.move(id, positionM, about)}
					onremove={(id) => editor.remove(id)}
					onsettle={() => editor.settle()}
				/>
			{:else}
				<p class="empty">
					Nothing on the plate yet. Pick the camera from the shelf; the lens then goes in front of it by itself.
				</p>
			{/if}
		</div>
	</section>

	<div class="answer-column">
		<PayloadAnswer
			{editor}
			{units}
			{support}
			{station}
			{askedForwardM}
			shelf={data.shelf}
			onbalance={balance}
			onmoveall={moveAsAsked}
			onnew={() => (newPart = true)}
			ondelete={remove}
			onvariant={makeVariant}
		/>
		<Edits document="payload/{editor.id}" onback={(draft) => editor.bringBack(draft as PayloadDraft)} />
	</div>
</div>

<style>
	.title > :global(.name) {
		flex: 1;
		min-width: 200px;
		font-size: 20px;
		font-weight: 700;
		border-color: transparent !important;
		background-color: transparent !important;
	}
	.title > :global(.name:hover),
	.title > :global(.name:focus) {
		border-color: var(--edge) !important;
		background-color: var(--panel) !important;
	}
	.title > :global(.name[aria-invalid='true']) {
		border-color: var(--clay) !important;
	}
	.plate {
		display: flex;
		align-items: center;
		gap: 6px;
		font-size: 14px;
		color: var(--quiet);
	}
	.snap {
		display: inline-flex;
		align-items: center;
		gap: 6px;
		min-height: 44px;
		font-size: 14px;
		color: var(--quiet);
	}
	.plate :global(select) {
		font-size: 14px;
		border-color: transparent;
		background-color: transparent;
		padding-right: 34px;
		color: var(--ink);
	}
	.plate :global(select:hover) {
		border-color: var(--edge);
	}
	.problem {
		flex-basis: 100%;
		color: var(--clay);
		font-size: 13px;
	}
	.stale {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 8px 12px;
		background: var(--clay-wash);
		padding: 10px 26px;
	}
	.differ ul {
		list-style: disc;
		padding-left: 20px;
		font-size: 14px;
	}
	.differ {
		flex: 1;
		min-width: 260px;
		font-size: 15px;
	}
	.stale :global(button) {
		min-height: 44px;
		border: 1.5px solid var(--clay);
		border-radius: 6px;
		padding: 0 14px;
		font-weight: 700;
	}
	.rows {
		min-height: 120px;
	}
	.empty {
		padding: 26px;
		max-width: 52ch;
	}
	@media (max-width: 900px) {
		.drawing {
			min-height: 420px;
		}
	}
</style>
