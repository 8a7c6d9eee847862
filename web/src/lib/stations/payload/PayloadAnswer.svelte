<script lang="ts">
	/* eslint-disable max-lines -- one sheet: its figures, its one answer and its look are read together. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import { plateToleranceM } from '$lib/supports/states';
	import type { StationState } from '$lib/shell/stations';
	import type { Part } from '$lib/model/part';
	import type { UnitSystem } from '$lib/model/person';
	import ShelfPicker from '$lib/stations/payload/shelf/ShelfPicker.svelte';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { combineBodies, radiiOfGyration } from '@poise/core';
	import { bodyOf, payloadSigmaM } from '$lib/model/payload';
	import { showInertia, showLength, showMass, together } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import type { PayloadEditor } from './payloadEditor.svelte';
	import { cgInWords, offMiddle } from '../../sheet/words';

	interface Props {
		editor: PayloadEditor;
		shelf: readonly Part[];
		units: UnitSystem;
		/** What would carry it; null: nothing here. */
		support: { readonly name: string } | null;
		station: StationState;
		/** What the bench asked for: everything on the plate so far forward; 0: nothing. */
		askedForwardM: number;
		onbalance: () => void;
		onmoveall: () => void;
		onnew: () => void;
		ondelete: () => void;
		onvariant: () => void;
	}
	let {
		editor,
		shelf,
		units,
		support,
		station,
		askedForwardM,
		onbalance,
		onmoveall,
		onnew,
		ondelete,
		onvariant
	}: Props = $props();

	let confirmDelete = $state(false);
	const totals = $derived(editor.totals);
	const placed = $derived(editor.draft.placements);
	const parts = $derived(editor.parts);
	const unmeasured = $derived(
		parts.filter(({ part }) => part.shape.cgFromMiddleM === null && !['plate', 'weight', 'support'].includes(part.kind))
	);
	const sigmaM = $derived(parts.length === 0 ? null : payloadSigmaM(parts));
	/** How far zooming or focusing every lens from end to end carries the whole's centre. */
	const breathesM = $derived.by(() => {
		if (!parts.some(({ part }) => part.shape.extensionM > 0)) return 0;
		const [shut, out] = [0, 1].map(
			(extended) =>
				combineBodies({
					bodies: parts.map((each) => bodyOf({ ...each, attitude: { ...each.attitude, extended } }))
				}).cgM[0]
		);
		return (out ?? 0) - (shut ?? 0);
	});
	const radii = $derived(totals === null ? null : radiiOfGyration(totals));
	const names = ['roll', 'tilt', 'pan'] as const;
	const moments = $derived(
		totals === null ? [] : [totals.inertiaKgM2.xx, totals.inertiaKgM2.yy, totals.inertiaKgM2.zz]
	);
	const mass = $derived(showMass(totals?.massKg ?? 0, units));
</script>

