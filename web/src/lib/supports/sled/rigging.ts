import { combineBodies } from '@poise/core';
import type { UnitSystem } from '$lib/model/person';
import type { SledBenchState, SledRig } from './model';
import { showMass, showMove, together } from '$lib/sheet/units/display';
import { dropPlan } from './drops';
import { type MountedBody, type SledFigures, weightMover } from './figures';
import { lineInWords, type SledLine, type SledSlip, linesBetween, targetOf } from './slip';
import { gimbalTravel } from './standing';

export interface RigStep {
	readonly id: string;
	readonly name: string;
	readonly lead: string;
	readonly strong: string;
	readonly detail: string;
	/** What else the hand does in this step, after the first line. */
	readonly lines: readonly string[];
	readonly operator: string;
	readonly assistant: string;
	readonly caution: string | null;
	/** The button. */
	readonly done: string;
	/** As the figures have it; null: only the hand knows. */
	readonly right: boolean | null;
}

/** Order of the sequence. A step's id is what the bench keeps once it is done. */
export function rigSteps(
	sled: SledRig,
	state: SledBenchState,
	payload: readonly MountedBody[],
	figures: SledFigures,
	slip: SledSlip,
	checksOpen: number,
	units: UnitSystem
): RigStep[] {
	const { geometry } = sled;
	const { setting } = state;
	const by = (metres: number) => together(showMove(metres, units));
	const top = gimbalTravel(geometry, setting.pulledOutM)[1];
	const { cgM, massKg } = combineBodies({ bodies: payload.map(({ body }) => body) });
	const ahead = cgM[0];
	const leave = figures.cures[figures.cures.length - 1] ?? figures.cure;
	const plateLines = linesBetween(geometry, setting, targetOf(geometry, setting, figures, leave), units).filter(
		({ id }) => id === 'coarse' || id === 'fineFore' || id === 'fineSide'
	);
	const drop = dropPlan(geometry, setting, figures.sled, state.dropTimeS);
	const dropBy = drop.kind === 'move' ? drop.toM - setting.gimbalM : 0;
	const spin: readonly SledLine[] = figures.spinGood || slip.kind !== 'move' ? [] : slip.lines;
	const words = (lines: readonly SledLine[]) => lines.slice(1).map(lineInWords);
	const carries = figures.massKg + geometry.arm.gimbalKg;
	const mayMove = state.movers.filter((id) => id !== weightMover).length > 0;

	return [
		{
			id: 'prepare',
			name: 'Prepare',
			lead: 'Stand up, weighted, ',
			strong: 'everything laid out',
			detail:
				checksOpen === 0
					? 'Card, battery, lens, filters and cables as they will shoot.'
					: `${checksOpen} ${checksOpen === 1 ? 'check is' : 'checks are'} still open on the payload’s list.`,
			lines: [],
			operator: 'lays out camera, plates, batteries, cables',
			assistant: 'sets the stand on level floor, weight on its foot, wheels locked',
			caution: 'A loaded sled tips a light stand: weight it before anything hangs on it.',
			done: 'All is laid out',
			right: checksOpen === 0 ? null : false
		},
		{
			id: 'mark',
			name: 'Plate on the mark',
			lead: 'Mark the balance point ',
			strong: Math.abs(ahead) < 0.0005 ? 'at the plate’s middle' : `${by(ahead)} ${ahead > 0 ? 'forward' : 'back'}`,
			detail: 'of the middle of the camera’s plate, with tape: that mark goes over the post.',
			lines: [],
			operator: 'tapes the mark',
			assistant: 'holds the camera flat on the bench',
			caution: null,
			done: 'The mark is on',
			right: null
		},
		{
			id: 'gimbalHigh',
			name: 'Gimbal high',
			lead: 'Set the gimbal ',
			strong: `high, ${by(top)}`,
			detail: 'above the foot, and tighten its clamp: foot-heavy it hangs quietly while you build.',
			lines: [],
			operator: 'sets and tightens the clamp',
			assistant: 'holds the post',
			caution: 'Top-heavy it turns over on whoever stands beside it: high first, always.',
			done: 'High and tight',
			right: Math.abs(setting.gimbalM - top) < 0.001
		},
		{
			id: 'dock',
			name: 'Dock',
			lead: 'Dock the post, ',
			strong: 'pin in',
			detail: `at ${by(geometry.dockM)} above the foot. Lift it once: the pin must hold.`,
			lines: [],
			operator: 'lifts the post onto the stand',
			assistant: 'guides the pin and says when it is through',
			caution: 'Both hands on the post until the pin is through and tried.',
			done: 'Docked',
			right: null
		},
		{
			id: 'camera',
			name: 'Camera on',
			lead: 'Camera on, ',
			strong: 'locked and tried',
			detail: `${together(showMass(massKg, units))} on the plate, the mark over the post, safety catch in.`,
			lines: [],
			operator: 'slides the plate in and locks it',
			assistant: 'carries the camera until the operator says “locked”',
			caution: 'Nobody lets go before the lock was pulled at by hand.',
			done: 'Locked and tried',
			right: null
		},
		{
			id: 'cables',
			name: 'Cables',
			lead: 'Cables on, ',
			strong: 'slack past the gimbal',
			detail: 'Tied down the post, no loop below the monitor. Power on, picture on the monitor.',
			lines: [],
			operator: 'ties the cables',
			assistant: 'hands them up, checks the picture',
			caution: 'A tight cable is a spring: it spoils every balance that follows.',
			done: 'Tied and slack',
			right: null
		},
		{
			id: 'side',
			name: 'Side stage centred',
			lead: 'Turn the side knob ',
			strong: 'to its middle',
			detail: 'so that it can go both ways from here.',
			lines: [],
			operator: 'turns the knob',
			assistant: 'one hand on the post',
			caution: null,
			done: 'In the middle',
			right: null
		},
		{
			id: 'static',
			name: 'Static',
			lead: plateLines[0]?.lead ?? 'As computed it stands; ',
			strong: plateLines[0]?.strong ?? 'open your fingers',
			detail: 'Coarse before fine, fore-aft before side. Then open your fingers and say what it does.',
			lines: words(plateLines),
			operator: 'moves the plate, then lets the post stand between open fingers',
			assistant: 'holds the camera while the clamp is loose',
			caution: 'Fingers stay round the post: it may turn over.',
			done: plateLines.length === 0 ? 'It stands' : 'It is done',
			right: figures.staticGood
		},
		{
			id: 'drop',
			name: 'Drop time',
			lead: drop.kind === 'right' ? 'As computed it drops in ' : 'Set the gimbal ',
			strong: drop.kind === 'right' ? `${drop.nowS.toFixed(1)} s` : `${dropBy > 0 ? 'up' : 'down'} ${by(dropBy)}`,
			detail: `Wanted ${state.dropTimeS.toFixed(1)} s. Hold the post while the clamp is open; then time it.`,
			lines: [],
			operator: 'sets the clamp, then times the drop from level',
			assistant: 'stands clear and catches past vertical',
			caution: 'Clear of faces, lens and floor before it drops.',
			done: drop.kind === 'right' ? 'It drops in time' : 'It is done',
			right: figures.dropGood
		},
		{
			id: 'dynamic',
			name: 'Dynamic',
			lead: spin[0]?.lead ?? (figures.spinGood ? 'As computed it spins true; ' : 'It still leans in a spin: '),
			strong: spin[0]?.strong ?? (figures.spinGood ? 'spin it once by hand' : 'see the bench'),
			detail: mayMove
				? 'One slip: what cures the spin, with the plate and the gimbal that go with it.'
				: 'Nothing may move to cure it: choose on the bench what may.',
			lines: words(spin),
			operator: 'moves what the slip says, then spins it once by hand',
			assistant: 'stands clear of monitor and batteries as they come round',
			caution: 'Monitor and batteries strike faces as they come round: clear first.',
			done: spin.length === 0 ? 'It spins true' : `All ${spin.length} are done`,
			right: figures.spinGood
		},
		{
			id: 'undock',
			name: 'Undock',
			lead: 'Arm under the gimbal, ',
			strong: 'weight up, pin out',
			detail: `${together(showMass(carries, units))} on the arm. Log the balance first; it is on the bench.`,
			lines: [],
			operator: 'stands close, back straight, takes the weight with the legs',
			assistant: 'pulls the pin when told, steadies the stand, walks with you the first steps',
			caution: 'A worn rig loads the back: short spells, a spotter, and a quick release that was tried today.',
			done: 'It flies',
			right: null
		}
	];
}
