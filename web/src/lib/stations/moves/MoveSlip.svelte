<script lang="ts">
	/* eslint-disable max-lines -- the one answer, and under it everything that it hangs on. */
	import Button from '$lib/sheet/fields/Button.svelte';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import Vial from '$lib/sheet/vial/Vial.svelte';
	import LogRun from './LogRun.svelte';
	import MoveAnswer from './MoveAnswer.svelte';
	import { movePath } from './address';
	import { keptInside, swings } from './inside';
	import { axisWords } from './axes';
	import { tooNear } from '$lib/places/clearance';
	import { roomBubble } from '$lib/places/roomBubble';
	import { showLength, together } from '$lib/sheet/units/display';
	import { flexWords } from '$lib/model/flex';
	import { unmeasuredM } from '$lib/model/lensAt';
	import { calmWidthsPerS, lensUnsureIn } from './figures';
	import { baseTurnThatFits } from './panTurn';
	import { legWords, madePossible, madePossibleByLegs } from './possible';
	import { sharedMove } from './moveBench.svelte';
	import { behaves } from './supports';
	import { walkRemark } from './walkThrough';
	import type { Axis, Move } from './model';
	import { pictureSign } from './supports/stance';
	import { hardEnds } from './tempo';
	import {
		bodyWords,
		degrees,
		far,
		limitWordsOf,
		percent,
		placeWords,
		rateWords,
		seconds,
		sizeWords,
		tempoWords
	} from './words';

	/** What the move comes to: how long, what binds, what it comes near, what next. */
	let logging = $state(false);
	const bench = sharedMove();
	const move = $derived(bench.move);
	const figures = $derived(bench.figures);
	const units = $derived(bench.units);
	const sign = $derived(pictureSign(bench.move.support));
	const over = $derived(figures !== null && figures.scale > 1.000001);
	const beyond = $derived(figures?.beyond[0] ?? null);
	const worst = $derived(bench.strikes[0] ?? null);
	const turned = (rad: number) => Math.atan2(Math.sin(rad), Math.cos(rad));
	const baseTurn = $derived.by(() => {
		const pan = beyond?.axis === 'panRad' ? figures?.run.extents.panRad : undefined;
		return pan === undefined ? null : baseTurnThatFits(move, pan);
	});
	const small = (m: number) => together(showLength(m, units));
	const flex = $derived(behaves(move.support).gives(move.support));
	/** Of the picture, where the lens may be beside where the axes cross. */
	const unsure = $derived(figures === null ? null : lensUnsureIn(move, figures));
	const standsOn = $derived(behaves(move.support).moving(move.support, bench.venue?.plan ?? null)?.on ?? []);
	const walk = $derived(
		figures === null || move.support.kind !== 'walk'
			? null
			: walkRemark(bench.venue?.plan ?? null, figures.sampled.atS, figures.poses)
	);
	let busy = $state(false);
	let told = $state('');
	const once = (next: Move) => {
		bench.set(next);
		bench.settle();
	};
	/** What a mending changed, said in the place where it was pressed. */
	function longer(next: Move) {
		const was = figures?.lastsS ?? 0;
		once(next);
		const { knots } = next;
		const lasts = knots[knots.length - 1]!.tS + knots[knots.length - 1]!.dwellS - knots[0]!.tS;
		const legs = move.knots.slice(1).flatMap((knot, k) => {
			const [before, after] = [knot.tS - move.knots[k]!.tS, knots[k + 1]!.tS - knots[k]!.tS];
			return after - before > 0.05 ? [`to ${knot.name} ${seconds(before)} → ${seconds(after)}`] : [];
		});
		told = `${seconds(was)} → ${seconds(lasts)}${legs.length === 0 ? '' : `, longer ${legs.join(', ')}`}. Undo takes it back.`;
	}
	function byLegs() {
		const mended = madePossibleByLegs(move);
		told = mended === null ? 'Its legs alone do not do it: make it longer overall.' : '';
		if (mended !== null) longer(mended);
	}
	function inside() {
		const found = keptInside(move);
		if (found === null) {
			told = 'No knot that was tried keeps it inside: move the knots further from that end, or give the leg more time.';
			return;
		}
		once(found.move);
		bench.choose(found.knotIds[0]!);
		const names = found.knotIds.map((id) => found.move.knots.find((knot) => knot.id === id)!.name);
		told = `${names.length === 1 ? 'One knot' : `${names.length} knots`} more, ${names.join(', ')}: between your knots the curve went past. Undo takes ${names.length === 1 ? 'it' : 'them'} back.`;
	}
	async function offer() {
		if (bench.trial === null) return;
		busy = true;
		told = '';
		const asked = move;
		const found = await bench.trial.via(asked, bench.venue?.plan ?? null);
		busy = false;
		if (bench.move !== asked) {
			told = 'The move was changed while a way was looked for: press again.';
			return;
		}
		if (found === null) {
			told = 'No knot that was tried keeps the room asked: move the base, or ask for less room.';
			return;
		}
		once(found.move);
		bench.choose(found.knotId);
		told = 'There is a knot more now. Look at it: it is the nearest of those tried that keep the room.';
	}
	/** What a hand sets: from where to where each axis goes. */
	const settings = $derived.by((): (readonly [string, string])[] => {
		if (figures === null) return [];
		const { values } = figures.sampled;
		const goes = (Object.keys(values) as Axis[]).flatMap((axis): (readonly [string, string])[] => {
			const list = values[axis]!;
			const [first, last] = [list[0]!, list[list.length - 1]!];
			const moves = Math.max(...list) - Math.min(...list) > (axisWords[axis].quantity === 'angle' ? 0.003 : 0.0015);
			if (!moves) return [];
			return [
				[axisWords[axis].words, `${placeWords(axis, first, units, sign)} to ${placeWords(axis, last, units, sign)}`]
			];
		});
		const heights = figures.poses.map(({ positionM }) => positionM[2]);
		const lens: (readonly [string, string])[] =
			move.support.kind === 'arm'
				? [['lens', `${far(heights[0]!, units)} to ${far(heights[heights.length - 1]!, units)} high`]]
				: [];
		return [['goes', tempoWords[move.tempo].toLowerCase()], ...lens, ...goes].slice(0, 8) as (readonly [
			string,
			string
		])[];
	});
	const motors = $derived(move.head.kind === 'motors' || move.head.kind === 'gimbal');
	const cautions = $derived([
		...(motors && move.support.kind !== 'walk'
			? [
					move.head.figures.hold === 'held'
						? `${move.head.gearName} moves only while somebody holds: the hand stays on the hold, the eyes on the arm.`
						: `${move.head.gearName} may run while somebody watches it, in a zone that is marked.`
				]
			: []),
		...behaves(move.support).cautions(move.support)
	]);
	const short = $derived(
		figures === null || figures.shortestS === null || !over
			? ''
			: seconds(Math.ceil(figures.shortestS * 10 - 1e-6) / 10)
	);
