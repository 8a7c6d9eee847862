<script lang="ts">
	/* eslint-disable max-lines -- one form on one document, with its drawing. */
	import { allowed } from '$lib/sheet/units/allowed';
	import { limits } from '$lib/model/limits';
	import Button from '$lib/sheet/fields/Button.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import { pageKeys } from '$lib/sheet/keys';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { Person } from '$lib/model/person';
	import {
		type PlanKind,
		planKinds,
		type PlanPoint,
		type Venue,
		type VenueDraft,
		type VenuePlan
	} from '$lib/model/venue';
	import { editGear, venueGear } from '$lib/keeping/editGear';
	import GearFrame from '$lib/shell/GearFrame.svelte';
	import {
		inTheMiddle,
		kindWords,
		leastPoints,
		levelledBy,
		movedBy,
		onPlan,
		scaledBy,
		withoutPoint,
		withoutShape,
		withPoint,
		withShape,
		wrongWithShape
	} from './plan';
	import PlanFiles from './PlanFiles.svelte';
	import PlanSheet from './PlanSheet.svelte';
	import ShapeDetails from './ShapeDetails.svelte';

	interface Props {
		data: {
			readonly venue: Venue;
			readonly person: Person;
			readonly uses: { readonly moves: readonly string[]; readonly heads: readonly string[] };
		};
	}
	let { data }: Props = $props();
	// The page mounts a new editor for another venue.
	// svelte-ignore state_referenced_locally
	const { id } = data.venue;
	// svelte-ignore state_referenced_locally
	const kept = editGear<VenueDraft>(venueGear, data.venue);
	const units = $derived(data.person.units);
	const plan = $derived(kept.value.plan);
	let selectedId = $state<string | null>(null);
	const selected = $derived(plan.shapes.find((each) => each.id === selectedId) ?? null);
	const wrong = $derived(plan.shapes.map(wrongWithShape).find((each) => each !== null) ?? null);
	let tool = $state<PlanKind | 'measure' | null>(null);
	let tapped = $state.raw<readonly PlanPoint[]>([]);
	let apartM = $state(5);
	let told = $state('');
	let width = $state(0);
	let sheet = $state<PlanSheet>();

	const set = (next: VenuePlan, about: string | null = null) => kept.set({ ...kept.value, plan: next }, about);
	/** What stands on its plan, and would stand on an empty floor without it. */
	const losesIt = $derived([
		...data.uses.moves.map((name) => `the move “${name}”`),
		...data.uses.heads.map((name) => `the head “${name}”`)
	]);
	const settle = () => kept.settle();
	function start(next: PlanKind | 'measure') {
		[tool, tapped, told] = [tool === next ? null : next, [], ''];
		selectedId = null;
	}
	function tap(point: PlanPoint) {
		tapped = [...tapped, point];
		if (tool === 'measure') tapped = tapped.slice(-2);
	}
	function finish() {
		if (tool === null || tool === 'measure') return;
		// Nothing tapped: one in the middle, for the keyboard.
		const points = tapped.length === 0 ? inTheMiddle(plan, tool) : tapped;
		if (points.length < leastPoints(tool)) {
			told = `${kindWords[tool]}: tap ${leastPoints(tool)} points at least.`;
			return;
		}
		const added = withShape(plan, tool, points);
		set(added.plan);
		settle();
		selectedId = added.id;
		[tool, tapped, told] = [null, [], ''];
	}
	const drawing = (does: () => void) => () => (tool === null ? false : does());
	const drop = () => ([tool, tapped, told] = [null, [], '']);
	const keys = pageKeys({
		outsideFields: {
			Escape: drawing(() => void drop()),
			Backspace: drawing(() => void (tapped = tapped.slice(0, -1)))
		},
		outsideControls: { Enter: drawing(finish) }
	});
	function scale(how: typeof levelledBy | ((...given: Parameters<typeof levelledBy>) => ReturnType<typeof scaledBy>)) {
		const [first, second] = tapped;
		if (plan.underlay === null || first === undefined || second === undefined) return;
		const underlay = how(plan.underlay, [first, second]);
		if (underlay === null) {
			told = 'The two points are the same: tap two that are further apart.';
			return;
		}
		set({ ...plan, underlay });
		settle();
		[tool, tapped, told] = [null, [], ''];
		sheet?.showAll();
	}
</script>

<svelte:window onkeydown={keys} />

