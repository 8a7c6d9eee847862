import { above, limit } from '$lib/model/limits';

/** How far the figures of Feel go, each with its reason. */
export const feelLimits = {
	/** A gimbal's own scale, in whatever it counts. */
	ownFigure: limit(-1000, 1000, 'No menu counts further than a thousand.'),
	/** 1/s */
	follow: above(0, 60, 'A camera that is there within a sixtieth of a second does not follow, it is bolted on.'),
	/** rad */
	deadband: limit(0, 1.6, 'A quarter turn that nothing follows is no dead band but a hold.'),
	/** s */
	smooth: above(0, 10, 'What takes ten seconds to take up a turn does not follow it.'),
	/** A share of what the motor gives at a lean of under two degrees. */
	stiffnessShare: above(0, 4, 'Four times all a motor gives is a figure for another motor.'),
	/** s */
	delay: above(0, 0.2, 'A loop a fifth of a second late holds nothing.'),
	damping: above(0, 3, 'More damping than that only creeps.'),
	/** W */
	draw: limit(0, 500, 'Motors of a gimbal that draw more melt.'),
	/** rad: a timed turn. */
	turn: above(0, 3.1, 'More than half a turn, and the camera goes the other way round.'),
	lean: above(0, 1.6, 'A camera that leans a quarter turn is not held at all.'),
	/** s: a timed turn. */
	timed: above(0, 60, 'Nobody times a turn for a minute.'),
	/** m */
	focal: limit(0.004, 2, 'From the widest eye of a fish to two metres of glass.'),
	sensor: limit(0.004, 0.08, 'From the sensor of a phone to medium format.'),
	/** Stick. */
	deadZone: limit(0, 0.9, 'Beyond nine tenths nothing is left to steer with.'),
	expo: limit(0, 1, 'From a straight line to a pure cube.'),
	/** rad/s */
	rate: above(0, 12.6, 'Two turns a second throw off a lens.'),
	widthsPerS: above(0, 20, 'A picture that passes twenty times a second is a blur.'),
	gripRatio: limit(0.02, 10, 'From a fiftieth of the hand’s turn to ten times of it.'),
	/** Wishes. */
	lagRad: above(0, 3.2, 'A lag of half a turn is the other way.'),
	settleS: above(0, 60, 'A minute to settle is no wish.'),
	overshootRad: above(0, 3.2, 'Half a turn too far is another shot.'),
	shakeShare: above(0, 1, 'A picture that shakes by its own width shows nothing.'),
	panRate: above(0, 12.6, 'Nobody pans two turns a second.'),
	calm: limit(-1, 1, 'From quick to calm.'),
	presses: limit(0, 5, 'Six presses in a row nobody counts.'),
	/** What a loop was when it buzzed or sagged: rad/s, N·m/rad, N·m. */
	loopRate: above(0, 1e5, 'Nothing that carries a camera rings so high.'),
	loopStiffness: above(0, 1e6, 'A motor as stiff as a bridge.'),
	residual: limit(0, 1e5, 'A tonne at ten metres.'),
	/** What figures of a recipe come to. */
	anyAngle: limit(-1000, 1000, 'A hundred and fifty turns.'),
	anyTime: limit(0, 600, 'A response is looked at for ten minutes at most.'),
	anyRate: limit(0, 1e6, 'Past that the picture is gone.'),
	inertia: above(0, 1e4, 'A hundred kilograms ten metres away.'),
	mass: limit(0, 6000, 'A hundred parts of the heaviest kind.')
} as const;

export const most = { modes: 24, runs: 60, looks: 60, focals: 12, slips: 100, own: 60, day: 80 } as const;