</script>

<Slip heading={bench.venue === null ? 'On an empty floor' : bench.venue.name}>
	{#snippet answer()}<span data-testid="move-answer"><MoveAnswer /></span>{/snippet}
	{#if figures !== null}
		<p class="why" data-testid="move-why">
			{#if figures.insideLensAtS !== null}
				At {seconds(figures.insideLensAtS)} it is nearer than the front of the lens. Move the subject or the camera away.
			{:else if beyond !== null}
				{placeWords(beyond.axis, beyond.value, units, sign)} at {seconds(beyond.atS)}; it goes from {placeWords(
					beyond.axis,
					beyond.range[0],
					units,
					sign
				)} to {placeWords(beyond.axis, beyond.range[1], units, sign)}.
				{#if beyond.axis === 'panRad' && motors && move.aim === 'subject'}
					{#if baseTurn === null}No turn of its base makes room: the way turns further than pan travels. Stand more
						squarely before the subject, or make it two moves.
					{:else}Turn the head’s base {degrees(Math.abs(baseTurn))} to the {baseTurn > 0 ? 'left' : 'right'}, as seen
						from above, and all of it is inside its travel.{/if}
				{/if}
			{:else if figures.binding !== null}
				Nearest its limit: {axisWords[figures.binding.axis].words}, {figures.binding.by === 'speed'
					? `${rateWords(figures.binding, units)} of ${limitWordsOf(figures.binding, units)}`
					: `${percent(figures.binding.share ?? 0)} of its acceleration`}, {legWords(
					move,
					figures.bindingAtS ?? 0
				)}.{!over && figures.shortestS !== null
					? ` It could be as short as ${seconds(Math.ceil(figures.shortestS * 10 - 1e-6) / 10)}.`
					: ''}
			{:else}Nothing that moves has a limit.{/if}
		</p>
		<Vial offset={bench.station.offset} size="large" label={bench.station.words} />
		{#if figures.runUp !== null}
			<p class="caution" data-testid="run-up">
				{tempoWords[move.tempo]}: {hardEnds(move).start ? 'it has its speed at once' : 'it ends at its full speed'}. To
				{hardEnds(move).start ? 'come to it' : 'stop'}, the {figures.runUp.axis === 'trackM'
					? 'carriage'
					: axisWords[figures.runUp.axis].words} needs {seconds(figures.runUp.lastsS)} and {sizeWords(
					figures.runUp.axis,
					figures.runUp.way,
					units
				)}: {hardEnds(move).start ? 'begin before the shot, and cut while it goes' : 'cut before'}.
			</p>
		{/if}
		<ul class="set" data-testid="set-list">
			{#each settings as [what, words] (what)}<li>{what} <strong>{words}</strong></li>{/each}
		</ul>
		{#if beyond !== null && swings(move, beyond.axis)}
			<Button class="go" onclick={inside} data-testid="offer-inside">A knot that keeps it inside</Button>
		{/if}
		{#if beyond?.axis === 'panRad' && baseTurn !== null && move.support.kind === 'fixed' && move.aim === 'subject'}
			{@const support = move.support}
			<Button
				class="go"
				onclick={() => once({ ...move, support: { ...support, headingRad: turned(support.headingRad + baseTurn) } })}
				data-testid="turn-base">Turn its base so</Button
			>
		{/if}
		{#if over}
			<div class="two">
				<Button class="go" onclick={() => longer(madePossible(move, figures))} data-testid="make-possible"
					>Make it {short}</Button
				>
				<Button class="second" onclick={byLegs} data-testid="make-legs">Only where it fails</Button>
			</div>
		{/if}
		{#if worst?.stands === true}
			<p class="caution" data-testid="stands-in">
				It is {bodyWords(worst.bodyId)} that stands there, all the time: move what carries the camera. No knot helps.
			</p>
		{:else if worst !== null && !over}
			<Button class="go" onclick={offer} disabled={busy} data-testid="offer-via"
				>{busy ? 'Looking for a way …' : 'A knot that keeps away from it'}</Button
			>
		{/if}
		{#if told !== ''}<p class="told" role="status" data-testid="slip-told">{told}</p>{/if}
		<h2>Room it keeps <small>against what is asked: left is tight</small></h2>
		{#if bench.waitsForVenue}
			<p class="quiet" role="status">The venue’s plan is not here yet: nothing is tried against it.</p>
		{:else if bench.question === null}
			<p class="quiet">A walk’s own way is for eye lines and timing: nobody’s steps can be promised.</p>
			{#if walk !== null}
				<p class="caution" data-testid="walk-remark">
					{walk.words}, {seconds(walk.atS)} into it: move a knot round it.
				</p>
			{/if}
		{:else if bench.trial?.problem}
			<p class="caution" role="alert">{bench.trial.problem}</p>
		{:else if bench.clear === null}
			<p class="quiet" data-testid="clear-state" data-state="pending">Trying it against the room …</p>
		{:else}
			<div data-testid="clear-state" data-state="tried">
				{#each bench.clear.findings.slice(0, 6) as finding (finding.id)}
					<div class="near" data-finding={finding.id}>
						<span class="what">{finding.label}</span>
						<Vial
							offset={roomBubble(finding.clearanceM, finding.wantedM)}
							label="{finding.label}: {finding.clearanceM <= 0 ? 'strikes' : far(finding.clearanceM, units)}"
						/>
						<Button class="at figure {tooNear(finding) ? 'bad' : ''}" onclick={() => bench.look(finding.atS)}
							>{finding.clearanceM <= 0 ? 'strikes' : far(finding.clearanceM, units)}</Button
						>
						{#if tooNear(finding)}<small
								>{bodyWords(finding.bodyId)}, at {seconds(finding.atS)}; {far(finding.wantedM, units)} asked</small
							>{/if}
					</div>
				{:else}
					<p class="quiet">
						{bench.venue === null
							? 'An empty floor: there is nothing to try it against.'
							: `Nothing on the plan comes within ${far(move.safetyM + 1.5, units)}.`}
					</p>
				{/each}
			</div>
			{#if bench.clear.overPeople.length > 0}
				<p class="caution" role="alert">
					{bench.clear.overPeople.join(', ')}: it passes over their places. Only with leave of the house, a second catch
					on everything, and a spotter.
				</p>
			{/if}
			<p class="quiet">
				{#if standsOn.length > 0}<span data-testid="stands-on">Reckoned to stand on {standsOn.join(', ')}.</span>{/if}
				Reckoned between the knots too, what carries it tried as well, on a level floor as the plan shows it, {far(
					move.safetyM,
					units
				)} asked{flex === null ? '' : ` and ${flexWords(flex, small)}`}.
				{#if bench.ranSo}<strong>{move.ranBackwards?.by} ran it backwards.</strong>
				{:else}<a href={movePath(bench.id, 'backwards')}>Run it backwards slowly</a> once, hand on the hold, before anybody
					stands there.{/if}
			</p>
		{/if}
		{#if unsure !== null}
			<p class="quiet" data-testid="lens-unsure">
				Nobody has measured where the lens is: it is taken to be where pan and tilt cross. {small(unmeasuredM)} off are
				{Math.round(unsure * 100)} % of the picture where the subject is nearest. Say it under <em>Camera</em>.
			</p>
		{/if}
		<p class="quiet" data-testid="picture-words">
			The picture goes {figures.peakPicture.widthsPerS.toFixed(2)} widths a second at its fastest{figures.peakPicture
				.widthsPerS > calmWidthsPerS
				? ': quicker than an eye follows at 24 frames, a width in 7 s'
				: ''}. Focus pulls {far(figures.pullMPerS, units)} a second at most{figures.lostAtS === null
				? ''
				: `; the subject is out of the picture from ${seconds(figures.lostAtS)}`}{figures.tooCloseAtS === null
				? ''
				: `; at ${seconds(figures.tooCloseAtS)} it is nearer than the lens focuses`}.
		</p>
	{/if}
	{#each cautions as words (words)}<p class="caution">{words}</p>{/each}
	{#if bench.document.linkLost}<p class="caution" role="status">
			No link to the server. Everything is kept here and sent when it is back.
		</p>{/if}
	{#if !logging}<Button class="second" onclick={() => (logging = true)} data-testid="log-run">Log a run</Button>{/if}
	<LogRun bind:open={logging} />
</Slip>

<style>
	.why {
		font-size: 17px;
	}
	.why::first-letter {
		text-transform: uppercase;
	}
	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 10px;
	}
	.two > :global(.second) {
		min-height: 58px;
	}
	h2 {
		font-size: 15px;
	}
	h2 small {
		font-weight: 400;
		color: var(--quiet);
	}
	.set {
		border-left: 4px solid var(--spirit);
		padding-left: 14px;
		font-size: 17px;
	}
	.set li::first-letter {
		text-transform: uppercase;
	}
	.near {
		display: grid;
		grid-template-columns: minmax(80px, 1fr) minmax(80px, 1.4fr) 84px;
		gap: 0 10px;
		align-items: center;
		font-size: 15px;
	}
	.near small {
		grid-column: 1 / -1;
		color: var(--clay);
		font-size: 13px;
	}
	.near > :global(.at) {
		min-height: 40px;
		text-align: right;
		font-weight: 700;
	}
	.near > :global(.bad) {
		color: var(--clay);
	}
	.quiet {
		font-size: 14px;
		color: var(--quiet);
	}
	.told {
		border-left: 4px solid var(--spirit);
		padding: 2px 12px;
		font-size: 15px;
	}
	.caution {
		border-left: 4px solid var(--clay);
		color: var(--clay);
		padding: 2px 12px;
		font-size: 15px;
	}
</style>
