import { degFromRad, frameOf, panLinkage } from '@poise/core';
import type { Move, RailSupport } from './model';
import { poseOf, type Run, sample, valuesAt } from './path';
import { ringAt } from './lens';

export interface TableRow {
	readonly atS: number;
	/** Share of the way along. */
	readonly share: number;
	readonly trackM: number | null;
	readonly panRad: number;
	readonly tiltRad: number;
	readonly focusM: number;
	readonly turns: number | null;
}

/** Pan, tilt and focus at equal travel of whatever goes furthest: the rail if there is one, else at equal times. */
export function equalTravel(move: Move, run: Run, count = 11): TableRow[] {
	const fine = Array.from({ length: 600 }, (_, k) => run.startS + ((run.endS - run.startS) * k) / 599);
	const sampled = sample(run, fine);
	const track = sampled.values.trackM;
	const monotone =
		track !== undefined &&
		track.every((value, k) => k === 0 || (value - track[k - 1]!) * (track[track.length - 1]! - track[0]!) >= -1e-9);
	const goes = monotone && Math.abs(track[track.length - 1]! - track[0]!) > 1e-6;
	return Array.from({ length: count }, (_, row) => {
		const share = row / (count - 1);
		let atS = run.startS + share * (run.endS - run.startS);
		if (goes) {
			const wanted = track[0]! + share * (track[track.length - 1]! - track[0]!);
			const up = track[track.length - 1]! > track[0]!;
			const k = track.findIndex((value) => (up ? value >= wanted - 1e-9 : value <= wanted + 1e-9));
			const [k0, k1] = [Math.max(0, k - 1), Math.max(0, k)];
			const gap = track[k1]! - track[k0]!;
			atS = fine[k0]! + (gap === 0 ? 0 : ((wanted - track[k0]!) / gap) * (fine[k1]! - fine[k0]!));
		}
		const values = valuesAt(sample(run, [atS]), 0);
		const { focus } = move.head.figures;
		return {
			atS,
			share,
			trackM: values.trackM ?? null,
			panRad: values.panRad,
			tiltRad: values.tiltRad,
			focusM: values.focusM,
			turns: focus === null ? null : ringAt(move.camera, focus.turns, values.focusM)
		};
	});
}

/** How far the subject slips in the picture when the head runs behind the carriage by so long: the worst, in widths of the frame. */
export function syncError(move: Move, run: Run, lateS: number): number {
	const atS = Array.from({ length: 81 }, (_, k) => run.startS + ((run.endS - run.startS) * k) / 80);
	const now = sample(run, atS);
	const late = sample(
		run,
		atS.map((tS) => Math.max(run.startS, tS - lateS))
	);
	let worst = 0;
	atS.forEach((_, k) => {
		const values = valuesAt(now, k);
		const behind = valuesAt(late, k);
		const pose = poseOf(move, { ...values, panRad: behind.panRad, tiltRad: behind.tiltRad });
		const right = poseOf(move, values);
		const lens = {
			focalM: values.focalM,
			sensorWidthM: move.camera.sensorWidthM,
			sensorHeightM: move.camera.sensorHeightM
		};
		const [is, should] = [pose, right].map((each) => frameOf({ pose: each, pointM: move.subject.atM, ...lens }));
		if (is!.xWidths === null || should!.xWidths === null) return;
		worst = Math.max(worst, Math.abs(is!.xWidths - should!.xWidths));
	});
	return worst;
}

type School = 'linked' | 'tracking' | 'knots' | 'bar';
export interface SchoolRead {
	readonly school: School;
	readonly words: string;
	/** The worst slip of the subject in the picture, widths; null: it cannot be used here. */
	readonly errorWidths: number | null;
	readonly why: string;
}

