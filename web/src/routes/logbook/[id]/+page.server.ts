import type { LoggedBalance } from '$lib/model/balance';
import { type Payload, standingParts } from '$lib/model/payload';
import { idOf } from '$lib/server/api';
import { findBench } from '$lib/server/db/benches';
import { findBalance } from '$lib/server/db/log';
import { listBalanceChanges } from '$lib/server/db/logChanges';
import { listParts } from '$lib/server/db/parts';
import { listPayloads } from '$lib/server/db/payloads';
import { findSupport } from '$lib/server/db/supports';
import { pageLoad } from '$lib/server/page';
import { moduleOf, ownName } from '$lib/supports/components';
import { hasItsParts } from '$lib/server/unreadable';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params, url, depends }) =>
	pageLoad(async () => {
		depends('poise:record');
		const { crewId, person } = locals;
		const id = idOf(params.id);
		const [record, payloads, shelf, changes] = await Promise.all([
			findBalance(crewId, id),
			listPayloads(crewId),
			listParts(crewId),
			listBalanceChanges(crewId, id)
		]);
		locals.shown.push(moduleOf(record.kind, ownName(record.kind, 'RecordView')));
		const byId = new Map(shelf.map((part) => [part.id, part]));
		const weighs = (payload: Payload) => (hasItsParts(payload, shelf) ? weightOf(payload) : NaN);
		const weightOf = (payload: Payload) => standingParts(payload, byId).reduce((sum, { part }) => sum + part.massKg, 0);
		// The payload asked for, else the one on the bench if it is of that weight, else the one that was logged, as it is today.
		const presentFor = ({ payloadId, payloadMassKg }: LoggedBalance): Payload | null => {
			const onBench = payloads.find((each) => each.id === person.payloadId);
			const alike = onBench !== undefined && Math.abs(Math.log(weighs(onBench) / payloadMassKg)) < Math.log(2);
			const wanted = [url.searchParams.get('with'), alike ? onBench.id : null, payloadId];
			const whole = payloads.filter((each) => hasItsParts(each, shelf));
			return wanted.map((each) => whole.find((one) => one.id === each)).find((each) => each !== undefined) ?? null;
		};
		const present = presentFor(record);
		const support = record.supportId === null ? null : await findSupport(crewId, record.supportId, record.kind);
		const bench = support === null || present === null ? null : await findBench(crewId, support.id, present.id);
		return {
			record,
			support,
			present,
			bench,
			changes,
			shelf,
			payloads: payloads.map(({ id: each, name }) => ({ id: each, name }))
		};
	});