<GearFrame place={venueGear} {id} document={kept} links={[]} {wrong} goesToo="its plan and pictures" {losesIt}>
	<p class="lead">
		What stands, hangs and sits there, to scale. A crane’s reach is tried against it, so draw what an arm could meet.
		<a class="tool" href="/moves?all&venue={id}" data-testid="move-here">A move here</a>
	</p>
	<div class="two">
		<div>
			<div class="tools" role="toolbar" aria-label="Draw">
				{#each planKinds as kind (kind)}
					<Button class="tool" aria-pressed={tool === kind} onclick={() => start(kind)} data-testid="draw-{kind}"
						>{kindWords[kind]}</Button
					>
				{/each}
				{#if tool !== null && tool !== 'measure'}
					<Button class="go done" onclick={finish} data-testid="draw-done"
						>{tapped.length === 0 ? 'One in the middle' : 'Done'}</Button
					>
				{/if}
			</div>
			{#if told !== ''}<p class="problem" role="alert">{told}</p>{/if}
			<div class="drawn" bind:clientWidth={width}>
				{#if width > 0}
					<PlanSheet
						bind:this={sheet}
						{plan}
						venueId={id}
						{units}
						{width}
						height={Math.round(Math.min(560, Math.max(320, width * 0.72)))}
						{selectedId}
						{tool}
						{tapped}
						onselect={(next) => (selectedId = next)}
						ontap={tap}
						onfinish={finish}
						onpoint={(shape, index, point) => set(withPoint(plan, shape, index, point), `point ${shape.id} ${index}`)}
						onmove={(shape, by) => set(movedBy(plan, shape, by), `move ${shape.id}`)}
						ondroppoint={(shape, index) => set(withoutPoint(plan, shape, index))}
						onsettle={settle}
					/>
				{/if}
			</div>
		</div>
		<div class="aside">
			{#if tool === 'measure' && plan.underlay !== null}
				<h2>The picture’s scale</h2>
				<p>Two points: {tapped.length} of 2 tapped. A door, a stage front or a row of tiles does well.</p>
				<QuantityField
					label="they are apart"
					value={apartM}
					quantity="distance"
					{units}
					check={(value) => (value > 0.05 && value <= 500 ? null : 'Between 0.05 and 500 m.')}
					onvalue={(value) => (apartM = value)}
					testId="apart"
				/>
				<div class="actions">
					<Button
						class="go"
						disabled={tapped.length < 2}
						onclick={() => scale((underlay, points) => scaledBy(underlay, points, apartM))}
						data-testid="set-scale">Set the scale</Button
					>
					<Button class="second" disabled={tapped.length < 2} onclick={() => scale(levelledBy)}
						>Lay their line level</Button
					>
					<Button class="tool" onclick={() => start('measure')}>Leave it</Button>
				</div>
			{:else if selected !== null}
				<ShapeDetails
					{plan}
					shape={selected}
					{units}
					onchange={set}
					onsettle={settle}
					ondrop={() => {
						set(withoutShape(plan, selected.id));
						selectedId = null;
					}}
				/>
			{:else}
				<h2>On the plan</h2>
				{#if plan.shapes.length === 0}
					<p class="hint">
						Press “Wall” and tap along the walls, or put in a drawing or a picture that you have already.
					</p>
				{/if}
				<ul class="list">
					{#each plan.shapes as shape (shape.id)}
						<li>
							<Button class="pick" onclick={() => (selectedId = shape.id)} data-testid="pick-{shape.id}"
								><strong>{shape.label}</strong> <span class="quiet">{kindWords[shape.kind].toLowerCase()}</span></Button
							>
						</li>
					{/each}
				</ul>
				<label class="line"
					><Tick
						checked={plan.ceilingM !== null}
						onchange={(event) => set({ ...plan, ceilingM: event.currentTarget.checked ? 6 : null })}
						data-testid="has-ceiling"
					/> a ceiling</label
				>
				{#if plan.ceilingM !== null}
					<QuantityField
						label="above the floor"
						value={plan.ceilingM}
						quantity="distance"
						{units}
						check={allowed(limits.ceiling, 'distance')}
						onvalue={(ceilingM) => set({ ...plan, ceilingM }, 'ceiling')}
						oncommit={settle}
						testId="ceiling"
					/>
				{/if}
				<h2>Plans you have</h2>
				<PlanFiles
					{plan}
					venueId={id}
					{units}
					onplan={(next, words) => {
						set(next);
						settle();
						told = words;
						sheet?.showAll();
					}}
					onunderlay={(underlay) => {
						set({ ...plan, underlay });
						settle();
						sheet?.showAll();
						start('measure');
					}}
				/>
				{#if plan.underlay !== null}
					{@const underlay = plan.underlay}
					<div class="row">
						{#each ['the picture’s corner across', 'and up the sheet'] as words, k (words)}
							<QuantityField
								label={words}
								value={underlay.atM[k as 0 | 1]}
								quantity="distance"
								{units}
								check={onPlan}
								onvalue={(value) =>
									set(
										{
											...plan,
											underlay: { ...underlay, atM: k === 0 ? [value, underlay.atM[1]] : [underlay.atM[0], value] }
										},
										`corner ${k}`
									)}
								oncommit={settle}
								testId="corner-{k}"
							/>
						{/each}
					</div>
					<div class="actions">
						<Button class="second" onclick={() => start('measure')} data-testid="measure"
							>Scale the picture by two points</Button
						>
						<Button class="tool" onclick={() => set({ ...plan, underlay: null })}>Take the picture off</Button>
					</div>
				{/if}
			{/if}
		</div>
	</div>
</GearFrame>

<style>
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1.75fr) minmax(0, 1fr);
		gap: 10px 26px;
		align-items: start;
	}
	.tools {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
		margin-bottom: 8px;
		min-height: 48px;
	}
	.tools > :global(.done) {
		min-height: 44px !important;
		width: auto !important;
	}
	.drawn {
		border: 1px solid var(--rule);
	}
	.aside h2 {
		margin-top: 6px;
	}
	.row :global(.field) {
		width: 104px;
	}
	.list {
		max-height: 260px;
		overflow-y: auto;
	}
	li > :global(.pick) {
		min-height: 44px;
		width: 100%;
		text-align: left;
		border-bottom: 1px solid var(--rule);
	}
	li > :global(.pick:hover) {
		color: var(--press);
	}
	.line {
		display: flex;
		gap: 8px;
		align-items: center;
		min-height: 44px;
	}
	@media (max-width: 900px) {
		.two {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>
