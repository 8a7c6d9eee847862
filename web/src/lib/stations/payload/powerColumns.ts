import { limits } from '$lib/model/limits';
import type { PowerPaper } from '$lib/model/paper';
import { type Column, figureWithin } from '$lib/sheet/fields/columns';
import type { Quantity } from '$lib/sheet/units/display';
import type { powerFigures } from './powerSheet';

export type PowerList = 'sources' | 'taps' | 'loads';
const whole = (least: number) => (_row: unknown, value: number) =>
	Number.isInteger(value) && value >= least && value <= 99 ? null : `A whole number from ${least} to 99.`;
const uptoAll = figureWithin(limits.share, 'share');
type Source = PowerPaper['sources'][number];
type Tap = PowerPaper['taps'][number];
type Load = PowerPaper['loads'][number];

/** The tables of a power sheet: batteries, the taps on them, and what draws from those. */
export function powerColumns(
	paper: PowerPaper,
	figures: ReturnType<typeof powerFigures>,
	set: (list: PowerList, id: string, field: string, value: string | number) => void
) {
	/** A column of figures in one of the three lists. */
	const figure = <Row extends { readonly id: string; readonly name: string }>(
		list: PowerList,
		head: string,
		field: keyof Row & string,
		quantity: Quantity,
		check: (row: unknown, value: number) => string | null,
		testId?: (row: Row) => string
	): Column<Row> => ({
		kind: 'figure',
		head,
		quantity,
		check,
		label: (row) => `${row.name}: ${head}`,
		get: (row) => row[field] as number,
		set: (row, value) => set(list, row.id, field, value),
		...(testId === undefined ? {} : { testId })
	});
	const named = <Row extends { readonly id: string; readonly name: string }>(
		list: PowerList,
		head: string
	): Column<Row> => ({
		kind: 'text',
		head,
		label: () => head,
		get: ({ name }) => name,
		set: ({ id }, value) => set(list, id, 'name', value)
	});
	const sources: readonly Column<Source>[] = [
		named('sources', 'Kind'),
		figure(
			'sources',
			'capacity, each',
			'capacityWh',
			'energy',
			figureWithin(limits.capacity, 'energy'),
			() => 'capacity'
		),
		figure('sources', 'voltage', 'voltageV', 'voltage', figureWithin(limits.voltage, 'voltage')),
		figure('sources', 'how many', 'count', 'count', whole(0), () => 'battery-count'),
		figure('sources', 'worn at once', 'atOnce', 'count', whole(1)),
		figure('sources', 'age has left', 'ageFactor', 'share', uptoAll)
	];
	const taps: readonly Column<Tap>[] = [
		named<Tap>('taps', 'Tap'),
		{
			kind: 'choice',
			head: 'of',
			label: ({ name }: Tap) => `${name} is on`,
			get: ({ sourceId }: Tap) => sourceId,
			set: ({ id }: Tap, value: string) => set('taps', id, 'sourceId', value),
			options: () => paper.sources.map(({ id, name }) => [id, name] as const)
		},
		figure<Tap>('taps', 'gives', 'voltageV', 'voltage', figureWithin(limits.voltage, 'voltage')),
		figure<Tap>('taps', 'at most', 'limitA', 'current', figureWithin(limits.current, 'current'), () => 'tap-limit'),
		figure<Tap>('taps', 'efficiency', 'efficiency', 'share', uptoAll),
		{
			kind: 'told',
			head: 'asked for',
			get: ({ id }: Tap) => {
				const asked = figures?.plan.taps.find((tap) => tap.id === id);
				return asked === undefined ? '' : `${asked.currentA.toFixed(2)} A`;
			},
			bad: ({ id }: Tap) => figures?.plan.taps.find((tap) => tap.id === id)?.overloaded ?? false
		}
	];
	const loads: readonly Column<Load>[] = [
		named<Load>('loads', 'Load'),
		{
			kind: 'choice',
			head: 'from',
			label: ({ name }: Load) => `${name} is on`,
			get: ({ tapId }: Load) => tapId,
			set: ({ id }: Load, value: string) => set('loads', id, 'tapId', value),
			options: () => paper.taps.map(({ id, name }) => [id, name] as const)
		},
		figure<Load>('loads', 'draws', 'drawW', 'power', figureWithin(limits.draw, 'power'), ({ name }) => `draw-${name}`)
	];

	return { sources, taps, loads };
}
