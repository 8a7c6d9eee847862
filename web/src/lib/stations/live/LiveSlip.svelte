<script lang="ts">
	/* eslint-disable max-lines -- the one answer of the desk, and what can be done about it. */
	import type { HeadSeen } from '@poise/desk/messages';
	import Button from '$lib/sheet/fields/Button.svelte';
	import Range from '$lib/sheet/fields/Range.svelte';
	import TextInput from '$lib/sheet/fields/TextInput.svelte';
	import Tick from '$lib/sheet/fields/Tick.svelte';
	import Slip from '$lib/sheet/slip/Slip.svelte';
	import { deskWire } from '$lib/shell/deskWire.svelte';
	import HoldPad from './HoldPad.svelte';
	import PoseStill from './PoseStill.svelte';
	import MovesForHead from './MovesForHead.svelte';
	import { sharedLive } from './liveBench.svelte';
	import { coastOf } from './reach';
	import RoomSaid from './RoomSaid.svelte';
	import { axisWords, called, placeWords, seconds, standsAt, troubleOf } from './words';

	const bench = sharedLive();
	const head = $derived(bench.head);
	const kept = $derived(bench.kept);
	const Called = (of: HeadSeen) => called(of).replace(/^head/, 'Head');
	const task = $derived(head?.task ?? null);
	const standing = $derived(head === null ? null : standsAt(head, bench.data));
	const me = $derived(bench.data.person.name);
	const running = $derived(task !== null && task.phase === 'runs');
	const clock = $derived(new Date(deskWire.heads.length >= 0 ? Date.now() : 0).toTimeString().slice(0, 8));
	let poseName = $state('');
	let poseProblem = $state('');
	async function mark(end: 'in' | 'out') {
		poseProblem = (await bench.markEnd(end)) ?? '';
	}
	async function keep(given: Readonly<Record<string, number>> | null = null) {
		const name = poseName.trim() === '' ? `pose ${bench.offered.length + 1}` : poseName.trim();
		poseProblem = (await bench.keepPose(name, given)) ?? '';
		if (poseProblem === '') poseName = '';
	}
	const left = $derived(task === null || task.durationS === null ? null : Math.max(0, task.durationS - task.atS));
	function turnBack() {
		bench.backwards = !bench.backwards;
		bench.sayPace();
	}
	/** How far its axes go on alone, at the worst. */
	const goesOn = $derived.by(() => {
		if (head === null || Object.keys(head.axes).length === 0) return '';
		const { travel } = coastOf(head);
		return Object.entries(travel)
			.filter(([axis]) => head.axes[axis]?.ring === false)
			.map(([axis, far]) => `${placeWords(axis, far, bench.data.person.units)} ${axisWords(axis)}`)
			.join(', ');
	});
	const claimable = $derived(deskWire.heads.some(({ link }) => link === 'free'));
</script>

