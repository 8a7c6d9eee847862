/** The only door of the core, in reading order. */

// What goes wrong
export { PhysicsInputError } from './errors';

// The units of the work
export {
	gFromKg,
	inFromM,
	kgFromG,
	kgFromLb,
	kgFromOz,
	lbFromKg,
	mFromCm,
	mFromIn,
	mFromMm,
	mmFromM,
	ozFromKg
} from './units';

// Mass: bodies, their inertias, and measuring where they are heavy
export { type Body, type Inertia, standardGravityMPerS2, type Vec3 } from './mass/body';
export { combineBodies, type CombinedBody } from './mass/combineBodies';
export { boxInertia, cylinderInertia, rodInertia } from './mass/standardInertias';
export { cgFromTwoScales } from './mass/cgFromTwoScales';
export { offsetFromSwing, type SwingOffset } from './mass/offsetFromSwing';
export { offsetFromRest } from './mass/offsetFromRest';
export { offsetFromScale } from './mass/offsetFromScale';
export { holdingBand } from './mass/holdingBand';

// Gimbals: the chain, how it stands, where its slides belong
export type { GimbalAxis, GimbalChain, GimbalPart, GimbalSlide } from './gimbal/chain';
export { axisStates, type AxisState } from './gimbal/axisState';
export { balanceGimbal, type BalanceOptions, type GimbalBalance, type SlideTarget } from './gimbal/balanceGimbal';
export type { CounterweightPlace, Remedy } from './gimbal/remedies';
export { disturbance } from './gimbal/disturbance';
export { poseTorques } from './gimbal/poseTorques';

// Gimbals with a payload on the plate: scales, mounting, the sequence
export {
	type GimbalRig,
	midTravel,
	mountPayload,
	payloadToken,
	positionAt,
	readingAt,
	type RigSlide,
	type SlideScale
} from './gimbal/rig';
export { balanceSteps, type BalanceStep } from './gimbal/balanceSteps';

// Balancing by looking: one observation, one nudge
export { nextNudge, type Nudge, type Observation, type Tried } from './gimbal/nextNudge';
