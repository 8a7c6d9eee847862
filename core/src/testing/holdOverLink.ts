/*
 * A hand, its page, the desk between and a head, over links that delay, drop, reorder and hold back: everything that is between a
 * thumb and a motor, in simulated milliseconds. The page's sockets are streams: a lost segment holds back all behind it until it has
 * been sent again. The desk's datagrams are not.
 */
import { deskHead, deskHeadStep, type DeskAxis, deskTimes, type DeskHead } from '../live/deskHead';
import { handOff, type Hold, holdStep, socketsOfHold } from '../live/hold';
import { type HeadMotion, headStep, isStill, restingHead } from '../live/headMotion';
import { type LeaseEffect, type LeaseEvent, leaseTimes } from '../live/lease';
import { seededRandom } from '../numeric/random';

export interface LinkFault {
	readonly leastMs: number;
	readonly jitterMs: number;
	readonly lossPart: number;
	/** Lost in bursts of this many on average. */
	readonly burst: number;
	readonly duplicatePart: number;
}
export const goodLink: LinkFault = { leastMs: 5, jitterMs: 5, lossPart: 0, burst: 1, duplicatePart: 0 };

/** Slower than this a head stands, of its greatest speed. */
const standingShare = 1e-4;

interface Queued {
	readonly dueMs: number;
	readonly order: number;
	readonly run: () => void;
}

export interface HandAct {
	readonly atMs: number;
	/** `vanish`: the page is gone, no release is sent. */
	readonly act: 'press' | 'release' | 'vanish' | 'deskDies' | 'linkCut' | 'stopAll';
}
export interface HoldOutcome {
	readonly head: HeadMotion;
	readonly desk: DeskHead;
	/** When the head began to brake, and why. */
	readonly brakes: readonly { readonly atMs: number; readonly why: string }[];
	readonly arms: readonly number[];
	/** Greatest of any axis, of its own greatest speed, every millisecond. */
	readonly speeds: Float64Array;
	readonly beyond: number;
	/** Milliseconds in which an axis was faster than when its hold was let go, or got faster with no hold alive at all. */
	readonly unheldFaster: number;
}

const axes: Readonly<Record<string, DeskAxis>> = {
	panRad: { range: [-2.5, 2.5], maxRate: 1, maxAccel: 2 },
	tiltRad: { range: [-0.6, 0.9], maxRate: 0.8, maxAccel: 2 }
};

