import type { LoggedBalance } from '$lib/model/balance';
import { type Payload, standingParts } from '$lib/model/payload';
import { idOf } from '$lib/server/api';
import { findBalance, findCraneBalance, findSledBalance, kindOfBalance } from '$lib/server/db/balances';
import { listBalanceChanges } from '$lib/server/db/balanceChanges';
import { findCraneBench, listCranes } from '$lib/server/db/cranes';
import { listParts } from '$lib/server/db/parts';
import { listPayloads } from '$lib/server/db/payloads';
import { listRigs } from '$lib/server/db/rigs';
import { findSledBench, listSleds } from '$lib/server/db/sleds';
import { pageLoad } from '$lib/server/page';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals, params, url, depends }) =>
	pageLoad(async () => {
		depends('poise:record');
		const { crewId, person } = locals;
		const id = idOf(params.id);
		const [kind, payloads, shelf, changes] = await Promise.all([
			kindOfBalance(crewId, id),
			listPayloads(crewId),
			listParts(crewId),
			listBalanceChanges(crewId, id)
		]);
		const byId = new Map(shelf.map((part) => [part.id, part]));
		const weighs = (payload: Payload) => standingParts(payload, byId).reduce((sum, { part }) => sum + part.massKg, 0);
		// The payload asked for, else the one on the bench if it is of that weight, else the one that was logged, as it is today.
		const presentFor = ({ payloadId, payloadMassKg }: LoggedBalance): Payload | null => {
			const onBench = payloads.find((each) => each.id === person.payloadId);
			const alike = onBench !== undefined && Math.abs(Math.log(weighs(onBench) / payloadMassKg)) < Math.log(2);
			const wanted = [url.searchParams.get('with'), alike ? onBench.id : null, payloadId];
			return wanted.map((each) => payloads.find((one) => one.id === each)).find((each) => each !== undefined) ?? null;
		};
		const shared = { changes, shelf, payloads: payloads.map(({ id: each, name }) => ({ id: each, name })) };
		if (kind === 'gimbal') {
			const [record, rigs] = await Promise.all([findBalance(crewId, id), listRigs(crewId)]);
			const rig = rigs.find((each) => each.id === record.rigId) ?? record.rig;
			return { kind: 'gimbal' as const, record, rig, present: presentFor(record), ...shared };
		}
		if (kind === 'crane') {
			const [record, cranes] = await Promise.all([findCraneBalance(crewId, id), listCranes(crewId)]);
			const present = presentFor(record);
			const crane = cranes.find((each) => each.id === record.craneId) ?? null;
			const craneBench = crane === null || present === null ? null : await findCraneBench(crewId, crane.id, present.id);
			return { kind: 'crane' as const, record, crane, present, craneBench, ...shared };
		}
		const [record, sleds] = await Promise.all([findSledBalance(crewId, id), listSleds(crewId)]);
		const present = presentFor(record);
		const sled = sleds.find((each) => each.id === record.sledId) ?? null;
		const bench = sled === null || present === null ? null : await findSledBench(crewId, sled.id, present.id);
		return { kind: 'sled' as const, record, sled, present, bench, ...shared };
	});
