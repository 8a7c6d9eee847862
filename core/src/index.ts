/* eslint-disable max-lines -- the one door, a line an export. */
/** The only door of the core, in reading order. */

// What goes wrong
export { PhysicsInputError } from './errors';

// The units of the work
export {
	celsiusFromFahrenheit,
	degFromRad,
	fahrenheitFromCelsius,
	ftFromM,
	gFromKg,
	inFromM,
	kgFromG,
	kgFromLb,
	kgFromOz,
	kgFromWeight,
	lbfFromN,
	lbfFtFromNm,
	lbFromKg,
	lbIn2FromKgM2,
	m2FromSqFt,
	mFromCm,
	mFromFt,
	mFromIn,
	mFromMm,
	mmFromM,
	mPerSFromMph,
	mphFromMPerS,
	nFromLbf,
	nmFromLbfFt,
	nmFromOzfIn,
	ozfInFromNm,
	ozFromKg,
	radFromDeg,
	sqFtFromM2,
	weightFromKg
} from './units';

// Mass: bodies, their inertias, and measuring where they are heavy
export { add, type Body, dot, type Inertia, scale, standardGravityMPerS2, subtract, type Vec3 } from './mass/body';
export { combineBodies, type CombinedBody } from './mass/combineBodies';
export { boxInertia, cylinderInertia, rodInertia } from './mass/standardInertias';
export { cgFromTwoScales } from './mass/cgFromTwoScales';
export { offsetFromSwing, type SwingOffset } from './mass/offsetFromSwing';
export { offsetFromRest } from './mass/offsetFromRest';
export { offsetFromScale } from './mass/offsetFromScale';
export { holdingBand } from './mass/holdingBand';
export { cgFromHang, type Hang, type HangResult } from './mass/cgFromHang';
export {
	errorOfHang,
	errorOfMean,
	errorOfScale,
	errorOfSwing,
	errorOfTwoScales,
	type MeasuredError
} from './mass/measuredError';
export { periodFromTaps } from './mass/periodFromTaps';
export { median, type Spread, spreadOf } from './mass/spread';
export { type CombinedMeasurement, combineMeasurements } from './mass/combineMeasurements';
export { assumedMiddleSigma, cgUncertainty } from './mass/cgUncertainty';
export { radiiOfGyration } from './mass/gyration';
export { type Turn, turnBody, turnOf, turnVector } from './mass/turnBody';

// Gimbals: the chain, how it stands, where its slides belong
export type { GimbalAxis, GimbalChain, GimbalPart, GimbalSlide } from './gimbal/chain';
export { agreedLooks } from './gimbal/agreedLooks';
export { axisStates, type AxisState } from './gimbal/axisState';
export { balanceGimbal, type BalanceOptions, type GimbalBalance, type SlideTarget } from './gimbal/balanceGimbal';
export { type Alternative, type CounterweightPlace, type Remedy, withAlternative } from './gimbal/remedies';
export { disturbance } from './gimbal/disturbance';
export { poseTorques } from './gimbal/poseTorques';
export { type PoseId, poseReport, type PoseReport, rigPoses } from './gimbal/poses';
export { type AxisDemand, motorDemand } from './gimbal/motorDemand';
export { type HorizonReading, horizonTrend, type HorizonTrend } from './gimbal/horizonTrend';

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
export { bandCentre } from './gimbal/bandCentre';
export { nextNudge, type Nudge } from './gimbal/nextNudge';
export type { Observation, Tried } from './gimbal/tried';
export { moveForOffset } from './gimbal/moveForOffset';
export { correctChain, correctionOf, type SeenOffset } from './gimbal/correctChain';

// What finished balances teach, and what they let the bench foretell
export {
	type BalanceOutlier,
	type FinishedBalance,
	type Learned,
	learnFromBalances,
	type Lesson,
	type PartPrior,
	type RigPrior,
	withZeros
} from './gimbal/learnFromBalances';
export { type PredictedReading, predictReadings } from './gimbal/predictReadings';
export type { Covariance } from './gimbal/covariance';
export { type BelievedFigure, jointCovariance } from './gimbal/jointCovariance';

// The bench against itself: a simulated rig and a simulated hand
export { type BenchWay, simulateBench, type SimulatedAxis, type SimulatedSlide } from './gimbal/simulateBench';
export { carefulOperator, type HiddenTruth, type Operator } from './gimbal/simulatedBench';
export { randomBench, type RandomBench } from './gimbal/randomBench';
export { type Random, seededRandom } from './numeric/random';

