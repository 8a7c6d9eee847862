import { describe, expect, it } from 'vitest';
import { fieldText, readQuantity, showLength, showMass, showMove, showShare, showTurns, together } from './display';

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
		expect(together(showLength(0.0143, 'imperial'))).toBe('0.56 in');
		expect(together(showMass(0.6604, 'metric'))).toBe('660 g');
		expect(together(showMass(1.2957, 'metric'))).toBe('1.30 kg');
		expect(together(showMass(9.107, 'imperial'))).toBe('20.08 lb');
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
});
