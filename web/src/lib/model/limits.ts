/**
 * How far figures go, each with the reason it goes no further. One table for the field, the server's schemas and the
 * database's checks: past a limit a figure is a slip of the finger, and what no thing in the world has must not be
 * stored, drawn or counted up to.
 */
export interface Limit {
	readonly least: number;
	readonly most: number;
	/** The least itself is not allowed. */
	readonly above?: true;
	readonly why: string;
}

export const limit = (least: number, most: number, why: string): Limit => ({ least, most, why });
export const above = (least: number, most: number, why: string): Limit => ({ least, most, above: true, why });

export const limits = {
	/** kg */
	partMass: above(0, 60, 'No single piece of gear in this trade is heavier: two people lift no more.'),
	supportPayload: limit(0, 200, 'The strongest gimbals and cranes carry less.'),
	balanceMass: above(0, 6000, 'A hundred parts of the heaviest kind on one plate.'),
	/** m */
	onPlate: limit(-3, 3, 'Nothing on a plate stands further off than an arm with its extension reaches.'),
	length: limit(0, 3, 'No part and no member of a gimbal is longer.'),
	slideEnd: limit(
		-1,
		1,
		'A slide travels a fraction of the gimbal it is part of; two metres from end to end are room for the largest.'
	),
	scaleZero: limit(-3, 3, 'A scale is printed on the slide it belongs to.'),
	extension: limit(0, 1, 'An extension is a hand or two long.'),
	graduation: limit(
		0.0001,
		0.1,
		'Finer lines than a tenth of a millimetre are not printed, and further apart than a hand they are no scale.'
	),
	knobPitch: above(0, 0.1, 'A turn of a knob moves a slide by millimetres.'),
	zeroSigma: limit(0, 0.05, 'A zero further off than five centimetres is another zero.'),
	/** N·m */
	motorTorque: above(0, 200, 'The strongest gimbal motors give some tens.'),
	friction: limit(0, 50, 'An axis with more would not turn by itself.'),
	/** A venue's plan, m and rad. */
	planPoint: limit(-500, 500, 'A plan of a kilometre across is no plan of a venue.'),
	planHeight: limit(0, 200, 'Nothing in a venue that an arm could meet is higher.'),
	ceiling: limit(1, 200, 'Nobody works under a ceiling lower than a metre.'),
	turn: limit(-6.3, 6.3, 'Once round, either way.'),
	boomStop: limit(-1.45, 1.45, 'A boom stops short of upright.'),
	pictureSide: limit(1, 20_000, 'Pictures are shrunk long before that many dots.'),
	dotSize: above(0, 100, 'A dot of a picture that is larger than a house draws nothing.'),
	/** Power papers: Wh, V, A, W, s, shares and counts. */
	capacity: limit(0.1, 2000, 'The largest packs that are wheeled to a set.'),
	voltage: limit(0.5, 60, 'Above that it is not worn.'),
	current: limit(0.01, 60, 'The thickest cable on a rig carries less.'),
	draw: limit(0, 1000, 'What draws more is not fed from a battery on the operator.'),
	job: limit(0, 172_800, 'Two days are no one job.'),
	share: limit(0.01, 1, 'A share of a whole.'),
	marginShare: limit(0, 0.9, 'With more kept back nothing is left to work with.'),
	howMany: limit(0, 99, 'More of one kind no crew carries.'),
	howManyAtOnce: limit(1, 99, 'Something is worn, and not more than there is.'),
	step: limit(0, 1, 'A step of an indicator is a share of what is full.'),
	litSteps: limit(0, 10, 'No indicator has more steps.'),
	/** A part on its plate: turns in rad, shares, m. */
	quarters: limit(-3, 3, 'Four quarters are none.'),
	partExtended: limit(0, 1, 'A share of the extension.'),
	partArm: above(0, 2, 'An arm longer than a man is tall holds nothing on a rig.'),
	partArmRise: limit(-1.5708, 1.5708, 'From straight down to straight up.'),
	/** A part lighter than its arm is none; an arm of no mass is a drawing’s. */
	partArmMass: limit(0, 60, 'Two people lift no more.'),
	partSide: limit(
		0.001,
		3,
		'Thinner than a sheet of card is a slip of the finger, and would not be seen in a drawing.'
	),
	holePitch: limit(0.002, 0.2, 'Holes of a plate are millimetres to a hand apart.'),
	/** m; an uncertainty. */
	sigma: limit(0.00001, 3, 'Nothing is known to less than a hundredth of a millimetre.'),
	covariance: limit(-9, 9, 'Two figures share no more than the greatest doubt of either, squared.'),
	widenedBy: limit(1, 1e6, 'Balances a kilometre apart say nothing of one gimbal.'),
	/** s */
	thumbLag: limit(-0.5, 1, 'A thumb that is later than a second was elsewhere.'),
	thumbSpread: limit(0, 1, 'A thumb that strays by a second has not timed.'),
	/** Of a head that is looked at over its hours: min, rad, °C. */
	sincePowerOn: limit(0, 2880, 'Two days on are switched off between.'),
	horizonLean: limit(-0.8, 0.8, 'A horizon further off than an eighth of a turn is a rig on its side.'),
	temperature: limit(-40, 70, 'Colder and hotter nothing is switched on.'),
	ordinal: limit(0, 10_000, 'A list of poses that long is no list.'),
	/** What was reckoned and is kept as it was: kg, m, N, N·m, kg·m², s, rad. */
	reckoned: limit(-1e9, 1e9, 'What comes out of figures within their limits stays far below it.'),
	/** A 32-bit integer counts them. */
	version: limit(1, 2_147_483_647, 'The column that counts saves is a 32-bit integer.')
} as const satisfies Readonly<Record<string, Limit>>;

export type LimitName = keyof typeof limits;

export const isWithin = ({ least, most, above: strictly }: Limit, value: number): boolean =>
	Number.isFinite(value) && (strictly === true ? value > least : value >= least) && value <= most;

/** Names that every object has of itself: as an id they would read what is not there. */
const takenByObjects: readonly string[] = Object.getOwnPropertyNames(Object.prototype);
/** A fixed word in code, such as a slide's id. */
export const keyPattern = new RegExp(`^(?!(?:${takenByObjects.join('|')})$)[a-zA-Z][a-zA-Z0-9]{0,39}$`);

/** A direction is of unit length but for rounding; the core asks the same. */
export const unitSlack = 1e-6;
