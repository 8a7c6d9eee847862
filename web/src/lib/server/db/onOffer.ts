import { asc, desc, eq } from 'drizzle-orm';
import type { SupportOnOffer } from '$lib/supports/onOffer';
import { database } from './client';
import { cranes, payloads, rigs, sleds } from './schema';

/** Every support of the crew with what it carries, kind by kind, and every payload by name: what a bench is made of. */
export async function listOnOffer(crewId: string): Promise<{
	readonly supports: readonly SupportOnOffer[];
	readonly payloads: readonly { readonly id: string; readonly name: string }[];
}> {
	const of = async (table: typeof rigs | typeof sleds | typeof cranes, kind: SupportOnOffer['kind'], under: string) => {
		const { id, name, leastPayloadKg, greatestPayloadKg } = table;
		const rows = await database()
			.select({ id, name, leastPayloadKg, greatestPayloadKg })
			.from(table)
			.where(eq(table.crewId, crewId))
			.orderBy(asc(greatestPayloadKg), asc(name));
		return rows.map((row) => ({ ...row, kind, at: `${under}${row.id}` }));
	};
	const [gimbals, onSleds, onCranes, built] = await Promise.all([
		of(rigs, 'gimbal', ''),
		of(sleds, 'sled', 'sled/'),
		of(cranes, 'crane', 'crane/'),
		database()
			.select({ id: payloads.id, name: payloads.name })
			.from(payloads)
			.where(eq(payloads.crewId, crewId))
			.orderBy(desc(payloads.updatedAt), desc(payloads.id))
	]);
	return { supports: [...gimbals, ...onSleds, ...onCranes], payloads: built };
}
