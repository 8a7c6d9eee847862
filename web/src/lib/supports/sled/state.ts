import type { SledBenchState, SledRig } from './model';
import { usualDropS } from './advice';
import { dockedSetting } from './standing';

/** What usually moves to make a sled spin true: the batteries; the monitor stays where it can be read. */
export const usualMovers = (sled: Pick<SledRig, 'geometry'>) =>
	sled.geometry.items.filter(({ kind, foreM }) => kind === 'battery' && foreM !== null).map(({ id }) => id);

/** A payload that was never on this sled: docked, nothing seen, the usual wishes. */
export const freshSledState = (sled: Pick<SledRig, 'geometry'>): SledBenchState => ({
	setting: dockedSetting(sled.geometry),
	slips: [],
	seen: [],
	dropTimeS: usualDropS,
	shots: [],
	movers: usualMovers(sled)
});
