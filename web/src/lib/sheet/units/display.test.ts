import { describe, expect, it } from 'vitest';
import {
	fieldText,
	fieldUnit,
	inNumber,
	inUnits,
	readQuantity,
	showLength,
	showMass,
	showMove,
	showPlace,
	showShare,
	showTorque,
	showTurns,
	together,
	unbroken
} from './display';

const read = (text: string, quantity: 'length' | 'mass' = 'length', units: 'metric' | 'imperial' = 'metric') => {
	const result = readQuantity(text, quantity, units);
	return 'value' in result ? result.value : result.problem;
};

describe('what a person types', () => {
	it.each([
		['14', 0.014],
		['14 mm', 0.014],
		['1.4cm', 0.014],
		['-3', -0.003],
		['−3', -0.003],
		['12,5', 0.0125],
		['.5 in', 0.0127],
		['1 1/2 in', 0.0381],
		['3/8"', 0.009525],
		['0', 0]
	])('%s is a length of %d m', (text, metres) => expect(read(text)).toBeCloseTo(metres, 12));

	it('is read in the person’s own units when it names none', () => {
		expect(read('2', 'length', 'imperial')).toBeCloseTo(0.0508, 12);
		expect(read('660', 'mass')).toBeCloseTo(0.66, 12);
		expect(read('2', 'mass', 'imperial')).toBeCloseTo(0.90718474, 12);
		expect(read('8 oz', 'mass')).toBeCloseTo(0.22679618, 8);
	});

	it.each(['', 'abc', '1e3', 'NaN', 'Infinity', '--3', '12 parsecs', '4/0', '1.2.3'])(
		'“%s” is refused in words',
		(text) => expect(read(text)).toBeTypeOf('string')
	);

	it('names the unit it does not know', () => expect(read('12 kg')).toContain('kg'));
});

describe('what a person reads', () => {
	it('rounds to what a hand can set', () => {
		expect(together(showLength(-0.01443, 'metric'))).toBe('14 mm');
		expect(together(showLength(0.00374, 'metric'))).toBe('3.5 mm');
		expect(together(showMove(-0.02151, 'metric'))).toBe('21.5 mm');
		// No tape along a rail or a post is read to halves.
		expect(together(showPlace(-0.02151, 'metric'))).toBe('22 mm');
		expect(together(showPlace(0.00374, 'metric'))).toBe('4 mm');
		expect(together(showLength(0.0143, 'imperial'))).toBe('0.56 in');
		expect(together(showMass(0.6604, 'metric'))).toBe('660 g');
		expect(together(showMass(1.2957, 'metric'))).toBe('1.30 kg');
		expect(together(showMass(9.107, 'imperial'))).toBe('20.08 lb');
		// To what a hand reads.
		expect(together(showMass(68.24, 'imperial'))).toBe('150 lb');
		expect(together(showLength(1.3, 'imperial'))).toBe('51.2 in');
		expect(fieldText(1.3, 'length', 'imperial')).toBe('51.2');
		expect(together(showShare(0.003))).toBe('<1 %');
	});

	it.each([
		[0.014, 0.004, '3½ turns'],
		[0.004, 0.004, '1 turn'],
		[-0.001, 0.004, '¼ turn'],
		[0.005, 0.004, '1¼ turns'],
		[0.0001, 0.004, null]
	])('%d m at %d m a turn is %s', (move, pitch, text) => expect(showTurns(move, pitch)).toBe(text));

	it('comes back the same from a field', () => {
		for (const units of ['metric', 'imperial'] as const)
			for (const value of [0.0123, -0.0555, 0.3])
				expect(Math.abs((read(fieldText(value, 'length', units), 'length', units) as number) - value)).toBeLessThan(
					5.1e-5
				);
	});

	it('puts words that were written in other units into one’s own, and leaves all else', () => {
		expect(inUnits('Slide the plate back 14 mm, 3½ turns', 'imperial')).toBe('Slide the plate back 0.55 in, 3½ turns');
		expect(inUnits('3 to 9 m in four sections', 'imperial')).toBe('9.8 to 29.5 ft in four sections');
		expect(inUnits('Hang 2 × 10 kg and 1 × 500 g', 'imperial')).toBe('Hang 2 × 22.05 lb and 1 × 1.10 lb');
		expect(inUnits('to reading 36.5; 12 N·m; 5 m/s', 'imperial')).toBe('to reading 36.5; 12 N·m; 5 m/s');
		expect(inUnits('back 0.55 in', 'metric')).toBe('back 14 mm');
		expect(inUnits('back 14 mm', 'metric')).toBe('back 14 mm');
	});

	it('holds figures, times and units together where lines break', () => {
		expect(unbroken('Hang 1 × 10 kg, 3 turns')).toBe('Hang 1\u00a0×\u00a010\u00a0kg, 3\u00a0turns');
	});

	it('counts one and many', () => {
		expect([0, 1, 2].map((count) => inNumber(count, 'block battery'))).toEqual([
			'block batteries',
			'block battery',
			'block batteries'
		]);
		expect([inNumber(2, 'gimbal box'), inNumber(3, 'plate'), inNumber(2, 'key')]).toEqual([
			'gimbal boxes',
			'plates',
			'keys'
		]);
	});

	it('rounds torques to what a hand feels', () => {
		const told = (nm: number) => together(showTorque(nm, 'metric'));
		expect([0.0004, 0.0312, 0.3, 1.939, 12.4].map(told)).toEqual([
			'<0.01 N·m',
			'0.03 N·m',
			'0.30 N·m',
			'1.9 N·m',
			'12 N·m'
		]);
		expect(together(showTorque(1.939, 'imperial'))).toBe('1.4 lbf·ft');
		expect(together(showTorque(0.02, 'imperial'))).toBe('2.8 ozf·in');
	});

	it.each([
		['temperature', 20, '68'],
		['speed', 10, '22.4'],
		['area', 1.5, '16.15'],
		['force', 80, '18'],
		['torque', 0.02, '2.83']
	] as const)('reads and writes %s in both systems', (quantity, value, imperial) => {
		expect(fieldText(value, quantity, 'imperial')).toBe(imperial);
		for (const units of ['metric', 'imperial'] as const) {
			const back = readQuantity(`${fieldText(value, quantity, units)} ${fieldUnit(quantity, units)}`, quantity, units);
			expect((back as { value: number }).value).toBeCloseTo(value, quantity === 'force' ? 0 : 1);
		}
	});
});