<Slip heading="Payload">
	{#snippet answer()}
		{#if placed.length === 0}Put the <strong>camera</strong> on the plate{:else}<strong data-testid="mass"
				>{mass.figure} {mass.unit}</strong
			>, ready to balance{/if}
	{/snippet}
	{#if totals !== null && placed.length > 0}
		<p class="why" data-testid="cg">Centre of gravity {cgInWords(totals.cgM, units)}.</p>
		<div class="vials">
			<span>back</span>
			<Vial offset={-totals.cgM[0] / plateToleranceM} label="Fore and aft: {station.words}" />
			<span>forward</span>
			<span>right</span>
			<Vial
				offset={totals.cgM[1] / (plateToleranceM / 2)}
				label="Side to side: {offMiddle(totals.cgM[1], 'heavy to the left', 'heavy to the right', units) ??
					'over the middle'}"
			/>
			<span>left</span>
		</div>
		{#if sigmaM !== null}
			<p class="sure" class:doubt={unmeasured.length > 0} data-testid="sure">
				{#if editor.draft.correction}
					The whole was measured ({editor.draft.correction.from}), ± {together(showLength(Math.max(...sigmaM), units))}.
					<Button class="quietly" onclick={() => editor.correct(null)}>Forget that measurement</Button>
				{:else if unmeasured.length > 0}
					{unmeasured.length === 1 ? 'One part has' : `${unmeasured.length} parts have`} no measured centre ({unmeasured
						.slice(0, 3)
						.map(({ part }) => part.name)
						.join(', ')}{unmeasured.length > 3 ? ' …' : ''}): their middle is taken, which leaves
					<strong>± {together(showLength(sigmaM[0], units))}</strong> fore and aft at the plate.
				{:else}
					Every centre was measured: ± {together(showLength(sigmaM[0], units))} fore and aft at the plate.
				{/if}
			</p>
		{/if}
		{#if Math.abs(breathesM) >= 0.0005}
			<p class="sure" data-testid="breathes">
				From shut to fully extended the lens carries the centre <strong>{together(showLength(breathesM, units))}</strong
				>
				forward: balance it where it will be used.
			</p>
		{/if}
		{#if radii !== null}
			<dl class="inertia" aria-label="Inertia about the centre of gravity">
				{#each names as name, axis (name)}
					<div>
						<dt>About {name}</dt>
						<dd class="figure">{showInertia(moments[axis] ?? 0, units)}</dd>
						<dd class="quiet">as if all of it were {together(showLength(radii[axis] ?? 0, units))} from that line</dd>
					</div>
				{/each}
			</dl>
		{/if}
		{#if askedForwardM !== 0}
			<div class="asked">
				<span>The bench asks to move everything on the plate.</span>
				<Button onclick={onmoveall} data-testid="move-all">
					Move it {offMiddle(askedForwardM, 'forward', 'back', units)}
				</Button>
			</div>
		{/if}
		{#if support === null}
			<p class="sure">No gimbal of this crew carries {mass.figure} {mass.unit}.</p>
			<a class="go" href="/balance?choose" data-testid="choose-support-here">Choose what carries it</a>
		{:else}
			<Button class="go" onclick={onbalance} data-testid="balance">
				Balance it
				<small>{support.name}</small>
			</Button>
			<a class="other" href="/balance?choose">On another gimbal, a sled or a crane</a>
		{/if}
	{/if}
	<ShelfPicker {shelf} {units} onadd={(part) => editor.add(part)} {onnew} />
	<div class="foot">
		<a href="/payload">All payloads</a>
		<Button class="start" onclick={onvariant} data-testid="variant">Make a variant</Button>
		{#if confirmDelete}
			<span>Delete “{editor.draft.name}”? The logbook keeps its copies.</span>
			<Button class="danger" onclick={ondelete}>Delete it</Button>
			<Button onclick={() => (confirmDelete = false)}>Keep it</Button>
		{:else}
			<Button onclick={() => (confirmDelete = true)}>Delete payload</Button>
		{/if}
	</div>
</Slip>

<style>
	.why {
		font-size: 17px;
		color: var(--quiet);
		margin-top: -6px;
	}
	.vials {
		display: grid;
		grid-template-columns: auto 1fr auto;
		gap: 6px 10px;
		align-items: center;
		font-size: 13px;
		color: var(--quiet);
	}
	.other {
		min-height: 44px;
		display: inline-flex;
		align-items: center;
		font-size: 15px;
	}
	.asked {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 8px 14px;
		background: var(--press-wash);
		border-left: 4px solid var(--press);
		padding: 8px 12px;
	}
	.asked span {
		flex: 1;
		min-width: 160px;
	}
	.asked :global(button) {
		min-height: 44px;
		padding: 0 16px;
		border-radius: 6px;
		background: var(--press);
		color: var(--press-ink);
		font-weight: 700;
	}
	:global(.slip .go small) {
		display: block;
		font-size: 14px;
		font-weight: 400;
	}
	.foot {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 6px 18px;
		font-size: 14px;
	}
	.foot a,
	.foot :global(button) {
		min-height: 44px;
		display: inline-flex;
		align-items: center;
		color: var(--press);
		text-decoration: underline;
	}
	.foot :global(.danger) {
		color: var(--clay);
		font-weight: 700;
	}
	.foot :global(button) {
		margin-left: auto;
	}
	.foot :global(.start) {
		margin-left: 0;
	}
	.sure {
		font-size: 14px;
		color: var(--quiet);
	}
	.doubt {
		border-left: 4px solid var(--spirit);
		padding-left: 12px;
		color: var(--ink);
	}
	.sure > :global(.quietly) {
		text-decoration: underline;
		color: var(--press);
		min-height: 30px;
	}
	.inertia {
		display: flex;
		border: 1px solid var(--rule);
	}
	.inertia div {
		flex: 1;
		padding: 4px 10px;
	}
	.inertia div + div {
		border-left: 1px solid var(--rule);
	}
	.inertia dt,
	.inertia .quiet {
		font-size: 12.5px;
	}
	.inertia .figure {
		font-size: 15px;
		font-weight: 700;
		white-space: nowrap;
	}
	.foot span {
		flex: 1;
	}
</style>