/** The four ways to hold a subject while the camera travels, each with what it is expected to miss by. Least first. */
export function schoolsFor(move: Move, run: Run): SchoolRead[] {
	const { support, head } = move;
	const motors = head.kind === 'motors' || head.kind === 'gimbal';
	// Linked axes start on one word and drift by a twentieth of a second.
	const linked = motors ? syncError(move, run, 0.05) : null;
	const tracking = motors ? syncError(move, run, head.followLagS) : null;
	const two = motors ? twoKnotError(move, run) : null;
	const bar = support.kind === 'rail' && Math.abs(support.inclineRad) < 0.05 ? barError(move, support) : null;
	const all: SchoolRead[] = [
		{
			school: 'linked',
			words: 'Linked axes',
			errorWidths: linked,
			why: 'The head is driven with the carriage; both within 0.05 s of one another.'
		},
		{
			school: 'tracking',
			words: 'The head’s own tracking',
			errorWidths: tracking,
			why: `It sees the subject slip and follows ${head.followLagS.toFixed(2)} s behind; a face it knows, in light it sees by.`
		},
		{
			school: 'knots',
			words: 'Knots at both ends',
			errorWidths: two,
			why: 'Aimed at the start and at the end, evenly between: it wanders off in the middle.'
		},
		{
			school: 'bar',
			words: 'A passive bar',
			errorWidths: bar,
			why: bar === null ? 'Only beside a level rail.' : 'No motor, no sync; it misses between its ends.'
		}
	];
	return all.sort((one, other) => (one.errorWidths ?? Infinity) - (other.errorWidths ?? Infinity));
}

function barError(move: Move, support: RailSupport): number | null {
	const [from, to] = support.travelM;
	const { crankM, distanceM, choose } = move.head.bar;
	const halfTravelM = (to - from) / 2;
	if (crankM / Math.hypot(distanceM, halfTravelM) >= crankM / halfTravelM) return null;
	return (
		panLinkage({
			crankM,
			distanceM,
			halfTravelM,
			focalM: move.knots[0]!.values.focalM,
			sensorWidthM: move.camera.sensorWidthM,
			choose,
			setting: 'holding',
			atM: []
		}).worstErrorPercent / 100
	);
}

/** Pan goes evenly with the way between its two ends. */
function twoKnotError(move: Move, run: Run): number {
	const rows = equalTravel(move, run, 41);
	const [first, last] = [rows[0]!, rows[rows.length - 1]!];
	return Math.max(
		...rows.map(({ share, panRad, atS }) => {
			const even = first.panRad + share * (last.panRad - first.panRad);
			const { focalM } = valuesAt(sample(run, [atS]), 0);
			return (Math.abs(Math.tan(panRad - even)) * focalM) / move.camera.sensorWidthM;
		})
	);
}

/** Everything a bar's set-up sheet says, in the order in which it is done. */
export function barSheet(move: Move, support: RailSupport) {
	const [from, to] = support.travelM;
	const halfTravelM = (to - from) / 2;
	const { crankM, distanceM, choose, setting } = move.head.bar;
	const atM = Array.from({ length: 41 }, (_, k) => -halfTravelM + (halfTravelM * k) / 20);
	const bar = panLinkage({
		crankM,
		distanceM,
		halfTravelM,
		choose,
		setting,
		focalM: move.knots[0]!.values.focalM,
		sensorWidthM: move.camera.sensorWidthM,
		atM
	});
	const middle = (from + to) / 2;
	return {
		...bar,
		middleM: middle,
		halfTravelM,
		/** How far the bar stands off its centre at an end, either way. */
		offsetM: halfTravelM * Math.tan(bar.skewRad),
		endPanRad: Math.abs(bar.panRad[bar.panRad.length - 1]!),
		/** From either end of the travel to the subject: equal when it stands square to the rail's middle. */
		endDistanceM: Math.hypot(distanceM, halfTravelM),
		curve: atM.map((x, k) => ({
			atM: middle + x,
			errorPercent: bar.errorPercent[k]!,
			panDeg: degFromRad(bar.panRad[k]!)
		}))
	};
}
