import { above, limit, type Limit } from '$lib/model/limits';

/** How far a sled's figures go, each with its reason: for its fields and for its schemas. Metres, kilograms, seconds, radians. */
export const sledLimits = {
	payload: limit(0, 60, 'No arm that is worn lifts more.'),
	sectionLength: limit(0.02, 3, 'A post longer than a man is tall is not walked with.'),
	/** Across; what is kept is the half of it. */
	sectionAcross: limit(0.008, 0.2, 'Thinner it bends, thicker no hand goes round it.'),
	sectionRadius: limit(0.004, 0.1, 'Half of what it is across.'),
	pullOut: limit(0, 1, 'A post pulls out by less than its own half.'),
	alongPost: limit(0, 2, 'Clamp and docking pin sit on the post.'),
	travel: limit(-1, 1, 'A slide on a sled is a fraction of the sled.'),
	itemSide: above(0, 2, 'Nothing on a sled is larger.'),
	swingArm: limit(0.02, 0.6, 'The arm a monitor swings on.'),
	pitch: limit(0.0002, 0.02, 'A turn of a stage’s knob moves it by millimetres.'),
	armLoad: above(0, 80, 'No arm that is worn lifts more.'),
	armRange: limit(0, 80, 'No arm that is worn lifts more.'),
	armSetting: limit(-200, 500, 'Scales of arms count turns, marks or kilograms.'),
	armGimbal: limit(0, 10, 'Gimbal and fittings are a fraction of the load.'),
	beyond: limit(0, 20, 'What hangs beyond a section is a part of the arm.'),
	threads: limit(0, 60, 'A screw of a socket block shows no more threads.'),
	dropTime: limit(0.2, 20, 'Quicker it is a fall, slower it stands.'),
	lean: limit(-1.5707, 1.5707, 'Beyond level it has gone over.'),
	angle: limit(-Math.PI, Math.PI, 'Half a turn, either way.'),
	sigmaAngle: above(0, 1, 'An eye that is a radian off has not looked.'),
	sigmaTime: above(0, 5, 'A thumb that is five seconds off has not timed.'),
	spinRate: above(0, 60, 'Ten turns a second are no spin test.'),
	carryHeight: limit(0.4, 2, 'From the knee to over the head.'),
	standOff: limit(0.2, 1.5, 'An arm’s length before the hips.'),
	hipHeight: limit(0.4, 1.4, 'The hips of a person.'),
	stride: limit(0, 1.6, 'The stride of a person.'),
	wornMinutes: above(0, 600, 'Nobody wears it for ten hours.')
} as const satisfies Readonly<Record<string, Limit>>;
