import { limit, type Limit } from '$lib/model/limits';

/** How far a move's figures go, each with its reason: for its fields and for its schemas. Metres, radians, seconds. */
export const moveLimits = {
	place: limit(-500, 500, 'A plan of a kilometre across is no plan of a venue.'),
	height: limit(-5, 200, 'Nothing in a venue is higher, and no pit deeper.'),
	turn: limit(-31.5, 31.5, 'Cables end after five turns.'),
	heading: limit(-6.3, 6.3, 'Once round, either way.'),
	incline: limit(-Math.PI / 2, Math.PI / 2, 'Upright is as steep as it gets.'),
	rail: limit(0.1, 100, 'A rail shorter than a hand carries nothing, and no track is longer than a hall.'),
	along: limit(-100, 100, 'No track is longer than a hall.'),
	arm: limit(0.2, 30, 'No arm is longer than a house is high.'),
	tail: limit(0, 10, 'A tail is shorter than its arm.'),
	tube: limit(0, 1, 'No tube is thicker.'),
	offset: limit(-3, 3, 'What hangs at a nose hangs within reach.'),
	reach: limit(-1.5, 1.5, 'A camera further from its carriage is on an arm.'),
	mass: limit(0, 500, 'No rail or load that is carried to a set is heavier.'),
	force: limit(0.1, 50_000, 'A stand that bears five tonnes is no stand.'),
	speed: limit(0.001, 10, 'Nothing that carries a camera among people goes faster.'),
	rate: limit(0.001, 20, 'A head that turns three times a second shows nothing.'),
	accel: limit(0.001, 400, 'No camera is thrown harder.'),
	time: limit(0, 7200, 'Two hours are no one move.'),
	dwell: limit(0, 3600, 'An hour is a picture, not a rest.'),
	loops: limit(0, 1000, 'A thousand times there and back is a day.'),
	lag: limit(0, 5, 'A head that is five seconds late follows nothing.'),
	focal: limit(0.001, 2, 'Two metres of lens are a telescope.'),
	sensor: limit(0.0005, 0.2, 'No sensor is wider than a hand.'),
	fNumber: limit(0.5, 64, 'No lens opens wider or stops further down.'),
	focus: limit(0.01, 2000, 'Two kilometres are infinity to every lens.'),
	closest: limit(0.01, 20, 'A lens that needs twenty metres is a telescope.'),
	offFocus: limit(-100, 100, 'That far off a subject it is another one.'),
	body: limit(0.01, 3, 'No camera is longer than a door is high.'),
	tall: limit(0.02, 20, 'A subject is a hand or a stage.'),
	safety: limit(0, 20, 'Twenty metres is another room.'),
	crank: limit(0.001, 1, 'A crank longer than a metre is an arm.')
} as const satisfies Readonly<Record<string, Limit>>;

/** How many of each a move holds at most. */
export const most = { knots: 40, moves: 500, ticks: 60, heads: 200, runs: 2000 } as const;
/** Between two knots. */
export const leastLegS = 0.1;
