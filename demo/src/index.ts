import { cranes } from './cranes';
import { feel } from './feel';
import { liveHeads } from './live';
import { heads, moveRuns, moves } from './moves';
import { parts } from './parts';
import { payloads } from './payloads';
import { rigs } from './rigs';
import { sleds } from './sleds';
import { sliders } from './sliders';
import { venues } from './venues';

/**
 * The scenario the application starts with: one invented crew, its shelf, its payloads, two gimbals, two sleds, two cranes, a slider,
 * three venues with a move in each, and what was logged.
 * Plain data; whoever loads it validates it like any other input.
 */
export const scenario = {
	crew: 'Saltmarsh and Tidewater crew',
	people: ['Maren Olt', 'Joss Averley', 'Pia Tolland'],
	parts,
	payloads,
	rigs,
	sleds,
	cranes,
	sliders,
	venues,
	feel,
	heads,
	moves,
	moveRuns,
	liveHeads,
	/** Set `missedByM` away from the computed balance, as a hand does. */
	balances: [
		{
			person: 'Joss Averley',
			payload: 'Compact body, 35 prime, monitor',
			rig: 'Small single-handed gimbal',
			daysAgo: 9,
			missedByM: { plate: 0.0004, cradle: -0.0003, crossbar: 0.0003, panArm: 0.0005 },
			note: 'Saltmarsh Road Chapel, Sunday. Monitor cable tied along the arm.'
		},
		{
			person: 'Maren Olt',
			payload: 'Compact body, wide zoom',
			rig: 'Small single-handed gimbal',
			daysAgo: 6,
			missedByM: { plate: -0.0003, cradle: 0.0002, crossbar: 0.0002, panArm: -0.0004 },
			note: 'Kettle & Loom, table-top. Zoom at 24.'
		},
		{
			person: 'Pia Tolland',
			payload: 'Cine build, 25–120',
			rig: 'Large two-handed gimbal',
			daysAgo: 2,
			missedByM: { plate: 0.0003, base: -0.0002, fork: 0.0002, topBeam: 0.0002 },
			note: 'Tidewater Hall, fencing final. Matte box on, two filters.'
		}
	],
	/** What really sits elsewhere than the shelf says: the logged readings carry it, so that there is something to learn. */
	hidden: {
		partsM: { '35 mm prime': [0.006, 0, 0], 'Wide zoom 16–35': [-0.004, 0, 0.001], 'Side microphone': [0.012, 0, 0] },
		zerosM: { 'Small single-handed gimbal': { panArm: 0.002, crossbar: -0.0015 } }
	},
	/** Looks at the horizon of one gimbal on one morning: minutes since power-on, degrees clockwise, °C. */
	horizon: {
		rig: 'Small single-handed gimbal',
		person: 'Joss Averley',
		calibratedAtC: 18,
		readings: [
			[4, 0.05, 18],
			[14, 0.1, 18],
			[25, 0.12, 17],
			[38, 0.21, 16],
			[52, 0.26, 16]
		]
	},
	/** The checklist of one payload, half ticked. */
	checklist: {
		payload: 'Compact body, wide zoom',
		person: 'Joss Averley',
		ticked: ['Card in, with room on it', 'Battery in, the one that will be used', 'Filters on', 'Lens cap off']
	}
};