// Power: how long the batteries carry it
export { type BatterySource, type PowerLoad, powerPlan, type SourcePlan, type Tap } from './power/powerPlan';
export { chargeFromIndicator } from './power/chargeFromIndicator';

// Sleds: static balance, drop time, dynamic balance, all at once
export { planeOf, type Sled, type SledPart, type SledPlane, sledPlanes, withShifts } from './sled/sled';
export { principalLean, sledReport, type SledReport } from './sled/sledReport';
export { type GimbalHeight, gimbalHeightForDropTime } from './sled/dropTime';
export { dropLean } from './sled/dropLean';
export { steadyLean, type SteadyLean } from './sled/steadyLean';
export { solveSled, type SledRange, type SledShift, type SledSolution } from './sled/solveSled';
export { trimSled, type SledTrim } from './sled/trimSled';
export { type DropInertia, inertiaFromDrops, type TimedDrop } from './sled/inertiaFromDrops';
export { simulateSpin, type SpinRun, type SpinSample } from './sled/simulateSpin';
export { correctSled, noSledCorrection, type SledCorrection, unseenPartId } from './sled/correctSled';
export { estimateSled, type SledDoubt, type SledEstimate } from './sled/estimateSled';
export { type SledLook, sledLookMiss } from './sled/sledLook';
export { legClearance, type LegClearance, type ReachPoint, reachTrade } from './sled/reach';

// The arm and its socket block
export {
	type ArmLift,
	armLift,
	type ArmSection,
	type Drift,
	type LiftPoint,
	type SocketSetup,
	socketTurn,
	type SocketTurn
} from './sled/arm';
export { addedWeightId, cureSled, type SledCure, type WeightPlace } from './sled/cureSled';
export { randomSled, type RandomSled } from './sled/randomSled';
export {
	carefulSledHand,
	type SledHand,
	type SledOutcome,
	simulateSledBench,
	sledTolerance,
	type SledWay
} from './sled/simulateSledBench';

// Cranes: the arm, its weights, the order of loading
export type { CraneArm, CranePart } from './crane/craneArm';
export { craneMoment } from './crane/craneMoment';
export { craneDrift, type CraneDrift, type DriftKind } from './crane/craneDrift';
export {
	chooseCounterweights,
	type CounterweightChoice,
	type CounterweightInput,
	type PlateCount,
	type TrimSlide
} from './crane/chooseCounterweights';
export { movingWeight, type MovingWeight, type MovingWeightInput } from './crane/movingWeight';
export { loadingSequence, type LoadingResult, type LoadingStep } from './crane/loadingSequence';

// Whether it stands
export type { Point } from './venue/point';
export {
	type EdgeStability,
	type SideForce,
	type Stability,
	stabilityAt,
	type StabilityInput
} from './crane/stability';
export {
	type EnvelopeInput,
	stabilityEnvelope,
	type StabilityEnvelope,
	stabilityRose
} from './crane/stabilityEnvelope';

// Its levelling linkage, and the head at its nose
export { levelLinkage, type LinkageGeometry } from './crane/levelLinkage';
export { type LinkageFreedom, tuneLinkage, type TunedLinkage } from './crane/tuneLinkage';
export { type LevelReading, type LinkageFinding, linkageFromLevels } from './crane/linkageFromLevels';
export { headRate, type HeadRate } from './crane/headRate';
export { type ArmReach, cranePose, type CranePose } from './crane/cranePose';
export {
	type ArmPass,
	type HeadLimits,
	headPass,
	type HeadPass,
	type PassKey,
	type PassSample
} from './crane/headPass';

// What cures a crane: the weight line, ballast; and what the wind does
export { weightLineCure, type WeightLineCure } from './crane/weightLine';
export { type Ballast, ballastFor } from './crane/ballastFor';
export { windForce } from './crane/windForce';

// What stands in a venue, and where a crane keeps clear of it
export { crossingSides, outlineAreaM2 } from './venue/outline';
export { isInside, type Prism, prismDistance } from './venue/prism';
export type { CraneInVenueInput, Kept } from './crane/craneInVenue';
export { type ClearPoses, craneClearPoses } from './crane/craneClearPoses';
export { craneNearest, type Nearest } from './crane/craneNearest';

