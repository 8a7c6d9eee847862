import { ask } from './ask';

/** Tells every other tab of this browser at once what was deleted; other browsers hear it when they are looked at again. */
const tabs = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('poise.gone');

export const tellGone = (path: string): void => tabs?.postMessage(path);

/**
 * Calls `gone` once the thing behind this address of the server was deleted: at once where that was in another tab, else as soon as
 * somebody comes back to this one. Gives what ends it.
 */
export function whenGone(path: string, gone: () => void): () => void {
	const heard = ({ data }: MessageEvent) => {
		if (data === path) gone();
	};
	const look = async () => {
		if (document.visibilityState !== 'visible') return;
		const there = await ask('GET', path);
		if (!there.ok && there.error.code === 'notFound') gone();
	};
	tabs?.addEventListener('message', heard);
	document.addEventListener('visibilitychange', look);
	window.addEventListener('focus', look);
	return () => {
		tabs?.removeEventListener('message', heard);
		document.removeEventListener('visibilitychange', look);
		window.removeEventListener('focus', look);
	};
}