<Slip heading={head === null ? 'The desk' : `${head.number ?? ''} ${head.name} · ${clock}`}>
	{#snippet answer()}
		<span data-testid="live-answer">
			{#if deskWire.stoppedBy !== null}<strong>Everything is stopped</strong> by {deskWire.stoppedBy}
			{:else if !deskWire.linked}{deskWire.heard ? 'The link to the desk is lost' : 'Looking for the desk …'}
			{:else if deskWire.heads.length === 0}Switch on a head
			{:else if bench.data.heads.length === 0}<strong>Claim</strong> the first head
			{:else if head === null}Choose a head
			{:else if head.link === 'away'}{Called(head)} is <strong>away</strong>
			{:else if head.link !== 'here'}Claim {called(head)} anew
			{:else if !bench.mine}{Called(head)} is driven by <strong>{head.driver?.name ?? 'nobody'}</strong>
			{:else if bench.homing !== null}Hold to find the ends of the <strong>{bench.homing}</strong> ring
			{:else if task?.watchedFor != null}{Called(head)} loops <strong>{task.name}</strong>
			{:else if running}{Called(head)} to <strong>{task?.legs[task.leg]}</strong>
			{:else if task?.phase === 'stopped'}Hold to go on to <strong>{task.legs[task.leg]}</strong>
			{:else if bench.target !== null && !(bench.target.sent && task?.phase === 'done')}
				{bench.target.loops
					? head.watched
						? 'Start'
						: `Hold to loop ${called(head)}:`
					: bench.target.legs.length > 1
						? `Hold to run ${called(head)} through`
						: `Hold to move ${called(head)} to`}
				<strong>{bench.target.name}</strong>
			{:else if bench.armed && standing !== null}{Called(head)} stands at <strong>{standing}</strong>
			{:else}Hold and steer <strong>{called(head)}</strong>{/if}
		</span>
	{/snippet}
	{#if deskWire.stoppedBy !== null}
		<p class="detail">
			Every head rests and none arms. Look at what made somebody stop it, then clear it by your name.
		</p>
		<Button class="go" onclick={() => deskWire.say({ type: 'clear' })} data-testid="clear">Clear it as {me}</Button>
	{:else if !deskWire.linked}
		{#if deskWire.stopOwed}
			<p class="warning" role="alert" data-testid="stop-owed">
				Your stop has not reached the desk: stop what moves at the head itself. It is sent as soon as the link is back.
			</p>
		{/if}
		<p class="detail">Heads rest by themselves whenever nobody holds them. This page links again by itself.</p>
	{:else if bench.data.heads.length === 0 || deskWire.heads.length === 0}
		<p class="detail">
			A head announces itself on the network once it has power. Claim one at a time: switch on only this one, it shows
			seven digits, you type them.
		</p>
		<a class="go" href="/live/claim" data-testid="to-claim">Claim a head</a>
	{:else if head === null}
		<p class="detail">Press its circle on the plan, or its strip below it.</p>
	{:else if head.link === 'away'}
		<p class="detail">It has not been heard. It rests by itself; look at its power and its cable.</p>
	{:else if head.link !== 'here'}
		<a class="go" href="/live/claim">Claim it</a>
	{:else if !bench.mine}
		<p class="detail" data-testid="driver">
			{head.askedBy?.page === deskWire.page
				? 'You have asked. It passes to you as soon as nobody holds it.'
				: 'One drives at a time.'}
		</p>
		<Button class="go" onclick={() => deskWire.take(head.id)} data-testid="ask-for-it"
			>{head.driver === null ? 'Take it' : 'Ask for it'}</Button
		>
	{:else}
		{#if head.askedBy !== null}
			<div class="asked" role="alert">
				<p><strong>{head.askedBy.name}</strong> asks for {called(head)}.</p>
				<Button class="second" onclick={() => bench.choose(null)} data-testid="give">Give it</Button>
				<Button class="second" onclick={() => deskWire.say({ type: 'keep', head: head.id })}>Keep it</Button>
			</div>
		{/if}
		<p class="detail" data-testid="live-why">
			{#if running}{left === null ? '' : `${seconds(left)} to go. `}Let go and it stops on its way.
			{:else if bench.way !== null && bench.target !== null && !bench.target.sent}
				{seconds(bench.way.durationS)}{bench.way.beyond === null ? '' : ', as far as its soft end lets it'}, as computed
				from its speeds.
			{:else if troubleOf(head.trouble) !== null}{troubleOf(head.trouble)}
			{:else}{head.watched ? 'It may also run while it is watched.' : 'It moves only while somebody holds.'}{/if}
		</p>
		<RoomSaid />
		{#if task?.watchedFor == null}<HoldPad />{/if}
		{#if bench.target?.loops === true && head.watched && task?.watchedFor == null}
			<Button
				class="go"
				disabled={bench.wayUnsure && !bench.sawItFree}
				onclick={() => bench.send(true)}
				data-testid="run-watched">Run it, watched by {me}</Button
			>
		{/if}
		{#if task !== null && task.phase !== 'done'}
			<div class="two">
				{#if task.watchedFor === null}
					<Button class="second" onclick={turnBack} aria-pressed={bench.backwards} data-testid="back-along"
						>{bench.backwards ? 'Forward again' : 'Back along the way'}</Button
					>
				{/if}
				<Button class="second" onclick={() => bench.drop()} data-testid="stick-takes"
					>{task.watchedFor === null ? 'Stick takes over' : 'End it'}</Button
				>
			</div>
			<label class="lever"
				>Speed lever
				<Range
					min={0.1}
					max={1}
					step={0.05}
					bind:value={bench.pace}
					oninput={() => bench.sayPace()}
					data-testid="pace"
				/><span>{Math.round(bench.pace * 100)} %</span></label
			>
			<label class="line"
				><Tick
					checked={bench.keeps}
					onchange={(event) => {
						bench.keeps = event.currentTarget.checked;
						deskWire.say({ type: 'keepAdded', head: head.id, keeps: bench.keeps });
					}}
				/> what the stick adds stays{task.added ? ' (some is added now)' : ''}</label
			>
		{/if}
		{#if bench.told !== ''}<p class="warning" role="status">{bench.told}</p>{/if}
		<h2>From here it can go to</h2>
		<ol class="shots" data-testid="shots">
			{#each bench.offered.slice(0, 9) as { pose, durationS, why, here }, index (pose.id)}
				<li>
					<Button
						class="shot"
						disabled={why !== null}
						aria-pressed={bench.target?.name === pose.name && !here}
						onclick={() => bench.aim(pose)}
						data-testid="shot"
					>
						<kbd>{index + 1}</kbd>
						<span class="name"
							>{pose.name}{#if here}<small class="there">stands there</small>{/if}</span
						>
						{#if kept !== null}<PoseStill
								settings={kept.settings}
								values={pose.values}
								at={bench.at}
								plan={bench.venue?.plan ?? null}
								name={pose.name}
							/>{/if}
						<span class="figure">{durationS === null || here ? '' : seconds(durationS)}</span>
					</Button>
					{#if why !== null}<small class="why">Not offered: {why}.</small>{/if}
				</li>
			{:else}
				<li class="quiet">No pose yet. Drive it to one and keep it.</li>
			{/each}
			<li>
				<Button class="shot" onclick={() => bench.home()} data-testid="home">
					<kbd aria-hidden="true">⌂</kbd><span class="name">home</span><span class="figure wide">pan, tilt 0</span>
				</Button>
			</li>
			{#if bench.lastPose !== null}
				<li>
					<Button
						class="shot"
						onclick={() => bench.lastPose !== null && bench.setTarget({ ...bench.lastPose, sent: false })}
						data-testid="last-pose"
					>
						<kbd aria-hidden="true">⌫</kbd><span class="name">back to {bench.lastPose.name}</span>
					</Button>
				</li>
			{/if}
			{#each kept?.settings.programmes ?? [] as programme (programme.id)}
				<li>
					<Button class="shot" onclick={() => bench.loop(programme)} data-testid="programme">
						<kbd aria-hidden="true">↻</kbd><span class="name">{programme.name}</span><span class="figure wide"
							>{programme.laps === null ? 'until ended' : `${programme.laps} laps`}</span
						>
					</Button>
				</li>
			{/each}
		</ol>
		<form
			class="keep"
			onsubmit={(event) => {
				event.preventDefault();
				void keep();
			}}
		>
			<label
				>As it stands now
				<TextInput
					bind:value={poseName}
					maxlength={120}
					placeholder="name of the pose"
					data-testid="pose-name"
				/></label
			>
			<Button class="second" type="submit" data-testid="keep-pose">Keep this pose</Button>
		</form>
		<div class="ends">
			{#if bench.target !== null && !bench.target.isPose && Object.keys(bench.target.values).length > 0 && bench.target.name !== 'home'}
				<Button class="second" onclick={() => keep(bench.target?.values ?? null)} data-testid="keep-place"
					>Keep that place</Button
				>
			{/if}
			<Button class="second" onclick={() => mark('in')} data-testid="mark-in">In point here</Button>
			<Button class="second" onclick={() => mark('out')} data-testid="mark-out">Out point here</Button>
		</div>
		{#if poseProblem !== ''}<p class="warning" role="alert">{poseProblem}</p>{/if}
		<MovesForHead />
		{#if goesOn !== ''}
			<p class="detail" data-testid="coast">
				Its link lost at full speed, it goes on by {goesOn} before it rests: keep that free.
			</p>
		{/if}
		<p class="caution">
			{kept?.settings.place.stands === 'arm'
				? 'An arm moves without warning: nobody under it, a spotter at it, the hand on the hold and the eyes on the arm.'
				: 'A head moves without warning: a marked zone, no hands or faces in it, eyes on it while you hold.'}
		</p>
	{/if}
	{#if claimable && bench.data.heads.length > 0}<a class="second" href="/live/claim">A head is free: claim it</a>{/if}
</Slip>
<div class="always">
	<Button class="stop-everything" onclick={() => deskWire.stopAll()} data-testid="stop-all"
		>Stop everything · Esc</Button
	>
</div>

<style>
	h2 {
		font-size: 15px;
	}
	.two {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 10px;
	}
	.two :global(.second[aria-pressed='true']) {
		background: var(--press-wash);
	}
	.asked {
		display: grid;
		grid-template-columns: 1fr auto auto;
		gap: 10px;
		align-items: center;
		border-left: 4px solid var(--clay);
		padding-left: 12px;
	}
	.lever {
		display: grid;
		grid-template-columns: auto 1fr 52px;
		gap: 12px;
		align-items: center;
		font-size: 15px;
	}
	.line {
		display: flex;
		gap: 8px;
		align-items: center;
		min-height: 44px;
		font-size: 15px;
	}
	.shots {
		display: grid;
	}
	.shots li {
		border-top: 1px solid var(--rule);
	}
	.shots :global(.shot) {
		display: grid;
		grid-template-columns: 34px 1fr auto 64px;
		gap: 10px;
		align-items: center;
		width: 100%;
		min-height: 48px;
		text-align: left;
		font-size: 17px;
	}
	.shots :global(.shot:hover),
	.shots :global(.shot[aria-pressed='true']) {
		background: var(--press-wash);
	}
	.shots :global(.shot:disabled) {
		color: var(--quiet);
	}
	kbd {
		display: grid;
		place-items: center;
		width: 28px;
		height: 28px;
		border: 1.5px solid var(--edge);
		border-radius: 6px;
		font-family: var(--font-mono);
		font-size: 15px;
	}
	.name {
		font-weight: 700;
	}
	.there {
		margin-left: 10px;
	}
	.name small {
		font-weight: 400;
		color: var(--quiet);
	}
	.figure {
		text-align: right;
		grid-column: 4;
	}
	.figure.wide {
		grid-column: 3 / -1;
	}
	.figure {
		font-family: var(--font-mono);
	}
	.why,
	.quiet {
		color: var(--quiet);
		font-size: 14px;
	}
	.keep {
		display: grid;
		grid-template-columns: 1fr auto;
		gap: 10px;
		align-items: end;
		font-size: 14px;
	}
	.keep :global(input) {
		width: 100%;
		min-height: 48px;
	}
	.lever span {
		font-variant-numeric: tabular-nums;
	}
	.ends {
		display: flex;
		flex-wrap: wrap;
		gap: 8px;
	}
	.ends :global(.second) {
		flex: 1;
		min-height: 44px;
		font-size: 15px;
	}
	.always {
		position: sticky;
		bottom: -28px;
		margin-top: 10px;
		padding: 10px 0 14px;
		background: var(--ground);
		z-index: 2;
	}
	@media (max-width: 900px) {
		.always {
			position: fixed;
			left: 0;
			right: 0;
			bottom: 0;
			padding: 8px 12px;
			border-top: 1px solid var(--rule);
		}
	}
	.always :global(.stop-everything) {
		width: 100%;
		min-height: 60px;
		border-radius: 6px;
		background: var(--clay);
		color: var(--ground);
		font-size: 20px;
		font-weight: 700;
		touch-action: manipulation;
	}
</style>
