<script lang="ts">
	import Button from '$lib/sheet/fields/Button.svelte';
	import Choice from '$lib/sheet/fields/Choice.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { UnitSystem } from '$lib/model/person';
	import { type PlanUnderlay, type VenuePlan } from '$lib/model/venue';
	import { showDistance, together } from '$lib/sheet/units/display';
	import { type Drawing, spanOf } from './drawnLines';
	import { sendPicture, shrunk } from './picture';
	import { freshUnderlay, withDrawing } from './plan';
	import { readDrawing } from './readDrawing';

	/** Plans that are there already: a drawing file put in as lines, a picture laid under. */
	interface Props {
		plan: VenuePlan;
		venueId: string;
		units: UnitSystem;
		onplan: (plan: VenuePlan, words: string) => void;
		onunderlay: (underlay: PlanUnderlay) => void;
	}
	let { plan, venueId, units, onplan, onunderlay }: Props = $props();

	const mostDrawingBytes = 10 * 1024 * 1024;
	let trouble = $state('');
	let busy = $state('');
	let read = $state.raw<{ readonly name: string; readonly drawing: Drawing } | null>(null);
	let unitM = $state(0.001);
	const units3: readonly (readonly [number, string])[] = [
		[0.001, 'millimetre'],
		[0.01, 'centimetre'],
		[1, 'metre'],
		[0.0254, 'inch'],
		[0.3048, 'foot'],
		[0.05, 'millimetre on paper at 1 : 50'],
		[0.1, 'millimetre on paper at 1 : 100']
	];
	const span = $derived.by(() => {
		const found = read === null ? null : spanOf(read.drawing.lines);
		return found === null ? null : ([found[1][0] - found[0][0], found[1][1] - found[0][1]] as const);
	});
	const leftOut = $derived(Object.entries(read?.drawing.leftOut ?? {}));

	async function chooseDrawing(input: HTMLInputElement) {
		const file = input.files?.[0];
		input.value = '';
		if (file === undefined) return;
		[trouble, read] = ['', null];
		if (file.size > mostDrawingBytes) {
			trouble = `“${file.name}” has ${(file.size / (1024 * 1024)).toFixed(0)} MB; up to 10 MB can be taken. Save only the room’s outline.`;
			return;
		}
		busy = 'Reading the drawing …';
		const text = await file.text();
		const result = await readDrawing(file.name, text);
		busy = '';
		if ('problem' in result) {
			trouble = result.problem;
			return;
		}
		read = { name: file.name, drawing: result };
		unitM = result.unitM ?? likelyUnitM(result);
	}
	/** The unit in which it comes out as something between a chapel and a stadium. */
	function likelyUnitM({ lines }: Drawing): number {
		const found = spanOf(lines);
		const far = found === null ? 1 : Math.max(found[1][0] - found[0][0], found[1][1] - found[0][1]);
		return [1, 0.01, 0.001].find((each) => far * each < 200) ?? 0.001;
	}
	function putIn() {
		if (read === null) return;
		const { plan: next, taken, tooMany } = withDrawing(plan, read.drawing.lines, unitM);
		const more = tooMany > 0 ? ` ${tooMany} shorter ones did not fit on it.` : '';
		onplan(next, `${taken} ${taken === 1 ? 'line' : 'lines'} of “${read.name}” are on the plan.${more}`);
		read = null;
	}
	async function choosePicture(input: HTMLInputElement) {
		const file = input.files?.[0];
		input.value = '';
		if (file === undefined) return;
		trouble = '';
		busy = 'Making the picture smaller …';
		const picture = await shrunk(file);
		if ('problem' in picture) {
			[trouble, busy] = [picture.problem, ''];
			return;
		}
		busy = 'Sending the picture …';
		const outcome = await sendPicture(venueId, picture.blob);
		busy = '';
		if (outcome.ok) onunderlay(freshUnderlay(outcome.value.id, picture.widthPx, picture.heightPx));
		else trouble = outcome.error.message;
	}
</script>

<div class="files">
	<label class="tool choose"
		>Drawing in (DXF, SVG)<TextInput
			class="sr-only"
			type="file"
			accept=".dxf,.svg"
			onchange={(event) => chooseDrawing(event.currentTarget)}
			data-testid="drawing-file"
		/></label
	>
	<label class="tool choose"
		>{plan.underlay === null ? 'Picture under it' : 'Another picture'}<TextInput
			class="sr-only"
			type="file"
			accept="image/png,image/jpeg,image/webp"
			onchange={(event) => choosePicture(event.currentTarget)}
			data-testid="picture-file"
		/></label
	>
</div>
{#if busy !== ''}<p class="hint" role="status">{busy}</p>{/if}
{#if trouble !== ''}<p class="caution" role="alert" data-testid="file-trouble">{trouble}</p>{/if}
{#if read !== null && span !== null}
	<div class="card" data-testid="drawing-read">
		<p>
			“{read.name}” holds {read.drawing.lines.length}
			{read.drawing.lines.length === 1 ? 'line' : 'lines'}.
			{#if leftOut.length > 0}<span class="quiet"
					>Left out: {leftOut.map(([kind, count]) => `${count} × ${kind.toLowerCase()}`).join(', ')}.</span
				>{/if}
		</p>
		<label class="stack"
			>One unit of the file is a
			<Choice
				value={unitM}
				onchange={(event) => (unitM = Number(event.currentTarget.value))}
				data-testid="drawing-unit"
			>
				{#each units3 as [value, words] (value)}<option {value}>{words}</option>{/each}
				{#if !units3.some(([value]) => value === unitM)}<option value={unitM}
						>{together(showDistance(unitM, units))}</option
					>{/if}
			</Choice></label
		>
		<QuantityField
			label="so that it is wide"
			value={span[0] * unitM}
			quantity="distance"
			{units}
			check={(value) => (value > 0.1 && value <= 500 ? null : 'Between 0.1 and 500 m.')}
			onvalue={(value) => (unitM = value / span[0])}
			disabled={span[0] <= 0}
			testId="drawing-width"
		/>
		<p class="big2" data-testid="drawing-size">
			{together(showDistance(span[0] * unitM, units))} × {together(showDistance(span[1] * unitM, units))}
		</p>
		<div class="actions">
			<Button class="go" onclick={putIn} disabled={Math.max(...span) * unitM > 500} data-testid="put-in"
				>Put it on the plan</Button
			>
			<Button class="tool" onclick={() => (read = null)}>Leave it</Button>
		</div>
		{#if Math.max(...span) * unitM > 500}<p class="problem">
				A plan is 500 m wide at most: choose a smaller unit.
			</p>{/if}
	</div>
{/if}

<style>
	.files {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	.choose {
		cursor: pointer;
	}
	.choose:focus-within {
		outline: 3px solid var(--press);
		outline-offset: 2px;
	}
	.card {
		margin-top: 10px;
		display: grid;
		gap: 8px;
	}
	.big2 {
		font-size: 22px;
		margin: 0;
	}
</style>
