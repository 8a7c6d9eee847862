import { PhysicsInputError } from '@poise/core';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { Person } from '$lib/model/person';
import { Refusal } from './refusal';
import type { ServerStation } from './station';

const said = vi.fn();
vi.mock('./trouble', () => ({ sayTrouble: (what: string) => void said(what) }));
const own: [string, ServerStation][] = [];
vi.mock('./stations', () => ({ serverStations: own, historyOf: () => null }));
const { stationStates } = await import('./stationStates');

const nobody = { payloadId: null, supportId: null } as Person;
const stands = { offset: 0.2, words: 'Possible' };

describe('the line of the day', () => {
	beforeEach(() => {
		own.length = 0;
		said.mockClear();
	});
	it('asks every station for whom and what, and shows what each says', async () => {
		const asked: unknown[] = [];
		own.push(
			['moves', { state: async (asking) => (asked.push(asking), stands) }],
			['live', {}],
			['feel', { state: async () => null }]
		);
		expect(await stationStates('crew', nobody)).toEqual({ moves: stands });
		expect(asked).toEqual([{ crewId: 'crew', person: nobody, standing: null }]);
	});
	it('leaves the vial of what breaks empty, says so in the log, and shows the others', async () => {
		own.push(['feel', { state: () => Promise.reject(new Error('broken')) }], ['moves', { state: async () => stands }]);
		expect(await stationStates('crew', nobody)).toEqual({ moves: stands });
		expect(said.mock.calls).toEqual([['day line of feel']]);
	});
	it('is silent of figures that cannot be worked out', async () => {
		own.push(['feel', { state: () => Promise.reject(new PhysicsInputError('feel', 'x', 'must be more', 0)) }]);
		expect(await stationStates('crew', nobody)).toEqual({});
		expect(said).not.toHaveBeenCalled();
	});
	it('closes the page where the database is away', async () => {
		own.push(['feel', { state: () => Promise.reject(new Refusal('databaseAway')) }]);
		await expect(stationStates('crew', nobody)).rejects.toThrow(Refusal);
	});
});
