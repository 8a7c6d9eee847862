<script lang="ts">
	import { roomBubble } from '$lib/places/roomBubble';
	import { allowed } from '$lib/sheet/units/allowed';
	import type { Limit } from '$lib/model/limits';
	import { craneLimits } from './limits';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import '$lib/shell/bench.css';
	import QuantityField from '$lib/sheet/fields/QuantityField.svelte';
	import type { CraneRoom } from './model';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { showDistance, showLength, together, unbroken } from '$lib/sheet/units/display';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import { sharedCraneBench } from './craneBench.svelte';
	import { aroundM, reachAround, type RoomFinding } from './reach';
	import ReachDrawing from './ReachDrawing.svelte';
	import { degreesSigned } from './slip';
	import { flexWords } from '$lib/model/flex';
	import { craneFlex } from './standing';

	const bench = sharedCraneBench();
	const units = $derived(bench.units);
	const geometry = $derived(bench.support.geometry);
	const room = $derived(bench.state.room);
	const reach = $derived(reachAround(geometry, bench.setting, bench.bodies, room));
	let width = $state(740);
	let height = $state(420);
	const change = (next: Partial<CraneRoom>, about: string) => bench.change({ room: { ...room, ...next } }, about);
	const metres = (value: number) => together(showDistance(value, units));
	const names: Readonly<Record<RoomFinding['what'], string>> = {
		floor: 'the floor',
		ceiling: 'the ceiling',
		wall: 'the wall',
		rows: 'the heads',
		line: 'the overhead line'
	};
	const flex = $derived(craneFlex(geometry, bench.setting));
	/** Something beside the floor that not every boom keeps from. */
	const crowded = $derived(reach.findings.some((each) => each.what !== 'floor' && each.clearM < each.wantedM));
	/** The lowest boom that keeps off the floor, where lower ones strike it; null: none does. */
	const floor = $derived(reach.findings.find(({ what }) => what === 'floor'));
	const strikesBelow = $derived(floor !== undefined && floor.clearM < 0 && floor.keep !== null ? floor.keep[0] : null);
	const clearLensLowM = $derived(
		Math.min(
			...reach.samples.filter(({ boomRad }) => boomRad >= (strikesBelow ?? -Infinity)).map(({ lensM }) => lensM[1])
		)
	);
	const fields: readonly {
		readonly field: 'ceilingM' | 'wallM' | 'rowsFromM' | 'lineM';
		readonly words: string;
		readonly first: number;
		readonly within: Limit;
	}[] = [
		{ field: 'ceilingM', words: 'a ceiling', first: 4, within: craneLimits.roomCeiling },
		{ field: 'wallM', words: 'a wall, from the pivot', first: 6, within: craneLimits.wall },
		{ field: 'rowsFromM', words: 'people, from the pivot on', first: 4, within: craneLimits.rows },
		{ field: 'lineM', words: 'an overhead line', first: 20, within: craneLimits.overheadLine }
	];
</script>

<div class="bench">
	<section class="work" aria-label="Reach">
		<div class="drawing" bind:clientWidth={width} bind:clientHeight={height}>
			<ReachDrawing
				{reach}
				{room}
				pivotHeightM={bench.setting.pivotHeightM}
				boomRad={bench.setting.boomRad}
				{width}
				{height}
				{metres}
			/>
		</div>
		<div class="rows fields">
			{#each fields as { field, words, first, within } (field)}
				<label class="line"
					><Tick
						checked={room[field] !== null}
						onchange={(event) => change({ [field]: event.currentTarget.checked ? first : null }, `room ${field}`)}
						data-testid="has-{field}"
					/>
					{words}</label
				>
				{#if room[field] !== null}
					<QuantityField
						hideLabel
						label={words}
						value={room[field]}
						quantity="distance"
						{units}
						check={allowed(within, 'distance')}
						onvalue={(value) => change({ [field]: value }, `room ${field}`)}
						oncommit={() => bench.document.settle()}
						testId="room-{field}"
					/>
				{/if}
			{/each}
			{#if room.rowsFromM !== null}
				<QuantityField
					label="as high as"
					value={room.headsM}
					quantity="distance"
					{units}
					check={allowed(craneLimits.heads, 'distance')}
					onvalue={(headsM) => change({ headsM }, 'heads')}
					oncommit={() => bench.document.settle()}
					testId="room-headsM"
				/>
			{/if}
		</div>
	</section>
	<div class="answer-column">
		<Slip heading="Reach · all the way round, over the whole boom">
			{#snippet answer()}
				{#if crowded && reach.keep !== null}Keep the boom <strong data-testid="reach-strong"
						>{unbroken(`${degreesSigned(reach.keep[0])} to ${degreesSigned(reach.keep[1])}`)}</strong
					>
				{:else if crowded}No boom is <strong data-testid="reach-strong">clear of it all</strong>
				{:else if strikesBelow !== null}Strikes <strong data-testid="reach-strong"
						>{unbroken(`the floor below ${degreesSigned(strikesBelow)}`)}</strong
					>{:else}Lens from <strong data-testid="reach-strong"
						>{unbroken(`${metres(reach.lensLowM)} to ${metres(reach.lensHighM)}`)}</strong
					>{/if}
			{/snippet}
			{#if strikesBelow !== null}<p>
					Kept above that, the lens goes from <strong>{metres(Math.max(0, clearLensLowM))}</strong> to
					<strong>{metres(reach.lensHighM)}</strong>. Set the lower stop of the boom there.
				</p>{/if}
			{#each reach.findings as finding (finding.what)}
				<div class="near" data-finding={finding.what}>
					<span>{names[finding.what]}</span>
					<Vial
						offset={roomBubble(finding.clearM, finding.wantedM)}
						label="{names[finding.what]}: {metres(finding.clearM)}"
					/>
					<span class="figure" class:bad={finding.clearM < 0}
						>{finding.clearM < 0 ? 'strikes' : metres(finding.clearM)}</span
					>
				</div>
			{/each}
			<p>
				Keep everybody <strong data-testid="keep-out">{metres(reach.keepOutM)}</strong> from the pivot on the nose’s
				side and {metres(reach.tailM + 0.5)} on the tail’s, all the way up: a cylinder that nobody enters while it moves.
			</p>
			<p class="caution">
				Nobody under an arm. Over people only with leave of the house, a second catch on the camera and a spotter.
			</p>
			{#if room.lineM !== null}<p class="caution">
					Ten metres from an overhead line unless its owner says otherwise in writing: a line need not be touched to
					kill.
				</p>{/if}
			<p class="quiet">
				Distances are of the arm, nose and camera as drawn, with {metres(aroundM)} of room wanted and {flexWords(
					flex,
					(m) => together(showLength(m, units))
				)}; level floor. Walk it slowly once, unloaded of people, before the show.
			</p>
			<p><a href="/balance/crane/{bench.support.id}/{bench.payloadId}">Back to the weights</a></p>
		</Slip>
	</div>
</div>

<style>
	.fields {
		display: flex;
		flex-wrap: wrap;
		gap: 4px 16px;
		padding: 8px 18px 12px 26px;
		align-items: center;
	}
	.fields :global(.field) {
		width: 120px;
		font-size: 13px;
	}
	.line {
		display: inline-flex;
		gap: 8px;
		align-items: center;
		min-height: 44px;
	}
	@media (max-width: 900px) {
		.drawing {
			min-height: 320px;
		}
	}
</style>
