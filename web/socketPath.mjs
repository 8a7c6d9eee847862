/** The only path that sockets are opened on; an address that is none is another. @param {string | undefined} address */
export const isSocketPath = (address) => (address ?? '').split('?', 1)[0] === '/live/socket';
