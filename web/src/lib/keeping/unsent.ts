/**
 * How to send what the open page holds and the server may not have. A page that is about to give way to another, after the
 * server was away, sends it first: once it is gone nothing else would until it is opened again.
 */
const saves = new Set<() => Promise<unknown>>();

export const sendsItself = (save: () => Promise<unknown>): void => void saves.add(save);
export const sendsNoMore = (save: () => Promise<unknown>): void => void saves.delete(save);
export const sendAll = (): Promise<unknown> => Promise.allSettled([...saves].map((save) => save()));
