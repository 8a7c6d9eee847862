import type { Quantity } from '$lib/sheet/units/display';
import type { Limit } from '$lib/model/limits';
import { moveLimits } from './limits';
import type { Axis } from './model';

interface AxisWords {
	readonly words: string;
	/** As it stands beside its band. */
	readonly short: string;
	readonly quantity: Extract<Quantity, 'length' | 'distance' | 'angle'>;
	readonly limit: Limit;
}

/** How an axis is called and written. */
export const axisWords: Readonly<Record<Axis, AxisWords>> = {
	trackM: { words: 'along the rail', short: 'rail', quantity: 'distance', limit: moveLimits.along },
	swingRad: { words: 'swing', short: 'swing', quantity: 'angle', limit: moveLimits.turn },
	boomRad: { words: 'boom', short: 'boom', quantity: 'angle', limit: moveLimits.incline },
	extensionM: { words: 'pulled out', short: 'reach', quantity: 'distance', limit: moveLimits.along },
	eastM: { words: 'across the plan', short: 'across', quantity: 'distance', limit: moveLimits.place },
	northM: { words: 'up the plan', short: 'up', quantity: 'distance', limit: moveLimits.place },
	heightM: { words: 'above the floor', short: 'height', quantity: 'distance', limit: moveLimits.height },
	panRad: { words: 'pan', short: 'pan', quantity: 'angle', limit: moveLimits.turn },
	tiltRad: { words: 'tilt', short: 'tilt', quantity: 'angle', limit: moveLimits.turn },
	rollRad: { words: 'roll', short: 'roll', quantity: 'angle', limit: moveLimits.turn },
	focusM: { words: 'focus', short: 'focus', quantity: 'distance', limit: moveLimits.focus },
	focalM: { words: 'focal length', short: 'zoom', quantity: 'length', limit: moveLimits.focal }
};