// What moves along a rail
export { railLoads, type RailLoads, type RailLoadsInput } from './motion/railLoads';

// How the gimbal follows the hand
export type { FollowPlant, FollowSettings, HandleMotion } from './follow/settings';
export { followResponse, type FollowResponse, type FollowResponseInput } from './follow/followResponse';
export { type OwnScale, type OwnScaleLaw, settingFor, valueAt } from './follow/ownScale';
export { delayFromBuzz, imbalanceSag, phaseMargin, steadyLag, stiffestNatural } from './follow/loop';
export { shakeOnScreen, type ShakeInput, type Sway } from './follow/shakeOnScreen';
export { stickRate, zoomRate } from './follow/stick';
export { fitFollow, followAt, type FollowFit, type FollowScale } from './follow/fitFollow';
export type { ScaleLaw, TimedTurn } from './follow/timedTurn';
export { type Feel, solveFeel } from './follow/solveFeel';
export { walkShake } from './follow/walkShake';
export type { FeelLimit, SolveFeelInput, WalkSine } from './follow/feelAt';

// What the lens sees
export { type CameraPose, type FrameInput, frameOf, type InFrame } from './optics/frameOf';
export { aim, depthOfField } from './optics/depthOfField';

// Where a head's camera is, and how its axes move in time
export type { Attitude } from './motion/attitude';
export type { Mount, MountAxes } from './motion/mount';
export { aimAxes, cameraPose, reachAxes } from './motion/pose';
export {
	type AxisExtent,
	type AxisLimit,
	type AxisPeaks,
	fitDurations,
	keyframePath,
	readPath
} from './motion/keyframePath';
export type { KeyedMove, MoveKey } from './motion/pathPieces';
export { minimumJerk, minimumJerkRate } from './motion/minimumJerk';
export { profile, type ProfileKind } from './motion/profile';
export { stopMotion, timelapse } from './motion/frames';
export { panLinkage } from './motion/panLinkage';
export { type BodyAt, clearance, type Clearance } from './motion/clearance';
export { moveClearance, type MoveNear } from './motion/moveClearance';
export type { MovingBody } from './motion/levers';
export type { Obstacle } from './motion/shapes';

// Live: from pose to pose, stopping on the way, what a head does
export { type AxisValues, type MotionLimit, transition, type Transition } from './live/transition';
export { paceBrake, stopOnPath } from './live/stopOnPath';
export { coast, releaseFactor, releaseTravel } from './live/coast';
export { type Leg, toPose, type Way, wayOfLeg } from './live/way';
export { type Stray, withCoasting } from './live/coasting';
export { type Pass, type PassBreak, passMatch } from './live/passMatch';
export { type HeadAxis, type HeadCommand, stepHead, type SteppedHead } from './live/stepHead';

// Live: machines of state and event, fed by whoever has sockets and a clock
export { type Lease, type LeaseEffect, type LeaseEvent, leaseTimes, linkOf, type Refusing } from './live/lease';
export { handOff, type Hold, type HoldEffect, type HoldEvent, holdStep, socketsOfHold } from './live/hold';
export {
	type HeadEffect,
	type HeadEvent,
	type HeadMotion,
	headStep,
	isStill,
	restingHead,
	type Ring
} from './live/headMotion';
export {
	type DeskAxis,
	type DeskEffect,
	type DeskEvent,
	deskHead,
	type DeskHead,
	deskHeadStep,
	deskTimes,
	type Seen,
	type Task
} from './live/deskHead';
export { type Driver, type Driving, drivingSeen, drivingStep, drivingTimes, nobodyDrives } from './live/driving';
export {
	type Intent,
	intentOf,
	type NextSeen,
	sameIntent,
	type StandBy,
	type StandingWay,
	type TaskSeen,
	wayKinds
} from './live/nextHold';
export {
	isHeldByHand,
	type KeptHead,
	type LinkFacts,
	narrowedAxes,
	type OwnAxis,
	phaseOf,
	type SaidState,
	standsAt,
	station,
	type Station,
	type StationEffect,
	type StationEvent,
	stationStep
} from './live/station';
export type { WordFromPage, WordToHead } from './live/words';
export { deskHolder, noWatch, type Watch, type WatchEffect, type WatchEvent, watchStep } from './live/watch';