export function holdOverLink(input: {
	readonly seed: number;
	readonly lastsMs: number;
	readonly page: LinkFault;
	readonly link: LinkFault;
	readonly acts: readonly HandAct[];
	/** What the driver wants: a stick, or a way to a pose. */
	readonly wants: 'stick' | 'pose';
	/** Of the page's clock, parts of itself. */
	readonly drift?: number;
}): HoldOutcome {
	const random = seededRandom(input.seed);
	let head: HeadMotion = restingHead({
		axes: {
			panRad: { position: 0, rate: 0, ...axes.panRad!, lagS: 0.04 },
			tiltRad: { position: 0, rate: 0, ...axes.tiltRad!, lagS: 0.04 }
		},
		rings: [],
		watched: false
	});
	let desk = deskHead(axes);
	let hold: Hold = handOff('h');
	let [nowMs, order, epochs, down, pageAlive, deskAlive, cut] = [0, 0, 0, false, true, true, false];
	let queue: Queued[] = [];
	const brakes: { atMs: number; why: string }[] = [];
	const arms: number[] = [];
	const pageMs = () => 1e6 + nowMs * (1 + (input.drift ?? 0));
	const later = (dueMs: number, run: () => void) => void queue.push({ dueMs, order: (order += 1), run });

	let lossLeft = 0;
	const lost = ({ lossPart, burst }: LinkFault) => {
		if (lossLeft > 0) {
			lossLeft -= 1;
			return true;
		}
		if (lossPart === 0 || random() >= lossPart / burst) return false;
		lossLeft = burst <= 1 ? 0 : Math.floor(-Math.log(1 - random()) * (burst - 1));
		return true;
	};
	const delay = ({ leastMs, jitterMs }: LinkFault) => leastMs + jitterMs * random() ** 2;
	const datagram = (fault: LinkFault, run: () => void) => {
		if (cut || lost(fault)) return;
		later(nowMs + delay(fault), run);
		if (random() < fault.duplicatePart) later(nowMs + delay(fault) + 30 * random(), run);
	};
	// One stream a socket: in order, and whatever is lost comes after its retransmission.
	const freeAtMs = Array.from({ length: 2 * socketsOfHold }, () => 0);
	const segment = (stream: number, fault: LinkFault, run: () => void) => {
		let arrivesMs = nowMs + delay(fault);
		for (let again = 0; again < 6 && random() < fault.lossPart; again += 1) arrivesMs += 200 * 2 ** again;
		freeAtMs[stream] = Math.max(freeAtMs[stream]!, arrivesMs);
		later(freeAtMs[stream]!, run);
	};

	let newestGrant: LeaseEvent | null = null;
	const answer = (effect: Extract<LeaseEffect, { kind: 'offer' | 'refuse' }>) =>
		datagram(input.link, () => {
			if (!deskAlive) return;
			segment(socketsOfHold, input.page, () => {
				const { press } = effect;
				fromHold(
					holdStep(
						hold,
						effect.kind === 'offer'
							? { kind: 'offer', atMs: pageMs(), press, epoch: effect.epoch }
							: { kind: 'refused', atMs: pageMs(), press, why: effect.why }
					)
				);
			});
		});
	const atHead = (event: Parameters<typeof headStep>[1]) => {
		const [after, effects] = headStep(head, { ...event, atMs: nowMs });
		head = after;
		for (const effect of effects) {
			if (effect.kind === 'brake') brakes.push({ atMs: nowMs, why: effect.why });
			if (effect.kind === 'arm') arms.push(nowMs);
			if (effect.kind === 'offer' || effect.kind === 'refuse') answer(effect);
		}
	};
	const toHead = (event: Parameters<typeof headStep>[1]) => datagram(input.link, () => atHead(event));
	const fromHold = ([after, effects]: ReturnType<typeof holdStep>) => {
		hold = after;
		if (!pageAlive) return;
		for (const effect of effects)
			segment(effect.socket, input.page, () => {
				if (!deskAlive) return;
				switch (effect.kind) {
					case 'ask':
						return datagram(input.link, () =>
							atHead({ kind: 'ask', atMs: 0, holder: 'page', press: effect.press, epoch: (epochs += 1), by: 'hand' })
						);
					case 'beat':
						return toHead({ ...effect, atMs: 0, holder: 'page' });
					case 'release':
						newestGrant = null;
						[desk] = deskHeadStep(desk, { kind: 'released', epoch: effect.epoch });
						return toHead({ ...effect, atMs: 0, holder: 'page' });
					case 'grant': {
						const grant: LeaseEvent = { ...effect, atMs: 0, holder: 'page' };
						if (newestGrant?.kind !== 'grant' || newestGrant.sequence < effect.sequence) newestGrant = grant;
						return toHead(grant);
					}
				}
			});
	};

	const speeds = new Float64Array(input.lastsMs);
	let [beyond, unheldFaster] = [0, 0];
	for (nowMs = 1; nowMs < input.lastsMs; nowMs += 1) {
		for (const { atMs, act } of input.acts) {
			if (atMs !== nowMs) continue;
			if (act === 'press') fromHold(((down = true), holdStep(hold, { kind: 'press', atMs: pageMs() })));
			if (act === 'release') fromHold(((down = false), holdStep(hold, { kind: 'release', atMs: pageMs() })));
			if (act === 'vanish') pageAlive = false;
			if (act === 'deskDies') deskAlive = false;
			if (act === 'linkCut') cut = true;
			if (act === 'stopAll') toHead({ kind: 'stopAll', atMs: 0, by: 'somebody' });
		}
		const due = queue
			.filter(({ dueMs }) => dueMs <= nowMs)
			.sort((one, two) => one.dueMs - two.dueMs || one.order - two.order);
		queue = queue.filter(({ dueMs }) => dueMs > nowMs);
		for (const { run } of due) run();
		const before = head;
		if (nowMs % 5 === 0) atHead({ kind: 'tick', atMs: nowMs });
		for (const [name, axis] of Object.entries(head.axes)) {
			speeds[nowMs] = Math.max(speeds[nowMs]!, Math.abs(axis.rate) / axis.maxRate);
			if (axis.position < axis.range[0] || axis.position > axis.range[1]) beyond += 1;
			const share = Math.abs(axis.rate) / axis.maxRate;
			const allowed = (head.stopping?.axes[name]?.rate ?? Math.abs(before.axes[name]!.rate)) / axis.maxRate;
			if (share > allowed + standingShare && before.lease.phase !== 'armed' && head.lease.phase !== 'armed')
				unheldFaster += 1;
		}
		if (nowMs % leaseTimes.stateEveryMs === 0) {
			const [headMs, said] = [nowMs, head];
			const values = Object.fromEntries(Object.entries(said.axes).map(([name, { position }]) => [name, position]));
			const rates = Object.fromEntries(Object.entries(said.axes).map(([name, { rate }]) => [name, rate]));
			const { phase, holder, epoch, stoppedBy } = said.lease;
			datagram(input.link, () => {
				if (!deskAlive || (desk.seen?.headMs ?? 0) > headMs) return;
				const seen = {
					...{ atMs: nowMs, headMs, toHeadMs: 0, values, rates, phase, holder, epoch, stoppedBy },
					ready: Object.keys(axes)
				};
				[desk] = deskHeadStep(desk, { kind: 'seen', seen });
				segment(socketsOfHold + ((headMs / leaseTimes.stateEveryMs) % socketsOfHold), input.page, () => {
					fromHold(holdStep(hold, { kind: 'heard', atMs: pageMs(), headMs }));
					if (headMs >= (hold.echoMs ?? 0)) fromHold(holdStep(hold, { kind: 'holds', atMs: pageMs(), epoch }));
				});
			});
		}
		if (pageAlive) fromHold(holdStep(hold, { kind: 'tick', atMs: pageMs() }));
		if (deskAlive && nowMs % deskTimes.tickMs === 0) {
			if (newestGrant !== null) toHead(newestGrant);
			if (input.wants === 'stick' && pageAlive && down)
				[desk] = deskHeadStep(desk, { kind: 'stick', atMs: nowMs, rates: { panRad: 0.9 * Math.sin(nowMs / 2500) } });
			if (input.wants === 'pose' && desk.task === null)
				[desk] = deskHeadStep(desk, {
					kind: 'task',
					id: 'loop',
					name: 'there and back',
					laps: null,
					legs: [
						{ kind: 'pose', name: 'left', to: { panRad: 1.6, tiltRad: 0.4 }, wantedS: 4, restS: 0.2 },
						{ kind: 'pose', name: 'right', to: { panRad: -1.6, tiltRad: -0.2 }, wantedS: null, restS: 0 }
					]
				});
			const [after, effects] = deskHeadStep(desk, { kind: 'tick', atMs: nowMs });
			desk = after;
			for (const effect of effects) if (effect.kind !== 'done') toHead({ ...effect, atMs: 0 });
		}
	}
	return { head, desk, brakes, arms, speeds, beyond, unheldFaster };
}

/** From a moment on, when the head stood for good; null: it never did. */
export function restsAt({ speeds, head }: HoldOutcome): number | null {
	if (!isStill(head)) return null;
	let last = speeds.length - 1;
	while (last > 0 && speeds[last]! < 1e-3) last -= 1;
	return last;
}
