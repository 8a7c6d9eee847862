/** The built application with the sockets of its live pages on the same port. */
import { server } from './build/index.js';

const shared = /** @type {any} */ (globalThis);
shared[Symbol.for('poise.httpServer')] = server.server;
shared[Symbol.for('poise.attach')]?.(server.server);
