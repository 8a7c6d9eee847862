import { periodFromTaps, radFromDeg } from '@poise/core';
import type { MeasuringWay } from '$lib/model/measurement';
import type { UnitSystem } from '$lib/model/person';
import { fieldText, fieldUnit, type Quantity } from '$lib/sheet/units/display';
import type { Plane, Readings } from './evaluate';

interface HangText {
	acrossM: number;
	upM: number;
	turns: number[];
	turn: number;
}

const endWords = ['its rear end', 'its right side', 'its underside'] as const;

/** What is being read off the bench right now: the way, the readings taken so far, and the one being typed. */
export class MeasureForm {
	way = $state<MeasuringWay>('rod');
	axis = $state<0 | 1 | 2>(0);
	plane = $state<Plane>('side');
	/** Repeated readings of one thing, and the one being typed. */
	list = $state.raw<readonly number[]>([]);
	reading = $state(0);
	pairs = $state.raw<readonly (readonly [number, number])[]>([]);
	pair = $state.raw<readonly [number, number]>([0, 0]);
	edgeA = $state(0);
	span = $state(0.1);
	hangs = $state<[HangText, HangText]>([
		{ acrossM: 0, upM: 0.04, turns: [], turn: 0 },
		{ acrossM: -0.04, upM: 0, turns: [], turn: 0 }
	]);
	pin = $state({ acrossM: 0, upM: 0.04 });
	amplitude = $state(radFromDeg(20));
	periods = $state.raw<readonly number[]>([]);
	period = $state(0);
	taps = $state.raw<readonly number[]>([]);
	recordId = $state('');

	readonly endWords = $derived(endWords[this.axis]);

	/** The readings as they stand, with the one being typed; null where a logged balance speaks instead. */
	readonly readings: Readings | null = $derived.by(() => {
		const { way, axis, plane } = this;
		if (way === 'rod')
			return {
				way,
				axis,
				fromEndM: this.list.length === 0 && this.reading === 0 ? [] : withTyped(this.list, this.reading)
			};
		if (way === 'scales') {
			const typed = this.pair[0] + this.pair[1] > 0;
			const pairsKg = typed ? [...this.pairs, this.pair] : this.pairs;
			return { way, axis, edgeAFromEndM: this.edgeA, spanM: this.span, pairsKg };
		}
		if (way === 'hang') {
			const read = ({ acrossM, upM, turns, turn }: HangText) => ({ acrossM, upM, turnsRad: withTyped(turns, turn) });
			return { way, plane, first: read(this.hangs[0]), second: read(this.hangs[1]) };
		}
		if (way === 'swing')
			return {
				way,
				plane,
				pinAcrossM: this.pin.acrossM,
				pinUpM: this.pin.upM,
				turnsRad: withTyped(this.list, this.reading),
				periodsS: this.period > 0 ? [...this.periods, this.period] : this.periods,
				amplitudeRad: this.amplitude
			};
		return null;
	});

	/** The readings in words, as they are kept with the measurement. */
	inWords(units: UnitSystem): string {
		const { readings } = this;
		if (readings === null) return '';
		const show = (value: number, quantity: Quantity) =>
			`${fieldText(value, quantity, units)} ${fieldUnit(quantity, units)}`;
		const all = (values: readonly number[], quantity: Quantity) =>
			values.map((each) => show(each, quantity)).join(', ');
		if (readings.way === 'rod') return `${all(readings.fromEndM, 'length')} from ${endWords[readings.axis]}`;
		if (readings.way === 'scales') {
			const weighed = readings.pairsKg.map(([a, b]) => `${show(a, 'mass')} | ${show(b, 'mass')}`).join(', ');
			return `${weighed} over ${show(readings.spanM, 'length')}`;
		}
		if (readings.way === 'hang')
			return [readings.first, readings.second].map(({ turnsRad }) => all(turnsRad, 'angle')).join(' and ');
		return `${all(readings.periodsS, 'time')} at ${all(readings.turnsRad, 'angle')}`;
	}

	takeAgain(): void {
		this.list = [...this.list, this.reading];
		this.reading = 0;
	}
	weighAgain(): void {
		this.pairs = [...this.pairs, this.pair];
		this.pair = [0, 0];
	}
	hangAgain(index: 0 | 1): void {
		const hang = this.hangs[index];
		hang.turns = [...hang.turns, hang.turn];
		hang.turn = 0;
	}
	swingAgain(): void {
		this.periods = [...this.periods, this.period];
		this.period = 0;
		this.taps = [];
	}
	/** One tap in time with a swing, seconds on any clock. */
	tap(nowS: number): void {
		this.taps = [...this.taps, nowS];
		if (this.taps.length >= 3) this.period = periodFromTaps({ tapsS: this.taps }).periodS;
	}
	clear(): void {
		this.list = [];
		this.pairs = [];
		this.periods = [];
		this.taps = [];
		this.reading = this.period = 0;
		this.pair = [0, 0];
	}
}

/** A typed 0 counts only where it is the only reading: level is an angle too. */
const withTyped = (values: readonly number[], typed: number) =>
	typed !== 0 || values.length === 0 ? [...values, typed] : values;
